import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, test } from './hands';
import { openList } from './planning';

/** The front half of the job, through the real pages: fibre, shelf, methods, quantities, bench. */

const lot = async (page: Page, id: string) => (await page.request.get(`/api/v1/lots/${id}`)).json();

test('a lot is split by weight, the parts carry its past, and are joined again', async ({ page }) => {
  await page.goto('/fibre/towels');
  await page.getByRole('button', { name: 'Split' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Weight of part 1').fill('150 g');
  await expect(dialog).toContainText('The parts weigh 355 g together, the lot 410 g');
  await dialog.getByLabel('Weight of part 2').fill('');
  await expect(dialog).toContainText('260 g are left for the part without a weight');
  await dialog.getByRole('button', { name: 'Split it' }).click();
  await expect(page.getByText('Split up into')).toBeVisible();
  await page.getByRole('link', { name: 'part 2' }).click();
  await expect(page.locator('.totals')).toContainText('about 260 g dry');
  await expect(page.locator('.treatments')).toContainText('soda ash');

  await page.goto('/fibre');
  for (const part of ['Linen and viscose towels, a', 'Linen and viscose towels, b']) await page.getByRole('checkbox', { name: `Choose ${part}` }).check();
  await page.getByRole('button', { name: 'Join into one' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Towels, whole again');
  await page.getByRole('dialog').getByRole('button', { name: 'Join them' }).click();
  await expect(page.getByRole('heading', { name: 'Towels, whole again' })).toBeVisible();
  await expect(page.locator('.totals')).toContainText('about 410 g dry');
});

test('a weight by size, a finish, and a colour read off a picture', async ({ page }) => {
  await page.goto('/fibre');
  await page.getByRole('button', { name: 'Add a lot' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Two squares');
  await dialog.getByLabel('How it is known').click();
  await openList(page).getByTitle('cloth: size × g/m²').click();
  await dialog.getByLabel('Width').fill('20');
  await dialog.getByLabel('Length').fill('20');
  await dialog.getByLabel('Pieces of this size').fill('2');
  await dialog.getByLabel('Mass per area').fill('200');
  await expect(dialog).toContainText('width × length × pieces × mass per area = 16 g');
  await dialog.getByRole('checkbox', { name: 'bleached' }).check();
  // A picture of one colour, drawn here: the colour read is that colour.
  const picture = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 40, height: 40 });
    const context = canvas.getContext('2d');
    if (context) context.fillStyle = '#8b4513';
    context?.fillRect(0, 0, 40, 40);
    return canvas.toDataURL('image/png').split(',')[1] ?? '';
  });
  await dialog.locator('input[type=file]').setInputFiles({ name: 'wool.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
  await dialog.getByRole('button', { name: 'Take the middle' }).click();
  await expect(dialog).toContainText('#8b4513');
  await dialog.locator('input[type=file]').setInputFiles({ name: 'not.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(dialog.getByRole('alert')).toContainText('could not be read as a picture');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await page.getByRole('searchbox', { name: 'Find a lot' }).fill('bleached squares');
  await expect(page.locator('.row .row-main').first()).toContainText('Two squares');
  await expect(page.locator('.filters')).toContainText('1 of');
});

test('a dyebath on a bag nobody knows asks, and “mordant anyway” puts a mordant before it', async ({ page }) => {
  await page.goto('/sessions/hollyhock-jar/change');
  const question = page.getByRole('region', { name: /Bag without a label: is it mordanted/ });
  await expect(question).toContainText('If it is:');
  await expect(question).toContainText('believed');
  await question.getByRole('button', { name: 'Look after 15 min', exact: true }).click();
  await expect(question).toContainText('Calls for a look early');
  await question.getByRole('button', { name: 'Mordant it anyway', exact: true }).click();
  await expect(question).toBeHidden();
  await expect(page.locator('.chain-name').nth(1)).toHaveText('Alum, low');
});

test('“2 %” asks once which, and keeps to it; 80 °C given as 160 °F is pointed out', async ({ page }) => {
  await page.goto('/sessions/new');
  await page.getByRole('checkbox', { name: /Gotland lamb/ }).check();
  const alum = page.locator('#item-c2');
  await alum.getByRole('button', { name: /Alum, low/ }).click();
  const field = alum.getByLabel('Set potash alum instead');
  await field.fill('2 %');
  await field.press('Enter');
  const asked = alum.getByRole('group', { name: 'Which 2 %?' });
  await expect(asked).toContainText('30 times apart');
  await asked.getByRole('button', { name: /A solution: 91.2 g/ }).click();
  await expect(alum.locator('.amount').first()).toContainText('91.2 g');
  await field.fill('1 %');
  await field.press('Enter');
  await expect(asked).toBeHidden();
  await expect(alum.locator('.amount').first()).toContainText('45.6 g');
  await expect(alum).toContainText('1 % read as a solution');
  await field.fill('1 1/2 tsp (US)');
  await field.press('Enter');
  await expect(alum).toContainText('A spoon is a guess: 7.02 g give or take 16 %');
  const hold = alum.getByLabel(/hold from/);
  await hold.fill('80 °C / 160 °F');
  await hold.press('Enter');
  await expect(alum.getByRole('alert')).toContainText('160 °F is 71.1 °C. Which is it?');
});

test('a method is copied, changed in versions, saved as a file and taken in again', async ({ page }) => {
  await page.goto('/methods/alum-16');
  await page.getByRole('button', { name: 'Edit a copy' }).click();
  await expect(page.getByRole('heading', { name: 'Alum, one hot hour, my way' })).toBeVisible();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByLabel('Usual alum').fill('140');
  await page.getByLabel('Usual alum').blur();
  await expect(page.getByRole('alert').filter({ hasText: 'outside 0–100 % WOF' })).toBeVisible();
  await page.getByLabel('Usual alum').fill('14');
  await page.getByLabel('Usual alum').blur();
  await page.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(page.locator('.figures')).toContainText('14 % WOF');
  await page.getByText('Version 1', { exact: true }).click();
  await expect(page.locator('.figures')).toContainText('16 % WOF');

  await page.getByText('Version 2, the newest').click();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const text = await readFile(await (await saving).path(), 'utf8');
  const file = JSON.parse(text) as { formatVersion: number; method: { name: string } };
  await page.goto('/methods');
  await page.getByRole('button', { name: 'Take a file in' }).click();
  const take = (content: string) =>
    page
      .getByRole('dialog')
      .locator('input[type=file]')
      .setInputFiles({ name: 'method.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await take('{ broken');
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('not JSON');
  await take(JSON.stringify({ ...file, formatVersion: 9 }));
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('newer version');
  await take(JSON.stringify({ ...file, method: { ...file.method, name: 'Back from a file' } }));
  await expect(page.getByRole('heading', { name: 'Back from a file' })).toBeVisible();
});

test('the weigh-out list is ticked off line by line, planned beside weighed, and the stove takes what was weighed', async ({ page }) => {
  await page.goto('/sessions/dock-jersey/weigh-out');
  await expect(page.getByText('0 of 9 ready')).toBeVisible();
  await page.getByRole('button', { name: 'soda ash: ready' }).click();
  await expect(page.getByText('1 of 9 ready')).toBeVisible();
  const acetate = page.locator('.weigh-line').filter({ hasText: 'aluminium acetate' });
  await acetate.getByRole('button', { name: 'another amount' }).click();
  await acetate.getByLabel('How much aluminium acetate').fill('much');
  await acetate.getByLabel('How much aluminium acetate').press('Enter');
  await expect(acetate.getByRole('alert')).toContainText('Start with a number');
  await acetate.getByLabel('How much aluminium acetate').fill('19 g');
  await acetate.getByLabel('How much aluminium acetate').press('Enter');
  await expect(acetate).toContainText('weighed 19 g (+1.4 g)');
  await expect(page.getByRole('heading', { name: 'To buy or gather' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('2 of 9 ready')).toBeVisible();
  await page.getByRole('button', { name: 'soda ash: take the tick back' }).click();
  await expect(page.getByText('1 of 9 ready')).toBeVisible();

  const soda = page.locator('.weigh-line').filter({ hasText: 'soda ash' });
  await soda.getByRole('button', { name: 'another amount' }).click();
  await soda.getByLabel('How much soda ash').fill('5 g');
  await soda.getByLabel('How much soda ash').press('Enter');
  await expect(soda).toContainText('weighed 5 g (+0.6 g)');
  const started = await page.request.post('/api/v1/sessions/dock-jersey/runs', { data: { id: 'run-dock', eventId: 'run-dock-start', planVersion: 1 } });
  expect(started.ok()).toBe(true);
  await page.goto('/runs/run-dock');
  await page.getByRole('region', { name: 'Ready: Scour' }).getByRole('button', { name: 'Begin' }).click();
  await page
    .getByRole('button', { name: /Added soda ash/ })
    .first()
    .click();
  await expect(page.getByRole('dialog').getByLabel(/How much/)).toHaveValue('5 g');
});

test('stock is put on the shelf with its label; a retired vessel is no longer offered, its records stay', async ({ page }) => {
  await page.goto('/shelf?tab=assistants');
  await page.getByRole('searchbox', { name: 'Find on the shelf' }).fill('citric');
  await page.getByRole('listitem').first().getByRole('button').click();
  await page.getByRole('button', { name: 'Put some on the shelf' }).click();
  const dialog = page.getByRole('dialog', { name: 'Put on the shelf' });
  await dialog.getByLabel('How much there is').fill('1 lb');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(page.locator('.row-figure').first()).toHaveText('454 g');

  await page.goto('/shelf?tab=vessels');
  await page.getByRole('button', { name: 'Enamel tray' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Put it away' }).click();
  await page.getByRole('button', { name: 'Yes' }).click();
  await expect(page.getByRole('button', { name: 'Enamel tray' })).toBeHidden();
});

test('every tool of the bench keeps its state in the address', async ({ page }) => {
  await page.goto('/bench');
  await page.getByLabel('Dry fibre').fill('3 lb 4 oz');
  await expect(page.locator('.bench-answer').first()).toContainText('147 g');
  await page.reload();
  await expect(page.getByLabel('Dry fibre')).toHaveValue('3 lb 4 oz');
  for (const [url, answer] of [
    ['/bench?tool=harvest&plant=ocotillo&form=dried&fibre=33+g&hand=110+g', '55 g of fibre'],
    ['/bench?tool=harvest&fibre=300+g&hand=100-200+g', '0.333–0.667 : 1'],
    ['/bench?tool=dose&fibre=250+g&pct=10-20', '25–50 g'],
    ['/bench?tool=dose&fibre=200+g&bath=12+cups+%28US%29&added=4+tbsp+%28US%29', '14.5 : 1'],
    ['/bench?tool=dose&fibre=100+g&amount=1+tsp+%28US%29&from=4+g', '123 mL'],
    ['/bench?tool=ladder&second=25', '8.75 g + 4.38 g in it'],
    ['/bench?tool=spoons&powder=alum&spoons=1+tsp+%28US%29', 'give or take 16 %'],
    ['/bench?tool=ladder&start=100+mL&take=50+mL&halvings=2', '200 mL'],
    ['/bench?tool=stock&mass=0.66+g&scale=1+g', '66 mL of a 1 % stock'],
    ['/bench?tool=weight&system=Nm&count=16&plies=2&yarn=800+m', '100 g'],
    ['/bench?tool=boil&altitude=1500', '95 °C'],
    ['/bench?tool=ph&bath=4+L&alkalinity=100+mg/L&strength=5&to=4.5', '26 mL'],
    ['/bench?tool=ph&bath=4+L&alkalinity=100+mg/L&strength=5&much=20+mL', 'pH then 4.7'],
    ['/bench?tool=ph&in=sodaAsh&now=7&put=2+g&then=13', 'read a second strip'],
    ['/bench?tool=ph&in=sodaAsh&much=10+g', 'wool stops taking'],
    ['/bench?tool=trouble', 'mordant 60–90 min'],
    ['/bench?tool=words', 'Weight of fibre'],
  ] as const) {
    await page.goto(url);
    await expect(page.locator('.bench')).toContainText(answer);
  }
  await page.goto('/bench?tool=dose&fibre=much');
  await expect(page.locator('.bench').getByRole('alert')).toContainText('Start with a number');
});

test('labels carry text a person can read and a code that opens the lot', async ({ page }) => {
  await page.goto('/fibre/labels?ids=gotland');
  const label = page.locator('.label');
  await expect(label).toContainText('152 g dry');
  await expect(label).toContainText('potash alum 11.2 %');
  await expect(label.getByRole('img', { name: 'Code that opens Gotland lamb, three skeins' })).toBeVisible();
});

test('two people editing one lot: the second is told in the form, and nothing is overwritten', async ({ page }) => {
  await page.goto('/fibre/ribbon');
  await page.getByRole('button', { name: 'Change' }).click();
  await page.getByRole('dialog').getByLabel('Note').fill('mine');
  const { revision, name, form, composition, finishes, dryWeightG, weightFrom, pieces, baseHex } = await lot(page, 'ribbon');
  const other = await page.request.put('/api/v1/lots/ribbon', {
    data: { name, form, composition, finishes, dryWeightG, weightFrom, pieces, baseHex, note: 'theirs', revision },
  });
  expect(other.status()).toBe(200);
  await page.getByRole('dialog').getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('nothing was overwritten');
  await expect(page.getByRole('dialog').getByLabel('Note')).toHaveValue('mine');
  expect((await lot(page, 'ribbon')).note).toBe('theirs');
});
