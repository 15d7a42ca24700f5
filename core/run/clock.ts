import { addCredits, type Credit, creditedMin, creditHold, firstInBandMs, type Reading } from '../hold/credit';
import { type Phase, typicalMin } from '../plan/phase';
import type { PlanStep } from '../plan/plan';
import type { StepState } from './fold';
import { silentSinceMs } from './silentProbe';

/** A typed temperature is believed for this long, min: the look-in interval of the safety handbook P5. */
export const TRUST_TYPED_MIN = 20;

/** One phase of a running step as the log and the readings tell it. Computed anew whenever it is asked for. */
export interface PhaseClock {
  readonly index: number;
  readonly phase: Phase;
  readonly enteredMs: number;
  /** True when the readings showed it, not a tap: the bath reached the band. */
  readonly seenByReadings: boolean;
  readonly leftMs: number | null;
  /** Without the pauses. */
  readonly elapsedMin: number;
  readonly pausedMin: number;
  readonly credit: Credit | null;
  /** Minutes still to go at the least; negative when over. Null where only a look decides. */
  readonly leftMin: number | null;
}

export interface StepClock {
  readonly stepId: string;
  readonly phases: readonly PhaseClock[];
  readonly current: PhaseClock | null;
  readonly latestC: Reading | null;
  /** Its probe spoke, and does not any more: since when. */
  readonly probeSilentSinceMs: number | null;
  readonly highestC: number | null;
  /** Average rise above 40 °C while it was heated up, °C/min, as it was read; null without two readings a while apart. */
  readonly riseCPerMin: number | null;
  readonly lowestHoldC: number | null;
  readonly highestHoldC: number | null;
}

/**
 * Timers of a step: from the plan, the log, the readings and the time now, never from anything stored.
 * @param readings of the vessel, in time order, typed and by probe together
 */
export function stepClock(step: Pick<PlanStep, 'id' | 'phases'>, state: StepState, readings: readonly Reading[], nowMs: number): StepClock {
  const endMs = state.endedAtMs ?? nowMs;
  const entries = phaseEntries(step, state, readings, endMs);
  const pausedMs = (fromMs: number, toMs: number) =>
    state.pauses.reduce((sum, pause) => sum + Math.max(0, Math.min(pause.toMs ?? endMs, toMs) - Math.max(pause.fromMs, fromMs)), 0);
  const phases = entries.map((entry, i): PhaseClock => {
    const phase = step.phases[entry.phaseIndex] as Phase;
    const leftMs = entries[i + 1]?.atMs ?? state.endedAtMs;
    const untilMs = Math.max(entry.atMs, leftMs ?? endMs);
    const pausedMin = pausedMs(entry.atMs, untilMs) / 60_000;
    const elapsedMin = (untilMs - entry.atMs) / 60_000 - pausedMin;
    // The heat is off in a pause: those minutes are no hold, whatever the bath still reads.
    const credit =
      phase.kind === 'hold' ? addCredits(workedStretches(state.pauses, entry.atMs, untilMs).map(([a, b]) => holdCredit(phase, readings, a, b))) : null;
    // Nobody had measured yet: those minutes go by the clock, until a first reading says more.
    const firstReadMs = readings.find((reading) => reading.atMs >= entry.atMs && reading.atMs <= untilMs)?.atMs ?? untilMs;
    const blindMin = (firstReadMs - entry.atMs - pausedMs(entry.atMs, firstReadMs)) / 60_000;
    return {
      index: entry.phaseIndex,
      phase,
      enteredMs: entry.atMs,
      seenByReadings: entry.seen,
      leftMs,
      elapsedMin,
      pausedMin,
      credit,
      leftMin: phase.kind === 'raise' ? null : typicalMin(phase) - (credit ? creditOrClock(credit, blindMin) : elapsedMin),
    };
  });
  const started = entries[0]?.atMs ?? nowMs;
  const own = readings.filter((reading) => reading.atMs >= started && reading.atMs <= endMs);
  const hold = phases.find((clock) => clock.phase.kind === 'hold');
  const inHold = hold ? own.filter((reading) => reading.atMs >= hold.enteredMs && reading.atMs <= (hold.leftMs ?? endMs)) : [];
  return {
    stepId: step.id,
    phases,
    current: state.status === 'running' || state.status === 'paused' ? (phases.at(-1) ?? null) : null,
    latestC: own.at(-1) ?? null,
    probeSilentSinceMs:
      state.endedAtMs === null
        ? silentSinceMs(
            own.slice(-LAST_READINGS).filter((one) => !isTyped(one, state)),
            nowMs,
          )
        : null,
    highestC: own.length > 0 ? own.reduce((max, r) => Math.max(max, r.bathC), -Infinity) : null,
    riseCPerMin: riseOf(phases, own, endMs),
    lowestHoldC: inHold.length > 0 ? inHold.reduce((min, r) => Math.min(min, r.bathC), Infinity) : null,
    highestHoldC: inHold.length > 0 ? inHold.reduce((max, r) => Math.max(max, r.bathC), -Infinity) : null,
  };
}

/** Enough to know how often a probe speaks, with what was typed between. */
const LAST_READINGS = 40;
/** By hand, not by a probe. */
export const isTyped = ({ atMs, bathC }: Reading, { typedC }: Pick<StepState, 'typedC'>): boolean =>
  typedC.some((one) => one.atMs === atMs && one.bathC === bathC);

/** Wool felts above this (safety handbook R8), °C; and two readings closer than this tell no rate, min. */
const RISE_FROM_C = 40;
const RISE_OVER_MIN = 4;

function riseOf(phases: readonly PhaseClock[], readings: readonly Reading[], endMs: number): number | null {
  const raise = phases.findLast(({ phase }) => phase.kind === 'raise');
  if (!raise) return null;
  const risen = readings.filter(({ atMs, bathC }) => bathC >= RISE_FROM_C && atMs >= raise.enteredMs && atMs <= (raise.leftMs ?? endMs));
  const [first, last] = [risen[0], risen.at(-1)];
  const minutes = first && last ? (last.atMs - first.atMs) / 60_000 : 0;
  return first && last && minutes >= RISE_OVER_MIN ? (last.bathC - first.bathC) / minutes : null;
}

/** The stretches of a time in which the step was not paused. */
function workedStretches(pauses: StepState['pauses'], fromMs: number, toMs: number): [number, number][] {
  const stretches: [number, number][] = [];
  let at = fromMs;
  for (const pause of pauses) {
    const pausedFrom = Math.min(Math.max(pause.fromMs, at), toMs);
    if (pausedFrom > at) stretches.push([at, pausedFrom]);
    at = Math.max(at, Math.min(pause.toMs ?? toMs, toMs));
  }
  if (toMs > at) stretches.push([at, toMs]);
  return stretches;
}

/**
 * With no reading at all the hold goes by the clock, and says so. Otherwise credited minutes count, and those before
 * anybody measured: one late reading does not undo an hour.
 * @param blindMin minutes before the first reading
 */
export function creditOrClock(credit: Credit, blindMin: number): number {
  return goesByClock(credit) ? credit.unmeasuredMin : creditedMin(credit) + Math.min(blindMin, credit.unmeasuredMin);
}
export const goesByClock = (credit: Credit): boolean => credit.inBandMin + credit.assumedMin + credit.underMin + credit.overMin === 0;

function holdCredit(phase: Extract<Phase, { kind: 'hold' }>, readings: readonly Reading[], fromMs: number, toMs: number): Credit {
  const minutes = (toMs - fromMs) / 60_000;
  if (phase.bandC === null) return { inBandMin: 0, assumedMin: 0, underMin: 0, overMin: 0, unmeasuredMin: minutes, aboveCeilingMin: 0 };
  return creditHold(readings, { bandC: phase.bandC, ceilingC: phase.ceilingC, maxGapMin: TRUST_TYPED_MIN }, fromMs, toMs);
}

interface Entry {
  readonly phaseIndex: number;
  readonly atMs: number;
  readonly seen: boolean;
}

/**
 * Taps, and between them what the readings show: the hold begins when the bath reaches the band, whether or not a wet
 * hand said so. A tap for the hold wins over the readings.
 */
function phaseEntries(step: Pick<PlanStep, 'phases'>, state: StepState, readings: readonly Reading[], endMs: number): Entry[] {
  const taps = state.entered.filter((entry) => step.phases[entry.phaseIndex]).map((entry) => ({ ...entry, seen: false }));
  const entries: Entry[] = [];
  taps.forEach((tap, i) => {
    entries.push(tap);
    const phase = step.phases[tap.phaseIndex];
    const next = step.phases[tap.phaseIndex + 1];
    if (phase?.kind !== 'raise' || next?.kind !== 'hold' || next.bandC === null) return;
    const untilMs = taps[i + 1]?.atMs ?? endMs;
    if (taps[i + 1]?.phaseIndex === tap.phaseIndex + 1) return;
    const reachedMs = firstInBandMs(readings, next.bandC, tap.atMs);
    if (reachedMs !== null && reachedMs <= untilMs) entries.push({ phaseIndex: tap.phaseIndex + 1, atMs: reachedMs, seen: true });
  });
  return entries;
}
