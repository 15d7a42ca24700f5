import { describe, expect, test } from 'vitest';
import { between, measured, UNKNOWN } from '../figure';
import { planned, step, wool } from '../plan/plan.fixture';
import { farOff } from './farOff';
import type { StepState } from './fold';

const mordant = step(planned([wool('a', 100)]), 'mordant');
const [alum] = mordant.additions;
const adding = (g: number) => ({ additionId: alum?.id ?? '', amount: measured(g), unit: 'g' as const });
const had = (...grams: number[]) => ({ additions: grams.map((g) => ({ ...adding(g), substance: 'alum', atMs: 0 })) }) as unknown as StepState;

describe('an amount far from the plan', () => {
  // The plan: 10 % of 100 g.
  test.each([
    [100, 'ten times'],
    [20.1, 'just beyond twice'],
    [4.9, 'just short of half'],
  ])('%d g, %s, is asked about', (g) => expect(farOff(mordant, undefined, adding(g))).toBe(`${g} g potash alum, planned 10 g`));
  test.each([20, 10, 5])('%d g is not', (g) => expect(farOff(mordant, undefined, adding(g))).toBeNull());
  test('what went in before counts: the rest of a dose is none, and twice a dose is', () => {
    expect(farOff(mordant, had(8), adding(2))).toBeNull();
    expect(farOff(mordant, had(10), adding(11))).toBe('21 g potash alum, planned 10 g');
  });
  test('what nobody planned, or nobody knows, is not', () => {
    expect(farOff(mordant, undefined, { ...adding(500), additionId: null as unknown as string })).toBeNull();
    expect(farOff(mordant, undefined, { ...adding(1), amount: UNKNOWN })).toBeNull();
    expect(farOff(mordant, undefined, { ...adding(1), amount: between(8, 30) })).toBeNull();
  });
});
