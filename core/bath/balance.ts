import type { Band } from '../chem/band';
import type { AmountUnit } from '../measure/print';
import { unreachable } from '../result';

/** What a bath brings along for each millilitre of it; null: nobody knows how much. */
export interface Carried {
  readonly substance: string;
  readonly unit: AmountUnit;
  readonly perMl: number | null;
}

/** How liquid leaves a bath. */
export type WayOut = 'drawn' | 'goods' | 'away';

/** One thing that happened to a bath, at its time. Amounts are null where nobody knows them. */
export type BathAct = {
  readonly atMs: number;
  readonly isEstimate: boolean;
  /** Names what somebody wrote down by hand. */
  readonly id?: string | undefined;
} & (
  | { readonly kind: 'water'; readonly mL: number | null; readonly isTopUp: boolean }
  /** `isMatter`: plant matter lies in it and is strained out again; all else dissolves. */
  | { readonly kind: 'put'; readonly substance: string; readonly amount: number | null; readonly unit: AmountUnit; readonly isMatter: boolean }
  /** Dissolved in what was poured in: it is no volume of its own. */
  | { readonly kind: 'brought'; readonly substance: string; readonly amount: number | null; readonly unit: AmountUnit }
  /** Another bath, or what wet goods bring, poured in. */
  | {
      readonly kind: 'from';
      readonly what: string;
      readonly mL: number | null;
      readonly carries: readonly Carried[];
      /** It is what the bath began with. */
      readonly isFirst?: boolean;
    }
  /** `mL` null: all of it. */
  | { readonly kind: 'out'; readonly way: WayOut; readonly what: string; readonly mL: number | null }
  | { readonly kind: 'boiled'; readonly mL: number }
  | { readonly kind: 'strained' }
  /** Of what is dissolved the goods take a share, 0–1: an estimate as a range. */
  | { readonly kind: 'took'; readonly substance: string; readonly share: Band }
  | { readonly kind: 'read'; readonly mL: number }
);

/** One substance: all that went in is somewhere. Amounts in its unit; null where one of them is unknown. */
export interface Solute {
  readonly substance: string;
  readonly unit: AmountUnit;
  readonly isMatter: boolean;
  readonly inAmount: number | null;
  /** Left with liquid that was drawn, carried out or poured away, or was strained out. */
  readonly outAmount: number | null;
  /** Taken by the goods, as it is estimated. */
  readonly tookAmount: number | null;
  readonly left: number | null;
  /** Some of it was not measured. */
  readonly isEstimate: boolean;
  /** Of `left` in the volume that is there, per litre; null where either is unknown, and of matter. */
  readonly perL: number | null;
}

export interface BalanceLine {
  readonly act: BathAct;
  /** What it did to the volume, mL, and the volume after it; null where nobody knows. */
  readonly changeMl: number | null;
  readonly afterMl: number | null;
}

export interface Balance {
  readonly volumeMl: number | null;
  /** Something since the last reading is an estimate. */
  readonly isEstimate: boolean;
  readonly lines: readonly BalanceLine[];
  readonly solutes: readonly Solute[];
  /** All liquid that came and went, mL; what a reading found otherwise is `unaccountedMl`, with its sign. */
  readonly totals: {
    readonly waterMl: number;
    readonly toppedUpMl: number;
    readonly liquidsMl: number;
    readonly fromMl: number;
    readonly drawnMl: number;
    readonly goodsMl: number;
    readonly awayMl: number;
    readonly boiledMl: number;
    readonly unaccountedMl: number;
  };
}

interface Held {
  readonly unit: AmountUnit;
  readonly isMatter: boolean;
  isEstimate: boolean;
  inAmount: number | null;
  outAmount: number | null;
  tookAmount: number | null;
  left: number | null;
}

type Totals = { -readonly [K in keyof Balance['totals']]: number };
const NOTHING: Totals = { waterMl: 0, toppedUpMl: 0, liquidsMl: 0, fromMl: 0, drawnMl: 0, goodsMl: 0, awayMl: 0, boiledMl: 0, unaccountedMl: 0 };

const plus = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a + b);
const times = (a: number | null, b: number | null): number | null => (a === 0 || b === 0 ? 0 : a === null || b === null ? null : a * b);

/**
 * A bath from its first water to its last drop. What came in is there, or went, and it is said where: volumes and each substance add up.
 * @param acts in order of time
 * @param end which end of what is only estimated of the goods' share
 */
export function balanceOf(acts: readonly BathAct[], end: keyof Band = 'likely'): Balance {
  const held = new Map<string, Held>();
  const totals: Totals = { ...NOTHING };
  const lines: BalanceLine[] = [];
  let volumeMl: number | null = 0;
  let isEstimate = false;
  for (const act of acts) {
    const before: number | null = volumeMl;
    volumeMl = volumeAfter(act, volumeMl, totals);
    // Read, or emptied: that is known.
    if (act.kind === 'read' || (act.kind === 'out' && act.mL === null)) isEstimate = false;
    else if (act.isEstimate && changesVolume(act)) isEstimate = true;
    changeContents(act, before, held, end);
    lines.push({ act, changeMl: before === null || volumeMl === null ? null : volumeMl - before, afterMl: volumeMl });
  }
  const solutes = [...held].map(
    ([substance, one]): Solute => ({
      substance,
      ...one,
      perL: one.isMatter || one.left === null || volumeMl === null || volumeMl <= 0 ? null : (one.left / volumeMl) * 1000,
    }),
  );
  return { volumeMl, isEstimate, lines, solutes, totals };
}

const changesVolume = ({ kind }: BathAct): boolean => !['took', 'strained', 'put', 'brought'].includes(kind);

function volumeAfter(act: BathAct, volumeMl: number | null, totals: Totals): number | null {
  switch (act.kind) {
    case 'water':
      totals[act.isTopUp ? 'toppedUpMl' : 'waterMl'] += act.mL ?? 0;
      return plus(volumeMl, act.mL);
    case 'put':
      if (act.unit !== 'mL' || act.isMatter) return volumeMl;
      totals.liquidsMl += act.amount ?? 0;
      return plus(volumeMl, act.amount);
    case 'from':
      totals.fromMl += act.mL ?? 0;
      return plus(volumeMl, act.mL);
    case 'out': {
      const out = act.mL ?? volumeMl ?? 0;
      totals[act.way === 'drawn' ? 'drawnMl' : act.way === 'goods' ? 'goodsMl' : 'awayMl'] += out;
      if (act.mL === null) return 0;
      // More than was thought to be there: then more was there.
      const lacking = volumeMl === null ? 0 : Math.max(0, out - volumeMl);
      totals.unaccountedMl += lacking;
      return volumeMl === null ? null : Math.max(0, volumeMl - out);
    }
    case 'boiled': {
      const boiled = Math.min(act.mL, volumeMl ?? act.mL);
      totals.boiledMl += boiled;
      return volumeMl === null ? null : volumeMl - boiled;
    }
    case 'read':
      totals.unaccountedMl += act.mL - (volumeMl ?? known(totals));
      return act.mL;
    case 'took':
    case 'strained':
    case 'brought':
      return volumeMl;
    default:
      return unreachable(act);
  }
}

/** What is known to have come and not gone. */
const known = (t: Totals): number => t.waterMl + t.toppedUpMl + t.liquidsMl + t.fromMl + t.unaccountedMl - t.drawnMl - t.goodsMl - t.awayMl - t.boiledMl;

function changeContents(act: BathAct, beforeMl: number | null, held: Map<string, Held>, end: keyof Band): void {
  switch (act.kind) {
    case 'brought':
      comesIn(held, act.substance, act.unit, false, act.amount, act.isEstimate);
      return;
    case 'put':
      comesIn(held, act.substance, act.unit, act.isMatter, act.amount, act.isEstimate);
      return;
    case 'from':
      for (const { substance, unit, perMl } of act.carries) comesIn(held, substance, unit, false, times(perMl, act.mL), act.isEstimate);
      return;
    case 'out': {
      const share = act.mL === null ? 1 : beforeMl === null ? null : beforeMl <= 0 ? 1 : Math.min(1, act.mL / beforeMl);
      for (const one of held.values()) if (!one.isMatter || act.mL === null) goesOut(one, share, act.isEstimate && act.mL !== null);
      return;
    }
    case 'strained':
      for (const one of held.values()) if (one.isMatter) goesOut(one, 1, false);
      return;
    case 'took': {
      const one = held.get(act.substance);
      if (!one) return;
      const took = times(one.left, act.share[end]);
      one.isEstimate = true;
      one.tookAmount = plus(one.tookAmount, took);
      one.left = took === null || one.left === null ? null : one.left - took;
      return;
    }
    case 'water':
    case 'boiled':
    case 'read':
      return;
    default:
      unreachable(act);
  }
}

function comesIn(held: Map<string, Held>, substance: string, unit: AmountUnit, isMatter: boolean, amount: number | null, isEstimate: boolean): void {
  // Grams and millilitres of one thing are two rows: nothing is turned into the other without its label.
  const had = held.get(substance);
  const key = had && had.unit !== unit ? `${substance} (${unit})` : substance;
  const one = held.get(key) ?? { unit, isMatter, isEstimate: false, inAmount: 0, outAmount: 0, tookAmount: 0, left: 0 };
  one.isEstimate ||= isEstimate;
  one.inAmount = plus(one.inAmount, amount);
  one.left = plus(one.left, amount);
  held.set(key, one);
}

function goesOut(one: Held, share: number | null, isEstimate: boolean): void {
  one.isEstimate ||= isEstimate;
  const out = times(one.left, share);
  one.outAmount = plus(one.outAmount, out);
  one.left = share === 1 ? 0 : out === null || one.left === null ? null : one.left - out;
}

/** What a bath brings along where some of it is poured elsewhere: all that is dissolved in it. */
export const carriedFrom = ({ solutes, volumeMl }: Balance): Carried[] =>
  solutes.flatMap(({ substance, unit, isMatter, left }) =>
    isMatter || left === 0 ? [] : [{ substance, unit, perMl: left === null || volumeMl === null || volumeMl <= 0 ? null : left / volumeMl }],
  );
