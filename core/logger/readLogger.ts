import { parse } from 'csv-parse/browser/esm/sync';
import { err, ok, type Result } from '../result';
import { zonedMs } from '../time/zone';

export interface LoggerReading {
  readonly atMs: number;
  readonly bathC: number;
}

/** What a person answers where the file does not say. */
export interface LoggerAnswers {
  readonly unit: 'C' | 'F' | null;
  readonly order: 'dayFirst' | 'monthFirst' | null;
}

export interface LoggerFile {
  /** In time order, one for each instant. */
  readonly readings: readonly LoggerReading[];
  /** Lines that look like readings and have no temperature, such as `---`. */
  readonly left: number;
  /** Lines that say a time once more: in the night when clocks go back, or a logger that stammers. */
  readonly repeated: number;
  /** What has to be asked first; then there are no readings yet. */
  readonly asks: readonly ('unit' | 'order')[];
}

export interface LoggerFault {
  /** From 1; null when it is about the file as a whole. */
  readonly line: number | null;
  readonly message: string;
}

const LEAST_C = -10;
const MOST_C = 150;
const NO_VALUE = /^(?:|-+|nan|n\/?a|err(?:or)?|open|ol)$/i;

interface Row {
  readonly line: number;
  readonly cells: readonly string[];
}

/**
 * Readings in the table of a logger, as loggers really write them: parted by commas, semicolons or tabs; decimal points or commas; any words before the
 * table; the date and the time in one column or two; with or without seconds, AM and PM, a zone. Times without a zone are those of `zone`.
 * @returns readings in °C, or what must be asked
 */
export function readLogger(text: string, zone: string, answers: LoggerAnswers): Result<LoggerFile, LoggerFault> {
  const rows = rowsOf(text);
  const first = rows.findIndex((row) => timeIn(row) !== null);
  const found = rows[first] && timeIn(rows[first]);
  if (!found)
    return err({
      line: null,
      message: 'No line begins a table of times and temperatures. Save it from the logger as CSV or text, with a date and a time in each line.',
    });
  const body = rows.slice(first);
  const head = rows[first - 1]?.cells ?? [];
  const column = temperatureColumn(head, body, found.until);
  if (column === null) return err({ line: rows[first]?.line ?? null, message: 'There are times in this file, and no temperatures beside them.' });
  const unit = answers.unit ?? unitIn(head[column] ?? '') ?? unitIn(text.slice(0, 2000));
  const stamps = body.map((row) => row.cells.slice(found.from, found.until).join(' '));
  const order = answers.order ?? orderIn(stamps);
  const asks = [...(unit === null ? (['unit'] as const) : []), ...(order === null ? (['order'] as const) : [])];
  if (asks.length > 0) return ok({ readings: [], left: 0, repeated: 0, asks });
  const byTime = new Map<number, number>();
  let [left, repeated] = [0, 0];
  for (const [i, { line, cells }] of body.entries()) {
    const cell = cells[column] ?? '';
    const atMs = instantOf(stamps[i] ?? '', zone, order === 'dayFirst');
    if (atMs === null) {
      // Words after the table are no readings; a broken line in it is.
      if (body.slice(i).every((row) => timeIn(row) === null)) break;
      return err({ line, message: `The time “${stamps[i]}” cannot be read.` });
    }
    if (NO_VALUE.test(cell)) {
      left++;
      continue;
    }
    const value = numberOf(cell);
    if (value === null) return err({ line, message: `The temperature “${cell}” cannot be read.` });
    const bathC = Math.round((unit === 'F' ? ((value - 32) * 5) / 9 : value) * 1000) / 1000;
    if (bathC < LEAST_C || bathC > MOST_C)
      return err({ line, message: `${cell} ${unit === 'F' ? '°F' : '°C'} is no bath. Is it the other unit, or another column?` });
    if (byTime.has(atMs)) repeated++;
    else byTime.set(atMs, bathC);
  }
  const readings = [...byTime].map(([atMs, bathC]) => ({ atMs, bathC })).sort((a, b) => a.atMs - b.atMs);
  return readings.length === 0 ? err({ line: null, message: 'No line of this file has a temperature.' }) : ok({ readings, left, repeated, asks: [] });
}

/** Parted by whichever sign parts most lines into the same number of cells, two at least. */
function rowsOf(text: string): Row[] {
  let best: Row[] = [];
  let most = 0;
  for (const delimiter of ['\t', ';', ',']) {
    const rows = partedBy(text, delimiter);
    const counts = new Map<number, number>();
    for (const { cells } of rows) if (cells.length > 1) counts.set(cells.length, (counts.get(cells.length) ?? 0) + 1);
    const alike = Math.max(0, ...counts.values());
    if (alike > most) [best, most] = [rows, alike];
  }
  return best;
}

function partedBy(text: string, delimiter: string): Row[] {
  try {
    const records = parse(text, { bom: true, delimiter, info: true, trim: true, relax_column_count: true, relax_quotes: true, skip_empty_lines: true });
    return (records as unknown as { record: string[]; info: { lines: number } }[]).map(({ record, info }) => ({ line: info.lines, cells: record }));
  } catch {
    return [];
  }
}

const CLOCK = String.raw`(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([AaPp][Mm])?`;
const YEAR_FIRST = new RegExp(String.raw`^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})[T ]+${CLOCK}\s*(Z|[+-]\d{2}:?\d{2})?$`);
const YEAR_LAST = new RegExp(String.raw`^(\d{1,2})([-/.])(\d{1,2})[-/.](\d{4}|\d{2})[, ]+${CLOCK}$`);
const EPOCH = /^1\d{9}(?:\d{3})?$/;

const isTime = (stamp: string): boolean => YEAR_FIRST.test(stamp) || YEAR_LAST.test(stamp) || EPOCH.test(stamp);

/** Which cells say when: one, or two beside each other. */
function timeIn({ cells }: Row): { from: number; until: number } | null {
  for (let from = 0; from < cells.length; from++)
    for (const until of [from + 1, from + 2]) if (until <= cells.length && isTime(cells.slice(from, until).join(' '))) return { from, until };
  return null;
}

function instantOf(stamp: string, zone: string, dayFirst: boolean): number | null {
  if (EPOCH.test(stamp)) return Number(stamp) * (stamp.length === 10 ? 1000 : 1);
  const iso = YEAR_FIRST.exec(stamp);
  const local = iso ? null : YEAR_LAST.exec(stamp);
  const [year, month, day, hour, minute, second, half, offset] = iso
    ? iso.slice(1)
    : local
      ? [local[4], dayFirst ? local[3] : local[1], dayFirst ? local[1] : local[3], local[5], local[6], local[7], local[8], undefined]
      : [];
  if (year === undefined) return null;
  const [y, mo, d, h, mi, s] = [year.length === 2 ? `20${year}` : year, month, day, hour, minute, second ?? '0'].map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const hours = half === undefined ? h : (h % 12) + (half.toLowerCase() === 'pm' ? 12 : 0);
  const isReal =
    mo >= 1 &&
    mo <= 12 &&
    d >= 1 &&
    d <= new Date(Date.UTC(y, mo, 0)).getUTCDate() &&
    hours < 24 &&
    mi < 60 &&
    s < 60 &&
    (half === undefined || (h >= 1 && h <= 12));
  if (!isReal) return null;
  if (offset === undefined) return zonedMs(zone, y, mo, d, hours, mi) + s * 1000;
  const at = Date.UTC(y, mo - 1, d, hours, mi, s);
  if (offset === 'Z') return at;
  const [sign, oh, om] = [offset[0] === '-' ? -1 : 1, Number(offset.slice(1, 3)), Number(offset.slice(-2))];
  return at - sign * (oh * 60 + om) * 60_000;
}

/** Whether 3/4 is the third of April: by dots, or by a number above 12 somewhere; null when nothing tells. */
function orderIn(stamps: readonly string[]): 'dayFirst' | 'monthFirst' | null {
  let isAsked = false;
  for (const stamp of stamps) {
    const found = YEAR_LAST.exec(stamp);
    if (!found) continue;
    const [, a, sign, b] = found;
    if (sign === '.' || Number(a) > 12) return 'dayFirst';
    if (Number(b) > 12) return 'monthFirst';
    if (a !== b) isAsked = true;
  }
  return isAsked ? null : 'dayFirst';
}

function unitIn(words: string): 'C' | 'F' | null {
  const hasF = /°\s*F\b|fahrenheit|\(F\)|\bdegF\b/i.test(words);
  const hasC = /°\s*C\b|celsius|\(C\)|\bdegC\b/i.test(words);
  return hasF === hasC ? null : hasF ? 'F' : 'C';
}

function numberOf(cell: string): number | null {
  const plain = cell.replace(/\s*°?\s*[CF]$/i, '').replace(',', '.');
  return /^[+-]?\d+(?:\.\d+)?$/.test(plain) ? Number(plain) : null;
}

/** The column whose head speaks of a temperature, or else the first one with numbers after the time. */
function temperatureColumn(head: readonly string[], body: readonly Row[], after: number): number | null {
  // Not spread into the arguments of one call: a file has more lines than a call takes.
  const width = body.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  const able = Array.from({ length: width }, (_, i) => i).filter((i) => i >= after && body.some(({ cells }) => numberOf(cells[i] ?? '') !== null));
  return able.find((i) => /temp|°\s*[CF]|celsius|fahrenheit|probe|\bch/i.test(head[i] ?? '')) ?? able[0] ?? null;
}
