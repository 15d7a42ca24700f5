import { expect, test } from 'vitest';
import { inTimeText } from './inTimeText';
import { isWait } from './phase';
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

test('a wait that gives is as long in the plan as it is on the clock, and a step that has begun with it keeps it', () => {
  const usual = planned([wool('a', 100)]);
  const until = { endByMs: endOf(usual) - H };
  const plan = planned([wool('a', 100)], until);
  const cut = plan.inTime?.cuts[0];
  const step = plan.steps.find(({ id }) => id === cut?.taskId);
  const phase = step?.phases[cut?.index ?? -1];
  expect(phase).toMatchObject({ minutes: { typical: cut?.nowMin } });
  expect(cut?.nowMin).toBeLessThan(cut?.usualMin ?? 0);
  const at = step?.phaseTimes[cut?.index ?? -1];
  expect(((at?.toMs ?? 0) - (at?.fromMs ?? 0)) / 60_000).toBe(cut?.nowMin);

  // Begun, and then planned anew without a moment to be over by.
  const waitsMin = step?.phases.map((one) => (isWait(one) ? one.minutes.typical : null)) ?? [];
  const fixed = { [step?.id ?? '']: { startMs: step?.startMs ?? 0, endMs: step?.endMs ?? 0, segments: step?.phaseTimes ?? [], waitsMin } };
  const anew = planned([wool('a', 100)], {}, { fixed, nowMs: SATURDAY_9 });
  expect(anew.steps.find(({ id }) => id === step?.id)?.phases[cut?.index ?? -1]).toMatchObject({ minutes: { typical: cut?.nowMin } });
});
