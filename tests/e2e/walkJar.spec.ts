import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { openList, pick } from './planning';
import { addLot, beenHere, card, chooseWay, doTheRest, fillJar, HOLLYHOCK, openLot, passStep, say, usualKitchen } from './steps';

/** The jar on the sill to its end: a look missed, a second load into what is left, and a jar in the shade beside it. */

const { base: BASE, pass } = serverWithClock(4210);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

const DAY_MIN = 1440;

test('a missed look is missed, the second load is the second use, and beside a jar in the shade nothing is the cause', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Silk noil', '60 g');
  await addLot(page, BASE, 'Small noil', '25 g');
  await addLot(page, BASE, 'Shade noil', '60 g');
  const form = page.getByRole('dialog');
  const evening = async (step: string, days: number, lightness: number) => {
    await pass(days * DAY_MIN);
    await page.reload();
    await card(page, step)
      .getByRole('button', { name: /More acts/ })
      .click();
    await page.getByRole('button', { name: 'How it looks' }).click();
    await say(page, `${lightness} 12 -8`, 'wet');
  };
  const toRecord = async () => {
    await page
      .getByRole('link', { name: /record/i })
      .first()
      .click();
    await expect(page).toHaveURL(/record/);
  };
  await fillJar(page, BASE, 'Silk noil', 'Jar on the sill', HOLLYHOCK);
  await evening('Solar jar', 1, 78);
  await evening('Solar jar', 1, 66);
  // On the third day nobody looks.
  await evening('Solar jar', 2, 55.5);
  await pass(30);
  await page.reload();
  await doTheRest(page);
  await toRecord();
  const record = page.locator('main');
  await expect(record).toContainText('4 d 0 h 30 min');
  await expect(record).toContainText('1 day missed: day 3');

  // What is left in the jar is kept, and takes a second load.
  const left = page.locator('.bath-left').filter({ hasText: 'Solar jar' });
  await left.getByRole('button', { name: 'Keep this bath' }).click();
  await expect(form.getByLabel('Baths given before it was kept')).toHaveValue('1');
  await form.getByLabel('Name').fill('The jar');
  await form.getByRole('checkbox', { name: /Labelled/ }).check();
  await form.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(form).toBeHidden();
  await left.getByRole('link', { name: 'The jar' }).click();
  await expect(page.getByRole('region', { name: 'What is left of its colour' })).toContainText('The next load comes out paler');
  const bath = page.url();
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Small noil/ }).check();
  await chooseWay(page, 'Second load in a kept jar');
  await page.locator('#item-c2').getByLabel('Which kept bath').click();
  await pick(page, 'The jar', 'The jar');
  await page.getByLabel('Name', { exact: true }).fill('Second load');
  await expect(page.locator('#item-c2')).toContainText('The next load comes out paler');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  await doTheRest(page);
  await toRecord();
  await expect(page.locator('.bath-left')).toContainText('out of The jar');
  await page.goto(bath);
  await expect(page.getByRole('region', { name: 'What it gave' })).toContainText(/2\..*Small noil.*Second load/);
  await openLot(page, BASE, 'Small noil');
  await expect(page.locator('.treatments')).toContainText('hollyhock petals');

  // The same again, in another place, topped up, and for fewer days.
  await page.goto(`${BASE}/shelf?tab=vessels`);
  await page.getByRole('button', { name: 'Add a vessel' }).click();
  await form.getByLabel('Name').fill('Jar in the shade');
  await form.getByLabel('Kind').click();
  await openList(page).getByTitle('jar', { exact: true }).click();
  await form.getByLabel('To the brim').fill('2 L');
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();
  await fillJar(page, BASE, 'Shade noil', 'Jar in the shade', HOLLYHOCK, 'Jar in the shade');
  await evening('Solar jar', 1, 80);
  await card(page, 'Solar jar')
    .getByRole('button', { name: /More acts/ })
    .click();
  await form.getByRole('button', { name: 'Addition' }).click();
  await form.getByLabel('What went in').click();
  await openList(page).getByTitle('water, topped up').click();
  await form.getByLabel(/How much/).fill('200 mL');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await evening('Solar jar', 2, 62);
  await doTheRest(page);
  await page.goto(`${BASE}/swatches`);
  for (const lot of ['Silk noil', 'Shade noil']) await page.getByRole('checkbox', { name: new RegExp(lot) }).check();
  await page.getByRole('button', { name: /Side by side/ }).click();
  const beside = page.getByRole('dialog', { name: 'Side by side' });
  for (const what of ['place', 'in the bath', 'topped up with water'])
    await expect(beside.getByRole('row', { name: new RegExp(`^${what} `) })).toContainText('differs');
  await expect(beside).toContainText('cannot be put down to anything here');
});
