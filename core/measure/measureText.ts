import type { Measures } from './measures';
import { printMass, printNumber, printTemperature, printVolume } from './print';
import { celsiusToF } from './temperature';
import { convert, type UnitId } from './units';

/** Grams, or ounces and pounds: "4.23 oz", "3 lb 4 oz". */
export function massText(g: number, { mass }: Measures): string {
  if (mass === 'grams') return printMass(g);
  const sign = g < 0 ? '−' : '';
  const oz = convert(Math.abs(g), 'g', 'oz');
  // Rounded before it is parted, so that 15.999 oz is a pound and not "16 oz".
  if (Number(oz.toFixed(2)) < 16) return `${sign}${oz >= 0.1 && oz < 1 ? Number(oz.toFixed(2)) : printNumber(oz)} oz`;
  const tenths = Math.round(oz * 10);
  const restOz = (tenths % 160) / 10;
  return `${sign}${Math.floor(tenths / 160)} lb${restOz === 0 ? '' : ` ${printNumber(restOz)} oz`}`;
}

/** From the smallest measure up: each is used until the next one holds at least one of it. */
const LADDERS: Readonly<Record<'us' | 'imperial', readonly (readonly [UnitId, string, string])[]>> = {
  us: [
    ['usTsp', 'tsp (US)', 'tsp (US)'],
    ['usTbsp', 'Tbsp (US)', 'Tbsp (US)'],
    ['usCup', 'cup (US)', 'cups (US)'],
    ['usGal', 'gal (US)', 'gal (US)'],
  ],
  imperial: [
    ['metricTsp', 'tsp (5 mL)', 'tsp (5 mL)'],
    ['impFlOz', 'fl oz (imperial)', 'fl oz (imperial)'],
    ['impPint', 'pint (imperial)', 'pints (imperial)'],
    ['impGal', 'gal (imperial)', 'gal (imperial)'],
  ],
};

/** A gallon that was rounded to 3.785 L is still a gallon. */
const LEAST = 0.995;

/** Millilitres and litres, or the spoons, cups and gallons of one kitchen, which is always named. */
export function volumeText(mL: number, { volume }: Measures): string {
  if (volume === 'litres') return printVolume(mL);
  const ladder = LADDERS[volume];
  const rung = ladder.findLast(([unit]) => convert(Math.abs(mL), 'mL', unit) >= LEAST * (unit === 'usCup' ? 0.25 : 1)) ?? ladder[0];
  if (!rung) return printVolume(mL);
  const [unit, one, many] = rung;
  const text = printNumber(convert(mL, 'mL', unit));
  return `${text} ${text === '1' ? one : many}`;
}

const scale = ({ temperature }: Measures): string => (temperature === 'C' ? '°C' : '°F');
/** Tenths of °C, whole °F: as fine as a kitchen thermometer reads on either scale. */
const degrees = (c: number, { temperature }: Measures): string =>
  temperature === 'C' ? printTemperature(c).replace(' °C', '') : String(Math.round(celsiusToF(c)) || 0);

/** "55–65 °C" */
export const bandText = ([low, high]: readonly [number, number], measures: Measures): string =>
  `${degrees(low, measures)}–${degrees(high, measures)} ${scale(measures)}`;

export const temperatureText = (c: number, measures: Measures): string => `${degrees(c, measures)} ${scale(measures)}`;
