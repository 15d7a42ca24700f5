import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { Journal, type LoadedJournal } from './journal';
import { takeLock } from './lock';
import { compare, expectAll, put, type RowWrite, writesOf } from './tables';

export interface StoreOptions {
  readonly folder: string;
  readonly migrations: string;
  /** A freshly made empty database as a tar file; made when missing. Starting from it is five times faster than anew. */
  readonly template: string | null;
  readonly nowMs: () => number;
}

/** Past this size the journal is compacted at the next start. */
const COMPACT_BYTES = 16 * 1024 * 1024;
const OPEN_TIMEOUT_MS = 60_000;

/**
 * The embedded database with its journal. Every acknowledged write is in the journal, forced to disk; the database is
 * checked against it after anything but a clean stop, and made anew from it when they disagree.
 */
export class Store {
  private queue: Promise<unknown> = Promise.resolve();
  private broken: unknown = null;

  private constructor(
    readonly db: PGlite,
    private readonly journal: Journal<RowWrite>,
    private seq: number,
    /** What was mended at start, in words for the person. */
    readonly notices: readonly string[],
    private readonly options: StoreOptions,
    private readonly unlock: () => void,
  ) {}

  static async open(options: StoreOptions): Promise<Store> {
    mkdirSync(options.folder, { recursive: true });
    const unlock = takeLock(options.folder);
    try {
      const journal = new Journal<RowWrite>(path.join(options.folder, 'journal'));
      const loaded = journal.load();
      const notices = [...loaded.notices];
      const { db, seq } = await openChecked(options, journal, loaded, notices);
      return new Store(db, journal, seq, notices, options, unlock);
    } catch (error) {
      unlock();
      throw error;
    }
  }

  get lastSeq(): number {
    return this.seq;
  }

  /** Runs one use case at a time, so that what it read still holds when it writes. */
  exclusive<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }

  /**
   * Writes rows as one act: all or none, in the journal and forced to disk before this resolves. Call it inside `exclusive`.
   * @returns false when a single fact that never changes was there already: then nothing was written
   */
  async commit(writes: readonly RowWrite[]): Promise<boolean> {
    if (this.broken) throw new Error('The journal could not be written; restart Hyndle to recover.', { cause: this.broken });
    const [only] = writes;
    if (!only) return true;
    const line = { seq: this.seq + 1, atMs: this.options.nowMs(), writes };
    if (writes.length === 1) {
      // What is in the database is in the journal too: a start adopts whatever a crash left between the two.
      if ((await put(this.db, only)) === false) return false;
      this.force(line);
      return true;
    }
    await this.db.transaction(async (tx) => {
      for (const write of writes) await put(tx, write);
      this.force(line);
    });
    return true;
  }

  async close(): Promise<void> {
    await this.exclusive(async () => {
      await this.db.close();
      this.journal.close();
      if (!this.broken) writeCleanMark(this.options.folder, this.seq);
    });
    this.unlock();
  }

  private force(line: { seq: number; atMs: number; writes: readonly RowWrite[] }): void {
    try {
      this.journal.append(line);
      this.seq = line.seq;
    } catch (error) {
      // Nobody knows how much of the line is on the disk: only a restart can tell.
      this.broken = error;
      throw error;
    }
  }
}

interface Opened {
  readonly db: PGlite;
  readonly seq: number;
}

async function openChecked(options: StoreOptions, journal: Journal<RowWrite>, loaded: LoadedJournal<RowWrite>, notices: string[]): Promise<Opened> {
  const folder = path.join(options.folder, 'pg');
  const isNew = !existsSync(folder);
  const clean = !isNew && takeCleanMark(options.folder, loaded.lastSeq);
  let { lastSeq: seq } = loaded;
  if (clean) {
    const db = await tryOpen(folder, options, notices);
    if (db) {
      if (loaded.bytes > COMPACT_BYTES) journal.compact(seq, options.nowMs(), writesOf(expectAll(loaded.lines.flatMap((line) => line.writes))));
      return { db, seq };
    }
    return { db: await rebuild(folder, options, loaded, notices), seq };
  }
  const expected = expectAll(loaded.lines.flatMap((line) => line.writes));
  if (isNew) {
    if (loaded.lines.length > 0) notices.push('The database folder was missing.');
    return { db: loaded.lines.length > 0 ? await rebuild(folder, options, loaded, notices) : await create(folder, options), seq };
  }
  const db = await tryOpen(folder, options, notices);
  if (!db) return { db: await rebuild(folder, options, loaded, notices), seq };
  try {
    const difference = await compare(db, expected);
    const lastLine = new Set(loaded.lines.at(-1)?.writes.map((write) => write.table));
    const isCrashTail =
      difference.changed === 0 &&
      difference.missing.length <= (loaded.lines.at(-1)?.writes.length ?? 0) &&
      difference.missing.every((write) => lastLine.has(write.table));
    if (!isCrashTail) {
      notices.push(`The database did not agree with the journal (${difference.missing.length} rows missing, ${difference.changed} changed).`);
      await db.close();
      return { db: await rebuild(folder, options, loaded, notices), seq };
    }
    for (const write of difference.missing) await put(db, write);
    if (difference.missing.length > 0) notices.push(`${difference.missing.length} rows of the last act were brought back from the journal.`);
    if (difference.extra.length > 0) {
      // Stored, but the process died before saying so: keep them, and let the journal know them too.
      seq += 1;
      journal.append({ seq, atMs: options.nowMs(), writes: difference.extra });
    }
    return { db, seq };
  } catch (error) {
    notices.push(`The database could not be read (${String(error).slice(0, 120)}).`);
    await db.close().catch(() => undefined);
    return { db: await rebuild(folder, options, loaded, notices), seq };
  }
}

async function tryOpen(folder: string, options: StoreOptions, notices: string[]): Promise<PGlite | null> {
  try {
    const db = await withTimeout(PGlite.create(folder));
    await migrate(db, options.migrations);
    return db;
  } catch (error) {
    notices.push(`The database could not be opened (${String(error).slice(0, 120)}).`);
    return null;
  }
}

/** A new database filled from the journal; the broken one is kept beside it until the next time. */
async function rebuild(folder: string, options: StoreOptions, loaded: LoadedJournal<RowWrite>, notices: string[]): Promise<PGlite> {
  if (existsSync(folder)) {
    rmSync(`${folder}.broken`, { recursive: true, force: true });
    renameSync(folder, `${folder}.broken`);
  }
  const db = await create(folder, options);
  let rows = 0;
  await db.transaction(async (tx) => {
    for (const write of writesOf(expectAll(loaded.lines.flatMap((line) => line.writes)))) {
      await put(tx, write);
      rows++;
    }
  });
  notices.push(`It was made anew from the journal: ${rows} rows from ${loaded.lastSeq} acts. Nothing acknowledged was lost.`);
  return db;
}

async function create(folder: string, options: StoreOptions): Promise<PGlite> {
  const { template } = options;
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
  await migrate(db, options.migrations);
  return db;
}

async function saveTemplate(db: PGlite, template: string): Promise<void> {
  mkdirSync(path.dirname(template), { recursive: true });
  const part = `${template}.${process.pid}.part`;
  await writeFile(part, Buffer.from(await (await db.dumpDataDir('none')).arrayBuffer()));
  renameSync(part, template);
}

async function migrate(db: PGlite, folder: string): Promise<void> {
  await db.exec('create table if not exists migration (name text primary key)');
  const done = new Set((await db.query<{ name: string }>('select name from migration')).rows.map((row) => row.name));
  for (const name of readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort()) {
    if (done.has(name)) continue;
    await db.transaction(async (tx) => {
      await tx.exec(readFileSync(path.join(folder, name), 'utf8'));
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
  }
}

function withTimeout<T>(work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('no answer for a minute')), OPEN_TIMEOUT_MS);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

/** Sizes of all database files at a clean stop: any difference at the next start means somebody or something wrote there. */
const fileSizes = (folder: string): Record<string, number> =>
  Object.fromEntries(
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => {
        const full = path.join(entry.parentPath, entry.name);
        return [path.relative(folder, full), statSync(full).size];
      })
      .sort(([a], [b]) => (String(a) < String(b) ? -1 : 1)),
  );

const cleanFile = (folder: string): string => path.join(folder, 'clean.json');

function writeCleanMark(folder: string, seq: number): void {
  writeFileSync(cleanFile(folder), JSON.stringify({ seq, files: fileSizes(path.join(folder, 'pg')) }), { flush: true });
}

/** Reads the mark and takes it away, since from now on the folder is in use. */
function takeCleanMark(folder: string, lastSeq: number): boolean {
  try {
    const mark = JSON.parse(readFileSync(cleanFile(folder), 'utf8')) as { seq: number; files: Record<string, number> };
    rmSync(cleanFile(folder));
    return mark.seq === lastSeq && JSON.stringify(mark.files) === JSON.stringify(fileSizes(path.join(folder, 'pg')));
  } catch {
    rmSync(cleanFile(folder), { force: true });
    return false;
  }
}
