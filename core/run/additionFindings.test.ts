import { describe, expect, test } from 'vitest';
import { measured, UNKNOWN } from '../figure';
import { planned, step, wool } from '../plan/plan.fixture';
import { STARTER } from '../shelf/library';
import { bathNow, factFindings, movingFindings, risingNow, substanceByName } from './additionFindings';
import { stepClock } from './clock';
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
const blank = foldRun(plan.steps, []).steps;
const having = (additions: LoggedAddition[]) => ({ ...blank, [mordant.id]: { ...empty, additions } });
const rules = (additions: LoggedAddition[], substance: string, g: number | null, unit: 'g' | 'mL' = 'g') =>
  factFindings(plan, mordant, having(additions), { pouring: { substance, amount: g === null ? UNKNOWN : measured(g), unit } }).map((finding) => finding.rule);

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
  expect(bathNow(plan, mordant, having([logged('bleach', 10, 'mL')])).map((finding) => finding.rule)).toContain('X4');
  expect(bathNow(plan, mordant, having([logged('alum', 10)]))).toEqual([]);
});
describe('a dyebath too alkaline to give its dye (trade handbook T55; common practice, no source)', () => {
  const said = (kind: 'dye' | 'mordant', ph: number) =>
    factFindings(plan, step(plan, kind), blank, { ph }).filter((finding) => finding.text.includes('may not take')).length;
  test.each([
    ['dye', 12, 1],
    ['dye', 14, 1],
    ['dye', 11.9, 0],
    ['mordant', 12.4, 0],
  ] as const)('%s at pH %d: %d', (kind, ph, times) => expect(said(kind, ph)).toBe(times));
});
describe('carrying a pot (R13)', () => {
  const big = step(planned([wool('a', 400)]), 'dye');
  const hold = big.phases.findIndex((phase) => phase.kind === 'hold');
  const own = foldRun([big], [{ type: 'phaseEntered', stepId: big.id, phaseIndex: hold, id: 'e', atMs: 0, recordedAtMs: 0 }]).steps[big.id];
  const severities = (kg: number, latestC: number | null, state = own) =>
    movingFindings({ ...big, fit: { filledMl: 12_000, fillPct: 60, totalKg: kg, overMl: 0 } }, state, latestC).map((one) => one.severity);
  test.each([
    ['14 kg at 80 °C', 14, 80, ['stop']],
    ['14 kg at 50 °C', 14, 50, ['caution']],
    ['12 kg at 80 °C', 12, 80, []],
    ['14 kg on the heat, read by nobody', 14, null, ['stop']],
  ])('%s', (_what, kg, c, expected) => expect(severities(kg, c)).toEqual(expected));
  test('not begun and read by nobody, it is cold as far as anybody knows', () =>
    expect(severities(14, null, foldRun([big], []).steps[big.id])).toEqual(['caution']));
  test('of unknown weight nothing is claimed', () => expect(movingFindings({ ...big, fit: null }, own, 80)).toEqual([]));
});

test('a strip that reads 12.5 on wool is a stop before it is believed, 6.5 is quiet', () => {
  const of = (ph: number) => factFindings(plan, mordant, blank, { ph }).map((finding) => `${finding.rule} ${finding.severity}`);
  expect(of(12.5)).toContain('R10 stopUnlessReason');
  expect(of(6.5)).toEqual([]);
});
test('what an earlier step put into the same bath meets what is poured now; what nobody began to do does not', () => {
  const [dye, rest] = [step(plan, 'dye'), step(plan, 'rest')];
  const pouring = { substance: 'vinegar', amount: measured(100), unit: 'mL' as const };
  const after = { ...blank, [dye.id]: { ...empty, additions: [logged('bakingSoda', 30)] } };
  expect(factFindings(plan, rest, after, { pouring }).map((finding) => finding.rule)).toContain('R20');
  expect(factFindings(plan, rest, blank, { pouring }).map((finding) => finding.rule)).not.toContain('R20');
});
test.each([
  ['fuzzy on top', true],
  ['a little mould at the rim', true],
  ['no mould, smells of hay', false],
  ['paler than yesterday', false],
])('a look that says “%s”: mould %s', (finding, isSeen) => {
  const looked = { ...blank, [mordant.id]: { ...empty, checks: [{ atMs: 1, finding }] } };
  expect(bathNow(plan, mordant, looked).some((one) => one.rule === 'R29')).toBe(isSeen);
});
test.each([
  ['Baking soda', 'bakingSoda'],
  ['  weld ', 'weld'],
  ['Washing soda', 'washingSoda'],
  ['water', 'water'],
  ['tea', 'tea'],
  ['grandmother’s powder', 'grandmother’s powder'],
])('%s is %s', (name, id) => expect(substanceByName(name, STARTER)).toBe(id));

describe('R8 as it happens (safety handbook: wool 20 to 85 °C in 40 min is 1.63 °C/min, a caution; in 60 min a note)', () => {
  const dye = plan.steps.find(({ phases, lotIds }) => lotIds.length > 0 && phases.some(({ kind }) => kind === 'raise'));
  if (!dye) throw new Error('the usual plan heats wool');
  const raise = dye.phases.findIndex(({ kind }) => kind === 'raise');
  const MIN = 60_000;
  const began = { type: 'phaseEntered', stepId: dye.id, phaseIndex: raise, id: 'e', atMs: 0, recordedAtMs: 0 } as const;
  const rising = (cPerMin: number, min: number, lots = plan.lots) => {
    const readings = Array.from({ length: min + 1 }, (_, i) => ({ atMs: i * MIN, bathC: 40 + cPerMin * i }));
    const own = foldRun(plan.steps, [{ type: 'started', planVersion: 1, id: 's', atMs: 0, recordedAtMs: 0 }, began]).steps[dye.id];
    return own ? risingNow({ lots }, dye, stepClock({ ...dye, phases: [...dye.phases.slice(0, raise + 1)] }, own, readings, min * MIN)) : [];
  };
  test.each([
    [1.63, 20, 'caution'],
    [1.08, 20, 'note'],
    [0.9, 20, undefined],
    // Two readings a moment apart tell no rate.
    [3, 2, undefined],
  ])('%f °C/min over %i min: %s', (cPerMin, min, severity) => expect(rising(cPerMin, min)[0]?.severity).toBe(severity));
  test('linen may rise as it likes', () =>
    expect(
      rising(
        3,
        20,
        plan.lots.map((lot) => ({ ...lot, composition: [{ fibre: 'linen' as const, pct: 100 }] })),
      ),
    ).toEqual([]));
});

test('baking powder is asked about; baking soda is what it is', () => {
  const said = (substance: string) =>
    factFindings(plan, mordant, blank, { pouring: { substance, amount: measured(2), unit: 'g' } }).filter(({ rule }) => rule === 'another thing').length;
  expect(said('baking powder')).toBe(1);
  expect(said('Baking Powder, store brand')).toBe(1);
  expect(said('bakingSoda')).toBe(0);
});
