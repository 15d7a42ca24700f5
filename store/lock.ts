import { closeSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import path from 'node:path';

/** Thrown when another process works on the data folder: two at once corrupt it silently. */
export class FolderInUse extends Error {}

interface Holder {
  readonly pid: number;
  readonly startedAt: string | null;
}

/**
 * Takes the folder for this process. A lock left by a process that is gone, or whose number now belongs to a different
 * process, is stale and replaced.
 * @returns lets the folder go
 */
export function takeLock(folder: string): () => void {
  const file = path.join(folder, 'app.lock');
  const me: Holder = { pid: process.pid, startedAt: startOf(process.pid) };
  for (let tries = 0; tries < 3; tries++) {
    try {
      const fd = openSync(file, 'wx');
      writeSync(fd, JSON.stringify(me));
      closeSync(fd);
      return () => {
        if (readHolder(file)?.pid === process.pid) rmSync(file, { force: true });
      };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const holder = readHolder(file);
      if (holder && isAlive(holder)) {
        throw new FolderInUse(
          `The data folder ${folder} is in use by another Hyndle (process ${holder.pid}). Close that one, or start this one with a different HYNDLE_DATA.`,
        );
      }
      rmSync(file, { force: true });
    }
  }
  throw new FolderInUse(`The data folder ${folder} could not be locked. Is another Hyndle starting on it?`);
}

function readHolder(file: string): Holder | null {
  try {
    const holder = JSON.parse(readFileSync(file, 'utf8')) as Holder;
    return Number.isInteger(holder.pid) ? holder : null;
  } catch {
    return null; // half written by a process that died: stale
  }
}

function isAlive(holder: Holder): boolean {
  if (holder.pid === process.pid) return true;
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
