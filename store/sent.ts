import type { Db } from './db';
import { rowTable } from './rowTable';

/** What was asked for under an id: where, and the checksum of it. */
export interface SentRow {
  readonly id: string;
  readonly path: string;
  readonly sum: number;
}

export const sentTable = rowTable<SentRow>({ name: 'sent', key: { id: (row) => row.id }, once: true });

export async function loadSent(db: Db, id: string): Promise<SentRow | null> {
  const { rows } = await db.query<{ body: SentRow }>('select body from sent where id = $1', [id]);
  return rows[0]?.body ?? null;
}
