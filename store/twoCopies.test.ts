import { appendFileSync, cpSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { crc32 } from 'node:zlib';
import { describe, expect, test } from 'vitest';
import { withRoom } from './disk.fixture';
import { abandon, add, event, folders, lot, template } from './folder.fixture';
import { FolderStore } from './folderStore';
import { inside } from './inside.fixture';
import { listLots } from './lots';
import { loadEvents } from './runs';

const { fresh, open } = folders();

describe('two copies, each of which may be the better one', () => {
  const journalOf = (folder: string) => path.join(folder, 'journal', readdirSync(path.join(folder, 'journal')).at(-1) as string);
  const names = async (store: FolderStore) => (await listLots(store.db)).map((row) => row.name).sort((a, b) => (a < b ? -1 : 1));
  /** Four lots, one of them renamed; closed as it should be. */
  async function filled(): Promise<string> {
    const folder = fresh();
    const store = await open(folder);
    for (const id of ['a', 'b', 'c']) await store.exclusive(() => store.commit([{ table: 'lot', row: lot(id) }]));
    await store.exclusive(() => store.commit([{ table: 'lot', row: { ...lot('a', 'a, again'), revision: 2 } }]));
    await store.close();
    return folder;
  }
  const ALL = ['a, again', 'b', 'c'];

  test('a stop is believed, and a start after it reads no history', async () => {
    const folder = await filled();
    const store = await open(folder);
    expect(await names(store)).toEqual(ALL);
    expect(store.notices).toEqual([]);
    await store.check(async () => undefined);
    expect(store.notices).toEqual([]);
    await store.close();
  });

  test('every line of the journal damaged in turn: the database has it, nothing is lost, and it is said what was done', async () => {
    const folder = await filled();
    const lines = readFileSync(journalOf(folder), 'utf8').trimEnd().split('\n');
    for (let i = 0; i < lines.length; i++) {
      const copy = fresh();
      cpSync(folder, copy, { recursive: true });
      writeFileSync(journalOf(copy), `${lines.map((line, at) => (at === i ? line.replace('"skein"', '"skeim"') : line)).join('\n')}\n`);
      const store = await open(copy);
      await store.check(async () => undefined);
      expect(await names(store)).toEqual(ALL);
      // The first act of `a` was outlived by the second: there is nothing to say of it.
      expect(store.notices).toEqual(i === 0 ? [] : ['1 row that the journal lacked came from the database.']);
      await store.close();
      rmSync(path.join(copy, 'pg'), { recursive: true });
      const rebuilt = await open(copy);
      expect(await names(rebuilt)).toEqual(ALL);
      await rebuilt.close();
    }
  }, 120_000);

  test('a journal cut short anywhere: the database tells the rest', async () => {
    const folder = await filled();
    const whole = readFileSync(journalOf(folder));
    for (const keep of [0, 1, Math.floor(whole.length / 3), whole.length - 1]) {
      const copy = fresh();
      cpSync(folder, copy, { recursive: true });
      truncateSync(journalOf(copy), keep);
      const store = await open(copy);
      expect(await names(store), String(keep)).toEqual(ALL);
      expect(store.notices.join(' ')).toMatch(/not as Hyndle left it.*that the journal lacked came from the database/);
      expect(store.notices.join(' ')).not.toMatch(/put back from a copy/);
      await store.close();
      rmSync(path.join(copy, 'pg'), { recursive: true });
      const rebuilt = await open(copy);
      expect(await names(rebuilt)).toEqual(ALL);
      await rebuilt.close();
    }
  }, 120_000);

  test('an older database of the same size, or a table zeroed in place, never starts as if nothing were', async () => {
    const folder = await filled();
    const older = fresh();
    cpSync(path.join(folder, 'pg'), older, { recursive: true });
    const store = await open(folder);
    const [{ at } = { at: '' }] = (await store.db.query<{ at: string }>("select pg_relation_filepath('lot') as at")).rows;
    await store.exclusive(() => store.commit([{ table: 'lot', row: { ...lot('b', 'b, again'), revision: 2 } }]));
    await store.close();
    const now = ['a, again', 'b, again', 'c'];
    const swapped = fresh();
    cpSync(folder, swapped, { recursive: true });
    rmSync(path.join(swapped, 'pg'), { recursive: true });
    cpSync(older, path.join(swapped, 'pg'), { recursive: true });
    const zeroed = fresh();
    cpSync(folder, zeroed, { recursive: true });
    const table = path.join(zeroed, 'pg', at);
    writeFileSync(table, Buffer.alloc(statSync(table).size));
    for (const copy of [swapped, zeroed]) {
      const next = await open(copy);
      expect(await names(next)).toEqual(now);
      expect(next.notices.join(' ')).toMatch(/not as Hyndle left it/);
      await next.close();
    }
  }, 120_000);

  test('both halves put back from a copy, beside a checkpoint that knows better: said, with what is missing', async () => {
    const folder = await filled();
    const copy = fresh();
    cpSync(folder, copy, { recursive: true });
    const store = await open(folder);
    await store.exclusive(() => store.commit([{ table: 'lot', row: lot('d') }]));
    await store.close();
    for (const part of ['pg', 'journal']) {
      rmSync(path.join(folder, part), { recursive: true });
      cpSync(path.join(copy, part), path.join(folder, part), { recursive: true });
    }
    const next = await open(folder);
    expect(await names(next)).toEqual(ALL);
    expect(next.notices.join(' ')).toMatch(/The last stop was after act 5, and act 4 is the last that is here/);
    await next.exclusive(() => next.commit([{ table: 'lot', row: lot('e') }]));
    await next.close();
    const later = await open(folder);
    expect(await names(later)).toEqual([...ALL, 'e']);
    expect(later.notices).toEqual([]);
    await later.close();
  });

  test('what neither can prove is taken out, kept aside, and said once, by its name', async () => {
    const folder = await filled();
    const store = await open(folder);
    await store.exclusive(() => store.commit([{ table: 'lot', row: { ...lot('c', 'c, again'), revision: 2 } }]));
    await store.db.query(`update lot set body = jsonb_set(body, '{pieces}', '7') where id = 'c'`);
    await store.close();
    writeFileSync(journalOf(folder), readFileSync(journalOf(folder), 'utf8').replace('"name":"c, again","form":"skein"', '"name":"c, again","form":"skeim"'));
    const next = await open(folder);
    await next.check(async () => undefined);
    expect(await names(next)).toEqual(['a, again', 'b', 'c']);
    expect(next.notices.join(' ')).toMatch(
      /A change to the lot c, again of about .* could not be read in the journal, and the database does not hold it. What is older stands/,
    );
    expect(readFileSync(path.join(folder, 'aside', 'unproved.ndjson'), 'utf8')).toContain('"pieces":7');
    await next.close();
    const later = await open(folder);
    await later.check(async () => undefined);
    expect(later.notices).toEqual([]);
    await later.close();
  });

  test('a new boot after a cut believes no file that was not forced', async () => {
    const folder = await filled();
    const older = fresh();
    cpSync(path.join(folder, 'pg'), older, { recursive: true });
    const store = await open(folder);
    await store.exclusive(() => store.commit([{ table: 'lot', row: lot('d') }]));
    await abandon(store, folder);
    // What the journal forced is there; the database is as it was forced last.
    rmSync(path.join(folder, 'pg'), { recursive: true });
    cpSync(older, path.join(folder, 'pg'), { recursive: true });
    const next = await FolderStore.open({ folder, migrations: path.resolve('store/migrations'), template, nowMs: () => 1, boot: 'two' });
    expect(await names(next)).toEqual([...ALL, 'd']);
    await next.close();
  });

  test('the slow check mends beside the work what nobody has noticed', async () => {
    const folder = await filled();
    const store = await open(folder);
    await store.db.query(`update lot set body = jsonb_set(body, '{pieces}', '7') where id = 'b'`);
    await store.check(async () => undefined);
    expect((await listLots(store.db)).map((row) => row.pieces)).toEqual([1, 1, 1]);
    expect(store.notices).toEqual(['1 row of the database came from the journal.']);
    await store.close();
  });

  test.each([
    [
      'damaged in the database',
      (store: FolderStore) => store.db.query(`update lot set body = jsonb_set(body, '{pieces}', '7') where id = 'b'`).then(() => undefined),
    ],
    [
      'lacking in the journal',
      async (_store: FolderStore, folder: string) =>
        writeFileSync(
          journalOf(folder),
          readFileSync(journalOf(folder), 'utf8').replace('"id":"b","name":"b","form":"skein"', '"id":"b","name":"b","form":"skeim"'),
        ),
    ],
  ])('an act in the middle of the slow check is never put back to what it was before: %s', async (_what, harm) => {
    const folder = await filled();
    const store = await open(folder);
    await harm(store, folder);
    let acted = false;
    await store.check(async () => {
      if (acted) return;
      // The page of the lots has been read, and none of them is mended yet.
      acted = true;
      await store.exclusive(() => store.commit([{ table: 'lot', row: { ...lot('b', 'b, changed meanwhile'), revision: 2 } }]));
    });
    expect(acted).toBe(true);
    const wanted = ['a, again', 'b, changed meanwhile', 'c'];
    expect(await names(store)).toEqual(wanted);
    await store.close();
    rmSync(path.join(folder, 'pg'), { recursive: true });
    const rebuilt = await open(folder);
    expect(await names(rebuilt)).toEqual(wanted);
    await rebuilt.close();
  });

  test('damage that a query tells of: nothing is believed at the next start, however it was stopped', async () => {
    const folder = await filled();
    const store = await open(folder);
    await store.db.query("delete from lot where id = 'b'");
    expect(store.suspect(new Error('something else'))).toBe(false);
    expect(store.suspect(Object.assign(new Error('invalid page'), { code: 'XX001' }))).toBe(true);
    expect(store.notices.join()).toMatch(/Restart Hyndle/);
    await store.close();
    const next = await open(folder);
    expect(await names(next)).toEqual(ALL);
    await next.close();
  });

  test('an act that the journal has and the database could not keep is there after the next start', async () => {
    const folder = await filled();
    const store = await open(folder);
    const { db } = inside(store) as unknown as { db: { transaction: (work: (tx: unknown) => Promise<void>) => Promise<void> } };
    const transaction = db.transaction.bind(db);
    db.transaction = (work) =>
      transaction(async (tx) => {
        await work(tx);
        throw new Error('no commit');
      });
    await expect(store.exclusive(() => store.commit([{ table: 'lot', row: lot('d') }]))).rejects.toThrow('no commit');
    db.transaction = transaction;
    await store.close();
    const next = await open(folder);
    expect(await names(next)).toEqual([...ALL, 'd']);
    await next.close();
  });

  test('data of a newer version is left untouched, and said', async () => {
    const folder = await filled();
    const file = path.join(folder, 'checkpoint.json');
    writeFileSync(file, readFileSync(file, 'utf8').replace('"format":2', '"format":3'));
    await expect(open(folder)).rejects.toThrow(/written by a newer Hyndle.*nothing here was touched/);
    rmSync(file);
    const store = await open(folder);
    await store.db.query("insert into migration (name) values ('9999_future.sql')");
    await store.close();
    await expect(open(folder)).rejects.toThrow(/newer Hyndle \(9999_future.sql\)/);
    rmSync(path.join(folder, 'pg'), { recursive: true });
    rmSync(file);
    const line = JSON.stringify({ seq: 99, atMs: 1, writes: [{ table: 'lot', shape: 7, row: {} }] });
    appendFileSync(journalOf(folder), `${crc32(line).toString(16).padStart(8, '0')} ${line}\n`);
    await expect(open(folder)).rejects.toThrow(/newer Hyndle/);
  });

  test('a disk that refuses: nothing of the act is there, the next one goes well', async () => {
    const folder = fresh();
    const store = await open(folder);
    await add(store, 1);
    const { journal } = inside(store);
    const append = journal.append.bind(journal);
    journal.append = () => {
      throw Object.assign(new Error('no space'), { code: 'ENOSPC' });
    };
    await expect(add(store, 2)).rejects.toThrow(/The disk is full: nothing can be logged until there is room/);
    expect(store.trouble).toMatch(/disk is full/);
    expect(await loadEvents(store.db, 'r')).toHaveLength(1);
    journal.append = append;
    await add(store, 2);
    expect(store.trouble).toBeNull();
    await store.close();
    const next = await open(folder);
    expect((await loadEvents(next.db, 'r')).map((e) => e.id)).toEqual(['e1', 'e2']);
    expect(next.notices).toEqual([]);
    await next.close();
  });

  test('a folder that is taken away while it runs: nothing is acknowledged any more, and it is said why', async () => {
    const folder = fresh();
    const store = await open(folder);
    await add(store, 1);
    rmSync(path.join(folder, 'journal'), { recursive: true });
    await expect(add(store, 2)).rejects.toThrow(/The data folder is gone/);
    expect(await loadEvents(store.db, 'r')).toHaveLength(1);
    await store.appendReadings('p', [[1000, 20]]);
    rmSync(path.join(folder, 'readings'), { recursive: true });
    await expect(store.appendReadings('p', [[2000, 20]])).rejects.toThrow(/The data folder is gone/);
    await store.close().catch(() => undefined);
  });

  test('too little room for the database: refused in words before it is asked, said, and gone on with when there is room', async () => {
    let bytes = 1e12;
    const folder = fresh();
    await withRoom(
      () => bytes,
      async () => {
        const store = await open(folder);
        await add(store, 1);
        bytes = 63 * 1024 * 1024;
        await expect(add(store, 2)).rejects.toThrow(/The disk is full/);
        expect(store.trouble).toContain('The disk is full');
        expect(await loadEvents(store.db, 'r')).toHaveLength(1);
        bytes = 150 * 1024 * 1024;
        await add(store, 2);
        expect(store.trouble).toContain('nearly full: 150 MB are left');
        // A stop without room: nothing is asked of the database any more, and nothing is lost by it.
        bytes = 0;
        await store.close();
        await expect(open(folder)).rejects.toThrow(/needs 64 MB to start.*nothing was touched/);
      },
    );
    const next = await open(folder);
    expect(await loadEvents(next.db, 'r')).toHaveLength(2);
    await next.close();
  });

  test('a slow disk is said, and that it was slow is forgotten with the next quick act', async () => {
    let tookMs = 0;
    let ticksMs = 0;
    const elapsedMs = () => {
      ticksMs += tookMs;
      return ticksMs;
    };
    const store = await open(fresh(), { elapsedMs });
    tookMs = 3400;
    await add(store, 1);
    expect(store.trouble).toBe('The disk is slow: the last act took 3 s to be stored. It is safe; the next ones may take as long.');
    tookMs = 5;
    await add(store, 2);
    expect(store.trouble).toBeNull();
    await store.close();
  });

  test('a clock set back while it runs is said, and after the next start too', async () => {
    let nowMs = Date.UTC(2026, 10, 25, 12);
    const folder = fresh();
    const store = await open(folder, { nowMs: () => nowMs });
    await add(store, 1);
    nowMs -= 90 * 60_000;
    expect(store.trouble).toContain('was set back by 1 h 30');
    await store.close();
    const next = await open(folder, { nowMs: () => nowMs });
    expect(next.notices.join(' ')).toMatch(/The last act was logged at .*2026.*, and the clock of this machine says/);
    expect(next.trouble).toBeNull();
    await next.close();
    nowMs += 90 * 60_000;
    const right = await open(folder, { nowMs: () => nowMs });
    expect(right.notices).toEqual([]);
    await right.close();
  });

  test('several rows of which one fact is taken: none is stored', async () => {
    const store = await open(fresh());
    await add(store, 1);
    const both = store.exclusive(() =>
      store.commit([
        { table: 'run', row: { id: 'other', sessionId: 's', createdAtMs: 1 } },
        { table: 'run_event', row: { runId: 'other', event: event(1) } },
      ]),
    );
    expect(await both).toBe(false);
    expect((await store.db.query('select 1 from run')).rows).toEqual([]);
    await store.close();
  });
});
