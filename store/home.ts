import type { Home } from '@/core/kitchen/home';
import { type Db, type Table, wholeRows } from './db';

export const homeTable: Table<Home, Home> = {
  name: 'home',
  ...wholeRows(() => 'home'),
  put: async (db, row) => {
    await db.query(
      `insert into home (id, body)
       values ('home', $1)
       on conflict (id) do update set body = excluded.body`,
      [JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: Home }>('select body from home')).rows.map((row) => row.body),
};

export async function loadHome(db: Db): Promise<Home | null> {
  const [home] = await homeTable.all(db);
  return home ?? null;
}
