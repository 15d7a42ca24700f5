import type { Locator, Page } from '@playwright/test';
import { expect } from './hands';

/** The list that is open and has come to rest: one that unfolds stands at its place for a frame or two, folds up, and grows; a tap between goes nowhere. */
export const openList = (page: Page): Locator => page.locator('.ant-select-dropdown:visible:not(.ant-slide-up)');

/** Types into the list that is open, waits until it shows only what was meant, and takes that: a list that still moves is never tapped. */
export async function pick(page: Page, typed: string, title: string | RegExp): Promise<void> {
  await pickAll(page, [typed, title]);
  await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(0);
}

/** The same in a list that takes several and stays open. */
export async function pickAll(page: Page, ...choices: [typed: string, title: string | RegExp][]): Promise<void> {
  const list = openList(page);
  await expect(list).toHaveCount(1);
  for (const [typed, title] of choices) {
    await page.keyboard.type(typed);
    const first = list.locator('.ant-select-item-option').first();
    await expect(first).toHaveAttribute('title', title);
    // By key: a list that has just grown shorter may still be on its way to another place.
    await expect(first).toHaveClass(/option-active/);
    await page.keyboard.press('Enter');
  }
}

/** Opens the extraction of the usual chain and chooses what to dye with, by its name in the list. Gives the extraction's card. */
export async function chooseDyestuff(page: Page, typed: string, title: string, item = 'c3'): Promise<Locator> {
  const extract = page.locator(`#item-${item}`);
  await extract
    .getByRole('button', { name: /Extract/ })
    .first()
    .click();
  await extract.getByLabel('Dyestuff').click();
  await pick(page, typed, title);
  return extract;
}
