import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { between, estimated, measured } from '../figure';
import { WAYS } from '../method/data/ways';
import { LIBRARY, METHODS } from '../method/library';
import { rangedParams } from '../method/method';
import { DYESTUFFS } from '../shelf/data/dyestuffs';
import { buildPlan } from './buildPlan';
import type { ChainItem, Draft } from './draft';
import type { Plan } from './plan';
import { bringsKept, HEAD, input, keptLiquor, planned, SATURDAY_9, step, wool } from './plan.fixture';
import { planFaults } from './validPlan.fixture';

/** Plans held against a validator that shares no code with what made them. */

const HOUR = 3_600_000;

describe('the validator sees what is wrong', () => {
  const plan = planned([wool('a', 100), wool('b', 50)]);
  const changed = (id: string, change: (one: Plan['steps'][number]) => Partial<Plan['steps'][number]>): Plan => ({
    ...plan,
    steps: plan.steps.map((one) => (one.id === id ? { ...one, ...change(one) } : one)),
  });
  const moved = (id: string, byMs: number) =>
    changed(id, (one) => ({
      startMs: one.startMs + byMs,
      endMs: one.endMs + byMs,
      phaseTimes: one.phaseTimes.map((at) => ({ fromMs: at.fromMs + byMs, toMs: at.toMs + byMs })),
    }));
  test('nothing, in a plan of ours', () => expect(planFaults(plan)).toEqual([]));
  test.each<[string, Plan, RegExp]>([
    ['a step before the session', moved('c1-scour', -2 * HOUR), /before the session/],
    ['two baths in one pot', moved('c5-dye', step(plan, 'extract').startMs - step(plan, 'dye').startMs), /at once|not made yet/],
    ['a rinse before the dye', moved('c7-rinse', step(plan, 'scour').startMs - step(plan, 'rinse').startMs), /before it left/],
    ['heat in the night', moved('c2-mordant', 18 * HOUR), /nobody is there|before it left/],
    [
      'a wrong dose',
      changed('c2-mordant', (one) => ({ additions: one.additions.map((amount) => ({ ...amount, proposed: { ...amount.proposed, result: 3 } })) })),
      /not its share/,
    ],
    [
      'a hole',
      changed('c1-scour', (one) => ({ phaseTimes: one.phaseTimes.map((at, i) => (i === 0 ? at : { fromMs: at.fromMs + HOUR, toMs: at.toMs + HOUR })) })),
      /hole/,
    ],
  ])('%s', (_what, broken, fault) => expect(planFaults(broken).join('; ')).toMatch(fault));
});

const weight = fc.oneof(
  fc.integer({ min: 5, max: 400 }).map(measured),
  fc.integer({ min: 5, max: 400 }).map(estimated),
  fc.tuple(fc.integer({ min: 5, max: 200 }), fc.integer({ min: 1, max: 200 })).map(([least, more]) => between(least, least + more)),
);
const someLots = fc.array(weight, { minLength: 1, maxLength: 3 }).map((weights) => weights.map((dryWeightG, i) => ({ ...wool(`l${i}`, 1), dryWeightG })));
const PLANTS = DYESTUFFS.map((stuff) => stuff.id);

/** A way of working with some of its figures set as ranges, more plants, something beside the method, and steps for some lots only. */
const drafts = fc.record({
  way: fc.constantFrom(...WAYS),
  startMs: fc.integer({ min: 0, max: 24 * 14 }).map((half) => SATURDAY_9 + half * (HOUR / 2)),
  plants: fc.uniqueArray(fc.constantFrom(...PLANTS), { minLength: 1, maxLength: 4 }),
  ranged: fc.boolean(),
  only: fc.integer({ min: 0, max: 9 }),
  extra: fc.boolean(),
});

test('ways of working with ranges, several plants and things of one’s own keep to the kitchen', () => {
  let stood = 0;
  fc.assert(
    fc.property(someLots, drafts, (lots, wish) => {
      const chain = wish.way.steps.map(({ methodId }, i): ChainItem => {
        const method = LIBRARY.find(methodId);
        const [first, ...more] = wish.plants;
        const lengths = method
          ? method.params.filter((param) => rangedParams(method).has(param.key) && param.usual !== null && param.usual * 1.2 <= param.max)
          : [];
        return {
          id: `c${i + 1}`,
          methodId,
          params: wish.ranged ? Object.fromEntries(lengths.map((param) => [param.key, { least: param.usual ?? 0, most: (param.usual ?? 0) * 1.2 }])) : {},
          dyestuffId: method?.needsDyestuff ? (first ?? 'weld') : null,
          ...(method?.needsDyestuff ? { morePlants: more.map((dyestuffId, k) => ({ id: `dyestuff-${k + 2}`, dyestuffId })) } : {}),
          liquorId: bringsKept(methodId) ? keptLiquor.id : null,
          // Some step is for the first lot alone.
          lotIds: i === wish.only && method?.steps.every((one) => one.liquor === 'own' || one.liquor === 'none') ? ['l0'] : null,
        };
      });
      const own = LIBRARY.find(chain[0]?.methodId ?? '')?.steps[0]?.key;
      const extras: Draft['extras'] = wish.extra && own ? { [`c1-${own}`]: [{ id: 'extra-1', substance: 'creamOfTartar', wofPct: 5 }] } : {};
      const built = buildPlan({ ...input(lots, { chain, startMs: wish.startMs, extras }), liquors: [keptLiquor] }, HEAD);
      if (built.plan === null) return expect(built.problems.length).toBeGreaterThan(0);
      stood++;
      expect(planFaults(built.plan)).toEqual([]);
    }),
    { numRuns: 250, seed: 41 },
  );
  // Most of them are plans, or this says little.
  expect(stood).toBeGreaterThan(200);
});

test.each(METHODS.map((method) => method.id))('%s alone, where it can be, keeps to the kitchen', (methodId) => {
  const chain: ChainItem[] = [{ id: 'c1', methodId, params: {}, dyestuffId: LIBRARY.find(methodId)?.needsDyestuff ? 'weld' : null }];
  const { plan, problems } = buildPlan(input([wool('a', 100)], { chain }), HEAD);
  if (plan === null) expect(problems.length).toBeGreaterThan(0);
  else expect(planFaults(plan)).toEqual([]);
});
