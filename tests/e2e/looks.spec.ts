import AxeBuilder from '@axe-core/playwright';
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

for (const path of PAGES) {
  test(`${path}: nothing a screen reader or a weak eye stumbles over by day and by night, nothing wider than the page, nothing asked of another machine`, async ({
    page,
  }) => {
    const foreign: string[] = [];
    page.on('request', (request) => {
      if (!/^(?:http:\/\/127\.0\.0\.1:|data:|blob:)/.test(request.url())) foreign.push(request.url());
    });
    const violations: string[] = [];
    page.on('console', (message) => /Content Security Policy/i.test(message.text()) && violations.push(message.text()));
    await page.emulateMedia({ colorScheme: 'light' });
    const response = await page.goto(path);
    expect(response?.headers()['content-security-policy']).toContain("default-src 'self'");
    await expect(page.locator('h1')).toBeVisible();
    await page.waitForTimeout(250);
    const stumbles = async (axe: AxeBuilder) =>
      (await axe.analyze()).violations.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`);
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
    expect(foreign).toEqual([]);
    expect(violations).toEqual([]);
  });
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
