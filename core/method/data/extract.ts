import type { Method, PhaseTemplate, StepTemplate } from '../method';
import { at, charge, heat, hold, lift, method, p, perG, phAim, phParams, raise, rateParam, soak, step, waterParam } from './build';

/** Extraction and straining. Figures: trade handbook section 6 (common practice, no source). */

const ratioParam = (label: string, usual: number | null) => p('ratio', label, ': 1', usual, 0.01, 50);
const stirParam = (usual: number) => p('stirEveryMin', 'stir every', 'min', usual, 1, 240);

const bath = (phases: readonly PhaseTemplate[], more: Partial<StepTemplate> = {}): StepTemplate =>
  step({
    key: 'extract',
    kind: 'extract',
    title: 'Extract',
    where: 'heated',
    lots: 'sizeOnly',
    liquor: 'makes',
    bath: perG,
    additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }],
    phases,
    lookFor: 'The bath darkens; darker is stronger.',
    lid: 'resting',
    ...more,
  });

const simmered = (fields: {
  id: string;
  name: string;
  school: string;
  why: string;
  form: Method['form'];
  ratio: readonly [string, number | null];
  act: string;
  hold: Parameters<typeof heat>;
  stir?: number;
  cautions?: readonly string[];
  additions?: StepTemplate['additions'];
  params?: Method['params'];
  phAim?: StepTemplate['phAim'];
  gently?: boolean;
  /** Stands in its water so long before the heat, min. */
  soakFirstMin?: number;
}): Method =>
  method({
    id: fields.id,
    name: fields.name,
    stage: 'extract',
    school: fields.school,
    why: fields.why,
    needsDyestuff: true,
    form: fields.form,
    params: [
      ratioParam(...fields.ratio),
      waterParam(30),
      ...heat(...fields.hold),
      stirParam(fields.stir ?? 30),
      ...(fields.gently ? [rateParam] : []),
      ...(fields.soakFirstMin === undefined ? [] : [p('soakMin', 'soak first', 'min', fields.soakFirstMin, 30, 1440)]),
      ...(fields.params ?? []),
    ],
    steps: [
      bath(
        [
          charge(20, fields.act),
          ...(fields.soakFirstMin === undefined ? [] : [soak(30, at('soakMin'), 1440)]),
          raise(fields.gently ?? false),
          hold(at('stirEveryMin')),
        ],
        {
          additions: [{ id: 'dyestuff', substance: 'dyestuff', rule: 'ratio', ratio: at('ratio') }, ...(fields.additions ?? [])],
          ...(fields.phAim ? { phAim: fields.phAim } : {}),
        },
      ),
    ],
    cautions: fields.cautions ?? [],
  });

export const EXTRACT: readonly Method[] = [
  simmered({
    id: 'extract-fresh',
    name: 'Extract, soft fresh leaf',
    school: 'Chop, 70–80 °C, one hour; fresh 10 : 1',
    why: 'Fresh leaf is mostly water; ten times the fibre’s weight is the usual start. Chopping breaks the waxy skin.',
    form: 'fresh',
    ratio: ['fresh leaf to fibre', 10],
    act: 'Chop, weigh and cover with water, an inch (25 mm) over',
    hold: [70, 80, 82.2, 60, 'practice', 1440, 'practice'],
  }),
  simmered({
    id: 'extract-dried',
    name: 'Extract, dried leaf',
    school: 'Dried 1 : 1',
    why: 'Drying leaves a tenth of the weight and most of the colour.',
    form: 'dried',
    ratio: ['dried leaf to fibre', 1],
    act: 'Crumble, weigh and cover with water',
    hold: [70, 80, 82.2, 60, 'practice', 1440, 'practice'],
  }),
  simmered({
    id: 'extract-waxy',
    name: 'Extract, waxy leaf',
    school: 'Rough chop, 6–8 h simmer',
    why: 'A waxy skin lets go slowly. Somebody has to be home and awake all the while.',
    form: 'fresh',
    ratio: ['fresh leaf to fibre', 10],
    act: 'Chop roughly, weigh and cover with water',
    hold: [75, 90, 95, 420],
    stir: 20,
    cautions: ['Look in every 20 min and top up with hot water; note what you added.'],
  }),
  simmered({
    id: 'extract-unknown',
    name: 'Extract, a plant you do not know',
    school: 'Never above 82.2 °C (180 °F)',
    why: 'Many colours brown with heat; a ceiling costs little until the plant is known.',
    form: 'fresh',
    ratio: ['plant to fibre', 10],
    act: 'Chop, weigh and cover with water',
    hold: [70, 80, 82.2, 60, 'practice', 1440, 'practice'],
  }),
  simmered({
    id: 'extract-root',
    name: 'Extract, madder and its kin',
    school: 'Never above 65.6 °C (150 °F)',
    why: 'Above the ceiling the red goes brown and does not come back.',
    form: 'dried',
    ratio: ['root to fibre', null],
    act: 'Weigh the chips and cover with water',
    hold: [55, 63, 65.6, 60],
    stir: 15,
  }),
  simmered({
    id: 'extract-blossom',
    name: 'Extract, dried blossom in a double boiler',
    school: 'Fine chop, pH 4–5, 60 min; dried 2 : 1',
    why: 'A jar in a pan of water gives the gentlest hold, and a little acid keeps the colour.',
    form: 'dried',
    ratio: ['dried blossom to fibre', 2],
    act: 'Chop finely, weigh, cover with water; measure the pH, then add vinegar in eighths of a teaspoon',
    hold: [70, 80, 85, 60],
    stir: 15,
    gently: true,
    params: [p('acidMlPerL', 'vinegar, where no pH is set', 'mL/L', null, 0, 20), ...phParams(4, 5)],
    phAim,
    additions: [{ id: 'vinegar', substance: 'vinegar', rule: 'toPh', per: 'mLPerL', dose: at('acidMlPerL') }],
    cautions: ['Measure the pH before, after each addition, and once the goods are in.'],
  }),
  simmered({
    id: 'extract-hard',
    name: 'Extract, cones, shells and chips',
    school: 'Hammer or whole, about 4 h medium',
    why: 'Hard matter gives slowly. Crushed gives more than whole.',
    form: null,
    ratio: ['matter to fibre', null],
    act: 'Hammer or leave whole, weigh dry, cover with water',
    hold: [75, 90, 98, 240],
    stir: 30,
  }),
  simmered({
    id: 'extract-hull',
    name: 'Extract, nut hulls',
    school: 'About 45 min at a boil',
    why: 'Hulls stand a boil, with no fibre in the pot. Crushed gives more.',
    form: null,
    ratio: ['hulls to fibre', 5],
    act: 'Crush or leave whole, weigh, cover with water',
    hold: [95, 100, 102, 45, 'practice', 1440, 'practice'],
    stir: 15,
    cautions: ['A boil foams: keep the pot at most three quarters full.'],
  }),
  simmered({
    id: 'extract-skins',
    name: 'Extract, onion skins',
    school: '2–6 h medium-low',
    why: 'Skins give for hours; fresh ones revive an old bath.',
    form: 'dried',
    ratio: ['skins to fibre', null],
    act: 'Take stickers off, weigh, push under water',
    hold: [70, 85, 95, 180],
  }),
  simmered({
    id: 'extract-coffee',
    name: 'Extract, coffee grounds',
    school: '30 min is enough',
    why: 'Grounds give their brown quickly; fresh ones more than spent.',
    form: null,
    ratio: ['grounds to fibre', null],
    act: 'Weigh the grounds into a bag, cover with water',
    hold: [75, 90, 95, 30],
    stir: 10,
  }),
  simmered({
    id: 'extract-pits',
    name: 'Extract, pits and rinds',
    school: 'Cut, over 60 min simmer; pits used 2–3 times',
    why: 'A simmer keeps avocado pink; a boil browns it. Pits keep frozen.',
    form: null,
    ratio: ['pits to fibre', null],
    act: 'Cut up, weigh, cover with water',
    hold: [70, 85, 90, 75],
    stir: 30,
    cautions: ['Stop after the third use.'],
  }),
  simmered({
    id: 'extract-gall',
    name: 'Extract, oak gall and bark',
    school: 'Broken, soaked 2 h, then simmered',
    why: 'The soak opens it; weak baths give greys with iron, strong ones black.',
    form: null,
    ratio: ['gall to fibre', null],
    act: 'Break it small, cover with water',
    soakFirstMin: 120,
    hold: [75, 90, 95, 60],
  }),
  simmered({
    id: 'extract-general',
    name: 'Extract, long and low',
    school: '2–6 h, low to medium',
    why: 'For what nobody has a figure for: low heat and patience.',
    form: null,
    ratio: ['matter to fibre', null],
    act: 'Chop, weigh, cover with water',
    hold: [65, 80, 85, 240],
  }),
  method({
    id: 'extract-draws',
    name: 'Extract, several short heats',
    stage: 'extract',
    school: 'Four short strong heats, drawn off and blended',
    why: 'Each heat draws what the last one left; blended they are one master pot. Never compare a first draw with a second as if they were equal.',
    needsDyestuff: true,
    form: 'dried',
    params: [ratioParam('insect to fibre', null), waterParam(30), ...heat(85, 98, 100, 15, 'estimate')],
    steps: [1, 2, 3, 4].map((draw) =>
      bath(
        [
          charge(draw === 1 ? 20 : 10, draw === 1 ? 'Grind, weigh, cover with a quarter of the water' : 'Another quarter of the water onto the same matter'),
          raise(false),
          hold(null),
          lift(5, draw === 4 ? 'Strain; blend all draws' : 'Strain off into the master pot'),
        ],
        {
          key: `draw${draw}`,
          title: `Draw ${draw}`,
          where: draw === 1 ? 'heated' : 'same',
          liquor: draw === 1 ? 'makes' : 'keeps',
          ...(draw === 1 ? {} : { bath: null, additions: [] }),
          lookFor: 'Each draw is paler than the one before.',
        },
      ),
    ),
    cautions: ['Grind with a mask on; the dust can start an allergy.'],
  }),
  method({
    id: 'extract-cold',
    name: 'Extract, cold soak',
    stage: 'extract',
    school: 'Cold water overnight',
    why: 'Flower and bean colours go brown or grey with heat; water alone takes them out overnight.',
    needsDyestuff: true,
    params: [ratioParam('matter to fibre', 2), waterParam(20), p('soakMin', 'soak', 'min', 600, 120, 2880)],
    steps: [
      bath([charge(10, 'Weigh, cover with cold water'), soak(480, at('soakMin'), 1440, 480), lift(10, 'Strain')], {
        where: 'jar',
        lookFor: 'The water is deep coloured; beans float their colour off.',
        lid: 'vented',
      }),
    ],
    cautions: ['Beans that shared a jar with goods or additives are waste, not food.'],
  }),
  method({
    id: 'extract-tea',
    name: 'Extract, steeped in boiling water',
    stage: 'extract',
    school: 'Boiling water poured over, cooling',
    why: 'Tea and tea flowers need no pot on the heat; cooling in draws more.',
    needsDyestuff: true,
    form: 'dried',
    params: [ratioParam('flowers to fibre', null), waterParam(20), p('steepMin', 'steep', 'min', 20, 3, 720, 'estimate')],
    steps: [
      bath([charge(10, 'Weigh, pour boiling water over'), soak(3, at('steepMin'), 720, null), lift(5, 'Strain')], {
        where: 'any',
        lookFor: 'As dark as it gets by looking through it.',
        lid: 'resting',
      }),
    ],
  }),
  method({
    id: 'extract-together',
    name: 'Extract with the fibre in',
    stage: 'extract',
    school: 'Together, 45 min to 3 h',
    why: 'With some petals the order is what decides: together gives blue, petals first gives turquoise. Bits tangle in yarn and mark where they touch.',
    needsDyestuff: true,
    form: 'fresh',
    params: [ratioParam('plant to fibre', 10), waterParam(30), ...heat(60, 70, 80, 90), stirParam(15), rateParam],
    steps: [
      bath(
        [
          charge(20, 'Wet goods and plant in together, cover with water'),
          raise(true),
          hold(at('stirEveryMin'), 30),
          lift(10, 'Heat off. Lift the goods out of the plant'),
        ],
        {
          key: 'dye',
          kind: 'dye',
          title: 'Dye together',
          lots: 'in',
          lookFor: 'Darker spots where plant touches the goods; push it aside or leave it on purpose.',
          treatment: 'dye',
        },
      ),
    ],
  }),
  method({
    id: 'strain',
    name: 'Strain',
    stage: 'strain',
    school: 'Sieve or cloth',
    why: 'Bits left in tangle in yarn and mark where they touch.',
    steps: [
      step({
        key: 'strain',
        kind: 'strain',
        title: 'Strain',
        where: 'same',
        lots: 'sizeOnly',
        liquor: 'keeps',
        phases: [charge(10, 'Heat off. Strain, clean the pot, put the liquor back')],
      }),
    ],
  }),
  method({
    id: 'bag-in',
    name: 'Leave it in, bagged',
    stage: 'strain',
    school: 'Plant in a mesh bag, left in with the goods',
    why: 'More colour than a strained bath, without the tangle. The bag lifts out without decanting.',
    steps: [
      step({
        key: 'bag',
        kind: 'strain',
        title: 'Bag the plant',
        where: 'same',
        lots: 'sizeOnly',
        liquor: 'keeps',
        phases: [charge(10, 'Tie the plant into a fine mesh bag, back into the liquor')],
      }),
    ],
  }),
];
