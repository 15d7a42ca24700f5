import { expect, test } from 'vitest';
import { firstSteps } from './firstSteps';

test('fibre first, then the kitchen, then the plan', () => {
  expect([firstSteps(0, 0).current, firstSteps(1, 0).current, firstSteps(1, 7).current, firstSteps(0, 7).current]).toEqual([0, 1, 2, 0]);
  expect(firstSteps(1, 7)).toMatchObject({ fibre: '1 lot added.', kitchen: '7 vessels there.' });
});
