import { existsSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { keepAside, putAway, settledIn } from './aside';
import { type Checkpoint, forceFiles, readCheckpoint, sumsAgree } from './checkpoint';
import { createDatabase, openDatabase } from './database';
import type { Journal, Place } from './journal';
import { indexJournal, type JournalWrite, lineOf, rowsOf } from './journalIndex';
import { crcOf, isIntact } from './mark';
import { dropOldReadings, OldReadings, oldReadingRows } from './oldReadings';
import type { Readings } from './readings/readings';
import { mend, ROW_KINDS, type RowWrite, tableOf } from './tables';
import { damageKey, pagesOf, tell, type United, unite } from './unite';

export interface StoreOptions {
  readonly folder: string;
  readonly migrations: string;
  /** A freshly made empty database as a tar file; made when missing. Starting from it is five times faster than anew. */
  readonly template: string | null;
  readonly nowMs: () => number;
  /** For how long something took, whatever the clock does; the process's own when left out. */
  readonly elapsedMs?: () => number;
  /** The boot of the machine; null where the system does not say. What was not forced survives a killed process, but no new boot. */
  readonly boot: string | null;
}

export interface Opened {
  readonly db: PGlite;
  readonly seq: number;
  /** When the last act was written, as far as it is known. */
  readonly lastAtMs: number | null;
  readonly isChecked: boolean;
}

/** Puts rows that the journal lacks into it, as an act of now. @returns the number of the act */
export async function learnInto(db: PGlite, journal: Journal<JournalWrite>, lastSeq: number, writes: readonly RowWrite[], atMs: number): Promise<number> {
  const seq = lastSeq + 1;
  await db.transaction(async (tx) => {
    for (const write of writes) await mend(tx, write, seq);
    journal.append(lineOf(seq, atMs, writes));
  });
  return seq;
}

/** Opens what is in the folder, as far as it can be believed, and makes one of both copies where it cannot. @throws NewerData */
export async function opened(options: StoreOptions, journal: Journal<JournalWrite>, readings: Readings, notices: string[]): Promise<Opened> {
  const pg = path.join(options.folder, 'pg');
  const kept = readCheckpoint(options.folder);
  if (!existsSync(pg) && journal.isEmpty()) return { db: await createDatabase(pg, options), seq: 0, lastAtMs: null, isChecked: true };
  if (kept && existsSync(pg) && kept.boot !== null) {
    const quick = kept.files
      ? await afterStop(options, journal, kept, kept.files)
      : kept.boot === options.boot
        ? await afterKill(options, journal, kept, notices)
        : null;
    if (quick) return quick;
    if (kept.files) notices.push('The data folder is not as Hyndle left it. Everything was compared.');
  }
  return whole(options, journal, readings, kept, notices);
}

/** After a clean stop: everything is as it was proved to be then, and nothing came since. */
async function afterStop(
  options: StoreOptions,
  journal: Journal<JournalWrite>,
  kept: Checkpoint,
  files: Readonly<Record<string, number>>,
): Promise<Opened | null> {
  const pg = path.join(options.folder, 'pg');
  const end = journal.end();
  if (end?.file !== kept.place?.file || end?.offset !== kept.place?.offset || !sumsAgree(pg, files)) return null;
  const db = await openDatabase(pg, options);
  return db && { db, seq: kept.seq, lastAtMs: kept.atMs ?? null, isChecked: false };
}

/** After a kill on the same boot: what the process wrote is there; only the acts since the checkpoint are compared. */
async function afterKill(options: StoreOptions, journal: Journal<JournalWrite>, kept: Checkpoint, notices: string[]): Promise<Opened | null> {
  let lastSeq = kept.seq;
  let lastAtMs = kept.atMs ?? null;
  const tail: RowWrite[][] = [];
  let torn: Place | null = null;
  try {
    for (const item of journal.read(kept.place)) {
      if (item.kind === 'torn') torn = item.at;
      else if (item.kind === 'damaged' || item.line.seq !== lastSeq + 1) return null;
      else {
        lastSeq = item.line.seq;
        lastAtMs = item.line.atMs;
        tail.push(rowsOf(item.line.writes) as RowWrite[]);
      }
    }
  } catch {
    return null;
  }
  const db = await openDatabase(path.join(options.folder, 'pg'), options);
  if (!db) return null;
  try {
    if (torn) journal.cut(torn);
    let brought = 0;
    for (const [i, writes] of tail.entries()) {
      const seq = kept.seq + 1 + i;
      for (const write of writes) {
        const had = await tableOf(write.table).find(db, write.row);
        const stays = had && (tableOf(write.table).once || had.mark.seq > seq || (had.mark.seq === seq && had.mark.crc === crcOf(write.row)));
        if (stays && isIntact(had)) continue;
        await mend(db, write, seq);
        brought++;
      }
    }
    if (brought > 0) notices.push(`${brought} ${brought === 1 ? 'row' : 'rows'} of the last acts came from the journal.`);
    for (const table of ROW_KINDS) {
      const more = (await tableOf(table).since(db, lastSeq)).filter(isIntact);
      if (more.length > 0)
        lastSeq = await learnInto(
          db,
          journal,
          lastSeq,
          more.map(({ row }) => ({ table, row }) as RowWrite),
          options.nowMs(),
        );
    }
    return { db, seq: lastSeq, lastAtMs, isChecked: false };
  } catch {
    await db.close().catch(() => undefined);
    return null;
  }
}

/** On any doubt: both copies are read as a whole and made one. */
async function whole(options: StoreOptions, journal: Journal<JournalWrite>, readings: Readings, kept: Checkpoint | null, notices: string[]): Promise<Opened> {
  const pg = path.join(options.folder, 'pg');
  const old = new OldReadings(options.folder, readings);
  const index = await indexJournal(journal, (write) => old.take(write));
  if (index.torn) journal.cut(index.torn);
  // Files that nobody has proved may be torn anywhere, also where a table looks whole: then the database is made anew of what can be read.
  const isProved = kept?.files != null && sumsAgree(pg, kept.files);
  const had = existsSync(pg) ? await openDatabase(pg, options) : null;
  if (!existsSync(pg)) notices.push('The database was missing.');
  else if (!had) notices.push('The database could not be opened.');
  let seq = Math.max(index.lastSeq, kept?.seq ?? 0);
  const settled = settledIn(options.folder);
  const run = (target: PGlite, source: PGlite | null, isNew: boolean): Promise<United> =>
    unite({
      target,
      pages: (table) => (source === null ? nothing() : isNew ? asFarAsItGoes(pagesOf(source, table)) : pagesOf(source, table)),
      isNew,
      journal,
      index,
      learn: async (news) => {
        seq = await learnInto(
          target,
          journal,
          seq,
          news.map(({ write }) => write),
          options.nowMs(),
        );
        return news.length;
      },
      together: (work) => target.transaction((tx) => work(tx)),
      upTo: null,
      settled,
    });
  let db = had;
  let united: United | null = null;
  if (had) {
    try {
      for (const row of await oldReadingRows(had)) old.take({ table: 'probe_minute', row });
      if (isProved) united = await run(had, had, false);
    } catch {
      notices.push('The database could not be read to its end.');
    }
  }
  if (!united) {
    // What can still be read of the damaged one counts; it is kept.
    const fresh = `${pg}.new`;
    rmSync(fresh, { recursive: true, force: true });
    const made = await createDatabase(fresh, options);
    united = await run(made, had, true);
    await made.close();
    await had?.close().catch(() => undefined);
    forceFiles(fresh);
    if (existsSync(pg)) putAway(options.folder, pg, options.nowMs());
    renameSync(fresh, pg);
    db = await openDatabase(pg, options);
    if (!db) throw new Error(`The database in ${pg} was just made anew and cannot be opened.`);
  }
  old.done();
  if (db) await dropOldReadings(db);
  const lastThere = Math.max(index.lastSeq, united.lastProved);
  if (kept && kept.seq > lastThere)
    notices.push(
      `The last stop was after act ${kept.seq}, and act ${lastThere} is the last that is here. Were journal and database put back from a copy? What came after it is in neither.`,
    );
  for (const text of tell(united)) notices.push(text);
  keepAside(options.folder, united, index.damages.map(damageKey));
  if (!db) throw new Error('no database');
  return { db, seq, lastAtMs: kept?.atMs ?? null, isChecked: true };
}

/** A page that cannot be read ends what a table still has to say. */
async function* asFarAsItGoes<T>(pages: AsyncIterable<T>): AsyncGenerator<T> {
  try {
    yield* pages;
  } catch {
    // The journal says the rest.
  }
}

async function* nothing(): AsyncGenerator<never> {}
