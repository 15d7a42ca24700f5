import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { oneOf } from '@/core/figure';
import { isHeated } from '@/core/plan/phase';
import { planTotals } from '@/core/plan/totals';
import { foldRun } from '@/core/run/fold';
import { lookDays } from '@/core/run/missedLooks';
import { runNow } from '@/core/run/runNow';
import type { App } from '@/server/app';
import { Doors } from '@/server/doors/doors';
import { doorsFolder } from '@/server/doors/keptDoors';
import { HotRuns } from '@/server/hotRuns';
import { LiveFeed } from '@/server/live';
import { lotsWithPassports } from '@/server/lots';
import { badRow } from '@/server/rowShapes';
import { runningRuns, runRecord } from '@/server/runs';
import { listSessions, sessionView } from '@/server/sessions';
import { levels } from '@/server/shelf';
import { testApp } from '@/server/testApp.fixture';
import { rowsInDb } from '@/store/archive/write';
import { FolderStore } from '@/store/folderStore';
import { ROW_KINDS, type RowWrite } from '@/store/tables';
import { SHED_VESSELS } from './kitchen';
import { seedDemo } from './seed';

const NOW = Date.UTC(2026, 5, 10, 15, 20);
const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-demo-'));
let app: App;

beforeAll(async () => {
  const store = await FolderStore.open({
    folder,
    migrations: path.resolve('store/migrations'),
    template: path.resolve('.cache/pg-template'),
    nowMs: () => NOW,
    boot: 'test',
  });
  app = { store, live: new LiveFeed(NOW), hotRuns: new HotRuns(), nowMs: () => NOW, doors: new Doors(doorsFolder(folder), () => NOW) };
  await seedDemo(app);
});
afterAll(async () => {
  await app.store.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('the demo data, made by the real code', () => {
  test('every row of it is one that the door takes in from a saved file', async () => {
    const rows: RowWrite[] = [];
    for (const table of ROW_KINDS) for await (const page of rowsInDb(app.store.db)(table)) for (const row of page) rows.push({ table, row } as RowWrite);
    expect(rows.length).toBeGreaterThan(100);
    expect(await badRow(rows)).toBeNull();
  });
  test('six lots, a cone split in three, a ribbon, three silks, and cloth cut for a trial; one of unknown history', async () => {
    const lots = await lotsWithPassports(app, false);
    expect(lots).toHaveLength(13 + 3 + 8);
    expect(lots.filter((lot) => lot.from.includes('cone')).map((lot) => lot.passport.state.scour)).toEqual(['known', 'known', 'known']);
    const bag = lots.find((lot) => lot.id === 'bag');
    expect(bag?.passport.state).toMatchObject({ mordant: 'believed', dye: 'unknown' });
    expect(bag?.dryWeightG).toEqual({ state: 'unknown' });
  });

  test('one finished, four running, two planned', async () => {
    const phases = (await listSessions(app)).map((session) => session.run?.phase ?? 'planned').sort((a, b) => a.localeCompare(b));
    expect(phases).toEqual(['finished', 'planned', 'planned', 'running', 'running', 'running', 'running']);
  });

  test('the finished one has a late step, a pot that ran away and a short hold, in words', async () => {
    const { deviations } = await runRecord(app, 'run-weld');
    const said = deviations.map((deviation) => `${deviation.title}: ${deviation.text}`).join('\n');
    expect(said).toMatch(/Mordant, alum: Began \d+ min late/);
    expect(said).toMatch(/above the ceiling/);
    expect(said).toMatch(/short of the hold/);
  });

  test('its lot carries what was really used: more than the 10 % of the plan', async () => {
    const gotland = (await lotsWithPassports(app, false)).find((lot) => lot.id === 'gotland');
    const mordant = gotland?.passport.treatments.find((treatment) => treatment.kind === 'mordant');
    expect(mordant?.wofPct.state === 'measured' && mordant.wofPct.value).toBeCloseTo(11.2, 1);
    expect(gotland?.passport.state).toMatchObject({ scour: 'known', mordant: 'known', dye: 'known' });
  });

  test('stock went down by what the runs used', async () => {
    const alum = (await levels(app)).find((level) => level.item.substance === 'alum');
    const used = oneOf(alum?.used ?? null) ?? 0;
    expect(used).toBeGreaterThan(25);
    expect(alum?.left.state === 'measured' && alum.left.value).toBeCloseTo(640 - used, 6);
  });

  test('the jar asks whether its bag is mordanted', async () => {
    const { plan } = await sessionView(app, 'hollyhock-jar');
    expect(plan.questions).toMatchObject([{ lotId: 'bag', state: 'believed', answer: null }]);
  });

  test('the running one began before now and its plan reaches past it', async () => {
    const view = (await runningRuns(app)).find(({ run }) => run.id === 'run-birch');
    const state = view && foldRun(view.plan.steps, view.events);
    expect(state?.startedAtMs).toBeLessThan(NOW);
    expect(view && planTotals(view.plan).endMs).toBeGreaterThan(NOW);
    expect(view?.events.every((event) => event.atMs <= NOW)).toBe(true);
    expect(Object.values(state?.steps ?? {}).some((step) => step.status === 'running')).toBe(true);
    expect(Object.values(view?.readings ?? {}).flat().length).toBeGreaterThan(50);
  });

  test('no heat is planned while nobody is awake', async () => {
    const sessions = await listSessions(app);
    expect(sessions).toHaveLength(7);
    for (const { id } of sessions) {
      const { plan } = await sessionView(app, id);
      expect(plan.findings.filter((finding) => finding.rule === 'R14')).toEqual([]);
      const heat = plan.steps.flatMap((step) => step.phases.flatMap((phase, i) => (isHeated(phase) && step.phaseTimes[i] ? [step.phaseTimes[i]] : [])));
      for (const at of heat) expect(plan.absences.filter((gap) => gap.fromMs < at.toMs && gap.toMs > at.fromMs)).toEqual([]);
    }
  });

  test('seeding twice changes nothing', async () => {
    const before = app.store.lastSeq;
    await seedDemo(app);
    expect(app.store.lastSeq).toBe(before);
  });
});

describe.each([
  ['at three in the night', Date.UTC(2026, 10, 26, 2, 0)],
  ['in the morning', Date.UTC(2026, 10, 26, 8, 0)],
  ['in the evening', Date.UTC(2026, 10, 26, 18, 0)],
  ['at noon in summer', Date.UTC(2026, 6, 4, 10, 20)],
])('begun %s', (_hour, nowMs) => {
  let t: Awaited<ReturnType<typeof testApp>>;
  beforeAll(async () => {
    process.env.TZ = 'Europe/Berlin';
    t = await testApp(nowMs);
    await seedDemo(t.app);
  });
  afterAll(() => t.close());

  const nowOf = async (runId: string) => {
    const view = (await runningRuns(t.app)).find(({ run }) => run.id === runId);
    if (!view) throw new Error(`${runId} is not running`);
    const { state, nudges } = runNow(view.plan, view.events, view.readings, nowMs);
    const running = view.plan.steps.filter((step) => state.steps[step.id]?.status === 'running');
    return {
      nudges,
      phases: running.map((step) => step.phases[state.steps[step.id]?.entered.at(-1)?.phaseIndex ?? -1]?.kind),
      kinds: running.map((step) => step.kind),
    };
  };
  const bathC = (vesselId: string) => t.app.store.readings.latest(SHED_VESSELS[vesselId]?.probeId ?? '')?.bathC ?? Number.NaN;

  test('one pot is held in its band, and wants to be stirred within five minutes', async () => {
    const { phases, nudges } = await nowOf('run-birch');
    expect(phases).toContain('hold');
    expect(bathC('steel')).toBeGreaterThanOrEqual(70);
    expect(bathC('steel')).toBeLessThanOrEqual(82.2);
    const soonest = Math.min(...nudges.filter(({ act }) => act === 'stir').map(({ dueMs }) => dueMs - nowMs));
    expect(soonest / 60_000).toBeLessThanOrEqual(5);
    expect(soonest / 60_000).toBeGreaterThan(-3);
  });
  test('one is heating up, one rests without heat, and the jar is on day four with a day missed', async () => {
    expect((await nowOf('run-warp')).phases).toEqual(['raise']);
    expect(bathC('enamel')).toBeGreaterThan(20);
    expect(bathC('enamel')).toBeLessThan(65);
    expect((await nowOf('run-alder')).phases).toEqual(['rest']);
    expect(bathC('big')).toBeLessThan(75);
    expect((await nowOf('run-jar')).kinds).toEqual(['solar']);
    const { events = [], plan } = (await runningRuns(t.app)).find(({ run }) => run.id === 'run-jar') ?? {};
    const ofType = (type: string) => events.filter((event) => event.type === type).map(({ atMs }) => atMs);
    const { looked, missed } = lookDays(Math.max(...ofType('phaseEntered')), nowMs, ofType('checked'), plan?.home.diary.zone ?? '');
    expect([looked.length, missed.length]).toEqual([3, 1]);
  });
  test('every act lies before now, and every hour of heat within waking hours', async () => {
    for (const { plan, events } of await runningRuns(t.app)) {
      expect(events.every(({ atMs }) => atMs <= nowMs)).toBe(true);
      expect(plan.findings.filter(({ rule }) => rule === 'R14')).toEqual([]);
    }
  });
});
