import type { Standing } from '../../shelf/assistant';
import type { Method, StepTemplate } from '../method';
import { at, charge, heat, hold, lift, method, p, perG, raise, rateParam, rest, soak, step, waterParam } from './build';

/** Scour, tannin, mordant, wetting out. Figures: trade handbook sections 3-5 and 7 (common practice, no source). */

const SCOUR: readonly Method[] = [
  method({
    id: 'scour-protein',
    name: 'Scour, wool and silk',
    stage: 'scour',
    school: 'Neutral liquid, hot',
    why: 'Grease and wax keep dye out; wool and silk want no alkali.',
    params: [p('dose', 'scour liquid', 'mL/L', 0.986, 0, 20), waterParam(40), ...heat(60, 75, 90, 60, 'estimate', 600), rateParam],
    steps: [
      step({
        key: 'scour',
        kind: 'scour',
        title: 'Scour',
        where: 'heated',
        bath: perG,
        additions: [{ id: 'scourLiquid', substance: 'scourLiquid', rule: 'mLPerL', dose: at('dose') }],
        phases: [
          charge(10, 'Untie, tag and wet the goods, fill, stir the liquid in'),
          raise(true),
          hold(null),
          lift(10, 'Heat off. Lift, let cool a little, rinse'),
        ],
        lookFor: 'Look at the water: colour or cloud shows what came off. Scour again if there is much.',
        treatment: 'scour',
        lid: 'resting',
      }),
    ],
  }),
  method({
    id: 'scour-cellulose',
    name: 'Scour, plant fibre',
    stage: 'scour',
    school: 'Soda ash, long and hot',
    why: 'Size and wax in plant fibre give way to alkali and time.',
    params: [p('sodaPct', 'soda ash', '% WOF', null, 0, 25), waterParam(40), ...heat(80, 95, 98, 60, 'estimate', 600)],
    steps: [
      step({
        key: 'scour',
        kind: 'scour',
        title: 'Scour',
        where: 'heated',
        bath: perG,
        additions: [{ id: 'sodaAsh', substance: 'sodaAsh', rule: 'wofPct', pct: at('sodaPct') }],
        phases: [charge(10, 'Fill, sprinkle the soda ash in, stir, put the goods in'), raise(false), hold(20), lift(10, 'Heat off. Lift and rinse')],
        lookFor: 'The water turns yellow to brown; scour again until it stays pale.',
        treatment: 'scour',
        lid: 'resting',
      }),
    ],
  }),
  method({
    id: 'scour-size',
    name: 'Wash the size out',
    stage: 'scour',
    school: 'Rinse or wash until the glaze is gone',
    why: 'New cloth holds size, and size gives a mottle. Washing it out gives level dye.',
    params: [p('washMin', 'wash', 'min', 20, 5, 240, 'estimate'), waterParam(40)],
    steps: [
      step({
        key: 'scour',
        kind: 'scour',
        title: 'Wash the size out',
        bath: perG,
        phases: [charge(at('washMin'), 'Wash in warm water until the glazed finish is gone')],
        lookFor: 'The cloth no longer feels glazed and drinks water at once.',
        treatment: 'scour',
      }),
    ],
  }),
  method({
    id: 'scour-skip',
    name: 'Not scoured, on purpose',
    stage: 'scour',
    school: 'Left as it is',
    why: 'Allowed when a mottle is wanted, or the goods came scoured. It is written down, so that nobody wonders later.',
    steps: [
      step({
        key: 'skip',
        kind: 'scour',
        title: 'Not scoured',
        where: 'table',
        liquor: 'none',
        phases: [charge(1, 'Leave the goods as they are; expect a mottle')],
        treatment: 'notScoured',
      }),
    ],
  }),
];

const tanninSoak = (key: string): StepTemplate =>
  step({
    key,
    kind: 'tannin',
    title: 'Tannin soak',
    where: 'same',
    liquor: 'uses',
    phases: [charge(10, 'Put the wet goods in'), soak(60, at('soakMin'), 1440), lift(5, 'Lift, squeeze back into the pot. Go on to the mordant')],
    lookFor: 'A tint from the tannin matters only under pale or bright dyes.',
    treatment: 'tannin',
    lid: 'resting',
  });

const TANNIN: readonly Method[] = [
  method({
    id: 'tannin-simmer',
    name: 'Tannin, simmered',
    stage: 'tannin',
    school: 'Simmer: keeps it pinker',
    why: 'Metal grips plant fibre better over a tannin layer. A simmer keeps avocado pits pink; oak leaves little colour.',
    needsDyestuff: true,
    params: [
      p('ratio', 'tannin source to fibre', ': 1', null, 0.01, 20),
      waterParam(30),
      ...heat(75, 90, 95, 60),
      p('soakMin', 'soak of the goods', 'min', 60, 60, 1440),
    ],
    steps: [
      step({
        key: 'bath',
        kind: 'extract',
        title: 'Tannin bath',
        where: 'heated',
        lots: 'sizeOnly',
        liquor: 'makes',
        bath: perG,
        additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }],
        phases: [charge(15, 'Cut up or break, cover with water'), raise(false), hold(30)],
        lid: 'resting',
      }),
      tanninSoak('tannin'),
    ],
  }),
  method({
    id: 'tannin-boil',
    name: 'Tannin, boiled',
    stage: 'tannin',
    school: 'Boil: stronger, browner',
    why: 'Boiling draws more and browns it; walnut is brown whatever you do. Avoid it ahead of bright dyes.',
    needsDyestuff: true,
    params: [
      p('ratio', 'tannin source to fibre', ': 1', null, 0.01, 20),
      waterParam(30),
      ...heat(95, 100, 102, 60),
      p('soakMin', 'soak of the goods', 'min', 60, 60, 1440),
    ],
    steps: [
      step({
        key: 'bath',
        kind: 'extract',
        title: 'Tannin bath',
        where: 'heated',
        lots: 'sizeOnly',
        liquor: 'makes',
        bath: perG,
        additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }],
        phases: [charge(15, 'Cut up or break, cover with water'), raise(false), hold(20)],
        lid: 'resting',
      }),
      tanninSoak('tannin'),
    ],
  }),
  method({
    id: 'tannin-gall',
    name: 'Tannin, oak gall',
    stage: 'tannin',
    school: 'Break, soak two hours, then simmer',
    why: 'A cold soak opens the broken gall before the heat. Oak tints little.',
    needsDyestuff: true,
    params: [
      p('ratio', 'gall to fibre', ': 1', null, 0.01, 5),
      waterParam(30),
      p('coldMin', 'cold soak first', 'min', 120, 30, 1440),
      ...heat(75, 90, 95, 60, 'estimate'),
      p('soakMin', 'soak of the goods', 'min', 60, 60, 1440),
    ],
    steps: [
      step({
        key: 'bath',
        kind: 'extract',
        title: 'Oak gall bath',
        where: 'heated',
        lots: 'sizeOnly',
        liquor: 'makes',
        bath: perG,
        additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }],
        phases: [charge(15, 'Break the galls, cover with water'), soak(30, at('coldMin'), 1440), charge(2, 'Heat on'), raise(false), hold(30)],
        lid: 'resting',
      }),
      tanninSoak('tannin'),
    ],
  }),
  method({
    id: 'tannin-extract',
    name: 'Tannin, from powder',
    stage: 'tannin',
    school: 'Extract, warm water',
    why: 'A powder can be weighed and repeated. On wool and silk a tannin is optional.',
    params: [p('pct', 'tannin extract', '% WOF', 8, 0, 80, 'uncertain'), waterParam(30), p('soakMin', 'soak of the goods', 'min', 60, 60, 1440)],
    steps: [
      step({
        key: 'tannin',
        kind: 'tannin',
        title: 'Tannin soak',
        bath: perG,
        additions: [{ id: 'tannin', substance: 'tannicAcid', rule: 'wofPct', pct: at('pct') }],
        phases: [charge(10, 'Stir a slurry, then fill up with warm water; put the wet goods in'), soak(60, at('soakMin'), 1440), lift(5, 'Lift and squeeze')],
        treatment: 'tannin',
      }),
    ],
  }),
];

const alumSteps = (tartar: boolean, standMin: number | null, act: string): StepTemplate[] => [
  step({
    key: 'mordant',
    kind: 'mordant',
    title: 'Mordant, alum',
    where: 'heated',
    bath: perG,
    additions: [
      { id: 'alum', substance: 'alum', rule: 'wofPct', pct: at('alumPct') },
      ...(tartar ? [{ id: 'tartar', substance: 'creamOfTartar', rule: 'wofPct' as const, pct: at('tartarPct') }] : []),
    ],
    phases: [
      charge(15, 'Dissolve the alum in hot water, fill up, put the wet goods in'),
      raise(true),
      hold(15),
      ...(standMin === null ? [] : [rest(at('standMin'), at('standMin'), 4 * standMin)]),
      lift(5, act),
    ],
    lookFor: 'The goods feel a little harsh; the bath stays clear.',
    treatment: 'mordant',
    lid: 'resting',
  }),
];
const alumParams = (alumPct: number, holdStanding: Standing = 'estimate') => [
  p('alumPct', 'alum', '% WOF', alumPct, 0, 100),
  ...heat(80, 90, 95, 60, holdStanding, 600),
  rateParam,
  waterParam(30),
];
const LIFT = 'Heat off. Lift the goods, squeeze them out';

const acetateStep = step({
  key: 'mordant',
  kind: 'mordant',
  title: 'Mordant, aluminium acetate',
  bath: perG,
  additions: [{ id: 'acetate', substance: 'aluminiumAcetate', rule: 'wofPct', pct: at('acetatePct') }],
  phases: [charge(15, 'Dissolve in hot water, put the wet goods in'), soak(60, at('soakMin'), 1440, 30), lift(5, 'Lift and squeeze')],
  treatment: 'mordant',
});
const acetateParams = [p('acetatePct', 'aluminium acetate', '% WOF', 8, 0, 50), p('soakMin', 'in hot water', 'min', 90, 60, 1440), waterParam(30)];

const MORDANT: readonly Method[] = [
  method({
    id: 'alum-10',
    name: 'Alum, low',
    stage: 'mordant',
    school: 'Alum 10 %',
    why: 'Enough for clear colours on wool and silk, least salt left in the bath.',
    params: alumParams(10),
    steps: alumSteps(false, null, LIFT),
  }),
  method({
    id: 'alum-tartar',
    name: 'Alum and cream of tartar, standing',
    stage: 'mordant',
    school: 'Alum 10–20 % with tartar 4–7 %, a day in the bath',
    why: 'Tartar keeps wool soft and colours bright; standing lets the salt go in slowly.',
    params: [
      ...alumParams(15).map((param) => (param.key === 'holdMin' ? { ...param, usual: 45 } : param)),
      p('tartarPct', 'cream of tartar', '% WOF', 5, 0, 50),
      p('standMin', 'stand at least', 'min', 1440, 60, 10_000),
    ],
    steps: alumSteps(true, 1440, 'Lift the goods, squeeze them out'),
  }),
  method({
    id: 'alum-16',
    name: 'Alum, one hot hour',
    stage: 'mordant',
    school: 'Alum 16 %',
    why: 'A full hour in heat, used straight afterwards.',
    params: alumParams(16, 'practice'),
    steps: alumSteps(false, null, LIFT),
  }),
  method({
    id: 'alum-rescue',
    name: 'Alum, rescue in mid-run',
    stage: 'mordant',
    school: 'House dose, 60–90 min, straight back',
    why: 'Wool that stays white beside a coloured neighbour was not mordanted. Lift all, mordant, squeeze, back into the bath.',
    params: alumParams(16).map((param) => (param.key === 'holdMin' ? { ...param, usual: 75, min: 60, max: 90, standing: 'practice' as const } : param)),
    steps: alumSteps(false, null, 'Heat off. Squeeze, straight back to the dyebath'),
  }),
  method({
    id: 'al-acetate',
    name: 'Aluminium acetate',
    stage: 'mordant',
    school: 'Aluminium acetate 5–10 %, plant fibre, no chalk',
    why: 'Plant fibre holds acetate better than alum.',
    params: acetateParams,
    steps: [acetateStep],
  }),
  method({
    id: 'al-acetate-chalk',
    name: 'Aluminium acetate, then chalk',
    stage: 'mordant',
    school: 'Aluminium acetate 5–10 %, chalk 2 % of the fibre after it',
    why: 'The chalk fixes what the acetate left loose. The 2 % here is of the fibre’s weight, not a solution.',
    params: [...acetateParams, p('chalkPct', 'chalk', '% WOF', 2, 0, 25), p('chalkMin', 'in the chalk', 'min', 30, 5, 120, 'estimate')],
    steps: [
      acetateStep,
      step({
        key: 'chalk',
        kind: 'mordant',
        title: 'Chalk after the acetate',
        bath: perG,
        additions: [{ id: 'chalk', substance: 'chalk', rule: 'wofPct', pct: at('chalkPct') }],
        phases: [charge(10, 'Stir the chalk up, goods in'), soak(5, at('chalkMin'), 240, 10), lift(5, 'Lift, rinse the loose chalk off')],
        treatment: null,
      }),
    ],
  }),
  method({
    id: 'iron-mordant',
    name: 'Iron mordant',
    stage: 'mordant',
    school: 'Ferrous sulfate 6 %, one hour',
    why: 'Iron as the only mordant: wool is tan before dyeing and comes out dark. Keep it apart from alum goods; iron travels.',
    params: [p('ironPct', 'ferrous sulfate', '% WOF', 6, 0, 20), ...heat(70, 80, 90, 60, 'practice', 240), rateParam, waterParam(30)],
    steps: [
      step({
        key: 'mordant',
        kind: 'mordant',
        title: 'Mordant, iron',
        where: 'heated',
        bath: perG,
        additions: [{ id: 'iron', substance: 'ironSulfate', rule: 'wofPct', pct: at('ironPct') }],
        phases: [charge(15, 'Dissolve the iron fully, fill up, put the wet goods in'), raise(true), hold(10), lift(5, 'Heat off. Lift, rinse well')],
        lookFor: 'Wool turns tan.',
        treatment: 'mordant',
        lid: 'resting',
      }),
    ],
    cautions: ['Its own pot and soak: iron darkens alum goods beside it.'],
  }),
  method({
    id: 'no-mordant',
    name: 'No mordant, on purpose',
    stage: 'mordant',
    school: 'None, for tannin-rich dyes',
    why: 'Nut hulls, oak and tea hold by their own tannin. Written down, so that “none” is not mistaken for “unknown”.',
    steps: [
      step({
        key: 'none',
        kind: 'mordant',
        title: 'No mordant',
        where: 'table',
        liquor: 'none',
        phases: [charge(1, 'Leave the goods unmordanted, tag them so')],
        treatment: 'noMordant',
      }),
    ],
  }),
  method({
    id: 'tartar-only',
    name: 'Cream of tartar alone',
    stage: 'mordant',
    school: 'Acid only: tartar 5 g/L',
    why: 'Used as a “fixer” in solar jars. It is an assistant: the passport says no metal mordant.',
    params: [p('dose', 'cream of tartar', 'g/L', 5, 0, 50), waterParam(20), p('soakMin', 'soak', 'min', 30, 5, 1440, 'estimate')],
    steps: [
      step({
        key: 'tartar',
        kind: 'mordant',
        title: 'Tartar soak, no metal',
        bath: perG,
        additions: [{ id: 'tartar', substance: 'creamOfTartar', rule: 'gPerL', dose: at('dose') }],
        phases: [charge(10, 'Stir until clear, goods in'), soak(5, at('soakMin'), 1440), lift(3, 'Lift, squeeze')],
        treatment: 'noMordant',
      }),
    ],
  }),
  method({
    id: 'metal-test',
    name: 'Copper or tin, test piece only',
    stage: 'mordant',
    school: 'Small test only, no usual dose',
    why: 'Told of in old notes: copper changes little, tin reddens. Not for beginners; the leftovers are hazardous waste.',
    params: [p('pct', 'copper sulfate', '% WOF', null, 0, 4), p('soakMin', 'soak', 'min', 30, 1, 120, 'uncertain'), waterParam(30)],
    steps: [
      step({
        key: 'mordant',
        kind: 'mordant',
        title: 'Mordant, test piece',
        bath: perG,
        additions: [{ id: 'copper', substance: 'copperSulfate', rule: 'wofPct', pct: at('pct') }],
        phases: [charge(10, 'Dissolve fully, test piece in'), soak(1, at('soakMin'), 240, 10), lift(5, 'Lift, rinse into the waste tub')],
        treatment: 'mordant',
      }),
    ],
  }),
];

const WET: readonly Method[] = [
  method({
    id: 'wet-out',
    name: 'Wet out',
    stage: 'wetOut',
    school: 'Plain water, 20 min at least, 60 min for long baths',
    why: 'Dry goods hold air and take dye unevenly. Dried mordanted goods take longer.',
    params: [p('soakMin', 'soak', 'min', 60, 20, 600), waterParam(30)],
    steps: [
      step({
        key: 'wetOut',
        kind: 'wetOut',
        title: 'Wet out',
        bath: perG,
        phases: [charge(5, 'Push the goods under, chase the bubbles out'), soak(20, at('soakMin'), 1440), lift(3, 'Lift, squeeze')],
        lookFor: 'The goods sink.',
      }),
    ],
  }),
  method({
    id: 'vinegar-presoak',
    name: 'Vinegar presoak',
    stage: 'wetOut',
    school: 'Acid only: 1 part white vinegar to 3 parts water',
    why: 'For bundles: damp and sour, not dripping. One part in four is 25 %, not 33 %.',
    params: [p('vinegarPct', 'vinegar', '% of the bath', 25, 0, 100), p('soakMin', 'soak', 'min', 20, 1, 600, 'estimate'), waterParam(10)],
    steps: [
      step({
        key: 'presoak',
        kind: 'wetOut',
        title: 'Vinegar presoak',
        bath: perG,
        additions: [{ id: 'vinegar', substance: 'vinegar', rule: 'bathPct', pct: at('vinegarPct') }],
        phases: [charge(5, 'Mix, push the goods under'), soak(1, at('soakMin'), 600), lift(3, 'Wring until damp, not dripping')],
        treatment: 'modifier',
      }),
    ],
  }),
];

export const PREPARE: readonly Method[] = [...SCOUR, ...TANNIN, ...MORDANT, ...WET];
