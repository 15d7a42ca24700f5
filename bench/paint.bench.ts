import { type Browser, chromium } from '@playwright/test';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { middle, report } from './report';
import { type Served, serve } from './serve';

const PAGES: readonly (readonly [string, string])[] = [
  ['Now', '/'],
  ['the stove', '/runs/run-birch'],
  ['the warp', '/sessions/dock-jersey'],
  ['the record', '/runs/run-weld/record'],
  ['fibre', '/fibre'],
];
const ROUNDS = 5;

interface Paint {
  readonly firstMs: number;
  readonly largestMs: number;
  /** Sum of layout shifts, as the Layout Instability draft of the W3C counts them. */
  readonly shift: number;
  readonly longestFirstSecondMs: number;
  readonly longestLaterMs: number;
}
declare global {
  interface Window {
    seen: { largestMs: number; shift: number; tasks: { startMs: number; ms: number }[] };
  }
}

let served: Served;
let browser: Browser;
beforeAll(async () => {
  served = await serve(4198, true);
  browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
});
afterAll(async () => {
  await browser.close();
  served.stop();
});

/** One fresh visit at 1280×800, watched for three seconds. */
async function visit(pathname: string): Promise<Paint> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(() => {
    localStorage.setItem('hyndle.tour', 'closed');
    const seen: Window['seen'] = { largestMs: 0, shift: 0, tasks: [] };
    window.seen = seen;
    const watch = (type: string, take: (entry: PerformanceEntry & { value?: number; hadRecentInput?: boolean }) => void) =>
      new PerformanceObserver((list) => list.getEntries().forEach(take)).observe({ type, buffered: true });
    watch('largest-contentful-paint', (entry) => {
      seen.largestMs = entry.startTime;
    });
    watch('layout-shift', (entry) => {
      if (!entry.hadRecentInput) seen.shift += entry.value ?? 0;
    });
    watch('longtask', (entry) => seen.tasks.push({ startMs: entry.startTime, ms: entry.duration }));
  });
  await page.goto(served.base + pathname);
  await page.waitForTimeout(3000);
  const paint = await page.evaluate(() => {
    const { seen } = window;
    const longest = (later: boolean) => Math.max(0, ...seen.tasks.filter((task) => task.startMs > 1000 === later).map((task) => task.ms));
    const firstMs = performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN;
    return { firstMs, largestMs: seen.largestMs, shift: seen.shift, longestFirstSecondMs: longest(false), longestLaterMs: longest(true) };
  });
  await context.close();
  return paint;
}

/** The middle of some visits, figure by figure. */
async function visits(pathname: string): Promise<Paint> {
  const all: Paint[] = [];
  for (let i = 0; i < ROUNDS; i++) all.push(await visit(pathname));
  const of = (take: (paint: Paint) => number) => middle(all.map(take));
  return {
    firstMs: of((one) => one.firstMs),
    largestMs: of((one) => one.largestMs),
    shift: of((one) => one.shift),
    longestFirstSecondMs: of((one) => one.longestFirstSecondMs),
    longestLaterMs: of((one) => one.longestLaterMs),
  };
}

test('paint, shifts and long tasks of the main pages', async () => {
  // The page for an unknown address: the same layout, theme and rail, with nothing in it. A browser tells only of tasks over 50 ms.
  const empty = await visits('/nothing-here');
  expect(empty.firstMs).toBeGreaterThan(0);
  const emptyTaskMs = Math.max(50, empty.longestFirstSecondMs);
  for (const [name, pathname] of PAGES) {
    const paint = await visits(pathname);
    expect(paint.largestMs, name).toBeGreaterThan(0);
    report(`largest paint of ${name}`, paint.largestMs / paint.firstMs, '× its first paint', 1.3, `${Math.round(paint.largestMs)} ms`);
    report(`layout shift of ${name}`, paint.shift, 'of the page', 0.01, 'sum over 3 s');
    report(
      `longest task of ${name}, first second`,
      paint.longestFirstSecondMs / emptyTaskMs,
      '× that of an empty page',
      100 / emptyTaskMs,
      `${Math.round(paint.longestFirstSecondMs)} of 100 ms; the empty page ${Math.round(empty.longestFirstSecondMs)} ms`,
    );
    report(
      `longest task of ${name}, later`,
      paint.longestLaterMs / emptyTaskMs,
      '× that of an empty page',
      50 / emptyTaskMs,
      `${Math.round(paint.longestLaterMs)} of 50 ms`,
    );
  }
});
