import { type PotModel, type PotState, runPot } from './potModel';

/** So far a forecast looks ahead, min: farther nobody turns a knob for. */
const AHEAD_MIN = 240;
const LOOK_S = 60;

/** Minutes until a pot passes a temperature at one setting; null: not within four hours, or never. */
export function crossing(model: PotModel, from: PotState, powerW: number, hasLid: boolean, c: number): number | null {
  const rises = from.bathC < c;
  // What the boil stops short of is never reached.
  if (rises && c > model.boilC) return null;
  let state = from;
  for (let s = 0; s < AHEAD_MIN * 60; s += LOOK_S) {
    const next = runPot(model, state, powerW, hasLid, LOOK_S);
    if (rises ? next.bathC >= c : next.bathC <= c) return (s + (LOOK_S * (c - state.bathC)) / (next.bathC - state.bathC)) / 60;
    // Settled, and on the wrong side.
    if (Math.abs(next.bathC - state.bathC) < 1e-4 && Math.abs(next.heatW - state.heatW) < 1) return null;
    state = next;
  }
  return null;
}
