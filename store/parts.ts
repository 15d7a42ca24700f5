import path from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { Blobs } from './blobs';
import { CLOCK_SLACK_MS } from './diskWatch';
import { Journal } from './journal';
import type { JournalWrite } from './journalIndex';
import { opened, type StoreOptions } from './opening';
import { Readings } from './readings/readings';
import { when } from './unite';

/** What is open of a folder. */
export interface Parts {
  readonly db: PGlite;
  readonly journal: Journal<JournalWrite>;
  readonly readings: Readings;
  readonly blobs: Blobs;
  seq: number;
  /** When the last act was written, by this machine's clock; null when there was none. */
  lastAtMs: number | null;
  /** Everything was read and compared when it was opened. */
  readonly isChecked: boolean;
}

/** Opens all of a folder. @throws NewerData */
export async function partsIn(options: StoreOptions, notices: string[]): Promise<Parts> {
  const { folder, nowMs } = options;
  const journal = new Journal<JournalWrite>(path.join(folder, 'journal'));
  const readings = new Readings(path.join(folder, 'readings'), (text) => notices.push(text));
  const blobs = new Blobs(path.join(folder, 'blobs'), (text) => notices.push(text));
  const { db, seq, lastAtMs, isChecked } = await opened(options, journal, readings, notices);
  if (lastAtMs !== null && lastAtMs > nowMs() + CLOCK_SLACK_MS)
    notices.push(
      `The last act was logged at ${when(lastAtMs)}, and the clock of this machine says ${when(nowMs())}. One of them is wrong: look at the clock before you log.`,
    );
  return { db, journal, readings, blobs, seq, lastAtMs, isChecked };
}
