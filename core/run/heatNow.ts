import type { Band } from '../chem/band';
import { fitPot, type PotHistory } from '../heat/fitPot';
import { bathAfter, bathCurve, goneAfter, type MinutesTo, minutesTo, type PotNow, potNow, type TurnDown, turnDown } from '../heat/forecast';
import { type KnownPot, potOn } from '../heat/learnPot';
import type { Reading } from '../hold/credit';
import type { PlanStep } from '../plan/plan';
import { type StepClock, TRUST_TYPED_MIN } from './clock';
import type { RunState, StepState } from './fold';
import { heatHistory } from './heatHistory';

const MIN = 60_000;
/** Before it is read so often and for so long, a pot says nothing of itself. */
const LEAST_READINGS = 4;
const LEAST_MIN = 4;
/** Hands can be put into it; common practice, no source. */
const HAND_WARM_C = 40;
/** Off its own curve by more than this, one lumped body describes it badly, °C. */
const BADLY_C = 1.5;
const CURVE_MIN = 40;
const CURVE_EACH_MIN = 2;

/** What a pot will do if nothing is done, and what to do about it; worked out for the moment of its last reading. */
export interface HeatNow {
  readonly asOfMs: number;
  /** Until the lower edge of its band while it is below, on its way: minutes from `asOfMs`. */
  readonly toBand: MinutesTo | null;
  /** Below its band and not on the way into it: where it comes to rest, °C. */
  readonly stopsAtC: number | null;
  readonly hasLid: boolean;
  readonly inTenC: Band;
  /** When to turn down, and to what; null where it needs none. */
  readonly turnDown: { readonly inMin: number; readonly knob: number | null; readonly toShare: number } | null;
  /** In its band now, and out of it at this setting within two hours. */
  readonly leaves: { readonly where: 'above' | 'below'; readonly inMin: MinutesTo } | null;
  /** Until it is hand-warm, where its heat is off. */
  readonly handWarm: MinutesTo | null;
  readonly gonePerHourMl: Band;
  /** The coming minutes, from now on. */
  readonly curve: readonly (Band & { readonly inMin: number })[];
  /** One body describes it badly: its figures are to be taken with care. */
  readonly isBadly: boolean;
}

/** The forecast of a step on the heat; null where there is none, or too little was read. */
export function heatNow(
  plan: Parameters<typeof heatHistory>[0],
  run: RunState,
  step: PlanStep,
  state: StepState,
  clock: StepClock,
  readings: readonly Reading[],
  nowMs: number,
  pots: readonly KnownPot[] = [],
): HeatNow | null {
  const phase = clock.current?.phase;
  const last = readings.at(-1);
  if (!phase || !last || nowMs - last.atMs > TRUST_TYPED_MIN * MIN || state.status === 'waiting') return null;
  const vessel = plan.vessels.find(({ id }) => id === (state.vesselId ?? step.vesselId));
  const history = heatHistory(plan, run, step, state, clock, readings, potOn(pots, vessel) ?? null, nowMs);
  if (!history || history.readings.length < LEAST_READINGS) return null;
  if (last.atMs - (history.readings[0]?.atMs ?? last.atMs) < LEAST_MIN * MIN) return null;
  const hold = phase.kind === 'hold' ? phase : phase.kind === 'raise' ? step.phases[(clock.current?.index ?? 0) + 1] : undefined;
  const bandC = hold?.kind === 'hold' ? hold.bandC : null;
  return remembered(history, bandC, () => forecastOf(history, bandC, knobOf(state)));
}

const knobOf = (state: StepState): number | null => state.heat.findLast(({ knob, hasLid }) => knob !== null || hasLid === null)?.knob ?? null;

/** @param bandC where the bath shall be; null: nobody said */
export function forecastOf(history: PotHistory, bandC: readonly [number, number] | null, knob: number | null): HeatNow | null {
  const fit = fitPot(history);
  const last = history.readings.at(-1);
  if (!fit || !last) return null;
  const pot = potNow(fit, last.atMs);
  const isOn = pot.name !== null;
  const nowC = pot.possible[0]?.state.bathC ?? last.bathC;
  const toBand = bandC && isOn && nowC < bandC[0] ? minutesTo(pot, bandC[0]) : null;
  const down = bandC && last.atMs - lastTurnMs(history.settings) >= SETTLES_MIN * MIN ? turnDownIn(pot, bandC, nowC, history.boilC) : null;
  return {
    asOfMs: last.atMs,
    toBand,
    stopsAtC: bandC && isOn && nowC < bandC[0] && !toBand ? bathAfter(pot, 240).likely : null,
    hasLid: pot.hasLid,
    inTenC: bathAfter(pot, 10),
    turnDown: down && { ...down, knob: knob === null ? null : knobFor(knob, down.toShare) },
    leaves: bandC ? leaving(pot, bandC, nowC) : null,
    handWarm: isOn || nowC <= HAND_WARM_C ? null : minutesTo(pot, HAND_WARM_C),
    gonePerHourMl: litresToMl(goneAfter(pot, 60)),
    curve: bathCurve(pot, CURVE_EACH_MIN, CURVE_MIN / CURVE_EACH_MIN).map((band, i) => ({ inMin: i * CURVE_EACH_MIN, ...band })),
    isBadly: fit.offC > BADLY_C,
  };
}

/** What a new setting does is read first, before hands are called again, min. */
const SETTLES_MIN = 3;

/** When heat or lid were really turned last. */
const lastTurnMs = (settings: PotHistory['settings']): number =>
  settings.findLast(({ name, hasLid }, i) => name !== settings[i - 1]?.name || hasLid !== settings[i - 1]?.hasLid)?.atMs ?? 0;

/** Out of the band soon enough to call hands for it, min. */
const LEAVES_SOON_MIN = 5;

/** Where left alone it would go past its band: on the way up in time for the middle, in the band shortly before it leaves. */
function turnDownIn(pot: PotNow, [low, high]: readonly [number, number], nowC: number, boilC: number): TurnDown | null {
  const past = minutesTo(pot, high);
  if (nowC <= high && !past) return null;
  const down = turnDown(pot, Math.min((low + high) / 2, boilC - 0.5));
  if (!down || nowC < low || nowC > high || !past) return down;
  return past.likely > LEAVES_WITHIN_MIN ? null : { ...down, inMin: Math.max(down.inMin, past.likely - LEAVES_SOON_MIN) };
}

/** Knobs have halves; less than it has is at least a half less. */
const knobFor = (knob: number, share: number): number => Math.max(0, Math.min(knob - 0.5, Math.round(knob * share * 2) / 2));

const litresToMl = ({ low, likely, high }: Band): Band => ({ low: low * 1000, likely: likely * 1000, high: high * 1000 });

/** Farther ahead a hold is seldom. */
const LEAVES_WITHIN_MIN = 120;

function leaving(pot: PotNow, [low, high]: readonly [number, number], nowC: number): HeatNow['leaves'] {
  if (nowC < low || nowC > high) return null;
  const above = minutesTo(pot, high);
  if (above && above.likely <= LEAVES_WITHIN_MIN) return { where: 'above', inMin: above };
  const below = minutesTo(pot, low);
  return below && below.likely <= LEAVES_WITHIN_MIN ? { where: 'below', inMin: below } : null;
}

/** A forecast stands until something is read or done: pages ask each second. Keyed by all that it is made of. */
const MOST_KEPT = 64;
const kept = new Map<string, HeatNow | null>();

function remembered(history: PotHistory, bandC: readonly [number, number] | null, work: () => HeatNow | null): HeatNow | null {
  const { readings, learnt, ...rest } = history;
  const key = JSON.stringify([
    rest,
    bandC,
    readings.length,
    readings.at(-1),
    readings.reduce((sum, { atMs, bathC }) => sum + bathC * (1 + (atMs % 86_400_000)), 0),
    learnt?.n ?? 0,
  ]);
  const had = kept.get(key);
  if (had !== undefined) return had;
  const made = work();
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value ?? '');
  kept.set(key, made);
  return made;
}
