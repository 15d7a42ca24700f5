import { expect, test } from './hands';
import { lotBody } from './steps';

const DAY_MS = 86_400_000;

test('a light test: begun on the lot’s page, called for on Now in a week, graded from what is read of both halves', async ({ page }) => {
  page.setDefaultTimeout(15_000);
  expect((await page.request.post('/api/v1/lots', { data: lotBody('faded', 'Window skein', 40) })).status()).toBe(200);
  await page.goto('/fibre/faded');
  const panel = page.getByRole('region', { name: 'What it stands' });
  await expect(panel.getByRole('region', { name: 'Light' })).toContainText('untested');
  await panel.getByRole('button', { name: 'Begin a light test' }).click();
  const form = page.getByRole('dialog', { name: 'A light test of Window skein' });
  await form.getByLabel('Note').fill('South window');
  await form.getByRole('button', { name: 'Begin it' }).click();
  await expect(panel).toContainText('light: begun, not looked at yet');
  await expect(panel).toContainText('Next look');

  // One that hangs there for eight days already is called for on Now.
  const began = { id: 'hung', kind: 'wash', lotId: 'faded', beganAtMs: Date.now() - 8 * DAY_MS, lookDays: [1], note: '' };
  expect((await page.request.post('/api/v1/fastness', { data: began })).status()).toBe(200);
  await page.goto('/');
  const due = page.getByRole('region', { name: 'To look at' });
  await due.getByRole('link', { name: /Window skein/ }).click();
  const wash = panel.getByRole('region', { name: 'Washing' });
  await wash.getByRole('button', { name: 'Look at it now' }).click();
  const look = page.getByRole('dialog', { name: 'Window skein: the wash test' });
  await look.getByLabel('washed', { exact: true }).fill('61.7 0 0');
  await look.getByRole('button', { name: 'Keep' }).click();
  await expect(look.getByText('Both are needed').first()).toBeVisible();
  await look.getByLabel('not washed').fill('60 0 0');
  await look.getByLabel('white cloth, washed with it').fill('86.5 0 2');
  await look.getByLabel('white cloth, new').fill('95 0 2');
  await look.getByRole('button', { name: 'Keep' }).click();
  await expect(look).toBeHidden();
  // Grey scales: 1.7 apart is a change of step 4, 8.5 apart on white cloth a staining of step 3 (ISO 105-A02, A03).
  await expect(wash).toContainText('wash: 4, white cloth 3 after 8 days');
  await expect(wash).toContainText('All its looks are done.');
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'To look at' }).getByRole('link', { name: /Window skein/ })).toHaveCount(0);
});
