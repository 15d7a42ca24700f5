import type { Reading } from '../hold/credit';

/** Why a reading of a probe is not believed: it is kept, and neither credited nor called a ceiling broken. */
export const DOUBTS = ['impossible', 'jumped', 'stuck'] as const;
export type Doubt = (typeof DOUBTS)[number];

/** No bath that a dyer has is frozen through or hotter than a pressure pan, °C (our bounds; a pan at 2 bar boils at 121). */
const BATH_C = { least: -5, most: 125 };

/** Water does not go so far up and back again in so short a time: the probe slipped, or its wire was touched (our estimate). */
const JUMP_K = 8;
const WITHIN_MS = 60_000;
/** What stood before and after it agrees this well. */
const AGREE_K = 2;

/** A probe that wavers up and down from reading to reading, and then says one thing for so long, hangs (our estimate). */
const STUCK_MS = 10 * 60_000;
const STUCK_READINGS = 30;
/** So many readings show whether a probe wavers: a coarse one does not, and a bath that is only heated up goes one way. */
const TO_KNOW = 20;
const WAVERS = 0.2;
/** Near the room and near the boil water stands still by itself, °C. */
const MAY_HANG_C = { least: 35, most: 95 };

const isImpossible = ({ bathC }: Reading): boolean => bathC < BATH_C.least || bathC > BATH_C.most;

const isJump = (before: Reading | undefined, { atMs, bathC }: Reading, after: Reading | undefined): boolean =>
  before !== undefined &&
  after !== undefined &&
  atMs - before.atMs <= WITHIN_MS &&
  after.atMs - atMs <= WITHIN_MS &&
  Math.abs(before.bathC - after.bathC) <= AGREE_K &&
  Math.abs(bathC - (before.bathC + after.bathC) / 2) > JUMP_K;

/** Lists of readings never change, and a stove asks about the same one for every step and every second. */
const told = new WeakMap<readonly Reading[], ReadonlyMap<number, Doubt>>();

/**
 * What is not to be believed of a probe's readings. The newest is believed until the next one says otherwise, as long as it can be a bath;
 * the first of those that never changed any more is believed too.
 * @param readings of one probe, in time order
 * @returns by position in the list
 */
export function doubtsOf(readings: readonly Reading[]): ReadonlyMap<number, Doubt> {
  const known = told.get(readings) ?? findDoubts(readings);
  told.set(readings, known);
  return known;
}

function findDoubts(readings: readonly Reading[]): ReadonlyMap<number, Doubt> {
  const doubts = new Map<number, Doubt>();
  readings.forEach((one, i) => {
    if (isImpossible(one)) doubts.set(i, 'impossible');
    else if (isJump(readings[i - 1], one, readings[i + 1])) doubts.set(i, 'jumped');
  });
  let turns = 0;
  for (let from = 0; from < readings.length; ) {
    let to = from + 1;
    while (to < readings.length && readings[to]?.bathC === readings[from]?.bathC) to++;
    const lastedMs = (readings[to - 1]?.atMs ?? 0) - (readings[from]?.atMs ?? 0);
    const bathC = readings[from]?.bathC ?? 0;
    const couldHang = bathC >= MAY_HANG_C.least && bathC <= MAY_HANG_C.most && from >= TO_KNOW && turns >= WAVERS * from;
    if (couldHang && lastedMs >= STUCK_MS && to - from >= STUCK_READINGS) for (let i = from + 1; i < to; i++) if (!doubts.has(i)) doubts.set(i, 'stuck');
    const [before, after] = [readings[from - 1]?.bathC, readings[to]?.bathC];
    if (before !== undefined && after !== undefined && (bathC - before) * (after - bathC) < 0) turns++;
    from = to;
  }
  return doubts;
}

/** Readings of a probe without those in doubt. The same list where none is. */
export function believed(readings: readonly Reading[]): readonly Reading[] {
  const doubts = doubtsOf(readings);
  return doubts.size === 0 ? readings : readings.filter((_, i) => !doubts.has(i));
}

/** What a probe says now that is not believed, and since when it says so; null: it is believed. A lone jump is over in a moment. */
export function doubtNow(readings: readonly Reading[]): { readonly doubt: Exclude<Doubt, 'jumped'>; readonly sinceMs: number; readonly bathC: number } | null {
  const last = readings.at(-1);
  const doubts = doubtsOf(readings);
  const doubt = doubts.get(readings.length - 1);
  if (!last || !doubt || doubt === 'jumped') return null;
  let first = readings.length - 1;
  while (doubts.get(first - 1) === doubt) first--;
  // The reading that never changed any more is the first of them.
  const since = readings[doubt === 'stuck' ? first - 1 : first] ?? last;
  return { doubt, sinceMs: since.atMs, bathC: last.bathC };
}
