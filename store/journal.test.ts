import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { Journal } from './journal';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-journal-'));
let folders = 0;
const fresh = () => path.join(root, String(++folders));
afterAll(() => rmSync(root, { recursive: true, force: true }));

const line = (seq: number) => ({ seq, atMs: seq, writes: [`w${seq}`] });
const writesIn = (folder: string) => new Journal<string>(folder).load().lines.flatMap((l) => l.writes);

test('what was appended is read again, in order', () => {
  const folder = fresh();
  const journal = new Journal<string>(folder);
  for (let seq = 1; seq <= 3; seq++) journal.append(line(seq));
  journal.close();
  expect(new Journal<string>(folder).load()).toMatchObject({ lastSeq: 3, lines: [line(1), line(2), line(3)], notices: [] });
});

test('a compacted journal says the same and goes on in a new file; the generation before is kept', () => {
  const folder = fresh();
  for (let turn = 0; turn < 3; turn++) {
    const journal = new Journal<string>(folder);
    const { lastSeq, lines } = journal.load();
    for (let seq = lastSeq + 1; seq <= lastSeq + 4; seq++) journal.append(line(seq));
    journal.close();
    const all = [...lines.flatMap((l) => l.writes), ...[1, 2, 3, 4].map((i) => `w${lastSeq + i}`)];
    new Journal<string>(folder).compact(lastSeq + 4, 0, all);
    expect(writesIn(folder)).toEqual(all);
  }
  const names = readdirSync(folder).sort((a, b) => a.localeCompare(b));
  expect(names.filter((name) => name.startsWith('snapshot'))).toHaveLength(2);
  // With the newest snapshot gone, the one before it and the lines since still tell everything.
  rmSync(path.join(folder, names.filter((name) => name.startsWith('snapshot')).at(-1) as string));
  expect(writesIn(folder)).toEqual(Array.from({ length: 12 }, (_, i) => `w${i + 1}`));
});

test('a line damaged in the middle is left out and said, the others stand', () => {
  const folder = fresh();
  const journal = new Journal<string>(folder);
  for (let seq = 1; seq <= 3; seq++) journal.append(line(seq));
  journal.close();
  const file = path.join(folder, readdirSync(folder)[0] as string);
  writeFileSync(file, readFileSync(file, 'utf8').replace('"w2"', '"wX"'));
  const loaded = new Journal<string>(folder).load();
  expect(loaded.lines.flatMap((l) => l.writes)).toEqual(['w1', 'w3']);
  expect(loaded.notices.join()).toContain('line 2 could not be read');
});
