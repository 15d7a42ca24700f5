import { stringify } from 'csv-stringify/sync';
import { type Figure, knownOf, leastOf, mostOf, oneOf } from '../figure';
import { wallTime } from '../time/zone';

export type Cell = string | number | null;

/** A table for a spreadsheet. Its head names the unit of each figure. */
export interface Sheet {
  readonly head: readonly string[];
  /** In pieces, so that a year of readings never stands in memory at once. */
  readonly rows: Iterable<readonly (readonly Cell[])[]>;
}

/** Which sign a spreadsheet expects in “82.5”; where that is a comma, cells are parted by semicolons. */
export type Decimal = 'dot' | 'comma';

/**
 * The sheet as text, a piece at a time: RFC 4180, CRLF, and a mark at the beginning that tells spreadsheets that it is UTF-8. A text that a spreadsheet would take
 * for a formula gets an apostrophe in front (OWASP, CSV injection).
 */
export function* sheetText({ head, rows }: Sheet, decimal: Decimal): Generator<string> {
  const lines = (records: readonly (readonly Cell[])[]) =>
    stringify(
      records.map((record) => record.map((cell) => cellText(cell, decimal))),
      // A line may end with a line feed alone, and some split cells at either sign: each of these is kept within quotes.
      // A number with a comma stays a number where semicolons part the cells.
      { delimiter: decimal === 'comma' ? ';' : ',', record_delimiter: 'windows', quoted_match: /^(?!-?\d+,\d+$).*[\r\n;,\t]/s },
    );
  yield `\uFEFF${lines([head])}`;
  for (const some of rows) if (some.length > 0) yield lines(some);
}

/**
 * Whether a spreadsheet may take a text for a formula: its signs in full width too, and behind blanks,
 * separators and quotes, at which some programs split.
 */
const isFormula = (text: string): boolean => /^[\s;,"'\p{Cf}]*[=+\-@＝＋－＠\t\r]/u.test(text);

function cellText(cell: Cell, decimal: Decimal): string {
  if (cell === null) return '';
  if (typeof cell === 'string') return isFormula(cell) ? `'${cell}` : cell;
  const text = String(Number(cell.toPrecision(10)));
  return decimal === 'comma' ? text.replace('.', ',') : text;
}

const two = (value: number): string => String(value).padStart(2, '0');

/** "2026-11-26 14:05:09" on the clocks of the home: every spreadsheet takes it for a time. */
export function sheetTime(atMs: number | null, zone: string): Cell {
  if (atMs === null) return null;
  const { year, month, day, hour, minute } = wallTime(atMs, zone);
  return `${year}-${two(month)}-${two(day)} ${two(hour)}:${two(minute)}:${two(Math.floor(atMs / 1000) % 60)}`;
}

/** The same instant for programs: ISO 8601 in UTC. */
export const utcTime = (atMs: number | null): Cell => (atMs === null ? null : new Date(atMs).toISOString());

/** Heads of the four cells that say a figure. */
export const figureHead = (what: string, unit: string): string[] => {
  const named = unit === '' ? what : `${what}, ${unit}`;
  return [named, `${named}, at least`, `${named}, at most`, `${what}, how known`];
};

/** One number, or the ends of a range, and how it is known. */
export function figureCells(figure: Figure): Cell[] {
  const known = knownOf(figure);
  const one = oneOf(known);
  return one === null ? [null, leastOf(known), mostOf(known), figure.state] : [one, null, null, figure.state];
}
