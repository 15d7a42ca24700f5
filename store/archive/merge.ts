import { isDeepStrictEqual } from 'node:util';
import type { Merged, MergedKind } from '@/core/archive/merged';
import type { Db } from '../db';
import type { Store } from '../store';
import { type RowWrite, tableOf, wordsOf } from '../tables';
import type { Archive } from './read';

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

async function look(db: Db, archive: Archive): Promise<{ kinds: Record<string, Count>; stays: string[]; due: RowWrite[] }> {
  const kinds: Record<string, Count> = {};
  const stays: string[] = [];
  const due: RowWrite[] = [];
  for (const write of archive.rows) {
    const count = kinds[write.table] ?? { added: 0, same: 0, newer: 0, older: 0, different: 0 };
    kinds[write.table] = count;
    const verdict = verdictOf((await tableOf(write.table).find(db, write.row))?.row ?? null, write.row);
    count[verdict]++;
    if (verdict === 'added' || verdict === 'newer') due.push(write);
    if (verdict === 'different' && stays.length < MOST_TOLD) stays.push(wordsOf(write.table, write.row));
  }
  return { kinds, stays, due };
}

function newReadings(store: Store, archive: Archive): Map<string, (readonly [number, number])[]> {
  const out = new Map<string, (readonly [number, number])[]>();
  for (const [probeId, points] of archive.readings) {
    if (points.length === 0) continue;
    let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const [atMs] of points) [least, most] = [Math.min(least, atMs), Math.max(most, atMs)];
    const here = new Set(store.readings.between(probeId, least, most).map(({ atMs }) => atMs));
    out.set(
      probeId,
      points.filter(([atMs]) => !here.has(atMs)),
    );
  }
  return out;
}

/** What taking it in would do. */
export function previewMerge(store: Store, archive: Archive): Promise<Merged> {
  return store.exclusive(async () => {
    const { kinds, stays } = await look(store.db, archive);
    return { madeAtMs: archive.madeAtMs, kinds, stays, readings: [...newReadings(store, archive).values()].reduce((sum, points) => sum + points.length, 0) };
  });
}

/** Takes it in by id, without doubling anything; taken in twice it changes nothing the second time. */
export function merge(store: Store, archive: Archive): Promise<Merged> {
  return store.exclusive(async () => {
    const { kinds, stays, due } = await look(store.db, archive);
    // Before any row that may name them.
    for (const bytes of archive.blobs.values()) await store.keepBlob(bytes);
    // One act: all of it, or nothing.
    await store.commit(due);
    let readings = 0;
    for (const [probeId, points] of newReadings(store, archive)) {
      await store.appendReadings(probeId, points);
      readings += points.length;
    }
    return { madeAtMs: archive.madeAtMs, kinds, stays, readings };
  });
}
