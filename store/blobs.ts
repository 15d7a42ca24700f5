import { createHash, randomUUID } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, readFileSync, renameSync, rmSync, statSync, utimesSync, writeSync } from 'node:fs';
import path from 'node:path';
import { forceFolder } from './journal';

const DAY_MS = 86_400_000;
/** A file that no row names is left for a while: the row that names it may be on its way, or kept on a phone without a connection. */
export const ORPHAN_MS = 7 * DAY_MS;

export const isBlobHash = (text: string): boolean => /^[\da-f]{64}$/.test(text);

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/**
 * Files by what is in them: the name is the SHA-256 of the bytes, so that the same picture is kept once and any damage shows. A file is forced
 * before it has its name, and before any row names it.
 */
export class Blobs {
  private readonly said = new Set<string>();

  constructor(
    private readonly folder: string,
    private readonly onFault: (text: string) => void = () => undefined,
  ) {}

  /** Keeps the bytes. @returns their name. Throws when the disk refuses; then nothing of them stays. */
  put(bytes: Uint8Array): string {
    const hash = hashOf(bytes);
    const file = this.file(hash);
    if (existsSync(file) && hashOf(readFileSync(file)) === hash) {
      // Sent again, it is young again: the row that names it is on its way.
      utimesSync(file, new Date(), new Date());
      return hash;
    }
    mkdirSync(path.dirname(file), { recursive: true });
    const part = `${file}.${randomUUID()}.part`;
    try {
      const fd = openSync(part, 'wx');
      try {
        for (let done = 0; done < bytes.length; ) done += writeSync(fd, bytes, done);
        fsyncSync(fd);
      } finally {
        closeSync(fd);
      }
      renameSync(part, file);
    } catch (error) {
      rmSync(part, { force: true });
      throw error;
    }
    forceFolder(path.dirname(file));
    forceFolder(this.folder);
    return hash;
  }

  /** The bytes of that name; null when they are not there, or not what they were, which is said. */
  read(hash: string): Buffer | null {
    const file = this.file(hash);
    if (!existsSync(file)) return null;
    const bytes = readFileSync(file);
    if (hashOf(bytes) === hash) return bytes;
    if (!this.said.has(hash))
      this.onFault(`The file ${hash.slice(0, 12)}… of ${new Date(statSync(file).mtimeMs).toISOString().slice(0, 10)} is damaged. It stays where it is.`);
    this.said.add(hash);
    return null;
  }

  /** All names there are. */
  names(): string[] {
    if (!existsSync(this.folder)) return [];
    return readdirSync(this.folder, { recursive: true, encoding: 'utf8' })
      .map((name) => path.basename(name))
      .filter(isBlobHash);
  }

  /** Takes away what no row names and has lain a while, and what was never finished. @returns how many */
  sweep(named: ReadonlySet<string>, nowMs: number): number {
    if (!existsSync(this.folder)) return 0;
    let gone = 0;
    for (const entry of readdirSync(this.folder, { recursive: true, withFileTypes: true })) {
      if (!entry.isFile()) continue;
      const file = path.join(entry.parentPath, entry.name);
      if (named.has(entry.name) || nowMs - statSync(file).mtimeMs < ORPHAN_MS) continue;
      rmSync(file);
      gone++;
    }
    return gone;
  }

  private file(hash: string): string {
    return path.join(this.folder, hash.slice(0, 2), hash);
  }
}
