import { LATENT_J_PER_KG, lossW, type Shape, steamW } from './losses';

/** A pot as one body on a source whose heat follows its knob with a lag: what a forecast runs forward. */
export interface PotModel {
  /** Water, goods, plants and pot together, J/K. */
  readonly heatJPerK: number;
  /** What is lost against what its shape would lose: 1 is as estimated. */
  readonly lossFactor: number;
  /** Seconds in which the source comes most of the way to a new setting. */
  readonly lagS: number;
  readonly shape: Shape;
  readonly roomC: number;
  readonly boilC: number;
}

/** What it is at one moment. */
export interface PotState {
  readonly bathC: number;
  /** Heat that really goes into the pot, W: lags behind the knob. */
  readonly heatW: number;
  /** Water gone as steam since it was counted, kg. */
  readonly goneKg: number;
}

const STEP_S = 60;

/** Heat that holds a temperature, W. */
export const holdingPowerW = ({ shape, roomC, lossFactor }: PotModel, hasLid: boolean, c: number): number => lossFactor * lossW(shape, hasLid, c, roomC);

/**
 * The pot after some time at one setting: C dT/dt = Q − f·losses(T), dQ/dt = (P − Q)/lag. Q has an exact answer, and its mean over a step too; the
 * temperature goes by the midpoint rule in steps of a minute. At the boil what comes in too much goes off as steam.
 * @param powerW what the source gives once it has settled
 * @param seconds ≥ 0
 */
export function runPot(model: PotModel, from: PotState, powerW: number, hasLid: boolean, seconds: number): PotState {
  const { heatJPerK, lossFactor, lagS, shape, roomC, boilC } = model;
  let { bathC, heatW, goneKg } = from;
  const steps = Math.ceil(seconds / STEP_S - 1e-9);
  if (steps <= 0) return from;
  const dt = seconds / steps;
  const decay = Math.exp(-dt / lagS);
  const half = Math.exp(-dt / 2 / lagS);
  for (let i = 0; i < steps; i++) {
    // The mean heat of the first half takes the temperature to the middle, that of the whole step to its end.
    const firstHalfW = powerW + ((heatW - powerW) * (1 - half) * lagS) / (dt / 2);
    const wholeW = powerW + ((heatW - powerW) * (1 - decay) * lagS) / dt;
    const middleC = Math.min(boilC, bathC + ((dt / 2) * (firstHalfW - lossFactor * lossW(shape, hasLid, bathC, roomC))) / heatJPerK);
    const wantedC = bathC + (dt * (wholeW - lossFactor * lossW(shape, hasLid, middleC, roomC))) / heatJPerK;
    const tooMuchJ = wantedC > boilC ? (wantedC - boilC) * heatJPerK : 0;
    goneKg += (lossFactor * steamW(shape, hasLid, middleC) * dt + tooMuchJ) / LATENT_J_PER_KG;
    bathC = Math.min(boilC, wantedC);
    heatW = powerW + (heatW - powerW) * decay;
  }
  return { bathC, heatW, goneKg };
}

/** Something cold goes in: what the bath reads once it is mixed. @param addedJPerK heat capacity of what goes in */
export const mixedC = (heatJPerK: number, bathC: number, addedJPerK: number, addedC: number): number =>
  (heatJPerK * bathC + addedJPerK * addedC) / (heatJPerK + addedJPerK);
