/** The least and the most of what is said as a range: "100–200 g". No most: "at least". */
export interface Span {
  readonly least: number;
  readonly most: number | null;
}

/** One number, a range of it, or null when nobody knows it. */
export type Known = number | Span | null;

/** How a number came to be. Unknown is a value of its own: it is never zero and never filled in silently. */
export type Figure =
  | { readonly state: 'measured'; readonly value: number }
  | { readonly state: 'estimated'; readonly value: number }
  | ({ readonly state: 'between' } & Span)
  | { readonly state: 'unknown' };

export const measured = (value: number): Figure => ({ state: 'measured', value });
export const estimated = (value: number): Figure => ({ state: 'estimated', value });
export const between = (least: number, most: number | null): Figure => ({ state: 'between', least, most });
export const UNKNOWN: Figure = { state: 'unknown' };

/** What was weighed by eye is no measurement; a range stays one. */
export const asGuessed = (figure: Figure): Figure => (figure.state === 'measured' ? estimated(figure.value) : figure);

export const isSpan = (known: Known): known is Span => typeof known === 'object' && known !== null;

/** The one number, or null when nobody knows it or it is only known between two. */
export const knownValue = (figure: Figure): number | null => oneOf(knownOf(figure));

/** What is known of a figure: its number, or its range. */
export function knownOf(figure: Figure): Known {
  if (figure.state === 'unknown') return null;
  return figure.state === 'between' ? { least: figure.least, most: figure.most } : figure.value;
}

/** A figure again; a range says by itself how sure it is. */
export function figureOf(known: Known, state: 'measured' | 'estimated'): Figure {
  if (known === null) return UNKNOWN;
  return isSpan(known) ? between(known.least, known.most) : { state, value: known };
}

export const oneOf = (known: Known): number | null => (isSpan(known) ? null : known);
export const leastOf = (known: Known): number | null => (isSpan(known) ? known.least : known);
/** Null also where a range has no upper end. */
export const mostOf = (known: Known): number | null => (isSpan(known) ? known.most : known);

/** @param factor ≥ 0 */
export const timesSpan = ({ least, most }: Span, factor: number): Span => ({ least: least * factor, most: most === null ? null : most * factor });
/** @param factor ≥ 0 */
export const timesKnown = (known: Known, factor: number): Known => (isSpan(known) ? timesSpan(known, factor) : known === null ? null : known * factor);

/** Ranges add up end by end; null with any part of it unknown. Empty sums to 0. */
export function sumKnown(all: readonly Known[]): Known {
  let [least, most]: [number, number | null] = [0, 0];
  let ranges = false;
  for (const one of all) {
    if (one === null) return null;
    ranges ||= isSpan(one);
    least += isSpan(one) ? one.least : one;
    const top = mostOf(one);
    most = most === null || top === null ? null : most + top;
  }
  return ranges ? { least, most } : least;
}

/** A sum is only as well known as its least known part. Empty sums to a measured 0. */
export function sumFigures(figures: readonly Figure[]): Figure {
  const total = sumKnown(figures.map(knownOf));
  if (total === null) return UNKNOWN;
  if (isSpan(total)) return between(total.least, total.most);
  return figures.some((figure) => figure.state === 'estimated') ? estimated(total) : measured(total);
}

/** "152 g", "100–200 g", "at least 5 mL"; null: unknown. */
export function knownText(known: Exclude<Known, null>, print: (value: number) => string): string {
  if (!isSpan(known)) return print(known);
  if (known.most === null) return `at least ${print(known.least)}`;
  return rangeText(print(known.least), print(known.most));
}

/** "152 g", "about 60 g", "100–200 g", "unknown". */
export function figureText(figure: Figure, print: (value: number) => string): string {
  const known = knownOf(figure);
  if (known === null) return 'unknown';
  return `${figure.state === 'estimated' ? 'about ' : ''}${knownText(known, print)}`;
}

/** The unit once, where both ends have the same: "100–200 g", but "900 g – 1.2 kg". */
function rangeText(low: string, high: string): string {
  if (low === high) return low;
  const unitOf = (text: string): string => / : 1$|[^\d]*$/.exec(text)?.[0] ?? '';
  const unit = unitOf(low);
  return unit === unitOf(high) ? `${low.slice(0, low.length - unit.length)}–${high}` : `${low} – ${high}`;
}
