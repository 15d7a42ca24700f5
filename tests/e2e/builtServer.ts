import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { test } from '@playwright/test';

const TRIES = 1200;

/** The built server itself, with nothing between it and a signal, on a port and a data folder of its own. */
export interface BuiltServer {
  readonly process: ChildProcess;
  /** All that it has said. */
  said(): string;
  /** Resolves when it has ended, whatever ended it. */
  readonly gone: Promise<void>;
}

/** Starts it and waits until it answers; an error with what it said when it does not. */
export async function startBuilt(port: number, data: string, env: Readonly<Record<string, string>> = {}): Promise<BuiltServer> {
  let said = '';
  const child = spawn(process.execPath, ['bin/server.mjs', String(port)], {
    env: {
      ...process.env,
      TZ: process.env.ZONE ?? 'Europe/Berlin',
      NEXT_MANUAL_SIG_HANDLE: 'true',
      HYNDLE_DATA: data,
      HYNDLE_DEMO: '',
      HYNDLE_TEMPLATE: path.resolve('.cache/pg-template'),
      PORT: String(port),
      ...env,
    },
  });
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (chunk: Buffer) => {
      said += chunk.toString();
    });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  for (let i = 0; i < TRIES; i++) {
    const up = await fetch(`http://127.0.0.1:${port}/api/v1/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) return { process: child, said: () => said, gone };
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}: ${said}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  child.kill('SIGKILL');
  throw new Error(`the server did not come up: ${said}`);
}

/** A server of its own on an empty folder, for all tests of a file. @returns its address */
export function emptyServer(port: number, env: Readonly<Record<string, string>> = {}): string {
  return serverWithClock(port, env).base;
}

/** The same with a clock that can be sent ahead. */
export function serverWithClock(
  port: number,
  env: Readonly<Record<string, string>> = {},
): { base: string; data: string; said: () => string; pass: (min: number) => Promise<void> } {
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-walk-'));
  const clockFile = `${data}.clock`;
  let server: BuiltServer | null = null;
  let aheadMs = 0;
  test.beforeAll(async () => {
    server = await startBuilt(port, data, { CLOCK_FILE: clockFile, NODE_OPTIONS: `--import ${pathToFileURL('tests/e2e/clock.mjs').href}`, ...env });
  });
  test.afterAll(async () => {
    server?.process.kill('SIGTERM');
    await server?.gone;
    rmSync(data, { recursive: true, force: true, maxRetries: 5 });
    rmSync(clockFile, { force: true });
  });
  const base = `http://127.0.0.1:${port}`;
  const serverMs = async () => ((await (await fetch(`${base}/api/v1/time`)).json()) as { nowMs: number }).nowMs;
  return {
    base,
    data,
    said: () => server?.said() ?? '',
    pass: async (min) => {
      const until = (await serverMs()) + min * 60_000;
      aheadMs += min * 60_000;
      writeFileSync(clockFile, String(aheadMs));
      while ((await serverMs()) < until) await new Promise((resolve) => setTimeout(resolve, 20));
    },
  };
}
