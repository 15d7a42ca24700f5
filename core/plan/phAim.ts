import { above, atLeast } from '../measure/limits';
import { printNumber } from '../measure/print';
import { unreachable } from '../result';

/** Where the pH of a bath shall be before the goods go in; one end may be left open. At least one end is a number, 0–14. */
export interface PhAim {
  readonly low: number | null;
  readonly high: number | null;
}

/** Above this wool stops taking and silk is harmed (common practice, no source). */
export const WOOL_STOPS_PH = 10;

/** Dye does not take from a bath as alkaline as this (common practice, no source). */
export const NOTHING_TAKES_PH = 12;

export type PhStanding = 'within' | 'notYet' | 'overshot';

/** "4 to 5", "5 or less", "9 or more". */
export function phAimText({ low, high }: PhAim): string {
  if (low === null) return `${printNumber(high ?? 14)} or less`;
  if (high === null) return `${printNumber(low)} or more`;
  return low === high ? printNumber(low) : `${printNumber(low)} to ${printNumber(high)}`;
}

/**
 * How a reading stands to its aim; both ends belong to it. An aim below neutral is come to from above, by acid, one above
 * it from below, by alkali: what has gone through it is overshot (common practice, no source).
 */
export function phStanding(aim: PhAim, ph: number): PhStanding {
  const tooLow = aim.low !== null && !atLeast(ph, aim.low);
  const tooHigh = aim.high !== null && above(ph, aim.high);
  if (!tooLow && !tooHigh) return 'within';
  const middle = ((aim.low ?? aim.high ?? 7) + (aim.high ?? aim.low ?? 7)) / 2;
  const isAcid = middle < 7;
  return tooLow === isAcid ? 'overshot' : 'notYet';
}

/** Where no sum can tell how much (trade handbook, common practice, no source). */
const A_LITTLE_MORE = 'an eighth of a teaspoon (0.6 mL) more, stir, measure';

/** What a reading means for what is done next. @param more what is to go in, where it is not there yet */
export function phSaid(aim: PhAim, ph: number, more = A_LITTLE_MORE): string {
  const read = `pH ${printNumber(ph)}`;
  const standing = phStanding(aim, ph);
  switch (standing) {
    case 'within':
      return `${read} is where it shall be, ${phAimText(aim)}`;
    case 'notYet':
      return `${read}, not yet ${phAimText(aim)}: ${more}`;
    case 'overshot':
      return `${read}, overshot ${phAimText(aim)}: dilute it, or begin again with less`;
    default:
      return unreachable(standing);
  }
}
