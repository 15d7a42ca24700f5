import { type Balance, type BathAct, balanceOf, type Carried } from '../bath/balance';
import type { Band } from '../chem/band';
import { type Figure, knownOf, oneOf } from '../figure';
import type { AmountUnit } from '../measure/print';
import { unreachable } from '../result';
import type { KeptAct } from './act';
import { type KeptIn, keepsDays, type Liquor, spoilByMs } from './liquor';

/** Goods that were dyed in it by a session: a use that nobody has to count. */
export interface RunUse {
  readonly runId: string;
  readonly stepId: string;
  readonly session: string;
  /** When it was done. */
  readonly atMs: number;
  /** Dyed in all of it: what is left is weaker. In a portion of its own, the rest is as strong as it was. */
  readonly isWhole: boolean;
  readonly fibreG: number | null;
  readonly lots: readonly { readonly id: string; readonly name: string; readonly hex: string | null }[];
}

/** What a session brought out of it, mL; null: all of it. */
export interface RunTake {
  readonly atMs: number;
  readonly session: string;
  readonly mL: number | null;
}

/** What was drawn from another kept bath into this one. */
export interface Transfer {
  readonly atMs: number;
  readonly from: string;
  readonly mL: Figure;
  readonly carries: readonly Carried[];
}

/** What a bath was when it was kept. */
export interface Origin {
  /** By how much the goods took of it: at its least, its likeliest and its most. */
  readonly carries: Readonly<Record<keyof Band, readonly Carried[]>>;
  /** The plants that it was drawn from. */
  readonly plants: readonly { readonly substance: string; readonly amount: number | null; readonly unit: AmountUnit }[];
}
export const NO_ORIGIN: Origin = { carries: { low: [], likely: [], high: [] }, plants: [] };

/** All that a kept bath is folded from, beside its own row. */
export interface KeptFrom {
  /** Of it, in any order; withdrawn ones count for nothing. */
  readonly acts: readonly KeptAct[];
  readonly runs: readonly RunUse[];
  readonly takes: readonly RunTake[];
  readonly transfers: readonly Transfer[];
  readonly origin: Origin;
  readonly isPlant: (substance: string) => boolean;
}

/** A use, by hand or by a session, counted from 1. */
export interface KeptUse {
  readonly n: number;
  readonly atMs: number;
  readonly what: string;
  readonly fibreG: number | null;
  readonly run: RunUse | null;
}

/** A portion that was taken out of it, counted from 1. */
export interface Draw {
  readonly n: number;
  readonly atMs: number;
  readonly what: string;
  readonly mL: number | null;
  readonly toId: string | null;
}

export interface KeptBath {
  readonly balance: Balance;
  readonly uses: readonly KeptUse[];
  /** Uses with those that were counted before it was kept. */
  readonly useCount: number;
  readonly draws: readonly Draw[];
  readonly ph: { readonly value: number; readonly atMs: number | null } | null;
  readonly keptIn: KeptIn;
  readonly place: string;
  readonly spoilByMs: number | null;
  readonly isGone: boolean;
}

/** Folds all that is known of a kept bath. @param end which end of what is only estimated of the goods' share */
export function foldKept(liquor: Liquor, { acts, runs, takes, transfers, origin, isPlant }: KeptFrom, end: keyof Band = 'likely'): KeptBath {
  const standing = acts.filter(({ withdrawn }) => withdrawn === null).toSorted((a, b) => a.atMs - b.atMs || a.recordedAtMs - b.recordedAtMs);
  const first: BathAct = {
    kind: 'from',
    what: liquor.from ? 'as the session left it' : 'as it was kept',
    isFirst: true,
    mL: numberOf(liquor.volumeMl),
    carries: origin.carries[end],
    atMs: liquor.madeAtMs,
    isEstimate: liquor.volumeMl.state !== 'measured',
  };
  const taken = takes.map(({ atMs, session, mL }): BathAct => ({ kind: 'out', way: 'drawn', what: session, mL, atMs, isEstimate: true }));
  const transferred = transfers.map(
    ({ atMs, from, mL, carries }): BathAct => ({ kind: 'from', what: from, mL: numberOf(mL), carries, atMs, isEstimate: mL.state !== 'measured' }),
  );
  // A master pot begins empty: nothing is there before its first extraction.
  const isEmptyFirst = liquor.volumeMl.state === 'unknown' && (transfers.length > 0 || standing.some(({ fact }) => fact.kind === 'pouredIn'));
  const balance = balanceOf([
    ...(isEmptyFirst ? [] : [first]),
    ...[...standing.flatMap((act) => bathAct(act, isPlant)), ...taken, ...transferred].toSorted((a, b) => a.atMs - b.atMs),
  ]);
  const moved = standing.flatMap(({ fact, atMs }) => (fact.kind === 'moved' ? [{ ...fact, atMs }] : []));
  const read = standing.flatMap(({ fact, atMs }) => (fact.kind === 'read' && fact.ph !== null ? [{ value: fact.ph, atMs }] : [])).at(-1);
  const uses = usesOf(standing, runs);
  return {
    balance,
    uses,
    useCount: liquor.uses + uses.length,
    draws: drawsOf(standing, takes),
    ph: read ?? (liquor.ph === null ? null : { value: liquor.ph, atMs: null }),
    keptIn: moved.at(-1)?.keptIn ?? liquor.keptIn,
    place: moved.at(-1)?.place ?? liquor.place,
    spoilByMs: spoilsAt(liquor, moved),
    isGone: standing.at(-1)?.fact.kind === 'pouredAway',
  };
}

/** The one number; of a range its middle. */
function numberOf(figure: Figure): number | null {
  const known = knownOf(figure);
  return typeof known === 'object' && known !== null ? (known.least + (known.most ?? known.least)) / 2 : oneOf(known);
}

function bathAct({ id, fact, atMs }: KeptAct, isPlant: (substance: string) => boolean): BathAct[] {
  const at = { id, atMs, isEstimate: 'mL' in fact && typeof fact.mL === 'object' && fact.mL !== null && fact.mL.state !== 'measured' };
  switch (fact.kind) {
    case 'pouredIn':
      return [
        { ...at, kind: 'from', what: fact.draw === null ? fact.what : `${fact.what}, draw ${fact.draw}`, mL: numberOf(fact.mL), carries: [] },
        ...(fact.brings ?? []).map(
          (one): BathAct => ({ id, atMs, isEstimate: true, kind: 'brought', substance: one.substance, amount: numberOf(one.amount), unit: one.unit }),
        ),
      ];
    case 'drawn':
      return [{ ...at, kind: 'out', way: 'drawn', what: fact.what, mL: numberOf(fact.mL) }];
    case 'put':
      return [
        {
          ...at,
          isEstimate: fact.amount.state !== 'measured',
          kind: 'put',
          substance: fact.substance,
          amount: numberOf(fact.amount),
          unit: fact.unit,
          isMatter: isPlant(fact.substance),
        },
      ];
    case 'water':
      return [{ ...at, kind: 'water', mL: numberOf(fact.mL), isTopUp: true }];
    case 'strained':
      return [{ ...at, kind: 'strained' }];
    case 'read':
      return fact.mL === null ? [] : [{ id, atMs, isEstimate: false, kind: 'read', mL: fact.mL }];
    case 'pouredAway':
      return [{ ...at, kind: 'out', way: 'away', what: fact.how, mL: null }];
    case 'moved':
    case 'used':
      return [];
    default:
      return unreachable(fact);
  }
}

function usesOf(standing: readonly KeptAct[], runs: readonly RunUse[]): KeptUse[] {
  const byHand = standing.flatMap(({ fact, atMs }) => (fact.kind === 'used' ? [{ atMs, what: fact.what, fibreG: numberOf(fact.fibreG), run: null }] : []));
  const byRuns = runs.map((run) => ({ atMs: run.atMs, what: run.session, fibreG: run.fibreG, run }));
  return [...byHand, ...byRuns].toSorted((a, b) => a.atMs - b.atMs).map((use, i) => ({ ...use, n: i + 1 }));
}

function drawsOf(standing: readonly KeptAct[], takes: readonly RunTake[]): Draw[] {
  const byHand = standing.flatMap(({ fact, atMs }) => (fact.kind === 'drawn' ? [{ atMs, what: fact.what, mL: numberOf(fact.mL), toId: fact.toId }] : []));
  const byRuns = takes.map(({ atMs, session, mL }) => ({ atMs, what: session, mL, toId: null }));
  return [...byHand, ...byRuns].toSorted((a, b) => a.atMs - b.atMs).map((draw, i) => ({ ...draw, n: i + 1 }));
}

const DAY_MS = 86_400_000;

/**
 * A day that somebody set stands. Otherwise each place uses up its share of the keeping: half its time in the fridge leaves half of its time
 * in the freezer. Null: by eye alone.
 */
function spoilsAt(liquor: Liquor, moved: readonly { readonly keptIn: KeptIn; readonly atMs: number }[]): number | null {
  const isSet = liquor.spoilByMs !== spoilByMs(liquor.madeAtMs, liquor.keptIn, liquor.ph);
  if (isSet || moved.length === 0) return liquor.spoilByMs;
  let [left, fromMs, keptIn] = [1, liquor.madeAtMs, liquor.keptIn];
  for (const move of moved) {
    left = Math.max(0, left - (move.atMs - fromMs) / (keepsDays(keptIn, liquor.ph) * DAY_MS));
    [fromMs, keptIn] = [move.atMs, move.keptIn];
  }
  return fromMs + left * keepsDays(keptIn, liquor.ph) * DAY_MS;
}
