import fs from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import path from 'node:path';

/** A disk that a test watches or breaks: every write of this process to files below a folder goes through here. */

type Fs = typeof fs;
const { writeSync, fsyncSync, fdatasyncSync, openSync, closeSync, writeFileSync, statfsSync } = fs;
const REAL = { writeSync, fsyncSync, fdatasyncSync, openSync, closeSync, writeFileSync, statfsSync };

const MB = 1024 * 1024;
/** What the disk says of the room it has. */
const saying = (bytes: () => number): Pick<Fs, 'statfsSync'> => ({
  statfsSync: (() => ({ bavail: Math.max(0, bytes()), bsize: 1 })) as unknown as Fs['statfsSync'],
});

/** Runs it on a disk that says it has so much room. */
export const withRoom = <T>(bytes: () => number, work: () => Promise<T>): Promise<T> => through(saying(bytes), work);

/** Puts functions of the file system in the place of the real ones while something runs. */
async function through<T>(own: Partial<Fs>, work: () => Promise<T>): Promise<T> {
  Object.assign(fs, own);
  syncBuiltinESMExports();
  try {
    return await work();
  } finally {
    Object.assign(fs, REAL);
    syncBuiltinESMExports();
  }
}

const noSpace = () => Object.assign(new Error('ENOSPC: no space left on device, write'), { code: 'ENOSPC', errno: -28, syscall: 'write' });

/**
 * Runs it on a disk that takes so many writes and no more, and says that each costs a megabyte.
 * @returns how many writes it asked for
 */
export async function onFullDisk(folder: string, takes: number, work: () => Promise<void>): Promise<number> {
  let asked = 0;
  const mine = new Set<number>();
  const countOr = (fd: number): void => {
    if (mine.has(fd) && asked++ >= takes) throw noSpace();
  };
  await through(
    {
      ...saying(() => (takes - asked) * MB),
      openSync: ((file: string, ...more: [never]) => {
        const fd = REAL.openSync(file, ...more);
        if (String(file).startsWith(folder)) mine.add(fd);
        return fd;
      }) as Fs['openSync'],
      closeSync: (fd) => {
        mine.delete(fd);
        REAL.closeSync(fd);
      },
      writeSync: ((fd: number, ...more: [never]) => {
        countOr(fd);
        return REAL.writeSync(fd, ...more);
      }) as Fs['writeSync'],
      writeFileSync: ((file: string, ...more: [never]) => {
        if (String(file).startsWith(folder) && asked++ >= takes) throw noSpace();
        REAL.writeFileSync(file, ...more);
      }) as Fs['writeFileSync'],
    },
    work,
  );
  return asked;
}

/** What a folder's disk surely holds: files by their names, null for one that is not there. */
export type Durable = ReadonlyMap<string, Buffer | null>;

/**
 * Runs it and takes down what the disk surely holds after every forced write: what a power cut at that moment would leave when nothing else
 * got there. Names count once their folder was forced.
 * @param before called at each such moment with what differs from the beginning
 */
export async function watchingDisk(folder: string, onForced: (durable: Durable) => void, work: () => Promise<void>): Promise<void> {
  const names = new Map<number, string>();
  const forced = new Map<number, Buffer>();
  const durable = new Map<string, Buffer | null>();
  const below = (dir: string): string[] =>
    fs.readdirSync(dir, { withFileTypes: true }).flatMap((entry) => (entry.isFile() ? [path.join(dir, entry.name)] : []));
  const force = (fd: number): void => {
    const name = names.get(fd);
    if (name === undefined || !name.startsWith(folder)) return;
    if (fs.fstatSync(fd).isDirectory()) {
      for (const file of below(name)) {
        const bytes = forced.get(fs.statSync(file).ino);
        if (bytes) durable.set(file, bytes);
      }
      for (const file of durable.keys()) if (path.dirname(file) === name && !fs.existsSync(file)) durable.set(file, null);
    } else if (fs.existsSync(name)) {
      const bytes = fs.readFileSync(name);
      forced.set(fs.fstatSync(fd).ino, bytes);
      // A name that was there before, or was forced since, has the bytes at once.
      if (durable.has(name) || known.has(name)) durable.set(name, bytes);
    }
    onForced(new Map(durable));
  };
  const known = new Set(fs.readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => path.join(folder, name)));
  await through(
    {
      openSync: ((file: string, ...more: [never]) => {
        const fd = REAL.openSync(file, ...more);
        names.set(fd, String(file));
        return fd;
      }) as Fs['openSync'],
      fsyncSync: (fd) => {
        REAL.fsyncSync(fd);
        force(fd);
      },
      fdatasyncSync: (fd) => {
        REAL.fdatasyncSync(fd);
        force(fd);
      },
      writeFileSync: ((file: string, data: string, options?: { flush?: boolean }) => {
        REAL.writeFileSync(file, data, options);
        if (!options?.flush) return;
        forced.set(fs.statSync(file).ino, fs.readFileSync(file));
        if (durable.has(file) || known.has(file)) durable.set(file, fs.readFileSync(file));
      }) as Fs['writeFileSync'],
    },
    work,
  );
}
