import type { PGlite, Transaction } from '@electric-sql/pglite';

/** Works inside and outside a transaction; the caller owns the transaction. */
export type Db = Pick<PGlite | Transaction, 'query'>;

/**
 * A table as the journal sees it: writes are whole facts that can be put twice without harm, so that any write can be
 * replayed, and the whole table can be checked against the journal.
 */
export interface Table<Write, Row> {
  readonly name: string;
  /** Puts a write; putting the same one again changes nothing. `false` says that it was there already. */
  put(db: Db, write: Write): Promise<boolean | undefined>;
  all(db: Db): Promise<Row[]>;
  /** What the table must hold after this write, by key. */
  expect(rows: Map<string, Row>, write: Write): void;
  keyOf(row: Row): string;
  /** The write that brings a row back. */
  toWrite(row: Row): Write;
}

/** For the usual table, in which a write is the whole row and the last one stands. */
export const wholeRows = <Row>(keyOf: (row: Row) => string): Pick<Table<Row, Row>, 'expect' | 'keyOf' | 'toWrite'> => ({
  expect: (rows, row) => void rows.set(keyOf(row), row),
  keyOf,
  toWrite: (row) => row,
});

/** For facts that never change: the first one stands. */
export const onceWritten = <Row>(keyOf: (row: Row) => string): Pick<Table<Row, Row>, 'expect' | 'keyOf' | 'toWrite'> => ({
  expect: (rows, row) => {
    if (!rows.has(keyOf(row))) rows.set(keyOf(row), row);
  },
  keyOf,
  toWrite: (row) => row,
});
