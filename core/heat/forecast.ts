import type { Band } from '../chem/band';
import type { Reading } from '../hold/credit';
import { crossing } from './crossing';
import { along, type FittedPot, type PotHistory, potOf, READING_SD_C } from './fitPot';
import { holdingPowerW, type PotModel, type PotState, runPot } from './potModel';

/** What a pot may be, and how it stands now: one of several that fit its curve about equally well. */
interface Possible {
  readonly model: PotModel;
  readonly wattOf: (name: string | null) => number;
  readonly state: PotState;
}

/** A pot as it stands, with what is not known of it: the likeliest first. */
export interface PotNow {
  readonly possible: readonly Possible[];
  /** The setting it has, and how it is covered. */
  readonly name: string | null;
  readonly hasLid: boolean;
}

const SAMPLES = 24;
/** The generalised golden ratio of sixteen axes: the root of x¹⁷ = x + 1. */
const GOLDEN = 1.042_917_732_3;
/** What is said holds in 80 of 100: a tenth at each end is left out. */
const TAIL = 0.1;
/** One lumped body is not the whole truth: each possible pot's heat and losses are off by this much more, as a natural logarithm. */
const MODEL_LN_SD = 0.025;

/** Of a normal distribution, spread evenly and the same every time: a forecast does not flicker. */
const NORMALS: readonly (readonly number[])[] = Array.from({ length: SAMPLES }, (_, i) =>
  // Kronecker sequence over powers of the generalised golden ratio (Roberts 2018), one axis a figure; by Box and Muller in pairs.
  Array.from({ length: 16 }, (__, axis) => {
    const pair = axis - (axis % 2);
    const [u, v] = [pair, pair + 1].map((at) => (0.5 + (i + 1) * GOLDEN ** -(at + 1)) % 1) as [number, number];
    const size = Math.sqrt(-2 * Math.log(u));
    return axis % 2 === 0 ? size * Math.cos(2 * Math.PI * v) : size * Math.sin(2 * Math.PI * v);
  }),
);

/** Readings of this last time say where the bath is now, before any curve does. */
const LATE_MS = 2 * 60_000;

/** Where a straight line through what was read leads at its last moment: a curve that is off is off by more and more. Fewer than three: their mean. */
function offNow(late: readonly Reading[], offC: readonly number[]): number {
  const n = late.length;
  const lastMs = late.at(-1)?.atMs ?? 0;
  const meanC = offC.reduce((sum, one) => sum + one, 0) / n;
  const meanMs = late.reduce((sum, { atMs }) => sum + atMs - lastMs, 0) / n;
  const spread = late.reduce((sum, { atMs }) => sum + (atMs - lastMs - meanMs) ** 2, 0);
  if (n < 3 || spread === 0) return meanC;
  const slope = late.reduce((sum, { atMs }, i) => sum + (atMs - lastMs - meanMs) * ((offC[i] ?? 0) - meanC), 0) / spread;
  return meanC - slope * meanMs;
}

function lateOf({ readings, settings }: PotHistory, nowMs: number): readonly Reading[] {
  const lastMs = readings.at(-1)?.atMs ?? nowMs;
  // What was poured in since, a reading before it knows nothing of.
  const since = Math.max(lastMs - LATE_MS, settings.findLast(({ litres }, i) => litres !== settings[i - 1]?.litres)?.atMs ?? 0);
  const late = readings.filter(({ atMs }) => atMs >= since && atMs <= nowMs);
  return late.length > 0 ? late : readings.slice(-1);
}

/**
 * The pot at a moment at or after its last reading. It stands where it was read of late: how far a curve is off there is taken
 * for a fault of the curve as much as its readings are usually off it, and for one of the reading as much as a probe errs.
 */
export function potNow(fit: FittedPot, nowMs: number): PotNow {
  const { history, powers, theta, root } = fit;
  const setting = history.settings.findLast(({ atMs }) => atMs <= nowMs) ?? history.settings[0];
  if (!setting) throw new Error('A fitted pot has a setting.');
  const late = lateOf(history, nowMs);
  // A line’s end is known half as well as a mean.
  const lineSdC = (2 * READING_SD_C) / Math.sqrt(late.length);
  const trust = fit.offC ** 2 / (fit.offC ** 2 + lineSdC ** 2);
  const possible = [null, ...NORMALS].map((z): Possible => {
    const own = z === null ? theta : theta.map((value, i) => value + (root[i] ?? []).reduce((sum, part, k) => sum + part * (z[k] ?? 0), 0));
    const off = z === null ? [0, 0] : [MODEL_LN_SD * (z[14] ?? 0), 2 * MODEL_LN_SD * (z[15] ?? 0)];
    const { model, wattOf } = potOf(history, powers, own, setting.litres);
    const states = along(history, powers, own, [...late.map(({ atMs }) => atMs), nowMs]);
    const offC = offNow(
      late,
      late.map(({ bathC }, k) => bathC - (states[k] as PotState).bathC),
    );
    const state = states.at(-1) as PotState;
    return {
      model: { ...model, lossFactor: model.lossFactor * Math.exp(off[1] ?? 0) },
      wattOf: (name) => wattOf(name) * Math.exp(off[0] ?? 0),
      state: { ...state, bathC: Math.min(model.boilC, state.bathC + trust * (offC + lineSdC * (z?.[13] ?? 0))) },
    };
  });
  return { possible, name: setting.name, hasLid: setting.hasLid };
}

/** @param values the likeliest first; @returns its 80 % range */
function bandOf(values: readonly number[]): Band {
  const [likely = Number.NaN] = values;
  const sorted = values.slice(1).toSorted((a, b) => a - b);
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))] ?? likely;
  return { low: Math.min(likely, at(TAIL)), likely, high: Math.max(likely, at(1 - TAIL)) };
}

/** Temperature after some minutes when nothing is done, °C. */
export const bathAfter = ({ possible, name, hasLid }: PotNow, minutes: number): Band =>
  bandOf(possible.map(({ model, wattOf, state }) => runPot(model, state, wattOf(name), hasLid, minutes * 60).bathC));

/** The same at 0, 1, 2 … `count` times `eachMin` minutes, in one course of each possible pot. */
export function bathCurve({ possible, name, hasLid }: PotNow, eachMin: number, count: number): Band[] {
  const courses = possible.map(({ model, wattOf, state }) => {
    const course = [state];
    for (let i = 1; i <= count; i++) course.push(runPot(model, course[i - 1] as PotState, wattOf(name), hasLid, eachMin * 60));
    return course;
  });
  return Array.from({ length: count + 1 }, (_, i) => bandOf(courses.map((course) => (course[i] as PotState).bathC)));
}

/** Water gone as steam within some minutes, L. */
export const goneAfter = ({ possible, name, hasLid }: PotNow, minutes: number): Band =>
  bandOf(possible.map(({ model, wattOf, state }) => runPot(model, { ...state, goneKg: 0 }, wattOf(name), hasLid, minutes * 60).goneKg));

/** Minutes until a temperature is passed, and how it may turn out. `high` is null where it may never come there. */
export interface MinutesTo {
  readonly low: number;
  readonly likely: number;
  readonly high: number | null;
}

/** Minutes until the bath passes a temperature, as it is set now; null: not within four hours. */
export function minutesTo(pot: PotNow, c: number): MinutesTo | null {
  const values = pot.possible.map(({ model, wattOf, state }) => crossing(model, state, wattOf(pot.name), pot.hasLid, c));
  const [likely = null] = values;
  if (likely === null) return null;
  const band = bandOf(values.map((value) => value ?? Number.POSITIVE_INFINITY));
  return { low: band.low, likely, high: Number.isFinite(band.high) ? band.high : null };
}

/** When to turn the heat down, and to what, so that a bath ends where it is wanted. */
export interface TurnDown {
  /** Minutes from now; 0: now. */
  readonly inMin: number;
  /** Of the heat that it has now, the share that holds the aim: below 1. */
  readonly toShare: number;
}

/** Past its aim by less than this nobody minds, °C; and for so long it is watched whether it goes past, min. */
const OVER_C = 0.5;
const AFTER_MIN = 12;
/** Of so many possible pots each is asked; three in four shall not go past the aim. */
const ASKED = 7;
const CAREFUL = 0.25;

/**
 * The latest moment at which turning down to what holds the aim does not carry the bath past it, for three in four of the pots that it may be.
 * @param aimC below the boil
 * @returns null where the pot does not go past it, or not within four hours
 */
export function turnDown(pot: PotNow, aimC: number): TurnDown | null {
  const asked = pot.possible.slice(0, ASKED);
  const each = asked.flatMap((one) => turnDownOf(one, pot, aimC) ?? []);
  const [likely] = each;
  if (!likely || each.length < asked.length / 2) return null;
  const at = (values: readonly number[], share: number): number => values.toSorted((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? Number.NaN;
  const careful = at(
    each.map(({ inMin }) => inMin),
    CAREFUL,
  );
  return { inMin: Math.min(likely.inMin, careful), toShare: likely.toShare };
}

function turnDownOf({ model, wattOf, state }: Possible, { name, hasLid }: PotNow, aimC: number): TurnDown | null {
  if (name === null || aimC >= model.boilC) return null;
  const powerW = wattOf(name);
  const holdW = holdingPowerW(model, hasLid, aimC);
  const toShare = holdW / powerW;
  const reach = state.bathC >= aimC + OVER_C ? 0 : crossing(model, state, powerW, hasLid, aimC + OVER_C);
  if (reach === null || toShare >= 1) return null;
  const passes = (minutes: number): boolean => {
    let at = runPot(model, state, powerW, hasLid, minutes * 60);
    for (let m = 0; m < AFTER_MIN && at.bathC < aimC + OVER_C; m++) at = runPot(model, at, holdW, hasLid, 60);
    return at.bathC >= aimC + OVER_C;
  };
  if (passes(0)) return { inMin: 0, toShare };
  let [early, late] = [0, reach];
  for (let i = 0; i < 7; i++) {
    const middle = (early + late) / 2;
    if (passes(middle)) late = middle;
    else early = middle;
  }
  return { inMin: early, toShare };
}
