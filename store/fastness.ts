import type { FastnessTest } from '@/core/fastness/fastness';
import type { Db } from './db';
import { rowTable } from './rowTable';

export const fastnessTable = rowTable<FastnessTest>({ name: 'fastness_test', key: { id: (row) => row.id }, columns: { lot_id: (row) => row.lotId } });

/** Of one lot, or all, the oldest first. */
export async function listFastness(db: Db, lotId: string | null): Promise<FastnessTest[]> {
  const { rows } = await db.query<{ body: FastnessTest }>(
    "select body from fastness_test where $1::text is null or lot_id = $1 order by (body ->> 'beganAtMs')::bigint, id",
    [lotId],
  );
  return rows.map((row) => row.body);
}

export async function loadFastness(db: Db, id: string): Promise<FastnessTest | null> {
  return (await db.query<{ body: FastnessTest }>('select body from fastness_test where id = $1', [id])).rows[0]?.body ?? null;
}
