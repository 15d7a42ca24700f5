import { describe, expect, test } from 'vitest';
import { foldPassport, type Treatment } from '../fibre/passport';
import { measured, UNKNOWN } from '../figure';
import { wool } from '../plan/plan.fixture';
import { compareLots } from './passports';

describe('two lots side by side', () => {
  const treat = (certainty: Treatment['certainty'], pct: number | null, more: Partial<Treatment> = {}): Treatment => ({
    id: `${certainty}${pct}`,
    kind: 'mordant',
    certainty,
    substance: 'potash alum',
    wofPct: pct === null ? UNKNOWN : measured(pct),
    atMs: 1,
    note: '',
    from: { hand: true },
    ...more,
  });
  const inBath = (treatment: Treatment): Treatment => ({ ...treatment, from: { run: 'run-1', stepId: 'c2-mordant' } });
  const bare = (kind: Treatment['kind']) => treat('noneOnPurpose', null, { id: kind, kind });
  const lot = (treatments: Treatment[]) => ({ ...wool('a', 100), passport: foldPassport([bare('scour'), bare('tannin'), bare('dye'), ...treatments]) });
  const mordant = (a: Treatment[], b: Treatment[]) => compareLots(lot(a), lot(b)).factors.find((factor) => factor.what === 'mordant')?.verdict;
  test.each([
    ['both known, same dose', [treat('known', 10)], [treat('known', 10.2)], 'same'],
    ['both known, other dose', [treat('known', 10)], [treat('known', 16)], 'differs'],
    ['known and none on purpose', [treat('known', 10)], [treat('noneOnPurpose', null)], 'differs'],
    ['believed is never known', [treat('known', 10)], [treat('believed', 10)], 'cannotTell'],
    ['nor are two beliefs the same', [treat('believed', 10)], [treat('believed', 10)], 'cannotTell'],
    ['one dose unknown', [treat('known', 10)], [treat('known', null)], 'cannotTell'],
    ['neither dose known', [treat('known', null)], [treat('known', null)], 'cannotTell'],
    ['neither dose known, but out of one bath', [inBath(treat('known', null))], [inBath(treat('known', null))], 'same'],
    ['another substance', [treat('known', 10)], [treat('known', 10, { substance: 'ferrous sulfate' })], 'differs'],
    ['iron after alum against alum alone', [treat('known', 10), treat('known', 2, { kind: 'iron', id: 'fe' })], [treat('known', 10)], 'differs'],
    ['a part and the whole', [treat('known', 10)], [treat('known', 10, { part: 'tips' }), treat('known', 10)], 'differs'],
  ] as const)('%s', (_what, a, b, verdict) => expect(mordant([...a], [...b])).toBe(verdict));
  test('one difference is a fair comparison, two are not (T78)', () => {
    expect(compareLots(lot([treat('known', 10)]), lot([treat('known', 16)])).says).toContain('a fair comparison');
    const silk = { ...lot([treat('known', 16)]), composition: [{ fibre: 'silk' as const, pct: 100 }] };
    expect(compareLots(lot([treat('known', 10)]), silk)).toMatchObject({ differs: 2, says: expect.stringContaining('cannot be put down to any one') });
  });
  const full = (...more: Treatment[]) =>
    lot([treat('known', 10), treat('known', 50, { id: 'dye', kind: 'dye', substance: 'weld', atMs: 5, from: { run: 'r', stepId: 'd' } }), ...more]);
  const verdicts = (a: ReturnType<typeof lot>, b: ReturnType<typeof lot>) =>
    compareLots(a, b)
      .factors.filter((factor) => factor.verdict === 'differs')
      .map((factor) => factor.what);
  test('a modifier, its minutes and its pH count', () => {
    const sour = (note: string) => treat('known', null, { id: 'm', kind: 'modifier', substance: 'vinegar', atMs: 7, note });
    expect(verdicts(full(sour('dip: 5 min, pH 4.5')), full())).toEqual(['modifier']);
    expect(verdicts(full(sour('dip: 5 min, pH 4.5')), full(sour('dip: 12 min, pH 4.5')))).toEqual(['modifier']);
    expect(verdicts(full(sour('dip: 5 min, pH 4.5')), full(sour('dip: 5 min, pH 4.5')))).toEqual([]);
  });
  describe('how it was dyed counts beside what with', () => {
    const dyed = (substance: string, how: Treatment['how'], run = 'r') =>
      lot([treat('known', 10), treat('known', 1000, { id: 'dye', kind: 'dye', substance, atMs: 5, from: { run, stepId: 'd' }, how })]);
    test('T80: uncrushed butternut against crushed walnut is species and preparation', () => {
      const compared = compareLots(dyed('butternut', { preparation: 'whole' }), dyed('black walnut', { preparation: 'crushed' }));
      expect(verdicts(dyed('butternut', { preparation: 'whole' }), dyed('black walnut', { preparation: 'crushed' }))).toEqual(['dye', 'preparation']);
      expect(compared.says).toContain('cannot be put down to any one');
    });
    test('T79: a first brew with acid for 200 g against a second without for 100 g are three', () => {
      const acid = treat('known', null, { id: 'm', kind: 'modifier', substance: 'vinegar', atMs: 7, note: 'acid: 5 min, pH 4.5' });
      const first = lot([
        treat('known', 10),
        treat('known', 500, { id: 'dye', kind: 'dye', substance: 'tea', atMs: 5, from: { run: 'r', stepId: 'd1' }, how: { draw: 1 } }),
        acid,
      ]);
      const second = lot([
        treat('known', 10),
        treat('known', 1000, { id: 'dye', kind: 'dye', substance: 'tea', atMs: 5, from: { run: 'r', stepId: 'd1' }, how: { draw: 2 } }),
      ]);
      expect(verdicts(first, second)).toEqual(['dye', 'modifier', 'which use of the bath']);
    });
    test.each<[string, Treatment['how'], Treatment['how'], string[]]>([
      ['a minute more is the same hand', { inMin: 60 }, { inMin: 61 }, []],
      ['a quarter of an hour is not', { inMin: 60 }, { inMin: 45 }, ['in the bath']],
      ['longer in and longer held is one difference', { inMin: 60, heldMin: 58 }, { inMin: 45, heldMin: 43 }, ['in the bath']],
      ['as long in, but less of it hot', { inMin: 60, heldMin: 58 }, { inMin: 60, heldMin: 30 }, ['held in the band']],
      ['2 K hotter is the same hand', { hottestC: 80 }, { hottestC: 82 }, []],
      ['a boil is not', { hottestC: 80 }, { hottestC: 97.5 }, ['highest temperature']],
      ['pH 6.8 and 7.1 are one strip', { ph: 6.8 }, { ph: 7.1 }, []],
      ['pH 6.8 and 4.5 are not', { ph: 6.8 }, { ph: 4.5 }, ['pH of the bath']],
      ['a twentieth more water is the same bath', { bathMl: 4000 }, { bathMl: 3800 }, []],
      ['half the water is another', { bathMl: 4000 }, { bathMl: 2000 }, ['volume of the bath']],
      ['topped up, or never', { toppedUpMl: 200, bathMl: 1400 }, { toppedUpMl: 0, bathMl: 1200 }, ['topped up with water']],
      ['never topped up, either of them', { toppedUpMl: 0 }, { toppedUpMl: 0 }, []],
      ['looser or tighter', { rolled: 'loosely' }, { rolled: 'tightly' }, ['rolled']],
      ['with a barrier, or with none', { barrier: 'used' }, { barrier: 'none' }, ['barrier']],
      ['another jar', { place: 'jar on the sill' }, { place: 'jar in the shed' }, ['place']],
    ])('%s', (_what, a, b, expected) => expect(verdicts(dyed('weld', a), dyed('weld', b))).toEqual(expected));
    test('said of one and not of the other, nobody can tell', () =>
      expect(compareLots(dyed('weld', { preparation: 'chopped' }), dyed('weld', {})).factors.find((one) => one.what === 'preparation')?.verdict).toBe(
        'cannotTell',
      ));
  });
  test('measured in one bath alone, nobody can tell; measured in none, there is no row', () => {
    const rows = (a: Treatment['how'], b: Treatment['how']) => {
      const dyed = (how: Treatment['how']) =>
        lot([treat('known', 1000, { id: 'dye', kind: 'dye', substance: 'weld', atMs: 5, from: { run: 'r', stepId: 'd' }, how })]);
      return compareLots(dyed(a), dyed(b)).factors.filter(({ what }) => what === 'highest temperature');
    };
    expect(rows({ hottestC: 84 }, {})).toEqual([{ what: 'highest temperature', a: '84 °C', b: 'unknown', verdict: 'cannotTell' }]);
    expect(rows({}, {})).toEqual([]);
  });
  test('999 g and 1000 g of leaf on 100 g are the same hand, 800 g are not', () => {
    const leaf = (pct: number) =>
      lot([treat('known', 10), treat('known', pct, { id: 'dye', kind: 'dye', substance: 'weld', atMs: 5, from: { run: 'r', stepId: 'd' } })]);
    expect(verdicts(leaf(999), leaf(1000))).toEqual([]);
    expect(verdicts(leaf(800), leaf(1000))).toEqual(['dye']);
  });
  test('another bath, another order, another base colour and a long wait count, each by its name', () => {
    const other = lot([treat('known', 10), treat('known', 50, { id: 'dye', kind: 'dye', substance: 'weld', atMs: 5, from: { run: 'r2', stepId: 'd' } })]);
    expect(verdicts(full(), other)).toEqual(['dyebath']);
    const late = lot([
      treat('known', 10, { atMs: 9 }),
      treat('known', 50, { id: 'dye', kind: 'dye', substance: 'weld', atMs: 5, from: { run: 'r', stepId: 'd' } }),
    ]);
    expect(verdicts(full(), late)).toEqual(['order']);
    expect(verdicts({ ...full(), baseHex: '#d9b52b' }, { ...full(), baseHex: '#f5f1e6' })).toEqual(['colour before']);
    const waited = lot([
      treat('known', 10, { atMs: 5 - 20 * 86_400_000 }),
      treat('known', 50, { id: 'dye', kind: 'dye', substance: 'weld', atMs: 5, from: { run: 'r', stepId: 'd' } }),
    ]);
    expect(verdicts(full(), waited)).toEqual(['mordanted']);
  });
  test('nothing different is said as such, never as “the same colour”', () =>
    expect(compareLots(lot([treat('known', 10)]), lot([treat('known', 10)])).says).toBe('Nothing that is written down differs.'));
  test('what nobody looked at cannot be compared', () => {
    const unlooked = { ...lot([treat('known', 10)]), finishes: null, composition: [] };
    const compared = compareLots(unlooked, lot([treat('known', 10)]));
    expect(compared).toMatchObject({ cannotTell: 2, says: expect.stringContaining('2 things are not known of both') });
    expect(compared.factors.filter((factor) => factor.verdict === 'cannotTell').map((factor) => factor.what)).toEqual(['fibre', 'finish']);
  });
  test('what nobody knows of a whole is the same in its parts, and in nothing else', () => {
    const unscoured = (from: string[], ...more: Treatment[]) => ({ ...wool('a', 32), from, passport: foldPassport([bare('tannin'), bare('dye'), ...more]) });
    const of = (a: ReturnType<typeof unscoured>, b: ReturnType<typeof unscoured>) => compareLots(a, b).factors.find(({ what }) => what === 'scour');
    expect(of(unscoured(['cone']), unscoured(['cone']))).toMatchObject({ a: 'unknown, of one whole', verdict: 'same' });
    expect(of(unscoured(['cone']), unscoured(['other']))?.verdict).toBe('cannotTell');
    expect(of(unscoured([]), unscoured([]))?.verdict).toBe('cannotTell');
    expect(of(unscoured(['cone'], treat('known', null, { kind: 'scour', substance: 'soap' })), unscoured(['cone']))?.verdict).toBe('cannotTell');
  });
  test('a blend is the same in whichever order it was written', () => {
    const mix = (order: readonly ['cotton' | 'linen', 'cotton' | 'linen']) => ({ ...lot([]), composition: order.map((fibre) => ({ fibre, pct: 50 })) });
    expect(compareLots(mix(['cotton', 'linen']), mix(['linen', 'cotton'])).factors[0]?.verdict).toBe('same');
  });
  test('each side is said in words: dose, order, part, belief', () => {
    const mordantFactor = (a: Treatment[], b: Treatment[]) => compareLots(lot(a), lot(b)).factors.find((factor) => factor.what === 'mordant');
    expect(mordantFactor([treat('known', 11.16), treat('known', 2, { kind: 'iron', substance: 'ferrous sulfate', id: 'fe', atMs: 2 })], [])).toMatchObject({
      a: 'potash alum 11.2 %, then ferrous sulfate 2 %',
      b: 'unknown',
    });
    expect(mordantFactor([treat('believed', null)], [treat('noneOnPurpose', null)])).toMatchObject({ a: 'believed: potash alum', b: 'none, on purpose' });
    expect(mordantFactor([treat('known', 10, { part: 'tips' }), treat('known', 10, { id: 'w' })], [])?.a).toBe(
      'potash alum 10 % (tips), then potash alum 10 %',
    );
  });
});
