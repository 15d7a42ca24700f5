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
  // Scripts marked `nomodule` are for browsers that know no modules; no other one loads them.
  const tags = [...html.matchAll(/<script[^>]*>/g)].map(([tag]) => tag).filter((tag) => !/nomodule/i.test(tag));
  const sources = new Set(tags.map((tag) => /src="([^"]+\.js[^"]*)"/.exec(tag)?.[1]).filter((source) => source !== undefined));
  let bytes = 0;
  for (const source of sources) bytes += gzipSync(await (await fetch(`${BASE}${source}`)).text()).length;
  return bytes;
}

/** Kilobytes (of 1000 bytes, gzip) that a page may ask for at first, by its address. */
const PAGES: readonly (readonly [string, string, number])[] = [
  ['Now', '/', 300],
  ['the stove', '/runs/x', 300],
  ['sessions', '/sessions', 450],
  ['a new session', '/sessions/new', 450],
  ['fibre', '/fibre', 450],
  ['the shelf', '/shelf', 450],
  ['methods', '/methods', 450],
  ['the bench', '/bench', 450],
];

test('first load of every main page', async () => {
  // The page for an unknown address: the same layout, theme and rail, with nothing in it.
  const empty = await scriptBytes('/nothing-here');
  expect(empty).toBeGreaterThan(50_000);
  for (const [name, pathname, limitKb] of PAGES) {
    const bytes = await scriptBytes(pathname);
    report(`script of ${name}`, bytes / empty, '× an empty page', (limitKb * 1000) / empty, `${Math.round(bytes / 1000)} of ${limitKb} kB, gzip`);
  }
});
