import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import type { JournalWrite } from './journalIndex';
import type { Readings } from './readings/readings';

/** A stretch of readings as the first versions kept them: in the journal as they came, in the database by the minute. */
interface OldWrite {
  readonly probeId: string;
  readonly points: readonly (readonly [number, number])[];
}

const HELD = 20_000;

/** Brings readings of older versions into the files of today, once. */
export class OldReadings {
  private readonly isDone: boolean;
  private readonly held = new Map<string, [number, number][]>();
  private count = 0;
  private took = false;

  constructor(
    private readonly folder: string,
    private readonly readings: Readings,
  ) {
    this.isDone = existsSync(this.mark);
  }

  take({ table, row }: JournalWrite): void {
    if (this.isDone || table !== 'probe_minute') return;
    const { probeId, points } = row as OldWrite;
    const list = this.held.get(probeId) ?? [];
    for (const [atMs, bathC] of points) list.push([atMs, bathC]);
    this.held.set(probeId, list);
    this.count += points.length;
    this.took = true;
    if (this.count >= HELD) this.flush();
  }

  done(): void {
    this.flush();
    if (!this.took || this.isDone) return;
    mkdirSync(path.dirname(this.mark), { recursive: true });
    writeFileSync(this.mark, '', { flush: true });
  }

  private flush(): void {
    for (const [probeId, points] of this.held) this.readings.append(probeId, points);
    this.held.clear();
    this.count = 0;
  }

  private get mark(): string {
    return path.join(this.folder, 'readings', '.from-journal');
  }
}

/** What the table of the first versions still holds. */
export async function oldReadingRows(db: PGlite): Promise<OldWrite[]> {
  if (!(await hasTable(db))) return [];
  const { rows } = await db.query<{ probe_id: string; minute_ms: number; points: [number, number][] }>(
    'select probe_id, minute_ms, points from probe_minute order by probe_id, minute_ms',
  );
  return rows.map((row) => ({ probeId: row.probe_id, points: row.points.map(([offset, bathC]) => [Number(row.minute_ms) + offset, bathC] as const) }));
}

/** The readings have been forced into their own files. */
export async function dropOldReadings(db: PGlite): Promise<void> {
  await db.exec('drop table if exists probe_minute');
}

const hasTable = async (db: PGlite): Promise<boolean> => (await db.query("select 1 from pg_tables where tablename = 'probe_minute'")).rows.length > 0;
