import { appendFileSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { United } from './unite';

const KEPT_BROKEN = 3;

/** What nobody could prove, and what was replaced: nothing is thrown away. */
const asideIn = (folder: string): string => path.join(folder, 'aside');

/** Damages that were told before. */
export function settledIn(folder: string): ReadonlySet<string> {
  try {
    return new Set(JSON.parse(readFileSync(path.join(asideIn(folder), 'told.json'), 'utf8')) as string[]);
  } catch {
    return new Set();
  }
}

/** What nobody could prove is never thrown away. */
export function keepAside(folder: string, { aside }: United, damages: readonly string[]): void {
  if (aside.length === 0 && damages.length === 0) return;
  mkdirSync(asideIn(folder), { recursive: true });
  if (aside.length > 0)
    appendFileSync(path.join(asideIn(folder), 'unproved.ndjson'), `${aside.map((one) => JSON.stringify(one)).join('\n')}\n`, { flush: true });
  writeFileSync(path.join(asideIn(folder), 'told.json'), JSON.stringify(damages), { flush: true });
}

/** Keeps a database that was replaced; of several, the last ones. */
export function putAway(folder: string, pg: string, nowMs: number): void {
  mkdirSync(asideIn(folder), { recursive: true });
  renameSync(pg, path.join(asideIn(folder), `pg-${nowMs}-${Math.floor(performance.now())}`));
  const broken = readdirSync(asideIn(folder))
    .filter((name) => name.startsWith('pg-'))
    .sort();
  for (const name of broken.slice(0, -KEPT_BROKEN)) rmSync(path.join(asideIn(folder), name), { recursive: true, force: true });
}
