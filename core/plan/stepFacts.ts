import { type BathStep, bathAt, bathIdAt } from '../bath/bath';
import { bathPh } from '../bath/bathPh';
import { broughtBy, NO_PAST, type Past, stillIn } from '../bath/past';
import { wofPctOf } from '../dose/dose';
import { hasCellulose, hasProtein, hasSilk, hasWool, type Lot } from '../fibre/lot';
import { knownOf, leastOf, mostOf, sumFigures } from '../figure';
import type { Home } from '../kitchen/home';
import { KEPT_BATH, type Liquor } from '../liquor/liquor';
import { above, atLeast } from '../measure/limits';
import type { Content, StepFacts } from '../safety/facts';
import type { Window } from '../schedule/diary';
import { FORMS, labelForm } from '../shelf/forms';
import type { Shelf } from '../shelf/lookup';
import { labelMissing } from './amounts';
import { COOL_MIN, endsHotC, isHeated, isWait, LOOK_IN_MIN, type Phase, typicalMin } from './phase';
import { tapOf, tapPhOf } from './phGiven';
import { type PlannedAmount, type PlanStep, plannedKnown } from './plan';
import { startC } from './resolvePhases';
import type { Sketch } from './sketched';

/** Heat on and nobody knows how hot: people-hazards are judged as if it boiled. */
export const UNKNOWN_HOT_C = 100;
/** Iron counts its contact at this heat and above: safety handbook R3. */
const IRON_HOT_C = 40;

export type Step = Omit<PlanStep, 'findings'>;

export interface Context {
  readonly steps: readonly Step[];
  readonly sketches: readonly (Pick<Sketch, 'id' | 'vessel' | 'startsWarm' | 'still'> & Partial<Pick<Sketch, 'startsAtC'>>)[];
  readonly lots: readonly Pick<Lot, 'id' | 'composition' | 'dryWeightG'>[];
  readonly home: Home;
  readonly away: readonly Window[];
  readonly shelf: Shelf;
  readonly labels: Readonly<Record<string, string>>;
  readonly reasons: Readonly<Record<string, string>>;
  /** Kept liquors that steps bring out. */
  readonly liquors?: readonly Liquor[];
  /** What other sessions left behind; nothing when left out. */
  readonly past?: Past | undefined;
  /** What really happened at one step, in place of what was planned. */
  readonly seen?: Seen;
}

/** A step as its log tells it. */
export interface Seen {
  /** What went into each step’s bath; a step that nobody began put in nothing. */
  readonly addedIn: (stepId: string) => readonly Content[];
  /** The last strip or meter; null when nobody looked. */
  readonly ph: number | null;
  readonly hottestC: number | null;
}

/** What the rules need to know of one planned step. */
export function factsOf(step: Step, index: number, context: Context): StepFacts {
  const { lots, home } = context;
  const sketch = context.sketches[index];
  const vessel = sketch?.vessel ?? null;
  const goods = lots.filter((lot) => step.lotIds.includes(lot.id));
  const dryG = mostOf(knownOf(sumFigures(goods.map((lot) => lot.dryWeightG))));
  const waterMl = bathMlOf(step);
  const planned = (one: Step): Content[] => plannedIn(one, context);
  const addedIn = (one: BathStep): readonly Content[] => {
    if (context.seen) return context.seen.addedIn(one.id);
    const whole = context.steps.find((other) => other.id === one.id);
    return whole ? planned(whole) : [];
  };
  const contents = addedIn(step);
  const { past = NO_PAST, shelf } = context;
  const bath = bathAt(context.steps, index, addedIn, {
    inVessel: stillIn(past, vessel?.id ?? step.vesselId, step.startMs, shelf),
    onGoods: broughtBy(past, step.lotIds, shelf),
  });
  const heated = step.phases.some(isHeated);
  const fromC = startC({ liquorStartsWarm: sketch?.startsWarm ?? false, startsAtC: sketch?.startsAtC });
  // Setting up and lifting are no contact.
  const contactMin = step.phases.filter((phase) => phase.kind !== 'charge' && phase.kind !== 'lift').reduce((sum, phase) => sum + typicalMin(phase), 0);
  const isIron = bath.inBath.some((content) => content.substance === 'ironSulfate' || content.substance === 'ironLiquor');
  // A bath that a hot step left is hot when this one begins, whatever it does itself.
  const hottest = context.seen?.hottestC ?? hotter(hottestC(step.phases), sketch?.startsAtC ?? null);
  return {
    stepId: step.id,
    kind: step.kind,
    words: wordsOf(step),
    endsHeated: endsHeated(step.phases),
    pouredBoiling: /\bboiling\b/i.test(wordsOf(step)),
    stirEveryMin: stirEveryMin(step.phases),
    contents,
    inBath: bath.inBath,
    lastInVessel: bath.lastInVessel,
    onGoods: bath.onGoods,
    coolFirstMin: step.coolFirstMin ?? 0,
    dryG,
    goodsIn: goods.length > 0,
    dyestuffs: (step.dyestuffIds ?? [step.dyestuffId ?? '']).flatMap((one) => context.shelf.dyestuff(one) ?? []),
    ceilingC: ceilingC(step.phases),
    ironGoodsMixed: MIXED_MATTERS.includes(step.kind) && isMixed(step, index, addedIn, context),
    wool: goods.some((lot) => hasWool(lot.composition)),
    silk: goods.some((lot) => hasSilk(lot.composition)),
    protein: goods.some((lot) => hasProtein(lot.composition)),
    cellulose: goods.some((lot) => hasCellulose(lot.composition)),
    vessel,
    heatSource: home.heatSources.find((source) => source.id === vessel?.heatSourceId) ?? null,
    lid: step.lid,
    still: sketch?.still ?? false,
    waterMl,
    fit: step.fit,
    heated,
    hottestC: hottest,
    startC: fromC,
    rateCPerMin: rateOf(step.phases, fromC),
    heatMin: step.phases.filter(isHeated).reduce((sum, phase) => sum + typicalMin(phase), 0),
    holdMin: step.phases.reduce(
      (sum, phase) => sum + (phase.kind === 'hold' ? Math.max(phase.minutes.typical, phase.minutes.said ? phase.minutes.max : 0) : 0),
      0,
    ),
    checkGapMin: checkGapMin(step.phases),
    heatWindows: step.phases.flatMap((phase, i) => (isHeated(phase) && step.phaseTimes[i] ? [step.phaseTimes[i]] : [])),
    wetMin: step.phases.filter(isWait).reduce((sum, phase) => sum + typicalMin(phase), 0),
    plantIn: contents.some((content) => content.dyestuff !== null) || (step.fit !== null && step.dyestuffId !== null && step.kind === 'solar'),
    ph: context.seen?.ph ?? bathPh(bath.inBath, waterMl, tapOf(home).band.likely, tapPhOf(home).likely),
    alkaliMin: contactMin,
    ironBeforePct: ironBefore(step, index, context),
    ironHotMin:
      isIron && goods.length > 0 && heated && atLeast(hottest ?? UNKNOWN_HOT_C, IRON_HOT_C)
        ? step.phases.filter(isHeated).reduce((sum, phase) => sum + typicalMin(phase), 0)
        : 0,
    comeFromC: comesFromC(step, index, context),
    handC: step.phases.some((phase) => phase.kind === 'dip') ? (heated ? (hottest ?? UNKNOWN_HOT_C) : fromC) : null,
    paste: pasteOf(step, index, context),
    driesSour: driesSour(step, index, contents, context),
    topUpsMin: step.phases.flatMap((phase) => (phase.kind === 'hold' && phase.flipAtMin !== null ? [phase.flipAtMin] : [])),
    home,
    away: context.away,
  };
}

const bathMlOf = (step: Step): number | null => (step.water ? leastOf(plannedKnown(step.water)) : (step.fit?.filledMl ?? null));

/** What a step puts into its bath, as planned. */
function plannedIn(step: Step, { lots, shelf, labels }: Context): Content[] {
  const ids = step.lotIds.length > 0 ? step.lotIds : step.sizedBy;
  // A limit looks at the most that may go in, on the least that it may go to.
  const dryG = leastOf(knownOf(sumFigures(lots.filter((lot) => ids.includes(lot.id)).map((lot) => lot.dryWeightG))));
  const waterMl = bathMlOf(step);
  const all = step.water && step.water.substance !== 'water' && step.water.substance !== KEPT_BATH ? [...step.additions, step.water] : step.additions;
  return asPutIn(
    step,
    all.filter((addition) => addition.substance !== 'water').map((addition) => contentOf(addition, dryG, waterMl, shelf, labels)),
  );
}

/** A paste is no bath of goods: neither a percent of fibre nor grams per litre says anything of it. */
export const asPutIn = (step: Pick<PlanStep, 'kind'>, contents: readonly Content[]): Content[] =>
  step.kind === 'paste' ? contents.map((content) => ({ ...content, wofPct: null, gPerL: null })) : [...contents];

export function contentOf(
  addition: PlannedAmount,
  dryG: number | null,
  bathMl: number | null,
  shelf: Shelf,
  labels: Readonly<Record<string, string>>,
): Content {
  const amount = mostOf(plannedKnown(addition));
  const grams = addition.unit === 'g' ? amount : null;
  const { substance } = addition;
  const label = labelForm(substance, labels[substance]);
  const factor = label?.factor ?? 1;
  // Limits are given in the recipe's form: 32 % burnt alum are 59 % as crystals.
  const recipeG = grams === null ? null : grams / factor;
  const ofRulePct = addition.overruled === null && addition.perDryG !== null ? (addition.perDryG / factor) * 100 : null;
  return {
    substance,
    name: addition.name,
    assistant: shelf.assistant(substance) ?? null,
    dyestuff: shelf.dyestuff(substance) ?? null,
    grams,
    mL: addition.unit === 'mL' ? amount : null,
    // A percentage holds whatever the fibre weighs.
    wofPct: wofPctOf(recipeG, dryG) ?? ofRulePct,
    gPerL: recipeG === null || bathMl === null || bathMl <= 0 ? null : (recipeG / bathMl) * 1000,
    reckonedAs: factor === 1 || label?.strengthPct != null ? null : (FORMS[substance]?.[0]?.label ?? null),
    strengthPct: label?.strengthPct ?? null,
    labelMissing: labelMissing(substance, labels, shelf),
    ...(addition.detail ? { source: addition.detail.source } : {}),
  };
}

const wordsOf = (step: Pick<Step, 'title' | 'phases'>): string =>
  [step.title, ...step.phases.flatMap((phase) => ('act' in phase ? [phase.act] : []))].join('. ');

/** The last part of a step that is not the lifting out. */
const endsHeated = (phases: readonly Phase[]): boolean => {
  const last = phases.findLast((phase) => phase.kind !== 'lift');
  return last !== undefined && isHeated(last);
};

const stirEveryMin = (phases: readonly Phase[]): number | null =>
  phases.reduce<number | null>(
    (least, phase) => (phase.kind === 'hold' && phase.stirEveryMin !== null ? Math.min(least ?? phase.stirEveryMin, phase.stirEveryMin) : least),
    null,
  );

/** The lowest ceiling of a step’s holds; null without one. */
const ceilingC = (phases: readonly Phase[]): number | null =>
  phases.reduce<number | null>(
    (low, phase) => (phase.kind === 'hold' && phase.ceilingC !== null ? Math.min(low ?? phase.ceilingC, phase.ceilingC) : low),
    null,
  );

const hottestC = (phases: readonly Phase[]): number | null => {
  let hottest: number | null = null;
  for (const phase of phases) {
    const c = phase.kind === 'hold' ? (phase.bandC?.[1] ?? null) : phase.kind === 'raise' ? phase.toC : null;
    if (c !== null) hottest = Math.max(hottest ?? c, c);
  }
  return hottest;
};

function rateOf(phases: readonly Phase[], fromC: number): number | null {
  const raise = phases.find((phase) => phase.kind === 'raise');
  if (!raise?.toC || raise.toC <= Math.max(40, fromC)) return null;
  return (raise.toC - fromC) / raise.minutes;
}

/** Longest stretch on the heat that nobody is called to look at: stirring counts, and the stove calls for a look besides. */
function checkGapMin(phases: readonly Phase[]): number {
  let longest = 0;
  for (const phase of phases) {
    if (phase.kind === 'hold') longest = Math.max(longest, Math.min(phase.stirEveryMin ?? Infinity, LOOK_IN_MIN, phase.minutes.typical));
  }
  return longest;
}

/** A shared dyebath over several mordants is a way of working; a shared wetting, scour, mordant or rinse is a mishap. */
const MIXED_MATTERS: readonly PlanStep['kind'][] = ['wetOut', 'scour', 'mordant', 'rinse'];

/** Iron was laid on some of the step’s lots before, and not on the others. */
function isMixed(step: Step, index: number, addedIn: (one: BathStep) => readonly Content[], { steps, past = NO_PAST }: Context): boolean {
  const withIron = new Set([
    ...step.lotIds.filter((id) => past.carried[id]?.ironPct != null),
    ...steps
      .slice(0, index)
      .filter((earlier) => addedIn(earlier).some(({ substance }) => substance === 'ironSulfate' || substance === 'ironLiquor'))
      .flatMap((earlier) => earlier.lotIds),
  ]);
  const carriers = step.lotIds.filter((id) => withIron.has(id)).length;
  return carriers > 0 && carriers < step.lotIds.length;
}

/** Iron laid on the same goods in earlier steps and in sessions before, % WOF: of several lots the most. */
function ironBefore(step: Step, index: number, { steps, lots, past = NO_PAST }: Context): number {
  const brought = Math.max(0, ...step.lotIds.map((id) => past.carried[id]?.ironPct ?? 0));
  return steps.slice(0, index).reduce((sum, earlier) => {
    if (!earlier.lotIds.some((id) => step.lotIds.includes(id))) return sum;
    const dryG = leastOf(knownOf(sumFigures(lots.filter((lot) => earlier.lotIds.includes(lot.id)).map((lot) => lot.dryWeightG))));
    const iron = earlier.additions.filter((addition) => addition.substance === 'ironSulfate' && addition.unit === 'g');
    return sum + iron.reduce((pct, addition) => pct + (wofPctOf(mostOf(plannedKnown(addition)), dryG) ?? 0), 0);
  }, brought);
}

/** Goods that come hot out of another bath: the middle of its band; null when they cooled or went on in the same bath. */
function comesFromC(step: Step, index: number, { steps }: Context): number | null {
  const beforeAt = steps.slice(0, index).findLastIndex((earlier) => earlier.lotIds.some((id) => step.lotIds.includes(id)));
  const before = steps[beforeAt];
  const bathId = bathIdAt(steps, index);
  // On the line or the table there is no bath to meet.
  if (!before || bathId === null || bathIdAt(steps, beforeAt) === bathId) return null;
  if (!above(COOL_MIN, (step.startMs - before.endMs) / 60_000)) return null;
  return endsHotC(before.phases);
}

/** Paste is mixed here, or was painted on the same goods. */
function pasteOf(step: Step, index: number, { steps }: Context): StepFacts['paste'] {
  if (step.kind === 'paste') return 'on';
  const before = steps.slice(0, index).filter((one) => one.lotIds.some((id) => step.lotIds.includes(id)));
  const painted = before.findLastIndex(({ kind }) => kind === 'paste');
  if (painted < 0) return null;
  return before.slice(painted).some(({ kind }) => kind === 'wash') ? 'washedOut' : 'on';
}

/** A sour step whose goods reach the line with no rinse or wash between. */
function driesSour(step: Step, index: number, contents: readonly Content[], { steps }: Context): boolean {
  const sour = contents.some((content) => content.assistant?.group === 'acid' && content.substance !== 'creamOfTartar');
  if (!sour || step.lotIds.length === 0) return false;
  for (const later of steps.slice(index + 1)) {
    if (!later.lotIds.some((id) => step.lotIds.includes(id))) continue;
    if (later.kind === 'rinse' || later.kind === 'wash') return false;
    if (later.kind === 'dry' || later.kind === 'cure') return true;
  }
  return false;
}

const hotter = (a: number | null, b: number | null): number | null => (a === null || b === null ? (a ?? b) : Math.max(a, b));
