import type { Changed } from '@/contract/views';
import type { Document, Documents } from '@/store/documents';
import type { RowWrite } from '@/store/tables';
import type { App } from './app';
import { commitNew } from './commitNew';
import { conflict, notFound } from './problem';

/** What can be done with anything on the shelf: add it once, change it against a revision, put it away, take it back. */
interface Kind<Row extends Document> {
  readonly rows: Documents<Row>;
  readonly what: Changed;
  readonly write: (row: Row) => RowWrite;
  readonly nameOf: (row: Row) => string;
}

/** Sent again it is answered as the first time; an id that belongs to something else is a conflict. */
export function addDocument<Row extends Document>(app: App, kind: Kind<Row>, row: Row): Promise<Row> {
  const { store, live } = app;
  return store.exclusive(async () => {
    const had = await kind.rows.load(store.db, row.id);
    if (had) {
      if (kind.nameOf(had) !== kind.nameOf(row)) throw conflict(`The id ${row.id} already belongs to ${kind.nameOf(had)}.`);
      return had;
    }
    await commitNew(app, [kind.write(row)]);
    live.publish({ kind: 'changed', what: kind.what, id: row.id });
    return row;
  });
}

/** Changes one, if it is still as the caller saw it; else the caller is told and nothing is overwritten. */
export function changeDocument<Row extends Document>(app: App, kind: Kind<Row>, id: string, revision: number, change: (had: Row) => Row): Promise<Row> {
  const { store, live } = app;
  return store.exclusive(async () => {
    const had = await kind.rows.load(store.db, id);
    if (!had) throw notFound(kind.what, id);
    if (had.revision !== revision) throw conflict(`${kind.nameOf(had)} was changed somewhere else meanwhile. Load it again; nothing was overwritten.`);
    const row: Row = { ...change(had), id, revision: had.revision + 1 };
    await store.commit([kind.write(row)]);
    live.publish({ kind: 'changed', what: kind.what, id });
    return row;
  });
}
