import type { Lid } from '../method/method';
import { LATENT_J_PER_KG, shapeOf, steamW } from './losses';

/** At a rolling boil a pot loses what its burner drives off, L/h: safety handbook P5, unless measured. */
const BOIL_L_PER_H = 1.5;
/** That is of pots of about this size and above, L; a smaller opening lets out less (our estimate). */
const USUAL_POT_L = 8;
/** Of what an open pot loses, so much goes past a lid that rests on it: the 0.3 of 0.8 L/h of a simmer (safety handbook P5). */
const PAST_A_LID = 0.3 / 0.8;
/** Nobody knows how hot: a simmer, °C. */
const SIMMER_C = 95;
const BOILS_WITHIN_K = 2;
const S_PER_H = 3600;

interface OnHeat {
  readonly heated: boolean;
  readonly heatMin: number;
  readonly lid: Lid;
  /** °C; null when the heat is on and nobody knows. */
  readonly hottestC: number | null;
  readonly waterMl: number | null;
  /** To the brim; null: unknown, or no vessel. */
  readonly vesselL: number | null;
  /** Where water boils at this altitude, °C; missing: at sea level. */
  readonly boilC?: number;
}

/**
 * Litres that boil off, no more than there are: below the boil by vapour pressure and opening (Carrier and ASHRAE, as in the heat of a pot), near it
 * by what a burner drives off.
 */
export function lossL({ heated, heatMin, lid, hottestC, waterMl, vesselL, boilC = 100 }: OnHeat): number {
  if (!heated) return 0;
  const loss = (heatMin / 60) * perHourL(hottestC ?? SIMMER_C, lid, vesselL ?? USUAL_POT_L, boilC);
  return waterMl === null ? loss : Math.min(loss, waterMl / 1000);
}

function perHourL(c: number, lid: Lid, vesselL: number, boilC: number): number {
  // Pots are alike in shape: their openings go as their litres to the power of two thirds.
  if (c >= boilC - BOILS_WITHIN_K) return BOIL_L_PER_H * Math.min(1, (vesselL / USUAL_POT_L) ** (2 / 3));
  const open = (steamW(shapeOf(vesselL), false, c) / LATENT_J_PER_KG) * S_PER_H;
  return lid === 'none' ? open : open * PAST_A_LID;
}
