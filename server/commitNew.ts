import type { RowWrite } from '@/store/tables';
import type { App } from './app';
import { conflict } from './problem';

/** Stores something new with what was asked for, so that the same request sent again is known. Call it inside `exclusive`. */
export async function commitNew({ store, sent }: App, rows: readonly RowWrite[]): Promise<void> {
  const asked = sent ? [{ table: 'sent' as const, row: sent }] : [];
  if (!(await store.commit([...rows, ...asked])))
    throw conflict('An id in this belongs to something else already. Make a new one and send it again; nothing was stored.');
}
