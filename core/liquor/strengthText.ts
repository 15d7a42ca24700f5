import type { Band } from '../chem/band';
import { countText, printMass, printVolume } from '../measure/print';
import { ANY_SHARE } from './strength';

const pct = ({ low, high }: Band): string => {
  const [a, b] = [Math.round(low * 100), Math.round(high * 100)];
  return a === b ? `${a} %` : `${a}–${b} %`;
};
const grams = (g: number): string => printMass(Number(g.toPrecision(2)));
const span = ({ low, high }: Band, factor: number): string =>
  grams(low * factor) === grams(high * factor) ? grams(low * factor) : `${grams(low * factor)} – ${grams(high * factor)}`;

/** What a blend of draws gives, in words. @param draws how many  @param leftMl of it; null where nobody knows */
export function blendText(blend: Band, draws: number, leftMl: number | null): string {
  const what = leftMl === null ? 'What is left' : `What is left, ${printVolume(leftMl)},`;
  return `${what} gives about ${pct(blend)} of the depth that the first draw alone would give in as much water: paler. It is a blend of ${draws} draws, each weaker than the one before (a wide guess: each takes ${pct(ANY_SHARE)} of what is still in the plant).`;
}

/** What is left of a bath's colour, in words. @param pairs own results that it rests on  @param loads that it has given */
export function strengthText(left: Band, pairs: number, loads: number, enoughG: Band | null): string {
  if (loads === 0) return 'It has dyed nothing yet: it is as strong as it was made.';
  const rests =
    pairs === 0 ? 'a wide guess, until first and second baths of yours were read dry' : `by ${countText(pairs, 'pair')} of first and second baths of yours`;
  const enough = enoughG === null ? '' : ` Enough for ${span(enoughG, 1)} more as deep as the first, or ${span(enoughG, 2)} half as deep.`;
  return `About ${pct(left)} of the first strength is left after ${countText(loads, 'load')}: ${rests}. The next load comes out paler.${enough}`;
}
