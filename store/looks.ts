import type { Look } from '@/core/swatch/look';
import type { Db } from './db';
import { rowTable } from './rowTable';

export const lookTable = rowTable<Look>({
  name: 'look',
  key: { id: (row) => row.id },
  columns: { run_id: (row) => row.at?.runId ?? null, at_ms: (row) => row.atMs },
});

const bodies = async (db: Db, where: string, params: unknown[]): Promise<Look[]> =>
  (await db.query<{ body: Look }>(`select body from look ${where} order by at_ms, id`, params)).rows.map((row) => row.body);

/** All of them, withdrawn ones among them, oldest first; so are the lists below. */
export const listLooks = (db: Db): Promise<Look[]> => bodies(db, '', []);
export const looksOfRun = (db: Db, runId: string): Promise<Look[]> => bodies(db, 'where run_id = $1', [runId]);
export const looksOfLiquor = (db: Db, liquorId: string): Promise<Look[]> => bodies(db, "where body ->> 'liquorId' = $1", [liquorId]);
export const looksOfLots = (db: Db, lotIds: readonly string[]): Promise<Look[]> => bodies(db, "where body -> 'lotIds' ?| $1", [lotIds]);

/** Lots of the newest so many looks that still count. @returns isAll when there are no older ones */
export async function lotsLookedAtLast(db: Db, looks: number): Promise<{ readonly lotIds: string[]; readonly isAll: boolean }> {
  const { rows } = await db.query<{ lots: string[]; looks: number }>(
    `with newest as materialized (select body from look where not body -> 'changes' @> '[{"kind": "withdrawn"}]' order by at_ms desc limit $1)
     select array(select distinct jsonb_array_elements_text(body -> 'lotIds') from newest) as lots, (select count(*)::int from newest) as looks`,
    [looks],
  );
  return { lotIds: rows[0]?.lots ?? [], isAll: (rows[0]?.looks ?? 0) < looks };
}

/** Looks at which a colour was read: of these lots, or of all. */
export const colouredLooks = (db: Db, lotIds: readonly string[] | null): Promise<Look[]> =>
  lotIds === null ? bodies(db, "where body -> 'colour' <> 'null'", []) : bodies(db, "where body -> 'colour' <> 'null' and body -> 'lotIds' ?| $1", [lotIds]);

export async function loadLook(db: Db, id: string): Promise<Look | null> {
  return (await bodies(db, 'where id = $1', [id]))[0] ?? null;
}

/** The names of all files that a look names. */
export async function namedPictures(db: Db): Promise<Set<string>> {
  const { rows } = await db.query<{ hash: string }>(
    `select distinct size.hash from look, jsonb_array_elements(body -> 'pictures') as p,
       lateral (values (p ->> 'hash'), (p ->> 'middle'), (p ->> 'small')) as size (hash)`,
  );
  return new Set(rows.map((row) => row.hash));
}
