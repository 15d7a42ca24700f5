import type { Page } from '@playwright/test';
import { expect, test } from './hands';
import { chooseDyestuff } from './planning';

/** A start when somebody is home and awake for hours, so that the first step can begin at once. */
async function wideAwake(page: Page): Promise<void> {
  const home = await (await page.request.get('/api/v1/home')).json();
  home.diary = { ...home.diary, wakeAt: '00:00', sleepAt: '00:00', away: [] };
  const put = await page.request.put('/api/v1/home', { data: home });
  expect(put.status()).toBe(200);
}

/** No stand-in speaks between: at night the demo's pot stands cold with its probe on, and would overtake a typed reading. */
async function silentProbes(page: Page): Promise<void> {
  for (const { vesselId, burner, lid, litres, factor } of await (await page.request.get('/api/v1/sim-pots')).json())
    await page.request.put(`/api/v1/sim-pots/${vesselId}`, { data: { on: false, burner, lid, litres, factor } });
}

async function beginPlan(page: Page, name: string, lot: string): Promise<void> {
  await page.goto('/sessions/new');
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('checkbox', { name: lot }).check();
  // No dyestuff is filled in that nobody chose: it is said, and holds the start.
  await expect(page.getByText('choose what to dye with').first()).toBeVisible();
  await chooseDyestuff(page, 'weld', 'weld (tops)');
  await expect(page.getByRole('region', { name: /Warp of/ })).toBeVisible();
}

test.describe.configure({ mode: 'serial' });

test('plan, run and record a session from end to end', async ({ page }) => {
  await wideAwake(page);
  await silentProbes(page);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));

  // Plan: quantities from the lot's weight, each with its working; one overruled, both kept.
  await beginPlan(page, 'Weld, end to end', 'Gotland lamb');
  const alum = page.locator('#item-c2');
  await alum.getByRole('button', { name: /Alum, low/ }).click();
  await expect(alum.locator('.amount').first()).toContainText('15.2 g');
  await alum.getByRole('button', { name: 'working: potash alum' }).click();
  await expect(page.getByText('dry weight × percent ÷ 100 = 15.2 g')).toBeVisible();
  await page.keyboard.press('Escape');
  await alum.getByLabel('Set potash alum instead').fill('half a cup');
  await alum.getByLabel('Set potash alum instead').press('Enter');
  await expect(alum.getByRole('alert')).toContainText('Start with a number');
  await alum.getByLabel('Set potash alum instead').fill('18 g');
  await alum.getByLabel('Set potash alum instead').press('Enter');
  await expect(alum.locator('.amount').first()).toContainText('18 g');
  await expect(alum.locator('.amount').first()).toContainText('You set 18 g instead of 15.2 g');
  await page.getByRole('button', { name: 'Keep the plan' }).click();

  // The warp: vessels as columns, a drawer with the step's working and why it is not earlier.
  await expect(page.getByRole('heading', { name: /Weld, end to end/ })).toBeVisible();
  await page.getByRole('button', { name: /^Mordant, alum/ }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer).toContainText('You set 18 g instead');
  await expect(drawer).toContainText('It follows “Scour”.');
  await page.keyboard.press('Escape');

  // Run: begin, log an addition with a wrong and a right amount, heat on, readings, keys, undo.
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Ready: Scour' })).toBeVisible();
  await page.getByRole('region', { name: 'Ready: Scour' }).getByRole('button', { name: 'Begin' }).click();
  const card = page.locator('.vessel-card').filter({ hasText: 'Scour' }).first();
  await card.getByRole('button', { name: /Added neutral scour liquid/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/How much/).fill('5 bushels');
  await dialog.getByRole('button', { name: 'Log it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('“bushels” is not a unit');
  await dialog.getByLabel(/How much/).fill('1 1/4 tsp (US)');
  await dialog.getByRole('button', { name: 'Log it' }).click();
  await expect(page.locator('.log')).toContainText('added neutral scour liquid, 6.16 mL');
  await page.keyboard.press('b');
  await expect(page.locator('.log')).toContainText('Scour: heat on');
  await page.getByLabel('Type an act').fill('1 61 c');
  await page.getByLabel('Type an act').press('Enter');
  await expect(card.locator('.vessel-temp')).toHaveText('61.0');
  await expect(card).toContainText('of 1 h in band');
  await page.getByLabel('Type an act').fill('1 900');
  await page.getByLabel('Type an act').press('Enter');
  await expect(page.locator('.type-act [role=alert]')).toContainText('Between -10 °C and 150 °C');
  await page.getByLabel('Type an act').fill('');
  await page.keyboard.press('Tab'); // out of the field: a key is an act only outside of one
  await page.keyboard.press('s');
  await expect(page.locator('.log li').first()).toContainText('stirred');
  await expect(page.getByRole('status').filter({ hasText: 'Logged' })).toContainText('stirred');
  await page.keyboard.press('u');
  await expect(page.locator('.log li').filter({ hasText: 'stirred' })).toHaveClass(/log-withdrawn/);

  // A reload loses nothing: timers come from the log.
  const before = (await card.locator('.vessel-progress').textContent()) ?? '';
  await page.reload();
  await expect(card.locator('.vessel-progress')).toHaveText(before);

  // End the step, skip the rest with a reason, finish, and read the record.
  await card.getByRole('button', { name: /More acts/ }).click();
  await page.getByRole('button', { name: 'End this step now' }).click();
  // The hold has only begun: that is asked.
  await page.getByRole('dialog', { name: /held/ }).getByRole('button', { name: 'End it' }).click();
  const names = ['Mordant, alum', 'Extract, weld', 'Strain', 'Dye, weld', 'Rest in bath', 'Rinse', 'Dry'];
  for (const name of names) {
    const ready = page.getByRole('region', { name: `Ready: ${name}` });
    await ready.getByRole('button', { name: 'Skip' }).click();
    await page.getByRole('dialog').getByLabel('Why?').fill('only a test of the scour');
    await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
    await expect(ready).toBeHidden();
  }
  await page.getByRole('button', { name: 'Finish the run' }).click();
  await expect(page.getByRole('heading', { name: /Weld, end to end record/ })).toBeVisible();
  await expect(page.locator('.compare')).toContainText('6.16 mL');
  await expect(page.locator('.compare')).toContainText('Skipped: only a test of the scour');
  await expect(page.locator('.chart canvas').or(page.getByText('the only reading'))).toBeVisible();

  // Do it again, for a heavier lot: scaled from what was done.
  await page.getByRole('button', { name: 'Do it again' }).click();
  const again = page.getByRole('dialog');
  await again.getByRole('checkbox', { name: /Gotland lamb/ }).uncheck();
  await again.getByRole('checkbox', { name: /Hemp jersey/ }).check();
  await again.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByRole('heading', { name: /Weld, end to end, again/ })).toBeVisible();
  expect(errors).toEqual([]);
});

test('the passport of the finished demo lot carries what was really used', async ({ page }) => {
  await page.goto('/fibre/gotland');
  await expect(page.locator('.treatments')).toContainText('potash alum 11.2 % of its weight');
  await page.goto('/fibre/bag');
  await expect(page.locator('.questions')).toContainText('believed so');
  await page.getByRole('button', { name: 'Add to its past' }).click();
  await page.getByRole('dialog').getByLabel('Percent of its weight').fill('lots');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('Write the percent as a number');
});

test('a lot with a bad weight is pointed out in its place and nothing typed is lost', async ({ page }) => {
  await page.goto('/fibre');
  await page.getByRole('button', { name: 'Add a lot' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name').fill('<b>Odd</b> lot');
  await form.getByLabel('Weight', { exact: true }).fill('-5 g');
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form.getByRole('alert')).toContainText('A weight is above 0 g');
  await expect(form.getByLabel('Name')).toHaveValue('<b>Odd</b> lot');
  await form.getByLabel('Weight', { exact: true }).fill('3 lb 4 oz');
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('link', { name: '<b>Odd</b> lot' })).toBeVisible();
  await expect(page.locator('.row').filter({ hasText: 'Odd' })).toContainText('1.47 kg');
});

test('a plan too big for its pot is held by a stop, and cannot be started', async ({ page }) => {
  await page.request.post('/api/v1/lots', {
    data: {
      id: 'flock',
      name: 'A whole flock',
      form: 'skein',
      composition: [{ fibre: 'wool', pct: 100 }],
      dryWeightG: { state: 'measured', value: 3000 },
      pieces: 20,
      baseHex: null,
      note: '',
    },
  });
  await beginPlan(page, 'Too much', 'A whole flock');
  await expect(page.locator('.finding-stop').first()).toContainText('% of the brim');
  await page.getByRole('button', { name: /Keep the plan/ }).click();
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeDisabled();
});

test('a lot nobody weighed can be planned and run; the run asks for the weight', async ({ page }) => {
  await beginPlan(page, 'Unknown bag', 'Bag without a label');
  await page
    .locator('#item-c2')
    .getByRole('button', { name: /Alum, low/ })
    .click();
  await expect(page.locator('#item-c2 .amount').first()).toContainText('unknown');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'dry weight unknown' })).toBeVisible();
  await page.getByRole('button', { name: 'Weigh it now' }).click();
  await page
    .getByRole('dialog')
    .getByLabel(/Dry weight/)
    .fill('5 oz');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(page.locator('.log')).toContainText('weighed');
  await expect(page.getByRole('status').filter({ hasText: 'dry weight unknown' })).toBeHidden();
  // Weighed on the way, the dose is worked out: skip to the mordant and see it named (10 % of 141.7 g).
  await page.getByRole('region', { name: 'Ready: Scour' }).getByRole('button', { name: 'Skip' }).click();
  await page.getByRole('dialog').getByLabel('Why?').fill('it is clean');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await page.getByRole('region', { name: 'Ready: Mordant, alum' }).getByRole('button', { name: 'Begin' }).click();
  await expect(page.locator('.vessel-card').filter({ hasText: 'Mordant, alum' }).first()).toContainText('Add 14.2 g potash alum');
});
