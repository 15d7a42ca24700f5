import { expect, test } from './hands';

const RUN = '/runs/run-birch';

test('two browsers show the same run without being asked to', async ({ browser }) => {
  const [a, b] = await Promise.all([browser.newContext(), browser.newContext()]);
  const [left, right] = [await a.newPage(), await b.newPage()];
  await left.goto(RUN);
  await right.goto(RUN);
  await expect(right.locator('.log')).toBeVisible();
  await right.waitForTimeout(1500); // the stream is open
  const fetched: string[] = [];
  right.on('request', (request) => request.url().includes('/api/v1/runs') && fetched.push(request.url()));
  await left.getByLabel('Type an act').fill('note seen from the other side');
  await left.getByLabel('Type an act').press('Enter');
  await expect(right.locator('.log')).toContainText('seen from the other side', { timeout: 5000 });
  // It came by the stream: nobody asked for it.
  expect(fetched).toEqual([]);
  await a.close();
  await b.close();
});

test('many tabs of one browser share one stream, and acts still go through', async ({ context }) => {
  const tabs = await Promise.all(Array.from({ length: 8 }, () => context.newPage()));
  for (const tab of tabs) await tab.goto(RUN);
  const last = tabs.at(-1);
  const first = tabs[0];
  if (!last || !first) throw new Error('no tabs');
  await last.getByLabel('Type an act').fill('note from the eighth tab');
  await last.getByLabel('Type an act').press('Enter');
  await expect(first.locator('.log')).toContainText('from the eighth tab');
});

test('an act made without a connection is kept, said, and sent when it comes back', async ({ page, context }) => {
  await page.goto(RUN);
  // The log comes with the page; the line to type in comes to life a moment later, and then needs no network.
  await expect(page.getByLabel('Type an act')).toBeVisible();
  await page.waitForTimeout(1500); // what opens on a tap is fetched meanwhile
  await context.setOffline(true);
  await page.getByLabel('Type an act').fill('note written in the tunnel');
  await page.getByLabel('Type an act').press('Enter');
  await expect(page.locator('.log li').first()).toContainText('kept here, not sent yet');
  await expect(page.getByText('No answer from Hyndle: 1 act is kept')).toBeVisible();
  // What opens on a tap opens without a connection too, though nobody opened it before.
  await page
    .getByRole('button', { name: /^Reading/ })
    .first()
    .click();
  await page.getByRole('dialog').getByRole('textbox').first().fill('61');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText('No answer from Hyndle: 2 acts are kept')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('No answer from Hyndle')).toBeHidden();
  const view = await (await page.request.get('/api/v1/runs/run-birch')).json();
  expect(view.events.filter((event: { text?: string }) => event.text === 'written in the tunnel')).toHaveLength(1);
});

test('nothing moves under a finger: what the page has to say waits for the release, and the tap goes where it was aimed', async ({ page, context }) => {
  await page.goto(RUN);
  const stirred = page.getByRole('button', { name: /^Stirred/ }).first();
  await expect(page.getByLabel('Type an act')).toBeVisible();
  await page.waitForTimeout(1500);
  const before = await stirred.boundingBox();
  if (!before) throw new Error('No button.');
  await page.mouse.move(before.x + before.width / 2, before.y + 4);
  await page.mouse.down();
  await context.setOffline(true);
  await page.waitForTimeout(1500);
  expect(await stirred.boundingBox()).toEqual(before);
  await page.mouse.up();
  await expect(page.locator('.log li').first()).toContainText('stirred');
  await expect(page.getByText('No answer from Hyndle: 1 act is kept')).toBeVisible();
  expect((await stirred.boundingBox())?.y).toBeGreaterThan(before.y);
  await context.setOffline(false);
  await expect(page.getByText('No answer from Hyndle')).toBeHidden();
});

test('an act that is stored at once is never said to be kept: nothing flashes, nothing moves', async ({ page }) => {
  await page.goto(RUN);
  await expect(page.getByLabel('Type an act')).toBeVisible();
  await page.evaluate(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    new MutationObserver(() => {
      if (/kept on this device|kept here/.test(document.querySelector('main')?.textContent ?? '')) said.push('kept');
    }).observe(document.body, { childList: true, subtree: true, characterData: true });
  });
  // Longer than a round trip at home, shorter than a fault.
  await page.route('**/api/v1/runs/run-birch/events', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 400));
    await route.continue();
  });
  const sent = page.waitForResponse('**/api/v1/runs/run-birch/events');
  await page
    .getByRole('button', { name: /^Stirred/ })
    .first()
    .click();
  await expect(page.locator('.log li').first()).toContainText('stirred');
  expect((await sent).status()).toBe(200);
  await page.waitForTimeout(300);
  expect(await page.evaluate(() => (window as unknown as { said: string[] }).said)).toEqual([]);
});

test('a part of the stove that cannot be fetched is said in its place; the rest lives on, and it comes when asked again', async ({ page }) => {
  let gone = true;
  let refused = 0;
  await page.route('**/_next/static/chunks/*.js', async (route) => {
    const answer = await route.fetch();
    const hasTheLine = (await answer.text()).includes('"Type an act"');
    if (!hasTheLine || !gone) return route.fulfill({ response: answer });
    refused++;
    return route.abort();
  });
  await page.goto(RUN);
  await expect(page.getByText('This part could not be fetched')).toBeVisible();
  await expect(page.locator('.vessel-card').first()).toBeVisible();
  await expect(page.locator('.log li').first()).toBeVisible();
  await expect(page.getByText('ran into a fault')).toBeHidden();
  // Asked for where it stands, and once more when the stove fetches its parts beforehand.
  await expect.poll(() => refused).toBeGreaterThanOrEqual(2);
  gone = false;
  await page.getByRole('button', { name: 'Try again' }).first().click();
  await expect(page.getByLabel('Type an act')).toBeVisible();
  // Parts fetched beforehand are still on their way; the test does not end under them.
  await page.unrouteAll({ behavior: 'wait' });
});

test('a device five minutes off logs at the right time, and shows the server’s clock', async ({ page }) => {
  const real = Date.now();
  await page.clock.install({ time: real + 5 * 60_000 });
  await page.goto(RUN);
  await expect(page.locator('.log')).toBeVisible();
  await page.waitForTimeout(300);
  await page.getByLabel('Type an act').fill('note by a wrong clock');
  await page.getByLabel('Type an act').press('Enter');
  await expect(page.locator('.log')).toContainText('by a wrong clock');
  await expect(page.getByText('No answer from Hyndle')).toBeHidden();
  const view = await (await page.request.get('/api/v1/runs/run-birch')).json();
  const event = view.events.find((e: { text?: string }) => e.text === 'by a wrong clock');
  expect(Math.abs(event.atMs - Date.now())).toBeLessThan(20_000);
});

test('the simulated pot feeds readings through the door of the probes', async ({ page }) => {
  await page.request.put('/api/v1/sim-pots/big', { data: { on: true, burner: 10, lid: true, litres: 3, factor: 600 } });
  const read = async () => (await (await page.request.get('/api/v1/probes/probe-big/readings')).json()).latest;
  await expect.poll(async () => (await read())?.bathC ?? 0, { timeout: 15_000 }).toBeGreaterThan(60);
  await page.request.put('/api/v1/sim-pots/big', { data: { on: false, burner: 0, lid: true, litres: 3, factor: 1 } });
});
