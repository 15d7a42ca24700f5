import { expect, test } from 'vitest';
import { planned, wool } from '../plan/plan.fixture';
import { practiceTasks } from './practiceTasks';

test('the holds of a plan in the order of the work, each in its own pot, on its own plate', () => {
  const plan = planned([wool('a', 100)]);
  const tasks = practiceTasks(plan);
  expect(tasks.map(({ stepId }) => stepId)).toEqual(['c1-scour', 'c3-extract', 'c2-mordant', 'c5-dye']);
  const dye = tasks.find(({ stepId }) => stepId === 'c5-dye')?.task;
  expect(dye).toMatchObject({ bandC: [70, 80], ceilingC: 82.2, holdMin: 60, vesselLitres: 8, maxW: 1500 });
  expect(dye?.litres).toBeGreaterThan(2);
});
test('what hangs on a line or has no band is nothing to practise', () => {
  const plan = planned([wool('a', 100)], { chain: [{ id: 'c', methodId: 'dry', params: {}, dyestuffId: null }] });
  expect(practiceTasks(plan)).toEqual([]);
});
