import { AsyncLocalStorage } from 'node:async_hooks';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type pg from 'pg';
import { Blobs, ORPHAN_MS } from '../blobs';
import type { Db } from '../db';
import { takeLock } from '../lock';
import { namedPictures } from '../looks';
import { isIntact } from '../mark';
import { Readings } from '../readings/readings';
import { type BlobSource, isNotStored, NotStored, type Relay, type Store } from '../store';
import { put, ROW_KINDS, type RowWrite, wordsOf } from '../tables';
import { diskTrouble } from '../trouble';
import { pagesOf } from '../unite';
import { ACTS_AT_ONCE, dbOf, isGone, LOOKS_AT_ONCE, poolOf, serverTrouble } from './connection';
import { migrateServer } from './migrateServer';
import { Turns } from './turns';
import { Wire } from './wire';

export interface ServerStoreOptions {
  readonly url: string;
  /** Where this Hyndle keeps its own copy of readings and files, and its copies of everything. */
  readonly folder: string;
  readonly migrations: string;
  readonly nowMs: () => number;
}

/** A transaction that a use case works in, with what it locked. */
interface Held {
  readonly client: pg.PoolClient;
  readonly db: Db;
  readonly runId: string | undefined;
  isOpen: boolean;
}

const BLOCKS_A_PAGE = 500;

/**
 * Everything on a PostgreSQL server, for several Hyndles at once. What is acknowledged was committed there, and the
 * server's own durability counts. Readings and files are kept here as well, so that pages read them as fast as from a folder of one's own;
 * these copies may be thrown away at any time.
 */
export class ServerStore implements Store {
  readonly db: Db;
  readonly blobs: BlobSource;
  readonly relay: Relay;
  private readonly held = new AsyncLocalStorage<Held>();
  private readonly acts = new Turns(ACTS_AT_ONCE);
  private readonly looks = new Turns(LOOKS_AT_ONCE);
  private readonly said: string[] = [];
  private catching: Promise<void> = Promise.resolve();
  private troubled: string | null = null;
  /** Why the files here are behind the server, in words. */
  private behind: string | null = null;
  private stopped = false;

  private constructor(
    private readonly pool: pg.Pool,
    private readonly wire: Wire,
    readonly folder: string,
    readonly readings: Readings,
    private readonly files: Blobs,
    /** The last block of readings that is in the files here. */
    private readTo: number,
    private seq: number,
    private readonly options: ServerStoreOptions,
    private readonly unlock: () => void,
  ) {
    const plain = dbOf(pool);
    this.db = {
      query: <Row>(sql: string, params?: unknown[]) =>
        this.asTrouble(() => {
          const held = this.held.getStore();
          return held ? held.db.query<Row>(sql, params) : this.looks.take(() => plain.query<Row>(sql, params));
        }),
    };
    this.blobs = { names: () => this.blobNames(), read: (hash) => this.readBlob(hash) };
    this.relay = {
      tell: (text) => void wire.tell(pool, text).catch((error) => this.lost(error)),
      listen: (onText) => wire.listen({ onText, onReadings: () => this.catchUp(), onDown: (error) => this.lost(error), onUp: () => this.back() }),
    };
  }

  /** @throws Error in one sentence when the server cannot be reached or used @throws NewerData */
  static async open(options: ServerStoreOptions): Promise<ServerStore> {
    let store: ServerStore | null = null;
    const pool = poolOf(options.url, (error) => store?.lost(error));
    let unlock: (() => void) | null = null;
    try {
      const { seq, databaseId } = await migrateServer(pool, options.migrations);
      const folder = path.join(options.folder, `server-${databaseId.slice(0, 8)}`);
      mkdirSync(folder, { recursive: true });
      unlock = takeLock(folder);
      const readTo = markIn(folder);
      if (readTo === 0) rmSync(path.join(folder, 'readings'), { recursive: true, force: true });
      // What is damaged here is whole on the server: the next start fetches it anew.
      const readings = new Readings(path.join(folder, 'readings'), () => rmSync(markFile(folder), { force: true }));
      const wire = new Wire(options.url);
      store = new ServerStore(pool, wire, folder, readings, new Blobs(path.join(folder, 'blobs')), readTo, seq, options, unlock);
      await store.catchUp();
      await wire.open();
      return store;
    } catch (error) {
      unlock?.();
      await pool.end().catch(() => undefined);
      const trouble = serverTrouble(error);
      throw trouble === null ? error : new NotStored(trouble, { cause: error });
    }
  }

  get lastSeq(): number {
    return this.seq;
  }

  get notices(): readonly string[] {
    return this.said;
  }

  get trouble(): string | null {
    return this.troubled ?? this.behind;
  }

  get leads(): boolean {
    return this.wire.leads;
  }

  exclusive<T>(work: () => Promise<T>, runId?: string): Promise<T> {
    return this.acts.take(() => this.exclusiveNow(work, runId));
  }

  private async exclusiveNow<T>(work: () => Promise<T>, runId: string | undefined): Promise<T> {
    const client = await this.asTrouble(() => this.pool.connect());
    const held: Held = { client, db: dbOf(client), runId, isOpen: false };
    let broken: Error | undefined;
    try {
      await this.asTrouble(() => this.take(held));
      return await this.held.run(held, work);
    } catch (error) {
      if (isNotStored(error) || isGone(error)) broken = error as Error;
      throw error;
    } finally {
      if (held.isOpen && !broken)
        await client.query('rollback').catch((error: Error) => {
          broken = error;
        });
      // A connection in doubt is not used again: the server ends what it was at.
      client.release(broken);
    }
  }

  async commit(writes: readonly RowWrite[]): Promise<boolean> {
    if (writes.length === 0) return true;
    return this.asTrouble(async () => {
      const held = await this.taken();
      await held.client.query('savepoint act');
      const seq = await nextSeq(held.db);
      for (const write of writes)
        if (!(await put(held.db, write, seq))) {
          await held.client.query('rollback to savepoint act');
          return false;
        }
      await this.settle(held);
      this.seq = Math.max(this.seq, seq);
      return true;
    });
  }

  async appendReadings(probeId: string, points: readonly (readonly [number, number])[]): Promise<void> {
    if (points.length === 0) return;
    await this.asTrouble(async () => {
      const held = await this.taken();
      await held.db.query('insert into reading_block (seq, probe_id, points) values ($1, $2, $3)', [await nextSeq(held.db), probeId, JSON.stringify(points)]);
      await this.wire.tellReadings(held.client);
      await this.settle(held);
    });
    await this.catchUp();
  }

  async keepBlob(bytes: Uint8Array): Promise<string> {
    const hash = createHash('sha256').update(bytes).digest('hex');
    await this.db.query('insert into blob (hash, put_at_ms, bytes) values ($1, $2, $3) on conflict (hash) do update set put_at_ms = excluded.put_at_ms', [
      hash,
      this.options.nowMs(),
      Buffer.from(bytes),
    ]);
    return hash;
  }

  suspect(): boolean {
    return false;
  }

  /** Holds every row against its own checksum, and every file here against its. The server's files are the server's to keep. */
  async check(pause: () => Promise<void>): Promise<void> {
    for (const kind of ROW_KINDS)
      for await (const page of pagesOf(this.db, kind)) {
        for (const marked of page)
          if (!isIntact(marked)) this.say(`${wordsOf(kind, marked.row)} is not as Hyndle wrote it: it was changed on the database server by something else.`);
        await pause();
      }
    for (const _day of this.readings.check()) await pause();
    await this.tidy(pause);
  }

  async tidy(pause: () => Promise<void>): Promise<void> {
    while (!this.stopped && this.readings.seal(this.options.nowMs())) await pause();
    if (this.stopped) return;
    const named = await namedPictures(this.db);
    this.files.sweep(named, this.options.nowMs());
    await this.db.query('delete from blob where put_at_ms < $1 and not hash = any($2)', [this.options.nowMs() - ORPHAN_MS, [...named]]);
  }

  async putBack(): Promise<never> {
    throw new NotStored('On a database server: make a new, empty database, name it in DATABASE_URL, and take the file in there.');
  }

  async close(): Promise<void> {
    if (this.stopped) return;
    this.stopped = true;
    await this.wire.close();
    await this.catching;
    await this.pool.end();
    this.readings.close();
    this.unlock();
  }

  /** Begins a transaction and locks what the use case is about: the kitchen as a whole, or one run of it. */
  private async take(held: Held): Promise<void> {
    await held.client.query('begin');
    held.isOpen = true;
    if (held.runId === undefined) await held.client.query('select 1 from kitchen for update');
    else {
      await held.client.query('select 1 from kitchen for share');
      await held.client.query('select 1 from run where id = $1 for update', [held.runId]);
    }
  }

  private async taken(): Promise<Held> {
    const held = this.held.getStore();
    if (!held) throw new Error('written outside of exclusive');
    if (!held.isOpen) await this.take(held);
    return held;
  }

  private async settle(held: Held): Promise<void> {
    await held.client.query('commit');
    held.isOpen = false;
    this.troubled = null;
  }

  /** Brings what others, or this one, wrote of readings into the files here. One at a time; a disk that is full here loses nothing there. */
  private catchUp(): Promise<void> {
    const next = this.catching.then(async () => {
      for (;;) {
        const { rows } = await this.db.query<{ seq: number; probe_id: string; points: [number, number][] }>(
          'select seq, probe_id, points from reading_block where seq > $1 order by seq limit $2',
          [this.readTo, BLOCKS_A_PAGE],
        );
        for (const { seq, probe_id, points } of rows) {
          this.readings.append(probe_id, points);
          this.readTo = seq;
        }
        if (rows.length > 0) writeFileSync(markFile(this.folder), String(this.readTo));
        if (rows.length < BLOCKS_A_PAGE) break;
      }
      this.behind = null;
    });
    const quiet = next.catch((error) => {
      this.behind = `The readings of the last minutes are safe on the server and cannot be shown here. ${serverTrouble(error) ?? diskTrouble(error)}`;
    });
    this.catching = quiet;
    return quiet;
  }

  private async blobNames(): Promise<string[]> {
    return (await this.db.query<{ hash: string }>('select hash from blob order by hash')).rows.map(({ hash }) => hash);
  }

  private async readBlob(hash: string): Promise<Buffer | null> {
    const here = this.files.read(hash);
    if (here) return here;
    const bytes = (await this.db.query<{ bytes: Buffer }>('select bytes from blob where hash = $1', [hash])).rows[0]?.bytes ?? null;
    if (bytes === null || this.files.put(bytes) === hash) return bytes;
    this.say(`The file ${hash.slice(0, 12)}… is damaged on the database server.`);
    return null;
  }

  private async asTrouble<T>(work: () => Promise<T>): Promise<T> {
    try {
      return await work();
    } catch (error) {
      if (isNotStored(error)) throw error;
      const trouble = serverTrouble(error);
      if (trouble === null) throw error;
      this.troubled = trouble;
      throw new NotStored(trouble, { cause: error });
    }
  }

  private lost(error: unknown): void {
    if (!this.stopped) this.troubled = serverTrouble(error) ?? this.troubled;
  }

  private back(): void {
    this.troubled = null;
    void this.catchUp();
  }

  private say(text: string): void {
    if (!this.said.includes(text)) this.said.push(text);
  }
}

const markFile = (folder: string): string => path.join(folder, 'readings.upto');

/** The last block of readings in the files here; 0 when that is not known. */
function markIn(folder: string): number {
  const file = markFile(folder);
  const seq = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0;
  return Number.isSafeInteger(seq) && seq > 0 ? seq : 0;
}

/** The number of the act; its row stays locked to the end of the transaction, so that acts are seen in their order. */
async function nextSeq(db: Db): Promise<number> {
  const { rows } = await db.query<{ seq: number }>('update act set seq = seq + 1 returning seq');
  if (!rows[0]) throw new Error('the database has lost its row of acts');
  return rows[0].seq;
}
