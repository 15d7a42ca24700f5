import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { NewerData } from './upcasts';

/** The table that says which steps a database has taken. */
export const STEPS_TABLE = 'create table if not exists migration (name text primary key)';

/** Steps still to take, in their order, with their SQL. @throws NewerData when the database took one that is not known here */
export function stepsDue(folder: string, done: ReadonlySet<string>, what: string): { name: string; sql: string }[] {
  const known = readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort();
  const newer = [...done].filter((name) => !known.includes(name));
  if (newer.length > 0) throw new NewerData(`${what} was written by a newer Hyndle (${newer[0]}). Start the newer version; nothing here was touched.`);
  return known.filter((name) => !done.has(name)).map((name) => ({ name, sql: readFileSync(path.join(folder, name), 'utf8') }));
}
