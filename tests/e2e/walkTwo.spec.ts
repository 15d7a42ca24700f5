import type { Page } from '@playwright/test';
import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { openList, pick } from './planning';
import { addLot, beenHere, card, doTheRest, endStep, openLot, passStep, planOver, say, usualKitchen } from './steps';

/** Two results that differ in two things: no cause, but the trial that would tell, cut, dyed and read. */

const { base: BASE, pass } = serverWithClock(4215);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

/** A skein whose past is known: scoured, no tannin, so much alum. */
async function mordanted(page: Page, name: string, alumPct: string): Promise<void> {
  await addLot(page, BASE, name, '30 g');
  await openLot(page, BASE, name);
  for (const [what, certainty, substance, pct] of [
    ['scoured', 'known', 'soap', ''],
    ['tannin', 'none on purpose', '', ''],
    ['mordant', 'known', 'potash alum', alumPct],
  ] as const) {
    await page.getByRole('button', { name: 'Add to its past' }).click();
    const past = page.getByRole('dialog', { name: /past/ });
    for (const [label, title] of [
      ['What was done', what],
      ['How well is it known', certainty],
    ] as const) {
      await past.getByLabel(label).click();
      await openList(page).getByTitle(title, { exact: true }).click();
    }
    await past.getByLabel('With what').fill(substance);
    await past.getByLabel('Percent of its weight').fill(pct);
    await past.getByRole('button', { name: 'Keep' }).click();
    await expect(past).toBeHidden();
  }
}

/** Both in one weld bath: the first is out after 45 minutes, the second after an hour. */
async function dyedTogether(page: Page): Promise<void> {
  await planOver(page, BASE, 'First skein', 'Weld, two skeins', ['weld', /^weld/]);
  await page
    .getByRole('checkbox', { name: /Second skein/ })
    .first()
    .check();
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  const ready = (step: string) => page.getByRole('region', { name: new RegExp(`^Ready: ${step}`) }).getByRole('button', { name: 'Begin' });
  await ready('Extract').click();
  const form = page.getByRole('dialog');
  await card(page, 'Extract').getByRole('button', { name: 'Added weld' }).click();
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await endStep(page, card(page, 'Extract'));
  await passStep(page, 'Strain');
  await ready('Dye').click();
  const dye = card(page, 'Dye, weld');
  await dye.getByRole('button', { name: /^Heat on/ }).click();
  await dye.getByRole('button', { name: /^Start hold/ }).click();
  await pass(45);
  await page.reload();
  await dye.getByRole('button', { name: /More acts/ }).click();
  await page.getByRole('button', { name: 'First skein alone out' }).click();
  await pass(15);
  await page.reload();
  await endStep(page, dye);
  for (const step of ['Rinse', 'Dry']) await passStep(page, step);
}

test('alum 10 and 15 %, 45 and 60 min: both named, no cause; two by two twice over, and then what each does, give or take', async ({ page }) => {
  await usualKitchen(page, BASE);
  await mordanted(page, 'First skein', '10 %');
  await mordanted(page, 'Second skein', '15 %');
  await dyedTogether(page);
  for (const [name, lab] of [
    ['First skein', '78 -6 52'],
    ['Second skein', '74 -3 60'],
  ] as const) {
    await openLot(page, BASE, name);
    await page.getByRole('button', { name: 'Say how' }).click();
    await say(page, lab, 'dry', 'daylight');
  }
  await addLot(page, BASE, 'Trial wool', '100 g');

  await page.goto(`${BASE}/swatches`);
  for (const name of ['First skein', 'Second skein']) await page.getByRole('checkbox', { name: new RegExp(`Weld.*on ${name}`, 'i') }).check();
  await page.getByRole('button', { name: /Side by side/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('cannot be put down to any one of them');
  await expect(sheet.getByRole('row', { name: /^mordant/ })).toContainText(/alum 10 %.*alum 15 %.*differs/);
  await expect(sheet.getByRole('row', { name: /^in the bath/ })).toContainText(/45 min.*1 h.*differs/);
  await expect(sheet).toContainText('8 pieces would tell: each mordant with each in the bath (2 × 2), twice over, all else alike.');
  await sheet.getByRole('button', { name: 'Make that trial' }).click();

  const form = page.getByRole('dialog', { name: 'Make a trial' });
  const comesTo = form.getByRole('region', { name: 'What it comes to' });
  await form.getByLabel('Weight of a piece').fill('10');
  await form.getByLabel('Kept out as controls').fill('0');
  await form.getByLabel('Cut from').click();
  await pick(page, 'Trial wool', 'Trial wool');
  await expect(comesTo).toContainText('4 cells, 8 pieces, 80 g of fibre of 100 g; 2 dyebaths');
  await expect(comesTo).toContainText(/In this kitchen: .* from first to last, hands /);
  await form.getByRole('button', { name: 'Cut the pieces' }).click();

  // Who judges a piece does not see from its code what it got.
  const grid = page.getByRole('region', { name: 'The grid' });
  await expect(grid.getByRole('button', { name: /not looked at yet/ })).toHaveCount(8);
  const codes = await grid.getByRole('button').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')?.split(':')[0] ?? ''));
  expect(codes.toSorted((a, b) => a.localeCompare(b))).not.toEqual(codes);
  const trial = page.url();

  await page.getByRole('button', { name: 'Plan the session' }).click();
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await doTheRest(page);

  // In the order of the grid: five more of alum does 3 in lightness, a quarter of an hour 2, and no two pieces are alike by 0.2.
  await page.goto(trial);
  await expect(grid.getByRole('button', { name: /not looked at yet/ })).toHaveCount(8);
  const cells = await grid.getByRole('button').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')?.split(':')[0] ?? ''));
  const [low, high] = [
    [80, 78],
    [77, 75],
  ];
  for (const [i, code] of cells.entries()) {
    const l = (i < 4 ? low : high)[Math.floor(i / 2) % 2] as number;
    await grid.getByRole('button', { name: `${code}: not looked at yet` }).click();
    const looking = page.getByRole('dialog', { name: `How ${code} came out` });
    await looking.getByText('typed', { exact: true }).click();
    await looking.getByLabel('L a b, or a hex').fill(`${l + (i % 2 ? 0.2 : -0.2)} -4 55`);
    await looking.getByRole('button', { name: 'Keep' }).click();
    await expect(looking).toBeHidden();
  }
  await expect(page.getByText('8 of 8 pieces looked at')).toBeVisible();
  const tells = page.getByRole('region', { name: 'What it tells so far' });
  await expect(tells).toContainText(/15 % instead of Alum, low[\s\S]*ΔL\* −3\.0 ± \d\.\d/);
  await expect(tells).toContainText(/60 min instead of 45 min[\s\S]*ΔL\* −2\.0 ± \d\.\d/);
  await expect(tells).not.toContainText('how sure a difference is, is not known');
});
