import type { z } from 'zod';
import type { TrialInput, trialWithdraw } from '@/contract/trials';
import type { TrialLine, TrialView } from '@/contract/views';
import { hexOfLab } from '@/core/colour/lab';
import type { Lot } from '@/core/fibre/lot';
import { checkSplit, splitRefusalText } from '@/core/fibre/split';
import { type Figure, knownValue, UNKNOWN } from '@/core/figure';
import { printMass } from '@/core/measure/print';
import { WAYS } from '@/core/method/data/ways';
import { pieceCount } from '@/core/trial/design';
import { type Cut, cutsOf } from '@/core/trial/pieces';
import { tellsOf } from '@/core/trial/tells';
import { MOST_PIECES, type Trial } from '@/core/trial/trial';
import { looksOfLots } from '@/store/looks';
import { loadLots } from '@/store/lots';
import { sessionsWithLots } from '@/store/sessions';
import type { RowWrite } from '@/store/tables';
import { listTrials, loadTrial } from '@/store/trials';
import type { App } from './app';
import { commitNew } from './commitNew';
import { signature } from './doors/by';
import { swatchesIn } from './looks';
import { refuseInUse, splitRows } from './lots';
import { invalid, notFound } from './problem';
import { standing } from './standing';

/** Below this nothing worth naming is left of a lot. */
const LEAST_REST_G = 0.05;

/** Makes a trial, and cuts its pieces: each a lot of its own with the lot's past, the rest of a lot another. */
export function addTrial(app: App, input: TrialInput): Promise<Trial> {
  const { store, nowMs, live } = app;
  const { lotId, controls, ...asked } = input;
  const count = pieceCount(
    asked.design,
    asked.factors.map(({ levels }) => levels.length),
    asked.repeats,
    controls,
  );
  if (count === null)
    throw invalid('That is too much to cut.', [{ at: 'factors', message: `More than ${MOST_PIECES} pieces: take fewer levels, or a smaller design.` }]);
  if (asked.wayId !== null && !WAYS.some(({ id, steps }) => id === asked.wayId && steps.every(({ nth }) => nth === undefined)))
    throw invalid('This way of working is not known.', [{ at: 'wayId', message: 'Choose one that treats all lots alike, or none.' }]);
  const hasLots = asked.factors.some(({ levels }) => levels.some(({ how }) => how.kind === 'lot'));
  if (lotId === null && !hasLots) throw invalid('Of what are the pieces cut?', [{ at: 'lotId', message: 'Choose a lot.' }]);
  if (hasLots && asked.factors.some(({ levels }) => levels.some(({ how }) => how.kind === 'lot') && !levels.every(({ how }) => how.kind === 'lot')))
    throw invalid('Lots and other levels are mixed.', [{ at: 'factors', message: 'Where the lots differ, each level is a lot.' }]);
  const cuts = cutsOf({ ...asked, controls, lotId: lotId ?? '' }, seedOf(asked.id));
  return store.exclusive(async () => {
    const had = await loadTrial(store.db, asked.id);
    if (had) return had;
    const atMs = nowMs();
    const lots = await loadLots(
      store.db,
      cuts.map((cut) => cut.lotId),
    );
    await refuseInUse(store.db, lots);
    const rows: RowWrite[] = [];
    const pieces: Trial['pieces'][number][] = [];
    for (const cut of cuts) {
      const lot = lots.find(({ id }) => id === cut.lotId);
      if (!lot) throw notFound('lot', cut.lotId);
      const { whole, parts } = cutRows(asked, lot, cut, atMs);
      rows.push(...[whole, ...parts].map((row) => ({ table: 'lot' as const, row })));
      pieces.push(...cut.pieces.map(({ code, cell }) => ({ code, cell, lotId: pieceId(asked.id, code) })));
    }
    const row: Trial = {
      ...asked,
      pieces: pieces.toSorted((a, b) => a.code.localeCompare(b.code)),
      createdAtMs: atMs,
      ...signature(app),
      revision: 1,
      withdrawn: null,
    };
    await commitNew(app, [...rows, { table: 'trial', row }]);
    for (const write of rows) if (write.table === 'lot') live.publish({ kind: 'changed', what: 'lot', id: write.row.id });
    live.publish({ kind: 'changed', what: 'trial', id: row.id });
    return row;
  });
}

const pieceId = (trialId: string, code: string): string => `${trialId.slice(0, 56)}-${code.toLowerCase()}`;

function cutRows({ id, name, pieceG }: Pick<Trial, 'id' | 'name' | 'pieceG'>, lot: Lot, { pieces }: Cut, atMs: number): { whole: Lot; parts: Lot[] } {
  const each: Figure = { state: 'estimated', value: pieceG };
  const wholeG = knownValue(lot.dryWeightG);
  const needG = pieces.length * pieceG;
  if (wholeG !== null && needG > wholeG + LEAST_REST_G) {
    const message = `${lot.name} weighs ${printMass(wholeG)}; ${pieces.length} pieces of ${printMass(pieceG)} are ${printMass(needG)}. Cut smaller pieces, or fewer.`;
    throw invalid('The lot is too small for it.', [{ at: 'pieceG', message }]);
  }
  const cut = pieces.map(({ code }) => ({ id: pieceId(id, code), name: `${code} · ${name}`.slice(0, 120), dryWeightG: each, pieces: 1, note: '' }));
  const isAll = wholeG !== null && wholeG - needG <= LEAST_REST_G;
  const rest = { id: pieceId(id, `rest-${lot.id.slice(-4)}`), name: `${lot.name}, the rest`.slice(0, 120), dryWeightG: UNKNOWN, pieces: 1, note: '' };
  const parts = isAll ? cut : [...cut, rest];
  const split = checkSplit(lot, parts);
  if (!split.ok) throw invalid(splitRefusalText(split.error), [{ at: 'lotId', message: splitRefusalText(split.error) }]);
  return splitRows(lot, parts, split.value, atMs);
}

/** The same request cuts the same pieces (FNV-1a over the id). */
const seedOf = (id: string): number => [...id].reduce((sum, letter) => Math.imul(sum ^ (letter.codePointAt(0) ?? 0), 16_777_619) >>> 0, 2_166_136_261);

export function withdrawTrial(app: App, id: string, { reason, revision }: z.infer<typeof trialWithdraw>): Promise<Trial> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = standing(await loadTrial(store.db, id), id, revision, 'trial', ({ withdrawn }) => withdrawn !== null);
    const row: Trial = { ...had, revision: revision + 1, withdrawn: { atMs: nowMs(), ...signature(app), reason } };
    await store.commit([{ table: 'trial', row }]);
    live.publish({ kind: 'changed', what: 'trial', id });
    return row;
  });
}

export async function trialView(app: App, id: string): Promise<TrialView> {
  const trial = await loadTrial(app.store.db, id);
  if (!trial) throw notFound('trial', id);
  const colours = await coloursOf(app, [trial]);
  const pieces = trial.pieces.map((piece) => {
    const seen = colours.get(piece.lotId);
    return { ...piece, lab: seen?.lab ?? null, hex: seen ? hexOfLab(seen.lab) : null, state: seen?.state ?? null };
  });
  const sessions = await sessionsWithLots(
    app.store.db,
    trial.pieces.map(({ lotId }) => lotId),
  );
  return { trial, pieces, sessions, tells: tellsOf(trial.factors, pieces) };
}

export async function trialLines(app: App): Promise<TrialLine[]> {
  const trials = await listTrials(app.store.db);
  const colours = await coloursOf(app, trials);
  return trials.map(({ id, name, createdAtMs, pieces, withdrawn }) => ({
    id,
    name,
    createdAtMs,
    pieces: pieces.length,
    seen: pieces.filter(({ cell, lotId }) => cell !== null && colours.has(lotId)).length,
    withdrawn: withdrawn !== null,
  }));
}

/** By lot: the colour that stands for it after the last thing that was done to it. */
async function coloursOf({ store }: App, trials: readonly Trial[]) {
  const lotIds = trials.flatMap(({ pieces }) => pieces.map(({ lotId }) => lotId));
  const found = lotIds.length === 0 ? [] : await swatchesIn(store.db, await looksOfLots(store.db, lotIds));
  return new Map(found.flatMap(({ lot, swatch }) => (swatch.colour ? [[lot.id, swatch.colour] as const] : [])));
}
