import { describe, expect, test } from 'vitest';
import { measured, UNKNOWN } from '../figure';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { canBeginAgain, withAfterBath, withAgain } from './overshot';
import type { Plan } from './plan';
import { HEAD, input, planned, wool } from './plan.fixture';

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const CHAIN = [item('al', 'alum-10'), item('ex', 'extract-cold', { dyestuffId: 'hibiscus' }), item('st', 'strain'), item('dy', 'dyebath'), item('ri', 'rinse')];
const lots = [wool('a', 100), wool('b', 50)];
const plan = planned(lots, { chain: CHAIN });
const stepOf = (of: Plan, id: string) => {
  const found = of.steps.find((one) => one.id === id);
  if (!found) throw new Error(`${id} among ${of.steps.map((one) => one.id).join(' ')}`);
  return found;
};
const replanned = (chain: readonly ChainItem[]): Plan => {
  const built = buildPlan(input(lots, { chain: [...chain] }), HEAD);
  if (!built.plan) throw new Error(JSON.stringify(built.problems));
  return built.plan;
};

describe('a bath went past its aim', () => {
  test('made again: its item once more, and what was to work in the old bath works in the new one', () => {
    const next = withAgain(plan.draft, plan, stepOf(plan, 'ex-extract'), 'c9', []);
    expect(next.chain.map(({ id, methodId }) => `${id} ${methodId}`)).toEqual([
      'al alum-10',
      'ex extract-cold',
      'c9 extract-cold',
      'st strain',
      'dy dyebath',
      'ri rinse',
    ]);
    const again = replanned(next.chain);
    expect([stepOf(again, 'st-strain').bathId, stepOf(again, 'dy-dye').bathId]).toEqual(['c9-extract', 'c9-extract']);
    expect(stepOf(again, 'c9-extract').additions.map(({ substance }) => substance)).toContain('hibiscus');
  });
  test('with half of the acid that went in, asked for or not, and with what a person set for it', () => {
    const step = stepOf(plan, 'ex-extract');
    const vinegar = { additionId: null, substance: 'vinegar', amount: measured(20), unit: 'mL' };
    const more = { ...vinegar, amount: measured(10) };
    const next = withAgain({ ...plan.draft, overrules: { 'ex-extract/water': 2500 } }, plan, step, 'c9', [
      vinegar,
      more,
      { ...vinegar, substance: 'hibiscus' },
    ]);
    // One that was planned beside it and left out again leaves its name behind to nobody.
    const had = { 'ex-extract': [{ id: 'extra-2', substance: 'citricAcid', wofPct: 1 }] };
    expect(withAgain({ ...plan.draft, extras: had }, plan, step, 'c9', [vinegar]).extras?.['c9-extract']?.map(({ id }) => id)).toEqual(['extra-2', 'extra-3']);
    expect(next.overrules).toEqual({ 'ex-extract/water': 2500, 'c9-extract/water': 2500, 'c9-extract/extra-1': 15 });
    const again = buildPlan(input(lots, next), HEAD).plan;
    const bath = again && stepOf(again, 'c9-extract');
    expect(bath?.water?.overruled).toBe(2500);
    expect(bath?.additions.find(({ substance }) => substance === 'vinegar')).toMatchObject({ overruled: 15, unit: 'mL' });
    // Weighed where a plan measures it, or nobody knows how much: nothing is made up.
    expect(withAgain(plan.draft, plan, step, 'c9', [{ ...vinegar, unit: 'g' }]).overrules).toEqual({});
    expect(withAgain(plan.draft, plan, step, 'c9', [{ ...vinegar, amount: UNKNOWN }]).overrules).toEqual({});
  });
  test('two baths that were to be poured together still are', () => {
    const chain = [item('ex', 'extract-cold'), item('e2', 'extract-cold'), item('dy', 'dyebath', { bathFrom: ['ex', 'e2'] })];
    const first = stepOf(plan, 'ex-extract');
    const steps = [
      first,
      { ...first, id: 'e2-extract', bathId: 'e2-extract' },
      { ...stepOf(plan, 'dy-dye'), bathId: 'dy-dye', pouredFrom: ['ex-extract', 'e2-extract'] },
    ];
    expect(withAgain({ ...plan.draft, chain }, { ...plan, steps }, first, 'c9', []).chain.at(-1)?.bathFrom).toEqual(['c9', 'e2']);
  });
  test('as an after-bath: sour for a sour aim, alkaline for an alkaline one, for the goods that were in it', () => {
    const dye = stepOf(plan, 'dy-dye');
    const sour = withAfterBath(plan.draft, { ...dye, phAim: { low: 4, high: 5 } }, 'c9');
    expect(sour.chain.map(({ id }) => id)).toEqual(['al', 'ex', 'st', 'dy', 'c9', 'ri']);
    const bath = stepOf(replanned(sour.chain), 'c9-modify');
    expect([bath.methodId, bath.phAim, bath.lotIds]).toEqual(['mod-acid-after', { low: 4, high: 5 }, ['a', 'b']]);
    expect(withAfterBath(plan.draft, { ...dye, phAim: { low: 8, high: 9 } }, 'c9').chain[4]?.methodId).toBe('mod-alkali-after');
  });
  test('without an aim, or where no item made it, nothing is changed', () => {
    expect(withAfterBath(plan.draft, { id: 'dy-dye', lotIds: ['a'], phAim: undefined }, 'c9')).toBe(plan.draft);
    expect(withAgain(plan.draft, plan, { ...stepOf(plan, 'ex-extract'), id: 'zz-extract' }, 'c9', [])).toBe(plan.draft);
  });
  test('a bath that another step made, or a kept one, is not made again by this step', () => {
    expect([canBeginAgain(stepOf(plan, 'ex-extract')), canBeginAgain(stepOf(plan, 'dy-dye'))]).toEqual([true, false]);
  });
});
