import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { pick } from './planning';
import { addLot, beenHere, lotBody, planJar, sent, usualKitchen } from './steps';

/** A jar before a flight: tied cotton, three days at most, and what gives for it. */

const { base: BASE, pass } = serverWithClock(4216);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

const DAY_MS = 86_400_000;
const dayText = (days: number, hour: number): string =>
  `${new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: process.env.ZONE }).format(Date.now() + days * DAY_MS)}, ${hour}:00`;

test('tied at 7 points by three ties: 21 bands; what must be over by a flight is planned back from it, or what gives is said', async ({ page }) => {
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Tied square', '60 g', 'cotton');
  const jar = await planJar(page, BASE, 'Tied square');
  await jar.getByRole('combobox', { name: 'Dyestuff' }).click();
  await pick(page, 'birch', /birch/);
  await page.getByLabel('Add a step').click();
  await pick(page, 'Tied', /Tied resist/);
  const ties = page.locator('#item-c4');
  await ties
    .getByRole('button', { name: /Tied resist/ })
    .first()
    .click();
  await ties.getByLabel('ties a point', { exact: true }).fill('3');
  await ties.getByLabel('ties a point', { exact: true }).press('Enter');
  await expect(ties.locator('.amount').first()).toContainText('21');

  const end = page.getByLabel('Must be over by', { exact: true });
  const over = page.locator('.ant-alert').filter({ hasText: /^Over / });
  const by = async (text: string) => {
    await end.fill(text);
    await end.press('Enter');
  };
  // Weeks: as usual, and it may begin later, in one tap.
  await by(dayText(30, 14));
  await expect(over).toContainText(/Over in time: .* before it must be\. It may begin as late as/);
  // Days: the jar gives.
  await by(dayText(5, 14));
  await expect(over).toContainText(/Over in time: .*For that, .*(Solar|jar).* instead of/i);
  // Hours: nothing would do; by how much, and since when.
  await by(dayText(1, 14));
  await expect(over).toContainText(
    /too late\. With every wait at its least it is over .* too late\. It would have had to begin .*What takes longest: Solar jar/,
  );
  await by(dayText(30, 14));
  await over.getByRole('button', { name: /^Begin / }).click();
  await expect(over).not.toContainText('It may begin as late as');
  // A flight before the beginning is refused where it was typed, and the plan that stood stays drawn.
  await by(dayText(1, 8));
  await expect(page.getByText('It must be over before it begins.', { exact: false })).toBeVisible();
});

test('a phone without a connection for 26 hours: five acts are sent once, in order, at their own times', async ({ page, context }) => {
  const pail = { kind: 'pail', litres: 10, material: 'plastic', heatProof: false, heatSourceId: null, probeId: null, dyeOnly: true, order: 9 };
  await sent(page, BASE, 'vessels', { id: 'away-pail', name: 'Travelling pail', ...pail });
  await sent(page, BASE, 'lots', lotBody('away', 'Away square', 60));
  const draft = { name: 'Away', startMs: Date.now(), lotIds: ['away'], vessels: { 'c1-wetOut': 'away-pail' }, overrules: {}, pins: {}, reasons: {} };
  await sent(page, BASE, 'sessions', { id: 'trip', draft: { ...draft, chain: [{ id: 'c1', methodId: 'wet-out', params: {}, dyestuffId: null }] } });
  await sent(page, BASE, 'sessions/trip/runs', { id: 'run-away', eventId: 'run-away-start', planVersion: 1 });
  await page.clock.install({ time: Date.now() });
  await page.goto(`${BASE}/runs/run-away`);
  const line = page.getByLabel('Type an act');
  await expect(line).toBeVisible();
  await context.setOffline(true);
  const HOURS = [0, 6, 6, 6, 8];
  for (const [i, hours] of HOURS.entries()) {
    // The phone's own clock and the machine's go on together; neither hears of the other.
    await pass(hours * 60);
    await page.clock.fastForward(hours * 3_600_000);
    await line.fill(`note away ${i + 1}`);
    await line.press('Enter');
    await expect(page.locator('.log li').first()).toContainText(`away ${i + 1}`);
  }
  await expect(page.getByText('5 acts are kept', { exact: false })).toBeVisible();
  await context.setOffline(false);
  await page.clock.fastForward(60_000);
  await expect(page.getByText('No answer from Hyndle')).toBeHidden({ timeout: 30_000 });
  const view = (await (await page.request.get(`${BASE}/api/v1/runs/run-away`)).json()) as { events: { text?: string; atMs: number }[] };
  const notes = view.events.filter(({ text }) => text?.startsWith('away'));
  expect(notes.map(({ text }) => text)).toEqual(['away 1', 'away 2', 'away 3', 'away 4', 'away 5']);
  const first = notes[0]?.atMs ?? 0;
  expect(notes.map(({ atMs }) => Math.round((atMs - first) / 3_600_000))).toEqual([0, 6, 12, 18, 26]);
});
