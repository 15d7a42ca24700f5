import { type Known, leastOf, mostOf } from '../figure';
import { type AmountUnit, printAmount } from '../measure/print';

/** Smaller differences go as planned: nobody's hand is finer. */
const SLACK = 0.02;

/**
 * What was used against what was planned, in words; null when it went as planned or nobody can say. A range that was planned
 * holds all that lies in it, and what was logged as a range differs only where all of it does.
 */
export function amountDifference(name: string, planned: Known, actual: Known, unit: AmountUnit, logged: boolean): string | null {
  if (planned === null || actual === null) return logged || planned === null ? null : `No ${name} logged`;
  const slack = (edge: number): number => edge * SLACK + 1e-9;
  const [least, most] = [leastOf(planned) ?? 0, mostOf(planned) ?? Number.POSITIVE_INFINITY];
  const more = (leastOf(actual) ?? 0) - most;
  const less = least - (mostOf(actual) ?? Number.POSITIVE_INFINITY);
  if (more > slack(most)) return `${printAmount(more, unit)} more ${name} than planned`;
  return less > slack(least) ? `${printAmount(less, unit)} less ${name} than planned` : null;
}
