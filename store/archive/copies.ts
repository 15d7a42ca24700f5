import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { type Copy, keptCopies } from './keep';

/** All copies together take no more than this. */
const MOST_BYTES = 2 * 1024 * 1024 * 1024;
/** A day; of a copy that was asked for also what for and when, in milliseconds. */
const NAME = /^hyndle-(\d{4}-\d\d-\d\d)(?:-[\w-]*?(\d{13})?)?\.zip$/;
const DAILY = /^hyndle-\d{4}-\d\d-\d\d\.zip$/;

/** `<data>/copies`: one a day, made while it runs. */
export const copiesIn = (folder: string): string => path.join(folder, 'copies');

/** The copies there are, by the day and the moment in their names. */
export function listCopies(folder: string): Copy[] {
  const home = copiesIn(folder);
  if (!existsSync(home)) return [];
  return readdirSync(home).flatMap((name) => {
    const [, day, madeMs] = NAME.exec(name) ?? [];
    if (day === undefined) return [];
    const atMs = madeMs === undefined ? Date.parse(`${day}T12:00:00Z`) : Number(madeMs);
    return [{ name, kind: DAILY.test(name) ? 'daily' : 'asked for', atMs, bytes: statSync(path.join(home, name)).size }];
  });
}

/** Where the copy of a day goes; null when there is one already. */
export function copyDue(folder: string, nowMs: number): string | null {
  mkdirSync(copiesIn(folder), { recursive: true });
  const file = path.join(copiesIn(folder), `hyndle-${new Date(nowMs).toISOString().slice(0, 10)}.zip`);
  return existsSync(file) ? null : file;
}

/** Puts away what the rule does not keep. @returns the names that went */
export function pruneCopies(folder: string): string[] {
  const all = listCopies(folder);
  const kept = new Set(keptCopies(all, MOST_BYTES).map(({ name }) => name));
  const gone = all.filter(({ name }) => !kept.has(name)).map(({ name }) => name);
  for (const name of gone) rmSync(path.join(copiesIn(folder), name));
  return gone;
}
