import { err, ok, type Result } from '../result';
import { MONTHS, type WallTime, WEEKDAYS, wallTime, zonedMs } from './zone';

export interface WhenContext {
  readonly nowMs: number;
  readonly zone: string;
  /** How "3/4" is meant where both could be a month. */
  readonly dateOrder: 'dmy' | 'mdy' | 'ymd';
  /** What has happened is meant: a weekday or a bare time is the last one past. Missing: the next to come. */
  readonly isPast?: boolean;
}

interface Day {
  readonly year: number;
  readonly month: number;
  readonly day: number;
}

const DAY_MS = 86_400_000;
/** A date without a year is of this year, or of the next when it lies further back than this. */
const BACK_AT_MOST_MS = 182 * DAY_MS;

const WORDED_TIME: Readonly<Record<string, readonly [number, number]>> = { noon: [12, 0], midday: [12, 0], midnight: [0, 0] };

/**
 * A moment as people type it: "Sat 9:30", "28/11 09:30", "28 Nov 2026, 9.30 am", "2026-11-28 09:30", "tomorrow 8", "9:30".
 * A weekday or a bare time is the next one to come, or of what has happened the last one past; a date without a time is refused, so that nothing is filled in.
 * @returns epoch ms, or what to mend
 */
export function parseWhen(text: string, context: WhenContext): Result<number, string> {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/,/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/\bo['’]?clock\b|\bat\b/g, '')
    .trim();
  if (typed === '') return err('Type a day and a time, such as Sat 9:30.');
  if (typed === 'now') return ok(context.nowMs);
  const day = readDay(typed, context);
  if (!day.ok) return day;
  const time = readTime(day.value.rest);
  if (!time.ok) return time;
  const [hour, minute] = time.value;
  const today = wallTime(context.nowMs, context.zone);
  const at = (date: Day) => zonedMs(context.zone, date.year, date.month, date.day, hour, minute);
  const { date, weekday } = day.value;
  if (date) {
    const ms = at(date);
    // "29 Feb" in a plain year, "31/4": the calendar rolls over, which nobody meant.
    const made = wallTime(ms, context.zone);
    if (made.month !== date.month || made.day !== date.day) return err(`${MONTHS[date.month - 1]} has no day ${date.day}.`);
    return ok(ms);
  }
  if (weekday !== null) {
    const ahead = (weekday - today.weekday + 7) % 7;
    return ok(nearest(context, (weeks) => at(plus(today, ahead + 7 * weeks))));
  }
  return ok(nearest(context, (days) => at(plus(today, days))));
}

/** The first one that is not past, or of what has happened the last that is. @param at so many times its period from today */
const nearest = ({ nowMs, isPast = false }: WhenContext, at: (times: number) => number): number => {
  if (isPast) return at(0) <= nowMs ? at(0) : at(-1);
  return at(0) >= nowMs ? at(0) : at(1);
};

const plus = (today: WallTime, days: number): Day => ({ year: today.year, month: today.month, day: today.day + days });

interface ReadDay {
  readonly date: Day | null;
  readonly weekday: number | null;
  readonly rest: string;
}

function readDay(typed: string, context: WhenContext): Result<ReadDay, string> {
  const today = wallTime(context.nowMs, context.zone);
  const word = /^(today|tonight|tomorrow|yesterday)\b\s*/.exec(typed);
  if (word) {
    const days = word[1] === 'tomorrow' ? 1 : word[1] === 'yesterday' ? -1 : 0;
    // Rolled through the calendar, so that tomorrow of the 31st is the 1st.
    const made = wallTime(zonedMs(context.zone, today.year, today.month, today.day + days, 12), context.zone);
    return ok({ date: made, weekday: null, rest: typed.slice(word[0].length) });
  }
  const weekdayName = /^(sun|mon|tue|wed|thu|fri|sat)[a-z]*\.?\s*/.exec(typed);
  const weekday = weekdayName ? WEEKDAYS.findIndex((name) => name.toLowerCase() === weekdayName[1]) : null;
  const rest = weekdayName ? typed.slice(weekdayName[0].length) : typed;
  const dated = readDate(rest, context);
  if (!dated.ok) return dated;
  if (dated.value === null) return ok({ date: null, weekday, rest });
  const { date } = dated.value;
  if (weekday !== null) {
    const really = wallTime(zonedMs(context.zone, date.year, date.month, date.day, 12), context.zone).weekday;
    if (really !== weekday) return err(`${date.day} ${MONTHS[date.month - 1]} ${date.year} is a ${WEEKDAYS[really]}, not a ${WEEKDAYS[weekday]}. Which is it?`);
  }
  return ok({ date, weekday: null, rest: dated.value.rest });
}

function readDate(typed: string, context: WhenContext): Result<{ date: Day; rest: string } | null, string> {
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:t|\s|$)/.exec(typed);
  if (iso) return dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]), typed.slice(iso[0].length), context);
  const names = MONTHS.map((name) => name.toLowerCase()).join('|');
  const dayFirst = new RegExp(`^(\\d{1,2})(?:st|nd|rd|th|\\.)? (${names})[a-z]*\\.?(?: (\\d{4}))?(?:\\s+|$)`).exec(typed);
  if (dayFirst) return dateOf(dayFirst[3] ? Number(dayFirst[3]) : null, monthOf(dayFirst[2]), Number(dayFirst[1]), typed.slice(dayFirst[0].length), context);
  const monthFirst = new RegExp(`^(${names})[a-z]*\\.? (\\d{1,2})(?:st|nd|rd|th)?(?: (\\d{4}))?(?:\\s+|$)`).exec(typed);
  if (monthFirst)
    return dateOf(monthFirst[3] ? Number(monthFirst[3]) : null, monthOf(monthFirst[1]), Number(monthFirst[2]), typed.slice(monthFirst[0].length), context);
  // "28/11", "28.11.", "28-11-2026"; "9.30" alone is a time.
  const numbers = /^(\d{1,2})([/.-])(\d{1,2})(?:\2(\d{4}|\d{2})?)?(?:\s+|$)/.exec(typed);
  if (!numbers) return ok(null);
  const isTime = numbers[2] === '.' && !typed.slice(numbers[0].length).trim() && numbers[4] === undefined && !/\.$/.test(numbers[0].trim());
  if (isTime) return ok(null);
  const [a, b] = [Number(numbers[1]), Number(numbers[3])];
  const dayIsFirst = a > 12 || (b <= 12 && context.dateOrder !== 'mdy');
  const [day, month] = dayIsFirst ? [a, b] : [b, a];
  const year = numbers[4] === undefined ? null : Number(numbers[4].length === 2 ? `20${numbers[4]}` : numbers[4]);
  return dateOf(year, month, day, typed.slice(numbers[0].length), context);
}

const monthOf = (name: string | undefined): number => 1 + MONTHS.findIndex((month) => month.toLowerCase() === name);

function dateOf(
  year: number | null,
  month: number,
  day: number,
  rest: string,
  { nowMs, zone }: WhenContext,
): Result<{ date: Day; rest: string } | null, string> {
  if (month < 1 || month > 12) return err('That is no month. Write 28/11 09:30, or 28 Nov 9:30.');
  if (day < 1 || day > 31) return err('That is no day of a month. Write 28/11 09:30, or 28 Nov 9:30.');
  if (year !== null && (year < 2000 || year > 2100)) return err('Write the year as one of this century, or leave it out.');
  const thisYear = wallTime(nowMs, zone).year;
  const isLongPast = zonedMs(zone, thisYear, month, day) < nowMs - BACK_AT_MOST_MS;
  return ok({ date: { year: year ?? (isLongPast ? thisYear + 1 : thisYear), month, day }, rest });
}

function readTime(typed: string): Result<readonly [number, number], string> {
  const text = typed.trim();
  if (text === '') return err('Add a time, such as 9:30.');
  const worded = WORDED_TIME[text];
  if (worded) return ok(worded);
  const found = /^(\d{1,2})(?:[:.h](\d{2})|(\d{2}))?\s*(?:h|uhr)?\s*(am|pm|a\.m\.|p\.m\.)?$/.exec(text);
  if (!found) return err(`“${text}” is no time. Write 9:30, 14:00 or 2 pm.`);
  const [hour, minute] = [Number(found[1]), Number(found[2] ?? found[3] ?? 0)];
  const half = found[4]?.[0];
  if (minute > 59 || hour > 23 || (half && (hour < 1 || hour > 12))) return err(`“${text}” is no time. Write 9:30, 14:00 or 2 pm.`);
  return ok([half === 'p' ? (hour % 12) + 12 : half === 'a' ? hour % 12 : hour, minute]);
}
