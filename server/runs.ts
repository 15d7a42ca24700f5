import { isDeepStrictEqual } from 'node:util';
import type { z } from 'zod';
import type { againInput, EventInput, newRun, replanInput } from '@/contract/schemas';
import type { RunRecord, RunView } from '@/contract/views';
import type { Lot } from '@/core/fibre/lot';
import { measured } from '@/core/figure';
import type { Home } from '@/core/kitchen/home';
import { fibreText } from '@/core/plan/against';
import type { Draft } from '@/core/plan/draft';
import { joinedLots } from '@/core/plan/joinLot';
import type { Plan } from '@/core/plan/plan';
import { draftAgain } from '@/core/run/again';
import { checkEvent, eventRefusalText } from '@/core/run/decide';
import { compareStep } from '@/core/run/deviations';
import type { RunEvent, RunFact } from '@/core/run/events';
import { foldRun } from '@/core/run/fold';
import { type RunNow, runNow } from '@/core/run/runNow';
import { begunFaults, currentVessels, draftFromNow, fixedSteps, pinsToCome } from '@/core/run/theRest';
import { isStop } from '@/core/safety/finding';
import { shelfOf } from '@/core/shelf/library';
import { printDayClock } from '@/core/time/zone';
import type { Db } from '@/store/db';
import { loadLot, loadLots } from '@/store/lots';
import { findEvent, listOpenRuns, listRuns, loadRun } from '@/store/runs';
import { loadPlan } from '@/store/sessions';
import { liquors } from '@/store/shelf';
import { listVessels } from '@/store/vessels';
import type { App } from './app';
import { commitNew } from './commitNew';
import { signature } from './doors/by';
import { homeOf } from './kitchen';
import { refuseInUse } from './lots';
import { conflict, invalid, notFound } from './problem';
import { probedReadings } from './runReadings';
import { planDraft } from './sessions';

export function startRun(app: App, sessionId: string, input: z.infer<typeof newRun>): Promise<RunView> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = await loadRun(store.db, input.id);
    if (had) {
      if (had.sessionId !== sessionId) throw conflict(`The id ${input.id} already belongs to a run of another session.`);
      return runView(app, input.id);
    }
    const plan = await loadPlan(store.db, sessionId, input.planVersion);
    if (!plan) throw notFound(`plan ${input.planVersion} of session`, sessionId);
    if ((await listRuns(store.db)).some((run) => run.sessionId === sessionId))
      throw conflict('This session is already started. “Do it again” makes a new one.');
    const stops = plan.findings.filter(isStop);
    if (stops.length > 0) {
      throw conflict(
        'A stop holds this plan. Change it first.',
        stops.map((finding) => ({ at: finding.stepId ?? 'plan', message: finding.text })),
      );
    }
    await refuseGoneBaths(store.db, plan);
    const createdAtMs = nowMs();
    const started: RunEvent = {
      id: input.eventId,
      type: 'started',
      planVersion: plan.version,
      atMs: checkedStart(input.atMs, createdAtMs),
      recordedAtMs: createdAtMs,
      ...signature(app),
    };
    await commitNew(app, [
      { table: 'run', row: { id: input.id, sessionId, createdAtMs } },
      { table: 'run_event', row: { runId: input.id, event: started } },
    ]);
    live.publish({ kind: 'changed', what: 'run', id: input.id });
    return runView(app, input.id);
  });
}

/** A bath that was poured away cannot be brought out. */
async function refuseGoneBaths(db: Db, plan: Plan): Promise<void> {
  const ids = new Set(plan.steps.flatMap(({ liquorId }) => liquorId ?? []));
  if (ids.size === 0) return;
  const there = new Set((await liquors.list(db)).map(({ id }) => id));
  const gone = plan.steps.find(({ liquorId }) => liquorId !== null && !there.has(liquorId));
  if (gone) throw conflict(`${gone.title}: this bath is no longer on the shelf. Change the plan: choose another one, or make a fresh extraction.`);
}

function checkedStart(atMs: number | undefined, nowMs: number): number {
  if (atMs !== undefined && atMs > nowMs + 60_000) throw invalid('A run cannot begin in the future.', [{ at: 'atMs', message: 'This time has not come yet.' }]);
  return atMs ?? nowMs;
}

/** Writes one act down. Sent again it is answered as the first time; the same id for a different act is a conflict. */
export function recordEvent(app: App, runId: string, input: EventInput): Promise<RunEvent> {
  const { store, nowMs, live, hotRuns } = app;
  // A weighing writes the lot too, which other runs may have.
  const ofRun = input.type === 'lotWeighed' ? undefined : runId;
  return store.exclusive(async () => {
    const hot = await hotRuns.get(store.db, runId);
    if (!hot) throw notFound('run', runId);
    if (hot.eventIds.has(input.id)) return storedBefore(store.db, runId, input);
    const { plan, standing, eventIds } = hot;
    const recordedAtMs = nowMs();
    const { id, atMs = recordedAtMs, ...fact } = input;
    const checked = checkEvent(fact as RunFact, atMs, {
      plan,
      state: standing,
      eventIds,
      joinedIds: new Set(hot.events.flatMap((event) => (event.type === 'lotIn' && event.joined ? [event.id] : []))),
      startId: hot.events.find((event) => event.type === 'started')?.id ?? null,
      nowMs: recordedAtMs,
      vesselIds: new Set(fact.type === 'moved' ? (await listVessels(store.db)).map((vessel) => vessel.id) : []),
    });
    if (!checked.ok) {
      const message = eventRefusalText(checked.error);
      throw checked.error.why === 'finished' ? conflict(message) : invalid(message, [{ at: checked.error.why === 'future' ? 'atMs' : 'event', message }]);
    }
    const event = { ...fact, id, atMs, recordedAtMs, ...signature(app) } as RunEvent;
    // Not in this run, but the id may be taken by another one: then the database says so.
    const weighed = await lotNowWeighed(store.db, event);
    const rows = [{ table: 'run_event' as const, row: { runId, event } }, ...(weighed ? [{ table: 'lot' as const, row: weighed }] : [])];
    if (!(await store.commit(rows))) return storedBefore(store.db, runId, input);
    if (weighed) live.publish({ kind: 'changed', what: 'lot', id: weighed.id });
    hotRuns.appended(runId, event);
    live.publish({ kind: 'event', runId, event });
    return event;
  }, ofRun);
}

/** A lot that nobody had weighed has its weight from now on; one with a weight keeps the one it was given by hand. */
async function lotNowWeighed(db: Db, event: RunEvent): Promise<Lot | null> {
  if (event.type !== 'lotWeighed') return null;
  const lot = await loadLot(db, event.lotId);
  if (!lot || lot.ended || lot.dryWeightG.state !== 'unknown') return null;
  return { ...lot, dryWeightG: measured(event.dryWeightG), weightFrom: null, revision: lot.revision + 1 };
}

/** The act that has this id: the same one sent again is answered as the first time, a different one is a conflict. */
async function storedBefore(db: Db, runId: string, input: EventInput): Promise<RunEvent> {
  const had = await findEvent(db, input.id);
  if (had?.runId !== runId || !sameFact(had.event, input)) throw conflict(`The id ${input.id} already belongs to a different act.`);
  return had.event;
}

/** The same act, whatever the order of its keys; when it was said to happen, and by which device, does not count. */
const sameFact = ({ recordedAtMs: _recorded, atMs: _at, by: _by, ...fact }: RunEvent, { atMs: _inputAt, ...asked }: EventInput): boolean =>
  isDeepStrictEqual(fact, asked);

/** How its dyer is called is as the home says now, not as it said when it was planned: whoever changes the hour means today. */
const withCareNow = (plan: Plan, { attendMin, lookAt }: Home): Plan => ({ ...plan, home: { ...plan.home, attendMin, lookAt } });

export async function runView(app: App, runId: string): Promise<RunView> {
  const { store, nowMs, hotRuns } = app;
  const hot = await hotRuns.get(store.db, runId);
  if (!hot) throw notFound('run', runId);
  const { run, plan: planned, events } = hot;
  const state = foldRun(planned.steps, events);
  const plan = state.phase === 'finished' ? planned : withCareNow(planned, await homeOf(app));
  return { run, plan, events, readings: probedReadings(store.readings, await listVessels(store.db), plan, state, nowMs()) };
}

/** Runs that are under way, with everything needed to show them. */
export async function runningRuns(app: App): Promise<RunView[]> {
  const views: RunView[] = [];
  for (const run of await listOpenRuns(app.store.db)) {
    const view = await runView(app, run.id);
    if (foldRun(view.plan.steps, view.events).phase === 'running') views.push(view);
  }
  return views;
}

const nowOf = (view: RunView, nowMs: number): RunNow => runNow(view.plan, view.events, view.readings, nowMs);

export async function runRecord(app: App, runId: string): Promise<RunRecord> {
  const view = await runView(app, runId);
  const { state, clocks } = nowOf(view, app.nowMs());
  const { zone } = view.plan.home.diary;
  const { nameOf } = shelfOf(view.plan.own);
  const comparisons = view.plan.steps.flatMap((step) => {
    const own = state.steps[step.id];
    const clock = clocks[step.id];
    return own && clock
      ? compareStep(
          step,
          own,
          clock,
          (ms) => printDayClock(ms, zone),
          nameOf,
          (lotId) => view.plan.lots.find((lot) => lot.id === lotId)?.name ?? 'a lot',
          zone,
        )
      : [];
  });
  const deviations = comparisons.flatMap((row) =>
    row.difference ? [{ stepId: row.stepId, title: view.plan.steps.find((s) => s.id === row.stepId)?.title ?? '', text: row.difference }] : [],
  );
  return { runId, comparisons, deviations, clocks, startedAtMs: state.startedAtMs, finishedAtMs: state.finishedAtMs };
}

/** A draft of the same work from what was really done, scaled to the lots named. */
export async function again(app: App, runId: string, input: z.infer<typeof againInput>): Promise<Draft> {
  const view = await runView(app, runId);
  const { state, clocks } = nowOf(view, app.nowMs());
  const draft = draftAgain(view.plan, state, clocks, input);
  if (!input.oneChanged) return draft;
  const { chain, overrules, plantAmounts = {}, extras = {}, lids = {}, labels = {}, doseOf = null } = draft;
  return { ...draft, against: { runId, name: view.plan.name, chain, overrules, plantAmounts, extras, lids, labels, doseOf, fibre: fibreText(view.plan.lots) } };
}

/** Puts the steps still to come on the clock again from now; what has happened stays. A new plan version with a reason. */
export async function replan(app: App, runId: string, input: z.infer<typeof replanInput>): Promise<RunView> {
  const { store, nowMs, live, hotRuns } = app;
  // Planned outside the queue; when something was logged meanwhile, planned again with it.
  for (;;) {
    if (await findEvent(store.db, input.eventId)) return runView(app, runId);
    const view = await runView(app, runId);
    const atMs = nowMs();
    const { state, clocks } = nowOf(view, atMs);
    if (state.phase === 'finished') throw conflict('This run is finished. “Do it again” makes a new session.');
    const head = {
      sessionId: view.plan.sessionId,
      version: ((await loadPlan(store.db, view.plan.sessionId))?.version ?? 0) + 1,
      reason: input.reason,
      createdAtMs: atMs,
    };
    if (input.draft) {
      const faults = begunFaults(input.draft, view.plan, state);
      if (faults.length > 0) throw invalid('What has begun stays as it is.', faults);
    }
    const draft = input.draft
      ? draftFromNow(input.draft, view.plan, state, atMs)
      : { ...view.plan.draft, vessels: currentVessels(view.plan, state), pins: pinsToCome(view.plan, state, atMs) };
    const built = await planDraft(app, draft, head, { nowMs: atMs, fixed: fixedSteps(view.plan, state, clocks, atMs) });
    if (!built.plan) throw invalid('The rest does not fit from now.', built.problems);
    const { plan } = built;
    const event: RunEvent = {
      id: input.eventId,
      type: 'replanned',
      planVersion: head.version,
      reason: input.reason,
      atMs,
      recordedAtMs: atMs,
      ...signature(app),
    };
    const come = plan.lots.filter(({ id }) => !view.plan.lots.some((lot) => lot.id === id)).map(({ id }) => id);
    if (come.length > 0) await refuseInUse(store.db, await loadLots(store.db, come));
    // What comes into a step that is under way was not in it from its beginning.
    const joined = joinedLots(plan, view.plan)
      .filter(({ stepId }) => ['running', 'paused'].includes(state.steps[stepId]?.status ?? ''))
      .map(
        ({ stepId, lotId }, i): RunEvent => ({
          id: `${input.eventId}-in${i}`,
          type: 'lotIn',
          stepId,
          lotId,
          joined: true,
          atMs,
          recordedAtMs: atMs,
          ...signature(app),
        }),
      );
    const events = [event, ...joined];
    const kept = await store.exclusive(async () => {
      const now = await hotRuns.get(store.db, runId);
      if (now?.events.length !== view.events.length) return false;
      await commitNew(app, [{ table: 'plan', row: plan }, ...events.map((one) => ({ table: 'run_event' as const, row: { runId, event: one } }))]);
      for (const one of events) hotRuns.appended(runId, one);
      return true;
    });
    if (!kept) continue;
    for (const one of events) live.publish({ kind: 'event', runId, event: one });
    live.publish({ kind: 'changed', what: 'run', id: runId });
    return runView(app, runId);
  }
}
