import { parse } from 'csv-parse/browser/esm/sync';
import type { Lab } from '../colour/lab';
import { parseLab } from '../colour/parseLab';
import { err, ok, type Result } from '../result';
import { LOOK_STATES, type LookState } from '../swatch/look';
import type { PieceSeen } from './tells';

/** A colour out of a table, of one piece. */
export interface Incoming {
  readonly code: string;
  readonly lotId: string;
  readonly lab: Lab;
  readonly state: LookState;
}

export interface TakenIn {
  readonly rows: readonly Incoming[];
  /** Lines that say what is known already, or nothing. */
  readonly same: number;
  /** Lines that cannot be read, by their number in the table; nothing of them is taken. */
  readonly faults: readonly { readonly line: number; readonly says: string }[];
}

const AXES = ['L*', 'a*', 'b*'] as const;
/** A table writes two decimals: what differs by less is the same. */
const SAME = 0.0051;

/**
 * Colours in the table of a trial, as a spreadsheet gives it back: parted by commas, semicolons or tabs, decimal points or commas, columns in any order.
 * It needs `code`, and `L*`, `a*`, `b*` or `sRGB`; `fibre was` says wet, rinsed, dry or cured, and is dry where it is empty.
 */
export function readTrialTable(text: string, pieces: readonly PieceSeen[]): Result<TakenIn, string> {
  let lines: Record<string, string>[];
  try {
    lines = parse(text, { bom: true, columns: true, delimiter: delimiterOf(text), relax_column_count: true, skip_empty_lines: true, trim: true });
  } catch {
    return err('This is no table: commas, semicolons or tabs part its columns, and its first line names them.');
  }
  const head = Object.keys(lines[0] ?? {});
  if (!head.includes('code')) return err('A column “code” is needed: it says which piece a line is of.');
  if (!AXES.every((axis) => head.includes(axis)) && !head.includes('sRGB')) return err('The columns L*, a* and b* are needed, or sRGB.');
  const byCode = new Map(pieces.map((piece) => [piece.code.toUpperCase(), piece]));
  const rows: Incoming[] = [];
  const faults: { line: number; says: string }[] = [];
  let same = 0;
  for (const [i, line] of lines.entries()) {
    const fault = (says: string) => faults.push({ line: i + 2, says });
    const typed = colourOf(line);
    const piece = byCode.get((line.code ?? '').toUpperCase());
    if (typed === '') same++;
    else if (!piece) fault(`No piece of this trial is called “${line.code ?? ''}”.`);
    else {
      const read = parseLab(typed);
      const state = LOOK_STATES.find((one) => one === (line['fibre was'] ?? '').toLowerCase());
      if (!read.ok) fault(`${piece.code}: ${read.error}`);
      else if (isSame(piece, read.value, line)) same++;
      else rows.push({ code: piece.code, lotId: piece.lotId, lab: read.value, state: state ?? 'dry' });
    }
  }
  return ok({ rows, same, faults });
}

/** What parts the columns of the first line most often: a table with decimal commas is parted by something else. */
function delimiterOf(text: string): string {
  const head = text.split('\n', 1)[0] ?? '';
  const count = (mark: string) => head.split(mark).length;
  return [';', '\t', ','].toSorted((a, b) => count(b) - count(a))[0] ?? ',';
}

/** The three axes before the hex, which cuts what lies outside of sRGB. */
function colourOf(line: Readonly<Record<string, string>>): string {
  const axes = AXES.map((axis) => line[axis] ?? '');
  if (axes.some((axis) => axis !== '')) return axes.map((axis) => axis.replace(',', '.')).join(' ');
  return line.sRGB ?? '';
}

function isSame({ lab, state }: PieceSeen, read: Lab, line: Readonly<Record<string, string>>): boolean {
  const said = (line['fibre was'] ?? '').toLowerCase();
  const near = lab !== null && (['l', 'a', 'b'] as const).every((axis) => Math.abs(lab[axis] - read[axis]) < SAME);
  return near && (said === '' || said === state);
}
