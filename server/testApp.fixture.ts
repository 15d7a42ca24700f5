import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type EndpointId, endpoints } from '@/contract/endpoints';
import { draft, home, vessels, wool } from '@/core/plan/plan.fixture';
import { rowsInDb } from '@/store/archive/write';
import { FolderStore } from '@/store/folderStore';
import { freshDatabase } from '@/store/server/postgres.fixture';
import { ServerStore } from '@/store/server/serverStore';
import type { Store } from '@/store/store';
import { ROW_KINDS, type RowWrite } from '@/store/tables';
import type { App } from './app';
import { answer } from './door';
import { Doors } from './doors/doors';
import { doorsFolder } from './doors/keptDoors';
import type { Chance } from './doors/secrets';
import { HotRuns } from './hotRuns';
import { LiveFeed } from './live';
import { badRow } from './rowShapes';

/** The real application on a folder of its own, with a clock that a test sets. */
export interface TestApp {
  readonly app: App;
  readonly clock: { nowMs: number };
  /** Sends a request through the real door. */
  send(
    method: string,
    pathname: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; type: string; body: Record<string, unknown> }>;
  /** Sends to an endpoint and holds the answer against its own schema. */
  ask<T = Record<string, unknown>>(id: EndpointId, pathname: string, body?: unknown): Promise<T>;
  close(): Promise<void>;
}

const migrations = path.resolve('store/migrations');

/** In the folder; or on the server that `vitest.server.config.ts` starts, in a database of its own. */
async function storeIn(folder: string, nowMs: () => number, url: string | undefined): Promise<Store> {
  const server = process.env.TEST_POSTGRES;
  return server
    ? ServerStore.open({ url: url ?? (await freshDatabase(server)), folder, migrations, nowMs })
    : FolderStore.open({ folder, migrations, template: path.resolve('.cache/pg-template'), nowMs, boot: 'test' });
}

/** The same every time, so that examples stay as they are. */
function plainChance(): Chance {
  let made = 0;
  const next = () => `example-${++made}`;
  return { secret: next, share: () => 0.402_195, id: next };
}

/** @param url the database of another one, where they share it */
export async function testApp(nowMs: number, url?: string): Promise<TestApp> {
  const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-app-'));
  const clock = { nowMs };
  const store = await storeIn(folder, () => clock.nowMs, url);
  const app: App = {
    store,
    live: new LiveFeed(clock.nowMs, store.relay),
    hotRuns: new HotRuns(store.relay !== null),
    nowMs: () => clock.nowMs,
    doors: new Doors(doorsFolder(folder), () => clock.nowMs, plainChance()),
  };
  const send: TestApp['send'] = async (method, pathname, body, headers = { 'content-type': 'application/json' }) => {
    const init: RequestInit = { method, headers };
    if (body !== undefined) init.body = typeof body === 'string' ? body : JSON.stringify(body);
    const response = await answer(async () => app, new Request(`http://127.0.0.1/api/v1${pathname}`, init), false);
    return { status: response.status, type: response.headers.get('content-type') ?? '', body: (await response.json()) as Record<string, unknown> };
  };
  return {
    app,
    clock,
    send,
    ask: async <T>(id: EndpointId, pathname: string, body?: unknown) => {
      const answered = await send(endpoints[id].method, pathname, body);
      if (answered.status !== 200) throw new Error(`${id}: ${answered.status} ${JSON.stringify(answered.body)}`);
      endpoints[id].response.parse(answered.body);
      return answered.body as T;
    },
    close: async () => {
      await refuseUnfit(store);
      await store.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Whatever a test has stored can be saved and taken in again. */
async function refuseUnfit(store: Store): Promise<void> {
  const rows: RowWrite[] = [];
  for (const table of ROW_KINDS) for await (const page of rowsInDb(store.db)(table)) for (const row of page) rows.push({ table, row } as RowWrite);
  const bad = await badRow(rows);
  if (bad) throw new Error(`a saved file with this would be refused: ${bad.at}: ${bad.message}`);
}

/** The same with the kitchen of the plans' fixtures. */
export async function furnishedApp(nowMs: number, url?: string): Promise<TestApp> {
  const t = await testApp(nowMs, url);
  const first = await t.ask<{ revision: number }>('getHome', '/home');
  await t.ask('putHome', '/home', { ...home, revision: first.revision });
  for (const { revision: _r, ...vessel } of vessels) await t.ask('createVessel', '/vessels', vessel);
  return t;
}

/** With one lot too, and its session begun: `a`, `s`, `r` with its first event `r0`. */
export async function runningApp(nowMs: number, url?: string): Promise<TestApp> {
  const t = await furnishedApp(nowMs, url);
  const { createdAtMs: _c, revision: _v, from: _f, ended: _e, ...lot } = wool('a', 100);
  await t.ask('createLot', '/lots', lot);
  await t.ask('createSession', '/sessions', { id: 's', draft: draft(['a']) });
  await t.ask('startRun', '/sessions/s/runs', { id: 'r', eventId: 'r0', planVersion: 1 });
  return t;
}
