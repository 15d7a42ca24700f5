import type { Reading } from '../hold/credit';

/** Water does not go so far up and back again in so short a time: the probe slipped, or its wire was touched (our estimate). */
const JUMP_K = 8;
const WITHIN_MS = 60_000;
/** What stood before and after it agrees this well. */
const AGREE_K = 2;

const isJump = (before: Reading | undefined, { atMs, bathC }: Reading, after: Reading | undefined): boolean =>
  before !== undefined &&
  after !== undefined &&
  atMs - before.atMs <= WITHIN_MS &&
  after.atMs - atMs <= WITHIN_MS &&
  Math.abs(before.bathC - after.bathC) <= AGREE_K &&
  Math.abs(bathC - (before.bathC + after.bathC) / 2) > JUMP_K;

/**
 * Readings of a probe without those that jumped away alone and back: they are kept, and neither credited nor called a ceiling broken. The
 * newest is believed until the next one says otherwise. The same list where none jumped.
 * @param readings of one probe, in time order
 */
export function withoutJumps(readings: readonly Reading[]): readonly Reading[] {
  return readings.some((one, i) => isJump(readings[i - 1], one, readings[i + 1]))
    ? readings.filter((one, i) => !isJump(readings[i - 1], one, readings[i + 1]))
    : readings;
}
