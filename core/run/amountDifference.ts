import { type Known, leastOf, mostOf } from '../figure';
import { type AmountUnit, printAmount } from '../measure/print';

/** Smaller differences go as planned: nobody's hand is finer. */
const SLACK = 0.02;

/**
 * How much more, or less (below 0), was used than planned; 0 when it went as planned, null when nobody can say. A range that
 * was planned holds all that lies in it, and what was logged as a range differs only where all of it does.
 */
export function amountOff(planned: Known, actual: Known): number | null {
  if (planned === null || actual === null) return null;
  const slack = (edge: number): number => edge * SLACK + 1e-9;
  const [least, most] = [leastOf(planned) ?? 0, mostOf(planned) ?? Number.POSITIVE_INFINITY];
  const more = (leastOf(actual) ?? 0) - most;
  const less = least - (mostOf(actual) ?? Number.POSITIVE_INFINITY);
  if (more > slack(most)) return more;
  return less > slack(least) ? -less : 0;
}

/** What was used against what was planned, in words; null when it went as planned or nobody can say. */
export function amountDifference(name: string, planned: Known, actual: Known, unit: AmountUnit, logged: boolean): string | null {
  const off = amountOff(planned, actual);
  if (off === null) return logged || planned === null ? null : `No ${name} logged`;
  if (off === 0) return perhapsMore(name, planned, actual, unit);
  return `${printAmount(Math.abs(off), unit)} ${off > 0 ? 'more' : 'less'} ${name} than planned`;
}

/** Logged as a range that sticks out of what was planned: nobody can say that it went as planned. */
function perhapsMore(name: string, planned: Known, actual: Known, unit: AmountUnit): string | null {
  if (planned === null || actual === null) return null;
  const over = (mostOf(actual) ?? Number.POSITIVE_INFINITY) - (mostOf(planned) ?? Number.POSITIVE_INFINITY);
  const under = (leastOf(planned) ?? 0) - (leastOf(actual) ?? 0);
  const isClear = (off: number, of: number | null): boolean => off > (of ?? 0) * SLACK + 1e-9;
  if (over === Number.POSITIVE_INFINITY) return `Perhaps more ${name} than planned: nobody knows how much`;
  const [more, less] = [isClear(over, mostOf(planned)), isClear(under, leastOf(planned))];
  if (more && less) return `Perhaps ${printAmount(under, unit)} less or ${printAmount(over, unit)} more ${name} than planned`;
  if (more) return `Perhaps up to ${printAmount(over, unit)} more ${name} than planned`;
  return less ? `Perhaps up to ${printAmount(under, unit)} less ${name} than planned` : null;
}
