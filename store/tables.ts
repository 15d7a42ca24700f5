import type { Db, Table } from './db';
import { homeTable } from './home';
import { lotTable, passportEntryTable } from './lots';
import { methodShelf, methodTable } from './methods';
import { probeTable } from './probes';
import { runEventTable, runTable } from './runs';
import { planTable, sessionTable } from './sessions';
import { liquors, ownSubstances, stock } from './shelf';
import { simPotTable, vesselTable } from './vessels';
import { weighTickTable } from './weighing';

const TABLES = {
  home: homeTable,
  lot: lotTable,
  passport_entry: passportEntryTable,
  vessel: vesselTable,
  sim_pot: simPotTable,
  session: sessionTable,
  plan: planTable,
  run: runTable,
  run_event: runEventTable,
  probe_minute: probeTable,
  stock: stock.table,
  liquor: liquors.table,
  own_substance: ownSubstances.table,
  method: methodTable,
  method_shelf: methodShelf.table,
  weigh_tick: weighTickTable,
};

type WriteOf<T> = T extends Table<infer W, never> ? W : T extends { put(db: Db, write: infer W): Promise<boolean | undefined> } ? W : never;

/** Any row that can be written: the table's name and the whole row. */
export type RowWrite = { [K in keyof typeof TABLES]: { readonly table: K; readonly row: WriteOf<(typeof TABLES)[K]> } }[keyof typeof TABLES];

/** Each table's writes and rows belong together; the name in the write says which, so the pair is sound. */
const tableOf = (name: RowWrite['table']): Table<unknown, unknown> => TABLES[name] as unknown as Table<unknown, unknown>;

export const put = (db: Db, write: RowWrite): Promise<boolean | undefined> => tableOf(write.table).put(db, write.row);

/** What the whole database must hold: table → key → row. */
export type Expected = Map<RowWrite['table'], Map<string, unknown>>;

export function expectAll(writes: Iterable<RowWrite>): Expected {
  const expected: Expected = new Map();
  for (const { table, row } of writes) {
    const rows = expected.get(table) ?? new Map<string, unknown>();
    tableOf(table).expect(rows, row);
    expected.set(table, rows);
  }
  return expected;
}

export function* writesOf(expected: Expected): Generator<RowWrite> {
  for (const [table, rows] of expected) for (const row of rows.values()) yield { table, row: tableOf(table).toWrite(row) } as RowWrite;
}

export interface Difference {
  readonly missing: readonly RowWrite[];
  /** In the database but not in the journal: written, then the process died before it could acknowledge. */
  readonly extra: readonly RowWrite[];
  readonly changed: number;
}

/** Reads every row and compares it with what the journal says must be there. Throws when a table cannot be read. */
export async function compare(db: Db, expected: Expected): Promise<Difference> {
  const missing: RowWrite[] = [];
  const extra: RowWrite[] = [];
  let changed = 0;
  for (const name of Object.keys(TABLES) as RowWrite['table'][]) {
    const table = tableOf(name);
    const wanted = new Map(expected.get(name));
    for (const row of await table.all(db)) {
      const want = wanted.get(table.keyOf(row));
      if (want === undefined) extra.push({ table: name, row: table.toWrite(row) } as RowWrite);
      else if (canonical(want) !== canonical(row)) changed++;
      wanted.delete(table.keyOf(row));
    }
    for (const row of wanted.values()) missing.push({ table: name, row: table.toWrite(row) } as RowWrite);
  }
  return { missing, extra, changed };
}

/** JSON with sorted keys, since the database keeps objects in an order of its own. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}
