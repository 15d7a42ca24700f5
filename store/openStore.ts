import path from 'node:path';
import { thisBoot } from './boot';
import { FolderStore } from './folderStore';
import { ServerStore } from './server/serverStore';
import type { Store } from './store';

/** Where everything is kept: in the folder, or on the PostgreSQL server that `DATABASE_URL` names. */
export function openStore(folder: string): Promise<Store> {
  const migrations = path.resolve('store/migrations');
  const url = process.env.DATABASE_URL;
  return url
    ? ServerStore.open({ url, folder, migrations, nowMs: Date.now })
    : FolderStore.open({ folder, migrations, template: process.env.HYNDLE_TEMPLATE ?? null, nowMs: Date.now, boot: thisBoot(Date.now()) });
}
