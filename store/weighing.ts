import type { WeighTick } from '@/core/plan/weighTicks';
import { type Db, onceWritten, type Table } from './db';

export interface WeighTickRow extends WeighTick {
  readonly sessionId: string;
}

export const weighTickTable: Table<WeighTickRow, WeighTickRow> = {
  name: 'weigh_tick',
  ...onceWritten((row) => row.id),
  put: async (db, row) => {
    const { rows } = await db.query(
      `insert into weigh_tick (id, session_id, body)
       values ($1, $2, $3)
       on conflict (id) do nothing
       returning id`,
      [row.id, row.sessionId, JSON.stringify(row)],
    );
    return rows.length === 1;
  },
  all: async (db) => (await db.query<{ body: WeighTickRow }>('select body from weigh_tick order by id')).rows.map((row) => row.body),
};

export async function loadTicks(db: Db, sessionId: string): Promise<WeighTickRow[]> {
  const { rows } = await db.query<{ body: WeighTickRow }>('select body from weigh_tick where session_id = $1', [sessionId]);
  return rows.map((row) => row.body);
}
