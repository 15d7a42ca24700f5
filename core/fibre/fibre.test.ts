import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { estimated, knownValue, measured, UNKNOWN } from '../figure';
import { continuePassport, foldPassport, joinPassports, shareText, type Treatment } from './passport';
import { checkSplit, evenParts, joinLots } from './split';
import { clothWeight, conditionedWeight, ovenDryG, regainPct, toTex, yarnLengthM, yarnWeight } from './weight';

// Check values group E: ISO 1144 / ASTM D861, derived from the exact yard and pound
describe('yarn counts', () => {
  test.each([
    ['Ne 10', { system: 'Ne', value: 10, plies: 1 }, 59.0541],
    ['Ne 20', { system: 'Ne', value: 20, plies: 1 }, 29.5271],
    ['Ne 30', { system: 'Ne', value: 30, plies: 1 }, 19.6847],
    ['Ne 60', { system: 'Ne', value: 60, plies: 1 }, 9.8424],
    ['cotton 20/2', { system: 'Ne', value: 20, plies: 2 }, 59.0541],
    ['Nm 2/16', { system: 'Nm', value: 16, plies: 2 }, 125],
    ['400 m per 100 g', { system: 'mPer100g', value: 400, plies: 1 }, 250],
    ['1000 yd/lb', { system: 'ydPerLb', value: 1000, plies: 1 }, 496.055],
    ['900 denier', { system: 'denier', value: 900, plies: 1 }, 100],
    ['1000 dtex', { system: 'dtex', value: 1000, plies: 1 }, 100],
    ['worsted 1', { system: 'worsted', value: 1, plies: 1 }, 885.8119],
    ['woollen run 1', { system: 'run', value: 1, plies: 1 }, 310.0342],
    ['linen lea 1', { system: 'lea', value: 1, plies: 1 }, 1653.5155],
  ] as const)('%s', (_name, count, tex) => expect(Math.abs(toTex(count) - tex) / tex).toBeLessThan(6e-6)); // the figures are printed to that
  test('Nm 2/16: 800 m weigh 100 g, and 100 g are 800 m', () => {
    expect(yarnWeight(800, 125).result).toBe(100);
    expect(yarnLengthM(100, 125)).toBe(800);
  });
});

describe('cloth and moisture', () => {
  test('T38: two pieces of 20 × 20 cm at 200 g/m² are 16 g', () => expect(clothWeight(20, 20, 2, 200).result).toBeCloseTo(16, 12));
  test('an unknown mass per area gives an unknown weight', () => expect(clothWeight(20, 20, 2, null).result).toBeNull());
  // exact arithmetic of the check values
  test.each([
    [7, 93.458],
    [8.5, 92.166],
    [11, 90.09],
    [12, 89.286],
    [13.6, 88.028],
    [18.25, 84.567],
  ])('100 g at %f %% regain is %f g oven-dry', (regain, dryG) => expect(ovenDryG(100, regain)).toBeCloseTo(dryG, 3));
  test('a blend takes up by its shares', () =>
    expect(
      regainPct(
        [
          { fibre: 'wool', pct: 80 },
          { fibre: 'polyamide', pct: 20 },
        ],
        'astm',
      ),
    ).toBeCloseTo(0.8 * 13.6 + 0.2 * 4.5, 12));
  test('two tables differ, and the working names the one used', () => {
    expect(conditionedWeight(88.028, regainPct([{ fibre: 'wool', pct: 100 }], 'astm'), 'astm').result).toBeCloseTo(100, 2);
    expect(conditionedWeight(100, 18.25, 'eu').source).toContain('EU 1007/2011');
    expect(regainPct([], 'astm')).toBeNull();
  });
});

describe('splitting', () => {
  const lot = (g: number | null) => ({ dryWeightG: g === null ? UNKNOWN : measured(g), ended: null });
  const part = (g: number | null) => ({ name: 'p', dryWeightG: g === null ? UNKNOWN : measured(g) });
  test('parts that add up are taken as they are', () => expect(checkSplit(lot(150), [part(50), part(100)])).toMatchObject({ ok: true }));
  test.each([
    ['too little', [50, 90]],
    ['too much', [80, 80]],
  ])('parts that do not add up are refused: %s', (_what, grams) =>
    expect(checkSplit(lot(150), grams.map(part))).toMatchObject({ ok: false, error: { why: 'doesNotAddUp', wholeG: 150 } }),
  );
  test('one part left unweighed gets the rest, as an estimate', () => {
    const split = checkSplit(lot(150), [part(50), part(null)]);
    expect(split.ok && split.value[1]).toEqual(estimated(100));
  });
  test('nothing may be left for an unweighed part', () => expect(checkSplit(lot(150), [part(150), part(null)])).toMatchObject({ error: { why: 'tooMuch' } }));
  test('a lot nobody weighed may be split; its parts stay unknown', () => expect(checkSplit(lot(null), [part(null), part(null)])).toMatchObject({ ok: true }));
  test('one part is no split, and what is no more cannot be split', () => {
    expect(checkSplit(lot(10), [part(10)])).toMatchObject({ error: { why: 'tooFew' } });
    expect(checkSplit({ ...lot(10), ended: { how: 'split', into: [], atMs: 0 } }, [part(5), part(5)])).toMatchObject({ error: { why: 'ended' } });
  });
  test('even parts add up to the whole, to the tenth of a gram', () =>
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 500_000 }), fc.integer({ min: 2, max: 40 }), (tenths, count) => {
        const parts = evenParts(tenths / 10, count);
        expect(Math.round(parts.reduce((sum, g) => sum + g * 10, 0))).toBe(tenths);
        const figures = parts.map((g) => ({ name: '', dryWeightG: measured(g) }));
        expect(checkSplit(lot(tenths / 10), figures).ok).toBe(true);
      }),
      { seed: 3 },
    ));
});

describe('joining', () => {
  const wool = { dryWeightG: measured(100), composition: [{ fibre: 'wool' as const, pct: 100 }], finishes: [], pieces: 2 };
  test('weights and pieces add up', () =>
    expect(joinLots([wool, { ...wool, dryWeightG: measured(50) }])).toMatchObject({ dryWeightG: measured(150), pieces: 4 }));
  test('different fibres blend by weight', () =>
    expect(joinLots([wool, { ...wool, dryWeightG: measured(300), composition: [{ fibre: 'silk', pct: 100 }] }]).composition).toEqual([
      { fibre: 'silk', pct: 75 },
      { fibre: 'wool', pct: 25 },
    ]));
  test('an unknown weight makes the whole unknown, and with it a blend of different fibres', () => {
    const joined = joinLots([wool, { ...wool, dryWeightG: UNKNOWN, composition: [{ fibre: 'silk', pct: 100 }] }]);
    expect([knownValue(joined.dryWeightG), joined.composition]).toEqual([null, []]);
  });
});

describe('passports over a split or a join', () => {
  const treat = (id: string, kind: Treatment['kind'], certainty: Treatment['certainty'], more: Partial<Treatment> = {}): Treatment => ({
    id,
    kind,
    certainty,
    substance: null,
    wofPct: UNKNOWN,
    atMs: 1,
    note: '',
    from: { hand: true },
    ...more,
  });
  const known = foldPassport([treat('a', 'mordant', 'known')]);
  const believed = foldPassport([treat('b', 'mordant', 'believed')]);
  const bare = foldPassport([treat('c', 'mordant', 'noneOnPurpose')]);
  test.each([
    ['both known', [known, known], 'known'],
    ['known and believed', [known, believed], 'believed'],
    ['known and bare', [known, bare], 'unknown'],
    ['bare and bare', [bare, bare], 'noneOnPurpose'],
  ] as const)('%s', (_what, parts, state) => expect(joinPassports(parts).state.mordant).toBe(state));
  test('what was done to a part says nothing of the whole', () =>
    expect(foldPassport([treat('t', 'dye', 'known', { part: 'tips' })]).state.dye).toBe('unknown'));
  test('of no time or of one, what was done stands in working order: what was dyed was mordanted before', () => {
    const undated = foldPassport([treat('a', 'dye', 'known'), treat('z', 'scour', 'known'), treat('m', 'mordant', 'known')]);
    expect(undated.treatments.map(({ kind }) => kind)).toEqual(['scour', 'mordant', 'dye']);
    const oneHour = foldPassport([
      treat('a', 'dye', 'known', { atMs: 5 }),
      treat('m', 'mordant', 'known', { atMs: 5 }),
      treat('i', 'iron', 'known', { atMs: 4 }),
    ]);
    expect(oneHour.treatments.map(({ kind }) => kind)).toEqual(['iron', 'mordant', 'dye']);
  });
  test('what is done after the split is laid over what was brought along', () => {
    const later = continuePassport(believed, [treat('m', 'mordant', 'known', { atMs: 9 }), treat('d', 'dye', 'known', { atMs: 10 })]);
    expect(later.state).toMatchObject({ mordant: 'known', dye: 'known', scour: 'unknown' });
    expect(later.treatments.map((t) => t.id)).toEqual(['b', 'm', 'd']);
    expect(continuePassport(known, [treat('x', 'mordant', 'believed', { atMs: 9 })]).state.mordant).toBe('known');
  });
});

test('a dye is told as a ratio, a salt in percent', () => {
  expect(shareText('dye', 1000)).toBe('10 : 1');
  expect(shareText('dye', 33)).toBe('0.33 : 1');
  expect(shareText('mordant', 11.2)).toBe('11.2 %');
});
