import type { Page } from '@playwright/test';
import { expect, test } from './hands';
import { chooseDyestuff, openList } from './planning';

/** Forms of the shelf and of a lot's past, as somebody fills them, mistakes included. */

const dialog = (page: Page) => page.getByRole('dialog');
const keep = (page: Page) => dialog(page).getByRole('button', { name: 'Keep', exact: true }).click();

test('a bath left by a finished run is kept, aged, offered to a plan, and poured away', async ({ page }) => {
  await page.goto('/runs/run-weld/record');
  const left = page.locator('.bath-left').filter({ hasText: 'Rest in bath' });
  await expect(left).toContainText('Never a storm drain');
  await left.getByRole('button', { name: 'Keep this bath' }).click();
  await dialog(page).getByLabel('Name').fill('');
  await keep(page);
  await expect(dialog(page).getByRole('alert')).toContainText('Give it a name');
  await dialog(page).getByLabel('Name').fill('Weld, kept from the record');
  await dialog(page).getByLabel('Volume').fill('a bucket');
  await keep(page);
  await expect(dialog(page).getByRole('alert')).toContainText('Start with a number');
  await dialog(page).getByLabel('Volume').fill('1 gal (US)');
  await keep(page);
  await expect(dialog(page)).toBeHidden();

  await page.goto('/shelf?tab=liquors');
  const row = page.locator('.row').filter({ hasText: 'Weld, kept from the record' });
  await expect(row).toContainText('3.79 L');
  await expect(row).toContainText('not labelled yet');
  await row.getByRole('link').click();
  await expect(page.getByRole('region', { name: 'What is left of its colour' })).toContainText('a wide guess');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Pour it away' }).click();
  await expect(dialog(page)).toContainText('local rules');
  await dialog(page).getByRole('button', { name: 'It is poured away' }).click();
  await expect(page.getByText('It is poured away. All that was known of it stays here.')).toBeVisible();
  await page.goto('/shelf?tab=liquors');
  await expect(page.getByRole('list', { name: 'Kept baths' })).toBeVisible();
  await expect(row).toHaveCount(0);
});

test('a volume kept as it was offered, and halves as they were proposed, are measured by nobody', async ({ page }) => {
  await page.goto('/runs/run-weld/record');
  await page.locator('.bath-left').filter({ hasText: 'Rest in bath' }).getByRole('button', { name: 'Keep this bath' }).click();
  await dialog(page).getByLabel('Name').fill('Weld, as it stood');
  await keep(page);
  await page.goto('/shelf?tab=liquors');
  await expect(page.locator('.row').filter({ hasText: 'Weld, as it stood' })).toContainText('about');

  const halves = {
    id: 'halves',
    name: 'To be halved',
    form: 'skein',
    composition: [{ fibre: 'wool', pct: 100 }],
    dryWeightG: { state: 'measured', value: 100 },
    pieces: 2,
    baseHex: null,
    note: '',
  };
  expect((await page.request.post('/api/v1/lots', { data: halves })).ok()).toBe(true);
  await page.goto('/fibre/halves');
  await page.getByRole('button', { name: 'Split' }).click();
  await dialog(page).getByLabel('Weight of part 2').fill('50.0 g');
  await dialog(page).getByRole('button', { name: 'Split it' }).click();
  await expect(page.getByText('Split up into')).toBeVisible();
  const lots: { name: string; dryWeightG: { state: string } }[] = await (await page.request.get('/api/v1/lots')).json();
  const states = lots.filter((lot) => /^To be halved, [ab]$/.test(lot.name)).map((lot) => lot.dryWeightG.state);
  expect(states).toEqual(['estimated', 'measured']);
});

test('a plant of one’s own is added and planned with; one that hurts is said while its name is typed', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'One that is not here' }).click();
  await dialog(page).getByLabel('Name').fill('Tansy from the lane');
  await expect(dialog(page)).toContainText(/thujone/);
  await dialog(page).getByLabel('Name').fill('Garden tickseed');
  await expect(dialog(page)).not.toContainText(/thujone/);
  await dialog(page).getByLabel('Fresh, to fibre').fill('3');
  await keep(page);
  await expect(dialog(page)).toBeHidden();
  await page.getByRole('searchbox', { name: 'Find on the shelf' }).fill('tickseed');
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await page.goto('/sessions/new');
  await page.getByRole('checkbox', { name: /Gotland lamb/ }).check();
  const extract = await chooseDyestuff(page, 'tickseed', 'Garden tickseed');
  await expect(extract.locator('.amount').first()).toContainText('456 g');
});

test('a blocked substance is refused in words, and nothing typed is lost', async ({ page }) => {
  await page.goto('/shelf?tab=assistants');
  await page.getByRole('button', { name: 'One that is not here' }).click();
  await dialog(page).getByLabel('Name').fill('Potassium dichromate');
  await keep(page);
  await expect(dialog(page).getByRole('alert').first()).toContainText('hazardous-waste');
  await expect(dialog(page).getByLabel('Name')).toHaveValue('Potassium dichromate');
});

test('the home reads as sentences, each changed in its place, and plans follow', async ({ page }) => {
  await page.goto('/shelf?tab=home');
  await page.getByRole('button', { name: 'Change: Where it stands' }).click();
  await dialog(page).getByLabel('Altitude').fill('9000');
  await keep(page);
  await expect(dialog(page).getByRole('alert')).toContainText('At most 6000');
  await dialog(page).getByLabel('Altitude').fill('1500');
  await keep(page);
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText('It lies 1500 m up, where water boils near 95 °C.')).toBeVisible();
  await page.getByRole('button', { name: 'Change: The water' }).click();
  await dialog(page).getByLabel('Alkalinity').fill('10 °dH');
  await expect(dialog(page)).toContainText('= 178 mg/L');
  await keep(page);
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText('The tap’s alkalinity is 178 mg/L')).toBeVisible();
  await page.goto('/bench?tool=ph');
  await expect(page.locator('.bench')).toContainText('as at home: 178 mg/L');
  await page.goto('/shelf?tab=home');
  await page.getByRole('button', { name: 'Change: Awake and away' }).click();
  await dialog(page).getByLabel('Awake until').fill('half past ten');
  await keep(page);
  await expect(dialog(page).getByRole('alert')).toContainText('is no time');
  await dialog(page).getByLabel('Awake until').fill('11 pm');
  await expect(dialog(page)).toContainText('= 23:00');
  await keep(page);
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText(/is awake from .* to 23:00/)).toBeVisible();
  // As it was, for whoever comes after.
  const home = await (await page.request.get('/api/v1/home')).json();
  const put = await page.request.put('/api/v1/home', { data: { ...home, altitudeM: 4, diary: { ...home.diary, sleepAt: '22:30' } } });
  expect(put.status()).toBe(200);
});

test('a vessel: an unknown volume is fine, a nothing is not', async ({ page }) => {
  await page.goto('/shelf?tab=vessels');
  await page.getByRole('button', { name: 'Add a vessel' }).click();
  await dialog(page).getByLabel('Name').fill('Copper kettle');
  await dialog(page).getByLabel('To the brim').fill('0');
  await keep(page);
  await expect(dialog(page).getByRole('alert')).toContainText('A vessel holds more than 0 L');
  await dialog(page).getByLabel('To the brim').fill('');
  await keep(page);
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByRole('button', { name: /Copper kettle/ })).toBeVisible();
});

test('two lots side by side: belief is not knowledge', async ({ page }) => {
  await page.goto('/fibre/gotland');
  await page.getByLabel('Compare with').click();
  await openList(page).getByTitle('Bag without a label').click();
  const compared = page.locator('.compare');
  await expect(compared.getByRole('row', { name: /^mordant/ })).toContainText('believed');
  await expect(page.getByText(/cannot be put down to anything here/)).toBeVisible();
});

test('a lot’s past: the tips of a cord dipped in iron are the tips’ alone', async ({ page }) => {
  await page.goto('/fibre/cord');
  await page.getByRole('button', { name: 'Add to its past' }).click();
  await dialog(page).getByLabel('What was done').click();
  await openList(page).getByTitle('iron', { exact: true }).click();
  await dialog(page).getByLabel('With what').fill('ferrous sulfate');
  await dialog(page).getByLabel('Percent of its weight').fill('2');
  await dialog(page).getByLabel('Which part').fill('tips');
  await keep(page);
  await expect(page.locator('.treatments')).toContainText('tips');
  await expect(page.locator('.questions')).toContainText('no, on purpose');
});

test('on a phone: a lot is found, split and labelled with one thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/fibre');
  await page.getByRole('searchbox', { name: 'Find a lot' }).fill('ramie');
  await page.getByRole('link', { name: 'Ramie cord' }).click();
  await page.getByRole('button', { name: 'Split' }).click();
  await expect(dialog(page).getByRole('button', { name: 'Split it' })).toBeInViewport({ ratio: 0.01 });
  await dialog(page).getByRole('button', { name: 'Not now' }).click();
  await page
    .getByRole('link', { name: 'Label' })
    .or(page.getByRole('button', { name: 'Label' }))
    .click();
  await expect(page.locator('.label')).toContainText('Ramie cord');
});
