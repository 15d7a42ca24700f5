import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { report } from './report';

const PORT = 4199;
const BASE = `http://127.0.0.1:${PORT}`;
const data = mkdtempSync(path.join(tmpdir(), 'hyndle-bench-'));
let server: ChildProcess;

beforeAll(async () => {
  server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_MANUAL_SIG_HANDLE: 'true',
      HYNDLE_DATA: data,
      HYNDLE_DEMO: '',
      HYNDLE_TEMPLATE: path.resolve('.cache/pg-template.tar'),
      PORT: String(PORT),
    },
    stdio: 'ignore',
  });
  for (let i = 0; i < 400; i++) {
    if (
      await fetch(`${BASE}/api/v1/health`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
});
afterAll(() => {
  server.kill('SIGTERM');
  setTimeout(() => rmSync(data, { recursive: true, force: true }), 500);
});

/** Gzipped bytes of every script that a page’s first HTML names. */
async function scriptBytes(pathname: string): Promise<number> {
  const html = await (await fetch(`${BASE}${pathname}`)).text();
  const sources = new Set([...html.matchAll(/<script[^>]+src="([^"]+\.js[^"]*)"/g)].map(([, source]) => source ?? ''));
  let bytes = 0;
  for (const source of sources) bytes += gzipSync(await (await fetch(`${BASE}${source}`)).text()).length;
  return bytes;
}

test('first load of Now', async () => {
  // The page for an unknown address: the same layout, theme and rail, with nothing in it.
  const [now, empty] = [await scriptBytes('/'), await scriptBytes('/nothing-here')];
  expect(empty).toBeGreaterThan(50_000);
  report(
    'script of Now',
    now / empty,
    '× an empty page under the same provider',
    1.5,
    `${Math.round(now / 1024)} kB against ${Math.round(empty / 1024)} kB, gzip`,
  );
  report('script of the stove', (await scriptBytes('/runs/x')) / empty, '× an empty page', 1.5, 'gzip');
});
