import { type Known, timesSpan } from '../figure';
import type { AmountUnit } from '../measure/print';
import { ARITHMETIC, PRACTICE, type Working, work } from './working';

/** So many to a piece: tea bags, bands. Whole things, rounded up: nobody opens half a bag. T77: 12 pieces at 1 per 2 are 6. */
export const perPiece = (pieces: Known, each: Known): Working =>
  work(
    'pieces × so many each, rounded up',
    [
      { name: 'pieces', value: pieces, unit: '' },
      { name: 'to a piece', value: each, unit: '' },
    ],
    'piece',
    PRACTICE,
    (n, k) => Math.ceil(n * k - 1e-9),
  );

/** Bands of a tied resist: points × ties a point, not points alone. T75: 7 points at two ties are 14. */
export const bandsOf = (points: Known, tiesPerPoint: Known): Working =>
  work(
    'points × ties a point',
    [
      { name: 'points', value: points, unit: '' },
      { name: 'ties a point', value: tiesPerPoint, unit: '' },
    ],
    'piece',
    ARITHMETIC,
    (points_, ties) => points_ * ties,
  );

/** Whole portions that a weight makes, rounded up; null while either is unknown. */
export const portionsOf = (dryG: number | null, portionG: number | null): number | null =>
  dryG === null || portionG === null || portionG <= 0 ? null : Math.ceil(dryG / portionG - 1e-9);

/** So much to a portion, portions whole: T41, a cup is for 4 g, so 100 g are 25 cups. @param unit of what goes into one */
export const perPortion = (dryG: Known, portionG: Known, each: Known, unit: AmountUnit): Working =>
  work(
    'weight ÷ a portion, rounded up × so much each',
    [
      { name: 'dry weight of the fibre', value: dryG, unit: 'g' },
      { name: 'a portion is for', value: portionG, unit: 'g' },
      { name: 'to a portion', value: each, unit },
    ],
    unit,
    PRACTICE,
    (g, portion, k) => (portionsOf(g, portion) ?? Number.NaN) * k,
  );

/** Mass by concentration: g per litre of bath. */
export const gramsPerLitre = (bathMl: Known, gPerL: Known): Working =>
  work(
    'bath ÷ 1000 × dose',
    [
      { name: 'volume of the bath', value: bathMl, unit: 'mL' },
      { name: 'dose', value: gPerL, unit: 'g per L' },
    ],
    'g',
    ARITHMETIC,
    (mL, d) => (mL / 1000) * d,
  );

/** An ingredient as a share of the whole bath: 25 % of 1 L is 250 mL, and 750 mL of water with it. */
export const shareOfBath = (bathMl: Known, pct: Known): Working =>
  work(
    'bath × percent ÷ 100',
    [
      { name: 'volume of the whole bath', value: bathMl, unit: 'mL' },
      { name: 'share of it', value: pct, unit: '% v/v' },
    ],
    'mL',
    ARITHMETIC,
    (mL, share) => (mL * share) / 100,
  );

/** A product weaker or of another form than the recipe means: more of it, by the factor on its label. */
export function byStrength(dose: Working, factor: number, label: string): Working {
  if (factor === 1) return dose;
  return {
    ...dose,
    formula: `(${dose.formula}) × ${label}`,
    inputs: [...dose.inputs, { name: label, value: factor, unit: '' }],
    result: dose.result === null ? null : dose.result * factor,
    ...(dose.between ? { between: timesSpan(dose.between, factor) } : {}),
  };
}
