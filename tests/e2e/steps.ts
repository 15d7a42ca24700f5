import type { Locator, Page } from '@playwright/test';
import { expect } from './hands';

/** Acts that several walks begin with, by click and tap. */

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
export async function chooseWay(page: Page, typed: string, title: string): Promise<void> {
  await page.getByLabel('Way of working').click();
  await page.keyboard.type(typed);
  await page.locator('.ant-select-dropdown:visible').getByTitle(title).click();
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
