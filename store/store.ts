import type { Archive } from './archive/read';
import type { Db } from './db';
import type { Readings } from './readings/readings';
import type { RowWrite } from './tables';

/** Thrown when the disk or the database server refuses: nothing of the act is known to be stored, and the next try may go well. `message` says what to do. */
export class NotStored extends Error {
  override readonly name = 'NotStored';
}
/** By its name: the store may have been opened by another bundle of the server, to which its classes are others. */
export const isNotStored = (error: unknown): error is NotStored => error instanceof Error && error.name === 'NotStored';

/** Files by the checksum of what is in them. */
export interface BlobSource {
  names(): string[] | Promise<string[]>;
  /** @returns null when it is not there, or not what it was */
  read(hash: string): Buffer | null | Promise<Buffer | null>;
}

/** Words between several Hyndles on one database. */
export interface Relay {
  /** Tells the others; what cannot be told reaches them when they next read. */
  tell(text: string): void;
  /** @param onText what another one told, in order; `null` when something was missed and everything is to be read again */
  listen(onText: (text: string | null) => void): void;
}

/**
 * Everything that is stored: rows, readings and files. Either in a folder (`folderStore.ts`), or on a PostgreSQL server
 * that several Hyndles share (`server/serverStore.ts`).
 */
export interface Store {
  readonly db: Db;
  readonly readings: Readings;
  readonly blobs: BlobSource;
  /** Where this Hyndle keeps files of its own, its copies among them. */
  readonly folder: string;
  /** The last act that was written. */
  readonly lastSeq: number;
  /** What was mended or could not be proved, in words for the person. */
  readonly notices: readonly string[];
  /** What keeps acts from being stored now, or soon will, in words; null when all is well. */
  readonly trouble: string | null;
  /** null where nobody else writes. */
  readonly relay: Relay | null;
  /** Whether this one does what only one of several shall do, such as moving the stand-in devices. */
  readonly leads: boolean;
  /**
   * Runs one use case at a time, so that what it read still holds when it writes.
   * @param runId the one run it is about, where others may go on meanwhile
   */
  exclusive<T>(work: () => Promise<T>, runId?: string): Promise<T>;
  /**
   * Writes rows as one act: all or none, durable before this resolves. Call it inside `exclusive`.
   * @returns false when a fact of it that never changes was there already: then nothing was written
   * @throws NotStored
   */
  commit(writes: readonly RowWrite[]): Promise<boolean>;
  /** Writes readings of a probe, durable like an act. @throws NotStored */
  appendReadings(probeId: string, points: readonly (readonly [number, number])[]): Promise<void>;
  /** Keeps a file, durable before any row may name it. @returns its name @throws NotStored */
  keepBlob(bytes: Uint8Array): Promise<string>;
  /** Takes note of an error that tells of damage. @returns whether it does */
  suspect(error: unknown): boolean;
  /** Reads and compares everything, slowly, beside the work; mends what it can. */
  check(pause: () => Promise<void>): Promise<void>;
  /** Seals days of readings that are over, and takes away files that no row names. */
  tidy(pause: () => Promise<void>): Promise<void>;
  /** Puts everything as an archive says. @returns where what was here is now @throws NotStored where that cannot be done */
  putBack(archive: Archive): Promise<string>;
  close(): Promise<void>;
}
