import { existsSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { FolderInUse, takeLock } from './lock';

const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-lock-'));
const file = path.join(folder, 'app.lock');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const left = (holder: object) => writeFileSync(file, JSON.stringify({ pid: 2 ** 22 - 7, startedAt: '1', host: hostname(), ...holder }));
const takes = () => {
  takeLock(folder)();
  return true;
};

test('held by this process it is refused, let go it is there for the next', () => {
  const letGo = takeLock(folder);
  expect(takes).toThrow(FolderInUse);
  letGo();
  expect(existsSync(file)).toBe(false);
  expect(takes()).toBe(true);
});
test('a number that this process has now, in a lock it never took: left over, as after a kill in a container', () => {
  left({ pid: process.pid });
  expect(takes()).toBe(true);
});
test('a process that is gone, one whose number belongs to another now, and half a lock are left over', () => {
  left({});
  expect(takes()).toBe(true);
  left({ pid: process.ppid, startedAt: 'long ago' });
  expect(takes()).toBe(true);
  writeFileSync(file, '{"pid":');
  expect(takes()).toBe(true);
});
test('a process that lives is refused with its number and what to do', () => {
  left({ pid: process.ppid, startedAt: null });
  expect(takes).toThrow(/in use by another Hyndle \(process \d+\)\. Close that one/);
});
test('another machine is believed while it is heard of, and no longer', () => {
  left({ host: 'barn' });
  expect(takes).toThrow(/in use by Hyndle on the machine barn, seen \d+ s ago/);
  const quiet = Date.now() / 1000 - 60;
  utimesSync(file, quiet, quiet);
  const letGo = takeLock(folder);
  expect(JSON.parse(readFileSync(file, 'utf8')).host).toBe(hostname());
  letGo();
});
