import { expect, test } from 'vitest';
import type { CallAct } from './events';
import { tripOf } from './trip';

const MIN = 60_000;
const call = (act: CallAct, dueMin: number) => ({ act, dueMs: dueMin * MIN });
const trip = (calls: ReturnType<typeof call>[], nowMin = 10) => tripOf(calls, (one) => one, nowMin * MIN);

test('what is due, and what is nearly due, is one trip; the next one stands apart', () => {
  const [stir, look, add] = [call('stir', 9), call('check', 12), call('add', 12.1)];
  expect(trip([stir, look, add])).toEqual({ first: stir, alongside: [look], later: add });
});
test('nothing is gathered to a call that is still to come', () => {
  const [stir, look] = [call('stir', 11), call('check', 11.5)];
  expect(trip([stir, look])).toEqual({ first: stir, alongside: [], later: look });
});
test('a dip does not wait, and is not lifted early because somebody comes by', () => {
  const [stir, dip, due] = [call('stir', 9), call('dip', 11), call('dip', 10)];
  expect(trip([stir, dip])).toEqual({ first: stir, alongside: [], later: dip });
  expect(trip([stir, due])?.alongside).toEqual([due]);
});
test('no call, no trip', () => expect(trip([])).toBeNull());
