/** What SQL is asked of: the embedded database, a PostgreSQL server, or a transaction of either; the caller owns the transaction. */
export interface Db {
  query<Row>(sql: string, params?: unknown[]): Promise<{ rows: Row[] }>;
}
