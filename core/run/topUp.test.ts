import { expect, test } from 'vitest';
import { METRIC } from '../measure/measures';
import { printer } from '../measure/printer';
import { planned, step, wool } from '../plan/plan.fixture';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { topUpText } from './topUp';

const plan = planned([wool('a', 100)]);
const scour = step(plan, 'scour');
const MIN = 60_000;
const ev = (atMin: number, fact: RunFact): RunEvent => ({ ...fact, id: `${atMin}`, atMs: scour.startMs + atMin * MIN, recordedAtMs: atMin });
const state = foldRun(plan.steps, [
  ev(0, { type: 'started', planVersion: 1 }),
  ev(1, { type: 'phaseEntered', stepId: scour.id, phaseIndex: 0 }),
  ev(2, { type: 'reading', stepId: scour.id, quantity: 'volumeMl', value: 3000 }),
]);
const says = (latestC: number | null, addedMl: number) => topUpText(plan, state, scour, latestC, addedMl, printer(METRIC, 'UTC'), scour.startMs + 3 * MIN);

test('3 L at 80 °C and 1 L from the tap at 15 °C are 63.75 °C, by hand', () =>
  expect(says(80, 1000)).toBe('Cold from the tap, it takes the bath from 80 °C to about 64 °C: top up hot.'));
test('nothing is said of a drop nobody minds, of nothing, or of a bath nobody read', () => {
  expect(says(80, 50)).toBeNull();
  expect(says(80, 0)).toBeNull();
  expect(says(80, Number.NaN)).toBeNull();
  expect(says(null, 1000)).toBeNull();
});
