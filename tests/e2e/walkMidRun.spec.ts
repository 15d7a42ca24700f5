import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { chooseDyestuff, pick } from './planning';
import { addLot, addPast, beenHere, card, chooseWay, passStep, usualKitchen } from './steps';

/** A usual kitchen in one tap; three skeins, and the one that stays pale. */

const BASE = emptyServer(4192);
test.use(beenHere(BASE));

test('the pale skein: asked about alone, mordanted in mid-run in two taps, all go back for the rest', async ({ page }) => {
  await usualKitchen(page, BASE);
  for (const name of ['Skein A', 'Skein B', 'Skein C']) await addLot(page, BASE, name, '50 g');
  for (const [name, certainty] of [
    ['Skein A', 'known'],
    ['Skein B', 'known'],
    ['Skein C', 'believed'],
  ] as const) {
    await page.goto(`${BASE}/fibre`);
    await addPast(page, name, certainty, 'alum');
  }

  // Planned: only the one of which it is only believed is asked about.
  await page.goto(`${BASE}/sessions/new`);
  for (const name of ['Skein A', 'Skein B', 'Skein C']) await page.getByRole('checkbox', { name, exact: false }).first().check();
  await chooseWay(page, 'Dye what is mordanted, or over a colour');
  await chooseDyestuff(page, 'weld', 'weld (tops)', 'c2');
  await expect(page.getByRole('region', { name: 'Skein C: is it mordanted?' })).toBeVisible();
  await expect(page.getByRole('region', { name: /Skein [AB]: is it mordanted/ })).toHaveCount(0);
  await page.getByRole('region', { name: 'Skein C: is it mordanted?' }).getByRole('button', { name: 'Go on, it may be pale', exact: true }).click();
  await page.getByLabel('Name', { exact: true }).fill('Three skeins');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();

  // At the stove: what comes before is passed, the bath is held for ten minutes, and C is pale.
  for (const name of ['Wet out', 'Extract, weld', 'Strain']) await passStep(page, name);
  await page.getByRole('region', { name: 'Ready: Dye, weld' }).getByRole('button', { name: 'Begin' }).click();
  const dye = card(page, 'Dye, weld');
  await dye.getByRole('button', { name: /^Heat on/ }).click();
  await dye.getByRole('button', { name: /^Start hold/ }).click();
  await dye.getByRole('button', { name: /More acts/ }).click();
  await page.getByRole('button', { name: 'Skein C stays pale: mordant it, then all back' }).click();

  // A new version with its reason: C alone into 5 g of alum, then all three back for the rest of the hold.
  await expect(page.locator('.log')).toContainText(/plan 2: Skein C stays pale after .*: mordanted in mid-run/);
  await expect(page.locator('.log')).toContainText('looked: Skein C stays pale');
  const ready = page.getByRole('region', { name: /^Ready: Mordant/ });
  await expect(ready).toBeVisible();
  await ready.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('button', { name: 'Added potash alum' }).first()).toBeVisible();
  await card(page, 'Mordant')
    .getByRole('button', { name: /Added potash alum/ })
    .click();
  await expect(page.getByRole('dialog').getByLabel(/How much/)).toHaveValue('5 g');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();

  // The rest can be changed too; what has begun cannot.
  await page.getByRole('link', { name: 'Change the rest' }).click();
  await expect(page.getByText('It runs. What has begun stays as it is')).toBeVisible();
  const wet = page.locator('#item-c1');
  await wet
    .getByRole('button', { name: /Wet out/ })
    .first()
    .click();
  await expect(wet).toContainText('It has begun and stays as it was planned');
  await expect(wet.getByRole('button', { name: 'Leave out' })).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Rinse: Skein A' }).click();
  await page.getByLabel('Why the plan changes').fill('only A is rinsed today');
  await page.getByRole('button', { name: 'Keep as plan 3' }).click();
  await expect(page.locator('.log')).toContainText('plan 3: only A is rinsed today');

  // A scrap that nobody planned goes into the alum beside C: a lot made on the spot, with a version of its own.
  await card(page, 'Mordant')
    .getByRole('button', { name: /More acts/ })
    .click();
  await page.getByRole('button', { name: 'A lot goes in too' }).click();
  const joins = page.getByRole('dialog', { name: /a lot goes in too/ });
  await joins.getByRole('button', { name: 'It is a new one' }).click();
  const adding = page.getByRole('dialog', { name: 'Add a lot' });
  await adding.getByLabel('Name', { exact: true }).fill('Scrap');
  await adding.getByLabel('Weight', { exact: true }).fill('4 g');
  await adding.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(adding).toBeHidden();
  await joins.getByLabel('Which lot').click();
  await pick(page, 'Scrap', 'Scrap, 4 g');
  await joins.getByRole('button', { name: 'It goes in now' }).click();
  await expect(joins).toBeHidden();
  await expect(page.locator('.log')).toContainText('plan 4: Scrap added later');
  await expect(page.locator('.log')).toContainText('Scrap added later');
  await card(page, 'Mordant')
    .getByRole('button', { name: /More acts/ })
    .click();
  await expect(page.getByRole('button', { name: 'Scrap alone out' })).toBeVisible();
});
