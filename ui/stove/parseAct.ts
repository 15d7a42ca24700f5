import type { Measures } from '@/core/measure/measures';
import { readNumber } from '@/core/measure/parseNumber';
import { readSaid } from '@/core/measure/said';
import { fahrenheitToC } from '@/core/measure/temperature';
import { err, ok, type Result } from '@/core/result';
import { TIGHTNESSES, type Tightness } from '@/core/run/events';
import { asReading, type Quantity, type SaidReading } from '@/core/run/saidAs';
import { actByWord, CALL_ACTS } from './acts';

type Scale = Measures['temperature'];

/** One line typed at the stove: "2 66 c", "pot 1 stirred", "1 ph 4.5", "2 looked good 10 min ago". */
export type TypedAct =
  | ({ readonly act: 'reading'; readonly quantity: Quantity } & SaidReading)
  | { readonly act: 'stirred' | 'flipped' | 'next' }
  | { readonly act: 'heat'; readonly knob: number | null; readonly hasLid: boolean | null }
  | { readonly act: 'rolled'; readonly tightness: Tightness | null; readonly hasBarrier: boolean | null }
  | { readonly act: 'later'; readonly min: number }
  | { readonly act: 'letGo' }
  | { readonly act: 'checked' | 'note'; readonly text: string };

export interface TypedLine {
  /** Number of the vessel's card; null means the chosen one. */
  readonly card: number | null;
  readonly agoMin: number;
  readonly what: TypedAct;
}

/** "10 min ago", "1 h 30 min ago", "2 d ago" at the end of a line. */
const AGO = /[, ]\s*((?:\d+(?:\.\d+)?\s*(?:d|days?|h|hours?|min|minutes?|m)\s*)+)ago\s*$/i;
const AGO_PART = /(\d+(?:\.\d+)?)\s*(d|h|m)/gi;
const AGO_MIN: Readonly<Record<string, number>> = { d: 1440, h: 60, m: 1 };

const minutesAgo = (words: string): number =>
  [...words.matchAll(AGO_PART)].reduce((sum, [, count, unit]) => sum + Number(count) * (AGO_MIN[unit?.toLowerCase() ?? ''] ?? 0), 0);

/**
 * @param scale what a bare number is, as the dyer measures
 * @returns null when the line says nothing that is understood
 */
export function parseAct(line: string, scale: Scale = 'C'): TypedLine | null {
  const ago = AGO.exec(line);
  // A time that is not understood is asked about, never taken for now.
  if (!ago && /\bago\s*$/i.test(line)) return null;
  const agoMin = ago ? minutesAgo(ago[1] ?? '') : 0;
  let rest = (ago ? line.slice(0, ago.index) : line).trim();
  let card: number | null = null;
  const pot = /^(?:pot\s*)?([1-9])\s+(?=\S)/i.exec(rest);
  if (pot && (/^pot/i.test(rest) || !/^°?(?:c|f|l|ml|litres?|liters?|to)\b|^[.,/–-]/i.test(rest.slice(pot[0].length)))) {
    card = Number(pot[1]);
    rest = rest.slice(pot[0].length);
  }
  const what = readWhat(rest, scale);
  return what && { card, agoMin, what };
}

/** "later", and not for how long: a look back in five minutes. */
const LATER_MIN = 5;

function readWhat(text: string, scale: Scale): TypedAct | null {
  const later = CALL_ACTS.later.is.exec(text);
  if (later) return { act: 'later', min: later[1] === undefined ? LATER_MIN : Number(later[1]) * (later[2]?.toLowerCase().startsWith('h') ? 60 : 1) };
  if (CALL_ACTS.letGo.is.test(text)) return { act: 'letGo' };
  const [, word = '', tail = ''] = /^([a-z]+)\s*(.*)$/i.exec(text) ?? [];
  const act = word === '' ? null : actByWord(word);
  switch (act) {
    case 'stirred':
    case 'flipped':
    case 'next':
      return { act };
    case 'checked':
      return { act, text: tail };
    case 'note':
      return tail ? { act, text: tail } : null;
    case 'rolled':
      return readRolled(tail.trim().toLowerCase());
    case 'heat':
      return readHeat(word.toLowerCase(), tail.trim().toLowerCase());
    case 'ph': {
      return readingOf('ph', tail, phOf);
    }
    default:
      return readMeasure(text, scale);
  }
}

/** "knob 3", "heat off", "turn to 2.5", "lid on". */
function readHeat(word: string, tail: string): TypedAct | null {
  if (word === 'lid') return tail === 'on' || tail === 'off' ? { act: 'heat', knob: null, hasLid: tail === 'on' } : null;
  if (/^(?:down |it )?off$/.test(tail)) return { act: 'heat', knob: 0, hasLid: null };
  const number = readNumber(tail.replace(/^(?:down |up )?(?:to |at )?/, ''));
  return number && number.rest.trim() === '' && !number.ambiguousComma ? { act: 'heat', knob: number.value, hasLid: null } : null;
}

/** "rolled tightly", "rolled loose, no barrier". */
function readRolled(tail: string): TypedAct | null {
  const [, tight = '', barrier = ''] = /^(?:(loose|firm|tight)(?:ly)?)?[,\s]*(?:(no|without(?: a)?|with(?: a)?) barrier)?$/.exec(tail) ?? [];
  const tightness = TIGHTNESSES.find((one) => tight !== '' && one.startsWith(tight)) ?? null;
  const hasBarrier = barrier === '' ? null : barrier.startsWith('with') && !barrier.startsWith('without');
  return tightness === null && hasBarrier === null ? null : { act: 'rolled', tightness, hasBarrier };
}

const FIGURE = 'no figure';
type Part = Result<number, string>;

/** A reading as it is said: one figure, "60–65", "between 5 and 6", "about 4 L". */
function readingOf(quantity: Quantity, text: string, one: (part: string) => Part): TypedAct | null {
  const said = readSaid(text, one);
  const reading = said.ok ? asReading(said.value) : said;
  return reading.ok ? { act: 'reading', quantity, ...reading.value } : null;
}

/** A number with the rest of its words, or null where it is none. */
function numberIn(text: string): { readonly value: number; readonly unit: string } | null {
  const number = readNumber(text);
  return number && !number.ambiguousComma ? { value: number.value, unit: number.rest.trim().toLowerCase().replace(/[°º]/g, '') } : null;
}

const phOf = (text: string): Part => {
  const number = numberIn(text);
  return number?.unit === '' ? ok(number.value) : err(FIGURE);
};

const degreesOf =
  (scale: Scale) =>
  (text: string): Part => {
    const number = numberIn(text);
    switch (number?.unit) {
      case '':
        return ok(scale === 'C' ? number.value : tenth(fahrenheitToC(number.value)));
      case 'c':
        return ok(number.value);
      case 'f':
        return ok(tenth(fahrenheitToC(number.value)));
      default:
        return err(FIGURE);
    }
  };
const tenth = (value: number): number => Math.round(value * 10) / 10;

const litresOf = (text: string): Part => {
  const number = numberIn(text);
  switch (number?.unit) {
    case 'l':
    case 'litre':
    case 'litres':
    case 'liter':
    case 'liters':
      return ok(number.value * 1000);
    case 'ml':
      return ok(number.value);
    default:
      return err(FIGURE);
  }
};

const readMeasure = (text: string, scale: Scale): TypedAct | null => readingOf('bathC', text, degreesOf(scale)) ?? readingOf('volumeMl', text, litresOf);
