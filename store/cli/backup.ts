// npm run backup [-- FILE]: everything as one file. From a folder it reads only what is never changed, so that it may run beside Hyndle.
import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { copiesIn } from '../archive/copies';
import { type ArchiveHead, rowsInDb, rowsInJournal, writeArchive } from '../archive/write';
import { Blobs } from '../blobs';
import { Journal } from '../journal';
import { Readings } from '../readings/readings';
import { dataFolder, isOnServer, main, openOurs, say } from './folder';

const now = new Date();

function fileFor(folder: string): string {
  const file = path.resolve(process.argv[2] ?? path.join(copiesIn(folder), `hyndle-${now.toISOString().slice(0, 10)}-by-hand-${now.getTime()}.zip`));
  mkdirSync(path.dirname(file), { recursive: true });
  return file;
}

function told({ rows, readings }: ArchiveHead, file: string): void {
  const sum = (all: Readonly<Record<string, number>>) => Object.values(all).reduce((total, one) => total + one, 0);
  say(`Saved ${sum(rows)} rows and ${sum(readings)} readings to ${file}`);
}

async function fromServer(): Promise<void> {
  const store = await openOurs();
  try {
    const file = fileFor(store.folder);
    told(await writeArchive(file, rowsInDb(store.db), store, now.getTime()), file);
  } finally {
    await store.close();
  }
}

async function fromFolder(): Promise<void> {
  const folder = dataFolder();
  if (!existsSync(path.join(folder, 'journal'))) throw new Error(`There is nothing to save in ${folder}.`);
  const file = fileFor(folder);
  const rows = await rowsInJournal(new Journal(path.join(folder, 'journal')));
  const beside = { readings: new Readings(path.join(folder, 'readings'), say), blobs: new Blobs(path.join(folder, 'blobs'), say) };
  told(await writeArchive(file, rows, beside, now.getTime()), file);
}

await main(() => (isOnServer ? fromServer() : fromFolder()));
