import { MONTHS, printClock, WEEKDAYS, wallTime } from '../time/zone';
import type { Measures } from './measures';
import { bandText, massText, temperatureText, volumeText } from './measureText';
import { type AmountUnit, printNumber } from './print';
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
  /** "Fri 6 Mar" */
  day(ms: number): string;
  /** "Fri 09:42" */
  dayClock(ms: number): string;
  /** "Fri 6 Mar, 09:42", with the year when it is not that of `nowMs` */
  date(ms: number, nowMs?: number): string;
  /** A sentence that was made in g, mL and °C, in the dyer's own measures. */
  says(sentence: string): string;
}

export function printer(measures: Measures, zone: string): Printer {
  const clock = (ms: number) => clockText(ms, zone, measures);
  const day = (ms: number) => dayText(ms, zone, measures);
  const mass = (g: number) => massText(g, measures);
  const volume = (mL: number) => volumeText(mL, measures);
  return {
    measures,
    zone,
    mass,
    volume,
    amount: (value, unit) => (unit === 'g' ? mass(value) : unit === 'mL' ? volume(value) : `${printNumber(value)} ×`),
    temperature: (c) => temperatureText(c, measures),
    band: (bandC) => bandText(bandC, measures),
    clock,
    day,
    dayClock: (ms) => `${WEEKDAYS[wallTime(ms, zone).weekday]} ${clock(ms)}`,
    date: (ms, nowMs) => {
      const { year } = wallTime(ms, zone);
      const inYear = nowMs !== undefined && wallTime(nowMs, zone).year === year;
      return `${day(ms)}${inYear ? '' : ` ${year}`}, ${clock(ms)}`;
    },
    says: (sentence) => reprint(sentence, measures),
  };
}

function clockText(ms: number, zone: string, { clock }: Measures): string {
  if (clock === '24h') return printClock(ms, zone);
  const { hour, minute } = wallTime(ms, zone);
  return `${hour % 12 === 0 ? 12 : hour % 12}:${String(minute).padStart(2, '0')} ${hour < 12 ? 'am' : 'pm'}`;
}

function dayText(ms: number, zone: string, { dateOrder }: Measures): string {
  const { weekday, day, month } = wallTime(ms, zone);
  const name = MONTHS[month - 1];
  return `${WEEKDAYS[weekday]} ${dateOrder === 'dmy' ? `${day} ${name}` : `${name} ${day}`}`;
}
