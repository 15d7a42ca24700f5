import { type AmountUnit, printAmount } from '../measure/print';

/** Smaller differences go as planned: nobody's hand is finer. */
const SLACK = 0.02;

/** What was used against what was planned, in words; null when it went as planned or nobody can say. */
export function amountDifference(name: string, planned: number | null, actual: number | null, unit: AmountUnit, logged: boolean): string | null {
  if (planned === null || actual === null) return logged || planned === null ? null : `No ${name} logged`;
  const difference = actual - planned;
  if (Math.abs(difference) <= planned * SLACK + 1e-9) return null;
  return `${printAmount(Math.abs(difference), unit)} ${difference > 0 ? 'more' : 'less'} ${name} than planned`;
}
