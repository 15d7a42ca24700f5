import type { Reading } from '@/core/hold/credit';
import type { Db, Table } from './db';

const MINUTE_MS = 60_000;

/** Readings as they came in; [milliseconds since the epoch, degrees C]. */
export interface ProbeWrite {
  readonly probeId: string;
  readonly points: readonly (readonly [number, number])[];
}

/** One stored minute; points are [milliseconds into the minute, degrees C], in time order, one for each instant. */
export interface ProbeMinuteRow {
  readonly probeId: string;
  readonly minuteMs: number;
  readonly points: readonly (readonly [number, number])[];
}

const keyOf = (row: Pick<ProbeMinuteRow, 'probeId' | 'minuteMs'>): string => `${row.probeId}/${row.minuteMs}`;

/** Merges new points into a minute; a reading sent twice is kept once. */
function mergeMinute(row: ProbeMinuteRow | undefined, probeId: string, minuteMs: number, points: ProbeMinuteRow['points']): ProbeMinuteRow {
  const byOffset = new Map<number, number>(row?.points ?? []);
  for (const [offset, c] of points) if (!byOffset.has(offset)) byOffset.set(offset, c);
  return { probeId, minuteMs, points: [...byOffset].sort((a, b) => a[0] - b[0]) };
}

function byMinute(points: ProbeWrite['points']): Map<number, [number, number][]> {
  const minutes = new Map<number, [number, number][]>();
  for (const [atMs, c] of points) {
    const minuteMs = Math.floor(atMs / MINUTE_MS) * MINUTE_MS;
    const list = minutes.get(minuteMs);
    if (list) list.push([atMs - minuteMs, c]);
    else minutes.set(minuteMs, [[atMs - minuteMs, c]]);
  }
  return minutes;
}

interface RawMinute {
  probe_id: string;
  minute_ms: number;
  points: [number, number][];
}
const toRow = (raw: RawMinute): ProbeMinuteRow => ({ probeId: raw.probe_id, minuteMs: Number(raw.minute_ms), points: raw.points });

export const probeTable: Table<ProbeWrite, ProbeMinuteRow> = {
  name: 'probe_minute',
  keyOf,
  toWrite: (row) => ({ probeId: row.probeId, points: row.points.map(([offset, c]) => [row.minuteMs + offset, c] as const) }),
  expect: (rows, write) => {
    for (const [minuteMs, points] of byMinute(write.points)) {
      const key = keyOf({ probeId: write.probeId, minuteMs });
      rows.set(key, mergeMinute(rows.get(key), write.probeId, minuteMs, points));
    }
  },
  put: async (db, write) => {
    const minutes = byMinute(write.points);
    const had = await db.query<RawMinute>('select probe_id, minute_ms, points from probe_minute where probe_id = $1 and minute_ms = any($2)', [
      write.probeId,
      [...minutes.keys()],
    ]);
    const existing = new Map(had.rows.map((raw) => [Number(raw.minute_ms), toRow(raw)]));
    const merged = [...minutes].map(([minuteMs, points]) => mergeMinute(existing.get(minuteMs), write.probeId, minuteMs, points));
    await db.query(
      `insert into probe_minute (probe_id, minute_ms, readings, min_c, mean_c, max_c, points)
       select $1, minute_ms, readings, min_c, mean_c, max_c, points
       from jsonb_to_recordset($2::jsonb)
         as block (minute_ms bigint, readings integer, min_c real, mean_c real, max_c real, points jsonb)
       on conflict (probe_id, minute_ms) do update
       set readings = excluded.readings, min_c = excluded.min_c, mean_c = excluded.mean_c, max_c = excluded.max_c, points = excluded.points`,
      [write.probeId, JSON.stringify(merged.map(summary))],
    );
  },
  all: async (db) => (await db.query<RawMinute>('select probe_id, minute_ms, points from probe_minute order by probe_id, minute_ms')).rows.map(toRow),
};

function summary(row: ProbeMinuteRow) {
  const temperatures = row.points.map(([, c]) => c);
  return {
    minute_ms: row.minuteMs,
    readings: row.points.length,
    points: row.points,
    min_c: Math.min(...temperatures),
    max_c: Math.max(...temperatures),
    mean_c: temperatures.reduce((sum, c) => sum + c, 0) / temperatures.length,
  };
}

/** Readings of a stretch in time order. Past `fullMs` of length the minute means stand in for the single readings. */
export async function loadReadings(db: Db, probeId: string, fromMs: number, toMs: number, fullMs = 6 * 3_600_000): Promise<Reading[]> {
  const fromMinute = Math.floor(fromMs / MINUTE_MS) * MINUTE_MS;
  if (toMs - fromMs > fullMs) {
    const { rows } = await db.query<{ minute_ms: number; mean_c: number }>(
      `select minute_ms, mean_c
       from probe_minute
       where probe_id = $1 and minute_ms between $2 and $3
       order by minute_ms`,
      [probeId, fromMinute, toMs],
    );
    return rows
      .map((row) => ({ atMs: Number(row.minute_ms) + MINUTE_MS / 2, bathC: Math.round(row.mean_c * 100) / 100 }))
      .filter((r) => r.atMs >= fromMs && r.atMs <= toMs);
  }
  const { rows } = await db.query<RawMinute>(
    `select probe_id, minute_ms, points
     from probe_minute
     where probe_id = $1 and minute_ms between $2 and $3
     order by minute_ms`,
    [probeId, fromMinute, toMs],
  );
  return rows
    .flatMap((raw) => raw.points.map(([offset, bathC]) => ({ atMs: Number(raw.minute_ms) + offset, bathC })))
    .filter((r) => r.atMs >= fromMs && r.atMs <= toMs);
}

export async function latestReading(db: Db, probeId: string): Promise<Reading | null> {
  const { rows } = await db.query<RawMinute>('select probe_id, minute_ms, points from probe_minute where probe_id = $1 order by minute_ms desc limit 1', [
    probeId,
  ]);
  const last = rows[0]?.points.at(-1);
  return rows[0] && last ? { atMs: Number(rows[0].minute_ms) + last[0], bathC: last[1] } : null;
}
