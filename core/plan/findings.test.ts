import { describe, expect, test } from 'vitest';
import type { Liquor } from '../liquor/liquor';
import { METHODS } from '../method/library';
import { buildPlan } from './buildPlan';
import type { ChainItem, Draft } from './draft';
import type { Plan } from './plan';
import { HEAD, input, keptLiquor, planned, SATURDAY_9, vessels, wool } from './plan.fixture';

/** Cautions of whole plans: what the rules are told about a step comes from the steps around it. */

const item = (id: string, methodId: string, params: ChainItem['params'] = {}, more: Partial<ChainItem> = {}): ChainItem => ({
  id,
  methodId,
  params,
  dyestuffId: null,
  ...more,
});
const plan = (chain: ChainItem[], more: Partial<Draft> = {}, dryG: number | null = 100): Plan => planned([wool('a', dryG)], { chain, ...more });
const of = (built: Plan, prefix: string) => built.steps.filter((step) => step.id.startsWith(`${prefix}-`)).flatMap((step) => step.findings);
const severity = (built: Plan, prefix: string, rule: string) => of(built, prefix).find((finding) => finding.rule === rule)?.severity ?? null;
const paramOf = (built: Plan, methodId: string, unit: string) =>
  built.methods.find((method) => method.id === methodId)?.params.find((param) => param.unit === unit)?.key ?? '';

describe('doses', () => {
  const alumKey = paramOf(plan([item('al', 'alum-10')]), 'alum-10', '% WOF');
  test.each([
    [10, null],
    [20, null],
    [21, 'caution'],
    [31, 'stopUnlessReason'],
  ])('alum %d %% on wool: %s', (pct, expected) => expect(severity(plan([item('al', 'alum-10', { [alumKey]: pct })]), 'al', 'R2')).toBe(expected));
  test('a typed reason lets a passable stop through as a caution, and only on its own step', () => {
    const chain = [item('al', 'alum-10', { [alumKey]: 31 })];
    const stepId = plan(chain).steps[0]?.id ?? '';
    expect(severity(plan(chain, { reasons: { [stepId]: 'a test of harshness' } }), 'al', 'R2')).toBe('caution');
    expect(severity(plan(chain, { reasons: { other: 'a test' } }), 'al', 'R2')).toBe('stopUnlessReason');
  });
  test('a lot nobody weighed: the percentage is the one asked for, and is still judged or said to be unknown', () => {
    const built = plan([item('al', 'alum-10', { [alumKey]: 31 })], {}, null);
    expect(built.steps[0]?.additions[0]?.proposed.result).toBeNull();
    expect(severity(built, 'al', 'R2')).toBe('stopUnlessReason');
  });
});

describe('iron adds up over a plan', () => {
  const chain = [item('one', 'iron-mordant'), item('two', 'iron-dip')];
  const labels = { ironSulfate: 'hepta' };
  const first = plan([item('one', 'iron-mordant')], { labels });
  const both = plan(chain, { labels });
  test('a second helping is judged with the first', () => {
    const alone = severity(plan([item('two', 'iron-dip')], { labels }), 'two', 'R3');
    const after = severity(both, 'two', 'R3');
    const rank = [null, 'note', 'caution', 'stopUnlessReason', 'stop'];
    expect(rank.indexOf(after)).toBeGreaterThanOrEqual(rank.indexOf(alone));
    expect(after).not.toBeNull();
  });
  test('six percent alone is a caution, not a stop', () => expect(severity(first, 'one', 'R3')).toBe('caution'));
});

test('a wait set beyond what its method gives is planned so, and said', () => {
  const rest = METHODS.find((method) => method.id === 'rest-overnight');
  const chain = (restMin: number) => [
    item('ex', 'extract-fresh', {}, { dyestuffId: 'weld' }),
    item('st', 'strain'),
    item('dy', 'dyebath'),
    item('re', rest?.id ?? '', { restMin }),
  ];
  const said = (restMin: number) => of(plan(chain(restMin)), 're').find((finding) => finding.rule === 'span')?.text ?? null;
  expect(said(600)).toBeNull();
  expect(said(1614)).toMatch(/^1 d 2 h 54 min set; the method gives \d+ h at the most\.$/);
});

describe('a kept liquor (P16)', () => {
  const brings = METHODS.find((method) => method.steps.some((one) => one.liquor === 'brings'));
  const said = (more: Partial<Liquor>) =>
    buildPlan({ ...input([wool('a', 100)], { chain: [{ ...item('l', brings?.id ?? ''), liquorId: 'kept' }] }), liquors: [{ ...keptLiquor, ...more }] }, HEAD)
      .plan?.findings.filter((finding) => finding.rule === 'P16')
      .map((finding) => finding.severity);
  test.each<[string, Partial<Liquor>, string[]]>([
    ['labelled and fresh', {}, []],
    ['without a label', { labelled: false }, ['stop']],
    ['past its day', { spoilByMs: SATURDAY_9 - 3_600_000 }, ['caution']],
    ['pH 12.5', { ph: 12.5 }, ['caution']],
    ['pH 11', { ph: 11 }, []],
    ['two baths given', { uses: 2 }, []],
    ['three baths given', { uses: 3 }, ['note']],
  ])('%s: %j', (_what, more, expected) => expect(said(more)).toEqual(expected));
});

describe('what the label does not say', () => {
  test('iron of unknown form is a stop, of a known one none', () => {
    expect(severity(plan([item('fe', 'iron-mordant')]), 'fe', 'R5')).toBe('stop');
    expect(severity(plan([item('fe', 'iron-mordant')], { labels: { ironSulfate: 'mono' } }), 'fe', 'R5')).toBeNull();
  });
});

describe('heat', () => {
  test('goods from a hot bath are left to cool before the cold one, and it is said; after a rest they need not', () => {
    const cooled = plan([item('al', 'alum-10'), item('r', 'rinse')]);
    expect(severity(cooled, 'r', 'R9')).toBe('note');
    const [alum, rinse] = ['al', 'r'].map((id) => cooled.steps.findLast((one) => one.id.startsWith(`${id}-`)));
    expect(((rinse?.startMs ?? 0) - (alum?.endMs ?? 0)) / 60_000).toBeGreaterThanOrEqual(30);
    expect(
      severity(
        plan([
          item('ex', 'extract-fresh', {}, { dyestuffId: 'weld' }),
          item('st', 'strain'),
          item('dy', 'dyebath'),
          item('re', 'rest-overnight'),
          item('r', 'rinse'),
        ]),
        'r',
        'R9',
      ),
    ).toBeNull();
  });
  test('a rest has its heat off: nothing to say', () => {
    const built = plan([item('ex', 'extract-fresh', {}, { dyestuffId: 'weld' }), item('st', 'strain'), item('dy', 'dyebath'), item('re', 'rest-overnight')]);
    expect(severity(built, 're', 'R15')).toBeNull();
    expect(severity(built, 're', 'R14')).toBeNull();
  });
  test('no heat is planned into the night', () => {
    const built = plan([item('al', 'alum-10')], { startMs: Date.UTC(2026, 5, 6, 19, 30) });
    expect(severity(built, 'al', 'R14')).toBeNull();
  });
});

describe('vessels', () => {
  const kitchen = vessels[0];
  if (!kitchen) throw new Error('an empty kitchen');
  test('a chosen pot that is too small says so on its own step only', () => {
    const built = plan([item('al', 'alum-10'), item('d', 'dry')], { vessels: { 'al-mordant': 'enamel8' } }, 400);
    expect(severity(built, 'al', 'R12')).toBe('stop');
    expect(severity(built, 'd', 'R12')).toBeNull();
  });
  test('the worst comes first in the whole plan, each with its step', () => {
    const built = plan([item('al', 'alum-10'), item('fe', 'iron-mordant')]);
    const rank = { stop: 0, stopUnlessReason: 1, caution: 2, note: 3 } as const;
    const ranks = built.findings.map((finding) => rank[finding.severity]);
    expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
    for (const finding of built.findings) expect(built.steps.some((step) => step.id === finding.stepId) || finding.stepId === null).toBe(true);
  });
});

test('every message is short enough to be read, and promises nothing', () => {
  const built = plan([item('sc', 'scour-protein'), item('al', 'alum-10'), item('fe', 'iron-mordant'), item('dip', 'iron-dip'), item('d', 'dry')]);
  for (const finding of built.findings) {
    expect(finding.text.length).toBeLessThanOrEqual(200);
    expect(finding.text).not.toMatch(/\bsafe(r|ly)?\b|non-?toxic|harmless/i);
  }
});

describe('looks that are due often while nobody is there', () => {
  const soaked = (soakMin: number | { least: number; most: number }, startMs: number) =>
    planned([wool('a', 100)], { chain: [item('m', 'al-acetate', { soakMin })], startMs });
  const said = (built: Plan) =>
    of(built, 'm')
      .filter((finding) => finding.rule === 'looks')
      .map((finding) => finding.text);
  test('are said, with when: asleep from half past ten to seven', () =>
    expect(said(soaked({ least: 600, most: 720 }, SATURDAY_9 + 12 * 3_600_000))).toEqual([
      'A look is due every 30 min, and nobody is there from Sat 22:30 to Sun 07:00. Move it, or let it go unseen.',
    ]));
  test('at home nothing is said', () => expect(said(soaked(90, SATURDAY_9))).toEqual([]));
});

test('a steamer loses its water at the boil, not while it heats up: the bundle topped up at its turn is no stop', () => {
  // A burner of unknown power takes over an hour to the boil.
  const slow = { ...input([wool('a', 30)], { chain: [item('b', 'bundle-steam', {}, { dyestuffId: 'weld' })] }) };
  const { plan: built } = buildPlan({ ...slow, home: { ...slow.home, heatSources: slow.home.heatSources.map((source) => ({ ...source, maxW: null })) } }, HEAD);
  expect(built?.findings.filter((finding) => finding.rule === 'R17').map((finding) => finding.severity)).toEqual(['caution']);
});
