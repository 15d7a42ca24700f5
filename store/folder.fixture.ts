import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll } from 'vitest';
import type { Lot } from '@/core/fibre/lot';
import type { RunEvent } from '@/core/run/events';
import { FolderStore } from './folderStore';
import { inside } from './inside.fixture';
import type { StoreOptions } from './opening';

export const template = path.resolve('.cache/pg-template');

/** Data folders of a file of tests, which go when it ends. */
export function folders() {
  const root = mkdtempSync(path.join(tmpdir(), 'hyndle-store-'));
  afterAll(() => rmSync(root, { recursive: true, force: true }));
  let made = 0;
  return {
    fresh: () => path.join(root, `data${++made}`),
    open: (folder: string, more: Partial<StoreOptions> = {}) =>
      FolderStore.open({ folder, migrations: path.resolve('store/migrations'), template, nowMs: () => 1, boot: 'one', ...more }),
  };
}

export const lot = (id: string, name = id): Lot => ({
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
export const event = (n: number): RunEvent => ({ id: `e${n}`, type: 'stirred', stepId: 's', atMs: n, recordedAtMs: n });
export const add = (store: FolderStore, n: number) => store.exclusive(() => store.commit([{ table: 'run_event', row: { runId: 'r', event: event(n) } }]));

/** As a process that was killed leaves it: the lock and the files stay, nothing is closed. */
export async function abandon(store: FolderStore, folder: string) {
  await inside(store).db.close();
  rmSync(path.join(folder, 'app.lock'));
}
