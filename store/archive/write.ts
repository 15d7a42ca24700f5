import { closeSync, fsyncSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { Db } from '../db';
import type { Journal } from '../journal';
import { indexJournal, type JournalWrite, rowKey, rowsOf } from '../journalIndex';
import { DAY_MS } from '../readings/codec';
import type { Readings } from '../readings/readings';
import type { BlobSource } from '../store';
import { ROW_KINDS, type RowKind } from '../tables';
import { pagesOf } from '../unite';
import { shapeOf } from '../upcasts';

export const ARCHIVE_FORMAT = 'hyndle-archive';
export const ARCHIVE_VERSION = 1;

/** What an archive says of itself, in `archive.json`. */
export interface ArchiveHead {
  readonly format: typeof ARCHIVE_FORMAT;
  readonly version: number;
  readonly madeAtMs: number;
  readonly rows: Readonly<Record<string, number>>;
  readonly readings: Readonly<Record<string, number>>;
  /** Files of pictures. */
  readonly blobs: number;
}

/** Rows by kind, wherever they come from. */
export type RowSource = (kind: RowKind) => AsyncIterable<readonly unknown[]>;

const CHUNK_LINES = 2000;

export const rowsInDb = (db: Db): RowSource =>
  async function* (kind) {
    for await (const page of pagesOf(db, kind)) yield page.map(({ row }) => row);
  };

/** The newest rows of a journal: what can be read while another process writes it. */
export async function rowsInJournal(journal: Journal<JournalWrite>): Promise<RowSource> {
  const { newest } = await indexJournal(journal, () => undefined);
  return async function* (kind) {
    let page: unknown[] = [];
    for (const item of journal.read()) {
      if (item.kind !== 'line') continue;
      for (const { table, row, index } of rowsOf(item.line.writes)) {
        if (table !== kind) continue;
        const { at, index: which } = newest.get(rowKey(table, row)) ?? {};
        if (at?.file === item.at.file && at.offset === item.at.offset && which === index) page.push(row);
      }
      if (page.length >= CHUNK_LINES) {
        yield page;
        page = [];
      }
    }
    if (page.length > 0) yield page;
  };
}

/** Writes everything into one zip file; it is complete and forced before it has its name. */
export async function writeArchive(
  file: string,
  rows: RowSource,
  { readings, blobs }: { readonly readings: Readings; readonly blobs: BlobSource },
  madeAtMs: number,
  pause: () => Promise<void> = async () => undefined,
): Promise<ArchiveHead> {
  const part = `${file}.part`;
  const fd = openSync(part, 'w');
  try {
    let failed: unknown = null;
    const zip = new Zip((error, bytes) => {
      if (error) failed = error;
      else writeSync(fd, bytes);
    });
    const text = new TextEncoder();
    const entry = async (name: string, chunks: AsyncIterable<string> | Iterable<string>) => {
      const deflate = new ZipDeflate(name, { level: 6 });
      zip.add(deflate);
      for await (const chunk of chunks) {
        deflate.push(text.encode(chunk));
        if (failed) throw failed;
        await pause();
      }
      deflate.push(new Uint8Array(0), true);
    };
    const rowCounts: Record<string, number> = {};
    for (const kind of ROW_KINDS) {
      rowCounts[kind] = 0;
      await entry(
        `rows/${kind}.ndjson`,
        (async function* () {
          for await (const page of rows(kind)) {
            rowCounts[kind] = (rowCounts[kind] ?? 0) + page.length;
            yield page.map((row) => `${JSON.stringify({ shape: shapeOf(kind), row })}\n`).join('');
          }
        })(),
      );
    }
    const readingCounts: Record<string, number> = {};
    for (const probeId of readings.probes()) {
      readingCounts[probeId] = 0;
      await entry(
        `readings/${encodeURIComponent(probeId)}.csv`,
        (function* () {
          yield 'time,temperature\n';
          for (const dayMs of readings.daysOf(probeId)) {
            const points = readings.between(probeId, dayMs, dayMs + DAY_MS - 1);
            readingCounts[probeId] = (readingCounts[probeId] ?? 0) + points.length;
            yield points.map(({ atMs, bathC }) => `${new Date(atMs).toISOString()},${bathC}\n`).join('');
          }
        })(),
      );
    }
    let files = 0;
    for (const name of await blobs.names()) {
      const bytes = await blobs.read(name);
      if (!bytes) continue;
      // A picture is as small as it gets already.
      const as = new ZipPassThrough(`blobs/${name}`);
      zip.add(as);
      as.push(bytes, true);
      files++;
      if (failed) throw failed;
      await pause();
    }
    const head: ArchiveHead = { format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, madeAtMs, rows: rowCounts, readings: readingCounts, blobs: files };
    await entry('archive.json', [JSON.stringify(head, null, 2)]);
    zip.end();
    if (failed) throw failed;
    fsyncSync(fd);
    closeSync(fd);
    renameSync(part, file);
    return head;
  } catch (error) {
    closeSync(fd);
    rmSync(part, { force: true });
    throw error;
  }
}
