import type { Journal, JournalLine, Place } from './journal';
import { crcOf } from './mark';
import { isRowKind, type RowKind, type RowWrite, tableOf } from './tables';
import { shapeOf, upcast } from './upcasts';

/** A write as a line of the journal holds it; rows from before there were shapes have none. */
export interface JournalWrite {
  readonly table: string;
  readonly row: unknown;
  readonly shape?: number;
}

/** The newest intact version of a row that the journal has. */
export interface Newest {
  readonly seq: number;
  readonly crc: number;
  readonly shape: number;
  readonly at: Place;
  /** Which write of its line. */
  readonly index: number;
}

export interface Damage {
  readonly text: string;
  readonly at: Place;
  /** The act it was, as its neighbours say; null in a snapshot, or where several are missing together. */
  readonly seq: number | null;
  /** When the act before it was written. */
  readonly afterMs: number | null;
}

export interface JournalIndex {
  readonly newest: Map<string, Newest>;
  readonly damages: readonly Damage[];
  /** Acts that should be there and are not, damaged ones included. */
  readonly missing: ReadonlySet<number>;
  readonly lastSeq: number;
  readonly torn: Place | null;
  /** Rows of kinds that are no rows of the database any more, such as readings, are handed on as they come. */
  readonly others: number;
}

/** Lines looked at between two pauses. */
const BREATH = 500;
/** More missing acts than this are told as a stretch, not one by one. */
const MOST_MISSING = 10_000;

/** An act as the journal holds it. */
export const lineOf = (seq: number, atMs: number, writes: readonly RowWrite[]): JournalLine<JournalWrite> => ({
  seq,
  atMs,
  writes: writes.map(({ table, row }) => ({ table, shape: shapeOf(table), row })),
});

export const rowKey = (table: RowKind, row: unknown): string => `${table} ${tableOf(table).keyOf(row)}`;

/** The rows of a line as this version writes them. @throws NewerData */
export function rowsOf(writes: readonly JournalWrite[]): { table: RowKind; row: unknown; index: number }[] {
  return writes.flatMap(({ table, row, shape }, index) => (isRowKind(table) ? [{ table, row: upcast(table, row, shape), index }] : []));
}

/**
 * Reads the journal once and notes where the newest version of each row stands, without keeping the rows.
 * @param onOther takes what is no row of the database, such as the readings that older versions kept in the journal
 * @param pause called now and then; a running server answers others meanwhile
 */
export async function indexJournal(
  journal: Journal<JournalWrite>,
  onOther: (write: JournalWrite, seq: number) => void,
  pause: () => Promise<void> = async () => undefined,
): Promise<JournalIndex> {
  const newest = new Map<string, Newest>();
  const damages: Damage[] = [];
  const missing = new Set<number>();
  let lastSeq = 0;
  let snapshotSeq = 0;
  let afterMs: number | null = null;
  let torn: Place | null = null;
  let others = 0;
  let count = 0;
  /** Damaged lines since the last whole one, whose acts the next one tells. */
  let open: Damage[] = [];
  for (const item of journal.read()) {
    if (++count % BREATH === 0) await pause();
    if (item.kind === 'torn') {
      torn = item.at;
      continue;
    }
    if (item.kind === 'damaged') {
      const damage = { text: item.text, at: item.at, seq: null, afterMs };
      if (item.isSnapshot) damages.push(damage);
      else open.push(damage);
      continue;
    }
    const { line, at, isSnapshot } = item;
    if (isSnapshot) snapshotSeq = Math.max(snapshotSeq, line.seq);
    else {
      const before = Math.max(lastSeq, lastSeq === 0 ? line.seq - 1 - open.length : 0);
      const gap = line.seq - before - 1;
      for (let seq = before + 1; seq < line.seq && missing.size < MOST_MISSING; seq++) missing.add(seq);
      for (const [i, damage] of open.entries()) damages.push({ ...damage, seq: gap === open.length ? before + 1 + i : null });
      open = [];
      lastSeq = Math.max(lastSeq, line.seq);
      afterMs = line.atMs;
    }
    line.writes.forEach((write, index) => {
      if (!isRowKind(write.table)) {
        others++;
        onOther(write, line.seq);
        return;
      }
      const row = upcast(write.table, write.row, write.shape);
      const key = rowKey(write.table, row);
      const had = newest.get(key);
      const stays = had && (tableOf(write.table).once ? had.seq <= line.seq : had.seq > line.seq);
      if (!stays) newest.set(key, { seq: line.seq, crc: crcOf(row), shape: shapeOf(write.table), at, index });
    });
  }
  for (const [i, damage] of open.entries()) damages.push({ ...damage, seq: lastSeq + 1 + i });
  for (let i = 1; i <= open.length; i++) missing.add(lastSeq + i);
  // What a snapshot holds is not missing.
  for (const seq of missing) if (seq <= snapshotSeq) missing.delete(seq);
  return { newest, damages, missing, lastSeq: Math.max(lastSeq + open.length, snapshotSeq), torn, others };
}
