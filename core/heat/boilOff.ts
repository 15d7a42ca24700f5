import { atLeast } from '../measure/limits';
import type { Lid } from '../method/method';

/** Water lost from a pot, L/h: covered simmer, open simmer, rolling boil (usual, unless measured). */
const LOSS_L_PER_H = { covered: 0.3, open: 0.8, boil: 1.5 } as const;
/** They are those of pots of about this size and above, L; a smaller opening lets out less (our estimate). */
const USUAL_POT_L = 8;

interface OnHeat {
  readonly heated: boolean;
  readonly heatMin: number;
  readonly lid: Lid;
  /** °C; null when the heat is on and nobody knows. */
  readonly hottestC: number | null;
  readonly waterMl: number | null;
  /** To the brim; null: unknown, or no vessel. */
  readonly vesselL: number | null;
}

/** Litres that boil off, no more than there are. */
export function lossL({ heated, heatMin, lid, hottestC, waterMl, vesselL }: OnHeat): number {
  if (!heated) return 0;
  const perH = atLeast(hottestC ?? 0, 98) ? LOSS_L_PER_H.boil : lid === 'none' ? LOSS_L_PER_H.open : LOSS_L_PER_H.covered;
  // Pots are alike in shape: their openings go as their litres to the power of two thirds.
  const opening = vesselL === null ? 1 : Math.min(1, (vesselL / USUAL_POT_L) ** (2 / 3));
  const loss = (heatMin / 60) * perH * opening;
  return waterMl === null ? loss : Math.min(loss, waterMl / 1000);
}
