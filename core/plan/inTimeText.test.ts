import { expect, test } from 'vitest';
import { inTimeText } from './inTimeText';
import type { Plan } from './plan';
import { draft, planned, SATURDAY_9, wool } from './plan.fixture';

const H = 3_600_000;
const hoursOn = (ms: number): string => `+${((ms - SATURDAY_9) / H).toFixed(1)} h`;
function textOf(plan: Plan) {
  const { says, more, ...rest } = inTimeText(plan, plan.inTime as NonNullable<Plan['inTime']>, hoursOn, SATURDAY_9);
  return { ...rest, says: `${says} ${more}`.trim() };
}
const endOf = (plan: Plan): number => Math.max(...plan.steps.map(({ endMs }) => endMs));

test('a plan that must be over says when it is, what gives, and from when on it may begin', () => {
  const usual = planned([wool('a', 100)]);
  const easy = textOf(planned([wool('a', 100)], { endByMs: endOf(usual) + 30 * H }));
  expect(easy).toMatchObject({
    isMet: true,
    says: expect.stringMatching(/^Over in time: \+[\d.]+ h, 1 d 6 h before it must be\. It may begin as late as \+[\d.]+ h\.$/),
  });
  expect(easy.beginMs).toBeGreaterThan(SATURDAY_9);

  const soon = textOf(planned([wool('a', 100)], { endByMs: endOf(usual) - H }));
  expect(soon.says).toMatch(/^Over in time: .* For that, .* instead of /);

  const late = planned([wool('a', 100)], { endByMs: SATURDAY_9 + 5 * H });
  expect(endOf(late)).toBe(endOf(usual));
  expect(textOf(late)).toMatchObject({
    isMet: false,
    beginMs: null,
    says: expect.stringMatching(
      /^Over .* too late\. With every wait at its least it is over .* too late\. It would have had to begin \+?-[\d.]+ h\. What takes longest: /,
    ),
  });
});

test('a plan that need not be over says nothing, and one over before it begins is refused in words', () => {
  expect(planned([wool('a', 100)]).inTime).toBeUndefined();
  expect(() => planned([wool('a', 100)], { endByMs: draft(['a']).startMs })).toThrow('It must be over before it begins');
});
