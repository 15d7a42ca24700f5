import { spawn } from 'node:child_process';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { isDeepStrictEqual } from 'node:util';
import type { Lot } from '@/core/fibre/lot';
import { listLots } from './lots';
import type { Store } from './store';

export const LOTS = 40;
export const NONE = { lost: 0, doubled: 0, invented: 0 };

/** Faults of several looks together; what was acknowledged is what the last one says. */
export const withFaults = (total: Verdict, { acknowledged, lost, doubled, invented }: Verdict): Verdict => ({
  acknowledged,
  lost: total.lost + lost,
  doubled: total.doubled + doubled,
  invented: total.invented + invented,
});

/** A lot whose words follow from its id and revision, so that every state of it can be told from an invented one. */
export const tortureLot = (id: string, revision: number): Lot => ({
  id,
  name: `${id} in its state ${revision}`,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: { state: 'measured', value: revision + 0.5 },
  pieces: 1,
  baseHex: null,
  note: 'ü ½ '.repeat(revision % 50),
  createdAtMs: 5,
  revision,
  finishes: null,
  weightFrom: null,
  from: [],
  ended: null,
});

/** By id: the newest revision that was acknowledged, and the newest that was tried. */
export type Model = Map<string, { acked: number; tried: number }>;

export interface Verdict {
  acknowledged: number;
  lost: number;
  doubled: number;
  invented: number;
}

export async function judge(store: Store, model: Model): Promise<Verdict> {
  const lots = await listLots(store.db, true);
  const byId = new Map(lots.map((lot) => [lot.id, lot]));
  let [lost, invented] = [0, 0];
  for (const [id, { acked }] of model) if ((byId.get(id)?.revision ?? 0) < acked) lost++;
  for (const lot of lots) {
    const said = model.get(lot.id);
    if (!said || lot.revision > said.tried || !isDeepStrictEqual(lot, tortureLot(lot.id, lot.revision))) invented++;
  }
  return { acknowledged: [...model.values()].reduce((sum, { acked }) => sum + acked, 0), lost, doubled: lots.length - byId.size, invented };
}

/** Runs the child on the folder, kills it after a while, and takes down what it said. */
export function killed(folder: string, seed: number, afterMs: number, model: Model, env: Readonly<Record<string, string>>): Promise<void> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--import', 'tsx', 'store/tortureChild.fixture.ts', folder, String(seed), String(LOTS)], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, HYNDLE_TEMPLATE: path.resolve('.cache/pg-template'), ...env },
    });
    let complaint = '';
    child.stderr.on('data', (chunk: Buffer) => {
      complaint += chunk.toString();
    });
    createInterface(child.stdout).on('line', (line) => {
      const [what, id = '', revision = '0'] = line.split(' ');
      if (what === 'ready') setTimeout(() => child.kill('SIGKILL'), afterMs);
      const had = model.get(id) ?? { acked: 0, tried: 0 };
      if (what === 'try') model.set(id, { ...had, tried: Math.max(had.tried, Number(revision)) });
      if (what === 'ack') model.set(id, { ...had, acked: Math.max(had.acked, Number(revision)) });
    });
    child.once('close', (code) => (code === null ? resolve() : reject(new Error(`the child ended with ${code}: ${complaint}`))));
  });
}
