import { CsvError, parse } from 'csv-parse/sync';
import type { z } from 'zod';
import { err, ok, type Result } from '@/core/result';
import type { readingsInput } from './schemas';

type Readings = z.input<typeof readingsInput>;
type Fault = { readonly line: number; readonly message: string };

const SHAPE = 'Each line is time,temperature, such as 2026-03-06T18:00:00Z,82.5';

/** Lines of `time,temperature` (RFC 4180): the time as epoch milliseconds or ISO 8601, a dot as decimal mark; a header line may lead. */
export function parseReadingsCsv(text: string): Result<Readings, Fault> {
  const rows = parseRows(text);
  if (!rows.ok) return rows;
  const readings: Readings['readings'] = [];
  for (const [i, { record, info }] of rows.value.entries()) {
    const [time = '', temperature = '', ...rest] = record;
    if (i === 0 && /^[a-z]/i.test(time)) continue;
    const atMs = /^\d+$/.test(time) ? Number(time) : Date.parse(time);
    const bathC = Number(temperature);
    if (rest.length > 0 || Number.isNaN(atMs) || temperature === '' || !Number.isFinite(bathC)) return err({ line: info.lines, message: SHAPE });
    readings.push({ atMs, bathC });
  }
  return ok({ readings });
}

type Row = { readonly record: readonly string[]; readonly info: { readonly lines: number } };

function parseRows(text: string): Result<readonly Row[], Fault> {
  try {
    return ok(parse(text, { bom: true, info: true, trim: true, skip_empty_lines: true, relax_column_count: true }) as unknown as Row[]);
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    return err({ line: Number(error.lines ?? 1), message: SHAPE });
  }
}
