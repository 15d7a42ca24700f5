import { estimated, type Figure, knownValue, measured, sumFigures, UNKNOWN } from '../figure';
import { printMass } from '../measure/print';
import { err, ok, type Result } from '../result';
import type { Share } from './fibre';
import type { Finish, Lot } from './lot';

/** A scale's last digit: weights that differ by less add up. */
const SLACK_G = 0.1;
const SLACK_SHARE = 0.005;

export interface SplitPart {
  readonly name: string;
  readonly dryWeightG: Figure;
}

export type SplitRefusal =
  | { readonly why: 'ended' }
  | { readonly why: 'tooFew' }
  | { readonly why: 'doesNotAddUp'; readonly wholeG: number; readonly partsG: number }
  | { readonly why: 'tooMuch'; readonly wholeG: number; readonly partsG: number };

/**
 * May a lot be split so? Weights must add up to the whole within the scale's last digit or half a percent. A part
 * nobody weighed is allowed as long as the others leave something for it.
 * @returns the parts with their weights; one unweighed part of a weighed whole gets what is left, as an estimate
 */
export function checkSplit(lot: Pick<Lot, 'dryWeightG' | 'ended'>, parts: readonly SplitPart[]): Result<readonly Figure[], SplitRefusal> {
  if (lot.ended) return err({ why: 'ended' });
  if (parts.length < 2) return err({ why: 'tooFew' });
  const wholeG = knownValue(lot.dryWeightG);
  const weights = parts.map((part) => part.dryWeightG);
  if (wholeG === null) return ok(weights);
  const knownG = weights.reduce((sum, weight) => sum + (knownValue(weight) ?? 0), 0);
  const slackG = Math.max(SLACK_G, wholeG * SLACK_SHARE);
  const unknown = weights.filter((weight) => weight.state === 'unknown').length;
  if (unknown > 0) {
    if (knownG >= wholeG - 1e-9) return err({ why: 'tooMuch', wholeG, partsG: knownG });
    return ok(unknown === 1 ? weights.map((weight) => (weight.state === 'unknown' ? estimated(wholeG - knownG) : weight)) : weights);
  }
  return Math.abs(knownG - wholeG) > slackG ? err({ why: 'doesNotAddUp', wholeG, partsG: knownG }) : ok(weights);
}

export function splitRefusalText(refusal: SplitRefusal): string {
  switch (refusal.why) {
    case 'ended':
      return 'This lot is no more: it was split, joined or put away.';
    case 'tooFew':
      return 'Name at least two parts.';
    case 'doesNotAddUp':
      return `The parts weigh ${printMass(refusal.partsG)} together, the lot ${printMass(refusal.wholeG)}. Weigh again, or leave one part unknown.`;
    case 'tooMuch':
      return `The weighed parts are ${printMass(refusal.partsG)} already; the lot is ${printMass(refusal.wholeG)}. Nothing is left for the others.`;
  }
}

/** Parts of equal weight; the last digit that does not divide goes to the first parts, so that they add up exactly. */
export function evenParts(wholeG: number, count: number): number[] {
  const tenths = Math.round(wholeG * 10);
  const each = Math.floor(tenths / count);
  const over = tenths - each * count;
  return Array.from({ length: count }, (_, i) => (each + (i < over ? 1 : 0)) / 10);
}

/** What a lot joined of several is: weights add up, the blend is by weight. Unknown parts make it unknown. */
export function joinLots(lots: readonly Pick<Lot, 'dryWeightG' | 'composition' | 'finishes' | 'pieces'>[]): {
  readonly dryWeightG: Figure;
  readonly composition: readonly Share[];
  readonly finishes: readonly Finish[] | null;
  readonly pieces: number;
} {
  const dryWeightG = sumFigures(lots.map((lot) => lot.dryWeightG));
  const first = lots[0]?.finishes ?? null;
  const sameFinish = lots.every((lot) => JSON.stringify(lot.finishes) === JSON.stringify(first));
  return {
    dryWeightG: lots.length === 0 ? UNKNOWN : dryWeightG.state === 'measured' ? measured(dryWeightG.value) : dryWeightG,
    composition: blendOf(lots),
    finishes: sameFinish ? first : null,
    pieces: lots.reduce((sum, lot) => sum + lot.pieces, 0),
  };
}

function blendOf(lots: readonly Pick<Lot, 'dryWeightG' | 'composition'>[]): readonly Share[] {
  const [first] = lots;
  if (!first) return [];
  if (lots.every((lot) => sameBlend(lot.composition, first.composition))) return first.composition;
  const totalG = knownValue(sumFigures(lots.map((lot) => lot.dryWeightG)));
  if (totalG === null || lots.some((lot) => lot.composition.length === 0)) return [];
  const byFibre = new Map<Share['fibre'], number>();
  for (const lot of lots)
    for (const { fibre, pct } of lot.composition) byFibre.set(fibre, (byFibre.get(fibre) ?? 0) + (pct * (knownValue(lot.dryWeightG) ?? 0)) / totalG);
  const shares = [...byFibre].map(([fibre, pct]) => ({ fibre, pct: Math.round(pct * 100) / 100 })).sort((a, b) => b.pct - a.pct);
  // Rounded shares must still be a whole.
  const rest = 100 - shares.reduce((sum, share) => sum + share.pct, 0);
  return shares.map((share, i) => (i === 0 ? { ...share, pct: Math.round((share.pct + rest) * 100) / 100 } : share));
}

const sameBlend = (a: readonly Share[], b: readonly Share[]): boolean =>
  a.length === b.length && a.every((share) => b.some((other) => other.fibre === share.fibre && Math.abs(other.pct - share.pct) < 0.01));
