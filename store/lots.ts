import type { Lot } from '@/core/fibre/lot';
import type { Treatment } from '@/core/fibre/passport';
import { type Db, onceWritten, type Table, wholeRows } from './db';

export const lotTable: Table<Lot, Lot> = {
  name: 'lot',
  ...wholeRows((row) => row.id),
  put: async (db, row) => {
    await db.query(
      `insert into lot (id, name, revision, retired, created_at_ms, body)
       values ($1, $2, $3, $4, $5, $6)
       on conflict (id) do update
       set name = excluded.name, revision = excluded.revision, retired = excluded.retired, body = excluded.body`,
      [row.id, row.name, row.revision, (row.ended ?? null) !== null, row.createdAtMs, JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: Lot }>('select body from lot order by id')).rows.map((row) => row.body),
};

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

export const passportEntryTable: Table<PassportEntryRow, PassportEntryRow> = {
  name: 'passport_entry',
  ...onceWritten((row) => row.id),
  put: async (db, row) => {
    await db.query(
      `insert into passport_entry (id, lot_id, at_ms, body)
       values ($1, $2, $3, $4)
       on conflict (id) do nothing`,
      [row.id, row.lotId, row.atMs, JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: PassportEntryRow }>('select body from passport_entry order by id')).rows.map((row) => row.body),
};

export async function loadEntries(db: Db, lotIds: readonly string[]): Promise<PassportEntryRow[]> {
  const { rows } = await db.query<{ body: PassportEntryRow }>('select body from passport_entry where lot_id = any($1)', [lotIds]);
  return rows.map((row) => row.body);
}

/** The lot whose past an entry belongs to; null when there is no such entry. */
export async function lotOfEntry(db: Db, id: string): Promise<string | null> {
  const { rows } = await db.query<{ lot_id: string }>('select lot_id from passport_entry where id = $1', [id]);
  return rows[0]?.lot_id ?? null;
}
