import type { Plan } from '@/core/plan/plan';
import type { RunEvent } from '@/core/run/events';
import type { PlantForm } from '@/core/shelf/dyestuff';
import type { Db } from './db';
import { rowTable } from './rowTable';

export interface RunRow {
  readonly id: string;
  readonly sessionId: string;
  readonly createdAtMs: number;
}

export const runTable = rowTable<RunRow>({
  name: 'run',
  key: { id: (row) => row.id },
  columns: { session_id: (row) => row.sessionId, created_at_ms: (row) => row.createdAtMs },
  body: null,
  fromRaw: (raw) => toRun(raw as unknown as RawRun),
  once: true,
});

export interface RawRun {
  id: string;
  session_id: string;
  created_at_ms: number;
}
export const toRun = (row: RawRun): RunRow => ({ id: row.id, sessionId: row.session_id, createdAtMs: Number(row.created_at_ms) });

export interface RunEventRow {
  readonly runId: string;
  readonly event: RunEvent;
}

export const runEventTable = rowTable<RunEventRow>({
  name: 'run_event',
  key: { id: (row) => row.event.id },
  columns: { run_id: (row) => row.runId, at_ms: (row) => row.event.atMs, recorded_at_ms: (row) => row.event.recordedAtMs },
  body: (row) => row.event,
  fromRaw: (raw) => ({ runId: String(raw.run_id), event: raw.body as RunEvent }),
  once: true,
});

export async function loadRun(db: Db, id: string): Promise<RunRow | null> {
  const { rows } = await db.query<RawRun>('select id, session_id, created_at_ms from run where id = $1', [id]);
  return rows[0] ? toRun(rows[0]) : null;
}

export async function listRuns(db: Db): Promise<RunRow[]> {
  const { rows } = await db.query<RawRun>('select id, session_id, created_at_ms from run order by created_at_ms desc, id');
  return rows.map(toRun);
}

/** The newest ones, with how long their logs are. @param most 1 or more */
export async function newestRuns(db: Db, most: number): Promise<{ id: string; events: number }[]> {
  const { rows } = await db.query<{ id: string; events: number }>(
    `select newest.id, (select count(*) from run_event where run_event.run_id = newest.id)::int as events
     from (select id, created_at_ms from run order by created_at_ms desc, id limit $1) newest
     order by newest.created_at_ms desc, newest.id`,
    [most],
  );
  return rows;
}

/** Runs that may be under way: none finished, or finished and that taken back. */
export async function listOpenRuns(db: Db): Promise<RunRow[]> {
  const { rows } = await db.query<RawRun>(
    `select id, session_id, created_at_ms
     from run
     where not exists (
       select 1
       from run_event finished
       where finished.run_id = run.id
         and finished.body ->> 'type' = 'finished'
         and not exists (
           select 1
           from run_event amended
           where amended.run_id = run.id and amended.body ->> 'type' = 'amended' and amended.body ->> 'targetId' = finished.id
         )
     )
     order by created_at_ms desc, id`,
  );
  return rows.map(toRun);
}

export async function runOfSession(db: Db, sessionId: string): Promise<RunRow | null> {
  const { rows } = await db.query<RawRun>('select id, session_id, created_at_ms from run where session_id = $1', [sessionId]);
  return rows[0] ? toRun(rows[0]) : null;
}

export async function loadEvents(db: Db, runId: string): Promise<RunEvent[]> {
  const { rows } = await db.query<{ body: RunEvent }>('select body from run_event where run_id = $1 order by at_ms, recorded_at_ms, id', [runId]);
  return rows.map((row) => row.body);
}

export async function countEvents(db: Db, runId: string): Promise<number> {
  const { rows } = await db.query<{ count: number }>('select count(*) as count from run_event where run_id = $1', [runId]);
  return Number(rows[0]?.count ?? 0);
}

/** The event with this id, whichever run it is in. */
export async function findEvent(db: Db, id: string): Promise<RunEventRow | null> {
  const { rows } = await db.query<{ run_id: string; body: RunEvent }>('select run_id, body from run_event where id = $1', [id]);
  return rows[0] ? { runId: rows[0].run_id, event: rows[0].body } : null;
}

export async function eventsOfRuns(db: Db, runIds: readonly string[]): Promise<Map<string, RunEvent[]>> {
  const { rows } = await db.query<{ run_id: string; body: RunEvent }>(
    'select run_id, body from run_event where run_id = any($1) order by at_ms, recorded_at_ms, id',
    [runIds],
  );
  const byRun = new Map<string, RunEvent[]>(runIds.map((id) => [id, []]));
  for (const row of rows) byRun.get(row.run_id)?.push(row.body);
  return byRun;
}

/** Runs whose session has any of these lots in a plan, with all plan versions of those sessions. */
export async function runsWithLots(db: Db, lotIds: readonly string[]): Promise<{ runs: RunRow[]; plans: Plan[] }> {
  const runs = await db.query<RawRun>(
    `select id, session_id, created_at_ms
     from run
     where session_id in (select session_id from plan where lot_ids && $1)`,
    [lotIds],
  );
  const plans = await db.query<{ body: Plan }>(
    `select body
     from plan
     where session_id in (select session_id from plan where lot_ids && $1)`,
    [lotIds],
  );
  return { runs: runs.rows.map(toRun), plans: plans.rows.map((row) => row.body) };
}

/** Additions of all runs, with what amends them: for the shelf, which sums up what was used. */
export async function loadAdditions(db: Db): Promise<Map<string, RunEvent[]>> {
  const { rows } = await db.query<{ run_id: string; body: RunEvent }>(
    `select run_id, body
     from run_event
     where body ->> 'type' in ('addition', 'amended')
     order by at_ms, recorded_at_ms, id`,
  );
  const byRun = new Map<string, RunEvent[]>();
  for (const row of rows) byRun.set(row.run_id, [...(byRun.get(row.run_id) ?? []), row.body]);
  return byRun;
}

/** In which form each planned addition of a dyestuff is wanted, by "run/step/addition": for the shelf, where dried is not fresh. */
export async function plannedForms(db: Db): Promise<Map<string, PlantForm>> {
  const { rows } = await db.query<{ key: string; form: PlantForm }>(
    `select run.id || '/' || (step.value ->> 'id') || '/' || (addition.value ->> 'id') as key, addition.value ->> 'form' as form
     from run
     join plan on plan.session_id = run.session_id
     cross join lateral jsonb_array_elements(plan.body -> 'steps') as step (value)
     cross join lateral jsonb_array_elements(step.value -> 'additions') as addition (value)
     where addition.value ->> 'form' is not null
     order by plan.version`,
  );
  return new Map(rows.map((row) => [row.key, row.form]));
}

/** These runs with all plan versions of their sessions. */
export async function plansOfRuns(db: Db, runIds: readonly string[]): Promise<{ runs: RunRow[]; plans: Plan[] }> {
  const runs = await db.query<RawRun>('select id, session_id, created_at_ms from run where id = any($1)', [runIds]);
  const plans = await db.query<{ body: Plan }>('select body from plan where session_id in (select session_id from run where id = any($1))', [runIds]);
  return { runs: runs.rows.map(toRun), plans: plans.rows.map((row) => row.body) };
}
