/** A steamer and its water: safety handbook R17, P11. */

/** Steam a kilowatt makes, L/h; 1.5 L/h where nobody knows the power. */
const STEAM_L_PER_KWH = 1.6;
const STEAM_UNKNOWN_L_PER_H = 1.5;

/** Minutes until a steamer is dry; null when its water is unknown. */
export function steamerDryMin(usableMl: number | null, watt: number | null): number | null {
  if (usableMl === null) return null;
  const perH = watt === null ? STEAM_UNKNOWN_L_PER_H : (STEAM_L_PER_KWH * watt) / 1000;
  return (60 * usableMl) / 1000 / perH;
}

/** How often somebody looks at its water, min: three times before it is dry, and every quarter of an hour where nobody knows. */
export const steamerLookMin = (dryMin: number | null): number => (dryMin === null ? MOST_MIN : Math.max(1, Math.floor(Math.min(MOST_MIN, dryMin / 3))));
const MOST_MIN = 15;
