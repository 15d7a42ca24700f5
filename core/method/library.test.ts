import { describe, expect, test } from 'vitest';
import { molarMass } from '../chem/molarMass';
import type { Vessel } from '../kitchen/vessel';
import { buildPlan } from '../plan/buildPlan';
import type { ChainItem } from '../plan/draft';
import { typicalMin } from '../plan/phase';
import { bringsKept, HEAD, input, keptLiquor, vessels, wool } from '../plan/plan.fixture';
import { promiseIn } from '../safety/promises';
import { ASSISTANTS } from '../shelf/data/assistants';
import { DYESTUFFS } from '../shelf/data/dyestuffs';
import { STARTER } from '../shelf/library';
import { copyMethod, methodFaults } from './copy';
import { LIBRARY, METHODS, methodBook } from './library';
import { type Method, STAGES } from './method';

const method = (id: string): Method => {
  const found = LIBRARY.find(id);
  if (!found) throw new Error(`no method ${id}`);
  return found;
};
const usual = (id: string, key: string) => method(id).params.find((param) => param.key === key)?.usual;

describe('the library as data', () => {
  test.each(METHODS.map((one) => [one.id, one] as const))('%s: every figure it names is there, in range, of known things', (_id, one) =>
    expect(methodFaults(one)).toEqual([]),
  );
  test('no two have one id, and each says its school and why', () => {
    expect(new Set(METHODS.map((one) => one.id)).size).toBe(METHODS.length);
    for (const one of METHODS) expect(one.school.length > 3 && one.why.length > 10, one.id).toBe(true);
  });
  test('no figure is given and never used', () => {
    for (const one of METHODS) {
      const text = JSON.stringify(one.steps);
      const idle = one.params.filter((param) => !text.includes(`"param":"${param.key}"`)).map((param) => param.key);
      expect(idle, one.id).toEqual([]);
    }
  });
  test('it stands in working order', () => {
    const order = METHODS.map((one) => STAGES.indexOf(one.stage));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
  });
  test('it promises nothing (R32)', () => expect(promiseIn(JSON.stringify([METHODS, ASSISTANTS, DYESTUFFS]))).toBeNull());
});

// The trade handbook, section by section: every way of working it tells of can be chosen
describe('every section of the trade can be worked by', () => {
  test.each([
    ['3 scour', ['scour-protein', 'scour-cellulose', 'scour-size', 'scour-skip']],
    ['4 tannin', ['tannin-simmer', 'tannin-boil', 'tannin-gall', 'tannin-extract']],
    [
      '5 mordant',
      ['alum-10', 'alum-tartar', 'alum-16', 'alum-rescue', 'al-acetate', 'al-acetate-chalk', 'iron-mordant', 'no-mordant', 'tartar-only', 'metal-test'],
    ],
    [
      '6 extraction',
      [
        'extract-fresh',
        'extract-dried',
        'extract-waxy',
        'extract-unknown',
        'extract-root',
        'extract-blossom',
        'extract-hard',
        'extract-hull',
        'extract-skins',
        'extract-coffee',
        'extract-pits',
        'extract-gall',
        'extract-general',
        'extract-draws',
        'extract-cold',
        'extract-tea',
        'extract-together',
        'strain',
        'bag-in',
      ],
    ],
    ['7 dyebath', ['wet-out', 'dyebath', 'dyebath-long', 'dyebath-lukewarm', 'dye-low-immersion']],
    ['8 no heat', ['solar-jar', 'sun-tea', 'cold-soak', 'bundle-cold']],
    ['9 bundle', ['vinegar-presoak', 'bundle-steam']],
    ['10 quick dips', ['tea-even', 'tea-blotch', 'tea-microwave']],
    ['11 pH', ['mod-acid-bath', 'mod-acid-after', 'mod-citric-after', 'mod-alkali-bath', 'mod-chalk-after', 'mod-alkali-after']],
    ['12 iron', ['iron-dip', 'iron-paste']],
    ['13 resist', ['resist-tie', 'resist-clamp', 'partial-dip']],
    ['14 finish', ['rest-overnight', 'cool-in-bath', 'rinse', 'wash', 'dry', 'dry-sun', 'cure']],
    ['15 reuse', ['exhaust-bath', 'spent-matter', 'kept-liquor', 'jar-again']],
    ['16 overdye', ['overdye']],
  ])('section %s', (_section, ids) => expect(ids.filter((id) => !LIBRARY.find(id))).toEqual([]));
});

// Trade handbook check values that are figures of a method (common practice, no source)
describe('usual figures', () => {
  test.each([
    ['T13 alum low', 'alum-10', 'alumPct', 10],
    ['T15 alum', 'alum-tartar', 'alumPct', 15],
    ['T15 tartar', 'alum-tartar', 'tartarPct', 5],
    ['T16 alum', 'alum-16', 'alumPct', 16],
    ['T17 iron', 'iron-mordant', 'ironPct', 6],
    ['T20 in hot water', 'al-acetate', 'soakMin', 90],
    ['T21 chalk', 'al-acetate-chalk', 'chalkPct', 2],
    ['T22 scour an hour', 'scour-protein', 'holdMin', 60],
    ['T27 one part in four', 'vinegar-presoak', 'vinegarPct', 25],
    ['T36 tartar', 'solar-jar', 'tartarGPerL', 5],
    ['T44 unknown plants', 'extract-unknown', 'ceilingC', 82.2],
    ['T44 madder', 'extract-root', 'ceilingC', 65.6],
    ['T46 iron in paste', 'iron-paste', 'ironGPerL', 50],
    ['T46 lime in paste', 'iron-paste', 'limeGPerL', 25],
    ['T57 iron dip', 'iron-dip', 'dipMin', 3],
    ['T60 steam', 'bundle-steam', 'holdMin', 60],
    ['T62 hulls', 'extract-hull', 'holdMin', 45],
    ['T63 waxy leaves', 'extract-waxy', 'holdMin', 420],
    ['T66 cones', 'extract-hard', 'holdMin', 240],
    ['T69 microwave', 'tea-microwave', 'boilMin', 3],
    ['T70 cold soak', 'cold-soak', 'typicalMin', 2880],
    ['T74 wetting out', 'wet-out', 'soakMin', 60],
    ['T75 points', 'resist-tie', 'points', 7],
  ] as const)('%s', (_t, id, key, figure) => expect(usual(id, key)).toBe(figure));
  test('T19: rescue mordant 60–90 min', () =>
    expect(method('alum-rescue').params.find((param) => param.key === 'holdMin')).toMatchObject({ min: 60, max: 90 }));
  test('T20: acetate an hour at least, usually 60–120 min; T25: a day of standing is taken too', () => {
    const soak = method('al-acetate').params.find((param) => param.key === 'soakMin');
    expect(soak).toMatchObject({ min: 60, max: 1440 });
    expect(soak?.usual).toBeGreaterThanOrEqual(60);
    expect(soak?.usual).toBeLessThanOrEqual(120);
  });
  test('T71: a cold bundle is kept 4–5 days and looked at daily; a look does not end it', () => {
    const tied = method('bundle-cold')
      .steps.flatMap((step) => step.phases)
      .find((phase) => phase.kind === 'until');
    expect([usual('bundle-cold', 'typicalMin'), tied?.kind === 'until' && tied.checkEveryMin]).toEqual([4.5 * 1440, 1440]);
  });
});

const everyVessel: Vessel[] = [
  ...vessels,
  ...(['jar', 'tray', 'steamer', 'cup', 'table'] as const).map(
    (kind, i): Vessel => ({
      id: kind,
      name: kind,
      kind,
      litres: kind === 'table' ? null : 10,
      material: kind === 'jar' ? 'glass' : 'stainless',
      heatProof: true,
      heatSourceId: kind === 'steamer' || kind === 'cup' ? 'heat2' : null,
      probeId: null,
      dyeOnly: true,
      order: 10 + i,
      revision: 1,
    }),
  ),
];
const item = (id: string, methodId: string): ChainItem => ({
  id,
  methodId,
  params: {},
  dyestuffId: method(methodId).needsDyestuff ? 'weld' : null,
  liquorId: bringsKept(methodId) ? keptLiquor.id : null,
});

describe('every method can be planned on a hundred grams of wool', () => {
  test.each(METHODS.map((one) => [one.id] as const))('%s', (id) => {
    const needsBath = method(id).steps[0]?.liquor === 'uses' || method(id).steps[0]?.liquor === 'keeps';
    const before = needsBath ? [item('e', 'extract-fresh'), ...(method(id).stage === 'rest' ? [item('d', 'dyebath')] : [])] : [];
    const chain = [...before, item('x', id)];
    const built = buildPlan({ ...input([wool('a', 100)], { chain }), vessels: everyVessel, liquors: [keptLiquor] }, HEAD);
    expect(built.problems).toEqual([]);
    for (const step of built.plan?.steps ?? []) {
      expect(step.endMs, step.title).toBeGreaterThan(step.startMs);
      expect(
        step.phases.reduce((sum, phase) => sum + typicalMin(phase), 0),
        step.title,
      ).toBeGreaterThan(0);
    }
    expect(built.plan?.methods.map((one) => one.id)).toContain(id);
  });
});

describe('the starter shelf', () => {
  // Trade handbook section 2, the table of dyestuffs, row by row
  test.each([
    'onion, yellow|onion, red|black bean|black rice|red cabbage|purple carrot|carrot tops|turmeric|curry powder|saffron|hibiscus tea flower|rose, red|peony|oxalis',
    'avocado pit|avocado skin|pomegranate|oak gall|acorn|usnea lichen|black walnut|butternut|pine cones|lupine|lupine, dark violet|lupine, upper stalk',
    'black-eyed Susan|goldenrod|jewelweed|calendula|marigold|coreopsis|mullein|madder|indigo|butterfly pea|eucalyptus, lemon-scented|eucalyptus, other kinds',
    'aloe vera|ocotillo|logwood|osage orange|sappanwood|cochineal|lac|tea, black|tea, black lemon|tea, chamomile|tea, fruity herbal|coffee',
    'weld|birch leaf|alder cones|dock root|heather|bracken|dyer’s greenweed|buckthorn bark|hollyhock petals',
  ])('has %s', (names) => expect(names.split('|').filter((name) => !DYESTUFFS.some((stuff) => stuff.name === name))).toEqual([]));
  test.each([
    [
      'lemon juice',
      'ferrous sulfate',
      'potash alum',
      'aluminium acetate',
      'cream of tartar',
      'chalk',
      'white vinegar',
      'citric acid',
      'washing soda crystals',
      'baking soda',
    ],
    [
      'soda ash',
      'calcium hydroxide',
      'household ammonia',
      'guar gum',
      'gum tragacanth',
      'copper sulfate',
      'tin(II) chloride',
      'neutral scour liquid',
      'mild soap',
    ],
  ])('has the assistants %s …', (...names) => expect(names.filter((name) => !ASSISTANTS.some((assistant) => assistant.name === name))).toEqual([]));
  test('no id is used twice, every extraction it names is a method', () => {
    const ids = [...DYESTUFFS, ...ASSISTANTS].map((one) => one.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(DYESTUFFS.filter((stuff) => !LIBRARY.find(stuff.extractBy))).toEqual([]);
  });
  // Safety handbook section 2: molar masses as printed there, to the tenth
  test.each([
    ['alum', 474.4],
    ['aluminiumAcetate', 162.1],
    ['ironSulfate', 278.0],
    ['copperSulfate', 249.7],
    ['tinChloride', 225.6],
    ['creamOfTartar', 188.2],
    ['citricAcid', 192.1],
    ['vinegar', 60.05],
    ['sodaAsh', 106.0],
    ['washingSoda', 286.1],
    ['bakingSoda', 84.01],
    ['chalk', 100.1],
    ['slakedLime', 74.09],
    ['lye', 40.0],
    ['dithionite', 174.1],
    ['thioureaDioxide', 108.1],
    ['peroxide', 34.01],
    ['bleach', 74.44],
  ])('%s is %f g/mol', (id, mass) => expect(Math.abs(molarMass(STARTER.assistant(id)?.formula ?? '') - mass)).toBeLessThan(0.06));
});

describe('own methods', () => {
  const copy = copyMethod(method('alum-10'), 'own-1');
  const second = { ...copy, version: 2, params: copy.params.map((param) => (param.key === 'alumPct' ? { ...param, usual: 12 } : param)) };
  const book = methodBook([copy, second]);
  test('the newest stands in the book; an older version is still found', () => {
    expect(book.find('own-1')?.version).toBe(2);
    expect(book.find('own-1', 1)?.params.find((param) => param.key === 'alumPct')?.usual).toBe(10);
    expect(book.all.filter((one) => one.id === 'own-1')).toHaveLength(1);
  });
  test('a session keeps the version it was planned with', () => {
    const chain = [{ id: 'm', methodId: 'own-1', methodVersion: 1, params: {}, dyestuffId: null }];
    const plan = buildPlan({ ...input([wool('a', 100)], { chain }), methods: book }, HEAD).plan;
    expect(plan?.steps[0]?.additions[0]?.proposed.result).toBe(10);
    expect([plan?.methods[0]?.version, plan?.draft.chain[0]?.methodVersion]).toEqual([1, 1]);
  });
  test('a retired one is no longer offered, and old plans still find it', () => {
    const retired = methodBook([copy], new Set(['own-1']));
    expect([retired.all.some((one) => one.id === 'own-1'), retired.find('own-1')?.id]).toEqual([false, 'own-1']);
  });
  test.each<[string, Partial<Method>, string]>([
    ['a figure it does not have', { params: [] }, 'is not among the figures'],
    ['a figure twice', { params: [...copy.params, ...copy.params.slice(0, 1)] }, 'Two figures are called'],
    ['a usual figure out of range', { params: copy.params.map((param) => ({ ...param, max: 5 })) }, 'lies outside'],
    [
      'a substance nobody knows',
      { steps: copy.steps.map((step) => ({ ...step, additions: [{ id: 'x', substance: 'stardust', rule: 'wofPct' as const, pct: 1 }] })) },
      'is not on the shelf',
    ],
    ['nothing to do', { steps: copy.steps.map((step) => ({ ...step, phases: [] })) }, 'has nothing to do'],
    [
      'a plant it does not ask for',
      { steps: copy.steps.map((step) => ({ ...step, additions: [{ id: 'x', substance: 'dyestuff' as const, rule: 'ratio' as const, ratio: 1 }] })) },
      'must ask for one',
    ],
  ])('%s is said', (_what, change, words) =>
    expect(
      methodFaults({ ...copy, ...change })
        .map((fault) => fault.message)
        .join(' '),
    ).toContain(words),
  );
});
