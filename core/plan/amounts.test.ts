import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { exactly } from '../chem/band';
import { LIBRARY } from '../method/library';
import type { AdditionRule, BathRule, StepTemplate } from '../method/method';
import { STARTER } from '../shelf/library';
import { additionAmount, type Base, bathAmount, labelMissing, paramsOf, usualFor } from './amounts';
import type { ChainItem } from './draft';
import { amountOf } from './plan';

const base = (more: Partial<Base> = {}): Base => ({
  params: { pct: 10, ratio: 2, dose: 5 },
  dryG: 250,
  doseG: 250,
  pieces: 12,
  waterMl: 4000,
  dyestuffId: 'weld',
  phAim: null,
  alkalinityMgL: exactly(100),
  tapPh: exactly(8),
  tempC: 20,
  form: null,
  labels: {},
  shelf: STARTER,
  ...more,
});
const wof: AdditionRule = { id: 'x', substance: 'alum', rule: 'wofPct', pct: { param: 'pct' } };
const RULES: readonly [string, AdditionRule, string, number][] = [
  ['T13: 10 % of 250 g', wof, 'g', 25],
  ['2 : 1 of 250 g', { id: 'x', substance: 'dyestuff', rule: 'ratio', ratio: { param: 'ratio' } }, 'g', 500],
  ['5 mL to the litre of 4 L', { id: 'x', substance: 'vinegar', rule: 'mLPerL', dose: { param: 'dose' } }, 'mL', 20],
  ['5 g to the litre of 4 L', { id: 'x', substance: 'chalk', rule: 'gPerL', dose: { param: 'dose' } }, 'g', 20],
  ['no pH aimed at: by the litre', { id: 'x', substance: 'vinegar', rule: 'toPh', per: 'mLPerL', dose: { param: 'dose' } }, 'mL', 20],
  ['T27: 25 % of the bath, not 33 %', { id: 'x', substance: 'vinegar', rule: 'bathPct', pct: 25 }, 'mL', 1000],
  ['T77: one to a piece', { id: 'x', substance: 'teaBlack', rule: 'perPiece', count: 1 }, 'piece', 12],
  ['T77: one to two pieces', { id: 'x', substance: 'teaBlack', rule: 'perPiece', count: 0.5 }, 'piece', 6],
  ['T75: seven points at three ties', { id: 'x', substance: 'bands', rule: 'times', count: 7, each: 3 }, 'piece', 21],
];

describe('each rule gives its amount in its own unit', () => {
  test.each(RULES)('%s', (_what, rule, unit, amount) => {
    const made = additionAmount(rule, base(), null);
    expect(made.unit).toBe(unit);
    expect(made.proposed.result).toBeCloseTo(amount, 9);
    expect(made.proposed.missing).toEqual([]);
  });
  test.each(RULES)('%s: with nothing known it is unknown, or needs nothing', (_what, rule, _unit, amount) => {
    const made = additionAmount(rule, base({ dryG: null, doseG: null, waterMl: null, pieces: null }), null);
    if (rule.rule === 'times') expect(made.proposed.result).toBe(amount);
    else {
      expect(made.proposed.result).toBeNull();
      expect(made.proposed.missing).toHaveLength(1);
    }
  });
  test('a dose that somebody set stands beside the one worked out', () => {
    const made = additionAmount(wof, base(), 18);
    expect([made.proposed.result, made.overruled, amountOf(made)]).toEqual([25, 18, 18]);
  });
  test('an unset percentage is asked for, and is not nought', () =>
    expect(additionAmount(wof, base({ params: { pct: null } }), null).proposed).toMatchObject({ result: null, missing: ['percent of the fibre’s weight'] }));
  test('by eye and blocked lines carry their words and no number', () => {
    expect(additionAmount({ id: 'x', substance: 'dyestuff', rule: 'byEye', words: 'as laid' }, base(), null)).toMatchObject({
      words: 'as laid',
      proposed: { result: null },
    });
    expect(additionAmount({ id: 'x', substance: 'blocked', rule: 'blocked', words: 'chrome, 3 %' }, base(), null)).toMatchObject({
      name: 'chrome, 3 %',
      proposed: { result: null },
      perDryG: null,
    });
  });
  test('a plant is wanted in the form of the method, a salt in none', () => {
    const plant: AdditionRule = { id: 'x', substance: 'dyestuff', rule: 'ratio', ratio: 2 };
    expect(additionAmount(plant, base({ form: 'dried' }), null).form).toBe('dried');
    expect(additionAmount(plant, base(), null).form).toBeNull();
    expect(additionAmount(wof, base({ form: 'dried' }), null).form).toBeNull();
  });
  test('a rule by weight never changes its unit, whatever the weight', () =>
    fc.assert(
      fc.property(fc.constantFrom(...RULES), fc.double({ min: 0.5, max: 50_000, noNaN: true }), ([, rule, unit], dryG) => {
        expect(additionAmount(rule, base({ dryG }), null).unit).toBe(unit);
      }),
      { seed: 3 },
    ));
});

describe('what the label says changes the dose', () => {
  const iron: AdditionRule = { id: 'x', substance: 'ironSulfate', rule: 'wofPct', pct: 4 };
  // Safety handbook section 2, form factors: FeSO4·H2O 0.611, burnt alum 0.544 of the crystals.
  test.each([
    ['hepta', 10],
    ['mono', 6.11],
  ])('iron, %s: %d g', (label, g) => expect(additionAmount(iron, base({ labels: { ironSulfate: label } }), null).proposed.result).toBeCloseTo(g, 9));
  test('burnt alum: 13.6 g do what 25 g of crystals do, and the working says why', () => {
    const made = additionAmount(wof, base({ labels: { alum: 'burnt' } }), null);
    expect(made.proposed.result).toBeCloseTo(13.6, 9);
    expect(made.proposed.formula).toContain('burnt');
  });
  test('vinegar of 10 % is half the volume of the usual 5 %', () =>
    expect(additionAmount({ id: 'x', substance: 'vinegar', rule: 'mLPerL', dose: 5 }, base({ labels: { vinegar: 's10' } }), null).proposed.result).toBeCloseTo(
      10,
      9,
    ));
  test('the dose per gram of fibre goes along, for a lot weighed later', () =>
    expect(additionAmount(iron, base({ dryG: null, doseG: null, labels: { ironSulfate: 'mono' } }), null).perDryG).toBeCloseTo(0.04 * 0.611, 12));
  test.each([
    ['ironSulfate', {}, true],
    ['ironSulfate', { ironSulfate: 'mono' }, false],
    ['ironSulfate', { ironSulfate: 'nonahydrate' }, true],
    ['weld', {}, false],
    ['water', {}, false],
  ])('%s with %j: asked for %s', (substance, labels, missing) => expect(labelMissing(substance, labels, STARTER)).toBe(missing));
});

describe('the bath', () => {
  const template = { additions: [] } as unknown as StepTemplate;
  const bath = (rule: BathRule | null, more: Partial<Base> = {}) => bathAmount(rule, template, base(more), null);
  test('30 mL to the gram of 250 g are 7.5 L', () => expect(bath({ mLPerG: 30 })?.proposed.result).toBe(7500));
  test('of an unknown weight it is unknown, and knows how to become known', () => {
    const made = bath({ mLPerG: 30 }, { dryG: null });
    expect([made?.proposed.result, made?.perDryG]).toEqual([null, 30]);
  });
  test('a fixed volume asks for no weight', () => expect(bath({ mL: 1500 }, { dryG: null })?.proposed.result).toBe(1500));
  test('it may be vinegar', () => expect(bath({ mL: 100, of: 'vinegar' })).toMatchObject({ substance: 'vinegar', unit: 'mL' }));
  test('no bath is none', () => expect(bath(null)).toBeNull());
});

describe('the usual figures, as a dyestuff changes them', () => {
  const method = LIBRARY.find('extract-fresh');
  const madder = STARTER.dyestuff('madder');
  if (!method || !madder) throw new Error('the library lost something');
  const item = (params: ChainItem['params']): ChainItem => ({ id: 'c1', methodId: method.id, params, dyestuffId: 'madder' });
  test('T44: nothing goes above the ceiling of madder, 65.6 °C', () => {
    const usual = usualFor(method, [madder]);
    for (const key of ['lowC', 'highC', 'ceilingC']) expect(usual[key]).toBeLessThanOrEqual(65.6);
    expect(usual.lowC).toBeLessThan(usual.highC ?? 0);
  });
  test('without a dyestuff they are the method’s, but no ratio is filled in for what nobody chose', () =>
    expect(usualFor(method, [])).toEqual({ ...Object.fromEntries(method.params.map((param) => [param.key, param.usual])), ratio: null }));
  test('nor where none is in use for that form', () => expect(usualFor(method, [{ ...madder, ratio: {} }]).ratio).toBeNull());
  test('what a person set wins; null stays unknown; the rest stays usual', () => {
    expect(paramsOf(method, item({ ceilingC: 60 }), [madder]).ceilingC).toBe(60);
    expect(paramsOf(method, item({ ratio: null }), [madder]).ratio).toBeNull();
    expect(paramsOf(method, item({}), [madder]).ceilingC).toBe(65.6);
  });
});
