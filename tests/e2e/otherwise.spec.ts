import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere, scourOnHeat, usualKitchen } from './steps';

/** Things go otherwise at the stove: what can be done, each with its price, in one tap. */

const { base: BASE, pass } = serverWithClock(4218);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('too hot, boiled over, something missing, late: two or three things to do, taken in one tap, each in the log', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Skein O', '100 g');
  const pot = await scourOnHeat(page, BASE, 'Skein O', 'Otherwise');
  const strip = page.getByRole('region', { name: /^It goes otherwise/ });
  const log = page.locator('.log');
  await expect(strip).toHaveCount(0);

  // Read far above its limit: the water that would take it down is worked out, and logged in one tap.
  await page.getByLabel('Type an act').fill('95 c');
  await page.getByLabel('Type an act').press('Enter');
  await expect(strip).toContainText(/95 °C, above its limit of \d+/);
  await expect(strip.getByRole('listitem')).toHaveCount(3);
  const cold = strip.getByRole('listitem').filter({ hasText: 'of cold water' });
  await expect(cold).toContainText(/% thinner/);
  await cold.getByRole('button', { name: 'Done, log it' }).click();
  await expect(strip).toHaveCount(0);
  await expect(log).toContainText(/added water, .*estimated/);
  // What was answered is not asked again after a reload.
  await page.reload();
  await expect(log).toContainText(/added water, .*estimated/);
  await page.waitForTimeout(1500);
  await expect(strip).toHaveCount(0);

  const trouble = async (name: string) => {
    await pot.getByRole('button', { name: /^More acts/ }).click();
    await page.getByRole('dialog').getByRole('button', { name }).click();
  };
  await page.getByLabel('Type an act').fill('55 c');
  await page.getByLabel('Type an act').press('Enter');
  await trouble('It boiled over');
  await expect(strip).toContainText('Heat off first, and a flame out');
  await strip.getByRole('button', { name: 'None of these' }).click();
  await expect(strip).toHaveCount(0);
  await trouble('It boiled over');
  await strip.getByRole('listitem').filter({ hasText: 'Go on with what is left' }).getByRole('button').click();
  await expect(log).toContainText('boiled over, gone on with what is left');
  await trouble('It was forgotten');
  await strip.getByRole('listitem').filter({ hasText: 'It went on all the time' }).getByRole('button').click();
  await expect(log).toContainText('forgotten; it went on all the time');

  // With wet fingers: the last value stands there, stepped on the pad.
  await pot.getByRole('button', { name: /^Reading/ }).click();
  const form = page.getByRole('dialog');
  await expect(form.getByLabel(/What does it read/)).toHaveValue('55 °C');
  await form.getByRole('button', { name: 'more by 1' }).click();
  await form.getByRole('button', { name: 'more by 1' }).click();
  await expect(form.getByLabel(/What does it read/)).toHaveValue('57 °C');
  for (const digit of ['6', '1']) await form.getByRole('button', { name: digit, exact: true }).click();
  await expect(form.getByLabel(/What does it read/)).toHaveValue('61');
  await form.getByRole('button', { name: 'take the last sign away' }).click();
  await form.getByRole('button', { name: '2', exact: true }).click();
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await expect(log).toContainText('reading 62 °C');

  // Hours later the rest is fitted anew, with its reason.
  await pass(200);
  await page.reload();
  await expect(strip).toContainText('behind the plan');
  await strip.getByRole('listitem').filter({ hasText: 'Fit the rest from now' }).getByRole('button').click();
  await expect(log).toContainText(/behind the plan/);
  await expect(page.locator('main')).toContainText('plan 2');
});
