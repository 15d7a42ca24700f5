import { PRACTICE, type Working, work } from './working';

/** A wild stand below this gives nothing (safety handbook section 4, gathering rule; law varies). */
const LEAST_STAND = 20;

export interface FairShare {
  /** Whole plants that may be taken, least and most: 5 and 10 % of the stand. */
  readonly fewest: number;
  readonly most: number;
  /** Why nothing may be taken, or null. */
  readonly none: string | null;
}

/** Wild stand: 5–10 % of a kind; a bed of one's own: as much as wished. T12: 400 plants give 20–40. */
export function fairShare(plants: number, own: boolean): FairShare {
  if (own) return { fewest: 0, most: plants, none: null };
  if (plants < LEAST_STAND) return { fewest: 0, most: 0, none: `A wild stand of fewer than ${LEAST_STAND} plants is left alone.` };
  return { fewest: Math.floor(plants * 0.05), most: Math.floor(plants * 0.1), none: null };
}

/** Plants to pick for a weight, by what one plant gives. */
export const plantsNeeded = (neededG: number | null, gPerPlant: number | null): Working =>
  work(
    'plant matter ÷ grams a plant',
    [
      { name: 'plant matter needed', value: neededG, unit: 'g' },
      { name: 'one plant gives', value: gPerPlant, unit: 'g' },
    ],
    'plants',
    PRACTICE,
    (g, each) => Math.ceil(g / each - 1e-9),
  );

/** Drying: by the two ratios of the same dyestuff, fresh 10 : 1 and dried 1 : 1, a gram dried stands for ten fresh. */
export const freshForDried = (driedG: number, freshRatio: number, driedRatio: number): number => (driedG * freshRatio) / driedRatio;
