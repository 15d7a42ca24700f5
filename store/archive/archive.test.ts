import { spawnSync } from 'node:child_process';
import fs, { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { mergedSentences } from '@/core/archive/merged';
import { FolderStore } from '../folderStore';
import { Journal } from '../journal';
import { listLots } from '../lots';
import { Readings } from '../readings/readings';
import { loadEvents } from '../runs';
import { ROW_KINDS } from '../tables';
import { tortureLot } from '../torture.fixture';
import { merge, previewMerge } from './merge';
import { finishSwap, swapIn } from './putBack';
import { type Archive, openArchive } from './read';
import { rowsInDb, rowsInJournal, writeArchive } from './write';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-archive-'));
const open = (name: string, nowMs = () => 5) =>
  FolderStore.open({
    folder: path.join(root, name),
    migrations: path.resolve('store/migrations'),
    template: path.resolve('.cache/pg-template'),
    nowMs,
    boot: 'test',
  });
const AT = Date.UTC(2026, 10, 25, 12);
const file = path.join(root, 'all.zip');
let store: FolderStore;
let picture: string;
let rowsOfFile: Archive['rows'];
beforeAll(async () => {
  store = await open('one');
  await store.exclusive(() => store.commit([{ table: 'lot', row: tortureLot('a', 1) }]));
  await store.exclusive(() =>
    store.commit([
      { table: 'lot', row: tortureLot('a', 2) },
      { table: 'lot', row: tortureLot('b', 1) },
    ]),
  );
  await store.exclusive(() =>
    store.commit([{ table: 'run_event', row: { runId: 'r', event: { id: 'e1', type: 'stirred', stepId: 's', atMs: AT, recordedAtMs: AT } } }]),
  );
  await store.appendReadings('probe/1', [
    [AT, 20.5],
    [AT + 1000, 20.625],
  ]);
  picture = await store.keepBlob(Buffer.from('a picture'));
  await writeArchive(file, rowsInDb(store.db), store, AT);
  const archive = await openArchive(file);
  rowsOfFile = archive.rows;
  archive.close();
});
afterAll(async () => {
  await store.close();
  rmSync(root, { recursive: true, force: true });
});

async function pointsOf(archive: Archive): Promise<unknown[]> {
  const points: unknown[] = [];
  for await (const some of archive.readings('probe/1')) points.push(...some);
  return points;
}

/** Runs it with a disk that gives up at the nth rename. @returns whether it came to its end */
function brokenOff(nth: number, work: () => void): boolean {
  const { renameSync } = fs;
  let count = 0;
  fs.renameSync = (from, to) => {
    if (count++ === nth) throw new Error('the power is gone');
    renameSync(from, to);
  };
  syncBuiltinESMExports();
  try {
    work();
    return true;
  } catch {
    return false;
  } finally {
    fs.renameSync = renameSync;
    syncBuiltinESMExports();
  }
}

const ROW = `${JSON.stringify({ shape: 1, row: tortureLot('a', 1) })}\n`;
/** A zip file with such a head and such entries, all of its checksums right. */
const archived = (entries: Record<string, string>, head: object = {}): Buffer =>
  Buffer.from(
    zipSync({
      'archive.json': strToU8(JSON.stringify({ format: 'hyndle-archive', version: 1, madeAtMs: 1, ...head })),
      ...Object.fromEntries(Object.entries(entries).map(([name, text]) => [name, strToU8(text)])),
    }),
  );

describe('one file with everything', () => {
  test('another tool can read it: a zip of JSON lines and CSV', () => {
    const entries = unzipSync(readFileSync(file));
    expect(JSON.parse(strFromU8(entries['archive.json'] as Uint8Array))).toMatchObject({
      format: 'hyndle-archive',
      version: 1,
      rows: { lot: 2, run_event: 1 },
    });
    expect(
      strFromU8(entries['rows/lot.ndjson'] as Uint8Array)
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line)),
    ).toEqual([
      { shape: 1, row: tortureLot('a', 2) },
      { shape: 1, row: tortureLot('b', 1) },
    ]);
    expect(strFromU8(entries['readings/probe%2F1.csv'] as Uint8Array)).toBe(
      'time,temperature\n2026-11-25T12:00:00.000Z,20.5\n2026-11-25T12:00:01.000Z,20.625\n',
    );
  });

  test('made from the journal beside a running Hyndle it says the same', async () => {
    const beside = path.join(root, 'beside.zip');
    const source = await rowsInJournal(new Journal(path.join(root, 'one', 'journal')));
    await writeArchive(beside, source, { readings: new Readings(path.join(root, 'one', 'readings')), blobs: store.blobs }, AT);
    const [one, other] = [await openArchive(beside), await openArchive(file)];
    expect(one.rows).toEqual(expect.arrayContaining([...other.rows]));
    expect(one.probes).toEqual(['probe/1']);
    expect(await pointsOf(one)).toEqual(await pointsOf(other));
  });

  test('taken into an empty folder: shown first, then all there, and a second time nothing', async () => {
    const other = await open('two');
    const archive = await openArchive(file);
    expect(await previewMerge(other, archive)).toMatchObject({ kinds: { lot: { added: 2 }, run_event: { added: 1 } }, readings: 2 });
    expect(await listLots(other.db)).toEqual([]);
    await merge(other, archive);
    expect(await listLots(other.db)).toEqual(await listLots(store.db));
    expect(await loadEvents(other.db, 'r')).toEqual(await loadEvents(store.db, 'r'));
    expect(other.readings.between('probe/1', 0, AT + 1e6)).toHaveLength(2);
    expect(other.blobs.read(picture)?.toString()).toBe('a picture');
    const seq = other.lastSeq;
    expect(await merge(other, archive)).toMatchObject({ kinds: { lot: { added: 0, same: 2 } }, readings: 0 });
    expect(other.lastSeq).toBe(seq);
    await other.close();
  });

  test('where both know a row the newer stands, and of two of the same age the one here', async () => {
    const other = await open('three');
    const own = { ...tortureLot('b', 1), name: 'b of my own' };
    await other.exclusive(() =>
      other.commit([
        { table: 'lot', row: tortureLot('a', 1) },
        { table: 'lot', row: own },
      ]),
    );
    expect(await merge(other, await openArchive(file))).toMatchObject({ kinds: { lot: { newer: 1, different: 1 } }, stays: ['the lot b in its state 1'] });
    expect((await listLots(other.db)).map(({ name }) => name)).toEqual(['a in its state 2', 'b of my own']);
    await other.exclusive(() => other.commit([{ table: 'lot', row: tortureLot('a', 3) }]));
    expect(await merge(other, await openArchive(file))).toMatchObject({ kinds: { lot: { older: 1 } } });
    await other.close();
  });

  test('undone: everything is as the copy of before says, and what was there is kept aside', async () => {
    const other = await open('four');
    await other.exclusive(() => other.commit([{ table: 'lot', row: tortureLot('mine', 1) }]));
    const before = path.join(root, 'before.zip');
    await writeArchive(before, rowsInDb(other.db), other, AT);
    await merge(other, await openArchive(file));
    await other.close();
    const done = spawnSync(process.execPath, ['--import', 'tsx', 'store/cli/restore.ts', before, '--exact'], {
      env: { ...process.env, HYNDLE_DATA: path.join(root, 'four'), HYNDLE_TEMPLATE: path.resolve('.cache/pg-template') },
      encoding: 'utf8',
    });
    expect(done.stdout).toMatch(/Everything is as it was 2026-11-25T12:00:00.000Z. What was here is kept in /);
    // The terminal logged by the real clock.
    const after = await open('four', Date.now);
    expect((await listLots(after.db)).map(({ id }) => id)).toEqual(['mine']);
    expect(after.readings.probes()).toEqual([]);
    expect(after.notices).toEqual([]);
    await after.close();
    expect(existsSync(path.join(root, 'four', 'aside'))).toBe(true);
  });

  test('put back while it is open: nobody who reads meanwhile is refused, and a look at the old data ends by itself', async () => {
    const other = await open('five');
    await other.exclusive(() => other.commit([{ table: 'lot', row: tortureLot('mine', 1) }]));
    await other.close();
    const again = await open('five');
    const checking = again.check(() => new Promise((resolve) => setTimeout(resolve, 5)));
    const reading = (async () => {
      for (let i = 0; i < 200; i++) {
        await listLots(again.db);
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
    })();
    const aside = await again.putBack(await openArchive(file));
    expect((await listLots(again.db)).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(readdirSync(aside)).toEqual(expect.arrayContaining(['pg', 'journal', 'checkpoint.json']));
    await Promise.all([reading, checking]);
    await again.exclusive(() => again.commit([{ table: 'lot', row: tortureLot('after', 1) }]));
    await again.close();
    const next = await open('five');
    expect((await listLots(next.db)).map(({ id }) => id)).toEqual(['a', 'after', 'b']);
    expect(next.notices).toEqual([]);
    await next.close();
  });

  test('broken off between any two moves, the next start goes on with it', () => {
    const made = (folder: string, what: string) => {
      mkdirSync(path.join(folder, 'pg'), { recursive: true });
      mkdirSync(path.join(folder, 'journal'));
      writeFileSync(path.join(folder, 'pg', 'rows'), what);
      writeFileSync(path.join(folder, 'journal', 'lines'), what);
      writeFileSync(path.join(folder, 'checkpoint.json'), what);
    };
    const says = (folder: string) => ['pg/rows', 'journal/lines', 'checkpoint.json'].map((name) => readFileSync(path.join(folder, name), 'utf8'));
    // Every step of it is a rename: as many times it may end before one.
    for (let steps = 0; ; steps++) {
      const folder = path.join(root, `broken-${steps}`);
      made(folder, 'old');
      made(path.join(folder, 'aside', 'coming'), 'new');
      // What the old data had and the new has not goes out all the same.
      mkdirSync(path.join(folder, 'readings'));
      const isDone = brokenOff(steps, () => swapIn(folder, path.join(folder, 'aside', 'coming'), AT));
      finishSwap(folder);
      const stays = steps === 0;
      expect(says(folder)).toEqual(Array(3).fill(stays ? 'old' : 'new'));
      expect(existsSync(path.join(folder, 'readings'))).toBe(stays);
      if (!stays) expect(says(path.join(folder, 'aside', `replaced-${AT}`))).toEqual(Array(3).fill('old'));
      expect(existsSync(path.join(folder, 'putting-back.json'))).toBe(false);
      if (isDone) {
        expect(steps).toBe(9);
        break;
      }
    }
  });

  test.each([
    ['no zip', () => Buffer.from('no zip'), /no zip file/],
    ['a zip of something else', () => Buffer.from(zipSync({ 'a.txt': strToU8('x') })), /not saved by Hyndle/],
    ['a newer one', () => Buffer.from(zipSync({ 'archive.json': strToU8('{"format":"hyndle-archive","version":9,"madeAtMs":1}') })), /newer Hyndle/],
    [
      'a broken line',
      () =>
        Buffer.from(zipSync({ 'archive.json': strToU8('{"format":"hyndle-archive","version":1,"madeAtMs":1}'), 'rows/lot.ndjson': strToU8('{"shape":1}\n') })),
      /Line 1 of rows\/lot.ndjson could not be read/,
    ],
    ['readings of no probe', () => archived({ 'readings/%zz.csv': 'time,temperature\n' }), /readings\/%zz.csv” names no probe/],
    ['rows that are fewer than it says', () => archived({ 'rows/lot.ndjson': '' }, { rows: { lot: 2 } }), /says 2 rows of lot and has 0/],
    ['rows of a kind that it does not say', () => archived({ 'rows/lot.ndjson': ROW }, { rows: {} }), /says 0 rows of lot and has 1/],
    [
      'readings that are more than it says',
      () => archived({ 'readings/p.csv': 'time,t\n2026-11-25T12:00:00Z,20\n' }, { readings: { p: 0 } }),
      /says 0 readings/,
    ],
    ['a picture too few', () => archived({}, { blobs: 1 }), /says 1 files of pictures and has 0/],
    ['a picture that was exchanged', () => archived({ [`blobs/${'a'.repeat(64)}`]: 'another' }), /not the picture that it was/],
    [
      'a small file that becomes a large one',
      () => archived({ 'rows/lot.ndjson': ' '.repeat(400 * 1024 * 1024) }),
      /would become 400.0 MB of 0.4.*No file that Hyndle saved/,
    ],
  ])('%s is refused in words', async (_what, bytes, words) => {
    const bad = path.join(root, 'bad.zip');
    writeFileSync(bad, bytes());
    await expect(openArchive(bad)).rejects.toThrow(words);
  });
});

test('one byte changed anywhere is noticed, and what is damaged is named, before anything is taken in', async () => {
  const whole = readFileSync(file);
  const bad = path.join(root, 'flipped.zip');
  let named = 0;
  for (let at = 0; at < whole.length; at += 7) {
    const bytes = Buffer.from(whole);
    bytes[at] = (bytes[at] ?? 0) ^ 0x10;
    writeFileSync(bad, bytes);
    const said = await openArchive(bad).then(
      (archive) => {
        // Times and hints that no reader goes by may differ; what is in it may not.
        expect(archive.rows, `byte ${at}`).toEqual(expect.arrayContaining(JSON.parse(JSON.stringify(rowsOfFile))));
        expect(archive.blobs).toEqual([picture]);
        archive.close();
        return '';
      },
      (error: Error) => error.message,
    );
    if (/“.*” is (damaged|missing|encrypted)|could not be read/.test(said)) named++;
  }
  expect(named).toBeGreaterThan(20);
});

test('every kind of row that a person made has its words where a file is taken in: none is merged unsaid', () => {
  const one = { added: 1, same: 0, newer: 0, older: 0, different: 0 };
  const unsaid = ROW_KINDS.filter((kind) => mergedSentences({ kinds: { [kind]: one }, readings: 0 })[0]?.startsWith('nothing'));
  // What was asked for under which id is the store's own.
  expect(unsaid).toEqual(['sent']);
});
