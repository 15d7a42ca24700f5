import { mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { Blobs, isBlobHash } from './blobs';
import { onFullDisk } from './disk.fixture';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-blobs-'));
let folders = 0;
const fresh = () => path.join(root, String(++folders));
afterAll(() => rmSync(root, { recursive: true, force: true }));

// FIPS 180-4, the example "abc".
const ABC = 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad';
const DAY_MS = 86_400_000;

test('kept by what is in it, once, and read again', () => {
  const folder = fresh();
  const blobs = new Blobs(folder);
  expect(blobs.put(Buffer.from('abc'))).toBe(ABC);
  expect(blobs.put(Buffer.from('abc'))).toBe(ABC);
  expect(blobs.names()).toEqual([ABC]);
  expect(new Blobs(folder).read(ABC)?.toString()).toBe('abc');
  expect(blobs.read('0'.repeat(64))).toBeNull();
  expect([ABC, ABC.toUpperCase(), '../etc', ''].map(isBlobHash)).toEqual([true, false, false, false]);
});

test('damage is said once by file, and the same picture sent again mends it', () => {
  const folder = fresh();
  const told: string[] = [];
  const blobs = new Blobs(folder, (text) => told.push(text));
  blobs.put(Buffer.from('abc'));
  const file = path.join(folder, ABC.slice(0, 2), ABC);
  writeFileSync(file, 'abd');
  expect([blobs.read(ABC), blobs.read(ABC)]).toEqual([null, null]);
  expect(told).toHaveLength(1);
  expect(told[0]).toContain(`${ABC.slice(0, 12)}… of`);
  blobs.put(Buffer.from('abc'));
  expect(readFileSync(file, 'utf8')).toBe('abc');
});

test('what no row names goes after a week, what is named or new never', () => {
  const folder = fresh();
  const blobs = new Blobs(folder);
  const [named, orphan, young] = ['one', 'two', 'three'].map((text) => blobs.put(Buffer.from(text))) as [string, string, string];
  writeFileSync(path.join(folder, named.slice(0, 2), `${named}.x.part`), 'half');
  const nowMs = Date.now();
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true }))
    if (entry.isFile() && entry.name !== young) utimesSync(path.join(entry.parentPath, entry.name), nowMs / 1000 - 8 * 86_400, nowMs / 1000 - 8 * 86_400);
  expect(blobs.sweep(new Set([named]), nowMs)).toBe(2);
  expect(new Set(blobs.names())).toEqual(new Set([named, young]));
  expect(blobs.read(orphan)).toBeNull();
  expect(blobs.sweep(new Set(), nowMs + 9 * DAY_MS)).toBe(2);
});

test('the disk is full among twenty pictures: each that was acknowledged is there, whole; of the others nothing stays, and they are taken once there is room', async () => {
  const pictures = Array.from({ length: 20 }, (_, i) => Buffer.alloc(5000, i + 1));
  for (let takes = 0; takes <= 20; takes += 4) {
    const folder = fresh();
    const blobs = new Blobs(folder);
    const kept: string[] = [];
    const refused: Buffer[] = [];
    await onFullDisk(folder, takes, async () => {
      for (const bytes of pictures) {
        try {
          kept.push(blobs.put(bytes));
        } catch {
          refused.push(bytes);
        }
      }
    });
    expect([kept.length, refused.length]).toEqual([takes, 20 - takes]);
    expect(new Set(blobs.names())).toEqual(new Set(kept));
    expect(readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.part'))).toEqual([]);
    kept.forEach((hash, i) => {
      expect(blobs.read(hash)?.equals(pictures[i] as Buffer)).toBe(true);
    });
    for (const bytes of refused) blobs.put(bytes);
    expect(blobs.names()).toHaveLength(20);
  }
});
