import { describe, expect, test } from 'vitest';
import { fitVessel } from '../dose/fit';
import { planned, step, wool } from '../plan/plan.fixture';
import { rankFindings } from './finding';
import { doseRule, fibreHeatRule, fibreRateRule, fillRule, ironRule, liftRule, scaleRule, unattendedHeatRule, vesselRule } from './rules';

const at = { stepId: 's' };
const severities = (findings: { severity: string }[]) => findings.map((finding) => finding.severity);

// Safety handbook, section 6, worked checks and rules R2-R16
describe('filling a pot (R12)', () => {
  const fit = fitVessel({ waterMl: 12_000, dryFibreG: 400, plantG: 0, vesselMl: 16_000 });
  if (!fit) throw new Error('no fit');
  test('76.8 % at 90 °C is a caution', () => expect(severities(fillRule(fit, 90, true, at))).toEqual(['caution']));
  test('the same at 70 °C is clear', () => expect(fillRule(fit, 70, true, at)).toEqual([]));
  test('an unknown target counts as the worst', () => expect(severities(fillRule(fit, null, true, at))).toEqual(['caution']));
  test.each([
    [75, []],
    [75.1, ['caution']],
    [90, ['caution']],
    [90.1, ['stop']],
  ])('%f %% at 85 °C', (fillPct, expected) => expect(severities(fillRule({ ...fit, fillPct }, 85, true, at))).toEqual(expected));
  test('past the brim is a stop even when cold', () => expect(severities(fillRule({ ...fit, overMl: 1 }, null, false, at))).toEqual(['stop']));
});

describe('lifting (R13)', () => {
  test('15.6 kg is a caution with the jug', () => expect(liftRule(15.6, null, at)[0]?.text).toContain('jug'));
  test('moved at 80 °C it is a stop', () => expect(severities(liftRule(15.6, 80, at))).toEqual(['stop']));
  test.each([
    [12, 0],
    [12.1, 1],
  ])('%f kg', (kg, count) => expect(liftRule(kg, null, at)).toHaveLength(count));
});

describe('doses (R2, R3, R6)', () => {
  test.each([
    [20, []],
    [20.1, ['caution']],
    [30.1, ['stopUnlessReason']],
  ])('%f %% alum', (pct, expected) => expect(severities(doseRule('alum', pct, at))).toEqual(expected));
  test('iron 5 % for 8 min on wool is a caution by its dose', () => expect(severities(ironRule(5, 8, at))).toEqual(['caution']));
  test('iron 7 % needs a reason', () => expect(severities(ironRule(7, 8, at))).toEqual(['stopUnlessReason']));
  test('iron 4 % for 10 min is clear', () => expect(ironRule(4, 10, at)).toEqual([]));
  test('0.4 g on a 0.1 g scale is a caution, 1.0 g is clear', () => expect([scaleRule(0.4, 0.1, at).length, scaleRule(1, 0.1, at).length]).toEqual([1, 0]));
});

describe('heat on fibre (R7, R8)', () => {
  test('silk at 86 °C is a note, at 96 °C a caution', () =>
    expect([severities(fibreHeatRule(86, { wool: false, silk: true }, at)), severities(fibreHeatRule(96, { wool: false, silk: true }, at))]).toEqual([
      ['note'],
      ['caution'],
    ]));
  test('wool from 20 to 85 °C in 40 min is 1.63 °C/min, a caution; in 60 min 1.08, a note', () => {
    expect(fibreRateRule(65 / 40, at)).toMatchObject([{ severity: 'caution', text: expect.stringContaining('1.63 °C/min') }]);
    expect(fibreRateRule(65 / 60, at)).toMatchObject([{ severity: 'note', text: expect.stringContaining('1.08') }]);
  });
});

describe('nobody there (R14)', () => {
  const print = (ms: number) => `${ms}`;
  const quiet = [{ fromMs: 2230, toMs: 3030 }];
  test('a hold from 21:30 to 23:30 with quiet hours from 22:30 is a stop', () =>
    expect(severities(unattendedHeatRule({ fromMs: 2130, toMs: 2330 }, quiet, print, at))).toEqual(['stop']));
  test('one that ends at 22:30 is clear', () => expect(unattendedHeatRule({ fromMs: 2130, toMs: 2230 }, quiet, print, at)).toEqual([]));
});

test('a metal salt in a food pot is a stop (P8), alkali in aluminium a caution (X7)', () => {
  expect(severities(vesselRule({ material: 'stainless', dyeOnly: false, name: 'Pan' }, false, true, at))).toEqual(['stop']);
  expect(severities(vesselRule({ material: 'aluminium', dyeOnly: true, name: 'Pan' }, true, false, at))).toEqual(['caution']);
});

test('one message per hazard and step, most severe first', () => {
  const ranked = rankFindings([
    { rule: 'A', severity: 'note', text: 't', stepId: 's' },
    { rule: 'B', severity: 'stop', text: 'u', stepId: 's' },
    { rule: 'A', severity: 'caution', text: 't', stepId: 's' },
  ]);
  expect(ranked.map((f) => [f.rule, f.severity])).toEqual([
    ['B', 'stop'],
    ['A', 'caution'],
  ]);
});

test('an iron dip above 6 % on wool is held until a reason is typed', () => {
  const chain = [{ id: 'i', methodId: 'iron-dip', params: { ironPct: 8 }, dyestuffId: null }];
  expect(severities([...step(planned([wool('a', 100)], { chain }), 'iron').findings])).toContain('stopUnlessReason');
  const reasoned = step(planned([wool('a', 100)], { chain, reasons: { 'i-iron': 'a test strip' } }), 'iron');
  expect(severities([...reasoned.findings])).not.toContain('stopUnlessReason');
});

// R32: no promise in anything the core says
test('no caution promises anything', () => {
  const all = [
    ...doseRule('alum', 40, at),
    ...ironRule(9, 60, at),
    ...liftRule(20, 60, at),
    ...fibreRateRule(2, at),
    ...vesselRule({ material: 'aluminium', dyeOnly: false, name: 'Pan' }, true, true, at),
  ];
  for (const { text } of all) {
    expect(text).not.toMatch(/\b(safe(r|ly)?|non-?toxic|harmless|hypoallergenic|chemical-free)\b|(food|child|baby|pet)-safe|colou?r-?fast/i);
    expect(text.length).toBeLessThanOrEqual(160);
  }
});
