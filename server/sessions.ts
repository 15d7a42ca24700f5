import type { SessionSummary, SessionView } from '@/contract/views';
import { pastOf } from '@/core/bath/past';
import { type BuiltPlan, buildPlan, type PlanHead, type PlanInput } from '@/core/plan/buildPlan';
import type { Draft } from '@/core/plan/draft';
import { draftFaults } from '@/core/plan/draftFaults';
import type { Plan } from '@/core/plan/plan';
import { type Stay, staysOf } from '@/core/plan/stays';
import { planTotals } from '@/core/plan/totals';
import { foldRun } from '@/core/run/fold';
import { shelfOf } from '@/core/shelf/library';
import { loadLots } from '@/store/lots';
import { eventsOfRuns, listOpenRuns, listRuns, runOfSession } from '@/store/runs';
import { listLatestPlans, listOpenPlans, listVersions, loadPlan } from '@/store/sessions';
import { listVessels } from '@/store/vessels';
import type { App } from './app';
import { liquorsNow } from './baths';
import { commitNew } from './commitNew';
import { homeOf } from './kitchen';
import { ownDyes } from './looks';
import { passportsOf, seenHexes } from './lots';
import { bookOf } from './methods';
import { heldInPots, learntPots } from './pots';
import { conflict, invalid, notFound } from './problem';
import { ownOf, shelfLabels } from './shelf';

/** By lot: the colour that is dyed on. In mid-run that of the plan before: the newest reading is of what this session made. */
async function groundsOf({ store }: App, lotIds: readonly string[], runningId: string | null): Promise<Map<string, string>> {
  if (runningId === null) return seenHexes(store.db, lotIds);
  const before = await loadPlan(store.db, runningId);
  return new Map((before?.lots ?? []).flatMap((lot) => (lot.baseHex === null ? [] : [[lot.id, lot.baseHex] as const])));
}

/** Works a draft out with the lots, vessels, methods, shelf and diary as they are now. */
export async function planDraft(app: App, draft: Draft, head: PlanHead, more: Pick<PlanInput, 'fixed' | 'nowMs'> = {}): Promise<BuiltPlan> {
  const { db } = app.store;
  const [lots, vessels, home, methods, own] = [await loadLots(db, draft.lotIds), await listVessels(db), await homeOf(app), await bookOf(app), await ownOf(app)];
  const faults = draftFaults(draft, methods, shelfOf(own));
  if (faults.length > 0)
    throw invalid(
      faults
        .map((fault) => fault.message)
        .join(' ')
        .slice(0, 600),
      faults,
    );
  const gone = draft.lotIds.filter((id) => !lots.some((lot) => lot.id === id));
  if (gone.length > 0) return { plan: null, problems: gone.map((id) => ({ at: 'lotIds', message: `There is no lot “${id}”.` })) };
  const grounds = await groundsOf(app, draft.lotIds, more.fixed ? head.sessionId : null);
  const [passports, liquors, labels] = [await passportsOf(db, lots), await liquorsNow(app), await shelfLabels(app)];
  const ownRun = more.fixed ? await runOfSession(db, head.sessionId) : null;
  const past = pastOf(await heldInPots(app), passports, { sessionId: head.sessionId, runId: ownRun?.id ?? null }, shelfOf(own));
  const others = (await openStays(app)).filter((stay) => stay.sessionId !== head.sessionId);
  return buildPlan(
    {
      draft,
      lots: lots.map((lot) => ({ ...lot, seenHex: grounds.get(lot.id) ?? null })),
      vessels,
      home,
      methods,
      own,
      mordants: Object.fromEntries([...passports].map(([id, { state }]) => [id, state.mordant])),
      past,
      liquors,
      labels,
      others,
      ownDyes: await ownDyes(app),
      pots: await learntPots(app),
      ...more,
    },
    head,
  );
}

export const preview = (app: App, draft: Draft): Promise<BuiltPlan> =>
  planDraft(app, draft, { sessionId: 'preview', version: 1, reason: 'preview', createdAtMs: app.nowMs() });

const refuse = (built: BuiltPlan): never => {
  throw invalid('The plan does not work out yet.', built.problems);
};

/** Planning is long work: it is done before the queue that acts at a stove wait in, and only kept inside it. */
export async function createSession(app: App, input: { readonly id: string; readonly draft: Draft }): Promise<Plan> {
  const { store, nowMs, live } = app;
  const stored = async (): Promise<Plan | null> => {
    const had = await loadPlan(store.db, input.id, 1);
    if (had && had.draft.name !== input.draft.name) throw conflict(`The id ${input.id} already belongs to ${had.name}.`);
    return had;
  };
  const before = await stored();
  if (before) return before;
  const createdAtMs = nowMs();
  const built = await planDraft(app, input.draft, { sessionId: input.id, version: 1, reason: 'first plan', createdAtMs });
  const plan = built.plan ?? refuse(built);
  return store.exclusive(async () => {
    const had = await stored();
    if (had) return had;
    await commitNew(app, [
      { table: 'session', row: { id: input.id, name: plan.name, createdAtMs } },
      { table: 'plan', row: plan },
    ]);
    live.publish({ kind: 'changed', what: 'session', id: input.id });
    return plan;
  });
}

/** A changed plan is a new version with a reason; the old one stays readable. */
export async function revisePlan(
  app: App,
  sessionId: string,
  input: { readonly draft: Draft; readonly reason: string; readonly expectedVersion: number },
): Promise<Plan> {
  const { store, nowMs, live } = app;
  const changeable = async (): Promise<Plan> => {
    const latest = await loadPlan(store.db, sessionId);
    if (!latest) throw notFound('session', sessionId);
    if (latest.version !== input.expectedVersion) {
      throw conflict(
        `This session is at plan ${latest.version} already; yours was made from plan ${input.expectedVersion}. Load it again; nothing was overwritten.`,
      );
    }
    if ((await listRuns(store.db)).some((run) => run.sessionId === sessionId))
      throw conflict('This session has been started. Change it from the stove, or make a new session.');
    return latest;
  };
  const { version } = await changeable();
  const built = await planDraft(app, input.draft, { sessionId, version: version + 1, reason: input.reason, createdAtMs: nowMs() });
  const plan = built.plan ?? refuse(built);
  return store.exclusive(async () => {
    await changeable();
    await commitNew(app, [{ table: 'plan', row: plan }]);
    live.publish({ kind: 'changed', what: 'session', id: sessionId });
    return plan;
  });
}

export async function listSessions({ store }: App): Promise<SessionSummary[]> {
  const plans = await listLatestPlans(store.db);
  const runs = await listRuns(store.db);
  const events = await eventsOfRuns(
    store.db,
    runs.map((run) => run.id),
  );
  return plans.map((plan): SessionSummary => {
    const run = runs.find((r) => r.sessionId === plan.sessionId);
    const state = run ? foldRun([], events.get(run.id) ?? []) : null;
    const { startMs, endMs } = planTotals(plan);
    return {
      id: plan.sessionId,
      name: plan.name,
      planVersion: plan.version,
      startMs,
      endMs,
      lotNames: plan.lots.map((lot) => lot.name),
      expectedHex: plan.lots.map((lot) => Object.values(lot.expectedHex).at(-1) ?? lot.baseHex ?? '').filter(Boolean),
      run: run && state ? { id: run.id, phase: state.phase, startedAtMs: state.startedAtMs, finishedAtMs: state.finishedAtMs } : null,
    };
  });
}

/** What planned and running sessions still take of the kitchen. A planned one whose end has passed unbegun takes nothing. */
export async function openStays({ store, nowMs }: App): Promise<Stay[]> {
  const runs = await listOpenRuns(store.db);
  const plans = await listOpenPlans(
    store.db,
    runs.map((run) => run.sessionId),
  );
  const events = await eventsOfRuns(
    store.db,
    runs.map((run) => run.id),
  );
  const now = nowMs();
  return plans.flatMap((plan) => {
    const run = runs.find((one) => one.sessionId === plan.sessionId);
    const state = run ? foldRun(plan.steps, events.get(run.id) ?? []) : null;
    if (state?.phase === 'finished' || (!state && planTotals(plan).endMs < now)) return [];
    const left = plan.steps.flatMap((step) => {
      const own = state?.steps[step.id];
      if (own?.status === 'done' || own?.status === 'skipped') return [];
      // Where it really is, since when it is really there, and for as long as it will be.
      const vesselId = own?.vesselId ?? step.vesselId;
      const beganMs = own?.entered[0]?.atMs;
      if (beganMs === undefined) return [{ ...step, vesselId }];
      const offMs = beganMs - step.startMs;
      const phaseTimes = step.phaseTimes.map(({ fromMs, toMs }) => ({ fromMs: fromMs + offMs, toMs: toMs + offMs }));
      return [{ ...step, vesselId, startMs: beganMs, endMs: Math.max(step.endMs + offMs, now + 60_000), phaseTimes }];
    });
    return staysOf({ sessionId: plan.sessionId, name: plan.name, running: state?.phase === 'running' }, left, plan.vessels);
  });
}

export async function sessionView({ store }: App, sessionId: string, version?: number): Promise<SessionView> {
  const plan = await loadPlan(store.db, sessionId, version);
  if (!plan) throw notFound(version === undefined ? 'session' : `plan ${version} of session`, sessionId);
  const run = (await listRuns(store.db)).find((r) => r.sessionId === sessionId);
  return { plan, versions: await listVersions(store.db, sessionId), runId: run?.id ?? null };
}
