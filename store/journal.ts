import {
  closeSync,
  existsSync,
  fdatasyncSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  truncateSync,
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

export interface LoadedJournal<W> {
  /** Compacted state first, then the lines since, in order. */
  readonly lines: readonly JournalLine<W>[];
  readonly lastSeq: number;
  readonly bytes: number;
  /** What was odd, in words. */
  readonly notices: readonly string[];
}

/**
 * The append-only journal: `<crc32> <json>` lines in `journal-<first seq>.ndjson`, forced to disk before an act is
 * acknowledged, because the embedded database does not force its own log. `snapshot-<seq>.ndjson` holds everything up to
 * a line in compacted form. A torn last line was never acknowledged and is cut off.
 */
export class Journal<W> {
  private fd: number | null = null;

  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true });
  }

  load(): LoadedJournal<W> {
    const notices: string[] = [];
    const lines: JournalLine<W>[] = [];
    let bytes = 0;
    const snapshot = this.files('snapshot').at(-1);
    let lastSeq = 0;
    if (snapshot) {
      const read = readLines<W>(path.join(this.folder, snapshot.name));
      lines.push(...read.lines);
      lastSeq = snapshot.seq;
      if (read.damaged.length > 0) notices.push(`${read.damaged.length} lines of ${snapshot.name} could not be read and were left out.`);
    }
    const files = this.files('journal');
    for (const [i, { name }] of files.entries()) {
      const full = path.join(this.folder, name);
      const read = readLines<W>(full);
      bytes += read.bytes;
      for (const line of read.lines) {
        if (line.seq <= lastSeq) continue;
        lines.push(line);
        lastSeq = line.seq;
      }
      if (read.tornAt !== null && i === files.length - 1) truncateSync(full, read.tornAt);
      if (read.damaged.length > 0) notices.push(`Journal ${name}: line ${read.damaged.join(', ')} could not be read and was left out.`);
    }
    return { lines, lastSeq, bytes, notices };
  }

  /** In place, not in the thread pool: forcing one line takes less than the way there and back. Throws when the disk refuses. */
  append(line: JournalLine<W>): void {
    this.fd ??= openSync(path.join(this.folder, this.files('journal').at(-1)?.name ?? `journal-${pad(line.seq)}.ndjson`), 'a');
    writeSync(this.fd, encode(line));
    fdatasyncSync(this.fd);
  }

  /** Writes everything up to `seq` in compacted form and starts a new file; the generation before is kept as well. */
  compact(seq: number, atMs: number, writes: Iterable<W>): void {
    const name = `snapshot-${pad(seq)}.ndjson`;
    const temporary = path.join(this.folder, `${name}.part`);
    const fd = openSync(temporary, 'w');
    for (const write of writes) writeSync(fd, encode({ seq, atMs, writes: [write] }));
    fsyncSync(fd);
    closeSync(fd);
    const before = this.files('snapshot');
    renameSync(temporary, path.join(this.folder, name));
    forceFolder(this.folder);
    for (const old of before.slice(0, -1)) rmSync(path.join(this.folder, old.name));
    const keptSeq = before.at(-1)?.seq ?? 0;
    const journals = this.files('journal');
    journals.forEach((journal, i) => {
      const nextSeq = journals[i + 1]?.seq ?? Number.POSITIVE_INFINITY;
      if (nextSeq <= keptSeq) rmSync(path.join(this.folder, journal.name));
    });
    closeSync(openSync(path.join(this.folder, `journal-${pad(seq + 1)}.ndjson`), 'a'));
    forceFolder(this.folder);
  }

  close(): void {
    if (this.fd !== null) closeSync(this.fd);
    this.fd = null;
  }

  private files(kind: 'journal' | 'snapshot'): { name: string; seq: number }[] {
    if (!existsSync(this.folder)) return [];
    return readdirSync(this.folder)
      .map((name) => ({ name, found: new RegExp(`^${kind}-(\\d+)\\.ndjson$`).exec(name) }))
      .flatMap(({ name, found }) => (found ? [{ name, seq: Number(found[1]) }] : []))
      .sort((a, b) => a.seq - b.seq);
  }
}

const pad = (seq: number): string => String(seq).padStart(12, '0');

function encode(line: JournalLine<unknown>): string {
  const json = JSON.stringify(line);
  return `${crc32(json).toString(16).padStart(8, '0')} ${json}\n`;
}

function forceFolder(folder: string): void {
  const fd = openSync(folder, 'r');
  fsyncSync(fd);
  closeSync(fd);
}

function readLines<W>(file: string): { lines: JournalLine<W>[]; bytes: number; tornAt: number | null; damaged: number[] } {
  const raw = readFileSync(file);
  const end = raw.lastIndexOf(0x0a) + 1;
  const lines: JournalLine<W>[] = [];
  const damaged: number[] = [];
  const texts = raw.subarray(0, end).toString('utf8').split('\n').slice(0, -1);
  texts.forEach((text, i) => {
    const json = text.slice(9);
    if (crc32(json) === Number.parseInt(text.slice(0, 8), 16)) lines.push(JSON.parse(json) as JournalLine<W>);
    else damaged.push(i + 1);
  });
  return { lines, bytes: raw.length, tornAt: end < raw.length ? end : null, damaged };
}
