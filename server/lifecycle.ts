import { FolderInUse } from '@/store/lock';
import type { App } from './app';
import { closeApp, isDemo, openApp } from './openApp';

const CLOSE_TIMEOUT_MS = 5000;

export interface Guests {
  readonly seedDemo: (app: App) => Promise<void>;
  readonly runDevices: (app: App, baseUrl: string) => void;
}

/** Opens the store before the first request, starts the stand-in devices, and stops cleanly when told to. */
export async function startServer({ seedDemo, runDevices }: Guests): Promise<void> {
  let stopping = false;
  const stop = async (code: number): Promise<void> => {
    if (stopping) return;
    stopping = true;
    await Promise.race([closeApp().catch((error) => console.error(error)), new Promise((resolve) => setTimeout(resolve, CLOSE_TIMEOUT_MS))]);
    process.exit(code);
  };
  process.on('SIGTERM', () => void stop(0));
  process.on('SIGINT', () => void stop(0));
  watchParent(() => void stop(0));
  try {
    const app = await openApp(isDemo ? seedDemo : undefined);
    const port = process.env.PORT;
    if (port) runDevices(app, `http://127.0.0.1:${port}`);
  } catch (error) {
    console.error(error instanceof FolderInUse ? error.message : error);
    process.exit(1);
  }
}

/** The start script may be killed without a chance to tell: then nobody would ever stop this process. */
function watchParent(onGone: () => void): void {
  if (!process.env.HYNDLE_WATCH_PARENT) return;
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) onGone();
  }, 1000).unref();
}
