/**
 * A straight line, or one in pieces, from values to places, kept to its ends. Hand-written: the package for scales
 * brings its colours, dates and formats with it, 14 kB (gzip) to each page that draws one line.
 * @param from at least two values, rising
 * @param to as many places, one for each value
 * @throws when the two are not as many, or fewer than two
 */
export function linear(from: readonly number[], to: readonly number[]): (value: number) => number {
  if (from.length !== to.length || from.length < 2)
    throw new Error(`A scale needs as many places as values, two at least; it has ${from.length} and ${to.length}.`);
  const last = from.length - 1;
  return (value) => {
    if (value <= at(from, 0)) return at(to, 0);
    if (value >= at(from, last)) return at(to, last);
    const piece = pieceOf(from, value);
    const [low, high] = [at(from, piece), at(from, piece + 1)];
    return at(to, piece) + ((value - low) / (high - low)) * (at(to, piece + 1) - at(to, piece));
  };
}

const at = (values: readonly number[], index: number): number => values[index] as number;

/** The piece that holds a value between the ends, by halving. */
function pieceOf(from: readonly number[], value: number): number {
  let [low, high] = [0, from.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (at(from, middle) <= value) low = middle;
    else high = middle;
  }
  return low;
}
