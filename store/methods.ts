import type { Method } from '@/core/method/method';
import type { Db } from './db';
import { documents } from './documents';
import { rowTable } from './rowTable';

/** Methods of one's own, every version. */
export const methodTable = rowTable<Method>({ name: 'method', key: { id: (row) => row.id, version: (row) => row.version }, once: true });

export async function loadVersions(db: Db, id: string): Promise<Method[]> {
  const { rows } = await db.query<{ body: Method }>('select body from method where id = $1 order by version', [id]);
  return rows.map((row) => row.body);
}

/** Whether a method is still offered. */
export const methodShelf = documents<{ readonly id: string; readonly revision: number; readonly retired: boolean }>('method_shelf');
