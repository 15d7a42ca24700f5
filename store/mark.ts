import { crc32 } from 'node:zlib';

/** What proves a row: the act that wrote it, the checksum of what it says, and the version of its shape. */
export interface Mark {
  readonly seq: number;
  readonly crc: number;
  readonly shape: number;
}

/** A row as a store holds it, with its proof. */
export interface Marked<Row> {
  readonly row: Row;
  readonly mark: Mark;
}

/** JSON with sorted keys, since the database keeps objects in an order of its own. */
export function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}

export const crcOf = (row: unknown): number => crc32(canonical(row));

/** Whether a row still says what was written. A row from before there were marks proves nothing, and is not intact. */
export const isIntact = ({ row, mark }: Marked<unknown>): boolean => mark.seq > 0 && mark.crc === crcOf(row);
