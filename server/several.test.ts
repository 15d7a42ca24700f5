import { afterAll, afterEach, beforeEach, expect, test } from 'vitest';
import EXAMPLES from '@/contract/examples.json';
import { newSkein } from '@/contract/lot.fixture';
import type { LiveMessage } from '@/contract/views';
import { SATURDAY_9, vessels, wool } from '@/core/plan/plan.fixture';
import { type Postgres, postgresBin, startPostgres } from '@/store/server/postgres.fixture';
import { runningApp, type TestApp, testApp } from './testApp.fixture';

/** Two Hyndles on one database server: vitest.server.config.ts. */

let server: Postgres | null = null;
let one: TestApp;
let two: TestApp;
beforeEach(async () => {
  server ??= await startPostgres(postgresBin() as string);
  const url = await server.fresh();
  one = await runningApp(SATURDAY_9, url);
  two = await testApp(SATURDAY_9, url);
});
afterEach(async () => {
  await one.close();
  await two.close();
});
afterAll(() => server?.end());

const note = (id: string, text = id) => ({ id, type: 'note', stepId: null, text });
const until = async (isSo: () => boolean | Promise<boolean>): Promise<void> => {
  for (let tries = 0; !(await isSo()); tries++) {
    if (tries === 200) throw new Error('it did not come to that in 10 s');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
};

test('acts of two at once on one run: all there, the same on both, one after the other', async () => {
  const acts = Array.from({ length: 40 }, (_, i) => (i % 2 === 0 ? one : two).send('POST', '/runs/r/events', note(`n${i}`)));
  expect((await Promise.all(acts)).map(({ status }) => status)).toEqual(acts.map(() => 200));
  const [here, there] = await Promise.all([one, two].map(async (t) => (await t.ask<{ events: { id: string }[] }>('getRun', '/runs/r')).events));
  const byId = (events: readonly { id: string }[] | undefined) => Object.fromEntries((events ?? []).map((event) => [event.id, event]));
  expect(Object.keys(byId(here))).toHaveLength(41);
  expect(byId(there)).toEqual(byId(here));
  expect(there).toHaveLength(41);
});

test('an act that was read before it is told of is there once, and none is lacking', async () => {
  const { hotRuns, store } = one.app;
  await one.ask('getRun', '/runs/r');
  // Written by the other; read here, and only then told of here as well.
  await two.ask('recordEvent', '/runs/r/events', note('n1'));
  const read = await hotRuns.get(store.db, 'r');
  const told = read?.events.find(({ id }) => id === 'n1');
  if (!told) throw new Error('n1 was not read');
  hotRuns.appended('r', told);
  await two.ask('recordEvent', '/runs/r/events', note('n2'));
  expect((await hotRuns.get(store.db, 'r'))?.events.map(({ id }) => id)).toEqual(['n1', 'n2', 'r0']);
});

test('the same act sent to both at once is one act; a different one under its id is refused', async () => {
  const both = await Promise.all([one, two].map((t) => t.send('POST', '/runs/r/events', note('same'))));
  expect(both.map(({ status }) => status)).toEqual([200, 200]);
  expect(both[0]?.body).toEqual(both[1]?.body);
  const others = await Promise.all([one, two].map((t, i) => t.send('POST', '/runs/r/events', note('other', `text ${i}`))));
  expect(new Set(others.map(({ status }) => status))).toEqual(new Set([200, 409]));
});

test('what one knows of a run is never older than what the other wrote: nothing is logged after its end', async () => {
  await two.ask('getRun', '/runs/r');
  await one.ask('recordEvent', '/runs/r/events', { id: 'end', type: 'finished' });
  expect((await two.send('POST', '/runs/r/events', note('late'))).status).toBe(409);
});

test('one lot changed in two places at once: the second is told, and nothing of it is lost silently', async () => {
  const { createdAtMs: _c, from: _f, ended: _e, id: _id, ...lot } = wool('a', 100);
  const put = (t: TestApp, name: string) => t.send('PUT', '/lots/a', { ...lot, name, revision: 1 });
  const answers = await Promise.all([put(one, 'from one'), put(two, 'from two')]);
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200, 409]));
});

test('pages of one hear what is done on the other, long notes and readings too', async () => {
  const heard: LiveMessage[] = [];
  two.app.live.listen((message) => heard.push(message));
  await one.ask('recordEvent', '/runs/r/events', note('n1'));
  await until(() => heard.some((message) => message.kind === 'event' && message.event.id === 'n1'));
  const probeId = vessels.find((vessel) => vessel.probeId)?.probeId as string;
  await one.ask('postReadings', `/probes/${probeId}/readings`, { readings: [{ atMs: SATURDAY_9, bathC: 41.5 }] });
  await until(() => heard.some((message) => message.kind === 'readings'));
  // The reading itself is there before the word of it.
  expect(two.app.store.readings.latest(probeId)).toEqual({ atMs: SATURDAY_9, bathC: 41.5 });
  const before = two.app.live.seq;
  await one.ask('recordEvent', '/runs/r/events', note('long', 'ü'.repeat(4000)));
  await until(() => two.app.live.seq > before);
  expect((await two.ask<{ events: unknown[] }>('getRun', '/runs/r')).events).toHaveLength(3);
});

test('the server gone and back: said, nothing half done, and it goes on by itself', async () => {
  const missed = two.app.live.seq;
  await server?.stop();
  const refused = await one.send('POST', '/runs/r/events', note('n1'));
  expect(refused.status).toBe(507);
  expect(String(refused.body.detail)).toContain('The database server does not answer');
  expect((await one.send('GET', '/runs/r')).status).toBe(507);
  expect(String((await one.send('GET', '/health')).body.trouble)).toContain('does not answer');
  await server?.start();
  await until(async () => (await one.send('GET', '/health')).body.trouble === null);
  await one.ask('recordEvent', '/runs/r/events', note('n1'));
  await until(() => two.app.live.seq > missed);
  expect((await two.ask<{ events: unknown[] }>('getRun', '/runs/r')).events).toHaveLength(2);
}, 60_000);

test('500 pairs of different creates under one id, crossing on two servers: one of each is told, none is lost; and none is refused for want of a connection', async () => {
  const kinds: readonly ((id: string, name: string) => readonly [path: string, body: object])[] = [
    (id, name) => ['/lots', newSkein(id, name, 50)],
    (id, name) => ['/vessels', { ...EXAMPLES.createVessel.body, id, name }],
    (id, name) => ['/substances', { id, what: { ...EXAMPLES.createSubstance.body.what, name } }],
    (id, name) => ['/stock', { ...EXAMPLES.createStock.body, id, note: name }],
    (id, name) => ['/liquors', { ...EXAMPLES.createLiquor.body, id, name }],
    (id, name) => ['/runs/r/events', note(id, name)],
  ];
  const pairs = Array.from({ length: 500 }, (_, i) => kinds[i % kinds.length] as (typeof kinds)[number]);
  const answers = await Promise.all(
    pairs.map((make, i) => Promise.all([one, two].map((t, which) => t.send('POST', ...make(`pair-${i}`, `${which === 0 ? 'one' : 'two'} ${i}`))))),
  );
  const told = answers.map((pair) => pair.map(({ status }) => status).sort());
  expect(told.filter(([a, b]) => a !== 200 || b !== 409).map((pair, i) => [i, pair])).toEqual([]);
  const lots = await two.ask<{ id: string; name: string }[]>('listLots', '/lots');
  for (const [i, pair] of answers.entries()) {
    if (i % kinds.length !== 0) continue;
    const kept = pair.findIndex(({ status }) => status === 200) === 0 ? `one ${i}` : `two ${i}`;
    expect(lots.find(({ id }) => id === `pair-${i}`)?.name).toBe(kept);
  }
}, 120_000);
