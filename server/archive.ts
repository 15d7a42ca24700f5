import { randomUUID } from 'node:crypto';
import { closeSync, mkdirSync, openSync, rmSync, writeSync } from 'node:fs';
import path from 'node:path';
import { MOST_BYTES } from '@/contract/fileDoors';
import type { Merged } from '@/core/archive/merged';
import { copiesIn, copyDue, listCopies, pruneCopies } from '@/store/archive/copies';
import { merge, previewMerge } from '@/store/archive/merge';
import { type Archive, NotAnArchive, openArchive, TooBigInside } from '@/store/archive/read';
import { rowsInDb, writeArchive } from '@/store/archive/write';
import { NewerData } from '@/store/upcasts';
import type { App } from './app';
import { invalid, notFound, Problem } from './problem';
import { badRow } from './rowShapes';

/** Makes the copy of today, when there is none yet, and puts away what the rule does not keep. */
export async function dailyCopy({ store, nowMs }: App, pause: () => Promise<void>): Promise<void> {
  const file = copyDue(store.folder, nowMs());
  if (!file || store.lastSeq === 0) return;
  await writeArchive(file, rowsInDb(store.db), store, nowMs(), pause);
  pruneCopies(store.folder);
}

/** Everything as one file, made now. The caller takes it away when it has been sent. */
export async function archiveNow({ store, nowMs }: App): Promise<string> {
  mkdirSync(copiesIn(store.folder), { recursive: true });
  const file = path.join(copiesIn(store.folder), `sending-${nowMs()}-${store.lastSeq}.zip`);
  await writeArchive(file, rowsInDb(store.db), store, nowMs(), breathe);
  return file;
}

/** Says what a sent archive would change; with `take` it is taken in, after a copy of how it was before. */
export async function takeArchive(app: App, body: ReadableStream<Uint8Array> | null, take: boolean): Promise<Merged & { before: string | null }> {
  const { store, nowMs, live } = app;
  mkdirSync(copiesIn(store.folder), { recursive: true });
  const file = path.join(copiesIn(store.folder), `received-${randomUUID()}.zip`);
  let archive: Archive | null = null;
  try {
    await save(body, file);
    archive = await openArchive(file);
    const bad = await badRow(archive.rows, breathe);
    if (bad) throw invalid(`${bad.message} Nothing was taken in.`, [bad]);
    if (!take) return { ...(await previewMerge(store, archive)), before: null };
    const before = `hyndle-${new Date(nowMs()).toISOString().slice(0, 10)}-before-${nowMs()}.zip`;
    await writeArchive(path.join(copiesIn(store.folder), before), rowsInDb(store.db), store, nowMs(), breathe);
    const done = await merge(store, archive);
    app.hotRuns.clear();
    live.publish({ kind: 'changed', what: 'everything', id: 'archive' });
    return { ...done, before };
  } catch (error) {
    if (error instanceof TooBigInside) throw new Problem(413, 'Too big', `${error.message} Nothing was taken in.`);
    if (error instanceof NotAnArchive || error instanceof NewerData) throw invalid(error.message, [{ at: 'file', message: error.message }]);
    if (isBadRow(error))
      throw invalid('A row in this file is not as Hyndle writes them. It was not taken in.', [{ at: 'file', message: 'Save it again where it came from.' }]);
    throw error;
  } finally {
    archive?.close();
    rmSync(file, { force: true });
  }
}

/** Lets others be answered in between. */
const breathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Everything as a copy says that was made here; what is there now is kept aside. @returns where */
export async function putBack(app: App, name: string): Promise<{ aside: string }> {
  const { store, live } = app;
  const copy = listCopies(store.folder).find((one) => one.name === name);
  if (!copy) throw notFound('copy', name.slice(0, 80));
  const archive = await openArchive(path.join(copiesIn(store.folder), copy.name)).catch((error: unknown) => {
    if (error instanceof NotAnArchive || error instanceof TooBigInside) throw invalid(error.message);
    throw error;
  });
  const aside = await store.putBack(archive).finally(() => archive.close());
  app.hotRuns.clear();
  live.publish({ kind: 'changed', what: 'everything', id: 'archive' });
  return { aside: path.relative(store.folder, aside) };
}

/** What the database says of a row that cannot be kept: classes 22 and 23 of the SQL standard's states. */
const isBadRow = (error: unknown): boolean => /^2[23]/.test(String((error as { code?: unknown }).code));

async function save(body: ReadableStream<Uint8Array> | null, file: string): Promise<void> {
  const fd = openSync(file, 'w');
  try {
    let bytes = 0;
    for await (const chunk of (body ?? []) as AsyncIterable<Uint8Array>) {
      bytes += chunk.length;
      if (bytes > MOST_BYTES.takeArchive) throw new Problem(413, 'Too big', 'At most 1 GB at a time. Take it in with npm run restore instead.');
      writeSync(fd, chunk);
    }
  } finally {
    closeSync(fd);
  }
}
