import type { Locator, Page } from '@playwright/test';

/** Opens the extraction of the usual chain and chooses what to dye with, by its name in the list. Gives the extraction's card. */
export async function chooseDyestuff(page: Page, typed: string, title: string, item = 'c3'): Promise<Locator> {
  const extract = page.locator(`#item-${item}`);
  await extract
    .getByRole('button', { name: /Extract/ })
    .first()
    .click();
  await extract.getByLabel('Dyestuff').click();
  await page.keyboard.type(typed);
  await page.locator('.ant-select-dropdown:visible').getByTitle(title).click();
  return extract;
}
