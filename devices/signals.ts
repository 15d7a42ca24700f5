import { type PotState, runPot } from '@/core/heat/potModel';
import { coldPot, plateW, USUAL_TASK } from '@/core/rehearse/practice';

/** What simulated instruments say. Pure: time and chance are handed in. */

/** A thermometer wavers by so much, K; a strip or meter by so much, pH. */
const WAVERS_K = 0.2;
const WAVERS_PH = 0.05;
const around = (value: number, wavers: number, chance: number): number => value + (chance - 0.5) * 2 * wavers;
const tenth = (value: number): number => Math.round(value * 10) / 10;

const POT = { ...USUAL_TASK, boilC: 100 };

/** A dyebath on a plate, whose knob is turned by what is typed; it stands there for as long as its process runs. */
export interface DevicePot {
  readonly state: PotState;
  readonly knob: number;
  readonly hasLid: boolean;
}
const { model: MODEL, state: COLD } = coldPot(POT);
export const newPot = (): DevicePot => ({ state: COLD, knob: 0, hasLid: true });

/** The pot so many seconds later, and what its probe says. @param chance in [0, 1) */
export function potReads(pot: DevicePot, seconds: number, chance: number): { readonly pot: DevicePot; readonly bathC: number } {
  const state = runPot(MODEL, pot.state, plateW(POT.maxW, pot.knob), pot.hasLid, seconds);
  return { pot: { ...pot, state }, bathC: tenth(around(state.bathC, WAVERS_K, chance)) };
}

/** "5", "off", "lid off": what a person types; null where nobody understands it. */
export function typed(pot: DevicePot, line: string): DevicePot | null {
  const words = line.trim().toLowerCase();
  if (words === 'lid on' || words === 'lid off') return { ...pot, hasLid: words === 'lid on' };
  const knob = words === 'off' ? 0 : Number(words.replace(/^knob\s*/, ''));
  return words !== '' && Number.isFinite(knob) && knob >= 0 && knob <= 10 ? { ...pot, knob } : null;
}

/** A jar on a sunny sill: coolest before dawn, warmest three hours after noon (invented: a fair day in June). @param hour 0 to 24, of the wall clock */
export const sunReadsC = (hour: number, chance: number): number => {
  const light = Math.max(0, Math.sin(((hour - 6) / 18) * Math.PI));
  return tenth(around(14 + 24 * light, WAVERS_K, chance));
};

/** A bath that somebody brings from tap water to a pH by drops: two thirds of the way in each half hour. @param minutes since it was begun */
export const meterReadsPh = (fromPh: number, toPh: number, minutes: number, chance: number): number =>
  Math.round(Math.min(14, Math.max(0, around(toPh + (fromPh - toPh) * Math.exp(-minutes / 27), WAVERS_PH, chance))) * 100) / 100;
