import { expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { printer } from '@/core/measure/printer';
import { planned, step, wool } from '@/core/plan/plan.fixture';
import { stoveView } from './stoveView';
import { typedFacts } from './typedFacts';

const print = printer(METRIC, 'Europe/Berlin');
const plan = planned([wool('a', 100)]);
const scour = step(plan, 'scour');
const atMs = scour.startMs + 60_000;
const { cards } = stoveView(
  plan,
  [
    { type: 'started', planVersion: 1, id: 'e1', atMs: scour.startMs, recordedAtMs: scour.startMs },
    { type: 'phaseEntered', stepId: scour.id, phaseIndex: 0, id: 'e2', atMs: scour.startMs, recordedAtMs: scour.startMs },
  ],
  {},
  atMs,
  print,
);
const read = (text: string, of = cards) => {
  const got = typedFacts(text, of, of[0], print);
  return got.ok ? { says: got.value.says, facts: got.value.facts, agoMin: got.value.agoMin } : got.error;
};

test('a note needs no pot in use', () => {
  expect(read('note it smells of hay', [])).toEqual({
    says: 'note: it smells of hay',
    facts: [{ type: 'note', stepId: null, text: 'it smells of hay' }],
    agoMin: 0,
  });
  expect(read('stirred', [])).toMatch(/begin a step first/);
  expect(read('3 stirred')).toBe('There is no pot 3 in use.');
});

test('what is understood is said back with its pot and its time', () => {
  expect(read('66 c 5 min ago')).toMatchObject({ says: expect.stringMatching(/reads 66 °C, 5 min ago$/), agoMin: 5 });
  expect(read('ph 4.5')).toMatchObject({ facts: [{ type: 'reading', stepId: scour.id, quantity: 'ph', value: 4.5 }] });
  expect(read('900 c')).toMatch(/Between −10 and 150/);
  expect(read('ph 15')).toMatch(/between 0 and 14/);
  expect(read('looked cloudy')).toMatchObject({ facts: [{ type: 'checked', stepId: scour.id, finding: 'cloudy' }] });
  expect(read('what now')).toMatch(/Not understood/);
});
