import type { Band } from '../chem/band';

/** A mordant bath used again: what to put in for the next goods, by both schools. */
export interface Reuse {
  /** For the next goods as if the bath held nothing, g. */
  readonly fullG: number;
  /** What is still in it by the balance, g: the goods' share is an estimate. */
  readonly leftG: Band;
  /** What then is missing, g; never below 0. */
  readonly topUpG: Band;
}

/** @param leftG grams in it now  @param nextG dry fibre to come  @param pct wanted, % of its weight */
export function reuseDose(leftG: Band, nextG: number, pct: number): Reuse {
  const fullG = (nextG * pct) / 100;
  const missing = (left: number): number => Math.max(0, fullG - left);
  return { fullG, leftG, topUpG: { low: missing(leftG.high), likely: missing(leftG.likely), high: missing(leftG.low) } };
}
