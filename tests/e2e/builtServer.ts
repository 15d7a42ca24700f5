import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
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
export async function startBuilt(port: number, data: string): Promise<BuiltServer> {
  let said = '';
  const child = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
    env: {
      ...process.env,
      TZ: process.env.ZONE ?? 'Europe/Berlin',
      NEXT_MANUAL_SIG_HANDLE: 'true',
      HYNDLE_DATA: data,
      HYNDLE_DEMO: '',
      HYNDLE_TEMPLATE: path.resolve('.cache/pg-template.tar'),
      PORT: String(port),
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
export function emptyServer(port: number): string {
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-walk-'));
  let server: BuiltServer | null = null;
  test.beforeAll(async () => {
    server = await startBuilt(port, data);
  });
  test.afterAll(async () => {
    server?.process.kill('SIGTERM');
    await server?.gone;
    rmSync(data, { recursive: true, force: true, maxRetries: 5 });
  });
  return `http://127.0.0.1:${port}`;
}
