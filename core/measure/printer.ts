import { unreachable } from '../result';
import { MONTHS, WEEKDAYS, wallTime } from '../time/zone';
import { clockText } from './clockText';
import type { Measures } from './measures';
import { bandText, massText, temperatureText, volumeText } from './measureText';
import { type AmountUnit, countedText } from './print';
import { reprint } from './reprint';

/** Prints figures as one dyer measures, on the clock of one place. */
export interface Printer {
  readonly measures: Measures;
  readonly zone: string;
  mass(g: number): string;
  volume(mL: number): string;
  amount(value: number, unit: AmountUnit): string;
  temperature(c: number): string;
  /** "55–65 °C" */
  band(bandC: readonly [number, number]): string;
  /** "9:42" or "9:42 am" */
  clock(ms: number): string;
  /** "07:30" of a diary, as "7:30 am" where that is read */
  wall(hhmm: string): string;
  /** "Fri 6 Mar", "Fri Mar 6" or "Fri 2026-03-06" */
  day(ms: number): string;
  /** "Fri 09:42" */
  dayClock(ms: number): string;
  /** The same as long as a weekday says which one is meant: else the date, and the year where it is another. */
  coming(ms: number, nowMs: number): string;
  /** "Fri 6 Mar, 09:42", with the year when it is not that of `nowMs` */
  date(ms: number, nowMs?: number): string;
  /** A sentence that was made in g, mL and °C, in the dyer's own measures. */
  says(sentence: string): string;
}

/** Beyond this a weekday would be taken for the next one. */
const SIX_DAYS_MS = 6 * 24 * 60 * 60 * 1000;

export function printer(measures: Measures, zone: string): Printer {
  const clock = (ms: number) => {
    const { hour, minute } = wallTime(ms, zone);
    return clockText(hour, minute, measures.clock);
  };
  const day = (ms: number) => dayText(ms, zone, measures);
  const mass = (g: number) => massText(g, measures);
  const volume = (mL: number) => volumeText(mL, measures);
  return {
    measures,
    zone,
    mass,
    volume,
    amount: (value, unit) => (unit === 'g' ? mass(value) : unit === 'mL' ? volume(value) : countedText(value, unit)),
    temperature: (c) => temperatureText(c, measures),
    band: (bandC) => bandText(bandC, measures),
    clock,
    wall: (hhmm) => reprint(hhmm, measures),
    day,
    coming: (ms, nowMs) =>
      Math.abs(ms - nowMs) < SIX_DAYS_MS
        ? `${WEEKDAYS[wallTime(ms, zone).weekday]} ${clock(ms)}`
        : `${day(ms)}${wallTime(ms, zone).year === wallTime(nowMs, zone).year || measures.dateOrder === 'ymd' ? '' : ` ${wallTime(ms, zone).year}`}, ${clock(ms)}`,
    dayClock: (ms) => `${WEEKDAYS[wallTime(ms, zone).weekday]} ${clock(ms)}`,
    date: (ms, nowMs) => {
      const { year } = wallTime(ms, zone);
      const inYear = measures.dateOrder === 'ymd' || (nowMs !== undefined && wallTime(nowMs, zone).year === year);
      return `${day(ms)}${inYear ? '' : ` ${year}`}, ${clock(ms)}`;
    },
    says: (sentence) => reprint(sentence, measures),
  };
}

function dayText(ms: number, zone: string, { dateOrder }: Measures): string {
  const { weekday, day, month, year } = wallTime(ms, zone);
  const name = MONTHS[month - 1];
  switch (dateOrder) {
    case 'dmy':
      return `${WEEKDAYS[weekday]} ${day} ${name}`;
    case 'mdy':
      return `${WEEKDAYS[weekday]} ${name} ${day}`;
    case 'ymd':
      return `${WEEKDAYS[weekday]} ${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
    default:
      return unreachable(dateOrder);
  }
}
