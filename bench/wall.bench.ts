import { type Browser, chromium, type Page } from '@playwright/test';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { seededChance } from '@/core/chance';
import { middle, report } from './report';
import { type Served, serve } from './serve';

/** The wall with 5,000 results, and a picture of 24 megapixels read on the page. */

const [WHOLES, PARTS] = [125, 40];
const AT_ONCE = 8;
const VISITS = 5;
let served: Served;
let browser: Browser;

async function send(pathname: string, body: unknown): Promise<void> {
  const answer = await fetch(`${served.base}/api/v1${pathname}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${pathname}: ${answer.status} ${await answer.text()}`);
}

async function eachOf<T>(all: readonly T[], does: (one: T) => Promise<void>): Promise<void> {
  const open = [...all];
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let one = open.pop(); one !== undefined; one = open.pop()) await does(one);
    }),
  );
}

beforeAll(async () => {
  served = await serve(4196, false);
  browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
  const weighed = (value: number) => ({ state: 'measured', value });
  const chance = seededChance(5);
  await eachOf(
    Array.from({ length: WHOLES }, (_, i) => i),
    async (i) => {
      const lot = { form: 'skein', composition: [{ fibre: 'wool', pct: 100 }], finishes: [], pieces: 1, baseHex: null, note: '' };
      await send('/lots', { ...lot, id: `w${i}`, name: `Skein ${i}`, dryWeightG: weighed(400) });
      const parts = Array.from({ length: PARTS }, (_, k) => ({ id: `w${i}-${k}`, name: `Sample ${i}.${k}`, dryWeightG: weighed(10), pieces: 1, note: '' }));
      await send(`/lots/w${i}/split`, { revision: 1, parts });
    },
  );
  const lots = Array.from({ length: WHOLES * PARTS }, (_, i) => `w${Math.floor(i / PARTS)}-${i % PARTS}`);
  await eachOf(lots, (lotId) => {
    const lab = { l: 25 + 65 * chance(), a: 60 * (chance() - 0.3), b: 80 * (chance() - 0.2) };
    const look = { part: null, liquorId: null, at: null, state: 'dry', light: 'daylight', pictures: [], verdict: {}, note: '' };
    return send('/looks', { ...look, id: `look-${lotId}`, lotIds: [lotId], colour: { lab, by: { kind: 'typed' } } });
  });
}, 600_000);
afterAll(async () => {
  await browser.close();
  served.stop();
});

/** A fresh visit of a browser that has nothing of it yet. @returns the page, and when its first row stood there, ms after it was asked for */
async function visit(): Promise<{ page: Page; firstMs: number }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(() => {
    localStorage.setItem('hyndle.tour', 'closed');
    const tasks: number[][] = [];
    Object.assign(window, { tasks });
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map((entry) => [entry.startTime, entry.duration]))).observe({
      type: 'longtask',
      buffered: true,
    });
    const watch = new MutationObserver(() => {
      if (document.querySelector('article')) {
        Object.assign(window, { firstMs: performance.now() });
        watch.disconnect();
      }
    });
    watch.observe(document, { childList: true, subtree: true });
  });
  await page.goto(`${served.base}/swatches`);
  await page.getByText('5000 results').waitFor();
  await page.waitForTimeout(3000);
  return { page, firstMs: await page.evaluate(() => (window as unknown as { firstMs: number }).firstMs) };
}

/** When a page with nothing in it paints first, ms after it was asked for. */
async function emptyVisit(): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${served.base}/nothing-here`);
  await page.waitForTimeout(1000);
  const ms = await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN);
  await context.close();
  return ms;
}

test('the wall with 5,000 results', async () => {
  // The server has shown the page before: its own code is read once after a start.
  await (await fetch(`${served.base}/swatches`)).text();
  const [firstsMs, emptiesMs]: [number[], number[]] = [[], []];
  for (let i = 1; i < VISITS; i++) {
    emptiesMs.push(await emptyVisit());
    const { page, firstMs } = await visit();
    firstsMs.push(firstMs);
    await page.context().close();
  }
  const { page, firstMs: lastMs } = await visit();
  firstsMs.push(lastMs);
  report(
    'the wall with 5,000 results: first rows, median of five visits',
    middle(firstsMs),
    'ms of 300',
    300,
    `${firstsMs.map(Math.round).join(', ')} ms; an empty page paints at ${Math.round(middle(emptiesMs))} ms`,
  );
  const from = await page.evaluate(() => performance.now());
  await page.mouse.move(640, 500);
  for (let i = 0; i < 60; i++) {
    await page.mouse.wheel(0, 600);
    await page.waitForTimeout(50);
  }
  const longest = await page.evaluate(
    (start) => Math.max(0, ...(window as unknown as { tasks: number[][] }).tasks.filter(([at = 0]) => at > start).map(([, ms = 0]) => ms)),
    from,
  );
  report(
    'the wall with 5,000 results: longest task while scrolling',
    longest,
    'ms of 50',
    50,
    'sixty turns of the wheel; a browser tells of tasks over 50 ms only',
  );
  expect(await page.getByRole('article').count()).toBeLessThan(200);
  await page.context().close();
}, 120_000);

test('a picture of 24 megapixels is opened and a patch of it read, off the page', async () => {
  const jpeg = await sharp({ create: { width: 6000, height: 4000, channels: 3, background: '#b08d3a', noise: { type: 'gaussian', mean: 128, sigma: 30 } } })
    .jpeg({ quality: 90 })
    .toBuffer();
  const page = await browser.newPage();
  await page.goto(`${served.base}/swatches/trials`);
  await page.route('**/big.jpg', (route) => route.fulfill({ body: jpeg, contentType: 'image/jpeg' }));
  const [decodeMs, readMs] = await page.evaluate(async () => {
    const bytes = await (await fetch('/big.jpg')).blob();
    const from = performance.now();
    const bitmap = await createImageBitmap(bytes);
    const opened = performance.now();
    const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', { willReadFrequently: true });
    context?.drawImage(bitmap, 0, 0);
    context?.getImageData(2600, 1600, 750, 750);
    return [opened - from, performance.now() - opened];
  });
  report('24 megapixels opened and a patch taken out', (decodeMs ?? 0) + (readMs ?? 0), 'ms of 1000', 1000, `decoded in ${Math.round(decodeMs ?? 0)} ms`);
  await page.close();
}, 120_000);
