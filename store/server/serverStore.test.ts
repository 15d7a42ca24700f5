import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeEach, expect, test } from 'vitest';
import { seededChance } from '@/core/chance';
import { merge } from '../archive/merge';
import { openArchive } from '../archive/read';
import { rowsInDb, writeArchive } from '../archive/write';
import { FolderStore } from '../folderStore';
import { listLots } from '../lots';
import { loadEvents } from '../runs';
import type { Store } from '../store';
import { judge, killed, type Model, NONE, tortureLot } from '../torture.fixture';
import { NewerData } from '../upcasts';
import { freshDatabase } from './postgres.fixture';
import { ServerStore } from './serverStore';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-server-'));
const migrations = path.resolve('store/migrations');
const AT = Date.UTC(2026, 10, 25, 12);
let url = '';
let folders = 0;
const fresh = () => path.join(root, String(++folders));
const open = (folder = fresh(), at = url) => ServerStore.open({ url: at, folder, migrations, nowMs: () => AT });
const inFolder = (folder = fresh()) => FolderStore.open({ folder, migrations, template: path.resolve('.cache/pg-template'), nowMs: () => AT, boot: 'test' });
beforeEach(async () => {
  url = await freshDatabase(process.env.TEST_POSTGRES as string);
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

const keepLot = (store: Store, id: string, revision = 1) => store.exclusive(() => store.commit([{ table: 'lot', row: tortureLot(id, revision) }]));
const keepNote = (store: Store, id: string) =>
  store.exclusive(() =>
    store.commit([{ table: 'run_event', row: { runId: 'r', event: { id, type: 'note', stepId: null, text: id, atMs: AT, recordedAtMs: AT } } }]),
  );
const keepReadings = (store: Store, points: readonly (readonly [number, number])[]) => store.exclusive(() => store.appendReadings('p/1', points));
const all = (store: Store) => store.readings.between('p/1', 0, AT * 2);

test('started twice at the same moment, it is set up once', async () => {
  const [one, two] = await Promise.all([open(), open()]);
  expect(await keepLot(one, 'a')).toBe(true);
  expect((await listLots(two.db)).map(({ id }) => id)).toEqual(['a']);
  expect(one.leads).not.toBe(two.leads);
  await one.close();
  await two.close();
});

test('a fact that is there stays, and nothing of the act is written', async () => {
  const store = await open();
  await keepNote(store, 'n1');
  const seq = store.lastSeq;
  const done = await store.exclusive(() =>
    store.commit([
      { table: 'lot', row: tortureLot('half', 1) },
      { table: 'run_event', row: { runId: 'r', event: { id: 'n1', type: 'note', stepId: null, text: 'other', atMs: AT, recordedAtMs: AT } } },
    ]),
  );
  expect(done).toBe(false);
  expect(await listLots(store.db)).toEqual([]);
  expect(store.lastSeq).toBe(seq);
  await store.close();
});

test('two that change by what they read: none of it is overwritten', async () => {
  const [one, two] = await Promise.all([open(), open()]);
  await keepLot(one, 'a');
  const raise = (store: Store) =>
    store.exclusive(async () => {
      const had = (await listLots(store.db))[0]?.revision ?? 0;
      await store.commit([{ table: 'lot', row: tortureLot('a', had + 1) }]);
    });
  await Promise.all(Array.from({ length: 60 }, (_, i) => raise(i % 2 === 0 ? one : two)));
  expect((await listLots(one.db))[0]).toEqual(tortureLot('a', 61));
  await one.close();
  await two.close();
});

test('one run waits for itself and for the kitchen, not for another run', async () => {
  const store = await open();
  await store.exclusive(() =>
    store.commit([
      { table: 'run', row: { id: 'r1', sessionId: 's1', createdAtMs: AT } },
      { table: 'run', row: { id: 'r2', sessionId: 's2', createdAtMs: AT } },
    ]),
  );
  const order: string[] = [];
  let go: () => void = () => undefined;
  const held = new Promise<void>((resolve) => {
    go = resolve;
  });
  const first = store.exclusive(async () => {
    order.push('r1 begins');
    await held;
    order.push('r1 ends');
  }, 'r1');
  while (order.length === 0) await new Promise((resolve) => setTimeout(resolve, 5));
  const again = store.exclusive(async () => void order.push('r1 again'), 'r1');
  await store.exclusive(async () => void order.push('r2'), 'r2');
  const kitchen = store.exclusive(async () => void order.push('kitchen'));
  go();
  await Promise.all([first, again, kitchen]);
  expect(order.slice(0, 3)).toEqual(['r1 begins', 'r2', 'r1 ends']);
  expect(new Set(order.slice(3))).toEqual(new Set(['kitchen', 'r1 again']));
  await store.close();
});

test('readings and files of one are there for the other; the copies here may go at any time', async () => {
  const home = fresh();
  const [one, two] = await Promise.all([open(home), open()]);
  two.relay.listen(() => undefined);
  await keepReadings(one, [[AT, 40.25]]);
  await keepReadings(one, [[AT + 1000, 41]]);
  const picture = await one.keepBlob(Buffer.from('a picture'));
  for (let tries = 0; all(two).length < 2 && tries < 100; tries++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(all(two)).toEqual(all(one));
  expect((await two.blobs.read(picture))?.toString()).toBe('a picture');
  expect(await two.blobs.read('0'.repeat(64))).toBeNull();
  await one.close();
  await two.close();
  const own = path.join(home, readdirSync(home)[0] as string);
  // Damaged: said to nobody, since nothing is lost; thrown away and fetched anew.
  const raw = readdirSync(path.join(own, 'readings'), { recursive: true, encoding: 'utf8' }).find((name) => name.endsWith('.raw')) as string;
  const bytes = readFileSync(path.join(own, 'readings', raw));
  bytes[12] = (bytes[12] as number) ^ 255;
  writeFileSync(path.join(own, 'readings', raw), bytes);
  const seen = await open(home);
  expect(all(seen)).toHaveLength(1);
  await seen.close();
  const whole = await open(home);
  expect(all(whole)).toHaveLength(2);
  await whole.close();
});

test('a folder moves to a server and back by the archive, to the last row, reading and file', async () => {
  const folder = await inFolder();
  await keepLot(folder, 'a');
  await keepLot(folder, 'a', 2);
  await keepLot(folder, 'b');
  await keepNote(folder, 'n1');
  await keepReadings(folder, [[AT, 20.5]]);
  const picture = await folder.keepBlob(Buffer.from('a picture'));
  const server = await open();
  const back = await inFolder();
  for (const [i, [from, to]] of (
    [
      [folder, server],
      [server, back],
    ] as const
  ).entries()) {
    const file = path.join(root, `${i}.zip`);
    await writeArchive(file, rowsInDb(from.db), from, AT);
    await merge(to, await openArchive(file));
    expect(await listLots(to.db)).toEqual(await listLots(folder.db));
    expect(await loadEvents(to.db, 'r')).toEqual(await loadEvents(folder.db, 'r'));
    expect(all(to)).toEqual(all(folder));
    expect((await to.blobs.read(picture))?.toString()).toBe('a picture');
  }
  for (const store of [folder, server, back]) await store.close();
});

test('a row changed by something else is found and named', async () => {
  const store = await open();
  await keepLot(store, 'a');
  await store.db.query(`update lot set body = jsonb_set(body, '{name}', '"changed behind"') where id = 'a'`);
  await store.check(async () => undefined);
  expect(store.notices).toEqual(['the lot changed behind is not as Hyndle wrote it: it was changed on the database server by something else.']);
  await store.close();
});

test('a database of a newer Hyndle is refused, untouched', async () => {
  const store = await open();
  await store.db.query("insert into migration (name) values ('9999_later.sql')");
  await store.close();
  await expect(open()).rejects.toThrow(NewerData);
});

test.each([
  ['nobody there', () => 'postgres://dyer@127.0.0.1:1/kitchen', 'does not answer'],
  ['no such database', () => Object.assign(new URL(url), { pathname: '/nowhere' }).href, 'DATABASE_URL'],
])('%s: one sentence', async (_what, at, words) => {
  await expect(open(fresh(), at())).rejects.toThrow(words);
});

test('two at work on it, killed at any moment: nothing acknowledged is lost', async () => {
  const chance = seededChance(7);
  const model: Model = new Map();
  for (let round = 0; round < 3; round++)
    await Promise.all(
      [1, 2].map((which) => killed(path.join(root, `killed-${which}`), Math.floor(chance() * 1e9), 100 + chance() * 400, model, { DATABASE_URL: url })),
    );
  const store = await open();
  const verdict = await judge(store, model);
  expect(verdict).toMatchObject(NONE);
  expect(verdict.acknowledged).toBeGreaterThan(30);
  await store.close();
}, 60_000);
