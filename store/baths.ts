import type { KeptAct } from '@/core/liquor/act';
import type { Plan } from '@/core/plan/plan';
import type { Db } from './db';
import { rowTable } from './rowTable';
import { type RawRun, type RunRow, toRun } from './runs';

export const bathActTable = rowTable<KeptAct>({ name: 'bath_act', key: { id: (row) => row.id }, columns: { liquor_id: (row) => row.liquorId } });

/** Of all kept baths: what is drawn from one goes into another. */
export async function listBathActs(db: Db): Promise<KeptAct[]> {
  return (await db.query<{ body: KeptAct }>('select body from bath_act order by id', [])).rows.map((row) => row.body);
}

export async function loadBathAct(db: Db, id: string): Promise<KeptAct | null> {
  return (await db.query<{ body: KeptAct }>('select body from bath_act where id = $1', [id])).rows[0]?.body ?? null;
}

/** Plans that bring out one of these baths, all versions, and the runs of their sessions. */
export async function plansWithLiquors(db: Db, liquorIds: readonly string[]): Promise<{ plans: Plan[]; runs: RunRow[] }> {
  if (liquorIds.length === 0) return { plans: [], runs: [] };
  const wanted = `select session_id from plan where jsonb_path_query_array(body, '$.steps[*].liquorId') ?| $1::text[]`;
  const plans = await db.query<{ body: Plan }>(`select body from plan where session_id in (${wanted})`, [liquorIds]);
  const runs = await db.query<RawRun>(`select id, session_id, created_at_ms from run where session_id in (${wanted})`, [liquorIds]);
  return {
    plans: plans.rows.map((row) => row.body),
    runs: runs.rows.map(toRun),
  };
}
