import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { forceFolder } from '../journal';

/** What makes up the data; copies and what was put aside stay where they are. */
const PARTS = ['pg', 'journal', 'readings', 'blobs', 'checkpoint.json', 'clean.json'];

/** Data that is being put in the place of other data: first the old goes out, then the new comes in. */
interface Swap {
  readonly phase: 'out' | 'in';
  /** Where the old data goes. */
  readonly aside: string;
  /** Where the new data lies, whole and closed. */
  readonly from: string;
}

const fileIn = (folder: string): string => path.join(folder, 'putting-back.json');

function write(folder: string, swap: Swap): void {
  const part = `${fileIn(folder)}.part`;
  writeFileSync(part, JSON.stringify(swap), { flush: true });
  renameSync(part, fileIn(folder));
  forceFolder(folder);
}

function move(from: string, to: string): void {
  mkdirSync(to, { recursive: true });
  for (const part of PARTS) if (existsSync(path.join(from, part))) renameSync(path.join(from, part), path.join(to, part));
  forceFolder(to);
  forceFolder(from);
}

/** Puts the data in `from` in the place of what is in the folder, which must not be open. @returns where the old data is now */
export function swapIn(folder: string, from: string, nowMs: number): string {
  const aside = path.join(folder, 'aside', `replaced-${nowMs}`);
  write(folder, { phase: 'out', aside, from });
  finishSwap(folder);
  return aside;
}

/** Goes on with a swap wherever it was broken off; does nothing when there is none. */
export function finishSwap(folder: string): void {
  if (!existsSync(fileIn(folder))) return;
  const swap = JSON.parse(readFileSync(fileIn(folder), 'utf8')) as Swap;
  if (swap.phase === 'out') {
    move(folder, swap.aside);
    write(folder, { ...swap, phase: 'in' });
  }
  if (existsSync(swap.from)) move(swap.from, folder);
  rmSync(fileIn(folder));
  rmSync(swap.from, { recursive: true, force: true });
}
