import { readNumber } from './parseNumber';

/** What a percentage may mean; a recipe rarely says. */
export type PercentMeans = 'wof' | 'solution';

export interface PercentReadings {
  readonly pct: number;
  /** Of the dry weight of fibre, g; null when nobody weighed it. */
  readonly wofG: number | null;
  /** As a solution (g per 100 mL) in this bath, g; null when its volume is unknown. */
  readonly solutionG: number | null;
  /** How far apart the two are, as a factor; null when either is unknown. */
  readonly factor: number | null;
}

/** Reads "2 %" or "2%"; null when the text is no percentage. */
export function readPercent(text: string): number | null {
  const number = readNumber(text.trim());
  return number && !number.ambiguousComma && /^\s*%\s*$/.test(number.rest) ? number.value : null;
}

/** Both readings side by side: 2 % of 50 g is 1 g, a 2 % solution in a litre is 20 g (T21). */
export function percentReadings(pct: number, dryFibreG: number | null, bathMl: number | null): PercentReadings {
  const wofG = dryFibreG === null ? null : (dryFibreG * pct) / 100;
  const solutionG = bathMl === null ? null : (bathMl * pct) / 100;
  return { pct, wofG, solutionG, factor: wofG === null || solutionG === null || wofG === 0 ? null : solutionG / wofG };
}
