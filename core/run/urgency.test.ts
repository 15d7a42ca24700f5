import { expect, test } from 'vitest';
import type { CallAct } from './events';
import { byUrgency } from './urgency';

const call = (act: CallAct, dueMin: number, stop = false) => ({ act, dueMs: dueMin * 60_000, stop });
const order = (calls: ReturnType<typeof call>[], nowMin: number) => byUrgency(calls, nowMin * 60_000).map(({ act }) => act);

test('at 31 min the load is turned before the water is looked at; at 60 the heat goes off before both', () => {
  expect(order([call('check', 30), call('flip', 30)], 31)).toEqual(['flip', 'check']);
  expect(order([call('check', 45), call('flip', 30), call('nextPhase', 60)], 61)).toEqual(['nextPhase', 'flip', 'check']);
});
test('what stops goes before all, and what is not due yet comes behind what is, by its time', () => {
  expect(order([call('stir', 10), call('check', 5), call('tooHot', 6, true), call('nextPhase', 20), call('flip', 15)], 7)).toEqual([
    'tooHot',
    'check',
    'stir',
    'flip',
    'nextPhase',
  ]);
});
