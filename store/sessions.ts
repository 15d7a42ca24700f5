import type { Plan } from '@/core/plan/plan';
import { type Db, onceWritten, type Table } from './db';

export interface SessionRow {
  readonly id: string;
  readonly name: string;
  readonly createdAtMs: number;
}

export const sessionTable: Table<SessionRow, SessionRow> = {
  name: 'session',
  ...onceWritten((row) => row.id),
  put: async (db, row) => {
    await db.query(
      `insert into session (id, name, created_at_ms)
       values ($1, $2, $3)
       on conflict (id) do nothing`,
      [row.id, row.name, row.createdAtMs],
    );
  },
  all: async (db) =>
    (await db.query<{ id: string; name: string; created_at_ms: number }>('select id, name, created_at_ms from session order by id')).rows.map((row) => ({
      id: row.id,
      name: row.name,
      createdAtMs: Number(row.created_at_ms),
    })),
};

/** Plans are immutable: a version once written stays as it is. */
export const planTable: Table<Plan, Plan> = {
  name: 'plan',
  ...onceWritten((row) => `${row.sessionId}/${row.version}`),
  put: async (db, row) => {
    await db.query(
      `insert into plan (session_id, version, created_at_ms, lot_ids, body)
       values ($1, $2, $3, $4, $5)
       on conflict (session_id, version) do nothing`,
      [row.sessionId, row.version, row.createdAtMs, row.lots.map((lot) => lot.id), JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: Plan }>('select body from plan order by session_id, version')).rows.map((row) => row.body),
};

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
