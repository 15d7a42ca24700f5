import type { AdditionRule, Method } from '../method';
import { at, charge, lift, method, p, perG, rest, step, until } from './build';

/** Quick dips: trays, blotches, cups. Figures: trade handbook sections 7-10 (common practice, no source). */

interface CupFields extends Pick<Method, 'id' | 'name' | 'school' | 'needsDyestuff'> {
  readonly title: string;
  readonly first: string;
  readonly params: Method['params'];
  readonly matter: AdditionRule;
}

/** A cup for each small piece, boiled in an appliance that nobody cooks with (safety handbook X19). */
const cup = ({ id, name, school, title, first, params, matter, needsDyestuff }: CupFields): Method =>
  method({
    id,
    name,
    stage: 'dip',
    school,
    why: 'For a few grams of wool: the boil is short, and it cools in the cup.',
    needsDyestuff,
    params: [
      p('cupG', 'a cup is for', 'g', 4, 0.5, 100),
      p('cupMl', 'water in a cup', 'mL', 236.6, 50, 1000),
      ...params,
      p('vinegarMlPerCup', 'vinegar to a cup', 'mL', 4.93, 0, 100),
      p('boilMin', 'to the boil, about', 'min', 3, 0.5, 15),
    ],
    steps: [
      step({
        key: 'dip',
        kind: 'dip',
        title,
        where: 'microwave',
        bath: { mLPerPortion: at('cupMl'), portionG: at('cupG') },
        additions: [matter, { id: 'vinegar', substance: 'vinegar', rule: 'perPortion', portionG: at('cupG'), dose: at('vinegarMlPerCup'), unit: 'mL' }],
        phases: [
          charge(5, first),
          {
            kind: 'hold',
            lowC: null,
            highC: null,
            ceilingC: null,
            minutes: { min: at('boilMin'), typical: at('boilMin'), max: at('boilMin') },
            stirEveryMin: null,
            flipAtMin: null,
            tap: 'It boils',
          },
          rest(30, 60, 720),
          lift(5, 'Lukewarm wash, a little mild soap'),
        ],
        treatment: 'dye',
        still: true,
      }),
    ],
    cautions: ['Watch for the boil-over; no metal in it; keep cup and oven for this afterwards.'],
  });

const bags = { id: 'bags', substance: 'teaBlack', rule: 'perPiece', count: at('bagsPerPiece') } as const;
const bagsParam = p('bagsPerPiece', 'tea bags a piece', 'bags', 1, 0.1, 20);
export const DIP: readonly Method[] = [
  method({
    id: 'tea-even',
    name: 'Tea dip, even',
    stage: 'dip',
    school: 'Flat tray, water to cover, cloth under in one go',
    why: 'A tray larger than the cloth on a level table colours evenly. Even first: blotches can be added later, not taken away.',
    params: [
      bagsParam,
      p('waterMlPerG', 'water per gram of cloth', 'mL/g', 40, 5, 200, 'estimate'),
      p('dipMin', 'in the tray, about', 'min', 10, 0.5, 240, 'estimate'),
    ],
    steps: [
      step({
        key: 'dip',
        kind: 'dip',
        title: 'Tea dip',
        where: 'tray',
        bath: perG,
        additions: [bags],
        phases: [
          charge(10, 'Boiling water on the bag in the tray; swish and press with tongs'),
          until(0.5, at('dipMin'), 240, 5, 'the colour is right, allowing for drying'),
          lift(3, 'Lift flat. Rinse or not: both are done'),
        ],
        lookFor: 'Compare dry with dry.',
        treatment: 'dye',
      }),
    ],
  }),
  method({
    id: 'tea-blotch',
    name: 'Tea, blotched',
    stage: 'dip',
    school: 'Nearly no liquid, the bag pressed on',
    why: 'Too much water washes the blotch away. It takes trials: pour off, second bag.',
    params: [bagsParam, p('dipMin', 'pressing, about', 'min', 10, 1, 120, 'estimate')],
    steps: [
      step({
        key: 'dip',
        kind: 'dip',
        title: 'Tea blotches',
        where: 'tray',
        liquor: 'none',
        additions: [bags],
        phases: [charge(at('dipMin'), 'Press the wet bag on where it should mark'), lift(3, 'Dry flat, about an hour')],
        lookFor: 'Pale blotches dry fainter.',
        treatment: 'dye',
      }),
    ],
  }),
  cup({
    id: 'tea-microwave',
    name: 'Tea, in a cup by microwave',
    school: 'Bag, boiling water, a teaspoon of vinegar, to a boil',
    title: 'Tea in the microwave',
    first: 'Boiling water on the bag, vinegar, wool in',
    params: [p('bagsPerCup', 'bags to a cup', 'bags', 1, 0, 20)],
    matter: { id: 'bags', substance: 'teaBlack', rule: 'perPortion', portionG: at('cupG'), dose: at('bagsPerCup'), unit: 'piece' },
    needsDyestuff: false,
  }),
  cup({
    id: 'plant-microwave',
    name: 'A plant, in a cup by microwave',
    school: 'Plant, boiling water, a teaspoon of vinegar, to a boil',
    title: 'Plant in the microwave',
    first: 'Boiling water on the plant, vinegar, wool in',
    // No figure is in use: by eye.
    params: [p('ratio', 'plant to fibre', ': 1', null, 0.01, 50)],
    matter: { id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') },
    needsDyestuff: true,
  }),
];
