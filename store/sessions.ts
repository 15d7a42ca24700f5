import type { Plan } from '@/core/plan/plan';
import type { Db } from './db';
import { rowTable } from './rowTable';

export interface SessionRow {
  readonly id: string;
  readonly name: string;
  readonly createdAtMs: number;
}

export const sessionTable = rowTable<SessionRow>({
  name: 'session',
  key: { id: (row) => row.id },
  columns: { name: (row) => row.name, created_at_ms: (row) => row.createdAtMs },
  body: null,
  fromRaw: (raw) => ({ id: String(raw.id), name: String(raw.name), createdAtMs: Number(raw.created_at_ms) }),
  once: true,
});

/** Plans are immutable: a version once written stays as it is. */
export const planTable = rowTable<Plan>({
  name: 'plan',
  key: { session_id: (row) => row.sessionId, version: (row) => row.version },
  columns: { created_at_ms: (row) => row.createdAtMs, lot_ids: (row) => row.lots.map((lot) => lot.id) },
  once: true,
});

/** Newest plan of every session, newest session first. */
export async function listLatestPlans(db: Db): Promise<Plan[]> {
  const { rows } = await db.query<{ body: Plan }>(
    `select plan.body
     from plan
     join (select session_id, max(version) as version from plan group by session_id) latest
       on latest.session_id = plan.session_id and latest.version = plan.version
     join session on session.id = plan.session_id
     order by session.created_at_ms desc, session.id`,
  );
  return rows.map((row) => row.body);
}

/** Of sessions that nobody started yet, and of those named: the newest plans. @param sessionIds whose runs are under way */
export async function listOpenPlans(db: Db, sessionIds: readonly string[]): Promise<Plan[]> {
  const { rows } = await db.query<{ body: Plan }>(
    `select plan.body
     from plan
     join (select session_id, max(version) as version from plan group by session_id) latest
       on latest.session_id = plan.session_id and latest.version = plan.version
     where plan.session_id = any($1) or not exists (select 1 from run where run.session_id = plan.session_id)
     order by plan.session_id`,
    [sessionIds],
  );
  return rows.map((row) => row.body);
}

export async function loadPlan(db: Db, sessionId: string, version?: number): Promise<Plan | null> {
  const { rows } = await db.query<{ body: Plan }>(
    `select body
     from plan
     where session_id = $1 and ($2::integer is null or version = $2)
     order by version desc
     limit 1`,
    [sessionId, version ?? null],
  );
  return rows[0]?.body ?? null;
}

export async function listVersions(db: Db, sessionId: string): Promise<{ version: number; reason: string; createdAtMs: number }[]> {
  const { rows } = await db.query<{ version: number; reason: string; created_at_ms: number }>(
    `select version, body ->> 'reason' as reason, created_at_ms
     from plan
     where session_id = $1
     order by version`,
    [sessionId],
  );
  return rows.map((row) => ({ version: row.version, reason: row.reason, createdAtMs: Number(row.created_at_ms) }));
}

/** Sessions that any of these lots is or was planned in, by their newest names. */
export async function sessionsWithLots(db: Db, lotIds: readonly string[]): Promise<{ id: string; name: string }[]> {
  const { rows } = await db.query<{ id: string; name: string }>(
    `select distinct on (session_id) session_id as id, body ->> 'name' as name
     from plan
     where lot_ids && $1
     order by session_id, version desc`,
    [lotIds],
  );
  return rows;
}
