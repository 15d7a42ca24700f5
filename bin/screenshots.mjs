// One current picture of each main view, from the running demo, opened to the home network:
//   node bin/screenshots.mjs http://127.0.0.1:4123 http://192.168.1.5:4123
import path from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT, say } from './lib.mjs';

const base = process.argv[2] ?? 'http://127.0.0.1:4123';
/** Hyndle as a device of the home sees it; without it the page to join is left out. */
const home = process.argv[3];
const WIDE = { width: 1280, height: 800 };
const VIEWS = [
  ['now', '/', WIDE],
  ['sessions', '/sessions', WIDE],
  ['new-session', '/sessions/new', WIDE, (page) => page.getByRole('checkbox', { name: /Gotland lamb/ }).check()],
  ['warp', '/sessions/dock-jersey', WIDE, (page) => page.getByRole('button', { name: /^Mordant/ }).click()],
  ['stove', '/runs/run-birch', WIDE],
  ['stove-phone', '/runs/run-birch', { width: 390, height: 844 }],
  ['record', '/runs/run-weld/record', WIDE],
  ['fibre', '/fibre', WIDE],
  ['lot', '/fibre/gotland', WIDE],
  ['trial', '/swatches/trials/weld-afters', WIDE],
  ['shelf', '/shelf', WIDE, (page) => page.getByRole('button', { name: 'weld', exact: true }).click()],
  ['bath', '/shelf/baths/dock-pot', WIDE],
  ['home', '/shelf?tab=home', WIDE],
  ['methods', '/methods', WIDE],
  ['weigh-out', '/sessions/dock-jersey/weigh-out', WIDE, (page) => page.getByRole('button', { name: 'soda ash: ready' }).click()],
  ['swatches', '/swatches', WIDE],
  [
    'read-colour',
    '/fibre/gotland',
    WIDE,
    async (page) => {
      await page.getByRole('button', { name: 'Read a colour' }).first().click();
      const sheet = page.getByRole('dialog');
      await sheet.getByText('grey', { exact: true }).click();
      const picture = sheet.getByRole('img', { name: /^Picture/ });
      const { width, height } = await picture.boundingBox();
      await picture.click({ position: { x: width * 0.76, y: height * 0.52 } });
      await sheet.getByText('card', { exact: true }).click();
      await picture.click({ position: { x: width * 0.17, y: height * 0.21 } });
    },
  ],
  ...(home ? [['join-phone', `${home}/join`, { width: 390, height: 844 }]] : []),
  ['bench', '/bench?tool=ladder', WIDE],
];

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
for (const [name, url, viewport, prepare] of VIEWS) {
  const page = await browser.newPage({ viewport });
  await page.addInitScript(() => localStorage.setItem('hyndle.tour', 'closed'));
  await page.goto(url.startsWith('/') ? base + url : url);
  await page.locator('h1').waitFor();
  await prepare?.(page);
  await page.waitForTimeout(1500); // readings arrive, the preview is worked out, the drawer is open
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  say(name);
  await page.close();
}
await browser.close();
