import type { WeighTick } from '@/core/plan/weighTicks';
import type { Db } from './db';
import { rowTable } from './rowTable';

export interface WeighTickRow extends WeighTick {
  readonly sessionId: string;
}

export const weighTickTable = rowTable<WeighTickRow>({
  name: 'weigh_tick',
  key: { id: (row) => row.id },
  columns: { session_id: (row) => row.sessionId },
  once: true,
});

export async function loadTicks(db: Db, sessionId: string): Promise<WeighTickRow[]> {
  const { rows } = await db.query<{ body: WeighTickRow }>('select body from weigh_tick where session_id = $1', [sessionId]);
  return rows.map((row) => row.body);
}
