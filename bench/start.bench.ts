import { spawnSync } from 'node:child_process';
import { appendFileSync, cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { crc32 } from 'node:zlib';
import { afterAll, expect, test } from 'vitest';
import { seededChance } from '@/core/chance';
import { FolderStore } from '@/store/folderStore';
import { DAY_MS, HOUR_MS, type Point } from '@/store/readings/codec';
import { report } from './report';

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-start-'));
afterAll(() => rmSync(root, { recursive: true, force: true }));

const NOW = 20_780 * DAY_MS;
const EVENTS = 100_000;
const open = (folder: string) =>
  FolderStore.open({ folder, migrations: path.resolve('store/migrations'), template: path.resolve('.cache/pg-template'), nowMs: () => NOW, boot: 'bench' });

const rand = seededChance(1);
/** A few hundredths of a degree, as a real probe has them. */
const noise = (): number => (rand() + rand() + rand() - 1.5) / 10;
/** A probe that reads once a second. */
async function fillReadings(store: FolderStore, days: number): Promise<void> {
  for (let day = 0; day < days; day++) {
    const fromMs = NOW - (days - day) * DAY_MS;
    const points: Point[] = Array.from({ length: 86_400 }, (_, i) => [fromMs + i * 1000, Math.round((60 + 20 * Math.sin(i / 4000) + noise()) * 100) / 100]);
    await store.appendReadings('probe', points);
    store.readings.seal(fromMs + 2 * DAY_MS, 9);
  }
}

/** Five years: the same year five times, each day under its own date, since a day's file says nothing of which day it is. */
function fillFiveYears(store: FolderStore): void {
  const [from, to] = [path.join(root, 'a year of one probe', 'readings', 'probe'), path.join(store.folder, 'readings', 'probe')];
  mkdirSync(to, { recursive: true });
  const dayText = (ms: number) => new Date(ms).toISOString().slice(0, 10);
  const names = readdirSync(from);
  const hours = names.filter((name) => name.endsWith('.hours')).flatMap((name) => readFileSync(path.join(from, name), 'latin1').trim().split('\n'));
  for (let back = 0; back < 5; back++) {
    const shiftMs = back * 365 * DAY_MS;
    for (const name of names.filter((one) => one.endsWith('.day')))
      cpSync(path.join(from, name), path.join(to, `${dayText(Date.parse(`${name.slice(0, 10)}T00:00:00Z`) - shiftMs)}.day`));
    for (const line of hours) {
      const [, dayMs = '', body = ''] = line.split(' ');
      const moved = `${Number(dayMs) - shiftMs} ${body}`;
      const file = path.join(to, `${new Date(Number(dayMs) - shiftMs).getUTCFullYear()}.hours`);
      appendFileSync(file, `${crc32(moved).toString(16).padStart(8, '0')} ${moved}\n`);
    }
  }
  expect(store.readings.daysOf('probe')).toHaveLength(5 * 365);
}

async function fillEvents(store: FolderStore): Promise<void> {
  for (let from = 0; from < EVENTS; from += 500)
    await store.exclusive(() =>
      store.commit(
        Array.from({ length: 500 }, (_, i) => ({
          table: 'run_event' as const,
          row: { runId: 'r', event: { id: `e${from + i}`, type: 'stirred' as const, stepId: 's', atMs: NOW + from + i, recordedAtMs: NOW + from + i } },
        })),
      ),
    );
}

/** Starts in a process of its own, so that memory is its own. */
function started(folder: string): { ms: number; mb: number } {
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'bench/startOnce.ts', folder], { encoding: 'utf8' });
  if (done.status !== 0) throw new Error(done.stderr);
  return JSON.parse(done.stdout.trim().split('\n').at(-1) ?? '');
}
const best = (folder: string): { ms: number; mb: number } => {
  const all = [0, 1, 2].map(() => {
    const copy = path.join(root, 'copy');
    rmSync(copy, { recursive: true, force: true });
    cpSync(folder, copy, { recursive: true });
    return started(copy);
  });
  return { ms: Math.min(...all.map((one) => one.ms)), mb: Math.min(...all.map((one) => one.mb)) };
};

const bytesIn = (folder: string): number =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .reduce((sum, entry) => sum + statSync(path.join(entry.parentPath, entry.name)).size, 0);

test('a start, whatever the history', async () => {
  const make = async (name: string, fill: (store: FolderStore) => Promise<void> | void): Promise<{ stopped: string; killed: string }> => {
    const stopped = path.join(root, name);
    const killed = `${stopped}, killed`;
    const store = await open(stopped);
    await fill(store);
    await store.exclusive(async () => undefined);
    // What a kill leaves is what the files say at that moment.
    cpSync(stopped, killed, { recursive: true });
    rmSync(path.join(killed, 'app.lock'));
    await store.close();
    return { stopped, killed };
  };
  const empty = best((await make('empty', () => undefined)).stopped);
  for (const [name, fill] of [
    ['a day of one probe', (store: FolderStore) => fillReadings(store, 1)],
    ['a year of one probe', (store: FolderStore) => fillReadings(store, 365)],
    ['five years of one probe', fillFiveYears],
    ['100,000 events', fillEvents],
  ] as const) {
    const { stopped, killed } = await make(name, fill);
    for (const [folder, how] of [
      [stopped, 'after a stop'],
      [killed, 'after a kill'],
    ] as const) {
      const { ms, mb } = best(folder);
      report(`start with ${name}, ${how}`, ms / empty.ms, '× an empty folder', 1.5, `${Math.round(ms)} against ${Math.round(empty.ms)} ms`);
      report(`memory with ${name}, ${how}`, mb / empty.mb, '× an empty folder', 1.3, `${Math.round(mb)} against ${Math.round(empty.mb)} MB`);
      if (name === 'a year of one probe' && folder === stopped) {
        const bytes = bytesIn(path.join(folder, 'readings'));
        report('a year of readings on disk', bytes / 200e6, 'of 200 MB', 1, `${(bytes / (365 * 86_400)).toFixed(2)} bytes a reading`);
        const store = await open(folder);
        const timed = (fromMs: number, level: 'all' | 'minutes' | 'hours') => {
          const from = performance.now();
          expect(store.readings.between('probe', fromMs, NOW, level).length).toBeGreaterThan(0);
          return performance.now() - from;
        };
        const day = timed(NOW - DAY_MS, 'minutes');
        const year = timed(NOW - 365 * DAY_MS, 'hours');
        report('reading a year for its picture', year / Math.max(day, 20), '× a day (or 20 ms)', 2, `${year.toFixed(0)} against ${day.toFixed(0)} ms`);
        expect(store.readings.between('probe', NOW - HOUR_MS, NOW)).toHaveLength(3600);
        await store.close();
      }
      if (name === 'five years of one probe' && folder === stopped) {
        const store = await open(folder);
        const from = performance.now();
        expect(store.readings.between('probe', NOW - 1825 * DAY_MS, NOW, 'days').length).toBeGreaterThan(1800);
        const ms = performance.now() - from;
        report('reading five years for their picture', ms / 500, 'of 0.5 s', 1, `${ms.toFixed(0)} ms`);
        await store.close();
      }
    }
  }
}, 900_000);
