import { fitVessel } from '../dose/fit';
import { home, vessels } from '../plan/plan.fixture';
import { STARTER } from '../shelf/library';
import type { Content, StepFacts } from './facts';

/** A plain cold bath of 3 L on 100 g of wool in a steel pot; tests change what they are about. */
export const facts = (more: Partial<StepFacts> = {}): StepFacts => ({
  stepId: 's',
  kind: 'mordant',
  words: '',
  endsHeated: false,
  pouredBoiling: false,
  stirEveryMin: null,
  contents: [],
  inBath: more.contents ?? [],
  lastInVessel: [],
  paste: null,
  onGoods: [],
  coolFirstMin: 0,
  dryG: 100,
  dyestuffs: [],
  ceilingC: null,
  goodsIn: true,
  ironGoodsMixed: false,
  wool: true,
  silk: false,
  protein: true,
  cellulose: false,
  vessel: vessels[0] ?? null,
  heatSource: home.heatSources[0] ?? null,
  lid: 'resting',
  still: false,
  waterMl: 3000,
  fit: fitVessel({ waterMl: 3000, dryFibreG: 100, plantG: 0, vesselMl: 12_000 }),
  heated: false,
  hottestC: null,
  startC: 15,
  rateCPerMin: null,
  heatMin: 0,
  holdMin: more.heatMin ?? 0,
  checkGapMin: 0,
  heatWindows: [],
  wetMin: 0,
  plantIn: false,
  ph: null,
  alkaliMin: 0,
  ironBeforePct: 0,
  ironHotMin: 0,
  comeFromC: null,
  handC: null,
  driesSour: false,
  topUpsMin: [],
  home,
  away: [],
  ...more,
});

/** Something of the library in a bath; grams give the percent of 100 g of fibre. */
export const content = (substance: string, more: Partial<Content> = {}): Content => ({
  substance,
  name: STARTER.nameOf(substance),
  assistant: STARTER.assistant(substance) ?? null,
  dyestuff: STARTER.dyestuff(substance) ?? null,
  grams: null,
  mL: null,
  wofPct: more.grams ?? null,
  gPerL: null,
  reckonedAs: null,
  strengthPct: null,
  labelMissing: false,
  ...more,
});

/** A vessel of the fixture's kitchen with some things changed. */
export const vesselWith = (more: Partial<NonNullable<StepFacts['vessel']>>): StepFacts['vessel'] => {
  const [first] = vessels;
  if (!first) throw new Error('the fixture has no vessel');
  return { ...first, ...more };
};
