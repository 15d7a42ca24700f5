import { err, ok, type Result } from '../result';
import { readNumber } from './parseNumber';
import { parseQuantity, parseTemperatureC, refusalText } from './parseQuantity';
import { printTemperature } from './print';
import { temperatureClash } from './temperature';
import { convert } from './units';

/** A length of time as a word gives it: least, typical, most minutes. The word is the plan; what really was is logged. */
export interface WordSpan {
  readonly minMin: number;
  readonly typicalMin: number;
  readonly maxMin: number;
}

/** Words of the trade for lengths of time (trade handbook section 0; overnight is an estimate). */
const WORDS: readonly (readonly [RegExp, WordSpan])[] = [
  [/^(about )?an hour$/, { minMin: 60, typicalMin: 60, maxMin: 60 }],
  [/^an hour or so$/, { minMin: 60, typicalMin: 75, maxMin: 90 }],
  [/^(a )?few min(ute)?s$/, { minMin: 2, typicalMin: 3, maxMin: 5 }],
  [/^(a )?couple of hours$/, { minMin: 90, typicalMin: 120, maxMin: 150 }],
  [/^(over ?night|a night)$/, { minMin: 480, typicalMin: 600, maxMin: 840 }],
  [/^a few days$/, { minMin: 2880, typicalMin: 5040, maxMin: 7200 }],
];

export const wordSpan = (text: string): WordSpan | null => WORDS.find(([words]) => words.test(text.trim().toLowerCase()))?.[1] ?? null;

/** "6-8 h", "100–200 g", "60 to 90": understood where a field takes ranges. */
const RANGE = /^\D{0,2}\d+(?:\.\d+)?\s*[a-z°%]*\s*(?:–|-|\bto\b)\s*\d/i;

/** Words that are no temperature: a number is asked for, never put in for them. */
const NO_NUMBER = /^(warm|hot|hot,? not boiling|low|medium|medium-low|simmer|boil(ing)?)$/i;

/**
 * A figure of a method as people type it: "160F", "80 °C / 176 °F", "1 h 30", "overnight", "½". Empty is unknown.
 * @param unit the figure's own unit: °C and min are read with all their writings, others as a plain number
 * @returns the number in that unit, null for unknown, or what to mend
 */
export function parseParam(text: string, unit: string): Result<number | null, string> {
  const trimmed = text.trim();
  if (trimmed === '' || /^(unknown|\?)$/i.test(trimmed)) return ok(null);
  if (unit === '°C') return temperature(trimmed);
  if (unit === 'min') return minutes(trimmed);
  const pair = /^(\d+(?:\.\d+)?)\s*(?:per|:)\s*(\d+(?:\.\d+)?)$/i.exec(trimmed);
  if (pair && !unit.includes('%')) return Number(pair[2]) > 0 ? ok(Number(pair[1]) / Number(pair[2])) : err('The second figure must be above 0.');
  if (unit.startsWith('% of') && /^[½⅓⅔¼¾]$|^\d+\s*\/\s*\d+\s*%?$/.test(trimmed))
    return err(`“${trimmed}” of a whole or ${trimmed} of a percent? Write it in percent: a half is 50, a third is 33.3; one part to three parts is 25.`);
  if (RANGE.test(trimmed)) return err('One figure stands here: write the usual one. Its least and most are the method’s own, in the method editor.');
  const number = readNumber(trimmed);
  if (!number) return err(`Start with a number; “${trimmed.slice(0, 20)}” does not.`);
  if (number.ambiguousComma) return err('Is the comma a decimal mark or a thousands mark? Write 1.25 or 1250.');
  const rest = number.rest.trim().toLowerCase();
  const own = unit.toLowerCase();
  const plain = (word: string) => word.replace(/[^a-z%]/g, '');
  if (rest !== '' && plain(rest) !== plain(own) && !(own.startsWith('%') && rest === '%'))
    return err(`This figure is in ${unit}; “${number.rest.trim()}” is something else.`);
  return ok(number.value);
}

function temperature(text: string): Result<number | null, string> {
  if (RANGE.test(text)) return err('One temperature stands here. A band has a field for its low and one for its high end.');
  if (NO_NUMBER.test(text)) return err(`“${text}” is no number. Give a temperature, or leave it unknown.`);
  const [first, second, ...more] = text.split(/\s*[/=]\s*/);
  if (first === undefined || more.length > 0) return err('Give one temperature, or one in °C and the same in °F.');
  const a = parseTemperatureC(first);
  if (!a.ok) return err(a.error.why === 'unknownUnit' ? 'Write °C or F after the number.' : refusalText(a.error));
  if (second === undefined) return ok(round(a.value));
  const isF = (part: string) => /f/i.test(part);
  if (isF(first) === isF(second)) return err('A pair has one in °C and one in °F.');
  const number = (part: string) => readNumber(part)?.value ?? Number.NaN;
  const [c, f] = isF(first) ? [number(second), number(first)] : [number(first), number(second)];
  const clash = temperatureClash(c, f);
  if (clash) return err(`${c} °C and ${f} °F are not the same: ${f} °F is ${printTemperature(clash.fahrenheitAsC)}. Which is it?`);
  return ok(c);
}

function minutes(text: string): Result<number | null, string> {
  const word = wordSpan(text);
  if (word) return ok(word.typicalMin);
  if (RANGE.test(text)) return err('One length stands here: write the usual one. Its least and most are the method’s own, in the method editor.');
  // "1 h 30": a bare number behind hours is minutes.
  const parsed = parseQuantity(text.replace(/(\d\s*h(?:r|rs|ours?)?)\s*(\d+)\s*$/i, '$1 $2 min'), 'time', null, 'min');
  return parsed.ok ? ok(round(convert(parsed.value.value, parsed.value.unit, 'min'))) : err(refusalText(parsed.error));
}

const round = (value: number): number => Math.round(value * 100) / 100;
