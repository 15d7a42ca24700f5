import { knownValue, sumFigures } from '../figure';
import { creditedMin } from '../hold/credit';
import { type AdditionRule, type Ref, usualParams } from '../method/method';
import type { Draft } from '../plan/draft';
import type { Plan, PlanStep } from '../plan/plan';
import { unreachable } from '../result';
import { labelForm } from '../shelf/forms';
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
      let params: Record<string, number | null> = { ...usualParams(method), ...item.params };
      for (const template of method.steps) {
        const step = plan.steps.find((s) => s.id === `${item.id}-${template.key}`);
        if (!step) continue;
        params = { ...params, ...actualDoses(step, plan, state, template.additions), ...actualHold(clocks[step.id], template.phases) };
      }
      return { ...open, params };
    });
  return {
    name: wish.name,
    startMs: wish.startMs,
    lotIds: wish.lotIds,
    chain,
    vessels: {},
    overrules: {},
    pins: {},
    reasons: {},
    labels: plan.draft.labels ?? {},
  };
}

const keyOf = (ref: Ref | null): string | null => (ref === null || typeof ref === 'number' ? null : ref.param);

function actualDoses(step: PlanStep, plan: Plan, state: RunState, rules: readonly AdditionRule[]): Record<string, number> {
  const doses: Record<string, number> = {};
  const dryG = sizingG(step, plan, state);
  for (const rule of rules) {
    const logged = state.steps[step.id]?.additions.filter((addition) => addition.additionId === rule.id) ?? [];
    const amount = knownValue(sumFigures(logged.map((addition) => addition.amount)));
    if (logged.length === 0 || amount === null) continue;
    // What was weighed was the product of the label; the rule speaks of the recipe's.
    const factor = labelForm(rule.substance, plan.draft.labels?.[rule.substance])?.factor ?? 1;
    const dose = actualDose(rule, amount / factor, dryG, litresOf(step, state));
    if (dose) doses[dose.key] = dose.value;
  }
  return doses;
}

/** The parameter that would have asked for this amount; null where a rule has none, or its base is unknown. */
function actualDose(rule: AdditionRule, amount: number, dryG: number | null, litres: number | null): { key: string; value: number } | null {
  const per = (ref: Ref, base: number | null, factor: number) => {
    const key = keyOf(ref);
    return key === null || base === null || base === 0 ? null : { key, value: (amount / base) * factor };
  };
  switch (rule.rule) {
    case 'wofPct':
      return per(rule.pct, dryG, 100);
    case 'ratio':
      return per(rule.ratio, dryG, 1);
    case 'mLPerL':
    case 'gPerL':
      return per(rule.dose, litres, 1);
    case 'bathPct':
      return per(rule.pct, litres === null ? null : litres * 1000, 100);
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
  const mL = read ?? step.water?.overruled ?? step.water?.proposed.result ?? null;
  return mL === null ? null : mL / 1000;
}

function actualHold(clock: StepClock | undefined, phases: readonly { kind: string; minutes?: unknown }[]): Record<string, number> {
  const held = clock?.phases.find((entry) => entry.phase.kind === 'hold');
  const template = phases.find((phase) => phase.kind === 'hold') as { minutes: { typical: Ref } } | undefined;
  const key = keyOf(template?.minutes.typical ?? null);
  if (!held?.credit || key === null || held.leftMs === null) return {};
  const minutes = goesByClock(held.credit) ? held.elapsedMin : creditedMin(held.credit);
  return minutes >= 1 ? { [key]: Math.round(minutes) } : {};
}
