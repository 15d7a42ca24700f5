/** How a number came to be. Unknown is a value of its own: it is never zero and never filled in silently. */
export type Figure =
  | { readonly state: 'measured'; readonly value: number }
  | { readonly state: 'estimated'; readonly value: number }
  | { readonly state: 'unknown' };

export const measured = (value: number): Figure => ({ state: 'measured', value });
export const estimated = (value: number): Figure => ({ state: 'estimated', value });
export const UNKNOWN: Figure = { state: 'unknown' };

/** The number, or null when nobody knows it. */
export const knownValue = (figure: Figure): number | null => (figure.state === 'unknown' ? null : figure.value);

/** A sum is only as well known as its least known part. Empty sums to a measured 0. */
export function sumFigures(figures: readonly Figure[]): Figure {
  let total = 0;
  let guessed = false;
  for (const figure of figures) {
    if (figure.state === 'unknown') return UNKNOWN;
    if (figure.state === 'estimated') guessed = true;
    total += figure.value;
  }
  return guessed ? estimated(total) : measured(total);
}
