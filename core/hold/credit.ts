/** Minutes of a hold by what is known of them. Only `inBand` and `assumed` count towards the hold. */
export interface Credit {
  readonly inBandMin: number;
  /** Nobody looked for longer than trust reaches, but the bath was in band before and after. */
  readonly assumedMin: number;
  readonly underMin: number;
  readonly overMin: number;
  /** No reading says anything about these minutes. */
  readonly unmeasuredMin: number;
  /** Minutes above the ceiling, part of `overMin`. */
  readonly aboveCeilingMin: number;
}

export interface Reading {
  readonly atMs: number;
  readonly bathC: number;
}

export interface HoldRule {
  readonly bandC: readonly [number, number];
  readonly ceilingC: number | null;
  /** Longest gap between readings over which a straight line is believed, min. */
  readonly maxGapMin: number;
}

const NONE: Credit = { inBandMin: 0, assumedMin: 0, underMin: 0, overMin: 0, unmeasuredMin: 0, aboveCeilingMin: 0 };

/**
 * Credit of the stretch from `fromMs` to `toMs`.
 *
 * Between two readings at most `maxGapMin` apart the bath is taken to change in a straight line. A longer gap counts
 * as assumed when the bath was in band at both ends, else it is unmeasured. Time after the last reading is assumed for
 * `maxGapMin` when that reading was in band, and unmeasured from then on; time before the first reading is unmeasured.
 *
 * @param readings in time order; readings outside the stretch help at its edges
 */
export function creditHold(readings: readonly Reading[], rule: HoldRule, fromMs: number, toMs: number): Credit {
  const total = { ...NONE } as { -readonly [K in keyof Credit]: Credit[K] };
  if (toMs <= fromMs) return total;
  let coveredToMs = fromMs;
  let last: Reading | null = null;
  for (const now of readings) {
    if (last && now.atMs > fromMs && last.atMs < toMs) {
      const a = Math.max(last.atMs, fromMs);
      const b = Math.min(now.atMs, toMs);
      if (b > a) {
        total.unmeasuredMin += Math.max(0, a - coveredToMs) / 60_000;
        addStretch(total, last, now, rule, a, b);
        coveredToMs = b;
      }
    }
    last = now;
    if (now.atMs >= toMs) break;
  }
  if (last && last.atMs < toMs && coveredToMs < toMs) {
    const from = Math.max(last.atMs, fromMs);
    total.unmeasuredMin += Math.max(0, from - coveredToMs) / 60_000;
    const trustedTo = Math.max(from, Math.min(toMs, last.atMs + rule.maxGapMin * 60_000));
    const trustedMin = (trustedTo - from) / 60_000;
    if (isIn(last.bathC, rule.bandC)) total.assumedMin += trustedMin;
    else if (last.bathC < rule.bandC[0]) total.underMin += trustedMin;
    else total.overMin += trustedMin;
    total.unmeasuredMin += (toMs - trustedTo) / 60_000;
    coveredToMs = toMs;
  }
  total.unmeasuredMin += Math.max(0, toMs - coveredToMs) / 60_000;
  return total;
}

/** Credits of stretches one after the other. */
export const addCredits = (credits: readonly Credit[]): Credit =>
  credits.reduce(
    (sum, one) => ({
      inBandMin: sum.inBandMin + one.inBandMin,
      assumedMin: sum.assumedMin + one.assumedMin,
      underMin: sum.underMin + one.underMin,
      overMin: sum.overMin + one.overMin,
      unmeasuredMin: sum.unmeasuredMin + one.unmeasuredMin,
      aboveCeilingMin: sum.aboveCeilingMin + one.aboveCeilingMin,
    }),
    NONE,
  );

export const creditedMin = (credit: Credit): number => credit.inBandMin + credit.assumedMin;

const isIn = (c: number, [low, high]: readonly [number, number]): boolean => c >= low && c <= high;

function addStretch(total: { -readonly [K in keyof Credit]: Credit[K] }, a: Reading, b: Reading, rule: HoldRule, fromMs: number, toMs: number): void {
  const minutes = (toMs - fromMs) / 60_000;
  if ((b.atMs - a.atMs) / 60_000 > rule.maxGapMin) {
    if (isIn(a.bathC, rule.bandC) && isIn(b.bathC, rule.bandC)) total.assumedMin += minutes;
    else total.unmeasuredMin += minutes;
    return;
  }
  const [low, high] = rule.bandC;
  const fromC = between(a, b, fromMs);
  const toC = between(a, b, toMs);
  const under = shareBelow(low, fromC, toC);
  const over = 1 - shareBelow(high, fromC, toC, true);
  total.underMin += minutes * under;
  total.overMin += minutes * over;
  total.inBandMin += minutes * Math.max(0, 1 - under - over);
  if (rule.ceilingC !== null) total.aboveCeilingMin += minutes * (1 - shareBelow(rule.ceilingC, fromC, toC, true));
}

const between = (a: Reading, b: Reading, atMs: number): number =>
  b.atMs === a.atMs ? b.bathC : a.bathC + ((b.bathC - a.bathC) * (atMs - a.atMs)) / (b.atMs - a.atMs);

/** Share of a straight line from `fromC` to `toC` that lies below `limit` (at the limit counts when `orAt`). */
function shareBelow(limit: number, fromC: number, toC: number, orAt = false): number {
  const below = (c: number) => (orAt ? c <= limit : c < limit);
  if (below(fromC) && below(toC)) return 1;
  if (!below(fromC) && !below(toC)) return 0;
  const crossing = (limit - fromC) / (toC - fromC);
  return below(fromC) ? crossing : 1 - crossing;
}

/** First moment at or after `fromMs` at which the readings touch the band, by straight line; null when they never do. */
export function firstInBandMs(readings: readonly Reading[], bandC: readonly [number, number], fromMs: number): number | null {
  let last: Reading | null = null;
  for (const now of readings) {
    if (now.atMs >= fromMs) {
      if (last && last.atMs >= fromMs && last.bathC < bandC[0] && now.bathC >= bandC[0]) {
        return last.atMs + ((bandC[0] - last.bathC) / (now.bathC - last.bathC)) * (now.atMs - last.atMs);
      }
      if (now.bathC >= bandC[0]) return now.atMs;
    }
    last = now;
  }
  return null;
}
