import { FolderInUse } from '@/store/lock';
import { isNotStored } from '@/store/store';
import { diskTrouble } from '@/store/trouble';
import { NewerData } from '@/store/upcasts';
import type { App } from './app';
import { bridgeSettings, startBridge } from './bridge/bridge';
import { NoGate, openFront, openGate } from './doors/openDoors';
import { closeApp, isDemo, openApp } from './openApp';
import { keepUp } from './upkeep';

const CLOSE_TIMEOUT_MS = 5000;

export interface Guests {
  readonly seedDemo: (app: App) => Promise<void>;
  readonly runDevices: (app: App, baseUrl: string) => void;
}

/** Opens the store before the first request, starts the stand-in devices, and stops cleanly when told to. */
export async function startServer({ seedDemo, runDevices }: Guests): Promise<void> {
  let stopping = false;
  let endBridge = async (): Promise<void> => undefined;
  const stop = async (code: number): Promise<void> => {
    if (stopping) return;
    stopping = true;
    await Promise.race([
      endBridge()
        .then(closeApp)
        .catch((error) => console.error(error)),
      new Promise((resolve) => setTimeout(resolve, CLOSE_TIMEOUT_MS)),
    ]);
    process.exit(code);
  };
  process.on('SIGTERM', () => void stop(0));
  process.on('SIGINT', () => void stop(0));
  watchParent(() => void stop(0));
  try {
    openGate();
    const app = await openApp(isDemo ? seedDemo : undefined);
    keepUp(app);
    const port = process.env.PORT;
    if (port) runDevices(app, `http://127.0.0.1:${port}`);
    await openHomeNetwork(app);
    const broker = bridgeSettings(process.env);
    if (broker) endBridge = startBridge(app, broker);
  } catch (error) {
    console.error(whyNot(error));
    process.exit(1);
  }
}

/** The home network is listened on when somebody once said so; `--lan` says so now. */
async function openHomeNetwork({ doors }: App): Promise<void> {
  for (const notice of doors.notices) console.warn(notice);
  if (process.env.HYNDLE_LAN === '1') doors.setOpen(true);
  const front = openFront();
  await front?.adjust();
  if (front?.trouble) console.warn(front.trouble);
}

/** One sentence where it is no fault of ours. */
function whyNot(error: unknown): unknown {
  if (error instanceof NoGate || error instanceof FolderInUse || error instanceof NewerData || isNotStored(error)) return error.message;
  return typeof (error as NodeJS.ErrnoException).code === 'string' && 'syscall' in (error as object) ? diskTrouble(error) : error;
}

/** The start script may be killed without a chance to tell: then nobody would ever stop this process. */
function watchParent(onGone: () => void): void {
  if (!process.env.HYNDLE_WATCH_PARENT) return;
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) onGone();
  }, 1000).unref();
}
