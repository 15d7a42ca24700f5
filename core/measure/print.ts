import { unreachable } from '../result';

/**
 * Printing with sensible figures: a dyer's scale and jug, not a laboratory's. Three significant figures at most below
 * 100, whole units above, so that what is read aloud can also be weighed.
 */
export function printNumber(value: number): string {
  const size = Math.abs(value);
  if (size === 0) return '0';
  // A trace is two figures, however small: it must not read as nothing.
  if (size < 0.01) return trimZeros(value.toFixed(Math.min(12, 1 - Math.floor(Math.log10(size)))));
  const decimals = size >= 100 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : 3;
  return trimZeros(value.toFixed(decimals));
}

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

export const printMass = (g: number): string => (Math.abs(g) >= 1000 ? `${trimZeros((g / 1000).toFixed(2))} kg` : `${printNumber(g)} g`);

export const printVolume = (mL: number): string => (Math.abs(mL) >= 1000 ? `${trimZeros((mL / 1000).toFixed(2))} L` : `${printNumber(mL)} mL`);

/** Tenths are as fine as a kitchen thermometer reads. */
export const printTemperature = (c: number): string => `${trimZeros((Math.round(c * 10) / 10 || 0).toFixed(1))} °C`;

/** "70–80 °C" */
export const printBand = ([low, high]: readonly [number, number]): string => `${printTemperature(low).replace(/ °C$/, '')}–${printTemperature(high)}`;

export const printPercent = (pct: number): string => `${printNumber(pct)} %`;

/** "3 min", "1 h 05", "2 d 3 h", "4 d 0 h 30 min": minutes rounded to the nearest, none left out, never shown as seconds. */
export function printDuration(minutes: number): string {
  const total = Math.round(Math.abs(minutes));
  const sign = minutes < 0 && total > 0 ? '−' : '';
  if (total < 60) return `${sign}${total} min`;
  const hours = Math.floor(total / 60);
  if (hours < 24) return `${sign}${hours} h${total % 60 ? ` ${String(total % 60).padStart(2, '0')}` : ''}`;
  const [restHours, restMin] = [hours % 24, total % 60];
  return `${sign}${Math.floor(hours / 24)} d${restHours || restMin ? ` ${restHours} h` : ''}${restMin ? ` ${restMin} min` : ''}`;
}

/** "3:12" for short exact dips: minutes and seconds are kept, not rounded away. */
export function printExactDuration(milliseconds: number): string {
  const seconds = Math.round(milliseconds / 1000);
  const h = Math.floor(seconds / 3600);
  const m = Math.floor((seconds % 3600) / 60);
  const mm = h > 0 ? String(m).padStart(2, '0') : String(m);
  return `${h > 0 ? `${h}:` : ''}${mm}:${String(seconds % 60).padStart(2, '0')}`;
}

/** "1 lot", "3 lots" */
export const countText = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

/** A figure of a method with its unit; long times in hours and days. */
export function printFigure(value: number, unit: string): string {
  if (unit === 'min' && value >= 90) return printDuration(value);
  return `${printNumber(value)} ${unit}`.trim();
}

/** Grams, millilitres, whole things such as tea bags, or what a hand holds. */
export const AMOUNT_UNITS = ['g', 'mL', 'piece', 'handful'] as const;
export type AmountUnit = (typeof AMOUNT_UNITS)[number];
/** "3 ×", "2 handfuls" */
export const countedText = (value: number, unit: 'piece' | 'handful'): string =>
  unit === 'piece' ? `${printNumber(value)} ×` : `${printNumber(value)} ${value === 1 ? 'handful' : 'handfuls'}`;
export function printAmount(value: number, unit: AmountUnit): string {
  switch (unit) {
    case 'g':
      return printMass(value);
    case 'mL':
      return printVolume(value);
    case 'piece':
    case 'handful':
      return countedText(value, unit);
    default:
      return unreachable(unit);
  }
}
