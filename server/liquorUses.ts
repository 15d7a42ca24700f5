import type { Plan } from '@/core/plan/plan';
import { foldRun, type RunState } from '@/core/run/fold';
import { type LiquorTake, type LiquorUse, liquorTakes, liquorUses } from '@/core/run/liquorUses';
import { plansWithLiquors } from '@/store/baths';
import type { Db } from '@/store/db';
import { eventsOfRuns, type RunRow } from '@/store/runs';

/** The plan that a run stands at, and how far it came. */
export function standingOf(
  run: { id: string; sessionId: string },
  plans: ReadonlyMap<string, Plan>,
  events: Parameters<typeof foldRun>[1],
): { plan: Plan; state: RunState } | null {
  const plan = plans.get(`${run.sessionId}/${foldRun([], events).planVersion}`);
  return plan ? { plan, state: foldRun(plan.steps, events) } : null;
}

export const byVersion = (plans: readonly Plan[]): Map<string, Plan> => new Map(plans.map((plan) => [`${plan.sessionId}/${plan.version}`, plan]));

interface BySession {
  readonly run: RunRow;
  readonly plan: Plan;
}

/** Whatever sessions did with these kept baths: three queries for any number of them. */
export async function findUses(
  db: Db,
  liquorIds: readonly string[],
): Promise<{ uses: (LiquorUse & BySession)[]; takes: (LiquorTake & BySession)[]; plans: Plan[]; runs: RunRow[] }> {
  const { plans, runs } = await plansWithLiquors(db, liquorIds);
  const events = await eventsOfRuns(
    db,
    runs.map(({ id }) => id),
  );
  const versions = byVersion(plans);
  const standing = runs.flatMap((run) => {
    const at = standingOf(run, versions, events.get(run.id) ?? []);
    return at ? [{ run, ...at }] : [];
  });
  return {
    uses: standing.flatMap(({ run, plan, state }) => liquorUses(plan, state).map((use) => ({ ...use, run, plan }))),
    takes: standing.flatMap(({ run, plan, state }) => liquorTakes(plan, state).map((take) => ({ ...take, run, plan }))),
    plans,
    runs,
  };
}
