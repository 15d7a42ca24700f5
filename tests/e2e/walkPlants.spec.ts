import type { Page } from '@playwright/test';
import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { choose, drawn } from './pictures';
import { openList, pick } from './planning';
import { addLot, beenHere, card, chooseWay, lotIn, passStep, usualKitchen } from './steps';

/** A bundle of five plants by the handful, one left out; a blend; a cup of tea for each of twenty. */

const BASE = emptyServer(4193);
test.use(beenHere(BASE));

/** Opens a lot from the list of Fibre. */
const openLot = (page: Page, name: string) => lotIn(page, name).click();

test('a bundle of five: planned by handful, used four, all four in the passport and found by search', async ({ page }) => {
  await usualKitchen(page, BASE);

  // 40 × 40 cm at 180 g/m² are 1600 cm² and 28.8 g.
  await page.goto(`${BASE}/fibre`);
  await page.getByRole('button', { name: 'Add a lot' }).first().click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name').fill('Linen napkin');
  await form.getByLabel('Fibre', { exact: true }).click();
  await openList(page).getByTitle('linen', { exact: true }).click();
  await form.getByLabel('How it is known').click();
  await openList(page).getByTitle('cloth: size × g/m²').click();
  for (const [label, text] of [
    ['Width', '40 cm'],
    ['Length', '40 cm'],
    ['Mass per area', '180'],
  ] as const)
    await form.getByLabel(label).fill(text);
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();
  await expect(page.getByText('28.8 g').first()).toBeVisible();

  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Linen napkin/ }).check();
  await chooseWay(page, 'Steamed bundle');

  // One part in four of 600 mL is 150 mL, and 450 mL of water.
  const soak = page.locator('#item-c1');
  await soak
    .getByRole('button', { name: /Vinegar presoak/ })
    .first()
    .click();
  await soak.getByLabel('Set bath in all instead').fill('600 mL');
  await soak.getByLabel('Set bath in all instead').press('Enter');
  await expect(soak.locator('.amount').first()).toContainText('150 mL');
  await soak.getByLabel('white vinegar: on the label').click();
  await openList(page).getByTitle('5 %').first().click();

  // Five plants, each found by any of its names, as many handfuls as one says.
  const bundle = page.locator('#item-c2');
  await bundle
    .getByRole('button', { name: /Bundle, steamed/ })
    .first()
    .click();
  await bundle.getByLabel('Dyestuff').click();
  await pick(page, 'calluna', 'heather (tops)');
  for (const [typed, title] of [
    ['weld', 'weld (tops)'],
    ['hollyhock', /^hollyhock petals/],
    ['rumex', /^dock root/],
    ['bracken', /^bracken/],
  ] as const) {
    await bundle.getByLabel('Add another plant').click();
    await pick(page, typed, title);
  }
  for (const name of ['heather', 'weld', 'hollyhock petals', 'dock root', 'bracken']) {
    await bundle.getByLabel(`Set ${name} instead`).fill('a handful');
    await bundle.getByLabel(`Set ${name} instead`).press('Enter');
    await expect(bundle.locator('.amount').filter({ hasText: name })).toContainText('1 handful');
  }
  await page.getByLabel('Name', { exact: true }).fill('Bundle of five');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();

  // At the table: four go in, bracken is left out.
  await passStep(page, 'Vinegar presoak');
  await page.getByRole('region', { name: 'Ready: Roll the bundle' }).getByRole('button', { name: 'Begin' }).click();
  const roll = card(page, 'Roll the bundle');
  // The layout before it is rolled, in one tap; then how it was rolled, with no barrier after all.
  await choose(page, roll.getByRole('button', { name: 'Picture', exact: true }), await drawn('#c9b458'));
  await expect(page.locator('.log').getByRole('img', { name: /picture/ })).toBeVisible();
  await roll.getByRole('button', { name: /More acts/ }).click();
  await page.getByRole('button', { name: 'How it is rolled' }).click();
  await page.getByRole('dialog').getByText('loosely', { exact: true }).click();
  await page.getByRole('dialog').getByText('none', { exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(page.locator('.log')).toContainText('rolled loosely, without a barrier');
  for (const name of ['heather', 'weld', 'hollyhock petals', 'dock root']) {
    await roll.getByRole('button', { name: `Added ${name}` }).click();
    await expect(page.getByRole('dialog').getByLabel(/How much/)).toHaveValue('1 handful');
    await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await roll.getByRole('button', { name: 'Added bracken' }).click();
  await page.getByRole('dialog').getByText('left out').click();
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(page.locator('.log')).toContainText('left out bracken');
  await roll.getByRole('button', { name: /^Done/ }).click();
  await page.getByRole('region', { name: 'Ready: Steam' }).getByRole('button', { name: 'Begin' }).click();
  await card(page, 'Steam')
    .getByRole('button', { name: /More acts/ })
    .click();
  await page.getByRole('button', { name: 'End this step now' }).click();
  await expect(page.getByRole('region', { name: 'Ready: Leave it tied' })).toBeVisible();

  // The passport has all four, and says what was left out; search finds the lot by any of them.
  await page.goto(`${BASE}/fibre`);
  await page.getByLabel('Find a lot').fill('hollyhock');
  await openLot(page, 'Linen napkin');
  const past = page.locator('.treatments');
  for (const name of ['heather', 'weld', 'hollyhock petals', 'dock root']) await expect(past).toContainText(name);
  await expect(past).toContainText('left out');

  await expect(page.getByRole('region', { name: 'What it stands' })).toContainText('treat its colour as fugitive until it is tested');

  // Opened: a picture wet and one dry; what printed where is marked, known or guessed, and found by.
  const out = page.getByRole('region', { name: 'How it came out' });
  for (const [state, hex] of [
    ['wet', '#6b5a2c'],
    ['dry', '#a8925a'],
  ] as const) {
    await out.getByText(state, { exact: true }).first().click();
    await choose(page, out.getByRole('button', { name: 'Picture', exact: true }), await drawn(hex));
    await expect(out.getByText(`picture · ${state}`)).toBeVisible();
  }
  await out.getByRole('button', { name: 'Mark the plants' }).first().click();
  const sheet = page.getByRole('dialog', { name: 'What printed where on Linen napkin' });
  await sheet.getByRole('button', { name: 'Add a spot' }).click();
  await sheet.getByRole('button', { name: 'Keep these spots' }).click();
  await expect(sheet).toContainText('Spot 1 has no plant yet');
  await sheet.getByLabel('Plant of spot 1').fill('heather');
  await page.keyboard.press('Escape');
  await sheet.getByRole('button', { name: 'Add a spot' }).click();
  await sheet.getByLabel('Plant of spot 2').fill('weld');
  await sheet.getByRole('img', { name: /Picture/ }).click({ position: { x: 300, y: 60 } });
  await sheet.getByText('guess', { exact: true }).nth(1).click();
  await sheet.getByRole('button', { name: 'Keep these spots' }).click();
  await expect(sheet).toBeHidden();
  await expect(out).toContainText('1 heather · 2 weld, a guess');
  await expect(out.getByRole('img', { name: /1 heather · 2 weld, a guess/ })).toBeVisible();
});

test('a blend: percent of all or of the share that takes dye, both shown, asked; six to eight hours stand as such', async ({ page }) => {
  await addLot(page, BASE, 'Shirt', '300 g');
  await openLot(page, 'Shirt');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  const form = page.getByRole('dialog');
  await form.getByRole('button', { name: 'Add a fibre' }).click();
  for (const [i, fibre, pct] of [
    [0, 'cotton', '70'],
    [1, 'polyester', '30'],
  ] as const) {
    await form.getByLabel('Fibre').nth(i).click();
    await page.keyboard.type(fibre);
    await openList(page).getByTitle(fibre, { exact: true }).click();
    await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(0);
    await form.getByLabel('Share').nth(i).fill(pct);
  }
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();

  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Shirt/ }).check();
  await chooseWay(page, 'Prepare plant fibre for another day');
  const acetate = page.locator('#item-c3');
  await acetate
    .getByRole('button', { name: /Aluminium acetate/ })
    .first()
    .click();
  await acetate
    .getByLabel(/aluminium acetate/i)
    .first()
    .fill('8 %');
  await acetate
    .getByLabel(/aluminium acetate/i)
    .first()
    .press('Enter');
  const question = page.getByRole('region', { name: 'Percent of what?' });
  await expect(question).toContainText('70 % of it takes dye');
  await expect(question).toContainText('aluminium acetate 24 g');
  await expect(question).toContainText('aluminium acetate 16.8 g');
  await question.getByRole('button', { name: /Of the share that takes dye, 210 g/ }).click();
  await expect(acetate.locator('.amount').first()).toContainText('16.8 g');

  // A range is typed as such, and its heat is said before the start.
  const tannin = page.locator('#item-c2');
  await tannin
    .getByRole('button', { name: /Tannin, simmered/ })
    .first()
    .click();
  await tannin.getByLabel('hold', { exact: true }).fill('1–2 h');
  await tannin.getByLabel('hold', { exact: true }).press('Enter');
  await expect(page.locator('.beside')).toContainText(/heat .*–/);
  await expect(tannin.getByLabel('hold', { exact: true })).toHaveValue('60 min – 2 h');
});

test('four cups: a teaspoon each or in all is asked once; a hundred grams are twenty cups', async ({ page }) => {
  await addLot(page, BASE, 'Wool bits', '20 g');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Wool bits/ }).check();
  await chooseWay(page, 'Tea in a cup, by microwave');
  const cups = page.locator('#item-c2');
  await cups
    .getByRole('button', { name: /Tea, in a cup/ })
    .first()
    .click();
  for (const [label, text] of [
    ['a cup is for', '5 g'],
    ['water in a cup', '250 mL'],
    ['vinegar to a cup', '5 mL'],
  ] as const) {
    await cups.getByLabel(label, { exact: true }).fill(text);
    await cups.getByLabel(label, { exact: true }).press('Enter');
  }
  await expect(cups.locator('.amount').filter({ hasText: 'vinegar' })).toContainText('20 mL');
  const vinegar = cups.getByLabel('Set white vinegar instead');
  await vinegar.fill('1 1/2 tsp (metric)');
  await vinegar.press('Enter');
  const asked = cups.getByRole('group', { name: 'Each, or in all?' });
  await expect(asked).toContainText('There are 4');
  await asked.getByRole('button', { name: 'Each: 30 mL' }).click();
  await expect(cups.locator('.amount').filter({ hasText: 'vinegar' })).toContainText('30 mL');
  await vinegar.fill('2 tsp (metric)');
  await vinegar.press('Enter');
  await expect(asked).toBeHidden();
  await expect(cups.locator('.amount').filter({ hasText: 'vinegar' })).toContainText('40 mL');

  // The same for a hundred grams: 20 cups, 5 L, and 100 mL of vinegar.
  await addLot(page, BASE, 'Hundred grams', '100 g');
  await page.goto(`${BASE}/bench?tool=dose&fibre=100+g&amount=20+mL&from=20+g`);
  await expect(page.locator('.bench')).toContainText('For this fibre 100 mL');
});
