import { statfsSync } from 'node:fs';

/** Room left on the disk of a folder, bytes. Throws when the folder is gone. */
export function freeBytes(folder: string): number {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
}

/** Why the disk refuses, and what to do, in one sentence. */
export function diskTrouble(error: unknown): string {
  const { code } = (error ?? {}) as NodeJS.ErrnoException;
  switch (code) {
    case 'ENOSPC':
    case 'EDQUOT':
      return 'The disk is full: nothing can be logged until there is room. What was logged before is safe.';
    case 'EROFS':
    case 'EACCES':
    case 'EPERM':
      return 'The data folder cannot be written to: nothing can be logged until it can. What was logged before is safe.';
    case 'ENOENT':
    case 'ENOTDIR':
    case 'ESTALE':
    case 'ENODEV':
      return 'The data folder is gone: was its disk taken out? Nothing can be logged until it is back.';
    case 'EIO':
      return 'The disk reports a fault: nothing can be logged. Make a copy of the data folder soon.';
    default:
      return `The disk refuses to store anything (${code ?? String(error).slice(0, 80)}). What was logged before is safe.`;
  }
}
