import { expect, test } from 'vitest';
import { measured, UNKNOWN } from '../figure';
import { planned, step, wool } from '../plan/plan.fixture';
import { STARTER } from '../shelf/library';
import { additionFindings, bathNow, substanceByName } from './additionFindings';
import { foldRun, type LoggedAddition } from './fold';

const plan = planned([wool('a', 100)]);
const mordant = step(plan, 'mordant');
const logged = (substance: string, g: number, unit: 'g' | 'mL' = 'g'): LoggedAddition => ({
  eventId: substance,
  additionId: null,
  substance,
  amount: measured(g),
  unit,
  atMs: 0,
});
const empty = foldRun(plan.steps, []).steps[mordant.id];
if (!empty) throw new Error('no step');
const rules = (additions: LoggedAddition[], substance: string, g: number | null, unit: 'g' | 'mL' = 'g') =>
  additionFindings(plan, mordant, { additions }, { substance, amount: g === null ? UNKNOWN : measured(g), unit }).map((finding) => finding.rule);

test('baking soda into an alum bath is said to fizz before it is poured', () => {
  expect(rules([logged('alum', 10)], 'bakingSoda', 30)).toContain('R20');
  expect(rules([], 'bakingSoda', 1)).not.toContain('R20');
});
test('bleach onto wool is a stop, whatever else is in', () => expect(rules([], 'bleach', 10, 'mL')).toContain('X4'));
test('what was said before is not said again', () => {
  expect(rules([], 'alum', 25)).toContain('R2');
  expect(rules([logged('bleach', 10, 'mL')], 'scourLiquid', 1, 'mL')).not.toContain('X4');
});
test('an amount nobody knows counts as the worst', () => expect(rules([logged('alum', 10)], 'bakingSoda', null)).toContain('R20'));
test('afterwards a stop is advice, and the ordinary is quiet', () => {
  expect(bathNow(plan, mordant, { additions: [logged('bleach', 10, 'mL')] }).map((finding) => finding.rule)).toContain('X4');
  expect(bathNow(plan, mordant, { additions: [logged('alum', 10)] })).toEqual([]);
});
test.each([
  ['Baking soda', 'bakingSoda'],
  ['  weld ', 'weld'],
  ['grandmother’s powder', 'grandmother’s powder'],
])('%s is %s', (name, id) => expect(substanceByName(name, STARTER)).toBe(id));
