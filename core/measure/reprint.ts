import { clockText } from './clockText';
import type { Measures } from './measures';
import { massText, temperatureText, volumeText } from './measureText';
import { printNumber } from './print';
import { celsiusToF } from './temperature';

/**
 * A quantity as our own sentences write it: a figure or a range, a space, the unit. What follows may say that it is no
 * plain quantity: "g/L", "mL per gram", "°C a minute", "a 30 °C jump".
 */
const QUANTITY =
  /(?<![\w.,/–-])(−?\d+(?:\.\d+)?)(?:(–| to )(\d+(?:\.\d+)?))? (kg|g|mL|L|°C)(?:(?![\w/·²])|(?<=°C)(?=\/(?:min|h)\b))((?<=°C)\/(?:min|h)| (?:a minute|per minute|per |jump|hotter|cooler|either way))?/g;

/** A time of day: two figures, colon, two figures, and no minutes after it ("03:12 min" is a span). */
const CLOCK = /(?<![\d:.])([01]\d|2[0-3]):([0-5]\d)(?![\d:]| min)/g;

/**
 * Turns a sentence that was made in g, mL, °C and 24 hours into the measures of whoever reads it. Sentences are kept as they were made
 * (in a plan of last year, in the journal), so this is done where they are shown, and to our own sentences only: what a
 * dyer typed stays as it was typed.
 */
export function reprint(sentence: string, measures: Measures): string {
  const timed =
    measures.clock === '24h' ? sentence : sentence.replace(CLOCK, (_, hour: string, minute: string) => clockText(Number(hour), Number(minute), '12h'));
  return requantified(timed, measures);
}

function requantified(sentence: string, measures: Measures): string {
  if (measures.mass === 'grams' && measures.volume === 'litres' && measures.temperature === 'C') return sentence;
  return sentence.replace(
    QUANTITY,
    (whole: string, low: string, dash: string | undefined, high: string | undefined, unit: string, more: string | undefined) => {
      const value = Number(low.replace('−', '-'));
      const to = high === undefined ? null : Number(high);
      if (unit === '°C') return measures.temperature === 'C' ? whole : celsius(value, to, dash ?? '', more ?? '', measures);
      // "30 mL per gram" is a ratio, not an amount.
      if (more !== undefined) return whole;
      const isMass = unit === 'g' || unit === 'kg';
      if (isMass ? measures.mass === 'grams' : measures.volume === 'litres') return whole;
      const base = unit === 'kg' || unit === 'L' ? 1000 : 1;
      const print = (amount: number) => (isMass ? massText(amount * base, measures) : volumeText(amount * base, measures));
      return to === null ? print(value) : `${print(value)} to ${print(to)}`;
    },
  );
}

function celsius(value: number, to: number | null, dash: string, more: string, measures: Measures): string {
  // A rate or a jump is a difference: 9 °F are 5 °C, with no 32 to add.
  if (more !== '' && more !== ' per ') return `${printNumber(value * 1.8)} °F${more}`;
  if (to === null) return `${temperatureText(value, measures)}${more}`;
  return `${Math.round(celsiusToF(value))}${dash}${Math.round(celsiusToF(to))} °F${more}`;
}
