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
  const got = typedFacts(text, of, of[0], print, atMs);
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
  expect(read('900 c')).toMatch(/Between -10 °C and 150 °C/);
  expect(read('ph 15')).toMatch(/between 0 and 14/);
  expect(read('looked cloudy')).toMatchObject({ facts: [{ type: 'checked', stepId: scour.id, finding: 'cloudy' }] });
  expect(read('what now')).toMatch(/Not understood/);
});

test('the call of a pot is put off or let go in words, where it may be', () => {
  const called = (act: 'stir' | 'tooHot' | 'add', more: object = {}) =>
    cards.map((card) => ({ ...card, nextCall: { act, text: 'Stir gently', when: 'now', due: true, stop: act === 'tooHot', ...more } }));
  expect(read('later 10 min', called('stir'))).toMatchObject({
    says: expect.stringMatching(/in 10 min: Stir gently$/),
    facts: [{ type: 'callPutOff', stepId: scour.id, call: 'stir', untilMs: atMs + 600_000 }],
  });
  expect(read('later', called('add'))).toMatchObject({ facts: [{ type: 'callPutOff', call: 'add', untilMs: atMs + 300_000 }] });
  expect(read('put off 2 h', called('add'))).toMatchObject({ facts: [{ untilMs: atMs + 7_200_000 }] });
  expect(read('let go', called('stir'))).toMatchObject({ facts: [{ type: 'callLetGo', stepId: scour.id, call: 'stir' }] });
  expect(read('let go', called('add'))).toMatch(/cannot be let go/);
  expect(read('later 10 min', called('tooHot'))).toMatch(/does not wait/);
  expect(read('later 30 h', called('stir'))).toMatch(/Between a minute and a day/);
  expect(read('later', called('stir', { due: false }))).toMatch(/Nothing is called for/);
});
