import { openStore } from '@/store/openStore';
import type { App } from './app';
import { dataFolder, openDoors } from './doors/openDoors';
import { HotRuns } from './hotRuns';
import { LiveFeed } from './live';

/** Shared by every bundle of the server: the promise is kept, not the value, so that two callers open one store. */
const shared = globalThis as typeof globalThis & { hyndleApp?: Promise<App> };

export const isDemo = process.env.HYNDLE_DEMO === '1';

/** @param fill puts first data into an empty folder before anybody is answered */
export function openApp(fill?: (app: App) => Promise<void>): Promise<App> {
  shared.hyndleApp ??= open(fill);
  return shared.hyndleApp;
}

async function open(fill: ((app: App) => Promise<void>) | undefined): Promise<App> {
  const store = await openStore(dataFolder());
  for (const notice of store.notices) console.warn(`recovery: ${notice}`);
  const app: App = { store, live: new LiveFeed(Date.now(), store.relay), hotRuns: new HotRuns(store.relay !== null), nowMs: Date.now, doors: openDoors() };
  app.doors.listen(() => app.live.publish({ kind: 'changed', what: 'doors', id: 'doors' }));
  await fill?.(app);
  return app;
}

export async function closeApp(): Promise<void> {
  const app = shared.hyndleApp;
  if (app) await (await app).store.close();
}
