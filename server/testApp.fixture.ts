import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type EndpointId, endpoints } from '@/contract/endpoints';
import { Store } from '@/store/store';
import type { App } from './app';
import { answer } from './door';
import { HotRuns } from './hotRuns';
import { LiveFeed } from './live';

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

export async function testApp(nowMs: number): Promise<TestApp> {
  const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-app-'));
  const clock = { nowMs };
  const store = await Store.open({
    folder,
    migrations: path.resolve('store/migrations'),
    template: path.resolve('.cache/pg-template.tar'),
    nowMs: () => clock.nowMs,
  });
  const app: App = { store, live: new LiveFeed(clock.nowMs), hotRuns: new HotRuns(), nowMs: () => clock.nowMs };
  const send: TestApp['send'] = async (method, pathname, body, headers = { 'content-type': 'application/json' }) => {
    const init: RequestInit = { method, headers };
    if (body !== undefined) init.body = typeof body === 'string' ? body : JSON.stringify(body);
    const response = await answer(async () => app, new Request(`http://127.0.0.1/api/v1${pathname}`, init), pathname.split('?')[0] ?? '', false);
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
      await store.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
