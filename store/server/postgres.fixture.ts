import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pg from 'pg';

/** A PostgreSQL server of the test's own, on a folder and a port of its own. */
export interface Postgres {
  /** A new, empty database. @returns its address */
  fresh(): Promise<string>;
  /** Ends every connection, as a server does that is restarted. */
  stop(): Promise<void>;
  start(): Promise<void>;
  end(): Promise<void>;
}

/** Where Debian's packages put the server; null when there is none. */
export function postgresBin(): string | null {
  const home = '/usr/lib/postgresql';
  const versions = existsSync(home) ? readdirSync(home).sort((a, b) => Number(b) - Number(a)) : [];
  return versions.map((version) => path.join(home, version, 'bin')).find((bin) => existsSync(path.join(bin, 'initdb'))) ?? null;
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** The server refuses to run as root: then it runs as the user its package made. */
function asUser(): { uid: number; gid: number } | null {
  if (process.getuid?.() !== 0) return null;
  const id = (flag: string) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

async function ask(url: string, sql: string): Promise<void> {
  const client = new pg.Client(url);
  await client.connect();
  try {
    await client.query(sql);
  } finally {
    await client.end();
  }
}

/** A new, empty database on the server of this address. @returns its address */
export async function freshDatabase(url: string): Promise<string> {
  const name = `kitchen_${randomUUID().replaceAll('-', '')}`;
  await ask(url, `create database ${name}`);
  return Object.assign(new URL(url), { pathname: `/${name}` }).href;
}

export async function startPostgres(bin: string): Promise<Postgres> {
  const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-postgres-'));
  const user = asUser();
  if (user) chownSync(folder, user.uid, user.gid);
  const data = path.join(folder, 'data');
  const made = spawnSync(path.join(bin, 'initdb'), ['-D', data, '-U', 'dyer', '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8', '--no-sync'], {
    ...user,
    encoding: 'utf8',
  });
  if (made.status !== 0) throw new Error(`initdb: ${made.stderr}`);
  const port = await freePort();
  const urlOf = (name: string) => `postgres://dyer@127.0.0.1:${port}/${name}`;
  let child: ChildProcess | null = null;
  const start = async (): Promise<void> => {
    child = spawn(path.join(bin, 'postgres'), ['-D', data, '-h', '127.0.0.1', '-p', String(port), '-k', folder], { ...user, stdio: 'ignore' });
    for (let tries = 0; ; tries++) {
      try {
        return await ask(urlOf('postgres'), 'select 1');
      } catch (error) {
        if (tries === 100) throw error;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    }
  };
  const stop = (): Promise<void> =>
    new Promise((resolve) => {
      if (!child) return resolve();
      child.once('exit', () => resolve());
      // Fast shutdown: whoever is connected is cut off.
      child.kill('SIGINT');
      child = null;
    });
  await start();
  return {
    fresh: () => freshDatabase(urlOf('postgres')),
    start,
    stop,
    end: async () => {
      await stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
