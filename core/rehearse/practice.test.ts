import { describe, expect, test } from 'vitest';
import { METRIC } from '../measure/measures';
import { printer } from '../measure/printer';
import { beginPractice, later, type Practice, type PracticeTask, pouredCold, scoreOf, scoreText, turned } from './practice';

const task: PracticeTask = { litres: 5, vesselLitres: 8, maxW: 2000, bandC: [70, 80], ceilingC: 85, holdMin: 60, boilC: 100 };
const print = printer(METRIC, 'UTC');
/** Somebody looks every minute and turns the knob by what is read. */
function heldBy(knobAt: (c: number, practice: Practice) => number, of = task): Practice {
  let now = beginPractice(of);
  while (!now.isOver) {
    const knob = knobAt(now.state.bathC, now);
    if (knob !== now.knob) now = turned(now, { knob });
    now = later(now, 60);
  }
  return now;
}

test('water heats as its heat says: 2 kW on 5 L lift it by about 50 K in the time that the energy takes', () => {
  const hot = later(turned(beginPractice(task), { knob: 10 }), 600);
  // Q = m c ΔT, less what the plate's lag and the losses keep back (at most a fifth here).
  const idealK = (2000 * 600) / (5 * 4186);
  expect(hot.state.bathC - 20).toBeLessThan(idealK);
  expect(hot.state.bathC - 20).toBeGreaterThan(0.75 * idealK);
});
test('it goes the same way in one stride or in many', () => {
  const on = turned(beginPractice(task), { knob: 6 });
  let many = on;
  for (let i = 0; i < 240; i++) many = later(many, 2.5);
  expect(many.state.bathC).toBeCloseTo(later(on, 600).state.bathC, 1);
  expect(many.readings).toHaveLength(later(on, 600).readings.length);
});
describe('the score', () => {
  test('who turns down in time holds it; who lets it boil loses all', () => {
    const well = scoreOf(heldBy((c) => (c < 60 ? 10 : c < 70 ? 4 : c < 76 ? 2 : 0)));
    expect(well.points).toBeGreaterThan(90);
    expect(well.credit.aboveCeilingMin).toBe(0);
    const badly = heldBy(() => 10);
    expect(scoreOf(badly).points).toBe(0);
    expect(scoreText(badly, scoreOf(badly), print).advice).toContain('Turn down before it is there');
  });
  test('who never heats gets nothing, and it ends all the same', () => {
    const cold = heldBy(() => 0);
    expect(cold.atS).toBe(6 * 3600);
    expect(scoreText(cold, scoreOf(cold), print).says).toBe('It never came into its band.');
  });
  test('who lets it cool is told so', () => {
    const cooled = heldBy((c, { heldFromS }) => (heldFromS === null ? 10 : c < 20 ? 1 : 0), { ...task, litres: 1, vesselLitres: 3 });
    expect(scoreText(cooled, scoreOf(cooled), print).advice).toMatch(/below|in time/);
  });
  test('a hold is over when its time is over, not before', () => {
    const well = heldBy((c) => (c < 60 ? 10 : c < 70 ? 4 : c < 76 ? 2 : 0));
    expect(well.atS - (well.heldFromS ?? 0)).toBeCloseTo(3600, 0);
    expect(turned(well, { knob: 10 })).toBe(well);
  });
});
test('cold water takes it down by what mixing gives, and it is heavier from then on', () => {
  const hot = later(turned(beginPractice(task), { knob: 10 }), 900);
  const mixed = pouredCold(hot, 1);
  const share = hot.model.heatJPerK / mixed.model.heatJPerK;
  expect(mixed.state.bathC).toBeCloseTo(20 + (hot.state.bathC - 20) * share, 6);
});
