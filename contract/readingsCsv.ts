import type { z } from 'zod';
import { err, ok, type Result } from '@/core/result';
import type { readingsInput } from './schemas';

type Readings = z.input<typeof readingsInput>;

/** Lines of `time,temperature`: the time as epoch milliseconds or ISO 8601, a dot as decimal mark; a header line may lead. */
export function parseReadingsCsv(text: string): Result<Readings, { line: number; message: string }> {
  const readings: Readings['readings'] = [];
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    if (line === '' || (i === 0 && /^[a-z]/i.test(line))) continue;
    const [time = '', temperature = '', ...rest] = line.split(',');
    const atMs = /^\d+$/.test(time) ? Number(time) : Date.parse(time);
    const bathC = Number(temperature);
    if (rest.length > 0 || Number.isNaN(atMs) || temperature.trim() === '' || !Number.isFinite(bathC)) {
      return err({ line: i + 1, message: 'Each line is time,temperature, such as 2026-03-06T18:00:00Z,82.5' });
    }
    readings.push({ atMs, bathC });
  }
  return ok({ readings });
}
