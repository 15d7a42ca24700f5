import { deltaE00, type Lab } from './lab';
import { chromaOf } from './polar';

/** What changed from one colour to another, in figures and in words. */
export interface Difference {
  /** CIEDE2000. */
  readonly deltaE: number;
  readonly deltaL: number;
  readonly deltaA: number;
  readonly deltaB: number;
  /** "clearly darker, a little yellower, duller". */
  readonly words: string;
  /** What an eye makes of it. */
  readonly telling: Telling;
}

export type Telling = 'nobody' | 'trained' | 'beside' | 'anybody' | 'other';

/** Common practice, no source. */
export const TELLING_SAYS: Readonly<Record<Telling, string>> = {
  nobody: 'nobody can tell them apart',
  trained: 'a trained eye can tell them apart, side by side',
  beside: 'anybody can tell them apart, side by side',
  anybody: 'anybody sees it',
  other: 'another colour',
};

/** By ΔE00: below 1 nobody, 1–2 a trained eye side by side, 2–5 anybody side by side, 5–10 anybody, above another colour. */
export function tellingOf(deltaE: number): Telling {
  if (deltaE < 1) return 'nobody';
  if (deltaE < 2) return 'trained';
  if (deltaE < 5) return 'beside';
  return deltaE < 10 ? 'anybody' : 'other';
}

/** Below this chroma a colour is a grey, and its hue says nothing. */
const GREY_C = 4;

export function difference(from: Lab, to: Lab): Difference {
  const deltaE = deltaE00(from, to);
  const [deltaL, deltaA, deltaB] = [to.l - from.l, to.a - from.a, to.b - from.b];
  return { deltaE, deltaL, deltaA, deltaB, telling: tellingOf(deltaE), words: deltaE < 1 ? 'no difference that an eye can see' : wordsOf(from, to) };
}

/** How far along one direction, in units that an eye finds alike, and the word for it. */
interface Part {
  readonly size: number;
  readonly word: string;
}

function wordsOf(from: Lab, to: Lab): string {
  const meanL = (from.l + to.l) / 2;
  const [fromC, toC] = [chromaOf(from), chromaOf(to)];
  const meanC = (fromC + toC) / 2;
  // The weights of CIEDE2000 without its small terms: the same step counts less where an eye is less sharp.
  const weightL = 1 + (0.015 * (meanL - 50) ** 2) / Math.sqrt(20 + (meanL - 50) ** 2);
  const deltaL = to.l - from.l;
  const parts: Part[] = [{ size: Math.abs(deltaL) / weightL, word: deltaL > 0 ? 'lighter' : 'darker' }];
  if (Math.min(fromC, toC) < GREY_C) parts.push(...towards(to.a - from.a, to.b - from.b));
  else {
    const deltaC = toC - fromC;
    const deltaH = Math.sqrt(Math.max(0, (to.a - from.a) ** 2 + (to.b - from.b) ** 2 - deltaC ** 2));
    const turns = from.a * to.b - from.b * to.a;
    // Along the circle of hues: the direction in which the hue turned, at the middle of both.
    const [a, b] = [from.a / fromC + to.a / toC, from.b / fromC + to.b / toC];
    const [alongA, alongB] = turns > 0 ? [-b, a] : [b, -a];
    parts.push({ size: deltaH / (1 + 0.015 * meanC), word: hueWord(alongA, alongB) });
    parts.push({ size: Math.abs(deltaC) / (1 + 0.045 * meanC), word: deltaC > 0 ? 'clearer' : 'duller' });
  }
  const seen = parts.filter((part) => part.size >= 1).toSorted((x, y) => y.size - x.size);
  const [most] = parts.toSorted((x, y) => y.size - x.size);
  return (seen.length > 0 ? seen : most ? [most] : []).map(degree).join(', ');
}

const hueWord = (a: number, b: number): string => (Math.abs(a) >= Math.abs(b) ? (a > 0 ? 'redder' : 'greener') : b > 0 ? 'yellower' : 'bluer');

/** From a grey, or to one: each axis for itself. */
const towards = (a: number, b: number): Part[] => [
  { size: Math.abs(a), word: a > 0 ? 'redder' : 'greener' },
  { size: Math.abs(b), word: b > 0 ? 'yellower' : 'bluer' },
];

function degree({ size, word }: Part): string {
  if (size < 2.5) return `a little ${word}`;
  if (size < 6) return word;
  return `${size < 12 ? 'clearly' : 'much'} ${word}`;
}
