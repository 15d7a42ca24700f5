import { describe, expect, test } from 'vitest';
import { isStop } from '../safety/finding';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { isNeeded } from './neededVessel';
import { amountOf } from './plan';
import { CHAIN, HEAD, input, planned, wool } from './plan.fixture';

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });

describe('a kitchen with nothing in it', () => {
  const chain = [item('al', 'alum-10'), item('ex', 'extract-dried', { dyestuffId: 'weld', params: { ratio: 1 } }), item('st', 'strain'), item('dy', 'dyebath')];
  const { plan, problems } = buildPlan({ ...input([wool('a', 120)], { chain }), vessels: [] }, HEAD);
  test('W1: the grams stand before any pot does: 120 g want 12 g alum and 120 g weld', () => {
    expect(problems).toEqual([]);
    const amounts = plan?.steps.flatMap((step) => step.additions.map((addition) => [addition.substance, amountOf(addition)])) ?? [];
    expect(amounts).toContainEqual(['alum', 12]);
    expect(amounts).toContainEqual(['weld', 120]);
  });
  test('what is lacking is named once, with a size that fits, and holds the start', () => {
    const lacking = plan?.findings.filter((finding) => finding.rule === 'vessel') ?? [];
    expect(lacking.length).toBe(plan?.vessels.filter(isNeeded).length);
    expect(lacking.every(isStop)).toBe(true);
    expect(lacking[0]?.text).toMatch(/^It takes a pot of \d+ L, on the heat, and there is none that suits\. Add one/);
    for (const step of plan?.steps ?? []) if (step.fit) expect([step.id, step.fit.fillPct <= 75]).toEqual([step.id, true]);
  });
  test('an unknown weight still shows the work, with a usual pot', () =>
    expect(buildPlan({ ...input([wool('a', null)], { chain: CHAIN }), vessels: [] }, HEAD).plan?.vessels.some(isNeeded)).toBe(true));
});

describe('how a step on the heat ends', () => {
  const ends = (chain: ChainItem[], id: string) =>
    planned([wool('a', 100)], { chain })
      .steps.find((step) => step.id.startsWith(`${id}-`))
      ?.phases.at(-1);
  const toDye = [item('ex', 'extract-fresh', { dyestuffId: 'weld' }), item('st', 'strain'), item('dy', 'dyebath')];
  test('a dyebath that nothing follows has its heat switched off and its goods lifted, by an act', () =>
    expect(ends(toDye, 'dy')).toMatchObject({ kind: 'lift', act: expect.stringContaining('Lift the goods') }));
  test('under a lid, steam is told of first (R18)', () =>
    expect(ends(toDye, 'dy')).toMatchObject({ act: expect.stringContaining('Tip the lid away from you') }));
  test('so has one that is followed by a rinse elsewhere', () => expect(ends([...toDye, item('ri', 'rinse')], 'dy')).toMatchObject({ kind: 'lift' }));
  test('a rest in the bath switches off by itself, and the goods stay', () => expect(ends([...toDye, item('re', 'rest-overnight')], 'dy')?.kind).toBe('hold'));
});
