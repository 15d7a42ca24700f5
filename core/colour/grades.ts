import type { Lab } from './lab';
import { chromaOf, hueOf } from './polar';

/** Grey-scale ratings from 5 (unchanged) to 1, in half steps. */
export const RATINGS = [5, 4.5, 4, 3.5, 3, 2.5, 2, 1.5, 1] as const;
export type Rating = (typeof RATINGS)[number];

/** "4-5" */
export const printRating = (rating: Rating): string => (Number.isInteger(rating) ? String(rating) : `${Math.floor(rating)}-${Math.ceil(rating)}`);

/** Upper limits of ΔE_F for the ratings above 1 (ISO 105-A05:1996). */
const CHANGE_BELOW: readonly (readonly [number, Rating])[] = [
  [0.4, 5],
  [1.25, 4.5],
  [2.1, 4],
  [2.95, 3.5],
  [4.1, 3],
  [5.8, 2.5],
  [8.2, 2],
  [11.6, 1.5],
];

export interface ChangeGrade {
  readonly deltaEF: number;
  /** Unrounded, may fall below 1. */
  readonly gs: number;
  readonly rating: Rating;
}

/** Change of colour, for light and wash tests (ISO 105-A05:1996). */
export function changeGrade(original: Lab, tested: Lab): ChangeGrade {
  const deltaL = tested.l - original.l;
  const [chromaO, chromaT] = [chromaOf(original), chromaOf(tested)];
  const deltaC = chromaT - chromaO;
  const [hueO, hueT] = [hueOf(original), hueOf(tested)];
  const squareH = (tested.a - original.a) ** 2 + (tested.b - original.b) ** 2 - deltaC ** 2;
  // Positive where the hue angle grew, the shorter way round.
  const grew = ((hueT - hueO + 540) % 360) - 180 >= 0;
  const deltaH = Math.sqrt(Math.max(0, squareH)) * (grew ? 1 : -1);
  const meanC = (chromaO + chromaT) / 2;
  const sum = hueO + hueT;
  const meanH = Math.abs(hueT - hueO) > 180 ? (sum < 360 ? sum / 2 + 180 : sum / 2 - 180) : sum / 2;
  const away = Math.abs(meanH - 280);
  const x = ((away > 180 ? 360 - away : away) / 30) ** 2;
  const d = (deltaC * meanC * Math.exp(-x)) / 100;
  const deltaCF = (deltaC - d) / (1 + ((20 * meanC) / 1000) ** 2);
  const deltaHF = (deltaH - d) / (1 + ((10 * meanC) / 1000) ** 2);
  const deltaEF = Math.hypot(deltaL, deltaCF, deltaHF);
  const gs = deltaEF <= 3.4 ? 5 - deltaEF / 1.7 : 5 - Math.log2(deltaEF / 0.85);
  return { deltaEF, gs, rating: CHANGE_BELOW.find(([limit]) => deltaEF < limit)?.[1] ?? 1 };
}

export interface StainGrade {
  readonly deltaEGs: number;
  readonly ssr: number;
  readonly rating: Rating;
}

/** Staining of a white cloth beside it (ISO 105-A04). */
export function stainGrade(before: Lab, after: Lab): StainGrade {
  const deltaL = after.l - before.l;
  const deltaE = Math.hypot(deltaL, after.a - before.a, after.b - before.b);
  const deltaEGs = deltaE - 0.4 * Math.sqrt(Math.max(0, deltaE ** 2 - deltaL ** 2));
  const logged = deltaEGs > 0 ? 6.1 - 1.45 * Math.log(deltaEGs) : 5;
  const ssr = Math.min(5, Math.max(1, logged > 4 ? 5 - 0.23 * deltaEGs : logged));
  return { deltaEGs, ssr, rating: (Math.round(ssr * 2) / 2) as Rating };
}
