import { describe, expect, test } from 'vitest';
import type { Share } from '@/core/fibre/fibre';
import { estimated, measured, UNKNOWN } from '@/core/figure';
import { readWeight, type WeightDraft, weightDraft } from './weightDraft';

const WOOL: readonly Share[] = [{ fibre: 'wool', pct: 100 }];
const blank = weightDraft(measured(0), null);
const read = (change: Partial<WeightDraft>, composition = WOOL) => readWeight({ ...blank, ...change }, composition);

describe('a weight as it is typed', () => {
  test.each([
    ['152 g', 152],
    ['0.5 g', 0.5],
    ['50 kg', 50_000],
    ['152', 152],
    ['5 oz', 141.748], // NIST Handbook 44, Appendix C: 28.349523125 g each
    ['3 lb 4 oz', 1474.175],
  ])('%s is %d g', (text, g) => expect(read({ text })).toEqual({ figure: measured(g), from: null }));
  test('an estimate stays one', () => expect(read({ way: 'estimated', text: '60 g' })).toEqual({ figure: estimated(60), from: null }));
  test('unknown needs no figure', () => expect(read({ way: 'unknown', text: 'whatever' })).toEqual({ figure: UNKNOWN, from: null }));
  test.each([
    ['', 'Type the weight, or choose “unknown”.'],
    ['heavy', /Start with a number/],
    ['12 mL', /mL/],
  ])('“%s” says what to do', (text, says) => expect(read({ text })).toEqual({ problem: says instanceof RegExp ? expect.stringMatching(says) : says }));
});

describe('a weight that is worked out', () => {
  const cloth = { way: 'cloth', widthCm: 20, lengthCm: 20, pieces: 2, gPerM2: 200 } as const;
  test('T38: two squares of 20 cm at 200 g/m² are 16 g, and the sum is kept', () =>
    expect(read(cloth)).toEqual({ figure: estimated(16), from: { kind: 'cloth', widthCm: 20, lengthCm: 20, pieces: 2, gPerM2: 200 } }));
  test('Nm 16/2: 800 m are 100 g', () =>
    expect(read({ way: 'yarn', system: 'Nm', count: 16, plies: 2, lengthM: 800 })).toMatchObject({ figure: estimated(100) }));
  test('from an oven-dry weight it needs the composition', () => {
    expect(read({ way: 'regain', ovenDryG: 100 })).toMatchObject({ figure: { state: 'estimated' }, from: { kind: 'regain', ovenDryG: 100 } });
    expect(read({ way: 'regain', ovenDryG: 100 }, [])).toEqual({ problem: 'The composition must be known for this sum.' });
  });
  test.each<[string, Partial<WeightDraft>]>([
    ['a side is missing', { ...cloth, widthCm: null }],
    ['a side is nothing', { ...cloth, lengthCm: 0 }],
    ['the mass per area is missing', { ...cloth, gPerM2: null }],
    ['the length of the yarn is missing', { way: 'yarn', count: 16, lengthM: null }],
    ['the number of the yarn is missing', { way: 'yarn', count: null, lengthM: 800 }],
  ])('when %s it says so, and guesses nothing', (_what, change) =>
    expect(read(change)).toEqual({ problem: 'Fill every figure of the sum, or choose “unknown”.' }),
  );
});

describe('a lot opened again shows its weight as it was given', () => {
  test.each([
    [measured(152), null, { way: 'weighed', text: '152 g' }],
    [estimated(60), null, { way: 'estimated', text: '60 g' }],
    [UNKNOWN, null, { way: 'unknown', text: '' }],
    [estimated(16), { kind: 'cloth', widthCm: 20, lengthCm: 20, pieces: 2, gPerM2: 200 } as const, { way: 'cloth', widthCm: 20, pieces: 2, gPerM2: 200 }],
    [
      estimated(100),
      { kind: 'yarn', lengthM: 800, count: { system: 'Nm', value: 16, plies: 2 } } as const,
      { way: 'yarn', lengthM: 800, system: 'Nm', count: 16, plies: 2 },
    ],
    [estimated(110), { kind: 'regain', ovenDryG: 100, table: 'eu' } as const, { way: 'regain', ovenDryG: 100, table: 'eu' }],
  ])('%j', (figure, from, shown) => {
    const draft = weightDraft(figure, from);
    expect(draft).toMatchObject(shown);
    // Kept without a change it is the same weight, come by in the same way.
    if (from?.kind !== 'regain') expect(readWeight(draft, WOOL)).toEqual({ figure, from });
  });
});
