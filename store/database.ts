import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { STEPS_TABLE, stepsDue } from './migrations';
import { NewerData } from './upcasts';

interface DatabaseOptions {
  readonly migrations: string;
  readonly template: string | null;
}

const OPEN_TIMEOUT_MS = 60_000;

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

/** A new, empty database. */
export async function createDatabase(folder: string, { migrations, template }: DatabaseOptions): Promise<PGlite> {
  let db: PGlite | null = null;
  if (template && existsSync(template)) {
    try {
      db = await withTimeout(PGlite.create({ dataDir: folder, loadDataDir: new Blob([await readFile(template)]) }));
    } catch {
      // A damaged or older template is thrown away and made again.
      rmSync(folder, { recursive: true, force: true });
      rmSync(template, { force: true });
    }
  }
  if (!db) {
    db = await PGlite.create(folder);
    if (template) await saveTemplate(db, template);
  }
  await migrate(db, migrations);
  return db;
}

async function saveTemplate(db: PGlite, template: string): Promise<void> {
  mkdirSync(path.dirname(template), { recursive: true });
  const part = `${template}.${process.pid}.part`;
  await writeFile(part, Buffer.from(await (await db.dumpDataDir('none')).arrayBuffer()));
  renameSync(part, template);
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
