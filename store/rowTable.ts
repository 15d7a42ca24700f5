import type { Db } from './db';
import type { Mark, Marked } from './mark';

/** A kind of row: its table, the columns that name it, and those that are searched by. Everything else is in `body`. */
interface Shape<Row> {
  readonly name: string;
  readonly key: Readonly<Record<string, (row: Row) => string | number>>;
  readonly columns?: Readonly<Record<string, (row: Row) => unknown>>;
  /** What stands in `body`; null for a table that has none. */
  readonly body?: ((row: Row) => unknown) | null;
  readonly fromRaw?: (raw: Readonly<Record<string, unknown>>) => Row;
  /** A fact that never changes: the first one stands. */
  readonly once?: boolean;
}

/** A table as the journal sees it: whole rows that can be put twice without harm, each with its mark. */
export interface RowTable<Row> {
  readonly name: string;
  readonly once: boolean;
  keyOf(row: Row): string;
  /** Puts a row. `false` says that a fact with this key was there already, and stays. */
  put(db: Db, row: Row, mark: Mark): Promise<boolean>;
  /** Puts a row over whatever is there. */
  mend(db: Db, row: Row, mark: Mark): Promise<void>;
  drop(db: Db, row: Row): Promise<void>;
  all(db: Db): Promise<Row[]>;
  /** At most `limit` rows in the order of their keys, after one of them. */
  page(db: Db, after: Row | null, limit: number): Promise<Marked<Row>[]>;
  /** Rows that acts after this one wrote. */
  since(db: Db, seq: number): Promise<Marked<Row>[]>;
  find(db: Db, row: Row): Promise<Marked<Row> | null>;
  /** Those of the rows that are there, by their keys, in one query. */
  findAll(db: Db, rows: readonly Row[]): Promise<ReadonlyMap<string, Marked<Row>>>;
}

const list = (count: number, from = 1): string => Array.from({ length: count }, (_, i) => `$${from + i}`).join(', ');

/** @returns the plain SQL of one kind of row; names of tables and columns come from this code, never from a person */
export function rowTable<Row>({ name, key, columns = {}, body = (row) => row, fromRaw = (raw) => raw.body as Row, once = false }: Shape<Row>): RowTable<Row> {
  const keys = Object.keys(key);
  const others = [...Object.keys(columns), ...(body ? ['body'] : []), 'seq', 'crc', 'shape'];
  const keyValues = (row: Row): unknown[] => Object.values(key).map((value) => value(row));
  const values = (row: Row, mark: Mark): unknown[] => [
    ...keyValues(row),
    ...Object.values(columns).map((value) => value(row)),
    ...(body ? [JSON.stringify(body(row))] : []),
    mark.seq,
    mark.crc,
    mark.shape,
  ];
  const insert = `insert into ${name} (${[...keys, ...others].join(', ')}) values (${list(keys.length + others.length)}) on conflict (${keys.join(', ')})`;
  const update = `do update set ${others.map((column) => `${column} = excluded.${column}`).join(', ')}`;
  const select = `select ${[...keys, ...others].join(', ')} from ${name}`;
  const order = `order by ${keys.join(', ')}`;
  const isThis = keys.map((column, i) => `${column} = $${i + 1}`).join(' and ');
  const marked = (raw: Record<string, unknown>): Marked<Row> => ({
    row: fromRaw(raw),
    mark: { seq: Number(raw.seq), crc: Number(raw.crc), shape: Number(raw.shape) },
  });
  const rows = async (db: Db, sql: string, params: unknown[] = []): Promise<Marked<Row>[]> =>
    (await db.query<Record<string, unknown>>(sql, params)).rows.map(marked);
  return {
    name,
    once,
    keyOf: (row) => keyValues(row).join('/'),
    put: async (db, row, mark) => {
      if (!once) {
        await db.query(`${insert} ${update}`, values(row, mark));
        return true;
      }
      return (await db.query(`${insert} do nothing returning seq`, values(row, mark))).rows.length === 1;
    },
    mend: async (db, row, mark) => {
      await db.query(`${insert} ${update}`, values(row, mark));
    },
    drop: async (db, row) => {
      await db.query(`delete from ${name} where ${isThis}`, keyValues(row));
    },
    all: async (db) => (await rows(db, `${select} ${order}`)).map((one) => one.row),
    page: (db, after, limit) =>
      after === null
        ? rows(db, `${select} ${order} limit $1`, [limit])
        : rows(db, `${select} where (${keys.join(', ')}) > (${list(keys.length)}) ${order} limit $${keys.length + 1}`, [...keyValues(after), limit]),
    since: (db, seq) => rows(db, `${select} where seq > $1 ${order}`, [seq]),
    findAll: async (db, wanted) => {
      if (wanted.length === 0) return new Map();
      const tuples = wanted.map((_, i) => `(${list(keys.length, 1 + i * keys.length)})`).join(', ');
      const found = await rows(db, `${select} where (${keys.join(', ')}) in (${tuples})`, wanted.flatMap(keyValues));
      return new Map(found.map((one) => [keyValues(one.row).join('/'), one]));
    },
    find: async (db, row) => (await rows(db, `${select} where ${isThis}`, keyValues(row)))[0] ?? null,
  };
}
