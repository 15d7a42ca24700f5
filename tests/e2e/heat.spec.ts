import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere, scourOnHeat, usualKitchen } from './steps';

/** A pot on its way up: when it is there, when to turn down and to what, in one tap; the hold reads on. */

const { base: BASE, pass } = serverWithClock(4208);
test.use(beenHere(BASE));

test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('heat: a knob and readings typed in a line, the call to turn down by number, answered in one tap', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Skein', '100 g');
  const pot = await scourOnHeat(page, BASE, 'Skein', 'Warm up');

  // The form: a knob that no stove has is refused in its place.
  await pot.getByRole('button', { name: /^Turned to/ }).click();
  const form = page.getByRole('dialog');
  const knob = form.getByLabel(/number on the knob/);
  await knob.fill('44');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toContainText('At most 20.');
  await knob.fill('9');
  await form.locator('.ant-segmented').first().getByText('on', { exact: true }).click();
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await expect(pot).toContainText('knob at 9, lid on');

  await pass(13);
  await page.reload();
  const line = page.getByLabel('Type an act');
  const types = async (text: string) => {
    await line.fill(text);
    await line.press('Enter');
    await expect(line).toHaveValue('');
  };
  await types('1 16 c 12 min ago');
  await expect(pot).not.toContainText('in about');
  for (const text of ['1 21 c 9 min ago', '1 26 c 6 min ago', '1 31 c 3 min ago', '1 35.5 c']) await types(text);
  await expect(pot).toContainText(/60 °C in about 1[4-8] min \(1\d–\d\d\)/);
  await expect(page.getByRole('region', { name: 'Curve of Scour' })).toBeVisible();

  await expect(pot).toContainText(/Turn down to [123](?:\.5)?\s*in \d+ min/);
  await pass(20);
  await page.reload();
  await types('1 64 c');
  const next = page.getByRole('region', { name: 'Next act' });
  await expect(next).toContainText(/Turn down to [123]/);
  await next.getByRole('button', { name: /Done|Do it now/ }).click();
  await expect(pot).toContainText(/knob at [123](?:\.5)?, lid on/);
  await expect(next).not.toContainText('Turn down');
});
