import { createHash } from 'node:crypto';
import { z } from 'zod';
import { isRowKind, type RowWrite } from '../tables';
import { NewerData, upcast } from '../upcasts';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION } from './write';
import { BadZip, TooMuchInside, Zip } from './zipFile';

/** Thrown for a file that is no archive, or one that is damaged; `message` says what to do. */
export class NotAnArchive extends Error {
  override readonly name = 'NotAnArchive';
}
/** Thrown for one that holds more than can be taken in. */
export class TooBigInside extends Error {
  override readonly name = 'TooBigInside';
}

export type Points = readonly (readonly [atMs: number, bathC: number])[];

/** A whole archive whose every entry was held against its checksum, its count and its form. Rows are in memory, the rest is read when it is wanted. */
export interface Archive {
  readonly madeAtMs: number;
  readonly rows: readonly RowWrite[];
  readonly probes: readonly string[];
  /** Readings of a probe in their order, some thousand at a time. */
  readings(probeId: string): AsyncGenerator<Points>;
  /** Files by the SHA-256 of what is in them. */
  readonly blobs: readonly string[];
  blob(hash: string): Promise<Uint8Array>;
  close(): void;
}

const count = z.int().min(0);
const headShape = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.int(),
  madeAtMs: z.number(),
  // The first archives said less.
  rows: z.record(z.string(), count).optional(),
  readings: z.record(z.string(), count).optional(),
  blobs: count.optional(),
});
type Head = z.infer<typeof headShape>;
const lineShape = z.object({ shape: z.int().min(1), row: z.record(z.string(), z.unknown()) });

const MOST_NAMED = 5;
const nameOfReadings = (probeId: string): string => `readings/${encodeURIComponent(probeId)}.csv`;

/** Opens an archive and looks at all of it, before anything is done with it. The caller closes it. @throws NotAnArchive @throws TooBigInside @throws NewerData */
export async function openArchive(file: string): Promise<Archive> {
  let zip: Zip | null = null;
  try {
    zip = await Zip.open(file);
    const head = await headOf(zip);
    return await looked(zip, head);
  } catch (error) {
    zip?.close();
    if (error instanceof TooMuchInside) throw new TooBigInside(`${error.message} No file that Hyndle saved is like that.`);
    if (error instanceof BadZip) throw new NotAnArchive(`${error.message} Choose a file that Hyndle saved.`);
    throw error;
  }
}

/** What is wrong with an archive is gathered, so that it is named as a whole. */
async function looked(zip: Zip, head: Head): Promise<Archive> {
  const rows: RowWrite[] = [];
  const probes: string[] = [];
  const blobs: string[] = [];
  const faults: string[] = [];
  const counted: { rows: Record<string, number>; readings: Record<string, number> } = { rows: {}, readings: {} };
  for (const name of zip.names) {
    try {
      const kind = /^rows\/(\w+)\.ndjson$/.exec(name)?.[1];
      const probe = /^readings\/([^/]+)\.csv$/.exec(name)?.[1];
      const hash = /^blobs\/([\da-f]{64})$/.exec(name)?.[1];
      if (kind !== undefined && isRowKind(kind)) {
        const before = rows.length;
        for await (const row of rowsIn(zip, name, kind)) rows.push(row);
        counted.rows[kind] = rows.length - before;
      } else if (probe !== undefined) {
        const probeId = decodedName(probe);
        if (probeId === null) throw new BadZip(`“${name.slice(0, 120)}” names no probe.`);
        let points = 0;
        for await (const some of pointsIn(zip, name)) points += some.length;
        probes.push(probeId);
        counted.readings[probeId] = points;
      } else if (hash !== undefined) {
        await lookAtBlob(zip, name, hash);
        blobs.push(hash);
      } else for await (const _ of zip.read(name));
    } catch (error) {
      if (!(error instanceof BadZip)) throw error;
      faults.push(error.message);
    }
  }
  if (faults.length === 0) faults.push(...miscounted(head, counted, blobs.length));
  if (faults.length > 0) {
    const more = faults.length - MOST_NAMED;
    throw new NotAnArchive(`This file is damaged. ${faults.slice(0, MOST_NAMED).join(' ')}${more > 0 ? ` And ${more} more.` : ''} Nothing was taken in.`);
  }
  return {
    madeAtMs: head.madeAtMs,
    rows,
    probes,
    readings: (probeId) => pointsIn(zip, nameOfReadings(probeId)),
    blobs,
    blob: (hash) => zip.whole(`blobs/${hash}`),
    close: () => zip.close(),
  };
}

async function headOf(zip: Zip): Promise<Head> {
  if (!zip.names.includes('archive.json')) throw new NotAnArchive('This zip file was not saved by Hyndle: it has no archive.json that says so.');
  const head = headShape.safeParse(jsonOf((await zip.whole('archive.json')).toString()));
  if (!head.success) throw new NotAnArchive('This zip file was not saved by Hyndle: its archive.json does not say so.');
  if (head.data.version > ARCHIVE_VERSION) throw new NewerData('This file was saved by a newer Hyndle. Start the newer version to take it in.');
  return head.data;
}

async function* rowsIn(zip: Zip, name: string, kind: RowWrite['table']): AsyncGenerator<RowWrite> {
  let at = 0;
  for await (const lines of zip.lines(name))
    for (const line of lines) {
      at++;
      if (line === '') continue;
      const parsed = lineShape.safeParse(jsonOf(line));
      if (!parsed.success) throw new BadZip(`Line ${at} of ${name} could not be read.`);
      yield { table: kind, row: upcast(kind, parsed.data.row, parsed.data.shape) } as RowWrite;
    }
}

async function* pointsIn(zip: Zip, name: string): AsyncGenerator<Points> {
  let at = 0;
  for await (const lines of zip.lines(name)) {
    const points: [number, number][] = [];
    for (const line of lines) {
      at++;
      if (at === 1 || line === '') continue;
      const [time = '', temperature = ''] = line.split(',');
      const point: [number, number] = [Date.parse(time), Number(temperature)];
      if (temperature.trim() === '' || point.some((one) => !Number.isFinite(one))) throw new BadZip(`Line ${at} of ${name} could not be read.`);
      points.push(point);
    }
    yield points;
  }
}

/** A checksum that was mended with what it is of would hide nothing here: the name of a picture is the checksum of its bytes. */
async function lookAtBlob(zip: Zip, name: string, hash: string): Promise<void> {
  const sum = createHash('sha256');
  for await (const chunk of zip.read(name)) sum.update(chunk);
  if (sum.digest('hex') !== hash) throw new BadZip(`“${name}” is not the picture that it was.`);
}

function miscounted(head: Head, counted: { rows: Record<string, number>; readings: Record<string, number> }, blobs: number): string[] {
  const faults: string[] = [];
  for (const what of ['rows', 'readings'] as const)
    for (const name of new Set([...Object.keys(head[what] ?? {}), ...(head[what] ? Object.keys(counted[what]) : [])])) {
      const [said, found] = [head[what]?.[name] ?? 0, counted[what][name] ?? 0];
      if (said !== found) faults.push(`It says ${said} ${what} of ${name.slice(0, 80)} and has ${found}.`);
    }
  if (head.blobs !== undefined && head.blobs !== blobs) faults.push(`It says ${head.blobs} files of pictures and has ${blobs}.`);
  return faults;
}

function decodedName(name: string): string | null {
  try {
    return decodeURIComponent(name);
  } catch {
    return null;
  }
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
