import type { Page } from '@playwright/test';
import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { neighbour } from './neighbour';
import { openList } from './planning';

/** The phone at the stove and the machine in another room, both by click: joining, acting, looking, being put out. */

const PORT = 4207;
const HOME = `http://hyndle.local:${PORT}`;
declare global {
  interface Window {
    /** How often this page has sounded. */
    rings: number;
  }
}

/** By its name, where the network tells one, or by its address. */
const FOUND_AT = new RegExp(`(127\\.0\\.0\\.5|hyndle(-\\d)?\\.local):${PORT}/join`);
const { base: MACHINE, pass } = serverWithClock(PORT, { HYNDLE_LAN_ADDRESSES: '127.0.0.5', HYNDLE_DEMO: '1' });

/** Lets a device in on the machine, and gives the digits as they are read there. */
async function letIn(machine: Page, what: RegExp): Promise<string> {
  await machine.getByText(what).click();
  await machine.getByRole('button', { name: 'Let a device in' }).click();
  const shown = machine.getByRole('region', { name: 'Joining code' }).locator('.figure');
  await expect(shown).toHaveText(/^\d{3} \d{3}$/);
  return (await shown.textContent()) ?? '';
}
async function join(phone: Page, digits: string, name: string): Promise<void> {
  await phone.getByRole('textbox').first().click();
  await phone.keyboard.type(digits.replace(' ', ''));
  await phone.getByLabel('What this device is called').fill(name);
  await phone.getByRole('button', { name: 'Join', exact: true }).click();
}

test('a phone joins, acts under its own name, and is put out; a tablet looks only', async ({ browser, page }) => {
  const closed = { cookies: [], origins: [MACHINE, HOME].map((origin) => ({ origin, localStorage: [{ name: 'hyndle.tour', value: 'closed' }] })) };
  await page.goto(`${MACHINE}/shelf?tab=home`);
  await expect(page.getByText('No device has joined.')).toBeVisible();
  await page.getByRole('switch', { name: /Open to the home network/ }).click();
  await expect(page.getByText(FOUND_AT)).toBeVisible();

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 800 }, storageState: closed, reducedMotion: 'reduce' })).newPage();
  await phone.goto(HOME);
  await expect(phone.getByRole('heading', { name: 'Join Hyndle' })).toBeVisible();
  await expect(phone.getByText('This way in is not private')).toBeVisible();
  expect(await phone.evaluate(() => window.isSecureContext)).toBe(false);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  await phone.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(phone.getByText('Type all the digits of the code that the machine shows.')).toBeVisible();
  const digits = await letIn(page, /Hands: every act/);
  await join(phone, digits === '111 111' ? '222 222' : '111 111', 'Phone on the wall');
  await expect(phone.getByText('This code is wrong')).toBeVisible();
  await expect(page.getByText('1 wrong try so far')).toBeVisible();
  await phone.reload();
  await join(phone, digits, 'Phone on the wall');
  await expect(phone.getByRole('heading', { name: 'Now' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Devices that have joined' })).toContainText('Phone on the wall');

  // An act at the stove: the log of both says who did it.
  await page.goto(`${MACHINE}/runs/run-birch`);
  await phone.goto(`${HOME}/runs/run-birch`);
  await phone.getByLabel('Type an act').fill('note smells of tea');
  await phone.getByLabel('Type an act').press('Enter');
  for (const each of [phone, page]) await expect(each.locator('.log-row').filter({ hasText: 'smells of tea' })).toContainText('by Phone on the wall');

  // Who is let in is decided on the machine.
  await phone.goto(`${HOME}/shelf?tab=home`);
  await expect(phone.getByText('It is called Phone on the wall in the log and may do every act')).toBeVisible();
  await expect(phone.getByRole('button', { name: 'Make a token' })).toHaveCount(0);

  await page.goto(`${MACHINE}/shelf?tab=home`);
  const tablet = await (await browser.newContext({ viewport: { width: 820, height: 1100 }, storageState: closed, reducedMotion: 'reduce' })).newPage();
  await tablet.goto(HOME);
  await join(tablet, await letIn(page, /Eyes: looks only/), 'Tablet in the hall');
  await expect(tablet.getByText('This device looks only')).toBeVisible();
  await tablet.goto(`${HOME}/fibre`);
  await tablet.getByRole('button', { name: 'Add a lot' }).click();
  await tablet.getByRole('dialog').getByLabel('Name').fill('By eyes');
  await tablet.getByRole('dialog').getByLabel('Weight', { exact: true }).fill('50 g');
  await tablet.getByRole('dialog').getByRole('button', { name: 'Keep' }).click();
  await expect(tablet.getByRole('dialog')).toContainText('This device may look, and change nothing');

  // Put out in one tap: its open page ends at once.
  await page.getByRole('button', { name: 'Put out: Phone on the wall' }).click();
  await expect(phone.getByText('This device is not in any more')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Devices that have joined' })).not.toContainText('Phone on the wall');
  await phone.goto(`${HOME}/fibre`);
  await expect(phone.getByRole('heading', { name: 'Join Hyndle' })).toBeVisible();

  // The tablet goes by itself.
  await tablet.goto(`${HOME}/shelf?tab=home`);
  await tablet.getByRole('button', { name: 'Leave' }).click();
  await expect(tablet.getByText('This device is not in any more')).toBeVisible();
  await expect(page.getByText('No device has joined.')).toBeVisible();

  // Shut again, nobody is answered there.
  await page.getByRole('switch', { name: /Open to the home network/ }).click();
  await expect(page.getByText(FOUND_AT)).toBeHidden();
  await expect(neighbour('127.0.0.2', `http://127.0.0.5:${PORT}/join`)).rejects.toThrow(/ECONNREFUSED/);
});

test('a call rings on every device that chose it, until one says Quiet', async ({ browser, page }) => {
  const countRings = () => {
    const { start } = OscillatorNode.prototype;
    window.rings = 0;
    OscillatorNode.prototype.start = function (...args) {
      window.rings++;
      return start.apply(this, args);
    };
  };
  const ringsOn = (one: Page) => one.evaluate(() => window.rings);
  await page.request.post(`${MACHINE}/api/v1/doors/open`, { data: { isOpen: true } });
  await page.goto(`${MACHINE}/shelf?tab=home`);
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 800 }, reducedMotion: 'reduce' })).newPage();
  await phone.goto(HOME);
  await join(phone, await letIn(page, /Hands: every act/), 'Phone on the wall');
  await expect(phone.getByRole('heading', { name: 'Now' })).toBeVisible();
  await phone.evaluate(() => localStorage.setItem('hyndle.tour', 'closed'));
  for (const [one, base] of [
    [page, MACHINE],
    [phone, HOME],
  ] as const) {
    await one.addInitScript(countRings);
    await one.goto(`${base}/runs/run-birch`);
    await one.getByRole('button', { name: 'Call aloud' }).click();
    await expect(one.getByRole('button', { name: 'Calling aloud' })).toBeVisible();
  }
  await phone.getByLabel('What this device calls for').click();
  await openList(phone).getByTitle('for stops only').click();
  await expect(phone.getByRole('button', { name: 'Heard: quiet on every device' })).toHaveCount(0);
  // What was due before it was chosen has rung already.
  await phone.evaluate(() => {
    window.rings = 0;
  });
  await pass(12 * 60);
  await expect.poll(() => ringsOn(page), { timeout: 40_000 }).toBeGreaterThan(0);
  const quiet = (one: Page) => one.getByRole('button', { name: 'Heard: quiet on every device' });
  await expect(quiet(page)).toBeVisible();
  await expect(quiet(phone)).toHaveCount(0);
  expect(await ringsOn(phone)).toBe(0);
  await phone.getByLabel('What this device calls for').click();
  await openList(phone).getByTitle('for everything').click();
  await expect.poll(() => ringsOn(phone)).toBeGreaterThan(0);
  // Both know the new hour: a device that is still behind knows of fewer calls, and quiets only those.
  const clockOn = (one: Page) => one.locator('.big-figure').textContent();
  await expect.poll(async () => (await clockOn(phone)) === (await clockOn(page)), { timeout: 40_000 }).toBe(true);
  await quiet(phone).click();
  await expect(quiet(phone)).toHaveCount(0);
  await expect(quiet(page)).toHaveCount(0);
  await expect(page.locator('.log-row').filter({ hasText: 'heard the call' }).first()).toContainText('by Phone on the wall');
});

test('a token is made for a probe, shown once, used, and ended', async ({ page }) => {
  await page.goto(`${MACHINE}/shelf?tab=home`);
  await page.getByRole('button', { name: 'Make a token' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('dialog')).toContainText('Give it a name.');
  await page.getByRole('dialog').getByLabel('Name').fill('Probe in the shed');
  await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).click();
  const shown = page.getByText(/^hyndle_[\w-]{40,}$/);
  await expect(shown).toBeVisible();
  const bearer = (await shown.textContent()) ?? '';
  await expect(page.getByRole('list', { name: 'Tokens' })).toContainText('readings of Long probe');
  const { probes } = (await (await fetch(`${MACHINE}/api/v1/home`)).json()) as { probes: { id: string; name: string }[] };
  expect(probes[0]?.name).toBe('Long probe');
  const ask = (probeId: string) =>
    fetch(`${MACHINE}/api/v1/probes/${probeId}/readings`, {
      method: 'POST',
      headers: { authorization: `Bearer ${bearer}`, 'content-type': 'application/json' },
      body: JSON.stringify({ readings: [{ atMs: Date.now(), bathC: 41 }] }),
    });
  expect((await ask(probes[0]?.id ?? '')).status).toBe(200);
  expect((await ask(probes[1]?.id ?? '')).status).toBe(403);
  await expect(page.getByRole('list', { name: 'Tokens' })).toContainText('last used');
  await page.getByRole('button', { name: 'I have it' }).click();
  await expect(shown).toBeHidden();
  await page.getByRole('button', { name: 'End: Probe in the shed' }).click();
  await expect(page.getByText('No token has been made.')).toBeVisible();
  expect((await ask(probes[0]?.id ?? '')).status).toBe(401);
});
