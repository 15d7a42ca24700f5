/**
 * Rounds an amount to what can be weighed or poured: at least the scale's last digit, and no finer than about one
 * part in two hundred, so that 37.4812 g reads 37.5 g and 1499.7 mL reads 1500 mL.
 * @param readsTo last digit of the scale or jug, in the amount's unit; null: only by size
 */
export function roundForHands(amount: number, readsTo: number | null = null): number {
  if (amount === 0 || !Number.isFinite(amount)) return amount;
  const bySize = 10 ** Math.floor(Math.log10(Math.abs(amount) / 100));
  const step = Math.max(bySize, readsTo ?? 0);
  const rounded = Math.round(amount / step) * step;
  // Never to nothing: what is too small for the scale stays as it was worked out.
  return rounded === 0 ? amount : Number(rounded.toPrecision(12));
}
