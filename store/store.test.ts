import { appendFileSync, cpSync, readdirSync, readFileSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from 'vitest';
import { abandon, add, folders, lot } from './folder.fixture';
import { FolderInUse } from './lock';
import { listLots } from './lots';
import { loadEvents } from './runs';

const { fresh, open } = folders();

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
    expect(next.notices.join()).toContain('1 row of the last acts came from the journal');
    await next.close();
  });

  test('rows lost or changed since the last checkpoint come back as they were', async () => {
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
    expect(next.notices).toEqual(['3 rows of the last acts came from the journal.']);
    await next.close();
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

describe('a folder of the first version', () => {
  test('rows and readings are taken over, once', async () => {
    const folder = fresh();
    cpSync(path.resolve('store/fixtures/shape-1'), folder, { recursive: true });
    const store = await open(folder);
    expect((await listLots(store.db)).map((row) => row.name)).toEqual(['Cone', 'Hemp jersey, washed']);
    expect(await loadEvents(store.db, 'run-1')).toHaveLength(2);
    expect(store.readings.between('probe-1', 0, 4e12)).toHaveLength(5);
    await store.close();
    const next = await open(folder);
    expect(next.notices).toEqual([]);
    await next.close();
  });

  test('its snapshot damaged: the older journal that still holds the row is asked', async () => {
    const folder = fresh();
    cpSync(path.resolve('store/fixtures/shape-1'), folder, { recursive: true });
    const snapshot = path.join(folder, 'journal', 'snapshot-000000000004.ndjson');
    writeFileSync(snapshot, readFileSync(snapshot, 'utf8').replace('"Cone"', '"Cune"'));
    const store = await open(folder);
    expect((await listLots(store.db)).map((row) => row.name)).toEqual(['Cone', 'Hemp jersey, washed']);
    await store.close();
  });

  test('its database, with rows that carry no mark yet, agrees and is marked', async () => {
    const folder = fresh();
    cpSync(path.resolve('store/fixtures/shape-1'), folder, { recursive: true });
    const { PGlite } = await import('@electric-sql/pglite');
    const old = await PGlite.create(path.join(folder, 'pg'));
    await old.exec('create table migration (name text primary key)');
    for (const name of ['0001_init.sql', '0002_shelf.sql']) {
      await old.exec(
        readFileSync(path.resolve('store/migrations', readdirSync('store/migrations').find((file) => file.startsWith(name.slice(0, 4))) as string), 'utf8'),
      );
      await old.query('insert into migration (name) values ($1)', [readdirSync('store/migrations').find((file) => file.startsWith(name.slice(0, 4)))]);
    }
    const early = { ...lot('early'), createdAtMs: 5 };
    await old.query('insert into lot (id, name, revision, created_at_ms, body) values ($1, $2, 1, 5, $3)', ['early', 'early', JSON.stringify(early)]);
    await old.query(`insert into probe_minute values ('probe-1', 1790000000000, 1, 20, 20, 20, '[[500, 20]]')`);
    await old.close();
    const store = await open(folder);
    expect((await listLots(store.db)).map((row) => row.name)).toEqual(['Cone', 'early', 'Hemp jersey, washed']);
    expect(store.readings.between('probe-1', 0, 4e12)).toHaveLength(6);
    await store.close();
    const next = await open(folder);
    await next.check(async () => undefined);
    expect(next.notices).toEqual([]);
    await next.close();
  }, 60_000);
});
