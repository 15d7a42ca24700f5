import type { Page } from '@playwright/test';
import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { beenHere, card, lotBody, sent } from './steps';

/** Four plants in four cups, by microwave: each cup its own lot and plant, the boil when it really came, and no metal. */

const { base: BASE, pass } = serverWithClock(4217);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

const PLANTS = ['dockRoot', 'heather', 'birchLeaf', 'bracken'];

/** A microwave that nobody cooks with, four mugs and a metal one in it, and five grams of wool for each. */
async function cupKitchen(page: Page): Promise<void> {
  const home = (await (await page.request.get(`${BASE}/api/v1/home`)).json()) as object;
  const wave = { id: 'wave', name: 'Old microwave', maxW: 800, kind: 'microwave', outdoors: false, dyeOnly: true };
  await sent(page, BASE, 'home', { ...home, heatSources: [wave] }, 'put');
  for (const [i, material] of ['ceramic', 'ceramic', 'ceramic', 'ceramic', 'stainless'].entries())
    await sent(page, BASE, 'vessels', {
      id: `cup${i + 1}`,
      name: material === 'stainless' ? 'Camp cup' : `Mug ${i + 1}`,
      kind: 'cup',
      litres: 0.35,
      material,
      heatProof: false,
      heatSourceId: 'wave',
      probeId: null,
      dyeOnly: true,
      order: i,
    });
  for (const [i] of PLANTS.entries()) await sent(page, BASE, 'lots', lotBody(`w${i + 1}`, `Wool ${i + 1}`, 5));
}

test('four lots take the four mugs; a metal cup is stopped; the boil is tapped at seven minutes, and that is what the log says', async ({ page }) => {
  await cupKitchen(page);
  const chain = PLANTS.map((_, i) => ({
    id: `c${i + 1}`,
    methodId: 'plant-microwave',
    params: { cupG: 5, cupMl: 250, vinegarMlPerCup: 5, ratio: 1 },
    dyestuffId: PLANTS[i],
    lotIds: [`w${i + 1}`],
  }));
  const draft = {
    name: 'Four cups',
    startMs: Date.now() + 60_000,
    lotIds: PLANTS.map((_, i) => `w${i + 1}`),
    chain,
    vessels: {},
    overrules: {},
    pins: {},
    reasons: {},
    labels: { vinegar: 's5' },
    answers: Object.fromEntries(PLANTS.map((_, i) => [`w${i + 1}`, 'goOn'])),
  };
  await sent(page, BASE, 'sessions', { id: 'cups', draft });
  await page.goto(`${BASE}/sessions/cups`);
  const warp = page.getByRole('region', { name: 'Warp of Four cups' });
  for (const n of [1, 2, 3, 4]) await expect(warp).toContainText(`Mug ${n} 0.35 L`);
  await expect(warp).not.toContainText('Camp cup');

  // Metal has no place in a microwave: said where it is chosen, and nothing starts with it.
  const metal = { ...draft, vessels: { 'c2-dip': 'cup5' } };
  await sent(page, BASE, 'sessions', { id: 'metal', draft: metal });
  await page.goto(`${BASE}/sessions/metal`);
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText('Camp cup is metal');
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeDisabled();

  await page.goto(`${BASE}/sessions/cups`);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page
    .getByRole('region', { name: /^Ready: Plant/ })
    .first()
    .getByRole('button', { name: 'Begin' })
    .click();
  const cup = card(page, 'Plant in the microwave');
  await cup.getByRole('button', { name: /Heat on|Next|Start/ }).click();
  await pass(7);
  await page.reload();
  // At a simmer an open mug of 0.35 L loses 85 mL an hour (0.00727 m², 84.5 kPa at 95 °C less the room's 1.2): 10 mL in seven minutes, of 250.
  await expect(cup).toContainText('In it: about 240 mL');
  await cup.getByRole('button', { name: 'It boils' }).click();
  await page.goto(`${BASE}/runs/${(await page.url()).split('/').at(-1)}/record`);
  await expect(page.locator('main')).toContainText(/4 min (more|longer|over)/);
});
