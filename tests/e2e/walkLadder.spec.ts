import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { openList, pick } from './planning';
import { addLot, beenHere, card, chooseWay, usualKitchen } from './steps';

/** The paste ladder: halved twice, mixed at the stove with its gum, its vinegar asked about once; what comes out is looked at in a trial of its own. */

const BASE = emptyServer(4216);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('80 mL halved twice: what is left and what it holds; mixed at the stove, each label answered once, never heated', async ({ page }) => {
  await usualKitchen(page, BASE);
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.goto(`${BASE}/bench?tool=ladder`);
  for (const [label, text] of [
    ['Full strength to begin with', '80 mL'],
    ['Its strength, g/L', '50'],
    ['Something beside it, g/L', '25'],
    ['Take each time', '40 mL'],
    ['Halvings', '2'],
  ] as const)
    await page.getByLabel(label).fill(text);
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows).toHaveText([
    /Strength.*Left.*Holds/,
    /100 %.*50.*40 mL.*2 g \+ 1 g/,
    /50 %.*25.*40 mL.*1 g \+ 0\.5 g/,
    /25 %.*12\.5.*80 mL.*1 g \+ 0\.5 g/,
  ]);
  await expect(page.locator('.bench')).toContainText('160 mL');
  await expect(page.locator('.bench')).toContainText('4 g + 2 g');

  await addLot(page, BASE, 'Linen', '60 g', 'linen');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Linen/ }).check();
  await chooseWay(page, 'Iron paste, then a tannin dip');
  const paste = page.locator('#item-c1');
  await paste
    .getByRole('button', { name: /Iron paste/ })
    .first()
    .click();
  await paste.getByLabel(/^vinegar to begin with/).fill('80 mL');
  await paste.getByLabel(/^vinegar to begin with/).press('Enter');
  await expect(paste.locator('.amount').filter({ hasText: 'ferrous sulfate' })).toContainText('4 g');
  await expect(paste.locator('.amount').filter({ hasText: 'calcium hydroxide' })).toContainText('2 g');
  await expect(paste).toContainText('no steam, no heat');

  // Each label is answered once, where it is asked.
  const stops = page.locator('.sticky');
  for (const [what, typed] of [
    ['ferrous sulfate', /heptahydrate/],
    ['white vinegar', /^5 %/],
  ] as const) {
    await expect(stops).toContainText(`${what}: which form or strength is on the label?`);
    await paste.getByLabel(`${what}: on the label`).click();
    await openList(page).getByTitle(typed).click();
    await expect(stops).not.toContainText(`${what}: which form or strength is on the label?`);
  }
  // Somebody steams what was painted: objected to, and left out again.
  await page.getByLabel('Add a step').click();
  await pick(page, 'steamed', /^Bundle, steamed/);
  const cautions = page.getByRole('region', { name: 'Cautions' });
  const steamed = page.locator('[id^=item-]').filter({ hasText: 'Bundle, steamed' });
  await steamed
    .getByRole('button', { name: /Bundle, steamed/ })
    .first()
    .click();
  const more = cautions.getByRole('button', { name: /more caution/ });
  if (await more.isVisible()) await more.click();
  await expect(cautions).toContainText('wants no steam');
  await steamed.getByRole('button', { name: 'Leave out' }).click();
  await expect(steamed).toHaveCount(0);
  await expect(cautions).not.toContainText('wants no steam');
  const dip = page.locator('#item-c2');
  await dip
    .getByRole('button', { name: /Tannin/ })
    .first()
    .click();
  await dip.getByLabel('Dyestuff', { exact: true }).click();
  await pick(page, 'gall', /gall/);
  await page.getByLabel('Name', { exact: true }).fill('Paste ladder');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const mixing = page.getByRole('region', { name: /^Ready: Mix/ });
  await mixing.getByRole('button', { name: 'Begin' }).click();
  const mix = card(page, 'Mix and dilute');
  await expect(mix).toContainText('Dilute by halves first, then thicken each, a pinch at a time');
  const form = page.getByRole('dialog');
  for (const [what, much] of [
    ['ferrous sulfate', '4 g'],
    ['calcium hydroxide', '2 g'],
  ] as const) {
    await mix.getByRole('button', { name: `Added ${what}` }).click();
    await expect(form.getByLabel(/How much/)).toHaveValue(much);
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form).toBeHidden();
  }
  // A pinch at a time: three of them are one figure.
  for (const pinch of ['0.3 g', '0.3 g', '0.2 g']) {
    await page.getByRole('button', { name: /^More acts for/ }).click();
    await form.getByRole('button', { name: /Addition/ }).click();
    await form.getByLabel('What went in').click();
    await openList(page).getByTitle('guar gum').click();
    await form.getByLabel(/How much/).fill(pinch);
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form).toBeHidden();
  }
  await expect(mix).toContainText('ferrous sulfate 50 g/L; calcium hydroxide 25 g/L; guar gum 10 g/L');

  // Somebody warms it all the same.
  await page.getByLabel('Type an act').fill('60 c');
  await page.getByLabel('Type an act').press('Enter');
  await expect(page.locator('main')).toContainText('60 °C: a paste is never heated. Let it cool');
});
