import { bathIdAt } from '../bath/bath';
import type { Plan } from '../plan/plan';
import { shelfOf } from '../shelf/library';
import type { RunState } from './fold';

/** Plant matter that was strained out of a bath of this run. */
export interface SpentMatter {
  readonly stepId: string;
  readonly dyestuffId: string;
  /** Baths it gave, this one among them. */
  readonly uses: number;
  /** Other kinds came out with it. */
  readonly isMixed: boolean;
  readonly atMs: number;
}

/**
 * What came out of the strainer, as it was logged; what nobody put in comes out of none.
 * @param gaveBefore by plant: baths that the spent matter on the shelf gave; 1 where it does not say
 */
export function spentMatter(plan: Pick<Plan, 'steps' | 'own'>, state: RunState, gaveBefore: Readonly<Record<string, number>> = {}): SpentMatter[] {
  const shelf = shelfOf(plan.own);
  return plan.steps.flatMap((step, index) => {
    const did = state.steps[step.id];
    if (step.kind !== 'strain' || did?.status !== 'done' || did.endedAtMs === null) return [];
    const bathId = bathIdAt(plan.steps, index);
    const plants = plan.steps.slice(0, index + 1).flatMap((one, i) => {
      if (bathIdAt(plan.steps, i) !== bathId) return [];
      const added = state.steps[one.id]?.additions ?? [];
      return added.flatMap(({ substance, additionId }) =>
        shelf.dyestuff(substance) ? [{ substance, wasSpent: one.additions.find(({ id }) => id === additionId)?.form === 'spent' }] : [],
      );
    });
    const kinds = [...new Map(plants.map((plant) => [plant.substance, plant])).values()];
    const atMs = did.endedAtMs;
    return kinds.map(({ substance, wasSpent }) => ({
      stepId: step.id,
      dyestuffId: substance,
      uses: wasSpent ? (gaveBefore[substance] ?? 1) + 1 : 1,
      isMixed: kinds.length > 1,
      atMs,
    }));
  });
}
