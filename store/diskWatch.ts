import { printDuration } from '@/core/measure/print';
import { NotStored } from './store';
import { diskTrouble, freeBytes } from './trouble';

const MB = 1024 * 1024;
/**
 * Below this nothing is asked of the embedded database any more. It takes room in pieces of 16 MB, and when it gets none it does not refuse: it stops
 * answering for ever, and the whole process with it.
 */
const RESERVE_BYTES = 64 * MB;
const NEARLY_FULL_BYTES = 200 * MB;
/** A disk that takes longer to force an act is said to be slow. */
const SLOW_MS = 2000;
/** A clock may be put right by so much without a word. */
export const CLOCK_SLACK_MS = 60_000;

/** Why there is no room for the database, in words; null when there is. */
function noRoom(folder: string): string | null {
  try {
    return freeBytes(folder) < RESERVE_BYTES ? diskTrouble({ code: 'ENOSPC' }) : null;
  } catch (error) {
    return diskTrouble(error);
  }
}

/** @throws NotStored in one sentence, where there is too little room to begin with */
export function refuseFullDisk(folder: string): void {
  if (freeBytes(folder) < RESERVE_BYTES)
    throw new NotStored(`The disk of ${folder} is full: Hyndle needs ${RESERVE_BYTES / MB} MB to start. Make room, then start it again; nothing was touched.`);
}

/** What a disk and a clock do to a store, and how it is said. */
export class DiskWatch {
  private troubled: string | null = null;
  private tookMs = 0;
  /** When the last act of this process was written; null before the first. A clock that was wrong before the start was told of then. */
  private lastAtMs: number | null = null;

  constructor(
    private readonly folder: string,
    private readonly nowMs: () => number,
    /** For how long something took, whatever the clock does. */
    private readonly elapsedMs: () => number,
  ) {}

  /** Whether what was written last was refused. */
  get isTroubled(): boolean {
    return this.troubled !== null;
  }

  get hasRoom(): boolean {
    return noRoom(this.folder) === null;
  }

  /** What keeps acts from being stored now, or soon will, in words; null when all is well. */
  get trouble(): string | null {
    const why = this.troubled ?? noRoom(this.folder);
    if (why) return why;
    const backMs = (this.lastAtMs ?? 0) - this.nowMs();
    if (this.lastAtMs !== null && backMs > CLOCK_SLACK_MS)
      return `The clock of this machine was set back by ${printDuration(backMs / 60_000)}: what is logged now would stand before the last acts. Put it right first.`;
    if (this.tookMs > SLOW_MS)
      return `The disk is slow: the last act took ${Math.round(this.tookMs / 1000)} s to be stored. It is safe; the next ones may take as long.`;
    const free = freeBytes(this.folder);
    return free < NEARLY_FULL_BYTES
      ? `The disk is nearly full: ${Math.round(free / MB)} MB are left. Make room soon; when it is full, nothing more can be logged.`
      : null;
  }

  /** Before the database has anything to write: it does not take a refusal. @throws NotStored */
  refuseIfFull(): void {
    const why = noRoom(this.folder);
    if (why) throw new NotStored(why);
  }

  /** Writes, and takes down how it went. @throws NotStored when the disk refuses */
  force(write: () => void): void {
    const beganMs = this.elapsedMs();
    try {
      write();
    } catch (error) {
      this.troubled = diskTrouble(error);
      throw new NotStored(this.troubled, { cause: error });
    }
    this.tookMs = this.elapsedMs() - beganMs;
    this.troubled = null;
  }

  acted(atMs: number): void {
    this.lastAtMs = atMs;
  }
}
