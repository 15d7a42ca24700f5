import { type MethodInput, readMethodFile, toMethodFile } from '@/contract/methodFile';
import type { MethodView } from '@/contract/views';
import { methodFaults } from '@/core/method/copy';
import { LIBRARY, type MethodBook, methodBook } from '@/core/method/library';
import type { Method } from '@/core/method/method';
import { loadVersions, methodShelf, methodTable } from '@/store/methods';
import type { App } from './app';
import { commitNew } from './commitNew';
import { conflict, invalid, notFound } from './problem';
import { wholeShelf } from './shelf';

/** The library with every version of every own method. */
export async function bookOf({ store }: App): Promise<MethodBook> {
  const [own, shelf] = [await methodTable.all(store.db), await methodShelf.all(store.db)];
  return methodBook(own, new Set(shelf.filter((row) => row.retired).map((row) => row.id)));
}

export async function methodView({ store }: App, id: string): Promise<MethodView> {
  const library = LIBRARY.find(id);
  if (library) return { versions: [library], own: false, retired: false, revision: 1 };
  const [versions, shelf] = [await loadVersions(store.db, id), await methodShelf.load(store.db, id)];
  if (versions.length === 0) throw notFound('method', id);
  return { versions, own: true, retired: shelf?.retired ?? false, revision: shelf?.revision ?? 1 };
}

async function checked(app: App, input: MethodInput, id: string, version: number): Promise<Method> {
  const method: Method = { ...input, id, version } as Method;
  const faults = methodFaults(method, await wholeShelf(app));
  if (faults.length > 0)
    throw invalid(
      faults
        .map((fault) => fault.message)
        .join(' ')
        .slice(0, 600),
      faults,
    );
  return method;
}

export async function addMethod(app: App, { id, ...input }: MethodInput & { id: string }): Promise<Method> {
  const { store, live } = app;
  if (LIBRARY.find(id)) throw conflict(`“${id}” is a method of the library. A copy has an id of its own.`);
  const method = await checked(app, input, id, 1);
  return store.exclusive(async () => {
    const [had] = await loadVersions(store.db, id);
    if (had) {
      if (had.name !== method.name) throw conflict(`The id ${id} already belongs to ${had.name}.`);
      return had;
    }
    await commitNew(app, [
      { table: 'method', row: method },
      { table: 'method_shelf', row: { id, revision: 1, retired: false } },
    ]);
    live.publish({ kind: 'changed', what: 'method', id });
    return method;
  });
}

/** A change is a new version; sessions keep the one they were planned with. */
export async function reviseMethod(app: App, id: string, { expectedVersion, ...input }: MethodInput & { expectedVersion: number }): Promise<Method> {
  const { store, live } = app;
  if (LIBRARY.find(id)) throw conflict('Methods of the library are not changed. Copy it and change the copy.');
  const method = await checked(app, input, id, expectedVersion + 1);
  return store.exclusive(async () => {
    const newest = (await loadVersions(store.db, id)).at(-1);
    if (!newest) throw notFound('method', id);
    if (newest.version !== expectedVersion)
      throw conflict(`${newest.name} is at version ${newest.version} already; yours was made from ${expectedVersion}. Load it again; nothing was overwritten.`);
    await commitNew(app, [{ table: 'method', row: method }]);
    live.publish({ kind: 'changed', what: 'method', id });
    return method;
  });
}

export function retireMethod(app: App, id: string, input: { revision: number; retired: boolean }): Promise<MethodView> {
  const { store, live } = app;
  if (LIBRARY.find(id)) throw conflict('Methods of the library stay.');
  return store.exclusive(async () => {
    const had = await methodShelf.load(store.db, id);
    if (!had) throw notFound('method', id);
    if (had.revision !== input.revision) throw conflict('It was changed somewhere else meanwhile. Load it again; nothing was overwritten.');
    await store.commit([{ table: 'method_shelf', row: { id, revision: had.revision + 1, retired: input.retired } }]);
    live.publish({ kind: 'changed', what: 'method', id });
    return methodView(app, id);
  });
}

export async function methodAsFile(app: App, id: string) {
  const newest = (await methodView(app, id)).versions.at(-1);
  if (!newest) throw notFound('method', id);
  return toMethodFile(newest);
}

export async function importMethod(app: App, { id, file }: { id: string; file?: unknown }): Promise<Method> {
  const read = readMethodFile(file, await wholeShelf(app));
  if (!read.ok)
    throw invalid(
      read.error
        .map((fault) => fault.message)
        .join(' ')
        .slice(0, 600),
      read.error,
    );
  return addMethod(app, { ...read.value, id });
}
