import { crc32, deflateRawSync, inflateRawSync } from 'node:zlib';

/** A reading: [milliseconds since the epoch, degrees C]. Kept to a thousandth of a degree. */
export type Point = readonly [number, number];

/** What came in a stretch: how many, and the least, mean and greatest of them, °C. */
export interface Summary {
  readonly fromMs: number;
  readonly readings: number;
  readonly minC: number;
  readonly meanC: number;
  readonly maxC: number;
}

export const DAY_MS = 86_400_000;
export const HOUR_MS = 3_600_000;
export const MINUTE_MS = 60_000;
const PER_K = 1000;
const RECORD = 0xa5;
const SEALED = Buffer.from('HYR1');

/** Numbers of any size in as few bytes as they need, seven bits each, the least first; small ones below 0 stay small. */
class Writer {
  private bytes: number[] = [];
  unsigned(value: number): this {
    let rest = value;
    for (; rest > 0x7f; rest = Math.floor(rest / 128)) this.bytes.push((rest % 128) | 0x80);
    this.bytes.push(rest);
    return this;
  }
  signed(value: number): this {
    return this.unsigned(value < 0 ? -2 * value - 1 : 2 * value);
  }
  get buffer(): Buffer {
    return Buffer.from(this.bytes);
  }
}

class Reader {
  at = 0;
  constructor(private readonly bytes: Buffer) {}
  get isDone(): boolean {
    return this.at >= this.bytes.length;
  }
  unsigned(): number {
    let value = 0;
    for (let weight = 1; ; weight *= 128) {
      const byte = this.bytes[this.at++];
      if (byte === undefined) throw new Error('the readings end in the middle of a number');
      value += (byte & 0x7f) * weight;
      if (byte < 0x80) return value;
    }
  }
  signed(): number {
    const value = this.unsigned();
    return value % 2 === 1 ? -(value + 1) / 2 : value / 2;
  }
}

function writePoints(points: readonly Point[], fromMs: number): Buffer {
  const out = new Writer().unsigned(points.length);
  let beforeMs = fromMs;
  let before = 0;
  for (const [atMs, bathC] of points) {
    const milli = Math.round(bathC * PER_K);
    out.signed(atMs - beforeMs).signed(milli - before);
    beforeMs = atMs;
    before = milli;
  }
  return out.buffer;
}

function readPoints(bytes: Buffer, fromMs: number): Point[] {
  const from = new Reader(bytes);
  const count = from.unsigned();
  const points: Point[] = [];
  let atMs = fromMs;
  let milli = 0;
  for (let i = 0; i < count; i++) {
    atMs += from.signed();
    milli += from.signed();
    points.push([atMs, milli / PER_K]);
  }
  return points;
}

/** One append: a mark, the length, the points, a checksum over all of it. */
export function encodeRecord(points: readonly Point[], dayMs: number): Buffer {
  const body = writePoints(points, dayMs);
  const head = Buffer.concat([Buffer.from([RECORD]), new Writer().unsigned(body.length).buffer]);
  const whole = Buffer.concat([head, body]);
  const sum = Buffer.alloc(4);
  sum.writeUInt32LE(crc32(whole));
  return Buffer.concat([whole, sum]);
}

/**
 * All records of an append-only file that are whole. What is damaged in the middle is stepped over up to the next whole record.
 * @returns the points in the order in which they came, bytes stepped over, and where the last whole record ends
 */
export function decodeRecords(bytes: Buffer, dayMs: number): { points: Point[]; lostBytes: number; endsAt: number } {
  const points: Point[] = [];
  let lostBytes = 0;
  let endsAt = 0;
  for (let at = 0; at < bytes.length; ) {
    const record = recordAt(bytes, at, dayMs);
    if (record) {
      for (const point of record.points) points.push(point);
      lostBytes += at - endsAt;
      at = record.end;
      endsAt = at;
    } else at++;
  }
  return { points, lostBytes, endsAt };
}

function recordAt(bytes: Buffer, at: number, dayMs: number): { points: Point[]; end: number } | null {
  if (bytes[at] !== RECORD) return null;
  try {
    const head = new Reader(bytes.subarray(at + 1, at + 9));
    const length = head.unsigned();
    const bodyAt = at + 1 + head.at;
    const end = bodyAt + length + 4;
    if (end > bytes.length || crc32(bytes.subarray(at, end - 4)) !== bytes.readUInt32LE(end - 4)) return null;
    return { points: readPoints(bytes.subarray(bodyAt, end - 4), dayMs), end };
  } catch {
    return null;
  }
}

/** A whole day, in time order, compressed, its minutes in front so that they are read without the rest. */
export function encodeDay(points: readonly Point[], dayMs: number): Buffer {
  const minutes = deflateRawSync(writeSummaries(summarize(points, MINUTE_MS), dayMs, MINUTE_MS));
  const all = deflateRawSync(writePoints(points, dayMs), { level: 9 });
  const lengths = Buffer.alloc(8);
  lengths.writeUInt32LE(minutes.length, 0);
  lengths.writeUInt32LE(all.length, 4);
  const body = Buffer.concat([lengths, minutes, all]);
  const sum = Buffer.alloc(4);
  sum.writeUInt32LE(crc32(body));
  return Buffer.concat([SEALED, sum, body]);
}

/** @returns null when the file is not what was written */
export function decodeDay(bytes: Buffer, dayMs: number): { points: () => Point[]; minutes: () => Summary[] } | null {
  if (bytes.length < 16 || !bytes.subarray(0, 4).equals(SEALED) || crc32(bytes.subarray(8)) !== bytes.readUInt32LE(4)) return null;
  const minutesEnd = 16 + bytes.readUInt32LE(8);
  return {
    points: () => readPoints(inflateRawSync(bytes.subarray(minutesEnd)), dayMs),
    minutes: () => readSummaries(inflateRawSync(bytes.subarray(16, minutesEnd)), dayMs, MINUTE_MS),
  };
}

/** The points of a stretch, by minute or by hour; points in time order. */
export function summarize(points: readonly Point[], stretchMs: number): Summary[] {
  const out: { fromMs: number; readings: number; minC: number; meanC: number; maxC: number }[] = [];
  for (const [atMs, bathC] of points) {
    const fromMs = Math.floor(atMs / stretchMs) * stretchMs;
    let last = out.at(-1);
    if (last?.fromMs !== fromMs) {
      last = { fromMs, readings: 0, minC: bathC, meanC: 0, maxC: bathC };
      out.push(last);
    }
    last.minC = Math.min(last.minC, bathC);
    last.maxC = Math.max(last.maxC, bathC);
    last.meanC += bathC;
    last.readings++;
  }
  for (const one of out) one.meanC /= one.readings;
  return out;
}

/** Summaries of longer stretches, made of those of shorter ones in time order. */
export function together(summaries: readonly Summary[], stretchMs: number): Summary[] {
  const out: { fromMs: number; readings: number; minC: number; meanC: number; maxC: number }[] = [];
  for (const one of summaries) {
    const fromMs = Math.floor(one.fromMs / stretchMs) * stretchMs;
    const last = out.at(-1);
    if (last?.fromMs !== fromMs) {
      out.push({ ...one, fromMs });
      continue;
    }
    last.meanC = (last.meanC * last.readings + one.meanC * one.readings) / (last.readings + one.readings);
    last.readings += one.readings;
    last.minC = Math.min(last.minC, one.minC);
    last.maxC = Math.max(last.maxC, one.maxC);
  }
  return out;
}

export function writeSummaries(summaries: readonly Summary[], dayMs: number, stretchMs: number): Buffer {
  const out = new Writer().unsigned(summaries.length);
  for (const { fromMs, readings, minC, meanC, maxC } of summaries) {
    const mean = Math.round(meanC * PER_K);
    out
      .unsigned((fromMs - dayMs) / stretchMs)
      .unsigned(readings)
      .signed(mean)
      .signed(mean - Math.round(minC * PER_K))
      .signed(Math.round(maxC * PER_K) - mean);
  }
  return out.buffer;
}

export function readSummaries(bytes: Buffer, dayMs: number, stretchMs: number): Summary[] {
  const from = new Reader(bytes);
  return Array.from({ length: from.unsigned() }, () => {
    const fromMs = dayMs + from.unsigned() * stretchMs;
    const readings = from.unsigned();
    const mean = from.signed();
    const minC = (mean - from.signed()) / PER_K;
    return { fromMs, readings, minC, meanC: mean / PER_K, maxC: (mean + from.signed()) / PER_K };
  });
}
