import type { Method } from '@/core/method/method';
import { type Db, onceWritten, type Table } from './db';
import { documents } from './documents';

/** Methods of one's own, every version. */
export const methodTable: Table<Method, Method> = {
  name: 'method',
  ...onceWritten((row) => `${row.id}/${row.version}`),
  put: async (db, row) => {
    await db.query(
      `insert into method (id, version, body)
       values ($1, $2, $3)
       on conflict (id, version) do nothing`,
      [row.id, row.version, JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: Method }>('select body from method order by id, version')).rows.map((row) => row.body),
};

export async function loadVersions(db: Db, id: string): Promise<Method[]> {
  const { rows } = await db.query<{ body: Method }>('select body from method where id = $1 order by version', [id]);
  return rows.map((row) => row.body);
}

/** Whether a method is still offered. */
export const methodShelf = documents<{ readonly id: string; readonly revision: number; readonly retired: boolean }>('method_shelf');
