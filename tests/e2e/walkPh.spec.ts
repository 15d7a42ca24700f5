import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { chooseDyestuff, openList } from './planning';
import { addLot, addPast, beenHere, card, chooseWay, passStep, usualKitchen } from './steps';

/** A little acid for a blossom bath, read by the strip: trade figures of common practice (6–6.5 to 4–5; 3.4 is overshot). */

const BASE = emptyServer(4194);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('a bath that shall be pH 4 to 5: asked for, not there yet, overshot, in range', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Skein P', '50 g');
  await addPast(page, 'Skein P', 'known', 'alum');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: 'Skein P' }).first().check();
  await chooseWay(page, 'Dye what is mordanted, or over a colour');
  const extract = await chooseDyestuff(page, 'ocotillo', 'ocotillo (dried blossom)', 'c2');
  await extract.getByRole('button', { name: /As it is usually done/ }).click();
  // Either end takes the whole band as people say it.
  const [from, upTo] = [extract.getByLabel('pH aim, from', { exact: true }), extract.getByLabel('pH aim, up to', { exact: true })];
  await upTo.fill('3.5–4.5');
  await upTo.press('Enter');
  await expect(from).toHaveValue(/^3\.5/);
  await expect(upTo).toHaveValue(/^4\.5/);
  await from.fill('4 to 5');
  await from.press('Enter');
  await expect(upTo).toHaveValue(/^5/);
  await extract.getByLabel('hold from', { exact: false }).first().fill('68–76');
  await extract.getByLabel('hold from', { exact: false }).first().press('Enter');
  await expect(extract.getByLabel('hold up to', { exact: false }).first()).toHaveValue(/^76/);
  await extract.getByLabel('white vinegar: on the label').click();
  await openList(page).getByTitle('5 %').first().click();
  await page.getByLabel('Name', { exact: true }).fill('Blossom');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  await page.getByRole('region', { name: 'Ready: Extract, ocotillo' }).getByRole('button', { name: 'Begin' }).click();

  const call = page.getByRole('region', { name: 'Next act' });
  const form = page.getByRole('dialog');
  const answered = async () => {
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form).toBeHidden();
  };
  const read = async (ph: string, meaning: string) => {
    await call.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(form).toContainText('Aim: 4 to 5');
    await form.getByLabel('pH', { exact: true }).fill(ph);
    await expect(form).toContainText(meaning);
    await answered();
  };
  // Before anything goes in; then the blossom and a little vinegar, and again.
  await expect(call).toContainText('Measure the pH: aim 4 to 5');
  // The sum says how much, before anything is poured; and where half a teaspoon would take it, while it is typed.
  await read('6.2', 'not yet 4 to 5: by the sum about');
  await expect(call).toContainText('Add 100 g ocotillo');
  // The vinegar is due as well: its own button asks about it, and not about what stands first.
  await call.getByRole('button', { name: /^Done: Add .* white vinegar/ }).click();
  await expect(form).toContainText('What went inwhite vinegar');
  await page.keyboard.press('Escape');
  await expect(form).toBeHidden();
  await call.getByRole('button', { name: 'Done', exact: true }).click();
  await answered();
  await call.getByRole('button', { name: 'Done', exact: true }).click();
  await form.getByLabel(/How much/).fill('1/2 tsp (US)');
  await expect(form).toContainText(/With this the bath comes to about pH \d\.\d/);
  await answered();
  await expect(call).toContainText('Measure the pH again: aim 4 to 5');
  await read('3.4', 'overshot');
  await expect(call).toContainText('overshot 4 to 5: dilute it');
  // What can be done, each with its price; what was done is logged in one tap.
  const ways = page.getByRole('region', { name: /^Overshot: Extract/ });
  await expect(ways).toContainText('pH 3.4 went past 4 to 5');
  for (const way of ['Dilute it with about', 'Add the opposite: about', 'Begin again with less']) await expect(ways).toContainText(way);
  await expect(page.getByRole('img', { name: 'pH 3.4, aim 4 to 5' })).toBeVisible();
  await ways.getByRole('listitem').filter({ hasText: 'Add the opposite' }).getByRole('button', { name: 'Done, log it' }).click();
  await expect(page.locator('.log')).toContainText('added baking soda');
  await expect(page.locator('.log')).toContainText('Overshot: add the opposite');
  await expect(call).toContainText('Measure the pH again');
  await read('4.0', 'where it shall be');
  await expect(call).not.toContainText('pH');
  // The record draws the strips against their aim, and says how each stood.
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await expect(page.getByRole('region', { name: 'pH', exact: true })).toContainText(
    /6\.2 at .*, not there yet; 3\.4 at .*, overshot; 4 at .*, where it shall be/,
  );

  // Past it once more: poured away and begun again, and the plan follows with its reason.
  await page.getByRole('link', { name: 'To the stove' }).click();
  await page.getByLabel('Type an act').fill('ph 3.2');
  await page.getByLabel('Type an act').press('Enter');
  await ways.getByRole('listitem').filter({ hasText: 'Begin again with less' }).getByRole('button', { name: 'So it is done: plan it' }).click();
  await expect(page.locator('.log')).toContainText('Overshot: begin again with less');
  await expect(page.locator('.log')).toContainText('pH 3.2 went past 4 to 5');
  await expect(page.getByRole('region', { name: /^Ready: Extract/ })).toBeVisible();
  await expect(page.locator('main')).toContainText('plan 2');
});

test('an alkaline after-bath: washing soda is warned of before it is poured, a strip of 13 is questioned, baking powder is asked about', async ({ page }) => {
  await page.goto(`${BASE}/shelf?tab=vessels`);
  if (await page.getByRole('button', { name: 'Use a starter kitchen' }).isVisible()) await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Heather skein', '40 g');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Heather skein/ }).check();
  await chooseWay(page, 'Change a colour with acid, alkali or iron');
  const item = page.locator('#item-c2');
  await item.getByRole('button', { name: /Acid/ }).first().click();
  // Both schools, each with its reason.
  await item.getByLabel('School').click();
  const schools = openList(page);
  await expect(schools).toContainText('Alkali in the bath: Washing soda, in the dyebath itself');
  await schools.getByTitle(/^Alkali after-bath/).click();
  await expect(item).toContainText('The base colour stays in the pot');
  for (const [label, text] of [
    ['Set water instead', '3 L'],
    ['Set baking soda instead', '5 g'],
  ] as const) {
    await item.getByLabel(label, { exact: true }).fill(text);
    await item.getByLabel(label, { exact: true }).press('Enter');
  }
  await page.getByLabel('Name', { exact: true }).fill('Alkaline');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  await page
    .getByRole('region', { name: /^Ready: Alkali/ })
    .getByRole('button', { name: 'Begin' })
    .click();
  const bath = card(page, 'Alkali');
  const form = page.getByRole('dialog');
  const ask = async (act: string) => {
    await bath.getByRole('button', { name: /More acts/ }).click();
    await form.getByRole('button', { name: act }).click();
  };
  await ask('Addition');
  await form.getByLabel('What went in').click();
  await openList(page).getByTitle('something else').click();
  await form.getByLabel('Its name').fill('baking powder');
  await form.getByLabel(/How much/).fill('1/2 tsp (US)');
  await expect(form).toContainText('Baking powder is not baking soda');
  await form.getByLabel('Its name').fill('washing soda');
  await expect(form).not.toContainText('Baking powder');
  await expect(form).toContainText(/With this the bath comes to about pH 1[01]\.\d.* wool stops taking and silk is harmed: use a pinch/);
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await ask('pH');
  await form.getByLabel('pH', { exact: true }).fill('13');
  await expect(form).toContainText('13 cannot come of it alone. Read a second strip');
  await form.getByLabel('pH', { exact: true }).fill('10.5');
  await expect(form).not.toContainText('Read a second strip');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(page.locator('.log')).toContainText('pH 10.5');
});

test('an acid after-bath: a control is asked for before the tips go in, and what its strip says of the tap is offered at home', async ({ page }) => {
  await page.goto(`${BASE}/shelf?tab=vessels`);
  if (await page.getByRole('button', { name: 'Use a starter kitchen' }).isVisible()) await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Tips', '40 g');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Tips/ }).check();
  await chooseWay(page, 'Change a colour with acid, alkali or iron');
  const item = page.locator('#item-c2');
  await item.getByRole('button', { name: /Acid/ }).first().click();
  await item.getByLabel('Set water instead', { exact: true }).fill('2 L');
  await item.getByLabel('Set water instead', { exact: true }).press('Enter');
  // A pH said for the bath takes the dose along: the most likely one, with its range.
  await item.getByLabel('pH aim, from', { exact: true }).fill('4 to 5');
  await item.getByLabel('pH aim, from', { exact: true }).press('Enter');
  await item.getByLabel('white vinegar: on the label').click();
  await openList(page).getByTitle('5 %').first().click();
  await expect(item.locator('.amount').filter({ hasText: 'white vinegar' })).toContainText(/\d mLmost likely; [\d.]+–[\d.]+ mL/);
  await page.getByLabel('Name', { exact: true }).fill('Sour tips');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  await page
    .getByRole('region', { name: /^Ready: Acid/ })
    .getByRole('button', { name: 'Begin' })
    .click();
  const strip = page.getByRole('region', { name: /^It goes otherwise/ });
  await expect(strip).toContainText('is a control kept out?');
  await strip.getByRole('listitem').filter({ hasText: 'One end stays out' }).getByRole('button').click();
  await expect(strip).toHaveCount(0);
  await expect(page.locator('.log')).toContainText('control: one end stays out');
  const bath = card(page, 'Acid');
  const form = page.getByRole('dialog');
  await bath.getByRole('button', { name: 'Added white vinegar' }).click();
  await form.getByLabel(/How much/).fill('6 mL');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await page.getByLabel('Type an act').fill('ph 4.6');
  await page.getByLabel('Type an act').press('Enter');
  await expect(page.locator('.log')).toContainText('pH 4.6');

  await page.goto(`${BASE}/shelf?tab=home`);
  await page.getByRole('button', { name: /water/i }).first().click();
  await expect(form).toContainText(/Your own strips say about \d+ mg\/L of alkalinity, \d+–\d+ mg\/L, by 1 bath/);
  await form.getByRole('button', { name: 'Take it over' }).click();
  await expect(form.getByLabel('Alkalinity')).toHaveValue(/^\d+–\d+ mg\/L$/);
  await form.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(form).toBeHidden();
});
