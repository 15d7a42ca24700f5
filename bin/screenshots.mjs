// One current picture of each main view, from the running demo: node bin/screenshots.mjs http://127.0.0.1:4123
import path from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT, say } from './lib.mjs';

const base = process.argv[2] ?? 'http://127.0.0.1:4123';
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
  ['labels', '/fibre/labels?ids=gotland,ribbon,skein-a,skein-b,skein-c', WIDE],
  ['shelf', '/shelf', WIDE, (page) => page.getByRole('button', { name: 'weld', exact: true }).click()],
  ['home', '/shelf?tab=home', WIDE],
  ['methods', '/methods', WIDE],
  ['method', '/methods/alum-16', WIDE],
  ['questions', '/sessions/hollyhock-jar/change', WIDE],
  ['weigh-out', '/sessions/dock-jersey/weigh-out', WIDE, (page) => page.getByRole('button', { name: 'soda ash: ready' }).click()],
  ['weigh-out-phone', '/sessions/dock-jersey/weigh-out', { width: 390, height: 844 }],
  ['bench', '/bench?tool=ladder', WIDE],
];

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox'] });
for (const [name, url, viewport, prepare] of VIEWS) {
  const page = await browser.newPage({ viewport });
  await page.addInitScript(() => localStorage.setItem('hyndle.tour', 'closed'));
  await page.goto(base + url);
  await page.locator('h1').waitFor();
  await prepare?.(page);
  await page.waitForTimeout(1500); // readings arrive, the preview is worked out, the drawer is open
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  say(name);
  await page.close();
}
await browser.close();
