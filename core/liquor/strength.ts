import type { Band } from '../chem/band';
import { addedKs, withKs } from '../colour/kubelkaMunk';
import { hexOfLinear, type Linear, linearOf } from '../colour/lab';

/**
 * What is left of a bath's colour. Each load takes a share of what is there: how large, no table knows. Before any result of one's own it is
 * a wide guess (our estimate, no source); from then on it is what first and second bath here showed.
 */
export const ANY_SHARE: Band = { low: 0.4, likely: 0.6, high: 0.8 };

/** A first and the next load out of one bath, as they were read dry. */
export interface TwoLoads {
  /** What each added to its ground, K/S by channel. */
  readonly first: Linear;
  readonly second: Linear;
  readonly firstG: number;
  readonly secondG: number;
}

export interface TakenShare {
  readonly share: Band;
  /** Pairs of own results it rests on; 0: a guess. */
  readonly n: number;
}

const LEAST = 0.05;
const MOST = 0.98;
const clamp = (share: number): number => Math.min(MOST, Math.max(LEAST, share));
/** A single pair tells the middle, not the spread. */
const ALONE = 0.2;

/** The share a load takes: dye on fibre goes by K/S and by weight, so the second load tells what the first one left. */
export function learnShare(pairs: readonly TwoLoads[]): TakenShare {
  const shares = pairs.flatMap(({ first, second, firstG, secondG }) => {
    const [took, then] = [sum(first) * firstG, sum(second) * secondG];
    return took > 0 ? [clamp(1 - then / took)] : [];
  });
  if (shares.length === 0) return { share: ANY_SHARE, n: 0 };
  const mean = shares.reduce((all, one) => all + one, 0) / shares.length;
  const sd = Math.sqrt(shares.reduce((all, one) => all + (one - mean) ** 2, 0) / Math.max(1, shares.length - 1));
  const off = shares.length === 1 ? ALONE : 1.3 * sd + ALONE / shares.length;
  return { share: { low: clamp(mean - off), likely: mean, high: clamp(mean + off) }, n: shares.length };
}

const sum = ([r, g, b]: Linear): number => r + g + b;

/** Share of the first strength that is left, 0–1. @param loads each by its weight against the first one, at most 1 */
export function leftAfter({ share }: TakenShare, loads: readonly number[]): Band {
  const left = (taken: number): number => loads.reduce((rest, load) => rest * (1 - taken * load), 1);
  return { low: left(share.high), likely: left(share.likely), high: left(share.low) };
}

/** One extraction of the same plants that went in. */
export interface DrawnIn {
  /** The how many-th it was. */
  readonly n: number;
  readonly mL: number;
}

/**
 * How strong a blend of several extractions is against the first one alone, 0–1: each extraction takes a share of what is still in the
 * plant (as wide a guess as for loads, no source), so that the second is weaker by what the first took, and more water thins them all.
 * @returns null where the first draw is not among them, or nothing weaker was blended in
 */
export function blendOf(draws: readonly DrawnIn[]): Band | null {
  const first = draws.find(({ n }) => n === 1);
  const allMl = draws.reduce((sum, { mL }) => sum + mL, 0);
  if (!first || first.mL <= 0 || draws.every(({ n }) => n === 1)) return null;
  const at = (share: number): number => (first.mL / allMl) * draws.reduce((sum, { n }) => sum + (1 - share) ** (n - 1), 0);
  return { low: Math.min(1, at(ANY_SHARE.high)), likely: Math.min(1, at(ANY_SHARE.likely)), high: Math.min(1, at(ANY_SHARE.low)) };
}

/** How much fibre would come out as deep as the first load, g; half as deep, twice as much. @param firstG the first load */
export const enoughFor = (left: Band, firstG: number): Band => ({ low: left.low * firstG, likely: left.likely * firstG, high: left.high * firstG });

/**
 * The colour that a next load may have: the first one's K/S, less by what is left, over more or less fibre. An estimate.
 * @param firstHex the first load, dry, on `groundHex`
 * @returns from the palest to the deepest
 */
export function nextColours(
  firstHex: string,
  groundHex: string,
  left: Band,
  firstG: number,
  nextG: number,
): { readonly low: string; readonly likely: string; readonly high: string } {
  const ground = linearOf(groundHex);
  const added = addedKs(linearOf(firstHex), ground);
  const at = (share: number): string => {
    const factor = (share * firstG) / nextG;
    return hexOfLinear(withKs(ground, [added[0] * factor, added[1] * factor, added[2] * factor]));
  };
  return { low: at(left.low), likely: at(left.likely), high: at(left.high) };
}
