import type { Known } from '../figure';
import { ARITHMETIC, PRACTICE, type Working, work } from './working';

/** Percent of the dry weight of fibre. @param dryG g, or null when not weighed @param wofPct %, 2 = 2 g per 100 g */
export const wofDose = (dryG: Known, wofPct: Known, weight = 'dry weight of the fibre'): Working =>
  work(
    'dry weight × percent ÷ 100',
    [
      { name: weight, value: dryG, unit: 'g' },
      { name: 'percent of the fibre’s weight', value: wofPct, unit: '% WOF' },
    ],
    'g',
    ARITHMETIC,
    (g, pct) => (g * pct) / 100,
  );

/** Dyestuff for a plant-to-fibre ratio. @param ratio g of plant per g of dry fibre: 10 for most fresh leaves */
export const plantForRatio = (dryG: Known, ratio: Known, weight = 'dry weight of the fibre'): Working =>
  work(
    'dry weight × ratio',
    [
      { name: weight, value: dryG, unit: 'g' },
      { name: 'plant to fibre', value: ratio, unit: ': 1' },
    ],
    'g',
    PRACTICE,
    (g, r) => g * r,
  );

/** The question turned round: how much fibre the plant at hand will serve, g. */
export const fibreServed = (plantG: Known, ratio: Known): Working =>
  work(
    'plant ÷ ratio',
    [
      { name: 'plant at hand', value: plantG, unit: 'g' },
      { name: 'plant to fibre', value: ratio, unit: ': 1' },
    ],
    'g',
    PRACTICE,
    (g, r) => g / r,
  );

/** The ratio of what is at hand: plant ÷ fibre. T8: 100–200 g of flowers on 300 g are 0.33–0.67 : 1. */
export const plantToFibre = (plantG: Known, dryG: Known): Working =>
  work(
    'plant ÷ dry weight',
    [
      { name: 'plant at hand', value: plantG, unit: 'g' },
      { name: 'dry weight of the fibre', value: dryG, unit: 'g' },
    ],
    ': 1',
    ARITHMETIC,
    (plant, dry) => plant / dry,
  );

/** All that is in the bath to the fibre. T40: 12 cups and 4 tablespoons on 200 g are 14.5 : 1. @param addedMl what was poured in beside the water */
export const liquorRatio = (waterMl: Known, addedMl: Known, dryG: Known): Working =>
  work(
    '(water + what was added) ÷ dry weight',
    [
      { name: 'water', value: waterMl, unit: 'mL' },
      { name: 'added', value: addedMl, unit: 'mL' },
      { name: 'dry weight of the fibre', value: dryG, unit: 'g' },
    ],
    ': 1',
    ARITHMETIC,
    (water, added, dry) => (water + added) / dry,
  );

/** Water by liquor ratio. @param mLPerG mL of bath per g of dry fibre */
export const liquorVolume = (dryG: Known, mLPerG: Known): Working =>
  work(
    'dry weight × liquor ratio',
    [
      { name: 'dry weight of the fibre', value: dryG, unit: 'g' },
      { name: 'liquor ratio', value: mLPerG, unit: 'mL per g' },
    ],
    'mL',
    PRACTICE,
    (g, r) => g * r,
  );

/** Liquid product by volume of bath. 1 US tsp per 5 L is 4.93 mL per 5000 mL, about 1 mL per L. */
export const perLitre = (bathMl: Known, mLPerL: Known): Working =>
  work(
    'bath ÷ 1000 × dose',
    [
      { name: 'volume of the bath', value: bathMl, unit: 'mL' },
      { name: 'dose', value: mLPerL, unit: 'mL per L' },
    ],
    'mL',
    PRACTICE,
    (mL, d) => (mL / 1000) * d,
  );

/** Mass in a weight-by-volume solution: 6 % w/v is 60 g/L, a hundredfold off 6 % of 10 g of fibre in one litre. */
export const solutionMass = (volumeMl: Known, wvPct: Known): Working =>
  work(
    'volume × percent ÷ 100',
    [
      { name: 'volume', value: volumeMl, unit: 'mL' },
      { name: 'strength', value: wvPct, unit: '% w/v (g per 100 mL)' },
    ],
    'g',
    ARITHMETIC,
    (mL, pct) => (mL * pct) / 100,
  );

/** One ingredient of a mix by parts: 1 part in 1 + 3 parts is a quarter, not a third. */
export const partsOf = (totalMl: Known, parts: number, allParts: number): Working =>
  work(
    'total × parts ÷ all parts',
    [
      { name: 'total', value: totalMl, unit: 'mL' },
      { name: 'parts of this', value: parts, unit: 'parts' },
      { name: 'all parts', value: allParts, unit: 'parts' },
    ],
    'mL',
    ARITHMETIC,
    (mL, part, all) => (mL * part) / all,
  );

/** Actual percent of fibre weight that an amount was, %; null when either is unknown. */
export const wofPctOf = (amountG: number | null, dryG: number | null): number | null =>
  amountG === null || dryG === null || dryG === 0 ? null : (amountG / dryG) * 100;

/** Scales any amount with the fibre. @returns null when either weight is unknown; throws RangeError on a weight ≤ 0 */
export function scaleAmount(amount: number, fromDryG: number | null, toDryG: number | null): number | null {
  if (fromDryG === null || toDryG === null) return null;
  if (!(fromDryG > 0) || !(toDryG > 0)) throw new RangeError('scaling needs weights above zero');
  return (amount * toDryG) / fromDryG;
}
