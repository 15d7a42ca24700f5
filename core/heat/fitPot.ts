import type { Reading } from '../hold/credit';
import { inverseBy, lowerOf, solvedBy } from './cholesky';
import { shapeOf, WATER_J_PER_KG_K } from './losses';
import { type PotModel, type PotState, runPot } from './potModel';

/** How a pot stood from a moment on. */
export interface HeatSetting {
  readonly atMs: number;
  /** "knob 3", "on": settings of one name give the same heat. Null: no heat. */
  readonly name: string | null;
  /** Of the source's full heat, 0–1, as far as its knob says; null: nobody knows. */
  readonly share: number | null;
  readonly hasLid: boolean;
  readonly litres: number;
}

/** All that is known of a pot that is to be forecast. */
export interface PotHistory {
  readonly vesselLitres: number;
  /** Of the heat source; null: unknown. */
  readonly maxW: number | null;
  readonly roomC: number;
  readonly boilC: number;
  /** Goods, plants and the pot itself beside the water, J/K. */
  readonly dryJPerK: number;
  /** In time order, the first from when on the pot is looked at. */
  readonly settings: readonly HeatSetting[];
  /** In time order. */
  readonly readings: readonly Reading[];
  /** What its own earlier curves taught. */
  readonly learnt: LearntPot | null;
}

/** A figure on a scale of ratios: its middle, and how far one standard deviation is off, as a natural logarithm. */
export interface Ratio {
  readonly middle: number;
  readonly lnSd: number;
}

/** What the curves of a vessel on its source taught. */
export interface LearntPot {
  readonly lossFactor: Ratio;
  readonly lagS: Ratio;
  /** Heat by the name of a setting, W. */
  readonly powerW: Readonly<Record<string, Ratio>>;
  /** Curves it rests on. */
  readonly n: number;
}

export interface FittedPot {
  readonly history: PotHistory;
  /** Logarithms of capacity, losses and lag (`AT`), then of the heat of each of `powers`; the first reading's true temperature last. */
  readonly theta: readonly number[];
  /** Lower triangle of the covariance's square root: samples are theta + root·z. */
  readonly root: readonly (readonly number[])[];
  readonly powers: readonly string[];
  /** How far readings are off the fitted curve, those of late before all, °C. */
  readonly offC: number;
}

/** How sure water, goods and pot are as heat capacity. */
const CAPACITY_LN_SD = 0.06;
const ANY_LOSS: Ratio = { middle: 1, lnSd: 0.3 };
const ANY_LAG: Ratio = { middle: 120, lnSd: 0.6 };
/** Of what a source takes this much goes into the pot, and a source of which nobody knows more gives this (our estimates). */
const INTO_POT = 0.65;
const UNKNOWN_W = 1200;
/** Of a reading beside its curve, °C: the probe and what one lumped body does not know. */
export const READING_SD_C = 0.25;
/** In this time an old reading counts half: what holds now is seen now. */
const FADES_MS = 25 * 60_000;
/** A knob is not straight: its heats are off their shares by so much, as a natural logarithm. */
const KNOB_LN_SD = 0.2;
/** Where each figure stands among the logarithms; from `power` on the heats of the settings. */
export const AT = { capacity: 0, loss: 1, lag: 2, power: 3 } as const;
/** Readings are gathered into at most so many means. */
const MOST_POINTS = 30;
const ROUNDS = 8;
/** More in it by this factor, something was poured in. */
const POURED = 1.02;

/** Which settings give heat, by name. */
const powersOf = (settings: readonly HeatSetting[]): string[] => [...new Set(settings.flatMap(({ name }) => (name === null ? [] : [name])))];

const shareOf = ({ settings }: Pick<PotHistory, 'settings'>, name: string): number | null => settings.find((setting) => setting.name === name)?.share || null;

function powerPrior({ maxW, settings, learnt }: PotHistory, name: string): Ratio {
  const own = learnt?.powerW[name];
  if (own) return own;
  const share = shareOf({ settings }, name);
  return { middle: (maxW ?? UNKNOWN_W) * INTO_POT * Math.max(0.05, share ?? 0.7), lnSd: maxW !== null && share !== null ? 0.5 : 0.8 };
}

interface Point {
  readonly atMs: number;
  readonly bathC: number;
  readonly sdC: number;
}

/** Means of neighbouring readings, so that ten thousand cost no more than thirty. */
function pointsOf(readings: readonly Reading[], fadesMs: number): Point[] {
  const nowMs = readings.at(-1)?.atMs ?? 0;
  const each = Math.max(1, Math.ceil(readings.length / MOST_POINTS));
  const points: Point[] = [];
  // From the newest back: the last mean is always a whole one.
  for (let end = readings.length; end > 0; end -= each) {
    const some = readings.slice(Math.max(0, end - each), end);
    const atMs = some.reduce((sum, one) => sum + one.atMs, 0) / some.length;
    const bathC = some.reduce((sum, one) => sum + one.bathC, 0) / some.length;
    points.push({ atMs, bathC, sdC: READING_SD_C * Math.sqrt(2 ** ((nowMs - atMs) / fadesMs)) });
  }
  return points.reverse();
}

/** The pot that a set of logarithms means, and what a setting of it gives. */
export function potOf(
  history: PotHistory,
  powers: readonly string[],
  theta: readonly number[],
  litres: number,
): { model: PotModel; wattOf: (name: string | null) => number } {
  const [lnCapacity = 0, lnLoss = 0, lnLag = 0] = theta;
  return {
    model: {
      heatJPerK: Math.exp(lnCapacity) * (litres * WATER_J_PER_KG_K + history.dryJPerK),
      lossFactor: Math.exp(lnLoss),
      lagS: Math.exp(lnLag),
      shape: shapeOf(history.vesselLitres),
      roomC: history.roomC,
      boilC: history.boilC,
    },
    wattOf: (name) => (name === null ? 0 : Math.exp(theta[AT.power + powers.indexOf(name)] ?? 0)),
  };
}

/**
 * Runs a pot through its history.
 * @param atMs moments in time order, none before the first reading
 * @returns the state at each
 */
export function along(history: PotHistory, powers: readonly string[], theta: readonly number[], atMs: readonly number[]): PotState[] {
  const { settings } = history;
  const startMs = history.readings[0]?.atMs ?? 0;
  let at = Math.max(
    0,
    settings.findLastIndex((setting) => setting.atMs <= startMs),
  );
  let setting = settings[at] as HeatSetting;
  let { model, wattOf } = potOf(history, powers, theta, setting.litres);
  const settled = 1 - Math.exp(-Math.max(0, startMs - setting.atMs) / 1000 / model.lagS);
  const before = settings[at - 1];
  const beforeW = before ? wattOf(before.name) : 0;
  let state: PotState = { bathC: theta.at(-1) ?? history.roomC, heatW: beforeW + (wattOf(setting.name) - beforeW) * settled, goneKg: 0 };
  let timeMs = startMs;
  const states: PotState[] = [];
  for (const moment of atMs) {
    for (let next = settings[at + 1]; next && next.atMs <= moment; next = settings[at + 1]) {
      state = runPot(model, state, wattOf(setting.name), setting.hasLid, Math.max(0, next.atMs - timeMs) / 1000);
      // What came in was hot or cold, nobody knows: the pot goes on from what is read next.
      if (next.litres > setting.litres * POURED)
        state = { ...state, bathC: history.readings.find((reading) => reading.atMs >= (next?.atMs ?? 0))?.bathC ?? state.bathC };
      timeMs = Math.max(timeMs, next.atMs);
      at++;
      setting = next;
      ({ model, wattOf } = potOf(history, powers, theta, setting.litres));
    }
    state = runPot(model, state, wattOf(setting.name), setting.hasLid, Math.max(0, moment - timeMs) / 1000);
    timeMs = Math.max(timeMs, moment);
    states.push(state);
  }
  return states;
}

/**
 * Fits a pot to its curve: capacity, losses, lag and the heat of each setting, with what is known before as so many readings more (Gauss–Newton
 * on the posterior; its covariance is the inverse of the last normal matrix).
 * @param fadesMs the age at which a reading counts half; endless where a whole curve is learnt from
 * @returns null with fewer than three readings, or where no sense can be made of them
 */
export function fitPot(history: PotHistory, fadesMs = FADES_MS): FittedPot | null {
  const { readings, settings, learnt } = history;
  if (readings.length < 3 || settings.length === 0) return null;
  const powers = powersOf(settings);
  const points = pointsOf(readings, fadesMs);
  const moments = points.map(({ atMs }) => atMs);
  const firstC = readings[0]?.bathC ?? history.roomC;
  const ratios: Ratio[] = [
    { middle: 1, lnSd: CAPACITY_LN_SD },
    learnt?.lossFactor ?? ANY_LOSS,
    learnt?.lagS ?? ANY_LAG,
    ...powers.map((name) => powerPrior(history, name)),
  ];
  // Two settings of one knob are not strangers: their heats stand to each other about as their shares do.
  const pairs = powers.slice(1).flatMap((name, i): { at: number; ln: number }[] => {
    const ln = Math.log(shareOf(history, name) ?? Number.NaN) - Math.log(shareOf(history, powers[0] ?? '') ?? Number.NaN);
    return Number.isFinite(ln) && !learnt?.powerW[name] ? [{ at: AT.power + 1 + i, ln }] : [];
  });
  const prior = [...ratios.map(({ middle }) => Math.log(middle)), firstC];
  const priorSd = [...ratios.map(({ lnSd }) => lnSd), 1];
  const residuals = (theta: readonly number[]): number[] => [
    ...along(history, powers, theta, moments).map(({ bathC }, i) => (bathC - (points[i] as Point).bathC) / (points[i] as Point).sdC),
    ...theta.map((value, i) => (value - (prior[i] ?? 0)) / (priorSd[i] ?? 1)),
    ...pairs.map(({ at, ln }) => ((theta[at] ?? 0) - (theta[AT.power] ?? 0) - ln) / KNOB_LN_SD),
  ];
  const squares = (all: readonly number[]): number => all.reduce((sum, one) => sum + one * one, 0);
  let theta = prior;
  let now = residuals(theta);
  let damping = 1e-3;
  let normal: number[][] | null = null;
  for (let round = 0; round < ROUNDS; round++) {
    const jacobian = jacobianOf(residuals, theta, now);
    normal = jacobian.map((one) => jacobian.map((other) => dot(one, other)));
    const slope = jacobian.map((column) => dot(column, now));
    const damped = normal.map((row, i) => row.map((value, j) => (i === j ? value * (1 + damping) : value)));
    const step = solvedBy(lowerOf(damped), slope);
    const tried = theta.map((value, i) => value - (step[i] ?? 0));
    const then = residuals(tried);
    if (!Number.isFinite(squares(then)) || squares(then) > squares(now)) {
      damping *= 10;
      continue;
    }
    const gained = squares(now) - squares(then);
    [theta, now, damping] = [tried, then, damping / 5];
    if (gained < 1e-3) break;
  }
  if (!normal || !Number.isFinite(squares(now))) return null;
  const root = lowerOf(inverseBy(lowerOf(normal)));
  // What is long past weighs as little here as it did in the fit.
  const weights = points.map(({ sdC }) => (READING_SD_C / sdC) ** 2);
  const offC = Math.sqrt(
    points.reduce((sum, { sdC }, i) => sum + (weights[i] ?? 0) * ((now[i] ?? 0) * sdC) ** 2, 0) / weights.reduce((sum, one) => sum + one, 0),
  );
  return { history, theta, root, powers, offC };
}

const NUDGE = 1e-4;

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, one, k) => sum + one * (b[k] ?? 0), 0);

/** Its columns, a figure of the pot each. */
function jacobianOf(residuals: (theta: readonly number[]) => number[], theta: readonly number[], now: readonly number[]): number[][] {
  return theta.map((_, i) => residuals(theta.with(i, (theta[i] ?? 0) + NUDGE)).map((one, k) => (one - (now[k] ?? 0)) / NUDGE));
}
