import { expect, test } from './hands';

/** A pot held by hand, six hundred times as fast as life: on the bench, and for the holds of a plan. */

test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('who leaves the knob up is scored nothing and told why; nothing of it is kept', async ({ page }) => {
  const running = async () => ((await (await page.request.get('/api/v1/runs/running')).json()) as { run: { id: string } }[]).map(({ run }) => run.id);
  const before = await running();
  await page.goto('/bench?tool=practise');
  const pot = page.getByRole('region', { name: 'A pot to practise on' });
  await pot.getByText('600×').click();
  await pot.getByRole('slider', { name: 'knob' }).focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
  await expect(pot).toContainText('knob 10');
  await pot.getByRole('button', { name: 'Begin' }).click();
  await expect(pot).toContainText(/of 1 h gone since it came into its band/);
  await expect(pot).toContainText(/^.*\d+ of 100: /, { timeout: 40_000 });
  await expect(pot).toContainText('Turn down before it is there');
  await pot.getByRole('button', { name: 'Once more' }).click();
  await expect(pot).toContainText('not in its band yet');
  // Nothing of it came to the server.
  expect(await running()).toEqual(before);
});

test('the holds of a plan are rehearsed by hand, each with its own band', async ({ page }) => {
  await page.goto('/sessions/dock-jersey');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByText('By hand', { exact: true }).click();
  await expect(dialog.getByRole('button', { name: 'Begin' })).toBeVisible();
  await expect(dialog.getByRole('img', { name: /band \d+–\d+ °C/ }).first()).toBeVisible();
  await dialog.getByText('100 times over').click();
  await expect(dialog.getByRole('button', { name: /Go through it/ })).toBeVisible();
});

test('spent matter is kept from the record in one tap, and stands on the shelf with what it gave', async ({ page }) => {
  await page.goto('/runs/run-weld/record');
  const spent = page.getByRole('region', { name: 'Spent matter' });
  await spent.getByRole('button', { name: 'Keep it for another bath' }).click();
  await expect(spent).toContainText('on the shelf: gave 1 bath, drying');
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'weld', exact: true }).click();
  await expect(page.getByText(/spent, gave 1 bath, drying/)).toBeVisible();
});
