import type { Lot } from '@/core/fibre/lot';
import type { Treatment } from '@/core/fibre/passport';
import type { Db } from './db';
import { rowTable } from './rowTable';

export const lotTable = rowTable<Lot>({
  name: 'lot',
  key: { id: (row) => row.id },
  columns: {
    name: (row) => row.name,
    revision: (row) => row.revision,
    retired: (row) => (row.ended ?? null) !== null,
    created_at_ms: (row) => row.createdAtMs,
  },
});

/** Lots at hand, by name; with `ended` also those that were split, joined or put away. */
export async function listLots(db: Db, ended = false): Promise<Lot[]> {
  const { rows } = await db.query<{ body: Lot }>('select body from lot where $1 or not retired order by lower(name), id', [ended]);
  return rows.map((row) => row.body);
}

export async function loadLot(db: Db, id: string): Promise<Lot | null> {
  const { rows } = await db.query<{ body: Lot }>('select body from lot where id = $1', [id]);
  return rows[0]?.body ?? null;
}

export async function loadLots(db: Db, ids: readonly string[]): Promise<Lot[]> {
  const { rows } = await db.query<{ body: Lot }>('select body from lot where id = any($1)', [ids]);
  return rows.map((row) => row.body);
}

export interface PassportEntryRow extends Treatment {
  readonly lotId: string;
}

export const passportEntryTable = rowTable<PassportEntryRow>({
  name: 'passport_entry',
  key: { id: (row) => row.id },
  columns: { lot_id: (row) => row.lotId, at_ms: (row) => row.atMs },
  once: true,
});

export async function loadEntries(db: Db, lotIds: readonly string[]): Promise<PassportEntryRow[]> {
  const { rows } = await db.query<{ body: PassportEntryRow }>('select body from passport_entry where lot_id = any($1)', [lotIds]);
  return rows.map((row) => row.body);
}

/** The lot whose past an entry belongs to; null when there is no such entry. */
export async function lotOfEntry(db: Db, id: string): Promise<string | null> {
  const { rows } = await db.query<{ lot_id: string }>('select lot_id from passport_entry where id = $1', [id]);
  return rows[0]?.lot_id ?? null;
}
