import { appendFileSync, copyFileSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import type { Lot } from '@/core/fibre/lot';
import type { RunEvent } from '@/core/run/events';
import { FolderInUse } from './lock';
import { listLots } from './lots';
import { loadReadings } from './probes';
import { loadEvents } from './runs';
import { Store } from './store';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-store-'));
const template = path.resolve('.cache/pg-template.tar');
let folders = 0;
const fresh = () => path.join(root, `data${++folders}`);
const open = (folder: string) => Store.open({ folder, migrations: path.resolve('store/migrations'), template, nowMs: () => 1 });
afterAll(() => rmSync(root, { recursive: true, force: true }));

const lot = (id: string, name = id): Lot => ({
  id,
  name,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: { state: 'measured', value: 100.1 },
  pieces: 1,
  baseHex: null,
  note: 'ü ½',
  createdAtMs: 5,
  revision: 1,
  finishes: null,
  weightFrom: null,
  from: [],
  ended: null,
});
const event = (n: number): RunEvent => ({ id: `e${n}`, type: 'stirred', stepId: 's', atMs: n, recordedAtMs: n });
const add = (store: Store, n: number) => store.exclusive(() => store.commit([{ table: 'run_event', row: { runId: 'r', event: event(n) } }]));

/** As a process that was killed leaves it: the lock and the files stay, nothing is closed. */
async function abandon(store: Store, folder: string) {
  await store.db.close();
  rmSync(path.join(folder, 'app.lock'));
}

describe('the data folder', () => {
  test('what is written is there after a clean stop, and nothing had to be mended', async () => {
    const folder = fresh();
    const first = await open(folder);
    await first.exclusive(() =>
      first.commit([
        { table: 'lot', row: lot('a') },
        { table: 'lot', row: lot('b') },
      ]),
    );
    await first.close();
    const second = await open(folder);
    expect((await listLots(second.db)).map((row) => row.id)).toEqual(['a', 'b']);
    expect(second.notices).toEqual([]);
    await second.close();
  });

  test('a second process is refused with a message that says what to do', async () => {
    const folder = fresh();
    const store = await open(folder);
    await expect(open(folder)).rejects.toThrow(FolderInUse);
    await expect(open(folder)).rejects.toThrow(/in use by another Hyndle \(process \d+\)/);
    await store.close();
  });

  test('a lock left by a process that is gone is stale', async () => {
    const folder = fresh();
    await (await open(folder)).close();
    writeFileSync(path.join(folder, 'app.lock'), JSON.stringify({ pid: 2 ** 22 - 7, startedAt: '1' }));
    await (await open(folder)).close();
  });

  test('an act put twice is stored once', async () => {
    const store = await open(fresh());
    await add(store, 1);
    await add(store, 1);
    expect(await loadEvents(store.db, 'r')).toHaveLength(1);
    await store.close();
  });
});

describe('after a crash', () => {
  test('without a clean stop everything acknowledged is there', async () => {
    const folder = fresh();
    const store = await open(folder);
    for (let n = 1; n <= 20; n++) await add(store, n);
    await abandon(store, folder);
    const next = await open(folder);
    expect(await loadEvents(next.db, 'r')).toHaveLength(20);
    await next.close();
  });

  test('a row the database lost comes back from the journal', async () => {
    const folder = fresh();
    const store = await open(folder);
    for (let n = 1; n <= 3; n++) await add(store, n);
    await store.db.query("delete from run_event where id = 'e3'");
    await abandon(store, folder);
    const next = await open(folder);
    expect((await loadEvents(next.db, 'r')).map((e) => e.id)).toEqual(['e1', 'e2', 'e3']);
    expect(next.notices.join()).toContain('brought back from the journal');
    await next.close();
  });

  test('rows lost or changed in the middle make the whole database anew', async () => {
    const folder = fresh();
    const store = await open(folder);
    await store.exclusive(() => store.commit([{ table: 'lot', row: lot('a') }]));
    for (let n = 1; n <= 5; n++) await add(store, n);
    await store.db.query("delete from run_event where id in ('e1', 'e2')");
    await store.db.query(`update lot set body = jsonb_set(body, '{pieces}', '7')`);
    await abandon(store, folder);
    const next = await open(folder);
    expect(await loadEvents(next.db, 'r')).toHaveLength(5);
    expect((await listLots(next.db))[0]?.pieces).toBe(1);
    expect(next.notices.join(' ')).toMatch(/2 rows missing, 1 changed.*made anew from the journal/);
    await next.close();
  });

  test('an act stored but not acknowledged is kept, and the journal learns it', async () => {
    const folder = fresh();
    const store = await open(folder);
    await add(store, 1);
    await store.db.query(`insert into run_event (id, run_id, at_ms, recorded_at_ms, body) values ('e9', 'r', 9, 9, '${JSON.stringify(event(9))}')`);
    await abandon(store, folder);
    const next = await open(folder);
    await abandon(next, folder);
    rmSync(path.join(folder, 'pg'), { recursive: true });
    const rebuilt = await open(folder);
    expect((await loadEvents(rebuilt.db, 'r')).map((e) => e.id)).toEqual(['e1', 'e9']);
    await rebuilt.close();
  });

  test('a torn last line was never acknowledged: it is cut off and later acts are written after it', async () => {
    const folder = fresh();
    const store = await open(folder);
    await add(store, 1);
    await store.close();
    const file = readdirSync(path.join(folder, 'journal'))[0] as string;
    appendFileSync(path.join(folder, 'journal', file), '0000abcd {"seq":2,"at');
    const next = await open(folder);
    await add(next, 2);
    await next.close();
    expect(
      readFileSync(path.join(folder, 'journal', file), 'utf8')
        .trim()
        .split('\n'),
    ).toHaveLength(2);
  });

  // The newest files of the folder, one after the other, cut in half: opened anyway or made anew, nothing acknowledged is lost.
  test('with the newest database file truncated, whichever it is', async () => {
    const folder = fresh();
    const store = await open(folder);
    for (let n = 1; n <= 30; n++) await add(store, n);
    await store.close();
    for (let turn = 0; turn < 6; turn++) {
      const pg = path.join(folder, 'pg');
      const files = readdirSync(pg, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => path.join(entry.parentPath, entry.name));
      const newest = files
        .map((file) => ({ file, ...statSync(file) }))
        .filter((file) => file.size > 1)
        .sort((a, b) => b.mtimeMs - a.mtimeMs)[turn];
      if (!newest) throw new Error('no file to cut');
      truncateSync(newest.file, Math.floor(newest.size / 2));
      const next = await open(folder);
      expect((await loadEvents(next.db, 'r')).length, newest.file).toBe(30);
      await next.close();
    }
  }, 120_000);
});

test('readings are kept in minutes; sent twice they count once; long stretches come as means', async () => {
  const folder = fresh();
  const store = await open(folder);
  const points = Array.from({ length: 180 }, (_, i) => [i * 1000, 20 + i / 10] as const);
  for (let turn = 0; turn < 2; turn++) await store.exclusive(() => store.commit([{ table: 'probe_minute', row: { probeId: 'p', points } }]));
  const all = await loadReadings(store.db, 'p', 0, 180_000);
  expect(all).toHaveLength(180);
  expect(all[61]).toEqual({ atMs: 61_000, bathC: 26.1 });
  const means = await loadReadings(store.db, 'p', 0, 180_000, 60_000);
  expect(means.map((r) => r.bathC)).toEqual([22.95, 28.95, 34.95]);
  await abandon(store, folder);
  rmSync(path.join(folder, 'pg'), { recursive: true });
  const rebuilt = await open(folder);
  expect(await loadReadings(rebuilt.db, 'p', 0, 180_000)).toEqual(all);
  await rebuilt.close();
});

test('rows that an older version wrote are there after the migrations of a newer one, as they were', async () => {
  const [first, ...later] = readdirSync(path.resolve('store/migrations'))
    .filter((name) => name.endsWith('.sql'))
    .sort();
  expect(later.length).toBeGreaterThan(0);
  const old = path.join(root, 'old-migrations');
  mkdirSync(old);
  copyFileSync(path.resolve('store/migrations', first ?? ''), path.join(old, first ?? ''));
  const folder = fresh();
  const before = await Store.open({ folder, migrations: old, template: null, nowMs: () => 1 });
  // As the first version wrote a lot: without the fields that came later.
  const { finishes: _f, weightFrom: _w, from: _from, ended: _e, ...early } = lot('early');
  await before.exclusive(() =>
    before.commit([
      { table: 'lot', row: early as Lot },
      { table: 'run_event', row: { runId: 'r', event: event(1) } },
    ]),
  );
  await before.close();
  const after = await Store.open({ folder, migrations: path.resolve('store/migrations'), template: null, nowMs: () => 2 });
  expect(after.notices).toEqual([]);
  expect((await listLots(after.db))[0]).toMatchObject(early);
  expect(await loadEvents(after.db, 'r')).toEqual([event(1)]);
  await after.close();
});
