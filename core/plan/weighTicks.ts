import type { Figure } from '../figure';
import type { AmountUnit } from '../measure/print';

/** What somebody ticked off; the newest of a key stands. Null takes the tick back. */
export interface WeighTick {
  readonly id: string;
  readonly key: string;
  readonly amount: Figure | null;
  readonly unit: AmountUnit;
  readonly atMs: number;
}

/** The tick of what is to be worn before the tubs of a step are opened (safety handbook R31, P10). */
export const wearKey = (stepId: string): string => `${stepId}/wear`;

/** The tick that stands for each key. */
export function standingTicks(ticks: readonly WeighTick[]): Map<string, WeighTick> {
  const standing = new Map<string, WeighTick>();
  for (const tick of ticks.toSorted((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))) {
    if (tick.amount === null) standing.delete(tick.key);
    else standing.set(tick.key, tick);
  }
  return standing;
}
