import { type Db, type Table, wholeRows } from './db';

/** A thing on the shelf: edited as a whole, retired instead of deleted. */
export interface Document {
  readonly id: string;
  readonly revision: number;
  readonly retired: boolean;
}

type DocumentTable = 'stock' | 'liquor' | 'own_substance' | 'method_shelf';

export interface Documents<Row extends Document> {
  readonly table: Table<Row, Row>;
  /** All that are not retired, by id. */
  list(db: Db): Promise<Row[]>;
  all(db: Db): Promise<Row[]>;
  load(db: Db, id: string): Promise<Row | null>;
}

/** The tables of the shelf have one shape (migration 0002); the name is one of a fixed few, never typed by anybody. */
export function documents<Row extends Document>(name: DocumentTable): Documents<Row> {
  const rowsOf = async (db: Db, where: string, params: unknown[]): Promise<Row[]> =>
    (await db.query<{ body: Row }>(`select body from ${name} ${where} order by id`, params)).rows.map((row) => row.body);
  const table: Table<Row, Row> = {
    name,
    ...wholeRows((row) => row.id),
    put: async (db, row) => {
      await db.query(
        `insert into ${name} (id, revision, retired, body)
         values ($1, $2, $3, $4)
         on conflict (id) do update
         set revision = excluded.revision, retired = excluded.retired, body = excluded.body`,
        [row.id, row.revision, row.retired, JSON.stringify(row)],
      );
    },
    all: (db) => rowsOf(db, '', []),
  };
  return {
    table,
    list: (db) => rowsOf(db, 'where not retired', []),
    all: table.all,
    load: async (db, id) => (await rowsOf(db, 'where id = $1', [id]))[0] ?? null,
  };
}
