import { chmodSync, closeSync, existsSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { ROLES } from '@/core/doors/joining';

/** Nobody but the owner reads what is in the folder of the doors: its keys, and who was let in. */
const OWNER_ONLY = { folder: 0o700, file: 0o600 } as const;

const ms = z.number().int();
const secret = z.object({
  hash: z.string(),
  sinceMs: ms,
  next: z.object({ hash: z.string(), atMs: ms }).nullable(),
  before: z.object({ hash: z.string(), untilMs: ms }).nullable(),
});
const device = z.object({
  id: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  joinedAtMs: ms,
  lastSeenMs: ms,
  address: z.string(),
  earlier: z.object({ address: z.string(), atMs: ms }).nullable(),
  secret,
});
const scope = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('probe'), probeId: z.string() }),
  z.object({ kind: z.literal('look') }),
  z.object({ kind: z.literal('all') }),
]);
const token = z.object({
  id: z.string(),
  name: z.string(),
  scope,
  hash: z.string(),
  madeAtMs: ms,
  lastUsedMs: ms.nullable(),
  madeBy: z.string().nullable().default(null),
});
const shape = z.object({
  formatVersion: z.literal(1),
  /** Whether the home network is listened on. */
  isOpen: z.boolean(),
  /** The port of https, once one was found: devices know it. */
  securePort: z.number().int().nullable(),
  devices: z.array(device),
  tokens: z.array(token),
});

/** Who may come in, as it is kept beside the data and never in a copy of it. */
export type KeptDoors = Readonly<z.infer<typeof shape>>;

const NOBODY: KeptDoors = { formatVersion: 1, isOpen: false, securePort: null, devices: [], tokens: [] };

export function doorsFolder(data: string): string {
  const folder = path.join(data, 'doors');
  mkdirSync(folder, { recursive: true, mode: OWNER_ONLY.folder });
  chmodSync(folder, OWNER_ONLY.folder);
  return folder;
}

/** @returns nobody let in where nothing was kept; `damaged` when what was kept cannot be read, which is then set aside */
export function readDoors(folder: string): { readonly kept: KeptDoors; readonly damaged: boolean } {
  const file = path.join(folder, 'doors.json');
  if (!existsSync(file)) return { kept: NOBODY, damaged: false };
  try {
    return { kept: shape.parse(JSON.parse(readFileSync(file, 'utf8'))), damaged: false };
  } catch {
    renameSync(file, path.join(folder, `doors.unreadable.json`));
    return { kept: NOBODY, damaged: true };
  }
}

export const writeDoors = (folder: string, kept: KeptDoors): void => writeOwned(path.join(folder, 'doors.json'), JSON.stringify(kept));

/** Written beside, forced, and put in its place at once: after a crash the old one is there or the new one, never half of one. */
export function writeOwned(file: string, text: string): void {
  const beside = `${file}.new`;
  const fd = openSync(beside, 'w', OWNER_ONLY.file);
  try {
    writeSync(fd, text);
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
  renameSync(beside, file);
}
