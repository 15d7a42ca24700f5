import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './hands';

const PAGES = [
  '/',
  '/sessions',
  '/sessions/new',
  '/sessions/dock-jersey',
  '/sessions/dock-jersey/weigh-out',
  '/sessions/hollyhock-jar/change',
  '/runs/run-birch',
  '/runs/run-weld/record',
  '/fibre',
  '/fibre/gotland',
  '/fibre/labels?ids=gotland',
  '/shelf',
  '/shelf?tab=liquors',
  '/shelf/baths/dock-pot',
  '/shelf?tab=home',
  '/methods',
  '/methods/extract-blossom',
  '/swatches',
  '/swatches/trials',
  '/swatches/card?ids=sash-one~hand-sash-one-weld,petal-silk~hand-petal-dye',
  '/swatches/trials/weld-afters',
  '/bench?tool=harvest',
  '/bench?tool=ladder',
  '/bench?tool=ph&much=20+mL&to=4.5',
  '/programs',
  '/join/trust',
];

const SIZES = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;

/** Several pages in one browser context: what one has fetched the next need not fetch again. */
const AT_ONCE = 7;

for (let from = 0; from < PAGES.length; from += AT_ONCE) {
  const some = PAGES.slice(from, from + AT_ONCE);
  test(`${some.join(' ')}: nothing a screen reader or a weak eye stumbles over by day and by night, nothing wider than the page, nothing asked of another machine`, async ({
    page,
  }) => {
    const foreign: string[] = [];
    page.on('request', (request) => {
      if (!/^(?:http:\/\/127\.0\.0\.1:|data:|blob:)/.test(request.url())) foreign.push(request.url());
    });
    const violations: string[] = [];
    page.on('console', (message) => /Content Security Policy/i.test(message.text()) && violations.push(message.text()));
    for (const path of some) await test.step(path, () => looksRight(page, path));
    expect(foreign).toEqual([]);
    expect(violations).toEqual([]);
  });
}

async function looksRight(page: Page, path: string): Promise<void> {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'light' });
  const response = await page.goto(path);
  expect(response?.headers()['content-security-policy']).toContain("default-src 'self'");
  await expect(page.locator('h1')).toBeVisible();
  await page.waitForTimeout(250);
  const stumbles = async (axe: AxeBuilder) =>
    (await axe.analyze()).violations.map((violation) => `${path}: ${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`);
  // The whole runs in the page itself: no page of it is of another origin.
  expect(await stumbles(new AxeBuilder({ page }).setLegacyMode().disableRules(['scrollable-region-focusable']))).toEqual([]);
  // By night nothing but the colours is another.
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveAttribute('data-lighting', 'night');
  await page.waitForTimeout(250);
  expect(await stumbles(new AxeBuilder({ page }).setLegacyMode().withRules(['color-contrast']))).toEqual([]);
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    const over = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    await expect.poll(over, { message: `${path} at ${width}` }).toBeLessThanOrEqual(0);
  }
}

test('by keyboard alone: skip to the page, open a step, close it', async ({ page }) => {
  await page.goto('/sessions/dock-jersey');
  await expect(page.locator('h1')).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
  await page.getByRole('button', { name: /^Scour/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toContainText('Quantities');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('fonts come with the application', async ({ page }) => {
  await page.goto('/');
  await expect(page.locator('h1')).toBeVisible();
  const loaded = await page.evaluate(async () => {
    await document.fonts.ready;
    const wanted = getComputedStyle(document.body).fontFamily.split(',')[0]?.replace(/['"]/g, '').trim();
    return [...document.fonts].filter((font) => font.family.replace(/['"]/g, '') === wanted && font.status === 'loaded').length;
  });
  expect(loaded).toBeGreaterThan(0);
});
