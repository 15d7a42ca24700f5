import { expect, test } from 'vitest';
import { findLots, indexLots } from '@/core/fibre/findLots';
import { foldPassport } from '@/core/fibre/passport';
import { buildPlan } from '@/core/plan/buildPlan';
import type { ChainItem } from '@/core/plan/draft';
import { HEAD, input, vessels, wool } from '@/core/plan/plan.fixture';
import { weighOut } from '@/core/plan/weighOut';
import { median, report } from './report';

const LOTS = 40;
const STEPS = 20;

test('a plan of 40 lots and 20 steps is worked out', async () => {
  const lots = Array.from({ length: LOTS }, (_, i) => wool(`l${i}`, 20 + i));
  const methods = ['alum-10', 'extract-fresh', 'strain', 'dyebath', 'rinse'];
  const chain = Array.from({ length: STEPS }, (_, i): ChainItem => {
    const methodId = methods[i % methods.length] ?? 'rinse';
    return { id: `c${i}`, methodId, params: {}, dyestuffId: methodId === 'extract-fresh' ? 'weld' : null };
  });
  const big = { ...input(lots, { chain }), vessels: vessels.map((vessel) => ({ ...vessel, litres: vessel.litres === null ? null : vessel.litres * 20 })) };
  const built = buildPlan(big, HEAD);
  expect(built.plan?.steps).toHaveLength(STEPS);
  const plan = built.plan;
  if (!plan) throw new Error(JSON.stringify(built.problems));
  const text = JSON.stringify(plan);
  const [work, parse] = [await median(15, () => buildPlan(big, HEAD)), await median(15, () => JSON.parse(text))];
  report(
    'a plan of 40 lots × 20 steps, median',
    work,
    'ms of 50',
    50,
    `${(work / parse).toFixed(0)} × reading the finished plan as JSON (${parse.toFixed(1)} ms), inside the test runner`,
  );
  report('its weigh-out list, median', (await median(15, () => weighOut(plan))) / work, '× working the plan out', 1, 'the same plan');
});

test('a keystroke over 5,000 lots', async () => {
  const lots = Array.from({ length: 5000 }, (_, i) => ({
    ...wool(`l${i}`, 20),
    name: `Skein ${i} of ${i % 7 === 0 ? 'Gotland' : 'something else'}`,
    passport: foldPassport([]),
  }));
  const index = indexLots(lots);
  const found = findLots(index, { text: 'gotland skein', form: null, mordant: 'unknown' });
  expect(found).toHaveLength(715);
  const [search, bare] = [
    await median(41, () => findLots(index, { text: 'gotland skein', form: null, mordant: 'unknown' })),
    await median(41, () => index.words.filter((words) => words.includes('gotland'))),
  ];
  report(
    'a keystroke over 5,000 lots, median',
    search / bare,
    '× one plain look through the same words',
    3,
    `${search.toFixed(2)} ms against ${bare.toFixed(2)} ms`,
  );
});
