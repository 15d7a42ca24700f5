import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { NewerData } from './upcasts';

/** The table that says which steps a database has taken. */
export const STEPS_TABLE = 'create table if not exists migration (name text primary key)';

const stepsIn = (folder: string): string[] =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort();

/** Another one for every other set of steps. */
export function stepsMark(folder: string): string {
  const hash = createHash('sha256');
  for (const name of stepsIn(folder)) hash.update(name).update(readFileSync(path.join(folder, name)));
  return hash.digest('hex').slice(0, 16);
}

/** Steps still to take, in their order, with their SQL. @throws NewerData when the database took one that is not known here */
export function stepsDue(folder: string, done: ReadonlySet<string>, what: string): { name: string; sql: string }[] {
  const known = stepsIn(folder);
  const newer = [...done].filter((name) => !known.includes(name));
  if (newer.length > 0) throw new NewerData(`${what} was written by a newer Hyndle (${newer[0]}). Start the newer version; nothing here was touched.`);
  return known.filter((name) => !done.has(name)).map((name) => ({ name, sql: readFileSync(path.join(folder, name), 'utf8') }));
}
