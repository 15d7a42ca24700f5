import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere, scourOnHeat, usualKitchen } from './steps';

/** A call that comes when hands are full: put off, let go, and the log says which. */

const { base: BASE, pass } = serverWithClock(4214);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('a call is put off for ten minutes, through a reload, and is due again; a look is let go', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Skein L', '100 g');
  await scourOnHeat(page, BASE, 'Skein L', 'Later');
  const call = page.getByRole('region', { name: 'Next act' });
  await pass(40);
  await page.reload();
  // Somebody is with it, so that nobody is asked for.
  await page.getByLabel('Type an act').fill('note still warming');
  await page.getByLabel('Type an act').press('Enter');
  await expect(page.locator('.log')).toContainText('still warming');
  await pass(10);
  await page.reload();
  await expect(call).toContainText(/^Should be at/);
  await call.getByRole('button', { name: 'Later' }).click();
  await page.getByRole('menuitem', { name: 'in 10 min' }).click();
  await expect(call).toContainText('In 10 min: Should be at');
  await expect(page.locator('.log')).toContainText('put off the call to go on until');
  await page.reload();
  await expect(call).toContainText(/In \d+ min: Should be at/);
  await pass(11);
  await page.reload();
  await expect(call).toContainText(/^Should be at/);
  await expect(call.getByRole('button', { name: 'Later' })).toBeVisible();

  // In the hold somebody looks in; this time nobody can.
  await page.getByRole('button', { name: /^Start hold/ }).click();
  await pass(30);
  await page.reload();
  await expect(call).toContainText(/^(Stir|Look in)/);
  await call.getByRole('button', { name: 'Later' }).click();
  await page.getByRole('menuitem', { name: 'Let it go, this time' }).click();
  await expect(page.locator('.log')).toContainText(/let the call to (stir|look) go/);
  await expect(call).not.toContainText(/^(Stir|Look in)/);

  // Three quarters of an hour later nobody has looked anywhere: Now tells what came meanwhile, until it is seen.
  await pass(45);
  await page.goto(BASE);
  const away = page.getByRole('region', { name: 'Since you were away' });
  await expect(away).toContainText(/4[56] min ago somebody looked last here/);
  await expect(away).toContainText('Later');
  await expect(away).toContainText(/Waits for \d+ min/);
  await away.getByRole('button', { name: 'Seen' }).click();
  await expect(away).toBeHidden();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Next act' })).toBeVisible();
  await expect(away).toBeHidden();
});
