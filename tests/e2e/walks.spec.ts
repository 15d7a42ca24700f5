import type { Locator, Page } from '@playwright/test';
import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { openList } from './planning';

/** Days of work from an empty folder, by click and tap, as somebody who has never been here. */

const BASE = emptyServer(4189);

test('the first ten minutes: from nothing to grams in twelve taps, then what is lacking, then the stove', async ({ page }) => {
  let taps = 0;
  const tap = async (what: Locator) => {
    taps++;
    await what.click();
  };
  const chain = (p: Page) => p.locator('.chain-name').locator('..');
  await page.goto(BASE);
  await tap(page.getByRole('button', { name: 'Add fibre' }));
  const form = page.getByRole('dialog');
  await form.getByLabel('Name').fill('Two Gotland skeins');
  await form.getByLabel('Weight', { exact: true }).fill('120 g');
  await tap(form.getByRole('button', { name: 'Keep' }));
  await expect(form).toBeHidden();
  await tap(page.getByRole('main').getByRole('link', { name: 'Plan a session' }));
  await tap(page.getByRole('checkbox', { name: /Two Gotland/ }));
  // Grams before any pot is there.
  await expect(chain(page).filter({ hasText: 'Alum, low' })).toContainText('potash alum 12 g');
  expect(taps).toBeLessThanOrEqual(7);
  const extract = page.locator('#item-c3');
  await tap(extract.getByRole('button', { name: /Extract/ }).first());
  await tap(extract.getByLabel('School'));
  await tap(
    openList(page)
      .getByTitle(/Dried 1 : 1/)
      .first(),
  );
  await expect(chain(page).filter({ hasText: 'Extract, dried leaf' })).toBeVisible();
  await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(0);
  await tap(extract.getByLabel('Dyestuff'));
  await page.keyboard.type('weld');
  await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(1);
  await tap(openList(page).getByTitle('weld (tops)'));
  await expect(chain(page).filter({ hasText: 'Extract' })).toContainText('weld 120 g');
  expect(taps).toBeLessThanOrEqual(12);

  // What the kitchen lacks is said, and added where it is said.
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText('It takes a pot of 8 L, on the heat, and there is none that suits');
  await page.getByRole('button', { name: 'Add a pot of 8 L' }).click();
  await expect(page.getByRole('button', { name: 'Add a pot of 8 L' })).toBeHidden();
  await page.getByRole('button', { name: 'Add a line' }).click();
  await expect(page.getByRole('button', { name: 'Add a line' })).toBeHidden();
  await page.getByLabel('Name', { exact: true }).fill('First yellow');
  await page.getByRole('button', { name: 'Keep the plan' }).click();

  // A look around before the start is kept in the log.
  await page.getByRole('checkbox', { name: /Every piece tagged/ }).check();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.locator('.log li').filter({ hasText: 'Before the start' })).toContainText('ticked: Every piece tagged');

  // A slip of a wet hand ends no hold unasked.
  const card = page.locator('.vessel-card:not(.ready-card)').first();
  await page.getByRole('region', { name: 'Ready: Scour' }).getByRole('button', { name: 'Begin' }).click();
  await card.getByRole('button', { name: /^Heat on/ }).click();
  await card.getByRole('button', { name: /^Start hold/ }).click();
  await card.getByRole('button', { name: /^(Lift|Heat off)/ }).click();
  const asked = page.getByRole('dialog', { name: /Only 0 min of 1 h held/ });
  await asked.getByRole('button', { name: 'Stay' }).click();
  await expect(asked).toBeHidden();
  await expect(page.locator('.log li').filter({ hasText: /lifting|done/ })).toHaveCount(0);
  await card.getByRole('button', { name: /^(Lift|Heat off)/ }).click();
  await asked.getByRole('button', { name: 'End it' }).click();
  await expect(page.locator('.log li').first()).toContainText(/lifting|done/);

  // A second plan for the same pot and skeins says so.
  await page.getByRole('link', { name: 'Sessions' }).click();
  await page
    .getByRole('link', { name: /Plan a session/ })
    .or(page.getByRole('button', { name: /Plan a session/ }))
    .first()
    .click();
  await page.getByRole('checkbox', { name: /Two Gotland/ }).check();
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText('Two Gotland skeins is also in “First yellow”, which is running');
});
