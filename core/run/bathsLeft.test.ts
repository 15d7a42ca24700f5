import { expect, test } from 'vitest';
import { measured } from '../figure';
import type { ChainItem } from '../plan/draft';
import { home, planned, vessels, wool } from '../plan/plan.fixture';
import { bathsLeft } from './bathsLeft';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';

const plan = planned([wool('a', 100)]);
let n = 0;
const ev = (fact: RunFact): RunEvent => ({ ...fact, id: `e${++n}`, atMs: n, recordedAtMs: n });
const done = (...ids: string[]) => [ev({ type: 'started', planVersion: 1 }), ...ids.map((stepId) => ev({ type: 'stepFinished', stepId }))];
const add = (stepId: string, substance: string): RunEvent => ev({ type: 'addition', stepId, additionId: null, substance, amount: measured(1), unit: 'g' });

test('a bath that went on in its pot stands there once, at its last step, with what went in on the way', () => {
  const state = foldRun(plan.steps, [...done('c3-extract', 'c4-strain', 'c5-dye', 'c6-rest'), add('c3-extract', 'weld'), add('c5-dye', 'copperSulfate')]);
  const baths = bathsLeft(plan, state, 0);
  expect(baths.map((bath) => bath.stepId)).toEqual(['c6-rest']);
  expect(baths[0]).toMatchObject({ dyestuffId: 'weld' });
  expect(baths[0]?.pour[0]).toContain('hazardous waste');
});
test('strong pH is neutralised first', () => {
  const state = foldRun(plan.steps, [...done('c2-mordant'), ev({ type: 'reading', stepId: 'c2-mordant', quantity: 'ph', value: 11 })]);
  expect(bathsLeft(plan, state, 0)[0]?.pour[0]).toContain('bring the pH');
});
test('what is not done, and the line, leave no bath', () => expect(bathsLeft(plan, foldRun(plan.steps, done('c8-dry')), 0)).toEqual([]));
test('a measured volume stands before the planned one', () => {
  const state = foldRun(plan.steps, [...done('c2-mordant'), ev({ type: 'reading', stepId: 'c2-mordant', quantity: 'volumeMl', value: 2500 })]);
  expect(bathsLeft(plan, state, 0)[0]?.volumeMl).toEqual(measured(2500));
});
test('four plants, a cup each: four baths are left, each with one use', () => {
  const PLANTS = ['dockRoot', 'heather', 'birchLeaf', 'bracken'];
  const lots = PLANTS.map((plant) => wool(plant, 5));
  const cup = vessels.find(({ kind }) => kind === 'pail') ?? vessels[0];
  if (!cup) throw new Error('a kitchen has a vessel');
  const cups = PLANTS.map((plant, i) => ({
    ...cup,
    id: `cup-${plant}`,
    name: `Cup ${i + 1}`,
    kind: 'cup' as const,
    litres: 0.4,
    material: 'ceramic' as const,
    heatSourceId: 'wave',
  }));
  const wave = { id: 'wave', name: 'old microwave', maxW: 800, kind: 'microwave', outdoors: false, dyeOnly: true } as const;
  const chain = PLANTS.map(
    (plant): ChainItem => ({
      id: `i-${plant}`,
      methodId: 'plant-microwave',
      params: { cupG: 5, cupMl: 250, vinegarMlPerCup: 5 },
      dyestuffId: plant,
      lotIds: [plant],
    }),
  );
  const four = planned(
    lots,
    { chain, labels: { vinegar: 's5' } },
    { vessels: [...vessels, ...cups], home: { ...home, heatSources: [...home.heatSources, wave] } },
  );
  expect(four.findings.filter(({ severity }) => severity === 'stop')).toEqual([]);
  const state = foldRun(four.steps, done(...four.steps.map(({ id }) => id)));
  const baths = bathsLeft(four, state, 0);
  expect(baths.map(({ dyestuffId, loads }) => [dyestuffId, loads])).toEqual(PLANTS.map((plant) => [plant, 1]));
});
