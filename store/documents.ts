import type { Db } from './db';
import { type RowTable, rowTable } from './rowTable';

/** A thing on the shelf: edited as a whole, retired instead of deleted. */
export interface Document {
  readonly id: string;
  readonly revision: number;
  readonly retired: boolean;
}

type DocumentTable = 'stock' | 'liquor' | 'own_substance' | 'method_shelf';

export interface Documents<Row extends Document> {
  readonly table: RowTable<Row>;
  /** All that are not retired, by id. */
  list(db: Db): Promise<Row[]>;
  all(db: Db): Promise<Row[]>;
  load(db: Db, id: string): Promise<Row | null>;
}

/** The tables of the shelf have one shape (migration 0002); the name is one of a fixed few, never typed by anybody. */
export function documents<Row extends Document>(name: DocumentTable): Documents<Row> {
  const rowsOf = async (db: Db, where: string, params: unknown[]): Promise<Row[]> =>
    (await db.query<{ body: Row }>(`select body from ${name} ${where} order by id`, params)).rows.map((row) => row.body);
  const table = rowTable<Row>({
    name,
    key: { id: (row) => row.id },
    columns: { revision: (row) => row.revision, retired: (row) => row.retired },
  });
  return {
    table,
    list: (db) => rowsOf(db, 'where not retired', []),
    all: table.all,
    load: async (db, id) => (await rowsOf(db, 'where id = $1', [id]))[0] ?? null,
  };
}
