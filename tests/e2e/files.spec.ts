import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere, scourOnHold, usualKitchen } from './steps';

/** What a page shows goes out as a file; a logger's file comes in. */

const BASE = emptyServer(4202);
test.use(beenHere(BASE));

test('a record: its log as a table, a logger’s readings taken in afterwards, and what the record then says', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Logged skein', '60 g');
  await scourOnHold(page, BASE, 'Logged skein', 'Logged');
  await page
    .getByRole('link', { name: /record/i })
    .first()
    .click();
  await expect(page).toHaveURL(/record/);

  await page.getByRole('button', { name: 'Save as a file' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'The log, as a table' }).click()]);
  const rows = parse(readFileSync(await download.path(), 'utf8'), { bom: true, columns: true }) as Record<string, string>[];
  expect(rows.map((row) => row.act).filter((act) => act !== 'note')).toEqual(['started', 'phaseEntered', 'phaseEntered', 'phaseEntered']);
  expect(rows[0]?.time).toMatch(/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d$/);
  await page.keyboard.press('Escape');

  // A logger is a probe: where no vessel has one, the way there is offered.
  const take = page.getByRole('button', { name: 'Take a logger’s readings in' });
  const dialog = page.getByRole('dialog', { name: 'Take a logger’s readings in' });
  await take.click();
  await expect(dialog).toContainText('No vessel has a probe yet');
  await expect(dialog.getByRole('link', { name: 'To the vessels' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Not now' }).click();
  const vessels = (await (await page.request.get(`${BASE}/api/v1/vessels`)).json()) as { id: string; heatSourceId: string | null; retired: boolean }[];
  const used = (await (await page.request.get(`${BASE}/api/v1/runs/running`)).json()) as { plan: { steps: { kind: string; vesselId: string }[] } }[];
  const pot = vessels.find(({ id }) => id === used[0]?.plan.steps[0]?.vesselId);
  const { id, retired: _retired, ...vessel } = pot as NonNullable<typeof pot>;
  expect((await page.request.put(`${BASE}/api/v1/vessels/${id}`, { data: { ...vessel, probeId: 'logger' } })).ok()).toBe(true);

  await page.reload();
  // Once: a second click would wait behind the dialog that the first one opened.
  await take.click();
  await expect(dialog).toBeVisible();
  const now = Date.now();
  const line = (ago: number, value: string) => `${new Date(now - ago * 1000).toISOString()};${value}`;
  const give = (name: string, text: string) => page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give('warm.csv', `time;value\n${line(0, 'warm')}\n`);
  await expect(dialog).toContainText('no temperatures beside them');
  await give('logger.csv', `time;value\n${line(3, '---')}\n${line(2, '64,5')}\n${line(1, '65')}\n`);
  await expect(dialog.getByText('Its temperatures are')).toBeVisible();
  await dialog.getByText('°C', { exact: true }).click();
  await expect(dialog).toContainText('2 readings');
  await expect(dialog).toContainText('from 64.5 °C to 65 °C');
  await expect(dialog).toContainText('1 line without a temperature left out');
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog).toContainText('2 readings taken in');
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await expect(page.locator('main')).toContainText('Highest 65 °C');
});
