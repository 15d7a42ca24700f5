import { describe, expect, test } from 'vitest';
import { buildPlan } from '../plan/buildPlan';
import type { ChainItem } from '../plan/draft';
import { bringsKept, HEAD, input, keptLiquor, wool } from '../plan/plan.fixture';
import { WAYS, type Way } from './data/ways';
import { LIBRARY } from './library';

/** Every way of working is a plan that stands: nothing to leave out, nothing missing but what to dye with. */

const lots = ['a', 'b', 'c'].map((id) => ({ ...wool(id, 50), pieces: 1 }));
const cotton = lots.map((lot) => ({ ...lot, composition: [{ fibre: 'cotton' as const, pct: 100 }] }));
const isForPlant = (way: Way) => way.steps.some((step) => step.methodId === 'scour-cellulose');
const chain = (way: Way): ChainItem[] =>
  way.steps.map(({ methodId, nth }, i) => ({
    id: `c${i + 1}`,
    methodId,
    params: {},
    dyestuffId: LIBRARY.find(methodId)?.needsDyestuff ? 'weld' : null,
    liquorId: bringsKept(methodId) ? keptLiquor.id : null,
    lotIds: nth === undefined ? null : [['a', 'b', 'c'][nth - 1] ?? 'a'],
  }));
const plan = (way: Way) => {
  const own = isForPlant(way) ? cotton : lots;
  return buildPlan({ ...input(own, { chain: chain(way) }), liquors: [keptLiquor] }, HEAD);
};

test('each has a name of its own and methods that are there', () => {
  expect(new Set(WAYS.map((way) => way.id)).size).toBe(WAYS.length);
  expect(new Set(WAYS.map((way) => way.name)).size).toBe(WAYS.length);
  expect(WAYS.flatMap((way) => way.steps).filter((step) => !LIBRARY.find(step.methodId))).toEqual([]);
});

describe.each(WAYS.map((way) => [way.name, way] as const))('%s', (_name, way) => {
  test('plans as it is', () => {
    const built = plan(way);
    expect(built.problems).toEqual([]);
    expect(built.plan?.steps.length).toBeGreaterThanOrEqual(way.steps.length);
  });
  test('no stop but a vessel or a label that this kitchen has not', () => {
    const stops = plan(way).plan?.findings.filter(
      (finding) => finding.severity === 'stop' && finding.rule !== 'vessel' && !/label|strength|form/i.test(finding.text),
    );
    expect(stops).toEqual([]);
  });
});

test('three lots, three mordants: each gets its own, and all share the bath', () => {
  const way = WAYS.find((one) => one.id === 'three-mordants');
  const steps = way ? (plan(way).plan?.steps ?? []) : [];
  expect(
    steps.filter((step) => step.treatment === 'mordant' || step.treatment === 'noMordant' || step.treatment === 'iron').map((step) => step.lotIds),
  ).toEqual([['a'], ['b'], ['c']]);
  expect(steps.find((step) => step.kind === 'dye')?.lotIds).toEqual(['a', 'b', 'c']);
});
