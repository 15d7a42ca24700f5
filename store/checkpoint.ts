import { closeSync, existsSync, fsyncSync, openSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { crc32 } from 'node:zlib';
import { forceFolder, type Place } from './journal';
import { NewerData } from './upcasts';

/** What this version writes; a folder with a greater number is left alone. */
const FORMAT = 2;

/** What was proved to be on the disk, and when to believe it again. */
export interface Checkpoint {
  /** The last act that the database surely holds. */
  readonly seq: number;
  /** When it was written, by the machine's clock. Checkpoints of older versions do not say. */
  readonly atMs?: number | null;
  /** Where the journal goes on after it; null when it had no line yet. */
  readonly place: Place | null;
  /** The boot of the machine during which it was written; null: believe nothing. */
  readonly boot: string | null;
  /** Checksums of the database's files at a clean stop; null while it is open. */
  readonly files: Readonly<Record<string, number>> | null;
}

const fileIn = (folder: string): string => path.join(folder, 'checkpoint.json');

/** @returns null when there is none, or none that can be believed. @throws NewerData */
export function readCheckpoint(folder: string): Checkpoint | null {
  let kept: { format: number; sum: number; checkpoint: Checkpoint };
  try {
    kept = JSON.parse(readFileSync(fileIn(folder), 'utf8'));
  } catch {
    return null;
  }
  if (kept.format > FORMAT) throw new NewerData(`The data folder ${folder} was written by a newer Hyndle. Start the newer version; nothing here was touched.`);
  return kept.format === FORMAT && kept.sum === crc32(JSON.stringify(kept.checkpoint)) ? kept.checkpoint : null;
}

export function writeCheckpoint(folder: string, checkpoint: Checkpoint): void {
  const part = `${fileIn(folder)}.part`;
  writeFileSync(part, JSON.stringify({ format: FORMAT, sum: crc32(JSON.stringify(checkpoint)), checkpoint }), { flush: true });
  renameSync(part, fileIn(folder));
  forceFolder(folder);
  // What older versions left at a clean stop says nothing that is true from now on.
  rmSync(path.join(folder, 'clean.json'), { force: true });
}

/** Not part of what the database holds: it is made anew at every start. */
const PASSING = new Set(['postmaster.pid', 'postmaster.opts']);

function filesOf(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !PASSING.has(entry.name))
    .map((entry) => path.relative(folder, path.join(entry.parentPath, entry.name)))
    .sort();
}

/** The checksum of every file of a folder. */
export const sumsOf = (folder: string): Record<string, number> =>
  Object.fromEntries(filesOf(folder).map((name) => [name, crc32(readFileSync(path.join(folder, name)))]));

/** Whether every file still holds what it held; the first that does not ends the look. */
export function sumsAgree(folder: string, sums: Readonly<Record<string, number>>): boolean {
  if (!existsSync(folder)) return false;
  const names = filesOf(folder);
  return names.length === Object.keys(sums).length && names.every((name) => sums[name] === crc32(readFileSync(path.join(folder, name))));
}

/** Makes all that was written into a folder's files last. */
export function forceFiles(folder: string): void {
  for (const name of filesOf(folder)) {
    const fd = openSync(path.join(folder, name), 'r');
    fsyncSync(fd);
    closeSync(fd);
  }
}
