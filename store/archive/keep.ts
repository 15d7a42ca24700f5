const DAY_MS = 86_400_000;
const [DAYS, WEEKS, MONTHS] = [7, 4, 12];

export interface Copy {
  readonly name: string;
  readonly atMs: number;
  readonly bytes: number;
}

/**
 * Which copies stay: the newest of each of the last seven days, four weeks and twelve months that have one, as long as all together take no
 * more than `mostBytes`; the oldest go first, the newest always stays.
 */
export function keptCopies(copies: readonly Copy[], mostBytes: number): Copy[] {
  const newestFirst = [...copies].sort((a, b) => b.atMs - a.atMs);
  const stays = new Set<Copy>();
  for (const [count, periodOf] of [
    [DAYS, (atMs: number) => String(Math.floor(atMs / DAY_MS))],
    // Weeks begin on Monday; the first day of the epoch was a Thursday.
    [WEEKS, (atMs: number) => String(Math.floor((atMs / DAY_MS + 3) / 7))],
    [MONTHS, (atMs: number) => new Date(atMs).toISOString().slice(0, 7)],
  ] as const) {
    const seen = new Set<string>();
    for (const copy of newestFirst) {
      const period = periodOf(copy.atMs);
      if (seen.has(period)) continue;
      if (seen.size === count) break;
      seen.add(period);
      stays.add(copy);
    }
  }
  let bytes = 0;
  return newestFirst.filter((copy, i) => {
    if (!stays.has(copy)) return false;
    bytes += copy.bytes;
    return i === 0 || bytes <= mostBytes;
  });
}
