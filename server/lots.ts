import type { LotInput, TreatmentInput } from '@/contract/schemas';
import type { LotView } from '@/contract/views';
import type { Treatment } from '@/core/fibre/passport';
import { foldPassport, type Passport } from '@/core/fibre/passport';
import { foldRun } from '@/core/run/fold';
import { treatmentsOf } from '@/core/run/treatments';
import { entryExists, type LotRow, listLots, loadEntries, loadLot } from '@/store/lots';
import { eventsOfRuns, runsWithLots } from '@/store/runs';
import type { App } from './app';
import { conflict, notFound } from './problem';

export async function lotsWithPassports({ store }: App): Promise<LotView[]> {
  const lots = await listLots(store.db);
  const passports = await passportsOf(
    store,
    lots.map((lot) => lot.id),
  );
  return lots.map((lot) => ({ ...lot, passport: passports.get(lot.id) ?? foldPassport([]) }));
}

export async function lotWithPassport({ store }: App, id: string): Promise<LotView> {
  const lot = await loadLot(store.db, id);
  if (!lot) throw notFound('lot', id);
  return { ...lot, passport: (await passportsOf(store, [id])).get(id) ?? foldPassport([]) };
}

export function addLot({ store, nowMs, live }: App, input: LotInput & { id: string }): Promise<LotRow> {
  return store.exclusive(async () => {
    const had = await loadLot(store.db, input.id);
    if (had) return sameOrConflict(had, input);
    const row: LotRow = { ...input, createdAtMs: nowMs(), revision: 1, retired: false };
    await store.commit([{ table: 'lot', row }]);
    live.publish({ kind: 'changed', what: 'lot', id: row.id });
    return row;
  });
}

export function editLot({ store, live }: App, id: string, input: LotInput & { revision: number }): Promise<LotRow> {
  return store.exclusive(async () => {
    const had = await loadLot(store.db, id);
    if (!had) throw notFound('lot', id);
    if (had.revision !== input.revision) {
      throw conflict(
        `${had.name} was changed somewhere else meanwhile (revision ${had.revision}, yours is ${input.revision}). Load it again; nothing was overwritten.`,
      );
    }
    const row: LotRow = { ...had, ...input, revision: had.revision + 1 };
    await store.commit([{ table: 'lot', row }]);
    live.publish({ kind: 'changed', what: 'lot', id });
    return row;
  });
}

export function addEntry(app: App, lotId: string, input: TreatmentInput): Promise<LotView> {
  const { store, live } = app;
  return store.exclusive(async () => {
    if (!(await loadLot(store.db, lotId))) throw notFound('lot', lotId);
    if (!(await entryExists(store.db, input.id))) {
      await store.commit([{ table: 'passport_entry', row: { ...input, lotId, from: { hand: true } } }]);
      live.publish({ kind: 'changed', what: 'lot', id: lotId });
    }
    return lotWithPassport(app, lotId);
  });
}

/** A create that is sent again is answered as the first time; the same id for something else is a conflict. */
function sameOrConflict(had: LotRow, input: LotInput & { id: string }): LotRow {
  if (had.name !== input.name) throw conflict(`The id ${input.id} already belongs to ${had.name}.`);
  return had;
}

/** Folds runs and hand-made entries: two queries for any number of lots, none per lot. */
async function passportsOf(store: App['store'], lotIds: readonly string[]): Promise<Map<string, Passport>> {
  const [entries, { runs, plans }] = [await loadEntries(store.db, lotIds), await runsWithLots(store.db, lotIds)];
  const events = await eventsOfRuns(
    store.db,
    runs.map((run) => run.id),
  );
  const treatments = new Map<string, Treatment[]>(lotIds.map((id) => [id, []]));
  for (const { lotId, ...entry } of entries) treatments.get(lotId)?.push(entry);
  for (const run of runs) {
    const log = events.get(run.id) ?? [];
    const version = foldRun([], log).planVersion;
    const plan = plans.find((p) => p.sessionId === run.sessionId && p.version === version);
    if (!plan) continue;
    const state = foldRun(plan.steps, log);
    for (const lot of plan.lots) treatments.get(lot.id)?.push(...treatmentsOf(plan, run.id, state, lot.id));
  }
  return new Map([...treatments].map(([id, list]) => [id, foldPassport(list)]));
}
