/** As fine as any dose, share or temperature is ever known; floats miss thresholds by far less. */
const GUARD = 1e-9;
const guard = (limit: number): number => GUARD * Math.max(1, Math.abs(limit));

/** Strictly above a limit: a figure that meets it exactly is not above it, whatever the floats say (30 × 6 / 100 / 30 × 100). */
export const above = (value: number, limit: number): boolean => value > limit + guard(limit);

/** At a limit or above it. */
export const atLeast = (value: number, limit: number): boolean => value >= limit - guard(limit);
