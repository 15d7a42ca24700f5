import fc from 'fast-check';
import { expect, test } from 'vitest';
import { FIBRES, type FibreKind } from '../fibre/fibre';
import { FINISHES, LOT_FORMS, type Lot } from '../fibre/lot';
import { measured, UNKNOWN } from '../figure';
import { METHODS } from '../method/library';
import { DYESTUFFS } from '../shelf/data/dyestuffs';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { HEAD, input, wool } from './plan.fixture';
import { weighOut } from './weighOut';

/** Whatever somebody puts together: a plan or sentences about it, never a fall, a "NaN" or a weight below zero. */

const lots: fc.Arbitrary<Lot[]> = fc
  .array(
    fc.record({
      form: fc.constantFrom(...LOT_FORMS),
      fibres: fc.uniqueArray(fc.constantFrom(...(Object.keys(FIBRES) as FibreKind[])), { minLength: 0, maxLength: 3 }),
      dryG: fc.constantFrom(null, 0.5, 11, 152, 50_000),
      finishes: fc.constantFrom(null, [], [...FINISHES].slice(0, 1)),
      pieces: fc.integer({ min: 1, max: 40 }),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((drafts) =>
    drafts.map(
      ({ form, fibres, dryG, finishes, pieces }, i): Lot => ({
        ...wool(`lot${i}`, 1),
        form,
        composition: fibres.map((fibre) => ({ fibre, pct: 100 / fibres.length })),
        dryWeightG: dryG === null ? UNKNOWN : measured(dryG),
        finishes,
        pieces,
      }),
    ),
  );

const chains: fc.Arbitrary<ChainItem[]> = fc
  .array(
    fc.record({
      method: fc.constantFrom(...METHODS),
      dyestuff: fc.constantFrom(...DYESTUFFS),
      only: fc.option(fc.constantFrom('lot0', 'lot1'), { nil: null }),
    }),
    { minLength: 1, maxLength: 7 },
  )
  .map((items) =>
    items.map(({ method, dyestuff, only }, i) => ({
      id: `c${i}`,
      methodId: method.id,
      params: {},
      dyestuffId: method.needsDyestuff ? dyestuff.id : null,
      ...(only ? { lotIds: [only] } : {}),
    })),
  );

const BROKEN = /NaN|Infinity|undefined|\[object/;

/** Every number anywhere in a value. */
function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(numbersIn);
}

test('any chain of any methods on any lots is planned, or said to be wrong in words', () => {
  fc.assert(
    fc.property(lots, chains, (someLots, chain) => {
      const ids = new Set(someLots.map((lot) => lot.id));
      const fitting = chain.map((item) => (item.lotIds?.every((id) => ids.has(id)) === false ? { ...item, lotIds: ['lot0'] } : item));
      const { plan, problems } = buildPlan(input(someLots, { chain: fitting }), HEAD);
      if (plan === null) {
        expect(problems.length).toBeGreaterThan(0);
        for (const { message } of problems) expect(message).not.toMatch(BROKEN);
        return;
      }
      expect(numbersIn(plan).every(Number.isFinite)).toBe(true);
      for (const step of plan.steps) {
        for (const finding of step.findings) expect(finding.text).not.toMatch(BROKEN);
        for (const addition of step.additions) expect(addition.proposed.result ?? 0).toBeGreaterThanOrEqual(0);
        if (someLots.some((lot) => step.lotIds.includes(lot.id) && lot.dryWeightG.state === 'unknown')) {
          // Unknown is not zero: no dose that is a share of these lots' weight may claim a figure.
          for (const addition of step.additions) if (addition.perDryG !== null) expect(addition.proposed.result).toBeNull();
        }
      }
      expect(plan.steps.every((step) => step.phaseTimes.every((time) => time.toMs >= time.fromMs))).toBe(true);
      expect(weighOut(plan).every((line) => line.name.length > 0)).toBe(true);
      expect(JSON.parse(JSON.stringify(plan))).toEqual(plan);
    }),
    { numRuns: 300, seed: 7 },
  );
});
