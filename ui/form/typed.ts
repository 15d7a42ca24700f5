import { parseAmount, type ReadAmount } from '@/core/dose/parseAmount';
import { type Figure, figureText, knownOf, knownText, leastOf, measured, mostOf, type Span } from '@/core/figure';
import type { Measures } from '@/core/measure/measures';
import { massText, temperatureText, volumeText } from '@/core/measure/measureText';
import { readNumber } from '@/core/measure/parseNumber';
import { parseParam } from '@/core/measure/parseParam';
import { parseIn, refusalText } from '@/core/measure/parseQuantity';
import { parseFigure, parseRange } from '@/core/measure/parseRange';
import { type AmountUnit, printAmount, printFigure, printMass, printNumber, printTemperature, printVolume } from '@/core/measure/print';
import { printer } from '@/core/measure/printer';
import { readSaid } from '@/core/measure/said';
import type { Family, UnitId } from '@/core/measure/units';
import { type PlantAmount, parsePlantAmount } from '@/core/plan/plant';
import { err, ok } from '@/core/result';
import { asReading, type SaidReading } from '@/core/run/saidAs';
import { parseWhen } from '@/core/time/parseWhen';

/** What a typed text was understood as; `says` is empty where it only says what is typed. */
export type Read<T> = { readonly ok: true; readonly value: T; readonly says: string } | { readonly ok: false; readonly why: string };
/** Null: nothing is typed, which is unknown. */
export type Reader<T> = (text: string) => Read<T | null>;

const bare = (text: string): string => text.toLowerCase().replace(/\s/g, '');

/** "1.47 kg = 3 lb 4 oz", less what is typed already. */
function says(typed: string, ...prints: readonly string[]): string {
  const news = [...new Set(prints)].filter((print) => bare(print) !== bare(typed));
  return news.length === 0 ? '' : `= ${news.join(' = ')}`;
}

const nothing = { ok: true, value: null, says: '' } as const;
const isEmpty = (text: string): boolean => text.trim() === '';

/** Grams, however they are written; what is typed with no unit is grams, or ounces where the dyer weighs in them. */
export const massReader =
  (measures: Measures): Reader<number> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const parsed = parseIn(text, 'mass', 'g');
    if (!parsed.ok) return { ok: false, why: refusalText(parsed.error) };
    return { ok: true, value: parsed.value, says: says(text, printMass(parsed.value), massText(parsed.value, measures)) };
  };

/** Millilitres, however they are written. @param unit for a number with none */
export const volumeReader =
  (measures: Measures, unit: 'mL' | 'L' = 'mL'): Reader<number> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const parsed = parseIn(text, 'volume', unit, measures.kitchen);
    if (!parsed.ok) return { ok: false, why: refusalText(parsed.error) };
    const mL = unit === 'L' ? parsed.value * 1000 : parsed.value;
    return { ok: true, value: mL, says: says(text, printVolume(mL), volumeText(mL, measures)) };
  };

/** Any quantity, in the unit that is wanted. */
export const quantityReader =
  (family: Family, unit: UnitId, measures: Measures): Reader<number> =>
  (text) => {
    if (family === 'mass' && unit === 'g') return massReader(measures)(text);
    if (family === 'volume' && unit === 'mL') return volumeReader(measures)(text);
    if (isEmpty(text)) return nothing;
    const parsed = parseIn(text, family, unit, measures.kitchen);
    if (!parsed.ok) return { ok: false, why: refusalText(parsed.error) };
    const label = unit === 'gPerM2' ? 'g/m²' : unit;
    return { ok: true, value: parsed.value, says: /^[\d.,\s]*$/.test(text) ? '' : says(text, `${printNumber(parsed.value)} ${label}`) };
  };

/** How much of a bath, as sure as it was said; a bare number is litres. */
export const bathVolumeReader =
  (measures: Measures): Reader<ReadAmount> =>
  (text) => {
    const isBare = /^[\d.,\s]+$/.test(text);
    const read = amountReader('mL', null, measures)(isBare && text.trim() !== '' ? `${text.trim()} L` : text);
    return read.ok && read.value && isBare ? { ...read, says: says(text, figureText(read.value.figure, printVolume)) } : read;
  };

/** An amount of something that goes in, or a range of it; a powder by the spoon is a guess, and says so. */
export const amountReader =
  (unit: AmountUnit, bulkGPerMl: readonly [number, number] | null, measures: Measures): Reader<ReadAmount> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const parsed = parseAmount(text, unit, bulkGPerMl, measures.kitchen);
    if (!parsed.ok) return { ok: false, why: parsed.error };
    const { figure, plusMinusPct } = parsed.value;
    if (unit === 'piece') return { ok: true, value: parsed.value, says: '' };
    const own = printer(measures, 'UTC');
    const guess = plusMinusPct === null ? '' : `, give or take ${Math.round(plusMinusPct)} %`;
    // "about" is written once, before the first of the two.
    const plain = figure.state === 'estimated' ? measured(figure.value) : figure;
    const prints = [figureText(plain, (value) => printAmount(value, unit)), figureText(plain, (value) => own.amount(value, unit))];
    return { ok: true, value: parsed.value, says: `${says(text, ...prints)}${guess}` };
  };

/** How much of a plant: by weight, volume or count, or as a ratio to the fibre. */
export const plantReader =
  (measures: Measures): Reader<PlantAmount> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const parsed = parsePlantAmount(text, measures.kitchen);
    if (!parsed.ok) return { ok: false, why: parsed.error };
    const said = parsed.value;
    if (said.by === 'ratio') return { ok: true, value: said, says: `= ${knownText(said.ratio, printNumber)} g of plant to a gram of fibre` };
    const own = printer(measures, 'UTC');
    return {
      ok: true,
      value: said,
      says: says(
        text,
        knownText(said.known, (value) => printAmount(value, said.unit)),
        knownText(said.known, (value) => own.amount(value, said.unit)),
      ),
    };
  };

/** An amount or a range of it, as bare figures. */
export const knownReader =
  (unit: AmountUnit, measures: Measures): Reader<number | Span> =>
  (text) => {
    const got = amountReader(unit, null, measures)(text);
    return got.ok ? { ...got, value: got.value === null ? null : knownOf(got.value.figure) } : got;
  };

/** A temperature in °C: "82", "180 F", "80 °C / 176 °F"; a pair that does not agree is pointed out. */
export const temperatureReader =
  (measures: Measures, least = -10, most = 150): Reader<number> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const typed = /[cf]/i.test(text) || measures.temperature === 'C' ? text : `${text} F`;
    const parsed = parseParam(typed, '°C');
    if (!parsed.ok) return { ok: false, why: parsed.error };
    const c = parsed.value;
    if (c === null) return nothing;
    if (c < least || c > most) return { ok: false, why: `No bath reads that. Between ${least} and ${most} °C.`.replace('-', '−') };
    return { ok: true, value: c, says: says(text, printTemperature(c), temperatureText(c, measures)) };
  };

/** A figure of a method where a range may stand too: "6–8 h", "10–15 %", "at least 60 min". */
export const rangedParamReader =
  (unit: string, min: number, max: number): Reader<number | Span> =>
  (text) => {
    const parsed = parseFigure(text, unit);
    if (!parsed.ok) return { ok: false, why: parsed.error };
    const known = parsed.value;
    if (known === null) return nothing;
    if ((leastOf(known) ?? min) < min || (mostOf(known) ?? max) > max)
      return { ok: false, why: `Between ${printNumber(min)} and ${printNumber(max)} ${unit}.` };
    return {
      ok: true,
      value: known,
      says: /^[\d.,\s]*$/.test(text)
        ? ''
        : says(
            text,
            knownText(known, (value) => printFigure(value, unit)),
          ),
    };
  };

/** A figure of a method in its own unit, held to its range. */
export const paramReader =
  (unit: string, min: number, max: number, measures: Measures): Reader<number> =>
  (text) => {
    const typed = unit === '°C' && measures.temperature === 'F' && text.trim() !== '' && !/[cf]/i.test(text) ? `${text} F` : text;
    const parsed = parseParam(typed, unit);
    if (!parsed.ok) return { ok: false, why: parsed.error };
    const { value } = parsed;
    if (value === null) return nothing;
    if (value < min || value > max) return { ok: false, why: `Between ${printNumber(min)} and ${printNumber(max)} ${unit}.` };
    if (unit === '°C') return { ok: true, value, says: says(text, printTemperature(value), temperatureText(value, measures)) };
    return { ok: true, value, says: /^[\d.,\s]*$/.test(text) ? '' : says(text, printFigure(value, unit)) };
  };

/** From and to: "60-90", "6–8 h". */
export const rangeReader =
  (unit: string): Reader<readonly [number, number]> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const parsed = parseRange(text, unit);
    if (!parsed.ok) return { ok: false, why: parsed.error };
    const [low, high] = parsed.value;
    return { ok: true, value: parsed.value, says: says(text, `${printFigure(low, unit)} to ${printFigure(high, unit)}`) };
  };

/** A reading that may be said as a range or as a guess: "5–6", "between 60 and 65", "about 4 L". @param one reads a single figure */
export const saidReader =
  (one: Reader<number>, print: (reading: SaidReading) => string): Reader<SaidReading> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const said = readSaid(text, (part) => {
      const got = one(part);
      return got.ok ? (got.value === null ? err('Write a number.') : ok(got.value)) : err(got.why);
    });
    const reading = said.ok ? asReading(said.value) : said;
    if (!reading.ok) return { ok: false, why: reading.error };
    if (reading.value.said) return { ok: true, value: reading.value, says: says(text, print(reading.value)) };
    const plain = one(text);
    return plain.ok ? { ...plain, value: plain.value === null ? null : { value: plain.value } } : plain;
  };

/** A plain number. */
export const numberReader =
  (least: number, most: number, suffix = ''): Reader<number> =>
  (text) => {
    if (isEmpty(text)) return nothing;
    const number = readNumber(text.trim());
    const rest = bare(number?.rest ?? 'x');
    if (!number || number.ambiguousComma || (rest !== '' && rest !== bare(suffix))) return { ok: false, why: 'Write a number.' };
    if (number.value < least) return { ok: false, why: `At least ${printNumber(least)}.` };
    if (number.value > most) return { ok: false, why: `At most ${printNumber(most)}.` };
    return { ok: true, value: number.value, says: '' };
  };

/** A time on the wall as "07:30". */
export const clockReader: Reader<string> = (text) => {
  if (isEmpty(text)) return nothing;
  // Any day does: only the hands of the clock are read.
  const parsed = parseWhen(`2026-01-01 ${text}`, { nowMs: 0, zone: 'UTC', dateOrder: 'ymd' });
  if (!parsed.ok) return { ok: false, why: parsed.error };
  const value = new Date(parsed.value).toISOString().slice(11, 16);
  return { ok: true, value, says: says(text, value) };
};

/** A figure as its own reader takes it back: "152 g", "100–200 g"; nothing where it is unknown. */
export function asTyped(figure: Figure, unit: AmountUnit): string {
  const known = knownOf(figure);
  return known === null ? '' : knownText(known, (value) => (unit === 'piece' ? `${value}` : `${value} ${unit}`));
}

/** What a reader gives for a form: the value, or null where nothing can be read. */
export function typedValue<T>(read: Reader<T>, text: string): T | null {
  const got = read(text);
  return got.ok ? got.value : null;
}
