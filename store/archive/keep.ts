const DAY_MS = 86_400_000;
const [DAYS, WEEKS, MONTHS] = [7, 4, 12];
const ASKED_FOR_DAYS = 30;

export interface Copy {
  readonly name: string;
  /** `asked for`: made by hand, or before something was taken in. Somebody may come back for it, whatever other copies its day has. */
  readonly kind: 'daily' | 'asked for';
  readonly atMs: number;
  readonly bytes: number;
}

/**
 * Which copies stay: of the daily ones the newest of each of the last seven days, four weeks and twelve months that have one; of those
 * asked for all of the last thirty days; as long as all together take no more than `mostBytes`. The oldest go first, the newest of each
 * kind always stays.
 */
export function keptCopies(copies: readonly Copy[], mostBytes: number): Copy[] {
  const newestFirst = [...copies].sort((a, b) => b.atMs - a.atMs);
  const daily = newestFirst.filter(({ kind }) => kind === 'daily');
  const asked = newestFirst.filter(({ kind }) => kind === 'asked for');
  const since = (newestFirst[0]?.atMs ?? 0) - ASKED_FOR_DAYS * DAY_MS;
  const stays = new Set<Copy>(asked.filter(({ atMs }, i) => i === 0 || atMs >= since));
  for (const [count, periodOf] of [
    [DAYS, (atMs: number) => String(Math.floor(atMs / DAY_MS))],
    // Weeks begin on Monday; the first day of the epoch was a Thursday.
    [WEEKS, (atMs: number) => String(Math.floor((atMs / DAY_MS + 3) / 7))],
    [MONTHS, (atMs: number) => new Date(atMs).toISOString().slice(0, 7)],
  ] as const) {
    const seen = new Set<string>();
    for (const copy of daily) {
      const period = periodOf(copy.atMs);
      if (seen.has(period)) continue;
      if (seen.size === count) break;
      seen.add(period);
      stays.add(copy);
    }
  }
  let bytes = 0;
  return newestFirst.filter((copy) => {
    if (!stays.has(copy)) return false;
    bytes += copy.bytes;
    return copy === daily[0] || copy === asked[0] || bytes <= mostBytes;
  });
}
