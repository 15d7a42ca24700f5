/** How much somebody may ask for: `burst` at once, then `perS` a second; who goes on asking all the same waits longer each time. */
export interface Allowance {
  readonly burst: number;
  readonly perS: number;
}

export interface Asked {
  readonly left: number;
  readonly atMs: number;
  /** Not before this is anything answered again. */
  readonly waitUntilMs: number;
  /** How often in a row the allowance was overdrawn. */
  readonly overdrawn: number;
}

const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 5 * 60_000;
/** After so long without being overdrawn the waits begin short again. */
const FORGIVEN_MS = 10 * 60_000;

/**
 * One more request.
 * @param before what is known of whoever asks; null for somebody new
 * @returns what is known now, and 0 or the milliseconds to wait when it was too much. While waiting, asking costs nothing and
 *   lengthens nothing. A clock set back counts as no time passed.
 */
export function ask(before: Asked | null, allowance: Allowance, nowMs: number): { readonly asked: Asked; readonly waitMs: number } {
  const known = before ?? { left: allowance.burst, atMs: nowMs, waitUntilMs: 0, overdrawn: 0 };
  // A clock that was set back must not lock anybody out for longer than the longest wait.
  const waitMs = Math.min(known.waitUntilMs - nowMs, LONGEST_WAIT_MS);
  if (waitMs > 0) return { asked: known, waitMs };
  const passedS = Math.max(0, nowMs - known.atMs) / 1000;
  const left = Math.min(allowance.burst, known.left + passedS * allowance.perS);
  if (left >= 1) {
    const overdrawn = nowMs - known.waitUntilMs > FORGIVEN_MS ? 0 : known.overdrawn;
    return { asked: { left: left - 1, atMs: nowMs, waitUntilMs: known.waitUntilMs, overdrawn }, waitMs: 0 };
  }
  const next = Math.min(FIRST_WAIT_MS * 2 ** known.overdrawn, LONGEST_WAIT_MS);
  return { asked: { left, atMs: nowMs, waitUntilMs: nowMs + next, overdrawn: known.overdrawn + 1 }, waitMs: next };
}
