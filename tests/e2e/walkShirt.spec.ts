import type { Page } from '@playwright/test';
import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { openList, pick, pickAll } from './planning';
import { addLot, beenHere, doTheRest, usualKitchen } from './steps';

/** Before the colour: does the tannin hold it in light? Two strips that differ in it alone, four weeks in a window, and a wash. */

const { base: BASE, pass } = serverWithClock(4212);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

const WEEK_MIN = 7 * 1440;

async function openStrip(page: Page, code: string): Promise<void> {
  await page.goto(`${BASE}/fibre`);
  await page.getByLabel('Find a lot').fill(code);
  await page
    .getByRole('link', { name: new RegExp(`\\b${code}\\b`) })
    .or(page.getByRole('button', { name: new RegExp(`\\b${code}\\b`) }))
    .first()
    .click();
}

test('two strips, with tannin and without: called for every week, graded to the half step, untested until then', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Strip cloth', '40 g', 'cotton');
  await page.goto(`${BASE}/swatches`);
  await page.getByRole('link', { name: 'Trials' }).click();
  await page.getByRole('button', { name: 'Make a trial' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name', { exact: true }).fill('Tannin, or none');
  await form.getByRole('button', { name: 'Say what differs' }).click();
  await form.getByLabel('What differs', { exact: true }).click();
  await openList(page).getByTitle('Tannin', { exact: true }).click();
  await form.getByLabel('Levels of Tannin').click();
  await pickAll(page, ['powder', 'Tannin, from powder']);
  await page.keyboard.press('Escape');
  await form.getByLabel('Cut from').click();
  await pick(page, 'Strip cloth', 'Strip cloth');
  await form.getByLabel('Pieces of each').fill('1');
  await form.getByLabel('Weight of a piece').fill('10');
  await form.getByLabel('All go through').click();
  await pick(page, 'plant fibre', 'Scour to dye, plant fibre');
  await form.getByLabel('Dyestuff', { exact: true }).click();
  await pick(page, 'weld', /^weld/);
  await form.getByLabel('Kept out as controls').fill('0');
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText('2 cells, 2 pieces, 20 g of fibre of 40 g; 1 dyebath for all');
  await form.getByRole('button', { name: 'Cut the pieces' }).click();
  const grid = page.getByRole('region', { name: 'The grid' });
  await expect(grid.getByRole('columnheader')).toContainText(['', 'none', /Tannin, from powder/]);
  const codeOf = async (nth: number) => (await grid.getByRole('button').nth(nth).getAttribute('aria-label'))?.split(':')[0] ?? '';
  const [bare, tanned] = [await codeOf(0), await codeOf(1)];

  // One session for both: the tannin is for one of them, all else is alike.
  await page.getByRole('button', { name: 'Plan the session' }).click();
  await expect(page.getByRole('row', { name: /Tannin, from powder/ }).getByRole('checkbox', { checked: true })).toHaveCount(1);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await doTheRest(page);

  const stands = page.getByRole('region', { name: 'What it stands' });
  for (const code of [bare, tanned]) {
    await openStrip(page, code);
    await expect(stands.getByRole('region', { name: 'Light' })).toContainText('untested');
    await stands.getByRole('button', { name: 'Begin a light test' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Begin it' }).click();
    await expect(stands).toContainText('light: begun, not looked at yet');
  }
  // Every week both are called for; the bare one goes faster. Grey scale: 1.7 apart is a 4, 2.5 is a 3 to 4, 3.4 a 3 (ISO 105-A02).
  const due = page.getByRole('region', { name: 'To look at' });
  for (const [week, fades] of [
    [1, { [bare]: 1.7, [tanned]: 0 }],
    [2, { [bare]: 2.5, [tanned]: 0.8 }],
    [3, { [bare]: 3.4, [tanned]: 0.8 }],
    [4, { [bare]: 3.4, [tanned]: 1.7 }],
  ] as const) {
    await pass(WEEK_MIN);
    await page.goto(BASE);
    await expect(due.getByRole('link')).toHaveCount(2);
    for (const [code, faded] of Object.entries(fades)) {
      await openStrip(page, code);
      await stands.getByRole('button', { name: 'Look at it now' }).click();
      const look = page.getByRole('dialog');
      await look.getByLabel('in the light').fill(`${60 + faded} 0 0`);
      await look.getByLabel('under the card').fill('60 0 0');
      await look.getByRole('button', { name: 'Keep' }).click();
      await expect(look).toBeHidden();
    }
    if (week < 4) await expect(stands).toContainText('Next look');
  }
  await expect(stands).toContainText('All its looks are done.');
  const light = stands.getByRole('region', { name: 'Light' });
  await expect(light).toContainText('light: 4 after 28 days');
  await expect(light).toContainText('7 days: change 5 · 14 days: change 4-5 · 21 days: change 4-5 · 28 days: change 4');
  await expect(stands.getByRole('region', { name: 'Washing' })).toContainText('untested');
  await openStrip(page, bare);
  await expect(light).toContainText('light: 3 after 28 days');
  await expect(light).toContainText('7 days: change 4 · 14 days: change 3-4 · 21 days: change 3 · 28 days: change 3');

  // Washed as it will be used, with white cloth beside it.
  await stands.getByRole('button', { name: 'Begin a wash test' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Begin it' }).click();
  await pass(1440);
  await page.goto(BASE);
  await due.getByRole('link').first().click();
  await stands.getByRole('region', { name: 'Washing' }).getByRole('button', { name: 'Look at it now' }).click();
  const look = page.getByRole('dialog');
  for (const [part, lab] of [
    ['washed', '63.4 0 0'],
    ['not washed', '60 0 0'],
    ['white cloth, washed with it', '90.7 0 2'],
    ['white cloth, new', '95 0 2'],
  ] as const)
    await look.getByLabel(part, { exact: true }).fill(lab);
  await look.getByRole('button', { name: 'Keep' }).click();
  await expect(look).toBeHidden();
  // 3.4 apart is a change of 3, 4.3 on white cloth a staining of 4 (ISO 105-A02, A03).
  await expect(stands).toContainText('wash: 3, white cloth 4 after 1 day');
});
