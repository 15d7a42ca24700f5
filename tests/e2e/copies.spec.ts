import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere } from './steps';

/** Everything saved as one file, and taken into an empty kitchen: shown first, then there, and nothing twice. */

const ONE = emptyServer(4197);
const OTHER = emptyServer(4200);
test.use(beenHere(ONE, OTHER));

test('saved here, taken in there', async ({ page }) => {
  const kept = mkdtempSync(path.join(tmpdir(), 'hyndle-copies-'));
  await addLot(page, ONE, 'Travelling skein', '80 g');
  await page.goto(`${ONE}/shelf?tab=home`);
  const save = page.getByRole('link', { name: 'Save everything as one file' }).or(page.getByRole('button', { name: 'Save everything as one file' }));
  const [download] = await Promise.all([page.waitForEvent('download'), save.first().click()]);
  expect(download.suggestedFilename()).toMatch(/^hyndle-\d{4}-\d\d-\d\d\.zip$/);
  const file = path.join(kept, 'all.zip');
  await download.saveAs(file);

  await page.goto(`${OTHER}/shelf?tab=home`);
  const form = page.getByRole('dialog', { name: 'Take in all.zip' });
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(form).toContainText('Taking it in changes this');
  await expect(form).toContainText('lot: 1 new');
  await form.getByRole('button', { name: 'Take it in' }).click();
  await expect(form).toContainText('This was taken in');
  await form.getByRole('button', { name: 'Close' }).last().click();
  await page.goto(`${OTHER}/fibre`);
  await expect(page.getByText('Travelling skein').first()).toBeVisible();

  await page.goto(`${OTHER}/shelf?tab=home`);
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(form).toContainText('nothing: all of it is here already');

  // And undone where it was done: the kitchen is as empty as it was.
  await form.getByRole('button', { name: 'Cancel' }).click();
  const third = page.getByRole('dialog', { name: 'Take in third.zip' });
  await addLot(page, ONE, 'Second skein', '40 g');
  await page.goto(`${ONE}/shelf?tab=home`);
  const [again] = await Promise.all([page.waitForEvent('download'), save.first().click()]);
  await again.saveAs(path.join(kept, 'third.zip'));
  await page.goto(`${OTHER}/shelf?tab=home`);
  await page.locator('input[type=file]').setInputFiles(path.join(kept, 'third.zip'));
  await third.getByRole('button', { name: 'Take it in' }).click();
  await expect(third.getByRole('button', { name: 'Put it back as it was before' })).toBeVisible();
  await third.getByRole('button', { name: 'Put it back as it was before' }).click();
  await expect(third).toContainText('Everything is as it was before');
  await third.getByRole('button', { name: 'Close' }).last().click();
  await page.goto(`${OTHER}/fibre`);
  await expect(page.getByText('Travelling skein').first()).toBeVisible();
  await expect(page.getByText('Second skein')).toHaveCount(0);
  rmSync(kept, { recursive: true, force: true });
});

test('a file that is no archive is refused in its place', async ({ page }) => {
  await page.goto(`${ONE}/shelf?tab=home`);
  await page.locator('input[type=file]').setInputFiles({ name: 'holiday.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
  await expect(page.getByRole('dialog', { name: 'Take in holiday.zip' })).toContainText('This is no zip file, or its directory is damaged');
  await expect(page.getByRole('dialog')).toContainText('Nothing was taken in');
});
