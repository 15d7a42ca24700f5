import { expect, test } from 'vitest';
import { planned, wool } from '@/core/plan/plan.fixture';
import { troubleText } from './rehearseText';

const plan = planned([wool('a', 100)]);
const temperature = (c: number) => `${c} °C`;

test.each([
  [{ kind: 'hold', stepId: 'c5-dye', times: 3, worst: 21.2 } as const, 'Dye, weld: held up to 22 min too short', '25 min longer'],
  [{ kind: 'ceiling', stepId: 'c5-dye', times: 3, worst: 5.3 } as const, 'Dye, weld: up to 87.7 °C; its ceiling is 82.2 °C', 'at the low end of its band'],
  [
    { kind: 'away', stepId: 'c5-dye', times: 3, worst: 61 } as const,
    'Dye, weld: wants hands up to 1 h 01 after you are gone or asleep',
    'Begin 1 h 15 earlier',
  ],
  [{ kind: 'clash', stepId: 'c1-scour', otherId: 'c5-dye', times: 3 } as const, 'Scour and Dye, weld want hands at once', 'a quarter of an hour later'],
])('%o is said with what to change', (trouble, says, change) => {
  const text = troubleText(trouble, plan, temperature);
  expect(text.says).toBe(says);
  expect(text.change).toContain(change);
});

test('what is a whole step stays that step, whatever the last digit of a sum', () => {
  expect(troubleText({ kind: 'hold', stepId: 'c5-dye', times: 1, worst: 15.000000000000002 }, plan, temperature).change).toContain('15 min longer');
});
