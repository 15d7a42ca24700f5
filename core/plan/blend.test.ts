import { describe, expect, test } from 'vitest';
import type { FibreKind } from '../fibre/fibre';
import { between, UNKNOWN } from '../figure';
import { amountNow } from '../run/amountNow';
import { blendQuestion, doseWeight } from './blend';
import { gapsOf } from './gaps';
import { amountOf } from './plan';
import { CHAIN, planned, step, wool } from './plan.fixture';

/** A blend takes dye with a part of its weight: trade handbook T23, T24. */

const blend = (dryG: number | null, shares: readonly (readonly [FibreKind, number])[]) => ({
  ...wool('a', dryG),
  name: 'Shirt',
  composition: shares.map(([fibre, pct]) => ({ fibre, pct })),
});
const T23 = blend(400, [
  ['cotton', 82],
  ['polyester', 18],
]);

test.each([
  ['T23: 328 g of 400 g', T23, 328],
  [
    'T24: 160 g of 200 g',
    blend(200, [
      ['wool', 80],
      ['polyamide', 20],
    ]),
    160,
  ],
  [
    '210 g of 300 g',
    blend(300, [
      ['cotton', 70],
      ['polyester', 30],
    ]),
    210,
  ],
  ['all of wool', wool('a', 100), 100],
  ['an unknown composition counts whole', blend(100, []), 100],
])('%s takes dye', (_what, lot, g) => expect(doseWeight([lot], 'share')).toBeCloseTo(g, 9));
test('a range stays one, an unknown weight unknown', () => {
  expect(doseWeight([{ ...T23, dryWeightG: between(100, 200) }], 'share')).toEqual({ least: 82, most: 164 });
  expect(doseWeight([{ ...T23, dryWeightG: UNKNOWN }], 'share')).toBeNull();
});

describe('what a percent is of is asked once, with both worked out', () => {
  const dose = (doseOf: 'whole' | 'share' | null) => planned([T23], { doseOf });
  test('T23: alum 10 % is 40 g of all, 32.8 g of the cotton', () => {
    const question = blendQuestion(dose(null));
    expect(question).toMatchObject({ answer: null, wholeG: 400 });
    expect(question?.doses.find((one) => one.name === 'potash alum')?.whole).toBeCloseTo(40, 9);
    expect(question?.doses.find((one) => one.name === 'potash alum')?.share).toBeCloseTo(32.8, 9);
    expect(gapsOf(dose(null)).map((gap) => gap.key)).toContain('blend');
  });
  test('the answer decides the doses, never the water', () => {
    const alum = (doseOf: 'whole' | 'share' | null) => step(dose(doseOf), 'mordant');
    expect(alum(null).additions[0] && amountOf(alum(null).additions[0] as never)).toBe(40);
    const share = alum('share');
    expect(share.additions[0]?.proposed.result).toBeCloseTo(32.8, 9);
    expect(share.additions[0]?.proposed.inputs[0]).toMatchObject({ name: 'dry weight of what takes dye' });
    expect(share.water?.proposed.result).toBe(alum('whole').water?.proposed.result);
    expect(gapsOf(dose('share')).map((gap) => gap.key)).not.toContain('blend');
  });
  test('what somebody adds beside the method goes by the same weight, and its working says so', () => {
    const mordantId = step(dose('share'), 'mordant').id;
    const extra = planned([T23], { doseOf: 'share', extras: { [mordantId]: [{ id: 'extra-1', substance: 'creamOfTartar', wofPct: 5 }] } });
    const added = step(extra, 'mordant').additions.find((one) => one.id === 'extra-1');
    expect(added?.proposed.result).toBeCloseTo(16.4, 9);
    expect(added?.proposed.inputs[0]).toMatchObject({ name: 'dry weight of what takes dye' });
  });
  test('weighed at the stove, the dose goes by the share and the water by all', () => {
    const plan = planned(
      [
        blend(null, [
          ['cotton', 82],
          ['polyester', 18],
        ]),
      ],
      { doseOf: 'share' },
    );
    const mordant = step(plan, 'mordant');
    const [alum] = mordant.additions;
    const state = { lotWeightsG: { a: 400 } };
    expect(alum && amountNow(alum, mordant, plan, state)).toBeCloseTo(32.8, 9);
    expect(mordant.water && amountNow(mordant.water, mordant, plan, state)).toBe(12_000);
  });
  test('pure fibre is not asked about', () => expect(blendQuestion(planned([wool('a', 100)], { chain: CHAIN }))).toBeNull());
});
