import { knownOf, oneOf, sumFigures } from '../figure';
import type { Plan } from '../plan/plan';
import type { RunState } from './fold';
import { weightOf } from './weightOf';

/** A kept bath that a run brought out, as its log tells it; one that was only planned is not. */
export interface LiquorTake {
  readonly liquorId: string;
  readonly atMs: number;
  /** By the volume read there, else as somebody planned it, mL; null: all that was there. */
  readonly mL: number | null;
}

/** One dyeing in a kept bath. */
export interface LiquorUse {
  readonly liquorId: string;
  readonly stepId: string;
  readonly atMs: number;
  /** Dyed in all of it, not in a portion. */
  readonly isWhole: boolean;
  readonly fibreG: number | null;
  readonly lotIds: readonly string[];
}

/** What was brought out, from the moment that it was begun on: it no longer stands on the shelf then. */
export const liquorTakes = (plan: Pick<Plan, 'steps'>, state: RunState): LiquorTake[] =>
  plan.steps.flatMap(({ id, kind, liquorId, water }): LiquorTake[] => {
    const did = state.steps[id];
    const atMs = did?.entered[0]?.atMs ?? (did?.status === 'done' ? did.endedAtMs : null);
    if (kind !== 'reuse' || liquorId === null || !did || atMs == null) return [];
    // Where nobody said how much, it was all that was there.
    return [{ liquorId, atMs, mL: did.volumeMl[0]?.value ?? oneOf(water?.overruled ?? null) }];
  });

/** Every finished dyeing in a kept bath. */
export function liquorUses(plan: Pick<Plan, 'steps' | 'lots'>, state: RunState): LiquorUse[] {
  const takes = liquorTakes(plan, state);
  return plan.steps.flatMap((step): LiquorUse[] => {
    const did = state.steps[step.id];
    const { liquorId, lotIds } = step;
    if (liquorId === null || did?.status !== 'done' || step.treatment !== 'dye' || lotIds.length === 0) return [];
    const take = takes.find((one) => one.liquorId === liquorId);
    const fibreG = oneOf(knownOf(sumFigures(lotIds.map((id) => weightOf(plan, state, id)))));
    return [{ liquorId, stepId: step.id, atMs: did.endedAtMs ?? take?.atMs ?? 0, isWhole: take?.mL == null, fibreG, lotIds }];
  });
}
