import type { IncomingMessage, ServerResponse } from 'node:http';
import path from 'node:path';
import { Doors } from './doors';
import { Front } from './front';
import { letIn } from './gate';
import { doorsFolder } from './keptDoors';

/** What bin/server.mjs asks of every request before anything else. */
type Gate = (request: IncomingMessage, response: ServerResponse, door: 'machine' | 'home') => boolean;

/** Shared by every bundle of the server, so that the door and the use cases mean the same devices. */
const shared = globalThis as typeof globalThis & {
  hyndleDoors?: Doors;
  hyndleFrontOpen?: Front;
  hyndleFront?: ConstructorParameters<typeof Front>[2];
  hyndleGate?: Gate;
};

export const dataFolder = (): string => path.resolve(process.env.HYNDLE_DATA ?? path.join(process.cwd(), 'data'));

export function openDoors(): Doors {
  shared.hyndleDoors ??= new Doors(doorsFolder(dataFolder()));
  return shared.hyndleDoors;
}

/** What listens on the home network; null where the framework’s own server runs, which listens on the machine alone. */
export function openFront(): Front | null {
  if (shared.hyndleFront) shared.hyndleFrontOpen ??= new Front(openDoors(), doorsFolder(dataFolder()), shared.hyndleFront);
  return shared.hyndleFrontOpen ?? null;
}

/** Hands our own server the gate. Behind another server nothing would be asked of anybody: there it is not started. */
export function openGate(): void {
  if (!shared.hyndleFront) throw new NoGate('Start Hyndle with npm start or npm run demo: its own server decides who is let in.');
  shared.hyndleGate = (request, response, door) => letIn(request, response, door, openDoors(), openFront()?.connections ?? null);
}
export class NoGate extends Error {}
