import { amountOf, type PlannedAmount, type PlanStep } from './plan';

/** Name of a bath whose volume counts what is mixed into it. */
export const BATH_IN_ALL = 'bath in all';

/** Of a bath that is told in all, what is poured as water: 1 L with 250 mL vinegar in it wants 750 mL. */
export function toPour(water: PlannedAmount, step: PlanStep): PlannedAmount {
  if (water.name !== BATH_IN_ALL) return water;
  const allMl = amountOf(water);
  const otherMl = step.additions.filter((one) => one.unit === 'mL').map(amountOf);
  if (allMl === null || otherMl.some((mL) => mL === null)) return water;
  return { ...water, name: 'water', overruled: Math.max(0, allMl - otherMl.reduce<number>((sum, mL) => sum + (mL ?? 0), 0)) };
}
