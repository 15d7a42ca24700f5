import pg from 'pg';
import type { Db } from '../db';

/** The server answers on these within a moment, or counts as gone. */
const CONNECT_MS = 5000;
/** A Hyndle that fell silent in the middle of an act lets go of what it held after this. */
const IDLE_MS = 60_000;
/** Nobody waits longer for what another Hyndle holds. */
const LOCK_MS = 20_000;
/**
 * More at once than a kitchen has hands and screens: acts, which may wait for each other, and looks. Both wait for their turn before they
 * ask for a connection, so that a connection that does not come means a server that does not answer.
 */
export const ACTS_AT_ONCE = 4;
export const LOOKS_AT_ONCE = 6;

/** Whole numbers come as numbers, as they do from the embedded database. */
const types: pg.CustomTypesConfig = {
  getTypeParser: (oid: number, format?: 'text' | 'binary') =>
    oid === pg.types.builtins.INT8 ? Number : (pg.types.getTypeParser as (oid: number, format?: string) => (text: string) => unknown)(oid, format),
};

const settings = (url: string): pg.ClientConfig => ({
  connectionString: url,
  connectionTimeoutMillis: CONNECT_MS,
  keepAlive: true,
  idle_in_transaction_session_timeout: IDLE_MS,
  lock_timeout: LOCK_MS,
  types,
  application_name: 'hyndle',
});

export function poolOf(url: string, onLost: (error: Error) => void): pg.Pool {
  const pool = new pg.Pool({ ...settings(url), max: ACTS_AT_ONCE + LOOKS_AT_ONCE });
  // Without a listener a connection that breaks while nobody uses it ends the process.
  pool.on('error', onLost);
  return pool;
}

export const clientOf = (url: string): pg.Client => new pg.Client(settings(url));

export const dbOf = (client: pg.Pool | pg.ClientBase): Db => ({
  query: async <Row>(sql: string, params?: unknown[]) => ({ rows: (await client.query(sql, params)).rows as Row[] }),
});

/** Whether the server is gone or going, rather than refusing what was asked: classes 08 and 57P of the SQL standard's states, and broken connections. */
export function isGone(error: unknown): boolean {
  const { code, message = '' } = (error ?? {}) as { code?: unknown; message?: string };
  if (typeof code === 'string' && /^(?:08|57P|ECONN|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ENOTFOUND|EAI_AGAIN|ENOENT)/.test(code)) return true;
  return /^(?:Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Client was closed|Connection ended)/i.test(
    message,
  );
}

/** Why the server stores nothing now, in one sentence; null for an error that is no fault of the server. */
export function serverTrouble(error: unknown): string | null {
  if (isGone(error)) return 'The database server does not answer: nothing can be logged until it does. What was logged before is safe there.';
  const { code } = (error ?? {}) as { code?: unknown };
  switch (code) {
    case '53100':
      return 'The disk of the database server is full: nothing can be logged until there is room. What was logged before is safe.';
    case '53300':
      return 'The database server has too many connections: close other programs on it, then try again.';
    case '55P03':
      return 'Another Hyndle holds what this is about for long: try again in a moment. Nothing was stored.';
    case '25P03':
      return 'This took too long and was given up: nothing was stored. Try again.';
    case '25006':
      return 'The database server lets nothing be written now: nothing can be logged until it does. What was logged before is safe.';
    case '28000':
    case '28P01':
    case '3D000':
    case '42501':
      return `The database server refuses: ${(error as Error).message}. Look at user, password and name in DATABASE_URL.`;
    default:
      return null;
  }
}
