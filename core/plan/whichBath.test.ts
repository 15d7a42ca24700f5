import { describe, expect, test } from 'vitest';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { HEAD, input, vessels, wool } from './plan.fixture';

/** Several dye liquors side by side: which bath a step works in. */

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const pots = [...vessels, ...['p3', 'p4', 'p5', 'p6'].map((id, i) => ({ ...(vessels[0] as (typeof vessels)[number]), id, name: id, order: 20 + i }))];
const build = (chain: ChainItem[], lots = [wool('a', 100), wool('b', 100)]) => buildPlan({ ...input(lots, { chain }), vessels: pots }, HEAD);
const planOf = (chain: ChainItem[]) => {
  const built = build(chain);
  if (!built.plan) throw new Error(JSON.stringify(built.problems));
  return built.plan;
};
const weld = item('w', 'extract-fresh', { dyestuffId: 'weld' });
const birch = item('b', 'extract-fresh', { dyestuffId: 'birchLeaf' });
const bathOf = (plan: ReturnType<typeof planOf>, id: string) => plan.steps.find((step) => step.id.startsWith(`${id}-`) && step.lotIds.length > 0)?.bathId;
const makerOf = (plan: ReturnType<typeof planOf>, id: string) => plan.steps.find((step) => step.id.startsWith(`${id}-`))?.id;

describe('which bath', () => {
  test('two extractions then two dyebaths: each takes the first that waits', () => {
    const plan = planOf([
      weld,
      birch,
      item('s1', 'strain'),
      item('s2', 'strain'),
      item('d1', 'dyebath', { lotIds: ['a'] }),
      item('d2', 'dyebath', { lotIds: ['b'] }),
    ]);
    expect(bathOf(plan, 'd1')).toBe(makerOf(plan, 'w'));
    expect(bathOf(plan, 'd2')).toBe(makerOf(plan, 'b'));
    expect(plan.steps.find((step) => step.id.startsWith('d2-'))?.title).toContain('birch');
  });
  test('a dyebath may name its bath, in any order', () => {
    const plan = planOf([
      weld,
      birch,
      item('s1', 'strain'),
      item('s2', 'strain'),
      item('d1', 'dyebath', { lotIds: ['a'], bathFrom: ['b'] }),
      item('d2', 'dyebath', { lotIds: ['b'], bathFrom: ['w'] }),
    ]);
    expect(bathOf(plan, 'd1')).toBe(makerOf(plan, 'b'));
    expect(bathOf(plan, 'd2')).toBe(makerOf(plan, 'w'));
  });
  test('two are poured together: their water adds up, both makers come before, neither is left unused', () => {
    const plan = planOf([weld, birch, item('s1', 'strain'), item('s2', 'strain'), item('d', 'dyebath', { bathFrom: ['w', 'b'] })]);
    const dye = plan.steps.find((step) => step.id.startsWith('d-'));
    expect(dye?.pouredFrom).toEqual([makerOf(plan, 'w'), makerOf(plan, 'b')]);
    expect(dye?.fit?.filledMl).toBeGreaterThan(11_000); // two baths of 6 L for 200 g
    expect(dye?.after.length).toBeGreaterThanOrEqual(2);
    expect(plan.findings.filter((finding) => finding.rule === 'bath')).toEqual([]);
  });
  test('a second load goes into the bath that was used last, when no other waits', () => {
    const plan = planOf([weld, item('s', 'strain'), item('d1', 'dyebath', { lotIds: ['a'] }), item('d2', 'exhaust-bath', { lotIds: ['b'] })]);
    expect(bathOf(plan, 'd2')).toBe(makerOf(plan, 'w'));
  });
  test('four extractions and one dyebath: three are said to be unused', () => {
    const four = ['w', 'x', 'y', 'z'].map((id) => ({ ...weld, id }));
    const plan = planOf([...four, item('d', 'dyebath')]);
    expect(plan.findings.filter((finding) => finding.rule === 'bath').map((finding) => finding.stepId?.split('-')[0])).toEqual(['x', 'y', 'z']);
  });
  test('a liquor that stands in a cold jar is poured into a pot where the dyebath wants heat', () => {
    const jar = { ...(vessels[2] as (typeof vessels)[number]), id: 'jar', name: 'jar', kind: 'jar' as const, litres: 5, order: 30 };
    for (const dye of ['dyebath', 'exhaust-bath']) {
      const { plan, problems } = buildPlan(
        {
          ...input([wool('a', 100)], { chain: [item('c', 'extract-cold', { dyestuffId: 'hollyhock', params: { ratio: 1 } }), item('d', dye)] }),
          vessels: [...vessels, jar],
        },
        HEAD,
      );
      expect([dye, problems]).toEqual([dye, []]);
      const step = plan?.steps.find((one) => one.id.startsWith('d-') && one.phases.some((phase) => phase.kind === 'hold'));
      expect(plan?.vessels.find((vessel) => vessel.id === step?.vesselId)?.heatSourceId).not.toBeNull();
    }
  });
  test('a bath that is made only later is said, with what to do', () => {
    expect(build([item('d', 'dyebath'), weld]).problems[0]?.message).toContain('comes only after it: move that one up');
    expect(build([weld, item('d', 'dyebath', { bathFrom: ['nowhere'] })]).problems[0]?.message).toContain('is not made before it');
  });
});
