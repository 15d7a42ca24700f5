import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { openList, pick } from './planning';
import { addLot, beenHere, chooseWay, doTheRest, lotIn, openLot, usualKitchen } from './steps';

/** One cone in three parts, each with its own mordant, all in one bath of leaf that nobody weighed. */

const { base: BASE } = serverWithClock(4196);
test.use(beenHere(BASE));

test('three mordants, one bath: grams for each, leaf by the cup, iron and alum parted', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Cone', '96 g');
  await lotIn(page, 'Cone').click();
  await page.getByRole('button', { name: 'Split' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Into even parts').fill('3');
  for (let part = 1; part <= 3; part++) await expect(form.getByLabel(`Weight of part ${part}`)).toHaveValue('32 g');
  await form.getByRole('button', { name: 'Split it' }).click();
  await expect(page.getByText('Split up into')).toBeVisible();

  await page.goto(`${BASE}/sessions/new`);
  for (const part of ['a', 'b', 'c']) await page.getByRole('checkbox', { name: `Cone, ${part}` }).check();
  await chooseWay(page, 'Three mordants, one bath');
  const chain = page.locator('.chain-name').locator('..');
  await expect(chain.filter({ hasText: 'Alum, one hot hour' })).toContainText('potash alum 5.12 g');
  await expect(chain.filter({ hasText: 'Iron mordant' })).toContainText('ferrous sulfate 1.92 g');

  // Leaf by the cup, as it was said, and never turned into grams.
  const extract = page.locator('#item-c4');
  await extract
    .getByRole('button', { name: /Extract/ })
    .first()
    .click();
  await extract.getByLabel('Dyestuff').click();
  await pick(page, 'birch', /^birch leaf/);
  await extract.getByLabel('Set birch leaf instead').fill('3-4 cups (metric)');
  await extract.getByLabel('Set birch leaf instead').press('Enter');
  await expect(extract.locator('.amount').first()).toContainText('birch leaf750 mL – 1 L');

  // Ninety minutes at 70–80 °C, never above 82.2, stirred every quarter of an hour.
  const bath = page.locator('#item-c6');
  await bath
    .getByRole('button', { name: /Dyebath, slow/ })
    .first()
    .click();
  for (const [label, text] of [
    [/^hold \(|^hold$/, '90 min'],
    [/^hold from/, '70–80 °C'],
    [/^never above/, '82.2 °C'],
    [/^stir every/, '15 min'],
  ] as const) {
    await bath.getByLabel(label).fill(text);
    await bath.getByLabel(label).press('Enter');
  }
  await expect(bath.getByLabel(/^never above/)).toHaveValue('82.2 °C');

  // The label on the iron is asked for where it stops, and answered there.
  const iron = page.locator('#item-c3');
  await iron
    .getByRole('button', { name: /Iron mordant/ })
    .first()
    .click();
  await iron.getByLabel('ferrous sulfate: on the label').click();
  await openList(page)
    .getByTitle(/heptahydrate/)
    .first()
    .click();
  const cautions = page.getByRole('region', { name: 'Cautions' });
  await expect(cautions).not.toContainText('Stop');
  // "6 %" may be of the fibre or of the bath: it is asked, with both figures.
  await iron.getByLabel('Set ferrous sulfate instead').fill('6 %');
  await iron.getByLabel('Set ferrous sulfate instead').press('Enter');
  const which = iron.getByRole('group', { name: 'Which 6 %?' });
  await expect(which.getByRole('button', { name: 'Of the fibre’s weight: 1.92 g' })).toBeVisible();
  await expect(which.getByRole('button', { name: /^A solution: \d/ })).toBeVisible();
  await which.getByRole('button', { name: 'Of the fibre’s weight: 1.92 g' }).click();
  await expect(chain.filter({ hasText: 'Iron mordant' })).toContainText('ferrous sulfate 1.92 g');

  // All three rinsed in one bath: the iron travels to the alum skein. Parted in one tap.
  const mixed = 'Goods with iron and goods without in one bath';
  await cautions.getByRole('button', { name: /more caution/ }).click();
  await expect(cautions).toContainText(mixed);
  await page.getByRole('button', { name: 'Rinse: each lot in its own vessel' }).click();
  await expect(cautions).not.toContainText(mixed);
  await page.getByLabel('Name', { exact: true }).fill('Three mordants');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('checkbox', { name: /Every piece tagged/ }).check();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.locator('.log li').filter({ hasText: 'Before the start' })).toContainText('ticked: Every piece tagged');

  // All of it done; three results, each wet, rinsed and dry.
  await doTheRest(page, '3-4 cups (metric)');
  const results = page.getByRole('region', { name: 'How it came out' });
  const form2 = page.getByRole('dialog');
  for (const [part, dry] of [
    ['a', '80 -2 30'],
    ['b', '74 -1 48'],
    ['c', '46 2 14'],
  ] as const) {
    await openLot(page, BASE, `Cone, ${part}`);
    for (const [state, l] of [
      ['wet', -14],
      ['rinsed', -12],
      ['dry', 0],
    ] as const) {
      const [lightness, a, b] = dry.split(' ').map(Number);
      await page.getByRole('button', { name: 'Say how' }).click();
      // A form that has only just opened may miss a tap on a busy machine: looked at, and done again.
      await expect(async () => {
        await form2.getByText('typed', { exact: true }).click();
        await expect(form2.getByLabel('L a b, or a hex')).toBeVisible({ timeout: 2_000 });
      }).toPass({ timeout: 20_000 });
      await form2.getByLabel('L a b, or a hex').fill(`${(lightness ?? 0) + l} ${a} ${b}`);
      for (const word of [state, 'daylight']) await form2.getByText(word, { exact: true }).click();
      await form2.getByRole('button', { name: 'Keep' }).click();
      await expect(form2).toBeHidden();
    }
    await expect(results.getByRole('button', { name: /^Set right/ })).toHaveCount(3);
  }
  // The next plan is told of the pot that held the iron, and of the skein that carries it.
  await page.goto(`${BASE}/sessions/new`);
  for (const part of ['b', 'c']) await page.getByRole('checkbox', { name: `Cone, ${part}` }).check();
  await chooseWay(page, 'Dye what is mordanted, or over a colour');
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText(mixed);
  // Bare beside alum: one thing differs.
  await page.goto(`${BASE}/swatches`);
  for (const part of ['a', 'b']) await page.getByRole('checkbox', { name: new RegExp(`Cone, ${part}`) }).check();
  await page.getByRole('button', { name: /Side by side/ }).click();
  await expect(form2).toContainText('One thing differs: a fair comparison.');
  await expect(form2.getByRole('row', { name: /^mordant/ })).toContainText('none, on purpose');
  await expect(form2.getByRole('rowheader')).toHaveCount(1);
});
