import { printMass, printNumber, printVolume } from '../measure/print';
import { ARITHMETIC, type Working, work } from './working';

/** A mass this many times the scale's last digit is weighed to a tenth (safety handbook R6). */
const GOOD_DIGITS = 10;
/** A kitchen jug reads this much well, mL (estimate). */
const JUG_READS_ML = 50;
const STRENGTHS_PCT = [10, 5, 2, 1, 0.5, 0.2, 0.1] as const;

export interface StockSolution {
  /** g per 100 mL. */
  readonly wvPct: number;
  /** What to measure out of it, mL. */
  readonly measureMl: number;
  /** What to make up, so that its own weighing is good: grams in this many mL. */
  readonly makeG: number;
  readonly makeMl: number;
}

/** Does this scale weigh it to a tenth? @param readsToG last digit of the scale */
export const weighsWell = (massG: number, readsToG: number): boolean => massG >= GOOD_DIGITS * readsToG - 1e-9;

/**
 * A stock solution for a mass too small for the scale: 0.66 g on a 1 g scale is 66 mL of a 1 % stock, made of 10 g in 1 L.
 * @returns null when the scale weighs it well, or the mass is not above 0
 */
export function stockSolution(massG: number, readsToG: number): StockSolution | null {
  if (!(massG > 0) || weighsWell(massG, readsToG)) return null;
  const wvPct = STRENGTHS_PCT.find((pct) => (massG / pct) * 100 >= JUG_READS_ML) ?? STRENGTHS_PCT[STRENGTHS_PCT.length - 1] ?? 0.1;
  const measureMl = (massG / wvPct) * 100;
  const makeG = GOOD_DIGITS * readsToG;
  // Enough to measure from, and a weight the scale reads.
  const batches = Math.max(1, Math.ceil(measureMl / ((makeG / wvPct) * 100)));
  return { wvPct, measureMl, makeG: makeG * batches, makeMl: ((makeG * batches) / wvPct) * 100 };
}

/** "Your scale reads 1 g; 0.66 g is better measured as 66 mL of a 1 % stock: 10 g made up to 1 L." */
export const stockText = (massG: number, readsToG: number, stock: StockSolution): string =>
  `Your scale reads ${printMass(readsToG)}; ${printMass(massG)} is better measured as ${printVolume(stock.measureMl)} of a ${printNumber(stock.wvPct)} % stock: ${printMass(stock.makeG)} made up to ${printVolume(stock.makeMl)}.`;

/** Volume of a stock that holds a mass, mL. */
export const stockVolume = (massG: number | null, wvPct: number | null): Working =>
  work(
    'mass × 100 ÷ strength',
    [
      { name: 'mass wanted', value: massG, unit: 'g' },
      { name: 'strength of the stock', value: wvPct, unit: '% w/v (g per 100 mL)' },
    ],
    'mL',
    ARITHMETIC,
    (g, pct) => (g * 100) / pct,
  );

/** Strength after plain water was added, in the unit it had (g/L, %). 5 g/L in 1 L and 300 mL more is 3.85 g/L. */
export const dilutedTo = (strength: number, volumeMl: number, addedMl: number): number => (strength * volumeMl) / (volumeMl + addedMl);

/** Share of an ingredient in the whole by volume, %. A teaspoon in a cup of water is 2.0 %. */
export const volumePct = (partMl: number, otherMl: number): number => (partMl / (partMl + otherMl)) * 100;

export interface Rung {
  /** Share of the first strength, %. */
  readonly strengthPct: number;
  readonly gPerL: number;
  /** What is left of it after the next rung was made, mL. */
  readonly leftMl: number;
  readonly soluteG: number;
}

export interface Ladder {
  readonly rungs: readonly Rung[];
  /** Thinner used in all, the start included, mL. */
  readonly thinnerMl: number;
}

/**
 * A ladder by halving: from each rung `stepMl` is taken and as much thinner added.
 * 100 mL, two halvings of 50 mL: left 50, 50, 100; 200 mL of thinner in all.
 * @returns null when a rung holds less than is to be taken
 */
export function halvingLadder(start: { startMl: number; gPerL: number }, stepMl: number, halvings: number): Ladder | null {
  const made: { ml: number; strengthPct: number }[] = [{ ml: start.startMl, strengthPct: 100 }];
  let thinnerMl = start.startMl;
  for (let i = 0; i < halvings; i++) {
    const above = made[i];
    if (!above || above.ml < stepMl) return null;
    above.ml -= stepMl;
    made.push({ ml: 2 * stepMl, strengthPct: above.strengthPct / 2 });
    thinnerMl += stepMl;
  }
  return {
    thinnerMl,
    rungs: made.map(({ ml, strengthPct }) => {
      const gPerL = (start.gPerL * strengthPct) / 100;
      return { strengthPct, gPerL, leftMl: ml, soluteG: (gPerL * ml) / 1000 };
    }),
  };
}

/** What all rungs hold together, g: nothing was lost on the way. T49: 2.5 + 1.25 + 1.25 = 5 g. */
export const ladderHolds = (ladder: Ladder): number => ladder.rungs.reduce((sum, rung) => sum + rung.soluteG, 0);

/** Stock and thinner for wished volumes of wished strengths, each mixed straight from the stock. */
export function mixFromStock(wishes: readonly { readonly strengthPct: number; readonly volumeMl: number }[]): { stockMl: number; thinnerMl: number } {
  const stockMl = wishes.reduce((sum, wish) => sum + (wish.volumeMl * wish.strengthPct) / 100, 0);
  return { stockMl, thinnerMl: wishes.reduce((sum, wish) => sum + wish.volumeMl, 0) - stockMl };
}
