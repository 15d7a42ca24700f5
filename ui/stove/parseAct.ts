import { readNumber } from '@/core/measure/parseNumber';
import { fahrenheitToC } from '@/core/measure/temperature';
import { TIGHTNESSES, type Tightness } from '@/core/run/events';
import { actByWord } from './acts';

/** One line typed at the stove: "2 66 c", "pot 1 stirred", "1 ph 4.5", "2 looked good 10 min ago". */
export type TypedAct =
  | { readonly act: 'reading'; readonly quantity: 'bathC' | 'ph' | 'volumeMl'; readonly value: number }
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

/** @returns null when the line says nothing that is understood */
export function parseAct(line: string): TypedLine | null {
  const ago = AGO.exec(line);
  // A time that is not understood is asked about, never taken for now.
  if (!ago && /\bago\s*$/i.test(line)) return null;
  const agoMin = ago ? minutesAgo(ago[1] ?? '') : 0;
  let rest = (ago ? line.slice(0, ago.index) : line).trim();
  let card: number | null = null;
  const pot = /^(?:pot\s*)?([1-9])\s+(?=\S)/i.exec(rest);
  if (pot && (/^pot/i.test(rest) || !/^°?(?:c|f|l|ml|litres?|liters?)\b|^[.,/]/i.test(rest.slice(pot[0].length)))) {
    card = Number(pot[1]);
    rest = rest.slice(pot[0].length);
  }
  const what = readWhat(rest);
  return what && { card, agoMin, what };
}

/** Said of the call of a pot, whatever it is for. */
const LATER = /^(?:later|put off)(?:\s+(\d+)\s*(h|hours?|min|minutes?|m)?)?$/i;
/** "later", and not for how long: a look back in five minutes. */
const LATER_MIN = 5;

function readWhat(text: string): TypedAct | null {
  const later = LATER.exec(text);
  if (later) return { act: 'later', min: later[1] === undefined ? LATER_MIN : Number(later[1]) * (later[2]?.toLowerCase().startsWith('h') ? 60 : 1) };
  if (/^let (?:it )?go$/i.test(text)) return { act: 'letGo' };
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
      const number = readNumber(tail);
      return number && number.rest.trim() === '' ? { act: 'reading', quantity: 'ph', value: number.value } : null;
    }
    default:
      return readMeasure(text);
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

function readMeasure(text: string): TypedAct | null {
  const number = readNumber(text);
  if (!number || number.ambiguousComma) return null;
  switch (number.rest.trim().toLowerCase().replace(/[°º]/g, '')) {
    case '':
    case 'c':
      return { act: 'reading', quantity: 'bathC', value: number.value };
    case 'f':
      return { act: 'reading', quantity: 'bathC', value: Math.round(fahrenheitToC(number.value) * 10) / 10 };
    case 'l':
    case 'litres':
    case 'liters':
      return { act: 'reading', quantity: 'volumeMl', value: number.value * 1000 };
    case 'ml':
      return { act: 'reading', quantity: 'volumeMl', value: number.value };
    default:
      return null;
  }
}
