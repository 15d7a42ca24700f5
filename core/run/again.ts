import { figureText, type Known, knownOf, sumFigures, timesKnown } from '../figure';
import { creditedMin } from '../hold/credit';
import { printAmount } from '../measure/print';
import { type AdditionRule, type PhaseTemplate, type Ref, usualParams } from '../method/method';
import type { Draft } from '../plan/draft';
import { amountOf, type Plan, type PlanStep } from '../plan/plan';
import { unreachable } from '../result';
import { labelForm } from '../shelf/forms';
import { shelfOf } from '../shelf/library';
import { actualExtras, actualPlants, isOnShelf } from './againAdditions';
import { sizingG } from './amountNow';
import type { StepClock } from './clock';
import { goesByClock } from './clock';
import type { RunState } from './fold';

/**
 * "Do it again": a new draft that asks for what was really done, scaled to other lots. Doses per gram of fibre and
 * holds are taken from the actuals where they were measured, else they stay as planned; skipped steps drop out.
 */
export function draftAgain(
  plan: Plan,
  state: RunState,
  clocks: Readonly<Record<string, StepClock>>,
  wish: { name: string; startMs: number; lotIds: readonly string[] },
): Draft {
  const chain = plan.draft.chain
    .filter((item) => plan.steps.some((step) => step.id.startsWith(`${item.id}-`) && state.steps[step.id]?.status !== 'skipped'))
    .map((item) => {
      // Items for some lots only are for all of the new ones: nobody can say which of them those stand for.
      const open = { ...item, lotIds: null };
      const method = plan.methods.find((one) => one.id === item.methodId && (!item.methodVersion || one.version === item.methodVersion));
      if (!method) return open;
      let params: Record<string, Known> = { ...usualParams(method), ...item.params };
      for (const template of method.steps) {
        const step = plan.steps.find((s) => s.id === `${item.id}-${template.key}`);
        if (!step) continue;
        params = { ...params, ...actualDoses(step, plan, state, template.additions), ...actualMinutes(clocks[step.id], template.phases) };
      }
      return { ...open, params };
    });
  return {
    name: wish.name,
    startMs: wish.startMs,
    lotIds: wish.lotIds,
    chain,
    vessels: {},
    pins: {},
    reasons: {},
    labels: plan.draft.labels ?? {},
    doseOf: plan.draft.doseOf ?? null,
    plantAmounts: actualPlants(plan, state),
    ...actualExtras(plan, state),
  };
}

/** What went in beyond the plan and is not on the shelf: a new plan has no place for it, so it is told. */
export function beyondPlan(plan: Pick<Plan, 'steps' | 'own'>, state: RunState): string[] {
  const shelf = shelfOf(plan.own);
  return plan.steps.flatMap((step) =>
    (state.steps[step.id]?.additions ?? [])
      .filter((addition) => addition.additionId === null && !isOnShelf(addition.substance, shelf))
      .map(
        ({ substance, amount, unit }) =>
          `${step.title}: ${amount.state === 'unknown' ? '' : `${figureText(amount, (value) => printAmount(value, unit))} `}${shelf.nameOf(substance)}`,
      ),
  );
}

const keyOf = (ref: Ref | null): string | null => (ref === null || typeof ref === 'number' ? null : ref.param);

function actualDoses(step: PlanStep, plan: Plan, state: RunState, rules: readonly AdditionRule[]): Record<string, Known> {
  const doses: Record<string, Known> = {};
  const dryG = sizingG(step, plan, state);
  for (const rule of rules) {
    const logged = state.steps[step.id]?.additions.filter((addition) => addition.additionId === rule.id) ?? [];
    const amount = knownOf(sumFigures(logged.map((addition) => addition.amount)));
    if (logged.length === 0 || amount === null) continue;
    // What was weighed was the product of the label; the rule speaks of the recipe's.
    const factor = labelForm(rule.substance, plan.draft.labels?.[rule.substance])?.factor ?? 1;
    const dose = actualDose(rule, timesKnown(amount, 1 / factor) ?? 0, dryG, litresOf(step, state));
    if (dose) doses[dose.key] = dose.value;
  }
  return doses;
}

/** The parameter that would have asked for this amount; null where a rule has none, or its base is unknown. */
function actualDose(rule: AdditionRule, amount: Known, dryG: number | null, litres: number | null): { key: string; value: Known } | null {
  const per = (ref: Ref, base: number | null, factor: number) => {
    const key = keyOf(ref);
    return key === null || base === null || base === 0 ? null : { key, value: timesKnown(amount, factor / base) };
  };
  switch (rule.rule) {
    case 'wofPct':
      return per(rule.pct, dryG, 100);
    case 'ratio':
      return per(rule.ratio, dryG, 1);
    case 'mLPerL':
    case 'gPerL':
    case 'toPh':
      return per(rule.dose, litres, 1);
    case 'bathPct':
      return per(rule.pct, litres === null ? null : litres * 1000, 100);
    case 'mLPerG':
      return per(rule.dose, dryG, 1);
    case 'perPortion':
    case 'perPiece':
    case 'times':
    case 'byEye':
    case 'blocked':
      return null;
    default:
      return unreachable(rule);
  }
}

function litresOf(step: PlanStep, state: RunState): number | null {
  const read = state.steps[step.id]?.volumeMl.at(-1)?.value;
  const mL = read ?? (step.water ? amountOf(step.water) : null);
  return mL === null ? null : mL / 1000;
}

/** How long each phase with a figure of its own really took: credited minutes of a hold, the clock for the rest. */
function actualMinutes(clock: StepClock | undefined, phases: readonly PhaseTemplate[]): Record<string, number> {
  const minutes: Record<string, number> = {};
  phases.forEach((template, index) => {
    const done = clock?.phases.findLast((entry) => entry.phase.kind === template.kind && (entry.index === index || template.kind === 'hold'));
    const key = keyOf(lengthOf(template));
    if (!done || key === null || done.leftMs === null) return;
    const took = done.credit && !goesByClock(done.credit) ? creditedMin(done.credit) : done.elapsedMin;
    // A dip lives by its seconds, a soak by its minutes.
    const rounded = template.kind === 'dip' ? Math.round(took * 10) / 10 : Math.round(took);
    if (rounded >= (template.kind === 'dip' ? 0.1 : 1)) minutes[key] = rounded;
  });
  return minutes;
}

function lengthOf(template: PhaseTemplate): Ref | null {
  switch (template.kind) {
    case 'hold':
    case 'soak':
    case 'until':
    case 'rest':
      return template.minutes.typical;
    case 'dip':
      return template.exactMin;
    case 'charge':
    case 'raise':
    case 'lift':
      return null;
    default:
      return unreachable(template);
  }
}
