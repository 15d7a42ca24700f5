import type { Method, Param, PhaseTemplate, Ref } from './method';

const p = (
  key: string, label: string, unit: string, usual: number | null, min: number, max: number, standing: Param['standing'] = 'practice',
): Param => ({ key, label, unit, usual, min, max, standing });
const at = (param: string) => ({ param });
const exactly = (param: string) => ({ min: at(param), typical: at(param), max: at(param) });
const charge = (minutes: Ref, act: string): PhaseTemplate => ({ kind: 'charge', minutes, act });
const lift = (minutes: number, act: string): PhaseTemplate => ({ kind: 'lift', minutes, act });

const heatTo = (rate: number | null): PhaseTemplate => ({
  kind: 'raise', toC: at('lowC'), maxRateCPerMin: rate === null ? null : at('rateCPerMin'),
});
const rateParam = p('rateCPerMin', 'heat no faster than', '°C/min', 1, 0.2, 5);
const waterParam = (usual: number) => p('waterMlPerG', 'water per gram of fibre', 'mL/g', usual, 1, 200, 'estimate');

const alumSteps = (tartar: boolean, standMin: number | null): Method['steps'] => [
  {
    key: 'mordant', kind: 'mordant', title: 'Mordant, alum', where: 'heated', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'),
    additions: [
      { id: 'alum', substance: 'alum', rule: 'wofPct', pct: at('alumPct') },
      ...(tartar ? [{ id: 'tartar', substance: 'creamOfTartar', rule: 'wofPct' as const, pct: at('tartarPct') }] : []),
    ],
    phases: [
      charge(15, 'Dissolve the alum in hot water, fill up, put the wet goods in'),
      heatTo(1),
      { kind: 'hold', lowC: at('lowC'), highC: at('highC'), ceilingC: at('ceilingC'), minutes: exactly('holdMin'), stirEveryMin: 15, flipAtMin: null },
      ...(standMin === null
        ? []
        : [{ kind: 'rest' as const, minutes: { min: at('standMin'), typical: at('standMin'), max: 4 * standMin }, overnightOk: true }]),
      lift(5, 'Heat off. Lift the goods, squeeze them out'),
    ],
    lookFor: 'The goods feel a little harsh; the bath stays clear.', treatment: 'mordant',
  },
];
const alumParams = (alumPct: number) => [
  p('alumPct', 'alum', '% WOF', alumPct, 0, 100),
  p('lowC', 'hold from', '°C', 80, 20, 100, 'estimate'), p('highC', 'hold up to', '°C', 90, 20, 100, 'estimate'),
  p('ceilingC', 'never above', '°C', 95, 30, 100), rateParam, waterParam(30),
];

/** The extraction bath; the dyestuff's own ceiling is a parameter so that madder may stay under 65.6 °C. */
const extraction = (id: string, form: string, ratio: number, school: string, why: string): Method => ({
  id, version: 1, name: `Extract, ${form}`, stage: 'extract', school, why, needsDyestuff: true,
  params: [
    p('ratio', `${form} to fibre`, ': 1', ratio, 0.01, 50), waterParam(30),
    p('lowC', 'hold from', '°C', 70, 20, 100), p('highC', 'hold up to', '°C', 80, 20, 100), p('ceilingC', 'never above', '°C', 82.2, 30, 100),
    p('holdMin', 'hold', 'min', 60, 1, 1440), p('stirEveryMin', 'stir every', 'min', 30, 1, 240), rateParam,
  ],
  steps: [{
    key: 'extract', kind: 'extract', title: 'Extract', where: 'heated', lots: 'sizeOnly', liquor: 'makes', waterMlPerG: at('waterMlPerG'),
    additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }],
    phases: [
      charge(20, 'Chop, weigh and cover with water'),
      heatTo(null),
      { kind: 'hold', lowC: at('lowC'), highC: at('highC'), ceilingC: at('ceilingC'), minutes: exactly('holdMin'), stirEveryMin: at('stirEveryMin'), flipAtMin: null },
    ],
    lookFor: 'The bath darkens; darker is stronger.', treatment: null,
  }],
});

/**
 * The first library, in working order. Figures: trade handbook sections 3-7 and 12-14 (common practice, no source);
 * parameters marked `estimate` have no figure in common use and are ours to start from.
 */
export const METHODS: readonly Method[] = [
  {
    id: 'scour-protein', version: 1, name: 'Scour, wool and silk', stage: 'scour', school: 'Neutral liquid, hot',
    why: 'Grease and wax keep dye out; wool and silk want no alkali.', needsDyestuff: false,
    params: [
      p('dose', 'scour liquid', 'mL/L', 0.986, 0, 20), waterParam(40), p('lowC', 'hold from', '°C', 60, 20, 100, 'estimate'),
      p('highC', 'hold up to', '°C', 75, 20, 100, 'estimate'), p('ceilingC', 'never above', '°C', 90, 30, 100, 'estimate'), p('holdMin', 'hold', 'min', 60, 1, 600), rateParam,
    ],
    steps: [{
      key: 'scour', kind: 'scour', title: 'Scour', where: 'heated', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'),
      additions: [{ id: 'scourLiquid', substance: 'scourLiquid', rule: 'mLPerL', dose: at('dose') }],
      phases: [
        charge(10, 'Untie, tag and wet the goods, fill, stir the liquid in'), heatTo(1),
        { kind: 'hold', lowC: at('lowC'), highC: at('highC'), ceilingC: at('ceilingC'), minutes: exactly('holdMin'), stirEveryMin: null, flipAtMin: null },
        lift(10, 'Heat off. Lift, let cool a little, rinse'),
      ],
      lookFor: 'Look at the water: colour or cloud shows what came off. Scour again if there is much.', treatment: 'scour',
    }],
  },
  {
    id: 'scour-cellulose', version: 1, name: 'Scour, plant fibre', stage: 'scour', school: 'Soda ash, long and hot',
    why: 'Size and wax in plant fibre give way to alkali and time.', needsDyestuff: false,
    params: [
      p('sodaPct', 'soda ash', '% WOF', null, 0, 25), waterParam(40), p('lowC', 'hold from', '°C', 80, 20, 100, 'estimate'),
      p('highC', 'hold up to', '°C', 95, 20, 100, 'estimate'), p('ceilingC', 'never above', '°C', 98, 30, 100, 'estimate'), p('holdMin', 'hold', 'min', 60, 1, 600), rateParam,
    ],
    steps: [{
      key: 'scour', kind: 'scour', title: 'Scour', where: 'heated', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'),
      additions: [{ id: 'sodaAsh', substance: 'sodaAsh', rule: 'wofPct', pct: at('sodaPct') }],
      phases: [
        charge(10, 'Fill, sprinkle the soda ash in, stir, put the goods in'), heatTo(null),
        { kind: 'hold', lowC: at('lowC'), highC: at('highC'), ceilingC: at('ceilingC'), minutes: exactly('holdMin'), stirEveryMin: 20, flipAtMin: null },
        lift(10, 'Heat off. Lift and rinse'),
      ],
      lookFor: 'The water turns yellow to brown; scour again until it stays pale.', treatment: 'scour',
    }],
  },
  {
    id: 'wet-out', version: 1, name: 'Wet out', stage: 'wetOut', school: 'Plain water', why: 'Dry goods hold air and take dye unevenly.', needsDyestuff: false,
    params: [p('soakMin', 'soak', 'min', 60, 20, 600), waterParam(30)],
    steps: [{
      key: 'wetOut', kind: 'wetOut', title: 'Wet out', where: 'any', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'), additions: [],
      phases: [charge(5, 'Push the goods under, chase the bubbles out'), { kind: 'soak', minutes: { min: 20, typical: at('soakMin'), max: 1440 }, checkEveryMin: null }, lift(3, 'Lift, squeeze')],
      lookFor: 'The goods sink.', treatment: null,
    }],
  },
  {
    id: 'alum-10', version: 1, name: 'Alum, low', stage: 'mordant', school: 'Alum 10 %', why: 'Enough for clear colours on wool and silk, least salt left in the bath.',
    needsDyestuff: false, params: [...alumParams(10), p('holdMin', 'hold', 'min', 60, 1, 600, 'estimate')], steps: alumSteps(false, null),
  },
  {
    id: 'alum-tartar', version: 1, name: 'Alum and cream of tartar, standing', stage: 'mordant', school: 'Alum 10–20 % with tartar 4–7 %, a day in the bath',
    why: 'Tartar keeps wool soft and colours bright; standing lets the salt go in slowly.', needsDyestuff: false,
    params: [...alumParams(15), p('tartarPct', 'cream of tartar', '% WOF', 5, 0, 50), p('holdMin', 'hold', 'min', 45, 1, 600, 'estimate'), p('standMin', 'stand at least', 'min', 1440, 60, 10_000)],
    steps: alumSteps(true, 1440),
  },
  {
    id: 'alum-16', version: 1, name: 'Alum, one hot hour', stage: 'mordant', school: 'Alum 16 %', why: 'A full hour in heat, used straight afterwards.',
    needsDyestuff: false, params: [...alumParams(16), p('holdMin', 'hold', 'min', 60, 1, 600)], steps: alumSteps(false, null),
  },
  {
    id: 'al-acetate', version: 1, name: 'Aluminium acetate', stage: 'mordant', school: 'Aluminium acetate 5–10 %, plant fibre', why: 'Plant fibre holds acetate better than alum.',
    needsDyestuff: false,
    params: [p('acetatePct', 'aluminium acetate', '% WOF', 8, 0, 50), p('soakMin', 'in hot water', 'min', 90, 60, 120), waterParam(30)],
    steps: [{
      key: 'mordant', kind: 'mordant', title: 'Mordant, aluminium acetate', where: 'any', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'),
      additions: [{ id: 'acetate', substance: 'aluminiumAcetate', rule: 'wofPct', pct: at('acetatePct') }],
      phases: [charge(15, 'Dissolve in hot water, put the wet goods in'), { kind: 'soak', minutes: { min: 60, typical: at('soakMin'), max: 1440 }, checkEveryMin: 30 }, lift(5, 'Lift and squeeze')],
      lookFor: null, treatment: 'mordant',
    }],
  },
  extraction('extract-fresh', 'fresh leaf', 10, 'Fresh 10 : 1', 'Fresh leaf is mostly water; ten times the fibre’s weight is the usual start.'),
  extraction('extract-dried', 'dried leaf', 1, 'Dried 1 : 1', 'Drying leaves a tenth of the weight and most of the colour.'),
  {
    id: 'strain', version: 1, name: 'Strain', stage: 'strain', school: 'Sieve or cloth', why: 'Bits left in tangle in yarn and mark where they touch.', needsDyestuff: false, params: [],
    steps: [{
      key: 'strain', kind: 'strain', title: 'Strain', where: 'same', lots: 'sizeOnly', liquor: 'keeps', waterMlPerG: null, additions: [],
      phases: [charge(10, 'Heat off. Strain, clean the pot, put the liquor back')], lookFor: null, treatment: null,
    }],
  },
  {
    id: 'dyebath', version: 1, name: 'Dyebath, slow', stage: 'dye', school: 'Below the boil, slow rise', why: 'A slow rise and gentle stirring dye evenly; wool does not felt.', needsDyestuff: false,
    params: [
      p('lowC', 'hold from', '°C', 70, 20, 100), p('highC', 'hold up to', '°C', 80, 20, 100), p('ceilingC', 'never above', '°C', 82.2, 30, 100),
      p('holdMin', 'hold', 'min', 60, 1, 600), p('stirEveryMin', 'stir every', 'min', 10, 1, 240), rateParam,
    ],
    steps: [{
      key: 'dye', kind: 'dye', title: 'Dye', where: 'same', lots: 'in', liquor: 'uses', waterMlPerG: null, additions: [],
      phases: [
        charge(10, 'Open the wet goods out and put them in'), heatTo(1),
        { kind: 'hold', lowC: at('lowC'), highC: at('highC'), ceilingC: at('ceilingC'), minutes: exactly('holdMin'), stirEveryMin: at('stirEveryMin'), flipAtMin: 30 },
      ],
      lookFor: 'Stop when two or three shades darker than wanted: it dries lighter.', treatment: 'dye',
    }],
  },
  {
    id: 'rest-overnight', version: 1, name: 'Rest overnight in the bath', stage: 'rest', school: 'Heat off, lid on', why: 'Slow cooling gives depth and spares wool a shock.', needsDyestuff: false,
    params: [p('restMin', 'rest', 'min', 600, 60, 2880)],
    steps: [{
      key: 'rest', kind: 'rest', title: 'Rest in the bath', where: 'same', lots: 'in', liquor: 'keeps', waterMlPerG: null, additions: [],
      phases: [charge(2, 'Heat off and unplugged. Lid on'), { kind: 'rest', minutes: { min: 480, typical: at('restMin'), max: 960 }, overnightOk: true }, lift(5, 'Lift, squeeze back into the pot')],
      lookFor: 'Wet colour looks darker than dry.', treatment: 'rest',
    }],
  },
  {
    id: 'iron-dip', version: 1, name: 'Iron after-dip', stage: 'iron', school: 'Cool, short', why: 'Saddens a finished colour; three minutes change it without harming the fibre much.', needsDyestuff: false,
    params: [p('ironPct', 'ferrous sulfate', '% WOF', 2, 0, 20, 'estimate'), p('dipMin', 'dip', 'min', 3, 0.5, 30), waterParam(20)],
    steps: [{
      key: 'iron', kind: 'iron', title: 'Iron dip', where: 'any', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'),
      additions: [{ id: 'iron', substance: 'ironSulfate', rule: 'wofPct', pct: at('ironPct') }],
      phases: [charge(10, 'Dissolve the iron in cool water'), { kind: 'dip', exactMin: at('dipMin'), act: 'Goods in, stir, watch the clock' }, lift(5, 'Lift, rinse at once')],
      lookFor: 'Lift as soon as the colour has turned; it goes on a little in the rinse.', treatment: 'iron',
    }],
  },
  {
    id: 'rinse', version: 1, name: 'Rinse', stage: 'rinse', school: 'Cool to lukewarm, several waters', why: 'Loose colour comes off now rather than on a shirt.', needsDyestuff: false,
    params: [p('rinseMin', 'rinse', 'min', 15, 2, 120, 'estimate'), waterParam(40)],
    steps: [{
      key: 'rinse', kind: 'rinse', title: 'Rinse', where: 'any', lots: 'in', liquor: 'own', waterMlPerG: at('waterMlPerG'), additions: [],
      phases: [charge(at('rinseMin'), 'Rinse until the water runs clear')], lookFor: 'The water runs clear.', treatment: 'rinse',
    }],
  },
  {
    id: 'dry', version: 1, name: 'Dry', stage: 'dry', school: 'Shade, spread, ventilated', why: 'Unwound and spread, goods dry evenly and do not mould.', needsDyestuff: false,
    params: [p('dryMin', 'dry', 'min', 1440, 60, 10_000, 'estimate')],
    steps: [{
      key: 'dry', kind: 'dry', title: 'Dry', where: 'line', lots: 'in', liquor: 'none', waterMlPerG: null, additions: [],
      phases: [charge(5, 'Spread or hang in shade'), { kind: 'soak', minutes: { min: 360, typical: at('dryMin'), max: 10_080 }, checkEveryMin: null }, lift(5, 'Take down, shake out, look at the colour dry')],
      lookFor: 'Judge dry with dry.', treatment: 'dry',
    }],
  },
];

const byId = new Map(METHODS.map((method) => [method.id, method]));
export const methodById = (id: string): Method | undefined => byId.get(id);
