import type { Home } from '@/core/kitchen/home';
import type { Db } from './db';
import { rowTable } from './rowTable';

export const homeTable = rowTable<Home>({ name: 'home', key: { id: () => 'home' } });

export async function loadHome(db: Db): Promise<Home | null> {
  const [home] = await homeTable.all(db);
  return home ?? null;
}
