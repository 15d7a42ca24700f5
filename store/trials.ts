import type { Trial } from '@/core/trial/trial';
import type { Db } from './db';
import { rowTable } from './rowTable';

export const trialTable = rowTable<Trial>({ name: 'trial', key: { id: (row) => row.id } });

/** The newest first. */
export async function listTrials(db: Db): Promise<Trial[]> {
  const { rows } = await db.query<{ body: Trial }>("select body from trial order by (body ->> 'createdAtMs')::bigint desc, id");
  return rows.map((row) => row.body);
}

/** Trials that a lot is a piece of. */
export async function trialsOfLot(db: Db, lotId: string): Promise<Trial[]> {
  const { rows } = await db.query<{ body: Trial }>("select body from trial where body -> 'pieces' @> $1::jsonb order by id", [JSON.stringify([{ lotId }])]);
  return rows.map((row) => row.body);
}

export async function loadTrial(db: Db, id: string): Promise<Trial | null> {
  return (await db.query<{ body: Trial }>('select body from trial where id = $1', [id])).rows[0]?.body ?? null;
}
