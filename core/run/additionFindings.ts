import { type Figure, knownValue } from '../figure';
import type { AmountUnit } from '../measure/print';
import { contentOf, factsOf } from '../plan/findings';
import type { Plan, PlannedAmount, PlanStep } from '../plan/plan';
import { type Finding, isStop, rankFindings } from '../safety/finding';
import { checkStep } from '../safety/rules/all';
import { shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import type { StepState } from './fold';

export interface Pouring {
  readonly substance: string;
  readonly amount: Figure;
  readonly unit: AmountUnit;
}

/** A name as typed finds what it means on the shelf: "Baking soda" is baking soda. */
export function substanceByName(name: string, shelf: Shelf): string {
  const wanted = name.trim().toLowerCase();
  const known = [...shelf.assistants, ...shelf.dyestuffs].find((one) => one.id.toLowerCase() === wanted || one.name.toLowerCase() === wanted);
  return known?.id ?? name.trim();
}

/**
 * What the rules say before something is poured in: the bath with all that was logged so far and this on top. Only
 * what this changes is said again. It never blocks the record: what has happened is written down whatever it was.
 */
export function additionFindings(plan: Plan, step: PlanStep, state: Pick<StepState, 'additions'>, pouring: Pouring): Finding[] {
  const before = new Set(bathFindings(plan, step, state.additions).map((finding) => finding.text));
  return bathFindings(plan, step, [...state.additions, pouring]).filter((finding) => !before.has(finding.text) && finding.rule !== 'R28');
}

/** What to do now about a bath as it really is: a stop afterwards is advice, not a refusal. */
export const bathNow = (plan: Plan, step: PlanStep, state: Pick<StepState, 'additions'>): Finding[] =>
  bathFindings(plan, step, state.additions).filter((finding) => isStop(finding) && finding.rule !== 'R5' && finding.rule !== 'R12');

function bathFindings(plan: Plan, step: PlanStep, additions: readonly Pouring[]): Finding[] {
  const shelf = shelfOf(plan.own);
  const index = plan.steps.findIndex((one) => one.id === step.id);
  const labels = plan.draft.labels ?? {};
  const context = {
    shelf,
    labels,
    steps: plan.steps,
    home: plan.home,
    away: [],
    reasons: {},
    lots: plan.lots,
    sketches: plan.steps.map((one) => ({
      id: one.id,
      vessel: plan.vessels.find((vessel) => vessel.id === one.vesselId) ?? null,
      startsWarm: one.kind === 'dye',
      still: false,
    })),
  };
  const facts = factsOf(step, index, context);
  const contents = additions.map(({ substance, amount, unit }) =>
    contentOf(asPlanned(substance, amount, unit, shelf), facts.dryG, facts.waterMl, shelf, labels),
  );
  return rankFindings(checkStep({ ...facts, contents, fit: null, heatWindows: [] }, String));
}

const asPlanned = (substance: string, amount: Figure, unit: AmountUnit, shelf: Shelf): PlannedAmount => ({
  id: '',
  substance,
  name: shelf.nameOf(substance),
  unit,
  overruled: knownValue(amount),
  words: null,
  form: null,
  perDryG: null,
  proposed: { formula: '', inputs: [], result: null, unit, source: '', missing: [] },
});
