import { appendFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { Journal } from './journal';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-journal-'));
let folders = 0;
const fresh = () => path.join(root, String(++folders));
afterAll(() => rmSync(root, { recursive: true, force: true }));

const line = (seq: number) => ({ seq, atMs: seq, writes: [`w${seq} ü`] });
const items = (folder: string) => [...new Journal<string>(folder).read()];
const linesIn = (folder: string) => items(folder).flatMap((item) => (item.kind === 'line' ? [item.line] : []));
function filled(count: number): string {
  const folder = fresh();
  const journal = new Journal<string>(folder);
  for (let seq = 1; seq <= count; seq++) journal.append(line(seq));
  journal.close();
  return folder;
}
const only = (folder: string) => path.join(folder, readdirSync(folder)[0] as string);

test('what was appended is read again, in order, whole or from a place on', () => {
  const folder = filled(3);
  expect(linesIn(folder)).toEqual([line(1), line(2), line(3)]);
  const journal = new Journal<string>(folder);
  const second = items(folder)[1];
  if (second?.kind !== 'line') throw new Error('no second line');
  expect(journal.lineAt(second.at)).toEqual(line(2));
  expect([...journal.read(second.at)]).toHaveLength(2);
  journal.append(line(4));
  journal.close();
  expect(linesIn(folder).map(({ seq }) => seq)).toEqual([1, 2, 3, 4]);
});

test('lines longer than a chunk are read whole', () => {
  const folder = fresh();
  const journal = new Journal<string>(folder);
  const long = { seq: 1, atMs: 1, writes: ['x'.repeat(3_000_000)] };
  journal.append(long);
  journal.append(line(2));
  journal.close();
  expect(linesIn(folder)).toEqual([long, line(2)]);
});

test('a line damaged in the middle is told with what is left of it, the others stand', () => {
  const folder = filled(3);
  writeFileSync(only(folder), readFileSync(only(folder), 'utf8').replace('"w2', '"wX'));
  expect(items(folder).map(({ kind }) => kind)).toEqual(['line', 'damaged', 'line']);
  expect(items(folder)[1]).toMatchObject({ text: expect.stringContaining('"wX') });
});

test('every byte, damaged in turn: one line is lost and no other, and never is there one that was not written', () => {
  const folder = filled(3);
  const whole = readFileSync(only(folder));
  for (let at = 0; at < whole.length; at++) {
    const bytes = Buffer.from(whole);
    bytes[at] = (bytes[at] as number) ^ 0x15;
    writeFileSync(only(folder), bytes);
    const read = linesIn(folder);
    for (const one of read) expect(one).toEqual(line(one.seq));
    expect(read.length).toBeGreaterThanOrEqual(2);
  }
});

test('an end without the end of a line is torn, and is cut off', () => {
  const folder = filled(2);
  appendFileSync(only(folder), '0000abcd {"seq":3,"at');
  const torn = items(folder).at(-1);
  if (torn?.kind !== 'torn') throw new Error('not torn');
  const journal = new Journal<string>(folder);
  journal.cut(torn.at);
  journal.append(line(3));
  journal.close();
  expect(linesIn(folder).map(({ seq }) => seq)).toEqual([1, 2, 3]);
});
