import type { Readable } from 'node:stream';
import { crc32 } from 'node:zlib';
import { type Entry, openPromise, type ZipFile } from 'yauzl';

/** Thrown for a zip file that cannot be read, or does not hold what it says; `message` says what to do. */
export class BadZip extends Error {
  override readonly name: string = 'BadZip';
}
/** Thrown for one that would become far more than it is: no file of ours does, and a small one could fill any disk. */
export class TooMuchInside extends BadZip {
  override readonly name = 'TooMuchInside';
}

const MB = 1024 * 1024;
/** Inflated, in all and an entry. Pictures are stored as they are; a day of readings becomes about ten times as long. */
export const LIMITS = { totalBytes: 8192 * MB, entryBytes: 4096 * MB, entries: 500_000, ratio: 100, freeBytes: 4 * MB } as const;

/**
 * An open zip file: its entries by name, read as streams and never as a whole. Its directory is judged before anything is inflated;
 * inflating itself is done in the threads of the system (zlib), so that others are answered meanwhile.
 */
export class Zip {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
  ) {}

  /** @throws BadZip @throws TooMuchInside */
  static async open(file: string): Promise<Zip> {
    let zip: ZipFile | null = null;
    try {
      zip = await openPromise(file, { autoClose: false, lazyEntries: true, validateEntrySizes: true });
      const entries = new Map<string, Entry>();
      for await (const entry of zip.eachEntry()) {
        if (entries.has(entry.fileName)) throw new BadZip(`“${plain(entry.fileName)}” is in it twice.`);
        if (entry.isEncrypted()) throw new BadZip(`“${plain(entry.fileName)}” is encrypted.`);
        entries.set(entry.fileName, entry);
        if (entries.size > LIMITS.entries) throw new TooMuchInside(`There are more than ${LIMITS.entries} entries in it.`);
      }
      refuseTooMuch([...entries.values()], zip.fileSize);
      return new Zip(zip, entries);
    } catch (error) {
      zip?.close();
      if (error instanceof BadZip) throw error;
      throw new BadZip('This is no zip file, or its directory is damaged.');
    }
  }

  get names(): readonly string[] {
    return [...this.entries.keys()];
  }

  /** An entry, a piece at a time, held against its checksum and length. @throws BadZip when it is not there or not what it was */
  async *read(name: string): AsyncGenerator<Buffer> {
    const entry = this.entries.get(name);
    if (!entry) throw new BadZip(`“${plain(name)}” is missing.`);
    let stream: Readable | null = null;
    try {
      stream = await this.zip.openReadStreamPromise(entry);
      let sum = 0;
      for await (const chunk of stream as AsyncIterable<Buffer>) {
        sum = crc32(chunk, sum);
        yield chunk;
      }
      if (sum !== entry.crc32 >>> 0) throw new Error('checksum');
    } catch {
      throw new BadZip(`“${plain(name)}” is damaged.`);
    } finally {
      stream?.destroy();
    }
  }

  /** Its lines, a few hundred at a time. */
  async *lines(name: string): AsyncGenerator<readonly string[]> {
    const decoder = new TextDecoder();
    let rest = '';
    for await (const chunk of this.read(name)) {
      const lines = (rest + decoder.decode(chunk, { stream: true })).split('\n');
      rest = lines.pop() ?? '';
      yield lines;
    }
    rest += decoder.decode();
    if (rest !== '') yield [rest];
  }

  async whole(name: string): Promise<Buffer> {
    const chunks: Buffer[] = [];
    for await (const chunk of this.read(name)) chunks.push(chunk);
    return Buffer.concat(chunks);
  }

  close(): void {
    this.zip.close();
  }
}

/** A name as it may stand in a sentence. */
const plain = (name: string): string => name.replaceAll(/[^\x20-\x7e]/g, '?').slice(0, 120);

function refuseTooMuch(entries: readonly Entry[], fileBytes: number): void {
  const total = entries.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0);
  const most = Math.min(LIMITS.totalBytes, LIMITS.freeBytes + fileBytes * LIMITS.ratio);
  const isBomb = ({ uncompressedSize, compressedSize }: Entry) =>
    uncompressedSize > LIMITS.entryBytes || uncompressedSize > LIMITS.freeBytes + compressedSize * LIMITS.ratio;
  const one = entries.find(isBomb);
  if (one) throw new TooMuchInside(`“${plain(one.fileName)}” would become ${inMb(one.uncompressedSize)} MB of ${inMb(one.compressedSize)}.`);
  if (total > most) throw new TooMuchInside(`It would become ${inMb(total)} MB of ${inMb(fileBytes)}.`);
}

const inMb = (bytes: number): string => (bytes / MB).toFixed(1);
