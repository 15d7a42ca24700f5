import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { openList } from './planning';
import { addLot, beenHere, card, chooseWay, passStep, usualKitchen } from './steps';

/** An exact dip: the whole screen counts, outlives a reload, does not stop by itself, and is lifted in one tap. */

const { base: BASE, pass } = serverWithClock(4209);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('a dip counts down over the whole screen, also after a reload, then says how far it runs over', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Skein', '100 g');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Skein/ }).check();
  await chooseWay(page, 'Change a colour with acid, alkali or iron');
  await page
    .getByRole('button', { name: /Acid after-bath/ })
    .first()
    .click();
  await page.getByLabel('white vinegar: on the label').click();
  await openList(page).getByTitle('5 %').first().click();
  await page.getByLabel('Name', { exact: true }).fill('Sour');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  const ready = page.getByRole('region', { name: /^Ready: / }).first();
  await ready.getByRole('button', { name: 'Begin' }).click();
  const bath = card(page, 'bath');
  await bath.getByRole('button', { name: /^Goods in/ }).click();

  const screen = page.getByRole('dialog', { name: /^Countdown/ });
  await expect(screen).toBeVisible();
  const count = screen.getByRole('timer');
  await expect(count).toHaveText(/^\d+:\d\d$/);
  const [min, s] = ((await count.textContent()) ?? '').split(':').map(Number);
  // Put away, and brought back from its card.
  await screen.getByRole('button', { name: 'Back to the stove' }).click();
  await expect(screen).toBeHidden();
  await bath.getByRole('button', { name: 'Countdown' }).click();
  await expect(screen).toBeVisible();

  await pass((min ?? 0) + (s ?? 0) / 60 - 0.4);
  await page.reload();
  await expect(count).toHaveText(/^(?:0:[12]\d|\d)$/);
  await expect(count).toHaveText(/^[1-9]$/, { timeout: 30_000 });
  await expect(count).toHaveText(/^\+0:\d\d$/, { timeout: 30_000 });
  await expect(screen).toContainText('Lift now');
  await pass(2);
  await page.reload();
  await expect(screen).toContainText(/Over by \d+ %/);
  await screen.getByRole('button', { name: /Lift|Done/ }).click();
  await expect(screen).toBeHidden();
  await expect(page.locator('main')).toContainText('Acid after-bath: lifting');
});
