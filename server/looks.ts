import type { z } from 'zod';
import type { LookInput, lookFilter, lookMove, lookWithdraw, swatchFilter } from '@/contract/looks';
import type { SwatchView } from '@/contract/views';
import { hexOfLab } from '@/core/colour/lab';
import { factorsOf } from '@/core/compare/passports';
import { type Lot, printComposition } from '@/core/fibre/lot';
import { type Drying, driedOf, dryingKind, learnDrying } from '@/core/swatch/drying';
import { type FactorIndex, indexFactors } from '@/core/swatch/filter';
import { isEmpty, isWithdrawn, type Look, type LookChange, verdictText } from '@/core/swatch/look';
import { dyeResult, learnDyes, type OwnDye } from '@/core/swatch/ownDyes';
import { dyedWith, looksByLot, type Swatch, swatchDetail, swatchesOf, swatchName } from '@/core/swatch/swatch';
import { getsIn } from '@/core/trial/trial';
import { isBlobHash } from '@/store/blobs';
import type { Db } from '@/store/db';
import { colouredLooks, listLooks, loadLook, looksOfLiquor, looksOfLots, looksOfRun, lotsLookedAtLast } from '@/store/looks';
import { loadLot, loadLots } from '@/store/lots';
import { loadRun } from '@/store/runs';
import { loadPlan } from '@/store/sessions';
import { liquors } from '@/store/shelf';
import { listTrials } from '@/store/trials';
import type { App } from './app';
import { commitNew } from './commitNew';
import { signature } from './doors/by';
import { fastnessViews } from './fastness';
import { type Asked, passportsOf, withAncestors } from './lots';
import { invalid, notFound } from './problem';
import { standing } from './standing';

type Move = z.infer<typeof lookMove>;
type Withdraw = z.infer<typeof lookWithdraw>;

/** Keeps what somebody saw. Its pictures were kept before, so that a row never names a file that is not there. */
export function addLook(app: App, input: LookInput): Promise<Look> {
  const { store, nowMs, live } = app;
  if (isEmpty(input)) throw invalid('Nothing was said or shown.', [{ at: 'pictures', message: 'A picture, a colour or a word: one of them is needed.' }]);
  if (input.lotIds.length === 0 && input.liquorId === null && input.at === null)
    throw invalid('Of what is it?', [{ at: 'lotIds', message: 'Say which lot, kept bath or step it shows; the codes on the labels tell.' }]);
  if (input.colour && input.lotIds.length > 1)
    throw invalid('A colour is of one lot.', [{ at: 'lotIds', message: 'Several lots are named: say of which one the colour is.' }]);
  const { colour } = input;
  if (colour?.by.kind === 'picture' && !input.pictures.some(({ hash }) => colour.by.kind === 'picture' && colour.by.hash === hash))
    throw invalid('The colour was read off another picture.', [{ at: 'colour.by.hash', message: 'Send the picture that it was read off with it.' }]);
  return store.exclusive(async () => {
    const had = await loadLook(store.db, input.id);
    if (had) return had;
    await checkLots(app, input.lotIds);
    if (input.liquorId !== null && !(await liquors.load(store.db, input.liquorId))) throw notFound('kept bath', input.liquorId);
    const { atMs, at, ...said } = input;
    const step = at && (await stepAt(app, at));
    await checkPictures(app, input);
    const recordedAtMs = nowMs();
    const row: Look = { ...said, at, step, atMs: atMs ?? recordedAtMs, recordedAtMs, ...signature(app), revision: 1, changes: [] };
    await commitNew(app, [{ table: 'look', row }]);
    live.publish({ kind: 'changed', what: 'look', id: row.id });
    return row;
  });
}

async function checkLots({ store }: App, lotIds: readonly string[]): Promise<void> {
  const found = new Set((await loadLots(store.db, lotIds)).map((lot) => lot.id));
  const missing = lotIds.find((lotId) => !found.has(lotId));
  if (missing !== undefined) throw notFound('lot', missing);
}

async function stepAt({ store }: App, { runId, stepId }: { runId: string; stepId: string }): Promise<NonNullable<Look['step']>> {
  const run = await loadRun(store.db, runId);
  if (!run) throw notFound('run', runId);
  const plan = await loadPlan(store.db, run.sessionId);
  const step = plan?.steps.find((one) => one.id === stepId);
  if (!step) throw notFound('step', stepId);
  return { title: step.title, treatment: step.treatment };
}

async function checkPictures({ store }: App, { pictures, spots = [] }: LookInput): Promise<void> {
  const elsewhere = spots.findIndex(({ hash }) => !pictures.some((one) => one.hash === hash));
  if (elsewhere >= 0) throw invalid('A spot is on another picture.', [{ at: `spots.${elsewhere}`, message: 'Send the picture that it is on with it.' }]);
  for (const [i, { hash, middle, small }] of pictures.entries())
    for (const name of [hash, middle, small])
      if (!isBlobHash(name) || !(await store.blobs.read(name)))
        throw invalid('A picture is not here.', [{ at: `pictures.${i}`, message: 'Send the picture first: POST /blobs gives its names.' }]);
}

export const moveLook = (app: App, id: string, { lotIds, reason, revision }: Move): Promise<Look> =>
  change(app, id, revision, async (had, signed) => {
    await checkLots(app, lotIds);
    if (had.colour && lotIds.length > 1) throw invalid('A colour is of one lot.', [{ at: 'lotIds', message: 'A colour was read here: name one lot.' }]);
    return { ...had, lotIds, changes: [...had.changes, { ...signed, kind: 'moved', reason, fromLotIds: had.lotIds }] };
  });

export const withdrawLook = (app: App, id: string, { reason, revision }: Withdraw): Promise<Look> =>
  change(app, id, revision, async (had, signed) => ({ ...had, changes: [...had.changes, { ...signed, kind: 'withdrawn', reason }] }));

type Signed = Pick<LookChange, 'atMs' | 'by'>;

function change(app: App, id: string, revision: number, changed: (had: Look, signed: Signed) => Promise<Look>): Promise<Look> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = standing(await loadLook(store.db, id), id, revision, 'look', isWithdrawn);
    const row: Look = { ...(await changed(had, { atMs: nowMs(), ...signature(app) })), revision: revision + 1 };
    await store.commit([{ table: 'look', row }]);
    live.publish({ kind: 'changed', what: 'look', id });
    return row;
  });
}

export async function looksBy({ store }: App, filter: z.infer<typeof lookFilter>): Promise<Look[]> {
  const { lotId, runId, liquorId } = filter;
  if (liquorId !== undefined) return looksOfLiquor(store.db, liquorId);
  if (runId !== undefined) return (await looksOfRun(store.db, runId)).filter((look) => lotId === undefined || look.lotIds.includes(lotId));
  return lotId === undefined ? listLooks(store.db) : looksOfLots(store.db, [lotId]);
}

/** A lot's own looks, and those of the lots it came from: these are the parent's results, and stay the parent's. */
export async function looksOfLot({ store }: App, lotId: string): Promise<Look[]> {
  const lot = await loadLot(store.db, lotId);
  if (!lot) throw notFound('lot', lotId);
  return looksOfLots(store.db, [...(await withAncestors(store.db, [lot])).keys()]);
}

/** Every result there is, or all that came out of one run: the newest first. */
export async function listSwatches(app: App, { runId, first }: z.infer<typeof swatchFilter> = {}): Promise<SwatchView[]> {
  const tests = await fastnessViews(app, undefined);
  const fastness = (lotId: string): string =>
    tests
      .filter(({ test, grades }) => test.lotId === lotId && grades.length > 0)
      .map(({ says }) => says)
      .join('; ');
  return (await allSwatches(app, { runId, first }))
    .slice(0, first)
    .map(({ lot, swatch, gets }) => viewOf(swatch, { lot: lot.name, fibre: printComposition(lot.composition), fastness: fastness(lot.id) }, gets));
}

/** What is written down of all results, the other way round. */
export async function swatchFactors(app: App): Promise<FactorIndex[]> {
  const all = await allSwatches(app, { measured: true });
  return indexFactors(all.map(({ lot, swatch: { id, passport } }) => ({ id, factors: factorsOf({ ...lot, passport }) })));
}

/** Where a lot was looked at again and again, so much further back is asked for the next. */
const FURTHER = 4;

/**
 * Lots among whose results are the newest so many: each lot that was looked at has at least the result of its last look, so that as many
 * lots are enough.
 */
async function newestLots(db: Db, results: number): Promise<string[]> {
  for (let looks = results; ; looks *= FURTHER) {
    const { lotIds, isAll } = await lotsLookedAtLast(db, looks);
    if (isAll || lotIds.length >= results) return lotIds;
  }
}

/**
 * The same with their lots, and what they get in a trial: a fixed number of queries for any number of them.
 * @param measured also what was measured of each bath, which the wall itself does not show
 */
export async function allSwatches(
  { store, nowMs }: App,
  { runId, first, measured = false }: { readonly runId?: string | undefined; readonly first?: number | undefined; readonly measured?: boolean } = {},
): Promise<{ lot: Lot; swatch: Swatch; gets: string | null }[]> {
  const gets = new Map((await listTrials(store.db)).flatMap((trial) => trial.pieces.map(({ lotId }) => [lotId, getsIn(trial, lotId)] as const)));
  const looks = first === undefined ? await listLooks(store.db) : await looksOfLots(store.db, await newestLots(store.db, first));
  const found = await swatchesIn(store.db, looks, measured ? { readings: store.readings, nowMs: nowMs() } : null);
  return found
    .filter(({ swatch }) => runId === undefined || swatch.stage.key.startsWith(`${runId}/`))
    .map(({ lot, swatch }) => ({ lot, swatch, gets: gets.get(lot.id) ?? null }))
    .sort((a, b) => b.swatch.atMs - a.swatch.atMs);
}

/** Every result that these looks make: by lot, oldest first. */
export async function swatchesIn(db: Db, looks: readonly Look[], asked: Asked | null = null): Promise<{ lot: Lot; swatch: Swatch }[]> {
  const byLot = looksByLot(looks);
  const lots = await loadLots(db, [...byLot.keys()]);
  const passports = await passportsOf(db, lots, asked);
  return lots.flatMap((lot) => {
    const passport = passports.get(lot.id);
    return passport ? swatchesOf(lot.id, passport, byLot.get(lot.id) ?? []).map((swatch) => ({ lot, swatch })) : [];
  });
}

/** @param dye what it is in now, which its past does not say yet */
export async function dryingOf(app: App, lotId: string, dye: string | undefined): Promise<{ drying: Drying | null }> {
  const lot = await loadLot(app.store.db, lotId);
  if (!lot) throw notFound('lot', lotId);
  const passport = (await passportsOf(app.store.db, [lot])).get(lotId);
  const own = passport ? dryingKind({ passport }, printComposition(lot.composition)) : { dyes: '', fibre: '', mordant: '' };
  const colours = await swatchesIn(app.store.db, await colouredLooks(app.store.db, null));
  const results = colours.flatMap(({ lot: of, swatch }) => driedOf(swatch, printComposition(of.composition)) ?? []);
  return { drying: learnDrying(results, { ...own, dyes: own.dyes || (dye ?? '') }) };
}

/** So many looks are enough to learn from; no plan reads all of history. */
const LEARNT_FROM = 400;

/** What dyestuffs gave here, by the newest results: a fixed number of queries. */
export async function ownDyes({ store: { db } }: App): Promise<OwnDye[]> {
  const { lotIds } = await lotsLookedAtLast(db, LEARNT_FROM);
  const results = await swatchesIn(db, lotIds.length === 0 ? [] : await colouredLooks(db, lotIds));
  return learnDyes(results.flatMap(({ lot, swatch }) => dyeResult(swatch, lot.baseHex) ?? []));
}

function viewOf(swatch: Swatch, of: Pick<SwatchView, 'lot' | 'fibre' | 'fastness'>, gets: string | null): SwatchView {
  const { id, lotId, colour, pictures, looks, atMs, passport } = swatch;
  const [name, detail, verdict, dyes] = [swatchName(swatch, gets), swatchDetail(swatch), verdictText(swatch.verdict), dyedWith(swatch)];
  const treated = passport.treatments.flatMap((one) => [one.substance, one.note, one.how?.preparation, one.how?.place]);
  const words = [
    name,
    of.lot,
    of.fibre,
    detail,
    verdict,
    ...treated,
    ...looks.flatMap((look) => [look.note, look.part, ...(look.spots ?? []).map(({ plant }) => plant)]),
  ]
    .filter(Boolean)
    .join(' ');
  return {
    id,
    ...of,
    lotId,
    name,
    detail,
    dyes,
    colour,
    hex: colour && hexOfLab(colour.lab),
    picture: pictures.at(-1) ?? null,
    verdict,
    looks: looks.length,
    atMs,
    words,
  };
}
