import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { openList } from './planning';
import { addLot, addPast, beenHere, card, endStep, fillJar, HOLLYHOCK, openLot, passStep, planOver, say, usualKitchen } from './steps';

/** What came out: a jar on the sill looked at every evening, three mordants side by side, and a second dye over the first. */

const { base: BASE, pass } = serverWithClock(4197);
test.use(beenHere(BASE));

const DAY_MIN = 1440;

test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('a jar on the sill: five litres of care, five evenings, and how much is still to come', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Silk noil', '60 g');
  await fillJar(page, BASE, 'Silk noil', 'Jar on the sill', HOLLYHOCK);
  const sill = card(page, 'Solar jar');
  const form = page.getByRole('dialog');
  await expect(sill).toContainText('In it: about 1.2 L; cream of tartar 5 g/L');
  const evening = async (days: number, lightness: number) => {
    await pass(days * DAY_MIN);
    await page.reload();
    await sill.getByRole('button', { name: /More acts/ }).click();
    await page.getByRole('button', { name: 'How it looks' }).click();
    await say(page, `${lightness} 12 -8`, 'wet');
  };
  await evening(1, 78);
  await evening(1, 66);
  // Topped up, it is thinner.
  await sill.getByRole('button', { name: /More acts/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Addition' }).click();
  await form.getByLabel('What went in').click();
  await openList(page).getByTitle('water, topped up').click();
  await form.getByLabel(/How much/).fill('200 mL');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  await expect(sill).toContainText('In it: about 1.4 L; cream of tartar 4.29 g/L');
  // The look is the look that was called for.
  const call = page.getByRole('region', { name: 'Next act' });
  await expect(call).toContainText('In 1 d: Look');
  // Two looks are no curve; nor are three.
  await evening(1, 59);
  await sill.getByRole('button', { name: /More acts/ }).click();
  await expect(form).toContainText('Cannot tell yet: 3 of at least 4 looks');
  await page.keyboard.press('Escape');
  await evening(1, 55.5);
  await evening(1, 53.8);
  await page.goto(BASE);
  const left = page.locator('main');
  await expect(left).toContainText(/9\d–9\d % of its way is done, counted from the first look; 2 d more would add about ΔE 1\.6/);
  await expect(left).toContainText('95 % about 4.9 d after the first look');
  await openLot(page, BASE, 'Silk noil');
  const results = page.getByRole('region', { name: 'How it came out' });
  await expect(results).toContainText('wet to wet: clearly darker');
  await expect(results).toContainText('95 % about 4.9 d');
});

test('pale yellow, then dock root over it: the expected colour before, the actual beside it after, found again and done again', async ({ page }) => {
  await page.goto(`${BASE}/shelf?tab=vessels`);
  if (await page.getByRole('button', { name: 'Use a starter kitchen' }).isVisible()) await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Big skein', '300 g');
  await addLot(page, BASE, 'Pale skein', '100 g');
  await addPast(page, 'Pale skein', 'known', 'potash alum');
  await page.getByRole('button', { name: 'Say how' }).click();
  await say(page, '82 -4 38', 'dry', 'daylight');
  await planOver(page, BASE, 'Pale skein', 'Over the yellow', ['dock', /^dock root/]);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Over the yellow' })).toBeVisible();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  const form = page.getByRole('dialog');
  await page
    .getByRole('region', { name: /^Ready: Extract/ })
    .getByRole('button', { name: 'Begin' })
    .click();
  await card(page, 'Extract').getByRole('button', { name: 'Added dock root' }).click();
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form).toBeHidden();
  const end = (step: string) => endStep(page, card(page, step));
  await end('Extract');
  await passStep(page, 'Strain');
  await page
    .getByRole('region', { name: /^Ready: Dye/ })
    .getByRole('button', { name: 'Begin' })
    .click();
  const dye = card(page, 'Dye, dock root');
  await dye.getByRole('button', { name: /^Heat on/ }).click();
  await dye.getByRole('button', { name: /^Start hold/ }).click();
  await pass(60);
  await page.reload();
  await end('Dye, dock root');
  for (const step of ['Rinse', 'Dry']) await passStep(page, step);
  await openLot(page, BASE, 'Pale skein');
  await page.getByRole('button', { name: 'Say how' }).click();
  await say(page, '58 22 34', 'dry', 'daylight');
  // The yellow stays in its past, and what the second dye made of it is said.
  const results = page.getByRole('region', { name: 'How it came out' });
  await expect(results).toContainText('Since “Potash alum only”: much darker, much redder');
  await expect(page.locator('.treatments')).toContainText('dock root');
  await page.goto(`${BASE}/swatches`);
  await page.getByLabel('Nearest to a colour').fill('58 22 34');
  await expect(page.getByRole('article').first()).toContainText(/Dock root[\s\S]*ΔE 0\.0/);
  await page.getByRole('checkbox', { name: /Dock root/ }).check();
  await page.getByRole('link', { name: 'Do it again' }).click();
  await expect(page.getByRole('region', { name: 'What came out' })).toContainText(/expected #[\da-f]{6}, an estimate: it came/);
  await form.getByRole('checkbox', { name: /Pale skein/ }).uncheck();
  await form.getByRole('checkbox', { name: /Big skein/ }).check();
  await form.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByRole('button', { name: /^Extract, dock root/ })).toContainText('300 g dock root');
});
