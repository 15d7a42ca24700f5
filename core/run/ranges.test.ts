import { describe, expect, test } from 'vitest';
import { between, figureText, knownText } from '../figure';
import { printAmount, printDuration, printPercent } from '../measure/print';
import { lengthText } from '../plan/phase';
import { type PlannedAmount, plannedKnown } from '../plan/plan';
import { CHAIN, planned, step, wool } from '../plan/plan.fixture';
import { planTotals } from '../plan/totals';
import { weighOut } from '../plan/weighOut';
import { compareStep } from './deviations';
import type { RunEvent, RunFact } from './events';
import { runNow } from './runNow';
import { treatmentsOf } from './treatments';

/** Ranges as people say them, from the lot to the passport: nothing turns them into one number on the way. */

const MIN = 60_000;
const guessed = { ...wool('a', null), dryWeightG: between(100, 200) };
const said = (amount: PlannedAmount | undefined | null) => {
  const known = amount ? plannedKnown(amount) : null;
  return known === null ? 'unknown' : knownText(known, (value) => printAmount(value, amount?.unit ?? 'g'));
};
const log = (facts: readonly [number, RunFact][], fromMs: number): RunEvent[] =>
  facts.map(([min, fact], i) => ({ ...fact, id: `e${i}`, atMs: fromMs + min * MIN, recordedAtMs: fromMs + min * MIN + i }));

describe('a lot of 100–200 g', () => {
  const plan = planned([guessed]);
  const mordant = step(plan, 'mordant');
  test('its doses are ranges: alum 10 %, weld 10 : 1, water 30 mL/g', () => {
    expect(said(mordant.additions[0])).toBe('10–20 g');
    expect(said(step(plan, 'extract').additions[0])).toBe('1–2 kg');
    expect(said(mordant.water)).toBe('3–6 L');
  });
  test('the pot is chosen for the most of it', () => expect(mordant.fit?.filledMl).toBeCloseTo(6000 + 200 / 1.4, 6));
  test('weighing out and the stove say the range', () => {
    expect(weighOut(plan).find((line) => line.key === 'c2-mordant/alum')).toMatchObject({ planned: { least: 10, most: 20 }, aim: null });
    const facts: [number, RunFact][] = [
      [0, { type: 'started', planVersion: 1 }],
      [1, { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0 }],
    ];
    const calls = (more: [number, RunFact][]) =>
      runNow(plan, log([...facts, ...more], mordant.startMs), {}, mordant.startMs + 3 * MIN)
        .nudges.filter((one) => one.stepId === mordant.id && one.act === 'add')
        .map((one) => one.text);
    expect(calls([])).toEqual(['Add 10–20 g potash alum']);
    // Weighed on the way, it is one number.
    expect(calls([[2, { type: 'lotWeighed', lotId: 'a', dryWeightG: 150 }]])).toEqual(['Add 15 g potash alum']);
  });
  test('what went in is compared with the range, and its percent is one', () => {
    const used = (g: number): { row: string | null | undefined; pct: string } => {
      const facts: [number, RunFact][] = [
        [0, { type: 'started', planVersion: 1 }],
        [1, { type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0 }],
        [2, { type: 'addition', stepId: mordant.id, additionId: 'alum', substance: 'alum', amount: { state: 'measured', value: g }, unit: 'g' }],
        [3, { type: 'stepFinished', stepId: mordant.id }],
      ];
      const now = runNow(plan, log(facts, mordant.startMs), {}, mordant.startMs + 9 * MIN);
      const [own, clock] = [now.state.steps[mordant.id], now.clocks[mordant.id]];
      if (!own || !clock) throw new Error('no step');
      const row = compareStep(mordant, own, clock, String, String).find((one) => one.what === 'potash alum');
      const [treatment] = treatmentsOf(plan, 'r', now.state, 'a').filter((one) => one.substance === 'potash alum');
      return { row: row?.difference, pct: treatment ? figureText(treatment.wofPct, printPercent) : '' };
    };
    expect(used(15)).toEqual({ row: null, pct: '7.5–15 %' });
    expect(used(20).row).toBeNull();
    expect(used(25).row).toBe('5 g more potash alum than planned');
    expect(used(8).row).toBe('2 g less potash alum than planned');
  });
});

test('an amount set as a range stands beside the one worked out', () => {
  const mordant = step(planned([wool('a', 100)], { overrules: { 'c2-mordant/alum': { least: 12, most: 15 } } }), 'mordant');
  expect(said(mordant.additions[0])).toBe('12–15 g');
  expect(mordant.additions[0]?.proposed.result).toBe(10);
});

describe('a simmer of 6–8 h', () => {
  const chain = CHAIN.map((item) => (item.id === 'c3' ? { ...item, methodId: 'extract-waxy', params: { holdMin: { least: 360, most: 480 } } } : item));
  const plan = planned([wool('a', 100)], { chain });
  const extract = step(plan, 'extract');
  const hold = extract.phases.findIndex((phase) => phase.kind === 'hold');
  const facts: [number, RunFact][] = [
    [0, { type: 'started', planVersion: 1 }],
    [0, { type: 'phaseEntered', stepId: extract.id, phaseIndex: hold }],
  ];
  const at = (min: number, more: [number, RunFact][] = []) => runNow(plan, log([...facts, ...more], extract.startMs), {}, extract.startMs + min * MIN);
  const callsAt = (min: number, more: [number, RunFact][] = []) =>
    at(min, more)
      .nudges.filter((one) => one.stepId === extract.id && one.dueMs <= extract.startMs + min * MIN)
      .map((one) => one.text);

  test('is planned with its middle, and says its heat before the start', () => {
    const phase = extract.phases[hold];
    expect(phase?.kind === 'hold' ? [phase.minutes.typical, lengthText(phase.minutes)] : null).toEqual([420, '6–8 h']);
    const plain = planTotals(planned([wool('a', 100)], { chain: CHAIN.map((item) => (item.id === 'c3' ? { ...item, methodId: 'extract-waxy' } : item)) }));
    // The method's own seven hours lie in the middle.
    expect(planTotals(plan).heatMin).toEqual({ least: Number(plain.heatMin) - 60, most: Number(plain.heatMin) + 60 });
  });
  test('is called at the least and at the most, with a look in between', () => {
    expect(callsAt(359)).not.toContainEqual(expect.stringContaining('Enough from now on'));
    expect(callsAt(360)).toContain('Enough from now on, 2 h more at the most: look at it');
    const looked: [number, RunFact][] = [[361, { type: 'checked', stepId: extract.id, finding: 'a little more' }]];
    expect(callsAt(420, looked)).not.toContainEqual(expect.stringContaining('Enough'));
    expect(callsAt(479, looked)).not.toContainEqual(expect.stringContaining('heat off'));
    expect(callsAt(480, looked)).toContainEqual(expect.stringMatching(/heat off/i));
  });
  test('7 h 25 by the clock with 35 min paused are 6 h 50, within 6–8 h', () => {
    const done: [number, RunFact][] = [
      [200, { type: 'paused', stepId: extract.id, reason: 'walk to the shop' }],
      [235, { type: 'resumed', stepId: extract.id }],
      [445, { type: 'stepFinished', stepId: extract.id }],
    ];
    const now = at(450, done);
    const [own, clock] = [now.state.steps[extract.id], now.clocks[extract.id]];
    if (!own || !clock) throw new Error('no step');
    const row = compareStep(extract, own, clock, String, String).find((one) => one.what === 'hold');
    expect(row).toMatchObject({ planned: expect.stringContaining('6–8 h at'), difference: null });
    expect(row?.actual).toBe(`${printDuration(410)} (and 35 min paused) by the clock, temperature not measured`);
  });
});
