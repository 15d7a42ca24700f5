import { closeSync, openSync, readFileSync, rmSync, statSync, utimesSync, writeSync } from 'node:fs';
import { hostname } from 'node:os';
import path from 'node:path';

/** Thrown when another process works on the data folder: two at once corrupt it silently. */
export class FolderInUse extends Error {}

interface Holder {
  readonly pid: number;
  readonly startedAt: string | null;
  readonly host?: string;
}

const BEAT_MS = 5000;
/** A lock of another machine that nobody has touched for this long is left over. */
const STALE_MS = 30_000;
/** Folders that this process itself holds: its number alone says nothing, since a restarted container has the same one. */
const held = new Set<string>();

/**
 * Takes the folder for this process. A lock left by a process that is gone, or whose number now belongs to a different
 * process, is stale and replaced; one of another machine (a folder on the network) when it has gone quiet.
 * @returns lets the folder go
 */
export function takeLock(folder: string, nowMs: () => number = Date.now): () => void {
  const file = path.join(folder, 'app.lock');
  const me: Holder = { pid: process.pid, startedAt: startOf(process.pid), host: hostname() };
  for (let tries = 0; tries < 3; tries++) {
    try {
      const fd = openSync(file, 'wx');
      writeSync(fd, JSON.stringify(me));
      closeSync(fd);
      held.add(file);
      const beat = setInterval(() => touch(file, nowMs()), BEAT_MS);
      beat.unref();
      return () => {
        clearInterval(beat);
        held.delete(file);
        if (readHolder(file)?.pid === process.pid) rmSync(file, { force: true });
      };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const holder = readHolder(file);
      const refusal = holder && refusalBy(holder, file, folder, nowMs());
      if (refusal) throw new FolderInUse(refusal);
      rmSync(file, { force: true });
    }
  }
  throw new FolderInUse(`The data folder ${folder} could not be locked. Is another Hyndle starting on it?`);
}

function refusalBy(holder: Holder, file: string, folder: string, nowMs: number): string | null {
  const elsewhere = holder.host !== undefined && holder.host !== hostname();
  if (elsewhere) {
    const quietMs = Math.abs(nowMs - mtimeOf(file));
    return quietMs < STALE_MS
      ? `The data folder ${folder} is in use by Hyndle on the machine ${holder.host}, seen ${Math.round(quietMs / 1000)} s ago. Close it there, or wait half a minute if it was cut off.`
      : null;
  }
  return isAlive(holder, file)
    ? `The data folder ${folder} is in use by another Hyndle (process ${holder.pid}). Close that one, or start this one with a different HYNDLE_DATA.`
    : null;
}

function touch(file: string, nowMs: number): void {
  try {
    utimesSync(file, nowMs / 1000, nowMs / 1000);
  } catch {
    // The folder is gone; whoever writes next says so.
  }
}

const mtimeOf = (file: string): number => {
  try {
    return statSync(file).mtimeMs;
  } catch {
    return 0;
  }
};

function readHolder(file: string): Holder | null {
  try {
    const holder = JSON.parse(readFileSync(file, 'utf8')) as Holder;
    return Number.isInteger(holder.pid) ? holder : null;
  } catch {
    return null; // half written by a process that died: stale
  }
}

function isAlive(holder: Holder, file: string): boolean {
  if (holder.pid === process.pid) return held.has(file);
  try {
    process.kill(holder.pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ESRCH') return false;
  }
  return holder.startedAt === null || startOf(holder.pid) === null || startOf(holder.pid) === holder.startedAt;
}

/** When the process began, as the kernel counts it; null where the system does not say (then the number alone counts). */
function startOf(pid: number): string | null {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ')[19] ?? null;
  } catch {
    return null;
  }
}
