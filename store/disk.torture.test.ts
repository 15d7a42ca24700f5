import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { seededChance } from '@/core/chance';
import { readCheckpoint, sumsAgree } from './checkpoint';
import { type Durable, onFullDisk, watchingDisk } from './disk.fixture';
import { FolderStore } from './folderStore';
import { Journal } from './journal';
import { indexJournal, type JournalWrite } from './journalIndex';
import { judge, type Model, NONE, tortureLot, type Verdict, withFaults } from './torture.fixture';

/** The disk, write by write: npm run torture; a part of it in the check. */

const LONG = process.env.TORTURE === '1';
const root = mkdtempSync(path.join(tmpdir(), 'hyndle-disk-'));
afterAll(() => rmSync(root, { recursive: true, force: true }));
let folders = 0;
const fresh = () => path.join(root, String(++folders));
const open = (folder: string, boot: string) =>
  FolderStore.open({ folder, migrations: path.resolve('store/migrations'), template: path.resolve('.cache/pg-template'), nowMs: () => 1, boot });

/** An act on a lot; what was asked for and what was answered is taken down. */
async function act(store: FolderStore, model: Model, id: string): Promise<boolean> {
  const had = model.get(id) ?? { acked: 0, tried: 0 };
  const revision = had.tried + 1;
  model.set(id, { ...had, tried: revision });
  try {
    await store.exclusive(() => store.commit([{ table: 'lot', row: tortureLot(id, revision) }]));
  } catch {
    return false;
  }
  model.set(id, { acked: revision, tried: revision });
  return true;
}

async function filled(acts: number): Promise<{ folder: string; model: Model }> {
  const folder = fresh();
  const model: Model = new Map();
  const store = await open(folder, 'first');
  for (let i = 0; i < acts; i++) await act(store, model, `l${i % 3}`);
  await store.close();
  return { folder, model };
}

/** At most `most` of them, evenly, the first and the last among them. */
const some = <T>(all: readonly T[], most: number): T[] =>
  all.length <= most ? [...all] : Array.from({ length: most }, (_, i) => all[Math.round((i * (all.length - 1)) / (most - 1))] as T);

test('the power goes after any forced write, and nothing else got there', async () => {
  const { folder, model: before } = await filled(4);
  const base = fresh();
  cpSync(folder, base, { recursive: true });
  const model: Model = new Map(before);
  const moments: { durable: Durable; model: Model }[] = [];
  await watchingDisk(
    folder,
    (durable) => moments.push({ durable, model: new Map(model) }),
    async () => {
      const store = await open(folder, 'second');
      for (let i = 0; i < 6; i++) await act(store, model, `l${i % 4}`);
      await store.close();
    },
  );
  // A stop forces hundreds of files. In the check: two moments among the acts, and the last of all.
  const chosen = LONG ? moments : [...some(moments.slice(0, 20), 2), ...moments.slice(-1)];
  let total: Verdict = { acknowledged: 0, ...NONE };
  for (const [i, { durable, model: then }] of chosen.entries()) {
    const after = fresh();
    cpSync(base, after, { recursive: true });
    for (const [name, bytes] of durable) {
      const file = path.join(after, path.relative(folder, name));
      mkdirSync(path.dirname(file), { recursive: true });
      if (bytes) writeFileSync(file, bytes);
      else rmSync(file, { force: true });
    }
    const store = await open(after, 'third');
    // The act that was being written may be there or not: it was tried.
    const verdict = await judge(store, new Map([...model].map(([id, { tried }]) => [id, { acked: then.get(id)?.acked ?? 0, tried }])));
    total = withFaults(total, verdict);
    await store.close();
    rmSync(after, { recursive: true, force: true });
    if ((i + 1) % 100 === 0 || i + 1 === chosen.length)
      process.stdout.write(`power gone after a forced write, ${i + 1} of ${moments.length} moments: ${JSON.stringify(total)}\n`);
  }
  expect(moments.length).toBeGreaterThan(100);
  expect(total).toMatchObject(NONE);
}, 3_600_000);

test('the disk full from any write on', async () => {
  const { folder: base, model: before } = await filled(4);
  const run = async (takes: number): Promise<{ folder: string; model: Model; asked: number }> => {
    const folder = fresh();
    cpSync(base, folder, { recursive: true });
    const model: Model = new Map(before);
    const asked = await onFullDisk(folder, takes, async () => {
      const store = await open(folder, 'first').catch(() => null);
      for (let i = 0; store && i < 4; i++) await act(store, model, `l${i}`);
      await store?.close().catch(() => undefined);
    });
    rmSync(path.join(folder, 'app.lock'), { force: true });
    return { folder, model, asked };
  };
  const { asked: all } = await run(Number.POSITIVE_INFINITY);
  const writes = Array.from({ length: all }, (_, i) => i);
  const rounds = LONG ? writes : some(writes, 2);
  let total: Verdict = { acknowledged: 0, ...NONE };
  for (const takes of rounds) {
    const { folder, model } = await run(takes);
    const store = await open(folder, 'first');
    const verdict = await judge(store, model);
    total = withFaults(total, verdict);
    // There is room again: acts are stored.
    expect(await act(store, model, 'l9')).toBe(true);
    await store.close();
    rmSync(folder, { recursive: true, force: true });
  }
  process.stdout.write(`disk full from a write on, ${rounds.length} of ${all} writes: ${JSON.stringify(total)}\n`);
  expect(all).toBeGreaterThan(20);
  expect(total).toMatchObject(NONE);
}, 3_600_000);

test('every byte of a small journal damaged in turn: no line is believed that was not written', async () => {
  const { folder } = await filled(5);
  const home = path.join(folder, 'journal');
  const [name] = [...new Journal<JournalWrite>(home).read()].map((item) => (item.kind === 'line' ? item.at.file : ''));
  const file = path.join(home, name as string);
  const bytes = readFileSync(file);
  const whole = await indexJournal(new Journal<JournalWrite>(home), () => undefined);
  expect(whole.damages).toEqual([]);
  for (let at = 0; at < bytes.length; at++)
    for (const flip of LONG ? [1, 2, 4, 8, 16, 32, 64, 128, 255] : [1]) {
      const bad = Buffer.from(bytes);
      bad[at] = (bad[at] as number) ^ flip;
      writeFileSync(file, bad);
      const index = await indexJournal(new Journal<JournalWrite>(home), () => undefined);
      // At most two lines go with a byte: the one it is in, and the next where it was the end of the line.
      const gone = 5 - new Set([...index.newest.values()].map(({ seq }) => seq)).size;
      const hasTold = index.damages.length > 0 || index.torn !== null || index.missing.size > 0;
      if (!hasTold) throw new Error(`byte ${at} with ${flip}: nothing was seen, ${gone} gone`);
      for (const [key, newest] of index.newest) {
        const was = whole.newest.get(key);
        if (newest.seq > (was?.seq ?? 0) || (newest.seq === was?.seq && newest.crc !== was.crc))
          throw new Error(`byte ${at} with ${flip}: ${key} was invented`);
      }
    }
}, 3_600_000);

test('a byte of any file of the database damaged after a stop: the checkpoint sees it', async () => {
  // CRC-32 finds every burst of up to 32 bits (IEEE 802.3, 3.2.9), and so any one byte; what is to be shown is that each file is looked at.
  const { folder } = await filled(2);
  const pg = path.join(folder, 'pg');
  const files = readCheckpoint(folder)?.files ?? {};
  expect(sumsAgree(pg, files)).toBe(true);
  const chance = seededChance(3);
  const names = Object.keys(files).filter((name) => statSync(path.join(pg, name)).size > 0);
  for (const name of some(names, LONG ? names.length : 25)) {
    const file = path.join(pg, name);
    const bytes = readFileSync(file);
    const at = Math.floor(chance() * bytes.length);
    const bad = Buffer.from(bytes);
    bad[at] = (bad[at] as number) ^ (1 + Math.floor(chance() * 255));
    writeFileSync(file, bad);
    if (sumsAgree(pg, files)) throw new Error(`byte ${at} of ${name} was not seen`);
    writeFileSync(file, bytes);
  }
  expect(names.length).toBeGreaterThan(100);
}, 3_600_000);

test('every byte of a checkpoint damaged in turn: it is believed as it was written, or not at all', async () => {
  const { folder } = await filled(3);
  const file = path.join(folder, 'checkpoint.json');
  const bytes = readFileSync(file);
  const whole = readCheckpoint(folder);
  expect(whole?.files).not.toBeNull();
  const head = bytes.subarray(0, 400).length;
  for (let at = 0; at < bytes.length; at += at < head || LONG ? 1 : 97) {
    const bad = Buffer.from(bytes);
    bad[at] = (bad[at] as number) ^ 1;
    writeFileSync(file, bad);
    let read: unknown = null;
    try {
      read = readCheckpoint(folder);
    } catch {
      // Taken for one of a newer version: refused, untouched.
    }
    if (read !== null) expect(read).toEqual(whole);
  }
}, 3_600_000);
