import { readFileSync } from 'node:fs';
import path from 'node:path';
import type pg from 'pg';
import { STEPS_TABLE, stepsDue } from '../migrations';
import { NotStored } from '../store';

/** Any number, the same for every Hyndle: only one at a time takes a database's steps. */
const STEPS_LOCK = 7_041_993;

/** Brings a server's database up to date, whoever else starts at the same time. @throws NewerData @throws NotStored for one that cannot hold all letters */
export async function migrateServer(pool: pg.Pool, migrations: string): Promise<{ seq: number; databaseId: string }> {
  const client = await pool.connect();
  try {
    const encoding = (await client.query<{ server_encoding: string }>('show server_encoding')).rows[0]?.server_encoding;
    if (encoding !== 'UTF8')
      throw new NotStored(`The database on the server is kept in ${encoding}, which lacks letters. Make one in UTF8 and name it in DATABASE_URL.`);
    await client.query('begin');
    await client.query('select pg_advisory_xact_lock($1)', [STEPS_LOCK]);
    await client.query(STEPS_TABLE);
    const done = new Set((await client.query<{ name: string }>('select name from migration')).rows.map((row) => row.name));
    const isNew = done.size === 0;
    for (const { name, sql } of stepsDue(migrations, done, 'This database')) {
      await client.query(sql);
      await client.query('insert into migration (name) values ($1)', [name]);
    }
    if (isNew) await client.query(readFileSync(path.join(migrations, '..', 'server', 'server.sql'), 'utf8'));
    const { rows } = await client.query<{ seq: number; database_id: string }>('select seq, database_id from act');
    if (!rows[0]) throw new Error('the database has lost its row of acts');
    await client.query('commit');
    return { seq: rows[0].seq, databaseId: rows[0].database_id };
  } catch (error) {
    await client.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    client.release();
  }
}
