import { beginPractice, later, type Practice, type PracticeTask, turned } from '@/core/rehearse/practice';

/** What simulated instruments say. Pure: time and chance are handed in. */

/** A thermometer wavers by so much, K; a strip or meter by so much, pH. */
const WAVERS_K = 0.2;
const WAVERS_PH = 0.05;
const around = (value: number, wavers: number, chance: number): number => value + (chance - 0.5) * 2 * wavers;
const tenth = (value: number): number => Math.round(value * 10) / 10;

/** A dyebath on a plate, whose knob is turned by what is typed. */
const TASK: PracticeTask = { litres: 5, vesselLitres: 8, maxW: 2000, bandC: [70, 80], ceilingC: null, holdMin: 600, boilC: 100 };

export interface DevicePot {
  readonly practice: Practice;
}
export const newPot = (): DevicePot => ({ practice: beginPractice(TASK) });

/** The pot so many seconds later, and what its probe says. @param chance in [0, 1) */
export function potReads({ practice }: DevicePot, seconds: number, chance: number): { readonly pot: DevicePot; readonly bathC: number } {
  const next = later(practice, seconds);
  return { pot: { practice: next }, bathC: tenth(around(next.state.bathC, WAVERS_K, chance)) };
}

/** "5", "off", "lid off": what a person types; null where nobody understands it. */
export function typed({ practice }: DevicePot, line: string): DevicePot | null {
  const words = line.trim().toLowerCase();
  if (words === 'lid on' || words === 'lid off') return { practice: turned(practice, { hasLid: words === 'lid on' }) };
  const knob = words === 'off' ? 0 : Number(words.replace(/^knob\s*/, ''));
  return words !== '' && Number.isFinite(knob) && knob >= 0 && knob <= 10 ? { practice: turned(practice, { knob }) } : null;
}

/** A jar on a sunny sill: coolest before dawn, warmest three hours after noon (invented: a fair day in June). @param hour 0 to 24, of the wall clock */
export const sunReadsC = (hour: number, chance: number): number => {
  const light = Math.max(0, Math.sin(((hour - 6) / 18) * Math.PI));
  return tenth(around(14 + 24 * light, WAVERS_K, chance));
};

/** A bath that somebody brings from tap water to a pH by drops: two thirds of the way in each half hour. @param minutes since it was begun */
export const meterReadsPh = (fromPh: number, toPh: number, minutes: number, chance: number): number =>
  Math.round(Math.min(14, Math.max(0, around(toPh + (fromPh - toPh) * Math.exp(-minutes / 27), WAVERS_PH, chance))) * 100) / 100;
