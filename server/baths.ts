import type { z } from 'zod';
import type { BathPage, BathView, KeptActInput, keptActWithdraw } from '@/contract/baths';
import { balanceText, lineText } from '@/core/bath/balanceText';
import { pourWays } from '@/core/bath/pour';
import { addedKs } from '@/core/colour/kubelkaMunk';
import { linearOf } from '@/core/colour/lab';
import { UNDYED_HEX } from '@/core/colour/undyed';
import { figureOf, isSpan, knownOf } from '@/core/figure';
import type { KeptAct } from '@/core/liquor/act';
import type { KeptBath } from '@/core/liquor/keptBath';
import type { Liquor } from '@/core/liquor/liquor';
import { blendOf, type DrawnIn, enoughFor, learnShare, leftAfter, nextColours, type TakenShare, type TwoLoads } from '@/core/liquor/strength';
import { blendText, strengthText } from '@/core/liquor/strengthText';
import type { Shelf } from '@/core/shelf/lookup';
import { loadBathAct } from '@/store/baths';
import { liquors } from '@/store/shelf';
import type { App } from './app';
import { commitNew } from './commitNew';
import { signature } from './doors/by';
import { type KnownBath, knownBaths } from './knownBaths';
import { conflict, invalid, notFound } from './problem';
import { standing } from './standing';

/** What was done to a kept bath. Poured away, it is put away too. */
export function addBathAct(app: App, liquorId: string, { id, atMs, fact }: KeptActInput): Promise<KeptAct> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = await loadBathAct(store.db, id);
    if (had) {
      if (had.liquorId !== liquorId) throw conflict(`The id ${id} already belongs to another bath.`);
      return had;
    }
    const liquor = await liquors.load(store.db, liquorId);
    if (!liquor) throw notFound('kept bath', liquorId);
    if (liquor.retired) throw conflict(`${liquor.name} was put away. Take it back first, if it is still there.`);
    const recordedAtMs = nowMs();
    if ((atMs ?? recordedAtMs) > recordedAtMs + 60_000) throw invalid('That has not happened yet.', [{ at: 'atMs', message: 'This time has not come yet.' }]);
    if (fact.kind === 'drawn' && fact.toId !== null) {
      if (fact.toId === liquorId) throw invalid('A bath is not drawn into itself.', [{ at: 'fact.toId', message: 'Choose another bath.' }]);
      if (!(await liquors.load(store.db, fact.toId))) throw notFound('kept bath', fact.toId);
    }
    const row: KeptAct = { id, liquorId, atMs: atMs ?? recordedAtMs, recordedAtMs, ...signature(app), fact, revision: 1, withdrawn: null };
    const gone = fact.kind === 'pouredAway' ? [{ table: 'liquor' as const, row: { ...liquor, revision: liquor.revision + 1, retired: true } }] : [];
    await commitNew(app, [{ table: 'bath_act', row }, ...gone]);
    live.publish({ kind: 'changed', what: 'liquor', id: liquorId });
    return row;
  });
}

/** A slip: it stays written down and counts for nothing. A bath that was not poured away after all stands on the shelf again. */
export function withdrawBathAct(app: App, id: string, { reason, revision }: z.infer<typeof keptActWithdraw>): Promise<KeptAct> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = standing(await loadBathAct(store.db, id), id, revision, 'act', ({ withdrawn }) => withdrawn !== null);
    const row: KeptAct = { ...had, revision: revision + 1, withdrawn: { atMs: nowMs(), ...signature(app), reason } };
    const liquor = had.fact.kind === 'pouredAway' ? await liquors.load(store.db, had.liquorId) : null;
    const back = liquor ? [{ table: 'liquor' as const, row: { ...liquor, revision: liquor.revision + 1, retired: false } }] : [];
    await store.commit([{ table: 'bath_act', row }, ...back]);
    live.publish({ kind: 'changed', what: 'liquor', id: had.liquorId });
    return row;
  });
}

/** As it stands now, for whoever plans with it. */
function nowOf(liquor: Liquor, { balance, useCount, ph, keptIn, place, spoilByMs }: KeptBath): Liquor {
  return {
    ...liquor,
    volumeMl: figureOf(balance.volumeMl, balance.isEstimate ? 'estimated' : 'measured'),
    uses: useCount,
    ph: ph?.value ?? null,
    keptIn,
    place,
    spoilByMs: spoilByMs === null ? null : Math.round(spoilByMs),
  };
}

function viewOf({ liquor, bath, acts, plannedIn }: KnownBath, shelf: Shelf): BathView {
  const touched = bath.balance.solutes.flatMap(({ substance }) => {
    const stuff = shelf.assistant(substance);
    return stuff && (stuff.group === 'mordant' || stuff.group === 'tannin' || stuff.leftOver === 'W2') ? [stuff.name] : [];
  });
  return {
    liquor,
    now: nowOf(liquor, bath),
    says: balanceText(bath.balance, shelf.nameOf),
    touched: [...new Set(touched)],
    holds: bath.balance.solutes.flatMap(({ substance, left }) => (left === 0 ? [] : [substance])),
    gotFrom: acts.flatMap(({ fact, withdrawn }) => (fact.kind === 'pouredIn' && fact.from && !withdrawn ? [fact.from] : [])),
    isGone: bath.isGone,
    plannedIn: [...plannedIn],
  };
}

/** All that stand on the shelf. */
export async function bathViews(app: App): Promise<BathView[]> {
  const { known, shelf } = await knownBaths(app, await liquors.list(app.store.db));
  return known.map((one) => viewOf(one, shelf));
}

/** Kept baths as they stand now, for planning. */
export const liquorsNow = async (app: App): Promise<Liquor[]> => (await bathViews(app)).map(({ now }) => now);

/** One, standing or put away. */
export async function bathPage(app: App, id: string): Promise<BathPage> {
  // All of them at once: what first and next loads taught is wanted beside it.
  const { known, shelf } = await knownBaths(app, await liquors.all(app.store.db));
  const one = known.find((bath) => bath.liquor.id === id);
  if (!one) throw notFound('kept bath', id);
  const { bath, acts, balanceAt, plants } = one;
  const [least, most] = [balanceAt('low'), balanceAt('high')];
  return {
    ...viewOf(one, shelf),
    solutes: bath.balance.solutes.map((solute, i) => ({
      ...solute,
      name: shelf.nameOf(solute.substance),
      leftAtLeast: most.solutes[i]?.left ?? null,
      leftAtMost: least.solutes[i]?.left ?? null,
    })),
    lines: bath.balance.lines.map((line) => ({
      actId: line.act.id ?? null,
      atMs: line.act.atMs,
      text: lineText(line, shelf.nameOf),
      changeMl: line.changeMl,
      afterMl: line.afterMl,
    })),
    plants: plants.map((plant) => ({ name: shelf.nameOf(plant.substance), amount: plant.amount, unit: plant.unit })),
    acts: [...acts],
    uses: bath.uses.map(({ run, ...use }) => ({ ...use, runId: run?.runId ?? null, lots: run ? [...run.lots] : [] })),
    draws: [...bath.draws],
    strength: strengthOf(one, learnShare(twoLoads(known))),
    pour: pourWays(
      bath.balance.solutes.map(({ substance }) => substance),
      bath.ph?.value ?? null,
      shelf,
    ),
  };
}

/** Loads that were dyed in the bath itself; a portion that was taken elsewhere leaves the rest as strong as it was. */
function strengthOf({ liquor, bath, first, acts }: KnownBath, taken: TakenShare): BathPage['strength'] {
  if (liquor.dyestuffId === null) return null;
  const inIt = bath.uses.filter(({ run }) => run === null || run.isWhole);
  const loads = liquor.uses + inIt.length;
  // A test strip takes less than a load does.
  const shares = inIt.map(({ fibreG }) => (fibreG === null || !first?.fibreG ? 1 : Math.min(1, fibreG / first.fibreG)));
  const left = leftAfter(taken, [...Array.from({ length: liquor.uses }, () => 1), ...shares]);
  const enoughG = first?.fibreG ? enoughFor(left, first.fibreG) : null;
  const colours = first?.hex && first.fibreG ? nextColours(first.hex, UNDYED_HEX, left, first.fibreG, first.fibreG) : null;
  const draws = drawsIn(acts);
  const blend = blendOf(draws);
  const says = [
    ...(blend ? [blendText(blend, draws.length, bath.balance.volumeMl)] : []),
    ...(blend && loads === 0 ? [] : [strengthText(left, taken.n, loads, enoughG)]),
  ];
  return { left, blend, pairs: taken.n, firstG: first?.fibreG ?? null, enoughG, colours, says: says.join(' ') };
}

/** The numbered extractions that were poured in and stand. */
const drawsIn = (acts: KnownBath['acts']): DrawnIn[] =>
  acts.flatMap(({ fact, withdrawn }) => {
    if (fact.kind !== 'pouredIn' || fact.draw === null || withdrawn !== null) return [];
    const known = knownOf(fact.mL);
    const mL = isSpan(known) ? (known.least + (known.most ?? known.least)) / 2 : known;
    return mL === null ? [] : [{ n: fact.draw, mL }];
  });

/** First and second loads out of one bath, both read dry: what one's own baths taught. */
function twoLoads(known: readonly KnownBath[]): TwoLoads[] {
  const ground = linearOf(UNDYED_HEX);
  return known.flatMap(({ liquor, bath, first }): TwoLoads[] => {
    const next = bath.uses.find(({ run }) => run?.isWhole && run.lots.some(({ hex }) => hex !== null));
    const hex = next?.run?.lots.find((lot) => lot.hex !== null)?.hex;
    // Only where the first load was dyed in the session that left it: else first and next are the same goods.
    if (!liquor.from || !first?.hex || !first.fibreG || !next?.fibreG || !hex) return [];
    return [{ first: addedKs(linearOf(first.hex), ground), second: addedKs(linearOf(hex), ground), firstG: first.fibreG, secondG: next.fibreG }];
  });
}
