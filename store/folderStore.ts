import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { merge } from './archive/merge';
import { finishSwap, swapIn } from './archive/putBack';
import type { Archive } from './archive/read';
import { keepAside, settledIn } from './aside';
import type { Blobs } from './blobs';
import { forceFiles, sumsOf, writeCheckpoint } from './checkpoint';
import type { Db } from './db';
import { DiskWatch, refuseFullDisk } from './diskWatch';
import { indexJournal, lineOf } from './journalIndex';
import { takeLock } from './lock';
import { namedPictures } from './looks';
import { learnInto, type StoreOptions } from './opening';
import { type Parts, partsIn } from './parts';
import type { Readings } from './readings/readings';
import type { Store } from './store';
import { put, type RowWrite } from './tables';
import { type Due, damageKey, isStill, pagesOf, tell, unite } from './unite';

/** Rows after which the database is forced to disk while it runs, so that a start after a crash has little to look at. */
const CHECKPOINT_ROWS = 300;

/** Ends an act whose fact is there already; it never leaves this file. */
class IdTaken extends Error {}
/** Ends a look at data that is not there any more; it never leaves this file. */
class Exchanged extends Error {}

/**
 * The embedded database and its journal: two copies of every row, each with a mark that proves it. Every acknowledged act is in the
 * journal, forced to disk. A start believes what a checkpoint proved and looks at what came since; on any doubt the
 * two are made one (`unite.ts`).
 */
export class FolderStore implements Store {
  readonly relay = null;
  readonly leads = true;
  private readonly disk: DiskWatch;
  private queue: Promise<unknown> = Promise.resolve();
  private sinceCheckpoint = 0;
  private stopped = false;
  /** Something was seen that only a look at everything can clear: no checkpoint says otherwise from then on. */
  private doubted = false;

  readonly db: Db = {
    query: async <Row>(sql: string, params?: unknown[]) => {
      await this.ready;
      return this.parts.db.query<Row>(sql, params);
    },
  };
  /** Pending while the data is exchanged. */
  private ready: Promise<void> = Promise.resolve();

  private constructor(
    private parts: Parts,
    private readonly said: string[],
    private readonly options: StoreOptions,
    private readonly unlock: () => void,
  ) {
    this.disk = new DiskWatch(options.folder, options.nowMs, options.elapsedMs ?? (() => performance.now()));
  }

  static async open(options: StoreOptions): Promise<FolderStore> {
    mkdirSync(options.folder, { recursive: true });
    const unlock = takeLock(options.folder);
    try {
      refuseFullDisk(options.folder);
      finishSwap(options.folder);
      const notices: string[] = [];
      const store = new FolderStore(await partsIn(options, notices), notices, options, unlock);
      store.markOpen();
      return store;
    } catch (error) {
      unlock();
      throw error;
    }
  }

  get readings(): Readings {
    return this.parts.readings;
  }

  get blobs(): Blobs {
    return this.parts.blobs;
  }

  get folder(): string {
    return this.options.folder;
  }

  get lastSeq(): number {
    return this.parts.seq;
  }

  /** What was mended or could not be proved, in words for the person. */
  get notices(): readonly string[] {
    return this.said;
  }

  get trouble(): string | null {
    return this.disk.trouble;
  }

  /** Runs one use case at a time, so that what it read still holds when it writes. */
  exclusive<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }

  /**
   * Writes rows as one act: all or none, in the journal and forced to disk before this resolves. Call it inside `exclusive`.
   * @returns false when a fact of it that never changes was there already: then nothing was written
   * @throws NotStored when the disk refuses
   */
  async commit(writes: readonly RowWrite[]): Promise<boolean> {
    if (writes.length === 0) return true;
    this.disk.refuseIfFull();
    const seq = this.parts.seq + 1;
    let isForced = false;
    try {
      await this.parts.db.transaction(async (tx) => {
        for (const write of writes) if (!(await put(tx, write, seq))) throw new IdTaken();
        this.disk.force(() => this.parts.journal.append(lineOf(seq, this.options.nowMs(), writes)));
        this.parts.seq = seq;
        this.parts.lastAtMs = this.options.nowMs();
        this.disk.acted(this.parts.lastAtMs);
        isForced = true;
      });
    } catch (error) {
      if (error instanceof IdTaken) return false;
      // The journal has what the database could not keep: the next start brings it in.
      if (isForced) this.doubt();
      throw error;
    }
    const before = this.sinceCheckpoint;
    this.sinceCheckpoint += writes.length;
    // The next in the queue: whoever acted need not wait for it.
    if (before < CHECKPOINT_ROWS && this.sinceCheckpoint >= CHECKPOINT_ROWS)
      void this.exclusive(() => this.checkpoint()).catch((error) => this.suspect(error) || console.error('The database could not be forced to disk:', error));
    return true;
  }

  /** Writes readings of a probe, forced to disk like an act. */
  async appendReadings(probeId: string, points: readonly (readonly [number, number])[]): Promise<void> {
    this.disk.force(() => this.readings.append(probeId, points));
  }

  /** Keeps a file, forced to disk before any row may name it. @returns its name */
  async keepBlob(bytes: Uint8Array): Promise<string> {
    let hash = '';
    this.disk.force(() => {
      hash = this.blobs.put(bytes);
    });
    return hash;
  }

  /** An error of the database that tells of damage in its files: the next start reads everything and mends it. */
  suspect(error: unknown): boolean {
    const { code } = error as { code?: unknown };
    if (typeof code !== 'string' || !code.startsWith('XX')) return false;
    this.doubt();
    this.say('The database is damaged. Restart Hyndle: it is mended from the journal then.');
    return true;
  }

  /** Compares every row of both copies and reads every reading, slowly, beside the work; mends what it can. */
  async check(pause: () => Promise<void>): Promise<void> {
    if (!this.disk.hasRoom) return;
    try {
      await this.compareAll(pause);
    } catch (error) {
      if (this.stopped || error instanceof Exchanged) return;
      if (this.suspect(error)) return;
      throw error;
    }
  }

  private async compareAll(pause: () => Promise<void>): Promise<void> {
    const { db, journal, isChecked, seq: upTo } = this.parts;
    const parts = this.parts;
    // What came in the place of the data is fresh; what was being looked at is gone.
    const still = () => {
      if (this.parts !== parts) throw new Exchanged();
    };
    if (!isChecked) {
      const index = await indexJournal(journal, () => undefined, pause);
      const united = await unite({
        target: db,
        pages: (table) => pagesOf(db, table),
        isNew: false,
        journal,
        index,
        learn: (news) =>
          this.exclusive(() => {
            still();
            return this.learn(news);
          }),
        together: (work) =>
          this.exclusive(() => {
            still();
            return db.transaction((tx) => work(tx));
          }),
        upTo,
        settled: settledIn(this.options.folder),
        pause,
      });
      for (const text of tell(united)) this.say(text);
      keepAside(this.options.folder, united, index.damages.map(damageKey));
    }
    for (const _day of this.readings.check()) await pause();
    for (const name of this.blobs.names()) {
      this.blobs.read(name);
      await pause();
    }
    await this.tidy(pause);
  }

  /** Seals days of readings that are over, and takes away files that no row names. */
  async tidy(pause: () => Promise<void>): Promise<void> {
    while (!this.stopped && this.readings.seal(this.options.nowMs())) await pause();
    if (this.stopped) return;
    const named = await namedPictures(this.db);
    if (!this.stopped) this.blobs.sweep(named, this.options.nowMs());
  }

  /**
   * Puts everything as an archive says. It is made beside, whole and closed, before it comes in the place of what is here, which is kept.
   * @returns where what was here is now
   */
  async putBack(archive: Archive): Promise<string> {
    const side = path.join(this.options.folder, 'aside', `coming-${this.options.nowMs()}`);
    rmSync(side, { recursive: true, force: true });
    const made = await FolderStore.open({ ...this.options, folder: side });
    try {
      await merge(made, archive);
      await made.close();
    } catch (error) {
      await made.close();
      rmSync(side, { recursive: true, force: true });
      throw error;
    }
    return this.exclusive(async () => {
      let go: () => void = () => undefined;
      this.ready = new Promise((resolve) => {
        go = resolve;
      });
      try {
        await this.shut();
        const aside = swapIn(this.options.folder, side, this.options.nowMs());
        this.parts = await partsIn(this.options, this.said);
        this.markOpen();
        return aside;
      } finally {
        go();
      }
    });
  }

  async close(): Promise<void> {
    if (this.stopped) return;
    this.stopped = true;
    await this.exclusive(() => this.shut());
    this.unlock();
  }

  private async shut(): Promise<void> {
    const { db, journal, readings, seq, lastAtMs } = this.parts;
    const hasRoom = this.disk.hasRoom;
    const isSound = !this.disk.isTroubled && hasRoom;
    // A database that finds no room while it closes never comes back; what it holds is in the journal too.
    if (hasRoom) await db.close();
    const place = journal.end();
    journal.close();
    readings.close();
    if (!isSound || this.doubted) return;
    const pg = path.join(this.options.folder, 'pg');
    forceFiles(pg);
    writeCheckpoint(this.options.folder, { seq, atMs: lastAtMs, place, boot: this.options.boot, files: sumsOf(pg) });
  }

  private say(text: string): void {
    if (!this.said.includes(text)) this.said.push(text);
  }

  private async learn(news: readonly Due[]): Promise<number> {
    const { db, journal, seq } = this.parts;
    const writes: RowWrite[] = [];
    for (const { write, seen } of news) if (await isStill(db, write, seen)) writes.push(write);
    if (writes.length > 0) this.parts.seq = await learnInto(db, journal, seq, writes, this.options.nowMs());
    return writes.length;
  }

  /** Forces the database's own files, so that a start after a crash need not look further back than here. */
  private async checkpoint(): Promise<void> {
    this.sinceCheckpoint = 0;
    if (this.stopped || !this.disk.hasRoom) return;
    await this.parts.db.query('checkpoint');
    forceFiles(path.join(this.options.folder, 'pg'));
    this.markOpen();
  }

  private doubt(): void {
    this.doubted = true;
    this.markOpen();
  }

  private markOpen(): void {
    const boot = this.doubted ? null : this.options.boot;
    writeCheckpoint(this.options.folder, { seq: this.parts.seq, atMs: this.parts.lastAtMs, place: this.parts.journal.end(), boot, files: null });
  }
}
