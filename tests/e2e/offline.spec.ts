import { expect, test } from './hands';

/** A phone in the garden: the stove was open on it, the connection is gone, and the browser threw the page out. */

const RUN = '/runs/run-birch';
test.use({ serviceWorkers: 'allow' });

test('the stove opens again without a connection, as it was known last; acts are kept, sent once, in order, at their own times', async ({ page, context }) => {
  await page.goto(RUN);
  const line = page.getByLabel('Type an act');
  await line.fill('note before the garden');
  await line.press('Enter');
  await expect(page.locator('.log li').first()).toContainText('before the garden');
  const kept = (path: string, words: string) =>
    expect
      .poll(() => page.evaluate(async ([at, has]) => (await (await caches.match(at as string))?.text())?.includes(has as string), [path, words] as const), {
        timeout: 60_000,
      })
      .toBe(true);
  await kept(RUN, '<html');
  await kept(`/api/v1${RUN}`, 'before the garden');
  await context.setOffline(true);
  // A browser without a profile forgets what it kept once nothing of it is open: the old page goes when the new one stands.
  const phone = await context.newPage();
  await phone.goto(RUN);
  await page.close();
  const log = phone.locator('.log li');
  await expect(log.first()).toContainText('before the garden');
  // Its clock goes on: it is no picture of when it was made.
  const shown = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: process.env.ZONE });
  // Asked anew each time: the minute may turn meanwhile.
  await expect.poll(async () => (await phone.locator('.big-figure').first().textContent()) === shown.format(new Date())).toBe(true);
  for (const words of ['one', 'two', 'three', 'four', 'five']) {
    await phone.getByLabel('Type an act').fill(`note garden ${words}`);
    await phone.getByLabel('Type an act').press('Enter');
    await expect(log.first()).toContainText(`garden ${words}`);
  }
  await expect(phone.getByText('No answer from Hyndle: 5 acts are kept')).toBeVisible();
  // Once more thrown out, and back: nothing is lost, and calls go on.
  await phone.reload();
  await expect(log.first()).toContainText('kept here, not sent yet');
  await expect(phone.getByRole('region', { name: 'Next act' })).toBeVisible();
  // What was not open here says so, with what was.
  await phone.goto('/fibre');
  await expect(phone.getByRole('heading', { name: 'No answer from Hyndle' })).toBeVisible();
  await phone.getByRole('link', { name: /Birch leaf on silk noil/ }).click();
  await expect(log.first()).toContainText('garden five');

  await context.setOffline(false);
  await expect(phone.getByText('No answer from Hyndle')).toBeHidden({ timeout: 30_000 });
  const view = await (await phone.request.get(`/api/v1${RUN}`)).json();
  const notes = view.events.filter((event: { text?: string }) => event.text?.startsWith('garden'));
  expect(notes.map((event: { text: string }) => event.text)).toEqual(['garden one', 'garden two', 'garden three', 'garden four', 'garden five']);
  const times = notes.map((event: { atMs: number }) => event.atMs);
  expect(times).toEqual(times.toSorted((a: number, b: number) => a - b));
  expect(new Set(times).size).toBe(5);
});

test('each worker is itself, whichever ran first: a colour is read after a plan was worked out, and a plan after a colour', async ({ page }) => {
  const files = () => page.evaluate(async () => (await (await caches.open('hyndle-files')).keys()).length);
  const plan = async () => {
    await page.goto('/sessions/new');
    // A draft that was kept comes a moment later.
    await expect(async () => {
      await page.getByRole('checkbox', { name: /Gotland lamb/ }).setChecked(true, { timeout: 2000 });
      await page.waitForTimeout(300);
      await expect(page.getByRole('checkbox', { name: /Gotland lamb/ })).toBeChecked({ timeout: 500 });
    }).toPass();
    await expect(page.locator('.chain-name').first().locator('..')).toContainText(/\d+ g|\d+ mL/);
  };
  const read = async () => {
    await page.goto('/fibre/gotland');
    await page.getByRole('button', { name: 'Read a colour' }).first().click();
    await expect(page.getByRole('dialog').getByRole('status')).toContainText(/corrected|not corrected/);
    await page.keyboard.press('Escape');
  };
  await plan();
  await page.goto('/');
  // What is open is kept a few seconds after it came.
  await expect.poll(files, { timeout: 60_000 }).toBeGreaterThan(5);
  await read();
  await plan();
  await page.goto('/');
  await page.waitForTimeout(6000);
  await plan();
  await read();
});
