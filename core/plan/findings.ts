import { wofPctOf } from '../dose/dose';
import { hasProtein, hasWool, type Lot } from '../fibre/lot';
import { knownValue, sumFigures } from '../figure';
import { type Finding, rankFindings } from '../safety/finding';
import {
  doseRule,
  fibreHeatRule,
  fibreRateRule,
  fillRule,
  ironRule,
  liftRule,
  longSimmerRule,
  scaleRule,
  unattendedHeatRule,
  vesselRule,
} from '../safety/rules';
import type { Window } from '../schedule/diary';
import { ASSISTANTS, type AssistantId, DYESTUFFS, isDyestuffId } from '../shelf/substances';
import { printDayClock } from '../time/zone';
import { amountOf, type Home, isHeated, type PlanStep, typicalMin, type Vessel } from './plan';
import { startC } from './resolvePhases';

const ALKALIS: readonly string[] = ['sodaAsh'];
const METAL_SALTS: readonly string[] = ['alum', 'aluminiumAcetate', 'ironSulfate'];

/** Every rule that concerns one planned step, most severe first. A typed reason turns a passable stop into a caution. */
export function stepFindings(
  step: Omit<PlanStep, 'findings'>,
  vessel: Vessel | null,
  lots: readonly Lot[],
  home: Home,
  away: readonly Window[],
  reason: string | undefined,
): Finding[] {
  const at = { stepId: step.id };
  const inVessel = lots.filter((lot) => step.lotIds.includes(lot.id));
  const dryG = knownValue(sumFigures(inVessel.map((lot) => lot.dryWeightG)));
  const heated = step.phases.some(isHeated);
  const targetC = hottestC(step);
  const found: Finding[] = [];
  if (step.fit) {
    found.push(...fillRule(step.fit, targetC, heated, at));
    found.push(...liftRule(step.fit.totalKg, null, at));
  }
  for (const addition of step.additions) {
    const grams = addition.unit === 'g' ? amountOf(addition) : null;
    const pct = wofPctOf(grams, dryG);
    const isAssistant = addition.substance in ASSISTANTS;
    if (isAssistant && pct !== null) {
      const id = addition.substance as AssistantId;
      const onProtein = inVessel.some((lot) => hasProtein(lot.composition));
      found.push(...(id === 'ironSulfate' && onProtein ? ironRule(pct, heated ? heatMin(step) : 0, at) : doseRule(id, pct, at)));
      if (grams !== null && home.scaleG !== null && id === 'ironSulfate') found.push(...scaleRule(grams, home.scaleG, at));
    }
    if (isDyestuffId(addition.substance)) {
      const { caution } = DYESTUFFS[addition.substance];
      if (caution) found.push({ rule: 'R28', severity: caution.severity, text: caution.text, ...at });
    }
  }
  if (vessel) {
    const has = (ids: readonly string[]) => step.additions.some((addition) => ids.includes(addition.substance));
    found.push(...vesselRule(vessel, has(ALKALIS), has(METAL_SALTS), at));
  }
  if (heated && targetC !== null) {
    const wool = inVessel.some((lot) => hasWool(lot.composition));
    const silk = inVessel.some((lot) => lot.composition.some((share) => share.fibre === 'silk'));
    found.push(...fibreHeatRule(targetC, { wool, silk }, at));
    const raise = step.phases.find((phase) => phase.kind === 'raise');
    if (wool && raise?.toC) {
      const fromC = Math.max(40, startC({ liquorStartsWarm: step.kind === 'dye' }));
      const allMin = raise.minutes;
      const span = raise.toC - startC({ liquorStartsWarm: step.kind === 'dye' });
      if (raise.toC > fromC && span > 0) found.push(...fibreRateRule(span / allMin, at));
    }
  }
  if (heated) found.push(...longSimmerRule(heatMin(step), at));
  step.phases.forEach((phase, i) => {
    const window = step.phaseTimes[i];
    if (window && isHeated(phase)) found.push(...unattendedHeatRule(window, away, (ms) => printDayClock(ms, home.diary.zone), at));
  });
  return rankFindings(found.map((finding) => (finding.severity === 'stopUnlessReason' && reason ? { ...finding, severity: 'caution' as const } : finding)));
}

const heatMin = (step: Pick<PlanStep, 'phases'>): number => step.phases.filter(isHeated).reduce((sum, phase) => sum + typicalMin(phase), 0);

function hottestC(step: Pick<PlanStep, 'phases'>): number | null {
  let hottest: number | null = null;
  for (const phase of step.phases) {
    const c = phase.kind === 'hold' ? (phase.bandC?.[1] ?? null) : phase.kind === 'raise' ? phase.toC : null;
    if (c !== null) hottest = Math.max(hottest ?? c, c);
  }
  return hottest;
}
