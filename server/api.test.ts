import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { matchEndpoint } from '@/contract/endpoints';
import type { LiveMessage, LotView, RunRecord, RunView, SessionView } from '@/contract/views';
import type { Draft } from '@/core/plan/draft';
import { amountOf, type Plan } from '@/core/plan/plan';
import { draft, SATURDAY_9, vessels } from '@/core/plan/plan.fixture';
import type { RunEvent } from '@/core/run/events';
import { furnishedApp, type TestApp } from './testApp.fixture';

let t: TestApp;
const MIN = 60_000;

const lotBody = (id: string, more: object = {}) => ({
  id,
  name: `Wool ${id}`,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: { state: 'measured', value: 100 },
  pieces: 1,
  baseHex: null,
  note: '',
  ...more,
});
const event = (id: string, fact: object) => ({ id, ...fact });

beforeAll(async () => {
  t = await furnishedApp(SATURDAY_9);
  await t.ask('createLot', '/lots', lotBody('a'));
  await t.ask('createLot', '/lots', lotBody('b', { dryWeightG: { state: 'measured', value: 250 } }));
});
afterAll(() => t.close());

describe('a script can plan, run and record through /api/v1 alone', () => {
  let plan: Plan;
  const step = (kind: string) => {
    const found = plan.steps.find((s) => s.kind === kind);
    if (!found) throw new Error(kind);
    return found;
  };

  test('plan: preview, keep, change with a reason, read the older one', async () => {
    const preview = await t.ask<{ plan: Plan }>('previewPlan', '/plans/preview', draft(['a'], { name: '' }));
    expect(preview.plan.steps).toHaveLength(8);
    plan = await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a'], { name: 'Weld' }) });
    expect(await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a'], { name: 'Weld' }) })).toEqual(plan);
    const changed = draft(['a'], { name: 'Weld', overrules: { 'c2-mordant/alum': 12 } });
    plan = await t.ask<Plan>('revisePlan', '/sessions/s1/plans', { draft: changed, reason: 'more alum', expectedVersion: 1 });
    expect(step('mordant').additions[0]).toMatchObject({ overruled: 12, proposed: { result: 10 } });
    const old = await t.ask<SessionView>('getPlan', '/sessions/s1/plans/1');
    expect(old.plan.steps.find((s) => s.kind === 'mordant')?.additions[0]?.overruled).toBeNull();
    expect(old.versions.map((v) => v.reason)).toEqual(['first plan', 'more alum']);
  });

  test('a change made from an older version is refused, nothing overwritten', async () => {
    const late = await t.send('POST', '/sessions/s1/plans', { draft: draft(['a'], { name: 'Weld' }), reason: 'late', expectedVersion: 1 });
    expect(late).toMatchObject({ status: 409, body: { detail: expect.stringContaining('at plan 2 already') } });
  });

  test('run: start once, log acts, the same act twice is one', async () => {
    t.clock.nowMs = SATURDAY_9 + 5 * MIN;
    const heard: LiveMessage[] = [];
    const stop = t.app.live.listen((message) => heard.push(message));
    await t.ask<RunView>('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 2 });
    await t.ask<RunView>('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 2 });
    expect((await t.send('POST', '/sessions/s1/runs', { id: 'r2', eventId: 'r2s', planVersion: 2 })).status).toBe(409);
    const { id: stepId } = step('mordant');
    const alum = event('e-alum', { type: 'addition', stepId, additionId: 'alum', substance: 'alum', amount: { state: 'measured', value: 12.5 }, unit: 'g' });
    const first = await t.ask<RunEvent>('recordEvent', '/runs/r1/events', alum);
    t.clock.nowMs += MIN;
    expect(await t.ask<RunEvent>('recordEvent', '/runs/r1/events', alum)).toEqual(first);
    // JSON objects have no order (RFC 8259, section 4): the same act with its keys the other way round is the same act.
    const turned = Object.fromEntries(Object.entries(alum).reverse());
    expect(await t.ask<RunEvent>('recordEvent', '/runs/r1/events', { ...turned, amount: { value: 12.5, state: 'measured' } })).toEqual(first);
    expect((await t.send('POST', '/runs/r1/events', { ...alum, amount: { state: 'measured', value: 99 } })).status).toBe(409);
    stop();
    expect(heard.filter((message) => message.kind === 'event')).toHaveLength(1);
  });

  test('probe readings come by JSON or CSV through one door and are heard live', async () => {
    const heard: LiveMessage[] = [];
    const stop = t.app.live.listen((message) => heard.push(message));
    expect(await t.ask('postReadings', '/probes/probe1/readings', { readings: [{ atMs: t.clock.nowMs, bathC: 41.5 }] })).toEqual({ stored: 1 });
    const csv = `time,temperature\n${t.clock.nowMs + 1000},42.5\n${new Date(t.clock.nowMs + 2000).toISOString()},43\n`;
    expect((await t.send('POST', '/probes/probe1/readings', csv, { 'content-type': 'text/csv' })).body).toEqual({ stored: 2 });
    stop();
    expect(heard).toHaveLength(2);
    const read = await t.ask<{ readings: { bathC: number }[] }>(
      'getReadings',
      `/probes/probe1/readings?fromMs=${t.clock.nowMs - MIN}&toMs=${t.clock.nowMs + MIN}`,
    );
    expect(read.readings.map((r) => r.bathC)).toEqual([41.5, 42.5, 43]);
    expect((await t.send('POST', '/probes/probe1/readings', 'now,warm', { 'content-type': 'text/csv' })).status).toBe(422);
  });

  test('a late run is fitted anew from now: done steps stay, a new version with its reason', async () => {
    const { id: scourId } = step('scour');
    await t.ask('recordEvent', '/runs/r1/events', event('e-s0', { type: 'phaseEntered', stepId: scourId, phaseIndex: 0 }));
    t.clock.nowMs += 60 * MIN;
    const before = await t.ask<RunView>('getRun', '/runs/r1');
    const after = await t.ask<RunView>('replan', '/runs/r1/replan', { eventId: 'e-re', reason: 'an hour behind' });
    expect(after.plan.version).toBe(3);
    const of = (view: RunView, kind: string) => view.plan.steps.find((s) => s.kind === kind);
    expect(of(after, 'scour')?.startMs).toBe(SATURDAY_9 + 6 * MIN);
    expect(of(after, 'mordant')?.startMs ?? 0).toBeGreaterThan(of(before, 'mordant')?.startMs ?? 0);
    expect(of(after, 'mordant')?.startMs).toBeGreaterThanOrEqual(of(after, 'scour')?.endMs ?? 0);
    expect(after.plan.reason).toBe('an hour behind');
  });

  test('record: passport and do-it-again take what was really done', async () => {
    const { id: stepId } = step('mordant');
    t.clock.nowMs += 30 * MIN;
    for (const [i, phaseIndex] of [0, 1, 2, 3].entries())
      await t.ask('recordEvent', '/runs/r1/events', event(`e-m${i}`, { type: 'phaseEntered', stepId, phaseIndex, atMs: t.clock.nowMs - (40 - i * 10) * MIN }));
    await t.ask('recordEvent', '/runs/r1/events', event('e-mf', { type: 'stepFinished', stepId }));
    await t.ask('recordEvent', '/runs/r1/events', event('e-fin', { type: 'finished' }));
    const record = await t.ask<RunRecord>('runRecord', '/runs/r1/record');
    expect(record.comparisons.find((row) => row.what === 'potash alum')).toMatchObject({
      planned: '12 g',
      actual: '12.5 g',
      difference: '0.5 g more potash alum than planned',
    });
    const lot = await t.ask<LotView>('getLot', '/lots/a');
    expect(lot.passport.treatments.find((treatment) => treatment.kind === 'mordant')).toMatchObject({
      certainty: 'known',
      wofPct: { state: 'measured', value: 12.5 },
    });
    const again = await t.ask<Draft>('again', '/runs/r1/again', { name: 'Again', startMs: SATURDAY_9 + 7 * 86_400_000, lotIds: ['b'] });
    const second = await t.ask<Plan>('createSession', '/sessions', { id: 's2', draft: again });
    const alum = second.steps.find((s) => s.kind === 'mordant')?.additions[0];
    expect(alum && amountOf(alum)).toBeCloseTo(31.25, 9); // 12.5 % of 250 g
  });

  test('an act for a finished run is refused; its log may still be amended', async () => {
    const { id: stepId } = step('dye');
    const refused = await t.send('POST', '/runs/r1/events', event('late1', { type: 'stirred', stepId }));
    expect(refused).toMatchObject({ status: 409, body: { detail: expect.stringContaining('This run is finished') } });
    await t.ask('recordEvent', '/runs/r1/events', event('am1', { type: 'amended', targetId: 'e-alum', change: { kind: 'withdrawn', reason: 'other pot' } }));
    expect((await t.ask<LotView>('getLot', '/lots/a')).passport.treatments.find((x) => x.kind === 'mordant')?.substance).toBeNull();
  });
});

describe('sent again', () => {
  const upsideDown = (value: unknown): unknown =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(
          Object.entries(value)
            .reverse()
            .map(([key, one]) => [key, upsideDown(one)]),
        )
      : value;
  const vessel = (id: string) => ({ ...vessels[0], id, revision: undefined, name: 'A second pot' });

  test.each([
    ['a lot', '/lots', lotBody('twice'), { note: 'other words' }],
    ['a vessel', '/vessels', vessel('twice-pot'), { litres: 3 }],
    [
      'a thing on the shelf',
      '/stock',
      {
        id: 'twice-tin',
        substance: 'alum',
        form: null,
        label: 'crystals',
        amount: { state: 'measured', value: 100 },
        unit: 'g',
        countedAtMs: SATURDAY_9,
        place: '',
        source: '',
        pricePerUnit: null,
        ownBulkGPerMl: null,
        note: '',
      },
      { amount: { state: 'measured', value: 90 } },
    ],
    ['a session', '/sessions', { id: 'twice-session', draft: draft(['a'], { name: 'Twice' }) }, { draft: draft(['a'], { name: 'Thrice' }) }],
  ])(
    '%s: the same is answered as the first time, in any order of its keys; something else is a conflict and changes nothing',
    async (_what, path, body, other) => {
      const first = await t.send('POST', path, body);
      expect(first.status, JSON.stringify(first.body)).toBe(200);
      const before = t.app.store.lastSeq;
      expect((await t.send('POST', path, upsideDown(body))).body).toEqual(first.body);
      expect((await t.send('POST', path, { ...body, ...other })).status).toBe(409);
      expect(t.app.store.lastSeq).toBe(before);
    },
  );
  test('an id of one thing for another one is a conflict as well', async () => {
    expect((await t.send('POST', '/vessels', vessel('twice'))).status).toBe(409);
  });
  test('a run with the event of another run is not begun at all, and can be begun with one of its own', async () => {
    await t.ask('createSession', '/sessions', { id: 's-other', draft: draft(['a'], { name: 'Other' }) });
    const taken = (await t.ask<{ events: { id: string }[] }>('getRun', '/runs/r1')).events[0]?.id;
    expect((await t.send('POST', '/sessions/s-other/runs', { id: 'r-other', eventId: taken, planVersion: 1 })).status).toBe(409);
    expect((await t.send('GET', '/runs/r-other')).status).toBe(404);
    await t.ask('startRun', '/sessions/s-other/runs', { id: 'r-other', eventId: 'r-other-0', planVersion: 1 });
  });
});

describe('bad input gets a clear 4xx in one shape, and nothing is stored', () => {
  const lot = (more: object) => ({ path: '/lots', body: lotBody('bad', more) });
  const act = (fact: object) => ({ path: '/runs/r9/events', body: event('bad', fact) });
  const reading = (more: object) => ({ path: '/probes/p/readings', body: { readings: [more] } });
  beforeAll(async () => {
    t.clock.nowMs = SATURDAY_9;
    await t.ask('createSession', '/sessions', { id: 's9', draft: draft(['a'], { name: 'Nine' }) });
    await t.ask('startRun', '/sessions/s9/runs', { id: 'r9', eventId: 'r9s', planVersion: 1 });
  });

  test.each<[string, number, () => { path: string; body: unknown; headers?: Record<string, string> }, string]>([
    ['a negative weight', 422, () => lot({ dryWeightG: { state: 'measured', value: -5 } }), 'A weight is above 0 g'],
    ['an absurd weight', 422, () => lot({ dryWeightG: { state: 'measured', value: 1e12 } }), 'more than 200 kg'],
    ['a weight that is text', 422, () => lot({ dryWeightG: { state: 'measured', value: 'a lot' } }), 'must be a number'],
    ['shares that do not add up', 422, () => lot({ composition: [{ fibre: 'wool', pct: 80 }] }), 'add up to 100 %'],
    ['an unknown fibre', 422, () => lot({ composition: [{ fibre: 'spider', pct: 100 }] }), 'One of: wool'],
    ['an empty name', 422, () => lot({ name: '   ' }), 'Give it a name.'],
    [
      'a call put off to yesterday',
      422,
      () => act({ type: 'callPutOff', stepId: 'c2-mordant', call: 'stir', untilMs: SATURDAY_9 - 1 }),
      'put off until a later moment',
    ],
    ['a dip that is put off', 422, () => act({ type: 'callPutOff', stepId: 'c2-mordant', call: 'dip', untilMs: SATURDAY_9 + 1 }), 'One of'],
    ['a field nobody knows', 422, () => lot({ colour: 'red' }), 'Not known here: colour'],
    ['a 10 MB note', 413, () => lot({ note: 'x'.repeat(10 * 1024 * 1024) }), 'At most 1024 kB'],
    ['a note over its length', 422, () => lot({ note: 'x'.repeat(4001) }), '4000 characters'],
    ['a control character', 422, () => lot({ name: 'bell \u0007' }), 'Control characters'],
    ['an id with a slash', 422, () => ({ path: '/lots', body: lotBody('../etc') }), 'Ids are'],
    ['not JSON', 400, () => ({ path: '/lots', body: '{"name":' }), 'could not be read as JSON'],
    ['the wrong content type', 415, () => ({ path: '/lots', body: 'x', headers: { 'content-type': 'text/plain' } }), 'not text/plain'],
    [
      'a percentage of 1e9',
      422,
      () => ({
        path: '/plans/preview',
        body: draft(['a'], { name: 'x', chain: [{ id: 'c', methodId: 'alum-10', params: { alumPct: 1e9 }, dyestuffId: null }] }),
      }),
      'between 0 and 100 % WOF',
    ],
    [
      'an unknown parameter',
      422,
      () => ({ path: '/plans/preview', body: draft(['a'], { name: 'x', chain: [{ id: 'c', methodId: 'alum-10', params: { spoons: 1 }, dyestuffId: null }] }) }),
      'no parameter “spoons”',
    ],
    [
      'an unknown method',
      422,
      () => ({ path: '/plans/preview', body: draft(['a'], { name: 'x', chain: [{ id: 'c', methodId: 'magic', params: {}, dyestuffId: null }] }) }),
      'not in the library',
    ],
    ['a reading of 900 °C', 422, () => act({ type: 'reading', stepId: 'c1-scour', quantity: 'bathC', value: 900 }), 'Hotter than 150 °C'],
    ['a pH of 15', 422, () => act({ type: 'reading', stepId: 'c1-scour', quantity: 'ph', value: 15 }), 'between 0 and 14'],
    [
      'a range whose figure is outside of it',
      422,
      () => act({ type: 'reading', stepId: 'c1-scour', quantity: 'ph', value: 7, said: { as: 'between', low: 5, high: 6 } }),
      'lies between its ends',
    ],
    [
      'a range that goes off the scale',
      422,
      () => act({ type: 'reading', stepId: 'c1-scour', quantity: 'ph', value: 13.5, said: { as: 'between', low: 12, high: 15 } }),
      'between 0 and 14',
    ],
    [
      'a unit nobody knows',
      422,
      () => act({ type: 'addition', stepId: 'c1-scour', additionId: null, substance: 'x', amount: { state: 'unknown' }, unit: 'spoon' }),
      'One of: g, mL',
    ],
    ['an act in the future', 422, () => act({ type: 'stirred', stepId: 'c1-scour', atMs: SATURDAY_9 + 10 * MIN }), '10 min in the future'],
    ['an act before the run', 422, () => act({ type: 'stirred', stepId: 'c1-scour', atMs: SATURDAY_9 - 60 * MIN }), 'before the run began'],
    ['a step that is not there', 422, () => act({ type: 'stirred', stepId: 'ghost' }), 'no step “ghost”'],
    ['a phase that is not there', 422, () => act({ type: 'phaseEntered', stepId: 'c1-scour', phaseIndex: 44 }), 'Phase 44'],
    ['an unknown vessel', 422, () => act({ type: 'moved', stepId: 'c1-scour', toVesselId: 'bath' }), 'no vessel “bath”'],
    ['an amendment of nothing', 422, () => act({ type: 'amended', targetId: 'nothing', change: { kind: 'withdrawn', reason: '' } }), 'no entry “nothing”'],
    ['an unknown act', 422, () => act({ type: 'danced', stepId: 'c1-scour' }), 'Something'],
    ['a probe reading of 900 °C', 422, () => reading({ bathC: 900 }), 'Hotter than 150 °C'],
    ['a probe reading in the future', 422, () => reading({ atMs: SATURDAY_9 + 60 * MIN, bathC: 50 }), 'in the future'],
    ['a run of an unknown session', 404, () => ({ path: '/sessions/none/runs', body: { id: 'q', eventId: 'q', planVersion: 1 } }), 'no plan 1 of session'],
    ['an unknown run', 404, () => ({ path: '/runs/none/events', body: event('q', { type: 'finished' }) }), 'no run “none”'],
  ])('%s: %d', async (_what, status, made, says) => {
    const { path, body, headers } = made();
    const before = t.app.store.lastSeq;
    const answered = await t.send('POST', path, body, headers);
    expect(answered.status).toBe(status);
    expect(answered.type).toBe('application/problem+json');
    expect(answered.body).toMatchObject({ type: 'about:blank', status, title: expect.any(String), detail: expect.any(String), errors: expect.any(Array) });
    if (says !== 'Something') expect(JSON.stringify(answered.body)).toContain(says);
    expect(t.app.store.lastSeq).toBe(before);
  });

  test('unknown places and wrong verbs are said too', async () => {
    expect((await t.send('GET', '/nowhere')).status).toBe(404);
    expect(await t.send('POST', '/health', {})).toMatchObject({ status: 405, body: { detail: 'POST is not offered here; use GET.' } });
    expect((await t.send('GET', '/lots/none')).status).toBe(404);
    expect((await t.send('GET', '/sessions/s9/plans/banana')).status).toBe(404);
  });

  test('an id that belongs to an act of another run is a conflict, and nothing is written', async () => {
    const before = t.app.store.lastSeq;
    expect((await t.send('POST', '/runs/r9/events', event('e-s0', { type: 'stirred', stepId: 'c1-scour' }))).status).toBe(409);
    expect(t.app.store.lastSeq).toBe(before);
  });

  test('HTML in a name is kept as text, as it was typed', async () => {
    const name = '<img src=x onerror=alert(1)> & "skeins"';
    await t.ask('createLot', '/lots', lotBody('html', { name }));
    expect((await t.ask<LotView>('getLot', '/lots/html')).name).toBe(name);
  });

  test('two people editing one lot: the second is told, nothing is overwritten', async () => {
    const { id: _id, ...body } = lotBody('a', { name: 'First' });
    await t.ask('putLot', '/lots/a', { ...body, revision: 1 });
    expect((await t.send('PUT', '/lots/a', { ...body, name: 'Second', revision: 1 })).status).toBe(409);
    expect((await t.ask<LotView>('getLot', '/lots/a')).name).toBe('First');
  });

  test('a stop in the plan blocks the start until the facts change', async () => {
    await t.ask('createLot', '/lots', lotBody('huge', { dryWeightG: { state: 'measured', value: 2000 } }));
    const held = await t.ask<Plan>('createSession', '/sessions', { id: 's-held', draft: draft(['huge'], { name: 'Held' }) });
    expect(held.findings[0]?.severity).toBe('stop');
    const refused = await t.send('POST', '/sessions/s-held/runs', { id: 'rh', eventId: 'rh', planVersion: 1 });
    expect(refused).toMatchObject({
      status: 409,
      body: { errors: expect.arrayContaining([{ at: 'c1-scour', message: expect.stringContaining('% of the brim') }]) },
    });
  });
});

describe('the document of the doors', () => {
  test('a fixed path wins over a parameter', () => expect(matchEndpoint('GET', '/runs/running')).toMatchObject({ id: 'runningRuns' }));
});
