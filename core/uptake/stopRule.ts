import { deltaE00, type Lab } from '../colour/lab';
import { printDuration } from '../measure/print';
import { fitPlateau, type Plateau, plateauAt } from './plateau';

/** How near a sample is to where it will end. */
export type StopRule =
  | {
      readonly kind: 'on';
      /** Share of all the change since the first look that has happened, 0–1, at its likeliest and in the 80 % interval. */
      readonly done: number;
      readonly least: number;
      readonly most: number;
      /** What waiting as long again as `moreMin` would add, ΔE. */
      readonly moreMin: number;
      readonly adds: number;
      /** Minutes from the first look until 95 % of the change has happened, at its likeliest. */
      readonly nearEndMin: number;
      readonly says: string;
    }
  | { readonly kind: 'cannotTell'; readonly why: string; readonly lookAtMs: number | null; readonly says: string };

export interface SampleLook {
  readonly atMs: number;
  readonly lab: Lab;
}

const MIN = 60_000;
/** Student's t for an 80 % interval, by degrees of freedom from 1 (tables of the t distribution). */
const T80 = [3.078, 1.886, 1.638, 1.533, 1.476, 1.44, 1.415, 1.397, 1.383, 1.372];
const t80 = (freedom: number): number => T80[freedom - 1] ?? 1.282 + 0.9 / freedom;
/** Nearly all of it: what is still to come nobody sees beside what came. */
const NEAR_END = 0.95;
const DAY_MIN = 1440;
/** Days with a tenth: an estimate has no minutes. */
const longText = (min: number): string => (min < 2 * DAY_MIN ? printDuration(Math.round(min)) : `${(min / DAY_MIN).toFixed(1)} d`);
/** An interval wider than this says nothing. */
const WIDEST = 0.5;
/** Noise of this share of the whole change: the looks contradict each other. */
const MOST_NOISE = 0.25;
/** A change that nobody sees is no change. */
const LEAST_DELTA_E = 2;

/**
 * Fits the way of a sample's colour towards its end: an exponential approach, along the line from its first colour to its last.
 * @param looks in order of time, all in one state and got in one way
 * @returns what is done and what waiting would add; or why that cannot be said, and when to look next
 */
export function stopRule(looks: readonly SampleLook[]): StopRule {
  const [first, last] = [looks[0], looks.at(-1)];
  if (!first || !last) return cannot('nobody looked yet', null);
  const goneMin = (last.atMs - first.atMs) / MIN;
  // As long again as from the first look to the last one tells most; half of it while there are few.
  const lookAtMs = last.atMs + (Math.max(goneMin, 10) / 2) * MIN;
  if (looks.length < 4) return cannot(`${looks.length} of at least 4 looks`, lookAtMs);
  const line = lineOf(first.lab, last.lab);
  const points = alongLine(looks, first, line);
  const whole = Math.max(...looks.map((look) => deltaE00(first.lab, look.lab)));
  if (whole < LEAST_DELTA_E) return cannot('nothing has changed yet that an eye could see', lookAtMs);
  if (goesBack(points.map(({ y }) => y))) return cannot('the looks contradict each other', lookAtMs);
  const fit = fitPlateau(points);
  if (!fit.ok) {
    const why = fit.error === 'noEnd' ? 'it still goes on as fast as at first' : fit.error === 'tooFew' ? 'too few looks' : 'the looks contradict each other';
    return cannot(why, lookAtMs);
  }
  const { value } = fit;
  if (value.residualSd > MOST_NOISE * Math.abs(value.b)) return cannot('the looks contradict each other', lookAtMs);
  const done = shareAt(value.k, goneMin);
  const by = t80(value.freedom) * value.sd.k;
  const [least, most] = [shareAt(Math.max(0, value.k - by), goneMin), shareAt(value.k + by, goneMin)];
  if (most - least > WIDEST) return cannot('the looks leave it open', lookAtMs);
  const moreMin = nextWait(goneMin);
  const nearEndMin = -Math.log(1 - NEAR_END) / value.k;
  const adds = addedBy(value, goneMin, moreMin, line, last.lab);
  const percent = (share: number) => Math.min(99, Math.round(share * 100));
  const range = percent(least) === percent(most) ? `${percent(done)} %` : `${percent(least)}–${percent(most)} %`;
  return {
    kind: 'on',
    done,
    least,
    most,
    moreMin,
    adds,
    nearEndMin,
    says: `${range} of its way is done, counted from the first look; ${printDuration(moreMin)} more would add about ΔE ${adds.toFixed(1)}${adds < 1 ? ', which nobody sees' : ''}.${
      nearEndMin > goneMin ? ` 95 % about ${longText(nearEndMin)} after the first look.` : ''
    }`,
  };
}

/** A colour that goes back by more than noise does was not read alike, or the bath is another one. */
function goesBack(ys: readonly number[]): boolean {
  let most = Number.NEGATIVE_INFINITY;
  let back = 0;
  for (const y of ys) {
    most = Math.max(most, y);
    back = Math.max(back, most - y);
  }
  return back > MOST_NOISE * (most - Math.min(...ys));
}

const cannot = (why: string, lookAtMs: number | null): StopRule => ({ kind: 'cannotTell', why, lookAtMs, says: `Cannot tell yet: ${why}.` });

const shareAt = (k: number, min: number): number => -Math.expm1(-k * min);

type Line = readonly [l: number, a: number, b: number];

/** From the first colour towards the last, of length 1. */
function lineOf(first: Lab, last: Lab): Line {
  const [l, a, b] = [last.l - first.l, last.a - first.a, last.b - first.b];
  const length = Math.hypot(l, a, b) || 1;
  return [l / length, a / length, b / length];
}

/** Each colour by how far it lies along the line. */
const alongLine = (looks: readonly SampleLook[], first: SampleLook, [l, a, b]: Line): { t: number; y: number }[] =>
  looks.map(({ atMs, lab }) => ({ t: (atMs - first.atMs) / MIN, y: (lab.l - first.lab.l) * l + (lab.a - first.lab.a) * a + (lab.b - first.lab.b) * b }));

/** Two days for a jar of days, a quarter of an hour for a pot of one: a wait that people think in. */
const WAITS = [10, 15, 30, 60, 120, 240, 720, 1440, 2880, 4320, 10_080];
const nextWait = (goneMin: number): number => WAITS.find((min) => min >= goneMin / 3) ?? 10_080;

/** ΔE00 that a longer wait would add: the last colour, moved on along the line by what the curve says. */
function addedBy(value: Plateau, goneMin: number, moreMin: number, [l, a, b]: Line, last: Lab): number {
  const more = plateauAt(value, goneMin + moreMin) - plateauAt(value, goneMin);
  return deltaE00(last, { l: last.l + l * more, a: last.a + a * more, b: last.b + b * more });
}
