import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { report } from './report';
import { type Served, serve } from './serve';

let served: Served;
beforeAll(async () => {
  served = await serve(4199, false);
});
afterAll(() => served.stop());

/** Gzipped bytes of every script that a page’s first HTML names. */
async function scriptBytes(pathname: string): Promise<number> {
  const html = await (await fetch(`${served.base}${pathname}`)).text();
  // Scripts marked `nomodule` are for browsers that know no modules; no other one loads them.
  const tags = [...html.matchAll(/<script[^>]*>/g)].map(([tag]) => tag).filter((tag) => !/nomodule/i.test(tag));
  const sources = new Set(tags.map((tag) => /src="([^"]+\.js[^"]*)"/.exec(tag)?.[1]).filter((source) => source !== undefined));
  let bytes = 0;
  for (const source of sources) bytes += gzipSync(await (await fetch(`${served.base}${source}`)).text()).length;
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
