import type { Page } from '@playwright/test';
import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { pick } from './planning';
import { addLot, beenHere, chooseWay, doTheRest, openLot, planOver, usualKitchen } from './steps';

/** A master pot that is drawn from, and a dyebath that is kept, used again, and poured away. */

const BASE = emptyServer(4198);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

const form = (page: Page) => page.getByRole('dialog');

/** Opens one of the forms of a bath's page. */
async function act(page: Page, button: string, fields: readonly (readonly [label: string, text: string])[], ok = 'Log it'): Promise<void> {
  await page.getByRole('button', { name: button, exact: true }).click();
  for (const [label, text] of fields) await form(page).getByLabel(label, { exact: true }).fill(text);
  await form(page).getByRole('button', { name: ok }).click();
  await expect(form(page)).toBeHidden();
}

test('a master pot: three draws blended to 8 L, three portions of 1.5 L, each with its number; 3.5 L are left', async ({ page }) => {
  await page.goto(`${BASE}/shelf?tab=liquors`);
  await page.getByRole('button', { name: 'Keep a bath' }).first().click();
  await form(page).getByLabel('Name').fill('Dock, master pot');
  await form(page).getByLabel('Dyestuff').click();
  await pick(page, 'dock', /^dock root/);
  await form(page).getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(form(page)).toBeHidden();
  await page.getByRole('link', { name: 'Dock, master pot' }).click();

  // A slip is said at its field, and nothing is lost.
  await page.getByRole('button', { name: 'Pour in' }).click();
  await form(page).getByRole('button', { name: 'Log it' }).click();
  await expect(form(page)).toContainText('Type how much it was; about is fine.');
  await form(page).getByLabel('How much').fill('3 L');
  await expect(form(page).getByLabel('Which extraction of the same plants')).toHaveValue('1');
  await form(page).getByRole('button', { name: 'Log it' }).click();
  await expect(form(page)).toBeHidden();
  for (const volume of ['2.6 L', '2.4 L']) await act(page, 'Pour in', [['How much', volume]]);
  const happened = page.getByRole('region', { name: 'What happened' });
  for (const n of [1, 2, 3]) await expect(happened).toContainText(`dock root, draw ${n} poured in`);
  const head = page.locator('.page-head');
  await expect(head).toContainText('8 L');
  for (const what of ['trial A', 'trial B', 'trial C'])
    await act(page, 'Draw off', [
      ['What for', what],
      ['How much', '1.5 L'],
    ]);
  await expect(head).toContainText('3.5 L');
  const gave = page.getByRole('region', { name: 'What it gave' });
  for (const [n, what] of ['trial A', 'trial B', 'trial C'].entries()) await expect(gave).toContainText(`Portion ${n + 1}: 1.5 L for ${what}`);
  await expect(page.getByText(/What is left, 3\.5 L, gives about 47–74 % of the depth that the first draw alone would give/)).toBeVisible();
  await act(page, 'Measure', [['pH', '5.8']]);
  await expect(head).toContainText('pH 5.8');

  // What must not meet is said while it is typed.
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Put something in' }).click();
  await form(page).getByLabel('What went in').fill('white vinegar');
  await form(page).getByLabel('How much').fill('20 mL');
  await form(page).getByRole('button', { name: 'Log it' }).click();
  await expect(form(page)).toBeHidden();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Put something in' }).click();
  await form(page).getByLabel('What went in').fill('household bleach');
  await expect(form(page)).toContainText('makes chlorine gas');
  await form(page).getByRole('button', { name: 'Not now' }).click();
  await expect(form(page)).toBeHidden();

  // A portion that was none.
  await happened.getByRole('button', { name: 'Take back: drawn off: trial C' }).click();
  await form(page).getByLabel('Why').fill('it stayed in the pot');
  await form(page).getByRole('button', { name: 'Take it back' }).click();
  await expect(head).toContainText('5.02 L');
});

test('a dyebath is kept from the record, used again by a session that counts itself, told of when it is poured away', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'First load', '60 g');
  await addLot(page, BASE, 'Second load', '25 g');
  await planOver(page, BASE, 'First load', 'First bath', ['dock', /^dock root/]);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await doTheRest(page, '90 g');
  await page
    .getByRole('link', { name: /record/i })
    .first()
    .click();
  const left = page.locator('.bath-left').filter({ hasText: 'Dye, dock root' });
  await expect(page).toHaveURL(/record/);
  await left.getByRole('button', { name: 'Keep this bath' }).click();
  await expect(form(page).getByLabel('Baths given before it was kept')).toHaveValue('1');
  await form(page).getByLabel('Name').fill('Dock, once used');
  await form(page).getByLabel('Volume').fill('2.5 L');
  await form(page)
    .getByRole('checkbox', { name: /Labelled/ })
    .check();
  await form(page).getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(form(page)).toBeHidden();
  await left.getByRole('link', { name: 'Dock, once used' }).click();
  await expect(page.getByRole('region', { name: 'In it' })).toContainText('Drawn from dock root');
  const strength = page.getByRole('region', { name: 'What is left of its colour' });
  await expect(strength).toContainText('The next load comes out paler. Enough for 12 g – 36 g more as deep as the first');
  const bath = page.url();

  // Planned with, it is told of before it is poured away; used, it counts itself.
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Second load/ }).check();
  await chooseWay(page, 'From a kept liquor');
  await page.getByLabel('Name', { exact: true }).fill('Second bath');
  // It lies open: which bath is not said yet.
  const bring = page.locator('#item-c2');
  await bring.getByLabel('Which kept bath').click();
  await pick(page, 'Dock, once', 'Dock, once used');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Second bath' })).toBeVisible();
  const session = page.url();
  await page.goto(bath);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Pour it away' }).click();
  await expect(form(page)).toContainText('Planned with it: Second bath');
  await page.keyboard.press('Escape');
  await page.goto(session);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await doTheRest(page, '25 g');
  await page.goto(bath);
  await expect(page.getByRole('region', { name: 'What it gave' })).toContainText(/2\..*Second loadSecond bath/);
  await openLot(page, BASE, 'Second load');
  await expect(page.locator('main')).toContainText('dyed');
});
