import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { pick } from './planning';
import { addLot, beenHere, chooseWay, usualKitchen } from './steps';

/** A jar before a flight: tied cotton, three days at most, and what gives for it. */

const { base: BASE } = serverWithClock(4216);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

const DAY_MS = 86_400_000;
const dayText = (days: number, hour: number): string =>
  `${new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: process.env.ZONE }).format(Date.now() + days * DAY_MS)}, ${hour}:00`;

test('tied at 7 points by three ties: 21 bands; what must be over by a flight is planned back from it, or what gives is said', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Tied square', '60 g', 'cotton');
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Tied square/ }).check();
  await chooseWay(page, 'Solar jar');
  const jar = page.locator('#item-c2');
  await jar
    .getByRole('button', { name: /Solar jar/ })
    .first()
    .click();
  await jar.getByRole('combobox', { name: 'Dyestuff' }).click();
  await pick(page, 'birch', /birch/);
  await page.getByLabel('Add a step').click();
  await pick(page, 'Tied', /Tied resist/);
  const ties = page.locator('#item-c4');
  await ties
    .getByRole('button', { name: /Tied resist/ })
    .first()
    .click();
  await ties.getByLabel('ties a point', { exact: true }).fill('3');
  await ties.getByLabel('ties a point', { exact: true }).press('Enter');
  await expect(ties.locator('.amount').first()).toContainText('21');

  const end = page.getByLabel('Must be over by', { exact: true });
  const over = page.locator('.ant-alert').filter({ hasText: /^Over / });
  const by = async (text: string) => {
    await end.fill(text);
    await end.press('Enter');
  };
  // Weeks: as usual, and it may begin later, in one tap.
  await by(dayText(30, 14));
  await expect(over).toContainText(/Over in time: .* before it must be\. It may begin as late as/);
  // Days: the jar gives.
  await by(dayText(5, 14));
  await expect(over).toContainText(/Over in time: .*For that, .*(Solar|jar).* instead of/i);
  // Hours: nothing would do; by how much, and since when.
  await by(dayText(1, 14));
  await expect(over).toContainText(
    /too late\. With every wait at its least it is over .* too late\. It would have had to begin .*What takes longest: Solar jar/,
  );
  await by(dayText(30, 14));
  await over.getByRole('button', { name: /^Begin / }).click();
  await expect(over).not.toContainText('It may begin as late as');
  // A flight before the beginning is refused where it was typed, and the plan that stood stays drawn.
  await by(dayText(1, 8));
  await expect(page.getByText('It must be over before it begins.', { exact: false })).toBeVisible();
});
