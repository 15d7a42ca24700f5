import type { z } from 'zod';
import type { joinInput, LotInput, splitInput, TreatmentInput } from '@/contract/schemas';
import type { LotView } from '@/contract/views';
import { hexOfLab } from '@/core/colour/lab';
import type { Lot } from '@/core/fibre/lot';
import { continuePassport, foldPassport, joinPassports, type Passport, type Treatment } from '@/core/fibre/passport';
import { checkSplit, joinLots as joined, splitRefusalText } from '@/core/fibre/split';
import { weightWorking } from '@/core/fibre/weight';
import { type Figure, knownValue } from '@/core/figure';
import { printMass } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import { foldRun } from '@/core/run/fold';
import { treatmentsOf } from '@/core/run/treatments';
import type { Look } from '@/core/swatch/look';
import { looksByLot, seenDry } from '@/core/swatch/swatch';
import { getsIn, type Trial } from '@/core/trial/trial';
import type { Db } from '@/store/db';
import { colouredLooks } from '@/store/looks';
import { listLots, loadEntries, loadLot, loadLots, lotOfEntry } from '@/store/lots';
import type { Readings } from '@/store/readings/readings';
import { eventsOfRuns, runsWithLots } from '@/store/runs';
import { liquors } from '@/store/shelf';
import { listTrials, trialsOfLot } from '@/store/trials';
import { listVessels } from '@/store/vessels';
import type { App } from './app';
import { commitNew } from './commitNew';
import { byVersion, findUses, standingOf } from './liquorUses';
import { measuredOfRun } from './measured';
import { conflict, invalid, notFound } from './problem';

export async function lotsWithPassports({ store }: App, ended: boolean): Promise<LotView[]> {
  const lots = await listLots(store.db, ended);
  const passports = await passportsOf(store.db, lots);
  const seen = looksByLot(await colouredLooks(store.db, null));
  const pieces = new Map((await listTrials(store.db)).flatMap((trial) => trial.pieces.map(({ lotId }) => [lotId, trial] as const)));
  return lots.map((lot) => ({
    ...lot,
    passport: passports.get(lot.id) ?? foldPassport([]),
    seenHex: seenHex(seen.get(lot.id) ?? []),
    ...pieceOf(pieces.get(lot.id), lot.id),
  }));
}

export async function lotWithPassport({ store, nowMs }: App, id: string): Promise<LotView> {
  const lot = await loadLot(store.db, id);
  if (!lot) throw notFound('lot', id);
  const passport = (await passportsOf(store.db, [lot], { readings: store.readings, nowMs: nowMs() })).get(id) ?? foldPassport([]);
  const [trial] = await trialsOfLot(store.db, id);
  return {
    ...lot,
    passport,
    seenHex: seenHex(await colouredLooks(store.db, [id])),
    ...pieceOf(trial, id),
  };
}

/** By lot: its colour as it was read last, dry; lots of which nobody read one are not in it. */
export async function seenHexes(db: Db, lotIds: readonly string[]): Promise<Map<string, string>> {
  const byLot = looksByLot(await colouredLooks(db, lotIds));
  return new Map(
    lotIds.flatMap((id) => {
      const hex = seenHex(byLot.get(id) ?? []);
      return hex === null ? [] : [[id, hex] as const];
    }),
  );
}

const pieceOf = (trial: Trial | undefined, lotId: string): Pick<LotView, 'trial'> =>
  trial ? { trial: { id: trial.id, name: trial.name, gets: getsIn(trial, lotId) } } : {};

function seenHex(looks: readonly Look[]): string | null {
  const lab = seenDry(looks);
  return lab && hexOfLab(lab);
}

/** A weight that was worked out must be what the sum gives: nobody can check it later otherwise. */
const SAME_WEIGHT = 0.005;
function checkWeight(input: LotInput): void {
  const value = knownValue(input.dryWeightG);
  if (input.weightFrom === null) return;
  const { result } = weightWorking(input.weightFrom, input.composition);
  if (result === null) throw invalid('The weight cannot be worked out so.', [{ at: 'weightFrom', message: 'The composition must be known for this sum.' }]);
  if (value === null || Math.abs(value - result) > Math.max(0.1, result * SAME_WEIGHT)) {
    throw invalid('The weight does not agree with how it was worked out.', [{ at: 'dryWeightG', message: `The sum gives ${printMass(result)}.` }]);
  }
}

export function addLot(app: App, input: LotInput & { id: string }): Promise<Lot> {
  const { store, nowMs, live } = app;
  checkWeight(input);
  return store.exclusive(async () => {
    const had = await loadLot(store.db, input.id);
    if (had) return sameOrConflict(had, input);
    const row: Lot = { ...input, createdAtMs: nowMs(), revision: 1, from: [], ended: null };
    await commitNew(app, [{ table: 'lot', row }]);
    live.publish({ kind: 'changed', what: 'lot', id: row.id });
    return row;
  });
}

const changedMeanwhile = (had: Lot, revision: number) =>
  conflict(`${had.name} was changed somewhere else meanwhile (revision ${had.revision}, yours is ${revision}). Load it again; nothing was overwritten.`);

async function loadAt(db: Db, id: string, revision: number): Promise<Lot> {
  const had = await loadLot(db, id);
  if (!had) throw notFound('lot', id);
  if (had.revision !== revision) throw changedMeanwhile(had, revision);
  return had;
}

export function editLot({ store, live }: App, id: string, input: LotInput & { revision: number }): Promise<Lot> {
  checkWeight(input);
  return store.exclusive(async () => {
    const had = await loadAt(store.db, id, input.revision);
    if (had.ended) throw conflict(`${had.name} is no more; it is kept as it was.`);
    const row: Lot = { ...had, ...input, revision: had.revision + 1 };
    await store.commit([{ table: 'lot', row }]);
    live.publish({ kind: 'changed', what: 'lot', id });
    return row;
  });
}

/** Several skeins from one cone: the whole is no more, the parts carry its past. */
interface PartInput {
  readonly id: string;
  readonly name: string;
  readonly form?: Lot['form'] | undefined;
  readonly dryWeightG: Figure;
  readonly pieces: number;
  readonly note: string;
}

/** A lot that ends by being split, and what it becomes. @param weights as the split worked them out */
export function splitRows(had: Lot, parts: readonly PartInput[], weights: readonly Figure[], atMs: number): { whole: Lot; parts: Lot[] } {
  return {
    whole: { ...had, revision: had.revision + 1, ended: { how: 'split', into: parts.map((part) => part.id), atMs } },
    parts: parts.map((part, i) => ({
      ...had,
      id: part.id,
      name: part.name,
      form: part.form ?? had.form,
      note: part.note,
      pieces: part.pieces,
      dryWeightG: weights[i] ?? part.dryWeightG,
      weightFrom: null,
      createdAtMs: atMs,
      revision: 1,
      from: [had.id],
      ended: null,
    })),
  };
}

export function splitLot(app: App, id: string, input: z.infer<typeof splitInput>): Promise<Lot[]> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = await loadLot(store.db, id);
    if (!had) throw notFound('lot', id);
    const already = await loadLots(
      store.db,
      input.parts.map((part) => part.id),
    );
    // The same split sent again is answered as the first time.
    if (had.ended?.how === 'split' && already.length === input.parts.length) return already;
    if (already.length > 0) throw conflict(`The id ${already[0]?.id} is taken.`);
    if (had.revision !== input.revision) throw changedMeanwhile(had, input.revision);
    await refuseInUse(store.db, [had]);
    const split = checkSplit(had, input.parts);
    if (!split.ok) throw invalid(splitRefusalText(split.error), [{ at: 'parts', message: splitRefusalText(split.error) }]);
    const { whole, parts } = splitRows(had, input.parts, split.value, nowMs());
    await commitNew(
      app,
      [whole, ...parts].map((row) => ({ table: 'lot', row })),
    );
    for (const lot of [whole, ...parts]) live.publish({ kind: 'changed', what: 'lot', id: lot.id });
    return parts;
  });
}

export function joinLots(app: App, input: z.infer<typeof joinInput>): Promise<Lot> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const again = await loadLot(store.db, input.id);
    if (again) {
      if (again.name !== input.name) throw conflict(`The id ${input.id} already belongs to ${again.name}.`);
      return again;
    }
    const found = await loadLots(
      store.db,
      input.lots.map(({ id }) => id),
    );
    const lots = input.lots.map(({ id, revision }) => {
      const lot = found.find((one) => one.id === id);
      if (!lot) throw notFound('lot', id);
      if (lot.revision !== revision) throw changedMeanwhile(lot, revision);
      return lot;
    });
    const gone = lots.find((lot) => lot.ended);
    if (gone) throw conflict(`${gone.name} is no more; it cannot be joined.`);
    await refuseInUse(store.db, lots);
    const atMs = nowMs();
    const hexes = new Set(lots.map((lot) => lot.baseHex));
    const row: Lot = {
      ...joined(lots),
      id: input.id,
      name: input.name,
      form: input.form,
      weightFrom: null,
      baseHex: hexes.size === 1 ? (lots[0]?.baseHex ?? null) : null,
      note: '',
      createdAtMs: atMs,
      revision: 1,
      from: lots.map((lot) => lot.id),
      ended: null,
    };
    const ended = lots.map((lot): Lot => ({ ...lot, revision: lot.revision + 1, ended: { how: 'joined', into: [row.id], atMs } }));
    await commitNew(
      app,
      [...ended, row].map((one) => ({ table: 'lot', row: one })),
    );
    for (const lot of [...ended, row]) live.publish({ kind: 'changed', what: 'lot', id: lot.id });
    return row;
  });
}

/** Nothing is deleted: a lot that is put away is no longer offered, and every record that names it stays whole. */
export function retireLot({ store, nowMs, live }: App, id: string, input: { revision: number; retired: boolean }): Promise<Lot> {
  return store.exclusive(async () => {
    const had = await loadAt(store.db, id, input.revision);
    if (had.ended && had.ended.how !== 'retired') throw conflict(`${had.name} was ${had.ended.how}; look at what it became.`);
    if (input.retired) await refuseInUse(store.db, [had]);
    const row: Lot = { ...had, revision: had.revision + 1, ended: input.retired ? { how: 'retired', into: [], atMs: nowMs() } : null };
    await store.commit([{ table: 'lot', row }]);
    live.publish({ kind: 'changed', what: 'lot', id });
    return row;
  });
}

/** A lot that hangs in a pot is neither cut nor joined, put away nor put into another until its run is finished. */
export async function refuseInUse(db: Db, lots: readonly Lot[]): Promise<void> {
  const ids = lots.map((lot) => lot.id);
  const { runs, plans } = await runsWithLots(db, ids);
  const events = await eventsOfRuns(
    db,
    runs.map((run) => run.id),
  );
  for (const run of runs) {
    if (foldRun([], events.get(run.id) ?? []).phase !== 'running') continue;
    const plan = plans.find((one) => one.sessionId === run.sessionId);
    throw conflict(`${lots.map((lot) => lot.name).join(', ')}: “${plan?.name ?? 'a session'}” is running with it. Finish that run first.`);
  }
}

export function addEntry(app: App, lotId: string, input: TreatmentInput): Promise<LotView> {
  const { store, live } = app;
  return store.exclusive(async () => {
    if (!(await loadLot(store.db, lotId))) throw notFound('lot', lotId);
    const had = await lotOfEntry(store.db, input.id);
    if (had !== null && had !== lotId) throw conflict(`The id ${input.id} already belongs to the past of another lot.`);
    if (had === null) {
      await commitNew(app, [{ table: 'passport_entry', row: { ...input, lotId, from: { hand: true } } }]);
      live.publish({ kind: 'changed', what: 'lot', id: lotId });
    }
    return lotWithPassport(app, lotId);
  });
}

/** A create that is sent again is answered as the first time; the same id for something else is a conflict. */
function sameOrConflict(had: Lot, input: LotInput & { id: string }): Lot {
  if (had.name !== input.name) throw conflict(`The id ${input.id} already belongs to ${had.name}.`);
  return had;
}

/** These lots with all they were split from or joined of: a query a generation, none per lot. */
export async function withAncestors(db: Db, lots: readonly Lot[]): Promise<Map<string, Lot>> {
  const known = new Map(lots.map((lot) => [lot.id, lot]));
  for (;;) {
    const missing = [...new Set([...known.values()].flatMap((lot) => lot.from))].filter((id) => !known.has(id));
    if (missing.length === 0) return known;
    const found = await loadLots(db, missing);
    for (const lot of found) known.set(lot.id, lot);
    if (found.length === 0) return known;
  }
}

export interface Asked {
  readonly readings: Readings;
  readonly nowMs: number;
}

/**
 * Folds runs, hand-made entries and ancestry: a fixed number of queries for any number of lots.
 * @param asked the probes, where what was measured counts; a list that does not show it does not wait for them
 */
export async function passportsOf(db: Db, lots: readonly Lot[], asked: Asked | null = null): Promise<Map<string, Passport>> {
  const family = await withAncestors(db, lots);
  const treatments = await ownTreatments(db, [...family.keys()], asked);
  const folded = new Map<string, Passport>();
  const passport = (id: string): Passport => {
    const had = folded.get(id);
    if (had) return had;
    const own = (treatments.get(id) ?? []).map((treatment) => ({ ...treatment, lotId: id }));
    const from = (family.get(id)?.from ?? []).map(passport);
    const [only] = from;
    const made = from.length === 0 || !only ? foldPassport(own) : continuePassport(from.length === 1 ? only : joinPassports(from), own);
    folded.set(id, made);
    return made;
  };
  return new Map(lots.map((lot) => [lot.id, passport(lot.id)]));
}

async function ownTreatments(db: Db, lotIds: readonly string[], asked: Asked | null): Promise<Map<string, Treatment[]>> {
  const [entries, { runs, plans }] = [await loadEntries(db, lotIds), await runsWithLots(db, lotIds)];
  const events = await eventsOfRuns(
    db,
    runs.map((run) => run.id),
  );
  const treatments = new Map<string, Treatment[]>(lotIds.map((id) => [id, []]));
  for (const { lotId, ...entry } of entries) treatments.get(lotId)?.push(entry);
  const vessels = asked ? await listVessels(db) : [];
  const versions = byVersion(plans);
  const inKeptBath = await usesAcrossSessions(db, plans);
  for (const run of runs) {
    const own = events.get(run.id) ?? [];
    const at = standingOf(run, versions, own);
    if (!at) continue;
    const { plan, state } = at;
    // A run's probes take some milliseconds to read: whoever logs an act meanwhile does not wait for all of them.
    if (asked) await new Promise((resolve) => setImmediate(resolve));
    const measured = asked && measuredOfRun(asked.readings, vessels, { runId: run.id, plan, state, events: own.length }, asked.nowMs);
    for (const lot of plan.lots) treatments.get(lot.id)?.push(...treatmentsOf(plan, run.id, state, lot.id, measured).map(inKeptBath));
  }
  return treatments;
}

/** In a kept bath a use is counted over all sessions, and those of before it was kept: a first and a second are never one. */
async function usesAcrossSessions(db: Db, plans: readonly Plan[]): Promise<(treatment: Treatment) => Treatment> {
  const liquorIds = [...new Set(plans.flatMap((plan) => plan.steps.flatMap(({ liquorId }) => liquorId ?? [])))];
  if (liquorIds.length === 0) return (treatment) => treatment;
  const { uses } = await findUses(db, liquorIds);
  const before = new Map((await liquors.all(db)).map(({ id, uses: counted }) => [id, counted]));
  const nth = new Map<string, number>();
  for (const liquorId of liquorIds)
    for (const [i, use] of uses
      .filter((one) => one.liquorId === liquorId)
      .toSorted((a, b) => a.atMs - b.atMs)
      .entries())
      nth.set(`${use.run.id}/${use.stepId}`, (before.get(liquorId) ?? 0) + i + 1);
  return (treatment) => {
    const draw = 'run' in treatment.from ? nth.get(`${treatment.from.run}/${treatment.from.stepId}`) : undefined;
    return draw === undefined ? treatment : { ...treatment, how: { ...treatment.how, draw } };
  };
}
