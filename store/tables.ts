import { bathActTable } from './baths';
import type { Db } from './db';
import { fastnessTable } from './fastness';
import { homeTable } from './home';
import { lookTable } from './looks';
import { lotTable, passportEntryTable } from './lots';
import { crcOf, type Mark } from './mark';
import { methodShelf, methodTable } from './methods';
import type { RowTable } from './rowTable';
import { runEventTable, runTable } from './runs';
import { sentTable } from './sent';
import { planTable, sessionTable } from './sessions';
import { liquors, ownSubstances, stock } from './shelf';
import { trialTable } from './trials';
import { shapeOf } from './upcasts';
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
  stock: stock.table,
  liquor: liquors.table,
  bath_act: bathActTable,
  own_substance: ownSubstances.table,
  method: methodTable,
  method_shelf: methodShelf.table,
  weigh_tick: weighTickTable,
  look: lookTable,
  trial: trialTable,
  fastness_test: fastnessTable,
  sent: sentTable,
};
export type RowKind = keyof typeof TABLES;
export const ROW_KINDS = Object.keys(TABLES) as RowKind[];

type RowOf<T> = T extends RowTable<infer Row> ? Row : never;
/** Any row that can be written: the table's name and the whole row. */
export type RowWrite = { [K in RowKind]: { readonly table: K; readonly row: RowOf<(typeof TABLES)[K]> } }[RowKind];

export const isRowKind = (name: string): name is RowKind => Object.hasOwn(TABLES, name);

/** Each table and its rows belong together; the name in the write says which, so the pair is sound. */
export const tableOf = (name: RowKind): RowTable<unknown> => TABLES[name] as unknown as RowTable<unknown>;

export const markOf = (seq: number, { table, row }: RowWrite): Mark => ({ seq, crc: crcOf(row), shape: shapeOf(table) });

/** @returns false when a fact that never changes was there already, and stays */
export const put = (db: Db, write: RowWrite, seq: number): Promise<boolean> => tableOf(write.table).put(db, write.row, markOf(seq, write));

export const mend = (db: Db, write: RowWrite, seq: number): Promise<void> => tableOf(write.table).mend(db, write.row, markOf(seq, write));

const KIND_WORD: Record<RowKind, string> = {
  home: 'the home',
  lot: 'the lot',
  passport_entry: 'an entry in the past of a lot',
  vessel: 'the vessel',
  sim_pot: 'a simulated pot',
  session: 'the session',
  plan: 'a plan of',
  run: 'a run',
  run_event: 'an act of a run:',
  stock: 'on the shelf:',
  liquor: 'the kept liquor',
  bath_act: 'what was done to a kept bath:',
  own_substance: 'a stuff of your own:',
  method: 'the method',
  method_shelf: 'the method',
  weigh_tick: 'a tick of a weigh-out',
  look: 'a look at',
  trial: 'the trial',
  fastness_test: 'a test of fastness:',
  sent: 'what was asked for under the id',
};

/** A row in words, for a sentence about it: "the lot Hemp jersey". */
export function wordsOf(table: RowKind, row: unknown): string {
  const { name, label, substance, event, id } = (row ?? {}) as Record<string, unknown> & { event?: { type?: unknown } };
  const called = [name, label, substance, event?.type, id].find((word) => typeof word === 'string' && word !== '');
  return called === undefined ? KIND_WORD[table] : `${KIND_WORD[table]} ${String(called)}`;
}
