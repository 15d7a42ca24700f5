import { isDeepStrictEqual } from 'node:util';
import type { Merged, MergedKind } from '@/core/archive/merged';
import type { Db } from '../db';
import type { Store } from '../store';
import { type RowKind, type RowWrite, tableOf, wordsOf } from '../tables';
import type { Archive, Points } from './read';

type Count = { -readonly [K in keyof MergedKind]: number };

const MOST_TOLD = 20;

const revisionOf = (row: unknown): number | null => {
  const { revision } = row as { revision?: unknown };
  return typeof revision === 'number' ? revision : null;
};

function verdictOf(here: unknown, theirs: unknown): keyof MergedKind {
  if (here === null) return 'added';
  if (isDeepStrictEqual(plain(here), plain(theirs))) return 'same';
  const [mine, other] = [revisionOf(here), revisionOf(theirs)];
  if (mine === null || other === null || mine === other) return 'different';
  return other > mine ? 'newer' : 'older';
}

const plain = (row: unknown): unknown => JSON.parse(JSON.stringify(row));

/** Rows that are asked for at once. */
const ROWS_AT_ONCE = 500;

async function look(db: Db, archive: Archive): Promise<{ kinds: Record<string, Count>; stays: string[]; due: RowWrite[] }> {
  const kinds: Record<string, Count> = {};
  const stays: string[] = [];
  const due: RowWrite[] = [];
  for (const writes of groupsOf(archive.rows)) {
    const table = tableOf(writes[0]?.table as RowKind);
    const here = await table.findAll(
      db,
      writes.map(({ row }) => row),
    );
    for (const write of writes) {
      const count = kinds[write.table] ?? { added: 0, same: 0, newer: 0, older: 0, different: 0 };
      kinds[write.table] = count;
      const verdict = verdictOf(here.get(table.keyOf(write.row))?.row ?? null, write.row);
      count[verdict]++;
      if (verdict === 'added' || verdict === 'newer') due.push(write);
      if (verdict === 'different' && stays.length < MOST_TOLD) stays.push(wordsOf(write.table, write.row));
    }
  }
  return { kinds, stays, due };
}

/** Rows of one kind that stand together, so many at a time. */
function* groupsOf(rows: readonly RowWrite[]): Generator<readonly RowWrite[]> {
  let group: RowWrite[] = [];
  for (const row of rows) {
    if (group.length === ROWS_AT_ONCE || (group[0] && group[0].table !== row.table)) {
      yield group;
      group = [];
    }
    group.push(row);
  }
  if (group.length > 0) yield group;
}

/** Readings that are not here yet, some thousand at a time. */
async function* newReadings(store: Store, archive: Archive): AsyncGenerator<readonly [probeId: string, points: Points]> {
  for (const probeId of archive.probes)
    for await (const points of archive.readings(probeId)) {
      if (points.length === 0) continue;
      let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
      for (const [atMs] of points) [least, most] = [Math.min(least, atMs), Math.max(most, atMs)];
      const here = new Set(store.readings.between(probeId, least, most).map(({ atMs }) => atMs));
      yield [probeId, points.filter(([atMs]) => !here.has(atMs))];
    }
}

/** What taking it in would do. */
export function previewMerge(store: Store, archive: Archive): Promise<Merged> {
  return store.exclusive(async () => {
    const { kinds, stays } = await look(store.db, archive);
    let readings = 0;
    for await (const [, points] of newReadings(store, archive)) readings += points.length;
    return { madeAtMs: archive.madeAtMs, kinds, stays, readings };
  });
}

/** Takes it in by id, without doubling anything; taken in twice it changes nothing the second time. */
export function merge(store: Store, archive: Archive): Promise<Merged> {
  return store.exclusive(async () => {
    const { kinds, stays, due } = await look(store.db, archive);
    // Before any row that may name them.
    for (const hash of archive.blobs) await store.keepBlob(await archive.blob(hash));
    // One act: all of it, or nothing.
    await store.commit(due);
    let readings = 0;
    for await (const [probeId, points] of newReadings(store, archive)) {
      if (points.length > 0) await store.appendReadings(probeId, points);
      readings += points.length;
    }
    return { madeAtMs: archive.madeAtMs, kinds, stays, readings };
  });
}
