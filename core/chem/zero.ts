/**
 * Where a falling function is nothing: the secant, hastened (Illinois), with every third step in the middle, so that functions that span many
 * powers of ten end too.
 * @returns the nearer end where it does not pass through nothing between them
 */
export function fallsThroughZero(f: (x: number) => number, from: number, to: number, within: number): number {
  let [low, high] = [from, to];
  let [atLow, atHigh] = [f(low), f(high)];
  if (!(atLow > 0)) return low;
  if (!(atHigh < 0)) return high;
  for (let i = 0; i < 200 && high - low > within; i++) {
    const secant = (low * atHigh - high * atLow) / (atHigh - atLow);
    const x = i % 3 === 2 || !(secant > low && secant < high) ? (low + high) / 2 : secant;
    const at = f(x);
    if (at === 0) return x;
    if (at > 0) {
      [low, atLow] = [x, at];
      atHigh /= 2;
    } else {
      [high, atHigh] = [x, at];
      atLow /= 2;
    }
  }
  return (low + high) / 2;
}
