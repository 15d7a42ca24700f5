import { wofPctOf } from '../dose/dose';
import { hasCellulose, hasProtein, hasSilk, hasWool, type Lot } from '../fibre/lot';
import { knownValue, sumFigures } from '../figure';
import type { Home } from '../kitchen/home';
import type { Content, StepFacts } from '../safety/facts';
import { type Finding, rankFindings } from '../safety/finding';
import { checkStep } from '../safety/rules/all';
import type { Window } from '../schedule/diary';
import { labelForm } from '../shelf/forms';
import type { Shelf } from '../shelf/lookup';
import { printDayClock } from '../time/zone';
import { labelMissing } from './amounts';
import { isHeated, type Phase, typicalMin } from './phase';
import { amountOf, type PlannedAmount, type PlanStep } from './plan';
import { startC } from './resolvePhases';
import type { Sketch } from './sketch';

/** pH that such a bath settles near in plain water: trade handbook section 11 (uncertain); acids from check values D2. */
const SETTLES_NEAR: Readonly<Record<string, number>> = {
  bakingSoda: 8.3,
  chalk: 9,
  washingSoda: 11,
  sodaAsh: 11,
  ammonia: 11,
  slakedLime: 12.4,
  lye: 13,
  citricAcid: 2.6,
  vinegar: 3.2,
  creamOfTartar: 3.6,
};

/** Heat on and nobody knows how hot: people-hazards are judged as if it boiled. */
const UNKNOWN_HOT_C = 100;

type Step = Omit<PlanStep, 'findings'>;

export interface Context {
  readonly steps: readonly Step[];
  readonly sketches: readonly Pick<Sketch, 'id' | 'vessel' | 'startsWarm' | 'still'>[];
  readonly lots: readonly Pick<Lot, 'id' | 'composition' | 'dryWeightG'>[];
  readonly home: Home;
  readonly away: readonly Window[];
  readonly shelf: Shelf;
  readonly labels: Readonly<Record<string, string>>;
  readonly reasons: Readonly<Record<string, string>>;
}

/** Every rule on every step of a plan. A typed reason turns a passable stop into a caution. */
export function planFindings(context: Context): Map<string, Finding[]> {
  const print = (ms: number) => printDayClock(ms, context.home.diary.zone);
  const found = new Map<string, Finding[]>();
  context.steps.forEach((step, i) => {
    const facts = factsOf(step, i, context);
    const findings = [...checkStep(facts, print), ...step.cautions.map((text): Finding => ({ rule: 'method', severity: 'note', text, stepId: step.id }))];
    const reason = context.reasons[step.id];
    found.set(
      step.id,
      rankFindings(
        reason ? findings.map((finding) => (finding.severity === 'stopUnlessReason' ? { ...finding, severity: 'caution' as const } : finding)) : findings,
      ),
    );
  });
  return found;
}

/** What the rules need to know of one planned step. */
export function factsOf(step: Step, index: number, context: Context): StepFacts {
  const { lots, home, shelf, labels } = context;
  const sketch = context.sketches[index];
  const vessel = sketch?.vessel ?? null;
  const goods = lots.filter((lot) => step.lotIds.includes(lot.id));
  const dryG = knownValue(sumFigures(goods.map((lot) => lot.dryWeightG)));
  const sizedG = knownValue(sumFigures(lots.filter((lot) => step.sizedBy.includes(lot.id)).map((lot) => lot.dryWeightG)));
  const waterMl = step.water ? amountOf(step.water) : (step.fit?.filledMl ?? null);
  const contents = step.additions.map((addition) => contentOf(addition, goods.length > 0 ? dryG : sizedG, waterMl, shelf, labels));
  const heated = step.phases.some(isHeated);
  const fromC = startC({ liquorStartsWarm: sketch?.startsWarm ?? false });
  const minutes = step.phases.reduce((sum, phase) => sum + typicalMin(phase), 0);
  const isIron = contents.some((content) => content.substance === 'ironSulfate');
  return {
    stepId: step.id,
    kind: step.kind,
    contents: step.water && step.water.substance !== 'water' ? [...contents, contentOf(step.water, dryG, null, shelf, labels)] : contents,
    dryG,
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
    hottestC: hottestC(step.phases),
    startC: fromC,
    rateCPerMin: rateOf(step.phases, fromC),
    heatMin: step.phases.filter(isHeated).reduce((sum, phase) => sum + typicalMin(phase), 0),
    checkGapMin: checkGapMin(step.phases),
    heatWindows: step.phases.flatMap((phase, i) => (isHeated(phase) && step.phaseTimes[i] ? [step.phaseTimes[i]] : [])),
    wetMin: step.phases
      .filter((phase) => phase.kind === 'soak' || phase.kind === 'until' || phase.kind === 'rest')
      .reduce((sum, phase) => sum + typicalMin(phase), 0),
    plantIn: contents.some((content) => content.dyestuff !== null) || (step.fit !== null && step.dyestuffId !== null && step.kind === 'solar'),
    ph: phOf(contents),
    alkaliMin: minutes,
    ironBeforePct: ironBefore(step, index, context),
    ironHotMin: isIron && heated ? step.phases.filter(isHeated).reduce((sum, phase) => sum + typicalMin(phase), 0) : 0,
    comeFromC: comesFromC(step, index, context),
    handC: step.phases.some((phase) => phase.kind === 'dip') ? (heated ? (hottestC(step.phases) ?? UNKNOWN_HOT_C) : fromC) : null,
    driesSour: driesSour(step, index, contents, context),
    topUpsMin: step.phases.flatMap((phase) => (phase.kind === 'hold' && phase.flipAtMin !== null ? [phase.flipAtMin] : [])),
    home,
    away: context.away,
  };
}

export function contentOf(
  addition: PlannedAmount,
  dryG: number | null,
  bathMl: number | null,
  shelf: Shelf,
  labels: Readonly<Record<string, string>>,
): Content {
  const amount = amountOf(addition);
  const grams = addition.unit === 'g' ? amount : null;
  const { substance } = addition;
  return {
    substance,
    name: addition.name,
    assistant: shelf.assistant(substance) ?? null,
    dyestuff: shelf.dyestuff(substance) ?? null,
    grams,
    mL: addition.unit === 'mL' ? amount : null,
    wofPct: wofPctOf(grams, dryG),
    gPerL: grams === null || bathMl === null || bathMl <= 0 ? null : (grams / bathMl) * 1000,
    strengthPct: labelForm(substance, labels[substance])?.strengthPct ?? null,
    labelMissing: labelMissing(substance, labels, shelf),
  };
}

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

/** Longest stretch on the heat that nobody is called to look at: stirring and turning count as looks. */
function checkGapMin(phases: readonly Phase[]): number {
  let longest = 0;
  for (const phase of phases) {
    if (phase.kind === 'hold') longest = Math.max(longest, Math.min(phase.stirEveryMin ?? Infinity, phase.minutes.typical));
  }
  return longest;
}

/** The pH a bath settles near, where one acid or alkali decides it; null when both are in, or neither. */
function phOf(contents: readonly Content[]): number | null {
  const near = contents.map((content) => SETTLES_NEAR[content.substance]).filter((ph) => ph !== undefined);
  if (near.length === 0 || (near.some((ph) => ph > 7) && near.some((ph) => ph < 7))) return null;
  return near.some((ph) => ph > 7) ? Math.max(...near) : Math.min(...near);
}

/** Iron laid on the same goods in earlier steps, % WOF. */
function ironBefore(step: Step, index: number, { steps, lots }: Context): number {
  return steps.slice(0, index).reduce((sum, earlier) => {
    if (!earlier.lotIds.some((id) => step.lotIds.includes(id))) return sum;
    const dryG = knownValue(sumFigures(lots.filter((lot) => earlier.lotIds.includes(lot.id)).map((lot) => lot.dryWeightG)));
    const iron = earlier.additions.filter((addition) => addition.substance === 'ironSulfate' && addition.unit === 'g');
    return sum + iron.reduce((pct, addition) => pct + (wofPctOf(amountOf(addition), dryG) ?? 0), 0);
  }, 0);
}

/** Goods that come hot out of another bath: the middle of its band; null when they cooled or went on in the same bath. */
function comesFromC(step: Step, index: number, { steps }: Context): number | null {
  const before = steps.slice(0, index).findLast((earlier) => earlier.lotIds.some((id) => step.lotIds.includes(id)));
  if (!before || step.phases.every((phase) => phase.kind === 'soak') || step.water === null) return null;
  const last = before.phases.findLastIndex(isHeated);
  const hold = before.phases[last];
  if (last < 0 || hold?.kind !== 'hold' || hold.bandC === null) return null;
  const cooled = before.phases.slice(last + 1).some((phase) => phase.kind === 'rest' || phase.kind === 'soak');
  return cooled ? null : (hold.bandC[0] + hold.bandC[1]) / 2;
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
