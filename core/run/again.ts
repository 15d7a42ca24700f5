import { knownValue, sumFigures } from '../figure';
import { creditedMin } from '../hold/credit';
import { methodById } from '../method/library';
import { type Ref, usualParams } from '../method/method';
import type { Draft, Plan, PlanStep } from '../plan/plan';
import type { StepClock } from './clock';
import { goesByClock } from './clock';
import type { RunState } from './fold';
import { weightOf } from './treatments';

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
      const method = methodById(item.methodId);
      if (!method) return item;
      let params: Record<string, number | null> = { ...usualParams(method), ...item.params };
      for (const template of method.steps) {
        const step = plan.steps.find((s) => s.id === `${item.id}-${template.key}`);
        if (!step) continue;
        params = { ...params, ...actualDoses(step, plan, state, template.additions), ...actualHold(clocks[step.id], template.phases) };
      }
      return { ...item, params };
    });
  return { name: wish.name, startMs: wish.startMs, lotIds: wish.lotIds, chain, vessels: {}, overrules: {}, pins: {}, reasons: {} };
}

const keyOf = (ref: Ref | null): string | null => (ref === null || typeof ref === 'number' ? null : ref.param);

function actualDoses(
  step: PlanStep,
  plan: Plan,
  state: RunState,
  rules: readonly ({ id: string; rule: 'wofPct'; pct: Ref } | { id: string; rule: 'ratio'; ratio: Ref } | { id: string; rule: 'mLPerL'; dose: Ref })[],
): Record<string, number> {
  const doses: Record<string, number> = {};
  // An extraction is sized by the lots it is for, though they are not in the pot.
  const lotIds = step.lotIds.length > 0 ? step.lotIds : plan.lots.map((lot) => lot.id);
  const dryG = knownValue(sumFigures(lotIds.map((id) => weightOf(plan, state, id))));
  for (const rule of rules) {
    const logged = state.steps[step.id]?.additions.filter((addition) => addition.additionId === rule.id) ?? [];
    const amount = knownValue(sumFigures(logged.map((addition) => addition.amount)));
    if (logged.length === 0 || amount === null) continue;
    const key = keyOf(rule.rule === 'wofPct' ? rule.pct : rule.rule === 'ratio' ? rule.ratio : rule.dose);
    const base = rule.rule === 'mLPerL' ? litresOf(step, state) : dryG;
    if (key === null || base === null || base === 0) continue;
    doses[key] = rule.rule === 'wofPct' ? (amount / base) * 100 : amount / base;
  }
  return doses;
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
