import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { z } from 'zod';
import { isRowKind, type RowWrite } from '../tables';
import { NewerData, upcast } from '../upcasts';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION } from './write';

/** Thrown for a file that is no archive, or one that cannot be read; `message` says what to do. */
export class NotAnArchive extends Error {
  override readonly name = 'NotAnArchive';
}

export interface Archive {
  readonly madeAtMs: number;
  readonly rows: readonly RowWrite[];
  readonly readings: ReadonlyMap<string, readonly (readonly [number, number])[]>;
  /** Files by the checksum of what is in them. */
  readonly blobs: ReadonlyMap<string, Uint8Array>;
}

const headShape = z.object({ format: z.literal(ARCHIVE_FORMAT), version: z.int(), madeAtMs: z.number() });
const lineShape = z.object({ shape: z.int().min(1), row: z.record(z.string(), z.unknown()) });

/** Reads an archive as a whole. @throws NotAnArchive @throws NewerData */
export function readArchive(file: string): Archive {
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(readFileSync(file));
  } catch {
    throw new NotAnArchive('This is no zip file, or it is damaged. Choose a file that Hyndle saved.');
  }
  const told = entries['archive.json'];
  const head = told ? headShape.safeParse(jsonOf(strFromU8(told))) : null;
  if (!head?.success) throw new NotAnArchive('This zip file was not saved by Hyndle: it has no archive.json that says so.');
  if (head.data.version > ARCHIVE_VERSION) throw new NewerData('This file was saved by a newer Hyndle. Start the newer version to take it in.');
  const rows: RowWrite[] = [];
  const readings = new Map<string, [number, number][]>();
  const blobs = new Map<string, Uint8Array>();
  for (const [name, bytes] of Object.entries(entries)) {
    const kind = /^rows\/(\w+)\.ndjson$/.exec(name)?.[1];
    const probe = /^readings\/([^/]+)\.csv$/.exec(name)?.[1];
    if (kind !== undefined && isRowKind(kind))
      for (const [i, line] of strFromU8(bytes).split('\n').entries()) {
        if (line === '') continue;
        const parsed = lineShape.safeParse(jsonOf(line));
        if (!parsed.success) throw new NotAnArchive(`Line ${i + 1} of ${name} could not be read. Nothing was taken in.`);
        rows.push({ table: kind, row: upcast(kind, parsed.data.row, parsed.data.shape) } as RowWrite);
      }
    const hash = /^blobs\/([\da-f]{64})$/.exec(name)?.[1];
    if (hash !== undefined) blobs.set(hash, bytes);
    if (probe !== undefined) readings.set(decodeURIComponent(probe), [...pointsOf(strFromU8(bytes), name)]);
  }
  return { madeAtMs: head.data.madeAtMs, rows, readings, blobs };
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

function* pointsOf(csv: string, name: string): Generator<[number, number]> {
  for (const [i, line] of csv.split('\n').entries()) {
    if (i === 0 || line === '') continue;
    const [time = '', temperature = ''] = line.split(',');
    const point: [number, number] = [Date.parse(time), Number(temperature)];
    if (temperature.trim() === '' || point.some((one) => !Number.isFinite(one)))
      throw new NotAnArchive(`Line ${i + 1} of ${name} could not be read. Nothing was taken in.`);
    yield point;
  }
}
