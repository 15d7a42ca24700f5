import type { Standing } from '../../shelf/assistant';
import type { Method } from '../method';
import { at, charge, heat, hold, lift, method, p, perG, phAim, phParams, raise, rateParam, rest, soak, step, until, waterParam } from './build';

/** Resists, pastes, modifiers, reuse, overdye, rest and finishing. Figures: trade handbook sections 11-16 (common practice, no source). */

const RESIST: readonly Method[] = [
  method({
    id: 'resist-tie',
    name: 'Tied resist, spider points',
    stage: 'resist',
    school: 'Points × ties: 7 points at two ties are 14 bands',
    why: 'Count ties, not points, before the goods are wet. A hot iron on the folds makes crisp lines; unpressed is softer.',
    params: [
      p('points', 'points', 'points', 7, 1, 200),
      p('tiesPerPoint', 'ties a point', 'ties', 2, 1, 10),
      p('workMin', 'tying', 'min', 40, 5, 600, 'estimate'),
    ],
    steps: [
      step({
        key: 'tie',
        kind: 'resist',
        title: 'Fold and tie',
        where: 'table',
        liquor: 'none',
        additions: [{ id: 'ties', substance: 'ties', rule: 'times', count: at('points'), each: at('tiesPerPoint') }],
        phases: [charge(at('workMin'), 'Fold, gather each point, wrap tight; count the bands first')],
        lookFor: 'Colour inside the ties shows only at the end: judge by the exposed part.',
        treatment: 'resist',
      }),
    ],
  }),
  method({
    id: 'resist-clamp',
    name: 'Clamped resist',
    stage: 'resist',
    school: 'Folded between shaped blocks, clamped',
    why: 'Fold, clamp, then wet, squeeze and dye. Wet it well: water goes inside slowly.',
    params: [p('workMin', 'folding', 'min', 30, 5, 600, 'estimate')],
    steps: [
      step({
        key: 'clamp',
        kind: 'resist',
        title: 'Fold and clamp',
        where: 'table',
        liquor: 'none',
        phases: [charge(at('workMin'), 'Fold, blocks on both sides, clamp; then wet through and squeeze')],
        lookFor: 'Wood blocks dry a day in the sun afterwards, spaced apart.',
        treatment: 'resist',
      }),
    ],
    cautions: ['Metal clamps can mark the cloth.'],
  }),
  method({
    id: 'partial-dip',
    name: 'Partial dip',
    stage: 'resist',
    school: 'Tips, half a ribbon, half a cloth',
    why: 'Only a part goes in. The passport keeps which part and how long.',
    params: [p('dipMin', 'in the bath', 'min', 20, 0.5, 240, 'estimate')],
    steps: [
      step({
        key: 'dip',
        kind: 'dye',
        title: 'Dip a part',
        where: 'same',
        liquor: 'uses',
        phases: [
          charge(5, 'Hang the goods so that only the part is under'),
          { kind: 'dip', exactMin: at('dipMin'), act: 'Part in, rest out' },
          lift(5, 'Lift, squeeze towards the dyed end'),
        ],
        treatment: 'dye',
        still: true,
      }),
    ],
  }),
];

const PASTE: readonly Method[] = [
  method({
    id: 'iron-paste',
    name: 'Iron paste',
    stage: 'paste',
    school: 'Vinegar, ferrous sulfate, lime; diluted, thickened, dried, washed',
    why: 'It is fixed by drying with lime: no steam, no heat. Strengths show only if the dip bath afterwards is weak.',
    params: [
      p('pasteMl', 'vinegar to begin with', 'mL', 100, 20, 5000),
      p('ironGPerL', 'ferrous sulfate', 'g/L', 50, 1, 100),
      p('limeGPerL', 'calcium hydroxide', 'g/L', 25, 0, 30),
      p('gumPct', 'gum, of the paste', 'g/L', null, 0, 60),
      p('dryMin', 'dry fully', 'min', 1440, 120, 10_080, 'estimate'),
      waterParam(30),
    ],
    steps: [
      step({
        key: 'mix',
        kind: 'paste',
        title: 'Mix and dilute the paste',
        where: 'any',
        lots: 'sizeOnly',
        liquor: 'own',
        bath: { mL: at('pasteMl'), of: 'vinegar' },
        additions: [
          { id: 'iron', substance: 'ironSulfate', rule: 'gPerL', dose: at('ironGPerL') },
          { id: 'lime', substance: 'slakedLime', rule: 'gPerL', dose: at('limeGPerL') },
          { id: 'gum', substance: 'guarGum', rule: 'gPerL', dose: at('gumPct') },
        ],
        phases: [
          charge(20, 'Iron into the vinegar, then the lime, stirring; it greens. Never heat. Dilute by halves first, then thicken each, a pinch at a time'),
        ],
        lookFor: '50 mL of it and 50 mL vinegar is half strength; again, a quarter. It thickens on standing.',
      }),
      step({
        key: 'paint',
        kind: 'paste',
        title: 'Paint or print',
        where: 'table',
        liquor: 'none',
        phases: [
          charge(45, 'Paint, print, stamp or screen, heavy pressure'),
          soak(120, at('dryMin'), 10_080),
          lift(5, 'Dry to the touch everywhere: it is cured'),
        ],
        treatment: 'iron',
        still: true,
      }),
      step({
        key: 'wash',
        kind: 'wash',
        title: 'Wash the gum out',
        bath: perG,
        phases: [charge(15, 'Warm water until the gum is gone')],
        treatment: 'wash',
      }),
    ],
    cautions: ['The old paste and its rinse carry iron and lime: not into a food bed.'],
  }),
];

const dipIn = (fields: {
  id: string;
  name: string;
  school: string;
  why: string;
  where: 'bath' | 'after';
  substance: string;
  label: string;
  unit: 'mL/L' | 'g/L';
  usual: number | null;
  most: number;
  standing?: Standing;
  cautions?: readonly string[];
}): Method =>
  method({
    id: fields.id,
    name: fields.name,
    stage: 'modifier',
    school: fields.school,
    why: fields.why,
    params: [
      p('dose', fields.label, fields.unit, fields.usual, 0, fields.most, fields.standing),
      p('dipMin', 'in it', 'min', 4, 0.5, 60),
      ...phParams(null, null),
      ...(fields.where === 'after' ? [waterParam(20)] : []),
    ],
    steps: [
      step({
        key: 'modify',
        kind: 'modifier',
        title: fields.name,
        where: fields.where === 'bath' ? 'same' : 'any',
        liquor: fields.where === 'bath' ? 'uses' : 'own',
        bath: fields.where === 'bath' ? null : perG,
        additions: [{ id: 'modifier', substance: fields.substance, rule: 'toPh', per: fields.unit === 'mL/L' ? 'mLPerL' : 'gPerL', dose: at('dose') }],
        phases: [
          charge(10, 'Measure the pH. Lift the goods, add an eighth of a teaspoon, stir, measure, repeat'),
          { kind: 'dip', exactMin: at('dipMin'), act: 'Goods in, look' },
          lift(5, 'Lift, rinse'),
        ],
        lookFor: 'Keep a control out. “No clear shift” is a result.',
        phAim,
        treatment: 'modifier',
      }),
    ],
    cautions: fields.cautions ?? [],
  });

const IN_BATH = 'It changes the whole bath for good, and above pH 12 nothing takes.';
const AFTER = 'The base colour stays in the pot; shifts are stronger and under control. Preferred by many.';
const MODIFY: readonly Method[] = [
  dipIn({
    id: 'mod-acid-bath',
    name: 'Acid in the bath',
    school: 'Vinegar, in the dyebath itself',
    why: IN_BATH,
    where: 'bath',
    substance: 'vinegar',
    label: 'vinegar',
    unit: 'mL/L',
    usual: 20,
    most: 100,
  }),
  dipIn({
    id: 'mod-acid-after',
    name: 'Acid after-bath',
    school: 'Vinegar, a bath of its own',
    why: AFTER,
    where: 'after',
    substance: 'vinegar',
    label: 'vinegar',
    unit: 'mL/L',
    usual: 20,
    most: 100,
  }),
  dipIn({
    id: 'mod-citric-after',
    name: 'Citric after-bath',
    school: 'Citric acid: oranges cochineal',
    why: 'A citric dose does not carry over to soda. Stronger than vinegar spoon for spoon.',
    where: 'after',
    substance: 'citricAcid',
    label: 'citric acid',
    unit: 'g/L',
    usual: 2,
    most: 20,
  }),
  dipIn({
    id: 'mod-alkali-bath',
    name: 'Alkali in the bath',
    school: 'Washing soda, in the dyebath itself',
    why: IN_BATH,
    where: 'bath',
    substance: 'washingSoda',
    label: 'washing soda',
    unit: 'g/L',
    usual: null,
    most: 10,
    cautions: ['Half a teaspoon in an unmeasured pot has read pH 12 to 14: eighths, and measure.'],
  }),
  dipIn({
    id: 'mod-chalk-after',
    name: 'Chalk after-bath',
    school: 'Gentle alkali: chalk, near pH 9',
    why: `${AFTER} Chalk and baking soda are the gentle ones.`,
    where: 'after',
    substance: 'chalk',
    label: 'chalk',
    unit: 'g/L',
    usual: 2,
    most: 20,
    standing: 'estimate',
  }),
  dipIn({
    id: 'mod-alkali-after',
    name: 'Alkali after-bath',
    school: 'Baking soda, then soda ash; lime and ammonia last',
    why: `${AFTER} Equal spoons of alkalis are not equal strength.`,
    where: 'after',
    substance: 'bakingSoda',
    label: 'baking soda',
    unit: 'g/L',
    usual: 5,
    most: 40,
    standing: 'estimate',
  }),
];

const IRON: readonly Method[] = [
  method({
    id: 'iron-dip',
    name: 'Iron after-dip',
    stage: 'iron',
    school: 'Cool, three minutes, stirred',
    why: 'Saddens a finished colour; three minutes change it without harming the fibre much.',
    params: [p('ironPct', 'ferrous sulfate', '% WOF', 2, 0, 20, 'estimate'), p('dipMin', 'dip', 'min', 3, 0.5, 30), waterParam(20)],
    steps: [
      step({
        key: 'iron',
        kind: 'iron',
        title: 'Iron dip',
        bath: perG,
        additions: [{ id: 'iron', substance: 'ironSulfate', rule: 'wofPct', pct: at('ironPct') }],
        phases: [
          charge(10, 'Dissolve the iron in cool water'),
          { kind: 'dip', exactMin: at('dipMin'), act: 'Goods in, stir, watch the clock' },
          lift(5, 'Lift, rinse at once'),
        ],
        lookFor: 'Lift as soon as the colour has turned; it goes on a little in the rinse.',
        treatment: 'iron',
      }),
    ],
  }),
];

const again = (id: string, name: string, school: string, why: string, title: string): Method =>
  method({
    id,
    name,
    stage: 'reuse',
    school,
    why,
    params: [...heat(65, 75, 82.2, 60, 'practice', 600), p('stirEveryMin', 'stir every', 'min', 10, 1, 240), rateParam],
    steps: [
      step({
        key: 'dye',
        kind: 'dye',
        title,
        where: 'same',
        liquor: 'uses',
        phases: [charge(10, 'Wet goods in'), raise(true), hold(at('stirEveryMin'), 30)],
        lookFor: 'Expected and actual colour are two things: keep them apart until it is dry.',
        treatment: 'dye',
        lid: 'resting',
      }),
    ],
  });

const REUSE: readonly Method[] = [
  again(
    'exhaust-bath',
    'Exhaust bath',
    'A second load in the used bath',
    'A used natural bath still holds colour. Loads come lighter and may change hue; a nearly spent bath no longer bleeds from the skeins.',
    'Dye, exhaust',
  ),
  again(
    'overdye',
    'Overdye',
    'A second dye over the first',
    'Pale yellow and madder make coral; yellow and indigo sage. A second dip after drying deepens.',
    'Overdye',
  ),
  method({
    id: 'spent-matter',
    name: 'Second bath from spent matter',
    stage: 'reuse',
    school: 'Chips and pits again, fresh water',
    why: 'Chips print again after bath and print, weaker but vivid; pits give 2–3 times. Later draws are paler.',
    needsDyestuff: true,
    form: 'spent',
    params: [
      p('ratio', 'spent matter to fibre', ': 1', null, 0.01, 50),
      waterParam(30),
      ...heat(75, 90, 95, 60),
      p('stirEveryMin', 'stir every', 'min', 30, 1, 240),
    ],
    steps: [
      step({
        key: 'extract',
        kind: 'extract',
        title: 'Extract, spent matter',
        where: 'heated',
        lots: 'sizeOnly',
        liquor: 'makes',
        bath: perG,
        additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }],
        phases: [charge(10, 'Spent matter back into the pot, fresh water'), raise(false), hold(at('stirEveryMin'))],
        lookFor: 'Paler than the first draw.',
        lid: 'resting',
      }),
    ],
    cautions: ['The third use of a pit is its last.'],
  }),
  method({
    id: 'kept-liquor',
    name: 'Bring out a kept liquor',
    stage: 'reuse',
    school: 'From the jar, fridge or freezer',
    why: 'Kept baths weaken; their age, pH and use number come with them.',
    steps: [
      step({
        key: 'bring',
        kind: 'reuse',
        title: 'Kept liquor',
        where: 'heated',
        lots: 'sizeOnly',
        liquor: 'brings',
        phases: [charge(10, 'Look and smell from a distance: mould or a bad smell, and it is binned. Pour it into the pot, measure the pH')],
        lookFor: 'Fuzzy or coloured growth: bag it outdoors, do not use it.',
      }),
    ],
  }),
];

const FINISH: readonly Method[] = [
  method({
    id: 'rest-overnight',
    name: 'Rest overnight in the bath',
    stage: 'rest',
    school: 'Heat off, lid on, slow cooling',
    why: 'Slow cooling gives depth and spares wool a shock.',
    params: [p('restMin', 'rest', 'min', 600, 60, 2880, 'estimate')],
    steps: [
      step({
        key: 'rest',
        kind: 'rest',
        title: 'Rest in bath',
        where: 'same',
        liquor: 'keeps',
        phases: [charge(2, 'Heat off and unplugged. Lid on'), rest(480, at('restMin'), 960), lift(5, 'Lift, squeeze back into the pot')],
        lookFor: 'Wet colour looks darker than dry.',
        treatment: 'rest',
        lid: 'resting',
      }),
    ],
  }),
  method({
    id: 'cool-in-bath',
    name: 'Cool in the bath',
    stage: 'rest',
    school: 'Down to hand warm, no night',
    why: 'Cooling as slowly as it was heated spares wool; it need not be a whole night.',
    params: [p('restMin', 'cool', 'min', 120, 30, 600, 'estimate')],
    steps: [
      step({
        key: 'rest',
        kind: 'rest',
        title: 'Cool in bath',
        where: 'same',
        liquor: 'keeps',
        phases: [charge(2, 'Heat off and unplugged'), rest(30, at('restMin'), 960), lift(5, 'Lift, squeeze back into the pot')],
        treatment: 'rest',
        lid: 'resting',
      }),
    ],
  }),
  method({
    id: 'rinse',
    name: 'Rinse',
    stage: 'rinse',
    school: 'Cool to lukewarm, several waters',
    why: 'Loose colour comes off now rather than on a shirt. Some do not rinse tea.',
    params: [p('rinseMin', 'rinse', 'min', 15, 2, 120, 'estimate'), waterParam(40)],
    steps: [
      step({
        key: 'rinse',
        kind: 'rinse',
        title: 'Rinse',
        bath: perG,
        phases: [charge(at('rinseMin'), 'Rinse until the water runs clear')],
        lookFor: 'The water runs clear.',
        treatment: 'rinse',
      }),
    ],
  }),
  method({
    id: 'wash',
    name: 'Wash, mild soap',
    stage: 'wash',
    school: 'Lukewarm, a little mild soap',
    why: 'Soap takes off the colour that only sat on the fibre. A bleed now is better than one later.',
    params: [p('soapGPerL', 'mild soap', 'g/L', 1, 0, 10), p('washMin', 'wash', 'min', 15, 2, 120, 'estimate'), waterParam(40)],
    steps: [
      step({
        key: 'wash',
        kind: 'wash',
        title: 'Wash',
        bath: perG,
        additions: [{ id: 'soap', substance: 'mildSoap', rule: 'gPerL', dose: at('soapGPerL') }],
        phases: [charge(at('washMin'), 'Move gently, rinse')],
        lookFor: 'Did it bleed? Write it down.',
        treatment: 'wash',
      }),
    ],
  }),
  method({
    id: 'dry',
    name: 'Dry',
    stage: 'dry',
    school: 'Shade, spread, ventilated',
    why: 'Unwound and spread, goods dry evenly and do not mould.',
    params: [p('dryMin', 'dry', 'min', 1440, 60, 10_000, 'estimate')],
    steps: [
      step({
        key: 'dry',
        kind: 'dry',
        title: 'Dry',
        where: 'line',
        liquor: 'none',
        phases: [charge(5, 'Spread or hang in shade'), soak(360, at('dryMin'), 10_080), lift(5, 'Take down, shake bits out, look at the colour dry')],
        lookFor: 'Judge dry with dry.',
        treatment: 'dry',
      }),
    ],
  }),
  method({
    id: 'dry-sun',
    name: 'Dry in the sun',
    stage: 'dry',
    school: 'Sun, for tea and what likes light',
    why: 'Tea dries outdoors in about an hour; sun also shows what fades.',
    params: [p('dryMin', 'dry', 'min', 60, 20, 1440)],
    steps: [
      step({
        key: 'dry',
        kind: 'dry',
        title: 'Dry in the sun',
        where: 'line',
        liquor: 'none',
        phases: [charge(5, 'Spread flat'), soak(20, at('dryMin'), 1440), lift(5, 'Take down, look at the colour dry')],
        treatment: 'dry',
      }),
    ],
  }),
  method({
    id: 'cure',
    name: 'Cure',
    stage: 'cure',
    school: 'Left alone until the colour has settled',
    why: 'Some colours move for days after drying. Look again when it has rested.',
    params: [p('cureMin', 'cure', 'min', 10_080, 1440, 43_200, 'estimate')],
    steps: [
      step({
        key: 'cure',
        kind: 'cure',
        title: 'Cure',
        where: 'line',
        liquor: 'none',
        phases: [
          charge(2, 'Fold away dry, out of the light'),
          until(1440, at('cureMin'), 43_200, 10_080, 'the colour no longer moves'),
          lift(5, 'Look in daylight, picture with a white beside it'),
        ],
        treatment: 'cure',
      }),
    ],
  }),
];

export const RESISTS = RESIST;
export const AFTERWARDS: readonly Method[] = [...PASTE, ...MODIFY, ...IRON, ...REUSE, ...FINISH];
