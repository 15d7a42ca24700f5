import type { WeighList } from '@/contract/views';
import { type Figure, knownValue, sumFigures } from '@/core/figure';
import type { AmountUnit } from '@/core/measure/print';
import { type Plan, plannedKnown } from '@/core/plan/plan';
import { weighOut } from '@/core/plan/weighOut';
import { type WeighTick, wearKey } from '@/core/plan/weighTicks';
import { isStop } from '@/core/safety/finding';
import { type ShoppingLine, shoppingList } from '@/core/shelf/stock';
import { runOfSession } from '@/store/runs';
import { loadPlan } from '@/store/sessions';
import { loadTicks } from '@/store/weighing';
import type { App } from './app';
import { conflict, invalid, notFound } from './problem';
import { levels } from './shelf';

async function newestPlan({ store }: App, sessionId: string): Promise<Plan> {
  const plan = await loadPlan(store.db, sessionId);
  if (!plan) throw notFound('session', sessionId);
  return plan;
}

export async function weighList(app: App, sessionId: string): Promise<WeighList> {
  const plan = await newestPlan(app, sessionId);
  const [ticks, run] = [await loadTicks(app.store.db, sessionId), await runOfSession(app.store.db, sessionId)];
  return {
    session: {
      id: sessionId,
      name: plan.name,
      planVersion: plan.version,
      runId: run?.id ?? null,
      dryFibreG: knownValue(sumFigures(plan.lots.map((lot) => lot.dryWeightG))),
    },
    lines: weighOut(plan),
    ticks: ticks.map(({ sessionId: _session, ...tick }) => tick),
    stopped: plan.findings.some(isStop),
  };
}

export function tickWeighed(app: App, sessionId: string, input: { id: string; key: string; amount: Figure | null; unit: AmountUnit }): Promise<WeighTick> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const plan = await newestPlan(app, sessionId);
    const isOnList = weighOut(plan).some(
      (line) => (line.key === input.key && line.unit === input.unit) || (line.wear.length > 0 && wearKey(line.stepId) === input.key && input.unit === 'piece'),
    );
    if (!isOnList)
      throw invalid('There is nothing of this to weigh.', [{ at: 'key', message: `“${input.key}” in ${input.unit} is not on this session’s list.` }]);
    const tick: WeighTick = { ...input, atMs: nowMs() };
    if (!(await store.commit([{ table: 'weigh_tick', row: { ...tick, sessionId } }]))) {
      const had = (await loadTicks(store.db, sessionId)).find((one) => one.id === input.id);
      if (had?.key !== input.key) throw conflict(`The id ${input.id} already belongs to another tick.`);
      return had;
    }
    live.publish({ kind: 'changed', what: 'weigh', id: sessionId });
    return tick;
  });
}

/** What the newest plan of a session lacks on the shelf. */
export async function shopping(app: App, sessionId: string): Promise<ShoppingLine[]> {
  const plan = await newestPlan(app, sessionId);
  const needs = plan.steps.flatMap((step) =>
    [...step.additions, ...(step.water ? [step.water] : [])]
      .filter((addition) => addition.substance !== 'ties')
      .map((addition) => ({ substance: addition.substance, name: addition.name, form: addition.form, unit: addition.unit, amount: plannedKnown(addition) })),
  );
  return shoppingList(needs, await levels(app));
}
