// Draws the icons of every size from the one drawing, app/icon.svg: node bin/icons.mjs
import { mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT, say } from './lib.mjs';

const drawing = readFileSync(path.join(ROOT, 'app', 'icon.svg'), 'utf8');
const folder = path.join(ROOT, 'public', 'icons');
mkdirSync(folder, { recursive: true });
// A masked icon may lose a fifth on each side: the drawing stands smaller, on its own ground.
const ICONS = [
  ...[48, 96, 192, 512].map((px) => [path.join(folder, `hyndle-${px}.png`), px, 1]),
  [path.join(folder, 'hyndle-maskable-512.png'), 512, 0.72],
  [path.join(ROOT, 'app', 'apple-icon.png'), 180, 0.86],
];

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
for (const [file, px, share] of ICONS) {
  const page = await browser.newPage({ viewport: { width: px, height: px } });
  const ground = share < 1 ? '#e2e2e2' : 'transparent';
  await page.setContent(
    `<body style="margin:0;background:${ground};display:grid;place-items:center;height:${px}px"><div style="width:${px * share}px;height:${px * share}px">${drawing.replace('<svg ', '<svg style="width:100%;height:100%" ')}</div></body>`,
  );
  await page.screenshot({ path: file, omitBackground: true });
  say(path.relative(ROOT, file));
  await page.close();
}
await browser.close();
