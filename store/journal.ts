import {
  closeSync,
  existsSync,
  fdatasyncSync,
  fstatSync,
  fsyncSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  readdirSync,
  readSync,
  statSync,
  writeSync,
} from 'node:fs';
import path from 'node:path';
import { crc32 } from 'node:zlib';

/** One acknowledged act: every row it wrote. */
export interface JournalLine<W> {
  readonly seq: number;
  readonly atMs: number;
  readonly writes: readonly W[];
}

/** Where something stands: a byte of a file of the journal. */
export interface Place {
  readonly file: string;
  readonly offset: number;
}

export type JournalItem<W> =
  | { readonly kind: 'line'; readonly line: JournalLine<W>; readonly at: Place; readonly isSnapshot: boolean }
  /** A whole line whose checksum does not agree; `text` is what is left of it. */
  | { readonly kind: 'damaged'; readonly text: string; readonly at: Place; readonly isSnapshot: boolean }
  /** The end of the newest file, without the end of a line: never acknowledged. */
  | { readonly kind: 'torn'; readonly at: Place };

const CHUNK = 1 << 20;
/** A new file begins past this size, so that each stays small enough to look into. */
const FILE_BYTES = 16 * 1024 * 1024;
const NEWLINE = 0x0a;

/**
 * The append-only journal: `<crc32> <json>` lines in `journal-<first seq>.ndjson`, forced to disk before an act is
 * acknowledged, because the embedded database does not force its own log. Nothing is ever taken out of it.
 * `snapshot-<seq>.ndjson` was written by older versions: all rows as they stood after that act.
 */
export class Journal<W> {
  private open: { readonly fd: number; readonly file: string; end: number } | null = null;
  /** An append that failed may have left bytes behind: they go before the next one. */
  private cutTo: number | null = null;

  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true });
  }

  /** Everything from a place on, or all there is: snapshots first, then the journal in order. Holds one line in memory at a time. */
  *read(from: Place | null = null): Generator<JournalItem<W>> {
    const files = this.files();
    const start = from ? files.findIndex(({ name }) => name === from.file) : 0;
    if (start < 0) throw new Error(`${from?.file} is not in the journal`);
    for (let i = start; i < files.length; i++) {
      const file = files[i] as (typeof files)[number];
      yield* readLines<W>(this.folder, file.name, i === start && from ? from.offset : 0, file.kind === 'snapshot', i === files.length - 1);
    }
  }

  /** The line that begins at a place. */
  lineAt({ file, offset }: Place): JournalLine<W> {
    for (const item of readLines<W>(this.folder, file, offset, false, false)) {
      if (item.kind === 'line') return item.line;
      break;
    }
    throw new Error(`there is no line at ${offset} of ${file}`);
  }

  /** Where the next line will stand, and how long the newest file is. */
  end(): Place | null {
    const last = this.files().findLast(({ kind }) => kind === 'journal');
    return last ? { file: last.name, offset: statSync(path.join(this.folder, last.name)).size } : null;
  }

  isEmpty(): boolean {
    return this.files().every(({ name }) => statSync(path.join(this.folder, name)).size === 0);
  }

  /** Cuts off what was never acknowledged at the end. */
  cut({ file, offset }: Place): void {
    const fd = openSync(path.join(this.folder, file), 'r+');
    ftruncateSync(fd, offset);
    fsyncSync(fd);
    closeSync(fd);
  }

  /**
   * In place, not in the thread pool: forcing one line takes less than the way there and back. Throws when the disk refuses;
   * then nothing of the line stays, and the next append tries again.
   */
  append(line: JournalLine<W>): void {
    const open = this.openFor(line.seq);
    refuseIfGone(open.fd, open.file);
    if (this.cutTo !== null) {
      ftruncateSync(open.fd, this.cutTo);
      fsyncSync(open.fd);
      this.cutTo = null;
    }
    const bytes = Buffer.from(encode(line));
    try {
      for (let done = 0; done < bytes.length; ) done += writeSync(open.fd, bytes, done, bytes.length - done, open.end + done);
      fdatasyncSync(open.fd);
    } catch (error) {
      this.cutTo = open.end;
      try {
        ftruncateSync(open.fd, open.end);
        fsyncSync(open.fd);
        this.cutTo = null;
      } catch {
        // Tried again before the next line.
      }
      throw error;
    }
    open.end += bytes.length;
  }

  close(): void {
    if (this.open) closeSync(this.open.fd);
    this.open = null;
  }

  private openFor(seq: number): { readonly fd: number; readonly file: string; end: number } {
    if (this.open && this.open.end < FILE_BYTES) return this.open;
    const last = this.open ? null : this.end();
    this.close();
    const isNew = last === null || last.offset >= FILE_BYTES;
    const file = isNew ? `journal-${pad(seq)}.ndjson` : last.file;
    const fd = openSync(path.join(this.folder, file), isNew ? 'wx' : 'r+');
    if (isNew) forceFolder(this.folder);
    this.open = { fd, file, end: isNew ? 0 : last.offset };
    return this.open;
  }

  private files(): { name: string; kind: 'snapshot' | 'journal'; seq: number }[] {
    if (!existsSync(this.folder)) return [];
    return readdirSync(this.folder)
      .flatMap((name) => {
        const found = /^(snapshot|journal)-(\d+)\.ndjson$/.exec(name);
        return found ? [{ name, kind: found[1] as 'snapshot' | 'journal', seq: Number(found[2]) }] : [];
      })
      .sort((a, b) => (a.kind === b.kind ? a.seq - b.seq : a.kind === 'snapshot' ? -1 : 1));
  }
}

const pad = (seq: number): string => String(seq).padStart(12, '0');

function encode(line: JournalLine<unknown>): string {
  const json = JSON.stringify(line);
  return `${crc32(json).toString(16).padStart(8, '0')} ${json}\n`;
}

/** A file that was deleted takes bytes as willingly as ever, and nobody will see them again. */
export function refuseIfGone(fd: number, name: string): void {
  if (fstatSync(fd).nlink === 0) throw Object.assign(new Error(`${name} was deleted`), { code: 'ENOENT' });
}

/** Makes names that were just made or changed in a folder last. */
export function forceFolder(folder: string): void {
  const fd = openSync(folder, 'r');
  fsyncSync(fd);
  closeSync(fd);
}

function* readLines<W>(folder: string, file: string, from: number, isSnapshot: boolean, isNewest: boolean): Generator<JournalItem<W>> {
  const fd = openSync(path.join(folder, file), 'r');
  try {
    const chunk = Buffer.alloc(CHUNK);
    let rest = Buffer.alloc(0);
    let at = from;
    for (let read = from; ; ) {
      const got = readSync(fd, chunk, 0, CHUNK, read);
      if (got === 0) break;
      read += got;
      const bytes = rest.length > 0 ? Buffer.concat([rest, chunk.subarray(0, got)]) : chunk.subarray(0, got);
      let begin = 0;
      for (let end = bytes.indexOf(NEWLINE, begin); end >= 0; end = bytes.indexOf(NEWLINE, begin)) {
        yield* decode<W>(bytes.subarray(begin, end), { file, offset: at + begin }, isSnapshot);
        begin = end + 1;
      }
      at += begin;
      rest = Buffer.from(bytes.subarray(begin));
    }
    if (rest.length === 0) return;
    // Only what was being written when everything stopped may lack its end.
    if (isNewest) yield { kind: 'torn', at: { file, offset: at } };
    else yield { kind: 'damaged', text: rest.toString('utf8'), at: { file, offset: at }, isSnapshot };
  } finally {
    closeSync(fd);
  }
}

const BEGINS = /[\da-f]{8} \{"seq":/g;

/** One line, or what is left of it and the lines that a lost end of a line joined to it. */
function* decode<W>(bytes: Buffer, at: Place, isSnapshot: boolean): Generator<JournalItem<W>> {
  const line = lineOf<W>(bytes);
  if (line) return yield { kind: 'line', line, at, isSnapshot };
  for (const { index } of bytes.toString('latin1').matchAll(BEGINS)) {
    const joined = index > 0 ? lineOf<W>(bytes.subarray(index)) : null;
    if (!joined) continue;
    yield* decode<W>(bytes.subarray(0, index), at, isSnapshot);
    return yield { kind: 'line', line: joined, at: { ...at, offset: at.offset + index }, isSnapshot };
  }
  yield { kind: 'damaged', text: bytes.toString('utf8'), at, isSnapshot };
}

function lineOf<W>(bytes: Buffer): JournalLine<W> | null {
  const json = bytes.subarray(9);
  const sum = bytes.subarray(0, 8).toString('latin1');
  const isWhole = /^[\da-f]{8}$/.test(sum) && bytes[8] === 0x20 && crc32(json) === Number.parseInt(sum, 16);
  return isWhole ? (JSON.parse(json.toString('utf8')) as JournalLine<W>) : null;
}
