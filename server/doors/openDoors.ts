import path from 'node:path';
import { Doors } from './doors';
import { Front } from './front';
import { doorsFolder } from './keptDoors';

/** Shared by every bundle of the server, so that the door and the use cases mean the same devices. */
const shared = globalThis as typeof globalThis & { hyndleDoors?: Doors; hyndleFrontOpen?: Front; hyndleFront?: ConstructorParameters<typeof Front>[2] };

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
