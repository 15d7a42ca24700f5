import { cpSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { STEPS_TABLE, stepsDue, stepsMark } from './migrations';
import { NewerData } from './upcasts';

interface DatabaseOptions {
  readonly migrations: string;
  /** The folder where empty databases lie ready to be copied. */
  readonly template: string | null;
}

const OPEN_TIMEOUT_MS = 60_000;
/** Another word when empty databases are made in another way: those that lie ready are then made anew. */
const MADE_AS = 'alone';

/** Opens the embedded database and brings its tables up to date. @returns null when it cannot be opened. @throws NewerData */
export async function openDatabase(folder: string, { migrations }: DatabaseOptions): Promise<PGlite | null> {
  try {
    const db = await withTimeout(PGlite.create(folder));
    await migrate(db, migrations);
    return db;
  } catch (error) {
    if (error instanceof NewerData) throw error;
    return null;
  }
}

/** A new, empty database: a copy of the one that lies ready, since making one from nothing takes seconds. */
export async function createDatabase(folder: string, { migrations, template }: DatabaseOptions): Promise<PGlite> {
  const ready = template && path.join(template, `${stepsMark(migrations)}-${MADE_AS}`);
  if (ready && existsSync(ready)) {
    cpSync(ready, folder, { recursive: true });
    const copy = await openDatabase(folder, { migrations, template });
    if (copy) return copy;
    // A damaged one is thrown away and made again.
    rmSync(folder, { recursive: true, force: true });
    rmSync(ready, { recursive: true, force: true });
  }
  const db = await PGlite.create(folder);
  await dropPatterns(db);
  await migrate(db, migrations);
  if (!ready) return db;
  await db.close();
  try {
    layReady(folder, ready);
  } catch {
    // Nowhere to keep it: the next one is made from nothing as well.
  }
  return PGlite.create(folder);
}

/**
 * Leaves out the two databases that others would be copied from: there is one database here, for ever. They are six hundred
 * of its thousand files, each to be copied, forced at a stop and proved at a start.
 */
async function dropPatterns(db: PGlite): Promise<void> {
  await db.exec('update pg_database set datistemplate = false');
  for (const name of ['template0', 'template1']) await db.exec(`drop database ${name}`);
}

/** Keeps a copy of a closed database, and none of those that were made by other steps. */
function layReady(folder: string, ready: string): void {
  const home = path.dirname(ready);
  mkdirSync(home, { recursive: true });
  const part = `${ready}.${process.pid}.part`;
  cpSync(folder, part, { recursive: true });
  try {
    renameSync(part, ready);
  } catch {
    // Another process was quicker; its copy is as good.
    rmSync(part, { recursive: true, force: true });
  }
  for (const other of readdirSync(home)) {
    const name = path.join(home, other);
    if (!name.startsWith(ready)) rmSync(name, { recursive: true, force: true });
  }
}

async function migrate(db: PGlite, folder: string): Promise<void> {
  await db.exec(STEPS_TABLE);
  const done = new Set((await db.query<{ name: string }>('select name from migration')).rows.map((row) => row.name));
  let due: { name: string; sql: string }[];
  try {
    due = stepsDue(folder, done, 'This data folder');
  } catch (error) {
    await db.close();
    throw error;
  }
  for (const { name, sql } of due)
    await db.transaction(async (tx) => {
      await tx.exec(sql);
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
}

function withTimeout<T>(work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('no answer for a minute')), OPEN_TIMEOUT_MS);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}
