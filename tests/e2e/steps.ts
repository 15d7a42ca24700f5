import type { Locator, Page } from '@playwright/test';
import { expect } from './hands';
import { openList, pick } from './planning';

/** Acts that several walks begin with, by click and tap. */

/** Settings of a browser that has been at these servers before: the tour of the first visit has a test of its own. */
export const beenHere = (...bases: readonly string[]) => ({
  storageState: { cookies: [], origins: bases.map((origin) => ({ origin, localStorage: [{ name: 'hyndle.tour', value: 'closed' }] })) },
});

/** Pots, plates and lines of a usual kitchen, in one tap. */
export async function usualKitchen(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/shelf?tab=vessels`);
  await page.getByRole('button', { name: 'Use a starter kitchen' }).click();
  await expect(page.getByText('The starter kitchen is set up')).toBeVisible();
}

/** A lot as a program sends it. */
export const lotBody = (id: string, name: string, weightG: number, form = 'skein', fibre = 'wool') => ({
  id,
  name,
  form,
  composition: [{ fibre, pct: 100 }],
  finishes: [],
  dryWeightG: { state: 'measured', value: weightG },
  pieces: 1,
  baseHex: '#e8e2d2',
  note: '',
});

/** A lot of fibre, weighed; wool, where no other is named. */
export async function addLot(page: Page, base: string, name: string, weight: string, fibre?: string): Promise<void> {
  await page.goto(`${base}/fibre`);
  await page.getByRole('button', { name: 'Add a lot' }).first().click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name').fill(name);
  if (fibre) {
    await form.getByLabel('Fibre', { exact: true }).click();
    await openList(page).getByTitle(fibre, { exact: true }).click();
  }
  await form.getByLabel('Weight', { exact: true }).fill(weight);
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();
}

/** A lot by its name, in the list of Fibre. */
export const lotIn = (page: Page, name: string): Locator =>
  page
    .getByRole('button', { name, exact: true })
    .or(page.getByRole('link', { name, exact: true }))
    .first();

/** Plans a dyeing of one lot that is mordanted, or coloured, with a plant. */
export async function planOver(page: Page, base: string, lot: string, name: string, plant: readonly [typed: string, title: RegExp]): Promise<void> {
  await page.goto(`${base}/sessions/new`);
  await page.getByRole('checkbox', { name: new RegExp(lot) }).check();
  await chooseWay(page, 'Dye what is mordanted, or over a colour');
  const extract = page.locator('#item-c2');
  await extract
    .getByRole('button', { name: /Extract/ })
    .first()
    .click();
  await extract.getByLabel('Dyestuff', { exact: true }).click();
  await pick(page, ...plant);
  await page.getByLabel('Name', { exact: true }).fill(name);
}

/** Something of a lot's past, known or believed. */
export async function addPast(page: Page, lot: string, certainty: 'known' | 'believed', substance: string): Promise<void> {
  await lotIn(page, lot).click();
  await page.getByRole('button', { name: 'Add to its past' }).click();
  const form = page.getByRole('dialog', { name: /past/ });
  await form.getByLabel('How well is it known').click();
  await openList(page).getByTitle(certainty, { exact: true }).click();
  await form.getByLabel('With what').fill(substance);
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();
}

/** Chooses a way of working by its name. */
export async function chooseWay(page: Page, title: string): Promise<void> {
  await page.getByLabel('Way of working').click();
  // By its whole name: a word of it may stand in what others say of themselves.
  await pick(page, title, title);
}

/** Begins a step that is ready and ends it at once. */
export async function passStep(page: Page, name: string): Promise<void> {
  const ready = page.getByRole('region', { name: `Ready: ${name}` });
  await ready.getByRole('button', { name: 'Skip' }).click();
  await page.getByRole('dialog').getByLabel('Why?').fill('done before');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(ready).toBeHidden();
}

export const card = (page: Page, step: string): Locator => page.locator('.vessel-card:not(.ready-card)').filter({ hasText: step }).first();

/** Plans a scour and mordant of one lot under a name, starts it, and puts the scour on its heat. Gives the scour's card. */
export async function scourOnHeat(page: Page, base: string, lot: string, name: string): Promise<Locator> {
  await page.goto(`${base}/sessions/new`);
  await page.getByRole('checkbox', { name: new RegExp(lot) }).check();
  await chooseWay(page, 'Prepare wool or silk for another day');
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page
    .getByRole('region', { name: /^Ready: Scour/ })
    .getByRole('button', { name: 'Begin' })
    .click();
  const scour = card(page, 'Scour');
  await scour.getByRole('button', { name: /^Heat on/ }).click();
  return scour;
}

/** The same, brought to its hold. */
export async function scourOnHold(page: Page, base: string, lot: string, name: string): Promise<Locator> {
  const scour = await scourOnHeat(page, base, lot, name);
  await scour.getByRole('button', { name: /^Start hold/ }).click();
  return scour;
}

/** Ends a step from its card, and looks whether it did: once more where a busy machine swallowed the tap. */
export async function endStep(page: Page, own: Locator): Promise<void> {
  await expect(async () => {
    if ((await own.count()) > 0) {
      if (!(await page.getByRole('dialog').isVisible())) await own.getByRole('button', { name: /More acts/ }).click();
      await page.getByRole('button', { name: 'End this step now' }).click();
    }
    await expect(own).toHaveCount(0, { timeout: 3_000 });
  }).toPass({ timeout: 20_000 });
}

/** Begins whatever is ready, puts in what is planned (`unsaid` where a range is), and ends it, until nothing is left: a day in a minute. */
export async function doTheRest(page: Page, unsaid = '1 cup (metric)'): Promise<void> {
  const ready = page.getByRole('region', { name: /^Ready: / });
  const running = page.locator('.vessel-card:not(.ready-card)');
  const form = page.getByRole('dialog');
  await expect(ready.or(running).first()).toBeVisible();
  for (let steps = 0; steps < 40 && (await ready.or(running).first().isVisible()); steps++) {
    if ((await running.count()) === 0) await ready.first().getByRole('button', { name: 'Begin' }).click();
    const own = running.first();
    const title = await own.getAttribute('aria-label');
    for (const added = own.getByRole('button', { name: /^Added/ }); await added.first().isVisible(); ) {
      await added.first().click();
      const much = form.getByLabel(/How much/);
      if ((await much.inputValue()) === '') await much.fill(unsaid);
      await form.getByRole('button', { name: 'Log it' }).click();
      await expect(form).toBeHidden();
    }
    await endStep(page, page.locator(`.vessel-card:not(.ready-card)[aria-label="${title}"]`));
  }
}

/** Opens a lot from the list of Fibre. */
export async function openLot(page: Page, base: string, name: string): Promise<void> {
  await page.goto(`${base}/fibre`);
  await lotIn(page, name).click();
}

/** Fills the form that says how something came out, and keeps it. */
export async function say(page: Page, lab: string, ...words: string[]): Promise<void> {
  const form = page.getByRole('dialog');
  await form.getByText('typed', { exact: true }).click();
  await form.getByLabel('L a b, or a hex').fill(lab);
  for (const word of words) await form.getByText(word, { exact: true }).click();
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();
}

/** The jar of the walks: 1.5 : 1 for 60 g, cream of tartar 5 g/L. */
export const HOLLYHOCK = [
  ['Set hollyhock petals instead', '90 g'],
  ['Set water instead', '1.2 L'],
  ['Set cream of tartar instead', '6 g'],
] as const;

/** A new plan of a lot in a jar, its jar open. Gives the jar's card. */
export async function planJar(page: Page, base: string, lot: string): Promise<Locator> {
  await page.goto(`${base}/sessions/new`);
  await page.getByRole('checkbox', { name: new RegExp(lot) }).check();
  await chooseWay(page, 'Solar jar');
  const jar = page.locator('#item-c2');
  await jar
    .getByRole('button', { name: /Solar jar/ })
    .first()
    .click();
  return jar;
}

/** What is not the walk's matter, as a program sends it. */
export async function sent(page: Page, base: string, path: string, data: unknown, method: 'post' | 'put' = 'post'): Promise<void> {
  expect((await page.request[method](`${base}/api/v1/${path}`, { data })).status(), path).toBeLessThan(300);
}

/** Plans a solar jar of hollyhock for one lot, starts it, puts in what goes in, and leaves it standing. */
export async function fillJar(
  page: Page,
  base: string,
  lot: string,
  name: string,
  amounts: readonly (readonly [label: string, text: string])[],
  vessel?: string,
): Promise<void> {
  const jar = await planJar(page, base, lot);
  await jar.getByLabel('Dyestuff', { exact: true }).click();
  await pick(page, 'hollyhock', /^hollyhock petals/);
  for (const [label, text] of amounts) {
    await jar.getByLabel(label, { exact: true }).fill(text);
    await jar.getByLabel(label, { exact: true }).press('Enter');
  }
  await expect(jar.locator('.amount').filter({ hasText: 'cream of tartar' })).toContainText('6 g');
  if (vessel) {
    await jar.getByLabel('Vessel').click();
    await openList(page).getByTitle(vessel).click();
  }
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await passStep(page, 'Wet out');
  await page
    .getByRole('region', { name: /^Ready: Solar jar/ })
    .getByRole('button', { name: 'Begin' })
    .click();
  const sill = card(page, 'Solar jar');
  const form = page.getByRole('dialog');
  for (const added of ['hollyhock petals', 'cream of tartar']) {
    await sill.getByRole('button', { name: `Added ${added}` }).click();
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form).toBeHidden();
  }
  await sill.getByRole('button', { name: /^Leave it/ }).click();
}
