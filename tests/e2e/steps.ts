import type { Locator, Page } from '@playwright/test';
import { expect } from './hands';
import { pick } from './planning';

/** Acts that several walks begin with, by click and tap. */

/** Settings of a browser that has been at these servers before: the tour of the first visit has a test of its own. */
export const beenHere = (...bases: readonly string[]) => ({
  storageState: { cookies: [], origins: bases.map((origin) => ({ origin, localStorage: [{ name: 'hyndle.tour', value: 'closed' }] })) },
});

/** Pots, plates and lines of a usual kitchen, in one tap. */
export async function usualKitchen(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/shelf?tab=vessels`);
  await page.getByRole('button', { name: 'Begin with a usual kitchen' }).click();
  await expect(page.getByText('A usual kitchen stands there')).toBeVisible();
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

/** A lot of fibre, weighed. */
export async function addLot(page: Page, base: string, name: string, weight: string): Promise<void> {
  await page.goto(`${base}/fibre`);
  await page.getByRole('button', { name: 'Add a lot' }).first().click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name').fill(name);
  await form.getByLabel('Weight', { exact: true }).fill(weight);
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form).toBeHidden();
}

/** Something of a lot's past, known or believed. */
export async function addPast(page: Page, lot: string, certainty: 'known' | 'believed', substance: string): Promise<void> {
  await page
    .getByRole('button', { name: lot, exact: true })
    .or(page.getByRole('link', { name: lot, exact: true }))
    .first()
    .click();
  await page.getByRole('button', { name: 'Add to its past' }).click();
  const form = page.getByRole('dialog', { name: /past/ });
  await form.getByLabel('How well is it known').click();
  await page.locator('.ant-select-dropdown:visible').getByTitle(certainty, { exact: true }).click();
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

/** Plans a scour and mordant of one lot under a name, starts it, and brings the scour to its hold. Gives the scour's card. */
export async function scourOnHold(page: Page, base: string, lot: string, name: string): Promise<Locator> {
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
  await scour.getByRole('button', { name: /^Start hold/ }).click();
  return scour;
}
