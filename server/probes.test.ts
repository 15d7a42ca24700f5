import { afterAll, beforeAll, expect, test } from 'vitest';
import { SATURDAY_9 } from '@/core/plan/plan.fixture';
import { runningApp, type TestApp } from './testApp.fixture';

let t: TestApp;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
});
afterAll(() => t.close());

const home = async () => (await t.send('GET', '/home')).body as { probes: Record<string, unknown>[]; revision: number; altitudeM: number };
const keepProbe = async (more: object) => {
  const had = await home();
  return t.send('PUT', '/home', { ...had, probes: had.probes.map((probe) => ({ ...probe, ...more })) });
};
const latest = async () => ((await t.send('GET', '/probes/probe1/readings')).body as { latest: { bathC: number } }).latest.bathC;
const read = (bathC: number, more: object = {}) => {
  t.clock.nowMs += 1000;
  return t.ask('postReadings', '/probes/probe1/readings', { readings: [{ bathC }], ...more });
};

test('a probe that was held into ice and boiling water tells what the bath has; what was kept before stays, a logger’s own is taken as it is', async () => {
  await read(49.8);
  expect(await latest()).toBe(49.8);
  // At sea level water boils at 100.0 °C: reads 0.8 and 98.8, so 49.8 is half-way.
  expect((await keepProbe({ iceReadsC: 0.8, boilReadsC: 98.78 })).status).toBe(200);
  await read(49.8);
  expect(await latest()).toBeCloseTo(50, 1);
  await read(49.8, { isCorrected: true });
  expect(await latest()).toBe(49.8);
  const all = (await t.send('GET', `/probes/probe1/readings?fromMs=${SATURDAY_9}&toMs=${t.clock.nowMs}`)).body as { readings: { bathC: number }[] };
  expect(all.readings[0]?.bathC).toBe(49.8);
});

test('a script that knows nothing of it leaves it; null ends it; what cannot be is refused in its place', async () => {
  const had = await home();
  const bare = had.probes.map(({ iceReadsC: _i, boilReadsC: _b, ...probe }) => probe);
  expect((await t.send('PUT', '/home', { ...had, probes: bare })).status).toBe(200);
  expect((await home()).probes[0]).toMatchObject({ iceReadsC: 0.8, boilReadsC: 98.78 });
  const refused = await keepProbe({ iceReadsC: 20 });
  expect(refused.status).toBe(422);
  expect(refused.body).toMatchObject({ errors: [{ at: 'probes.0', message: expect.stringContaining('near 0 °C') }] });
  expect((await home()).probes[0]).toMatchObject({ iceReadsC: 0.8 });
  expect((await keepProbe({ iceReadsC: null, boilReadsC: null })).status).toBe(200);
  await read(49.8);
  expect(await latest()).toBe(49.8);
});
