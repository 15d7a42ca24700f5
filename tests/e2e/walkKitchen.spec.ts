import type { Page } from '@playwright/test';
import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { chooseDyestuff, openList } from './planning';
import { addLot, beenHere, card, chooseWay, passStep, usualKitchen } from './steps';

/** One kitchen, three sessions: a jar on the sill, a pot on the heat, and a third that wants the same pot. */

const { base: BASE, pass } = serverWithClock(4199);
test.use(beenHere(BASE));

/** Nine in the morning of the kitchen, when somebody is up and pots go on. */
async function untilMorning(): Promise<void> {
  const [hour = 0, minute = 0] = new Date()
    .toLocaleTimeString('en-GB', { timeZone: process.env.ZONE ?? 'Europe/Berlin', hour: '2-digit', minute: '2-digit' })
    .split(':')
    .map(Number);
  await pass((33 * 60 - hour * 60 - minute) % 1440);
}

async function keepAndStart(page: Page, name: string): Promise<void> {
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
}

test('every clash is said when planning, starting and switching heat on; a free pot is taken by itself', async ({ page }) => {
  await untilMorning();
  await usualKitchen(page, BASE);
  for (const name of ['Jar skein', 'Pot skein', 'Third skein']) await addLot(page, BASE, name, '40 g');

  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Jar skein/ }).check();
  await chooseWay(page, 'Cold soak');
  await chooseDyestuff(page, 'dock', 'dock root (root)', 'c2');
  await keepAndStart(page, 'On the sill');
  await passStep(page, 'Wet out');
  await page
    .getByRole('region', { name: /^Ready: Extract/ })
    .getByRole('button', { name: 'Begin' })
    .click();

  // A pot goes on the heat.
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Pot skein/ }).check();
  await mordantOnly(page);
  await keepAndStart(page, 'In the pot');
  await page.getByRole('region', { name: 'Ready: Mordant' }).getByRole('button', { name: 'Begin' }).click();
  const pot = (await card(page, 'Mordant').locator('h2, h3').first().textContent()) ?? '';
  await card(page, 'Mordant')
    .getByRole('button', { name: /^Heat on/ })
    .click();

  // The third takes what is free, and says so when it shall have what is not.
  await page.goto(`${BASE}/sessions/new`);
  await page.getByRole('checkbox', { name: /Third skein/ }).check();
  await mordantOnly(page);
  const mordant = page.locator('#item-c2');
  const other = pot === 'Small pot' ? 'Big pot' : 'Small pot';
  await expect(page.locator('.beside')).toContainText(other);
  const cautions = page.getByRole('region', { name: 'Cautions' });
  await expect(cautions).not.toContainText('In the pot');
  await mordant
    .getByRole('button', { name: /Alum, low/ })
    .first()
    .click();
  await mordant.getByLabel('Vessel').click();
  await openList(page)
    .getByTitle(new RegExp(`^${pot}`))
    .click();
  await expect(cautions).toContainText(`${pot} is taken by “Mordant, alum” of “In the pot”`);
  await page.getByLabel('Name', { exact: true }).fill('The third');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page.locator('main')).toContainText(`${pot} is taken by “Mordant, alum” of “In the pot”`);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const ready = page.getByRole('region', { name: 'Ready: Mordant' });
  await ready.getByRole('button', { name: 'Begin' }).click();
  // Beside the button of the heat: the plate is on under another pot, since now and not since tomorrow.
  await expect(page.locator('main')).toContainText(`${pot} is taken by “Mordant, alum” of “In the pot” from`);
  await expect(page.locator('main')).toContainText(/Hotplate \d heats “Mordant, alum” of “In the pot” from/);

  await page.getByRole('link', { name: 'Now' }).click();
  for (const name of ['On the sill', 'In the pot', 'The third']) await expect(page.locator('main')).toContainText(name);

  // Whoever stands at one stove is told what the same way serves at the others.
  await pass(40);
  await page
    .locator('main')
    .getByRole('link', { name: /The third/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'The third', level: 1 })).toBeVisible();
  await expect(page.locator('main')).toContainText(/On the same way: .*\((In the pot|On the sill)\)/);
});

async function mordantOnly(page: Page): Promise<void> {
  await chooseWay(page, 'Prepare wool or silk for another day');
  const scour = page.locator('#item-c1');
  await scour.getByRole('button', { name: /Scour/ }).first().click();
  await scour.getByRole('button', { name: 'Leave out' }).click();
}
