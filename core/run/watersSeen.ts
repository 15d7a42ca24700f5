import type { Band } from '../chem/band';
import { isLiquid, isSlow, movesPh } from '../chem/freed';
import { alkalinityBy } from '../chem/learnWater';
import { knownValue } from '../figure';
import { productFactor, strengthOf } from '../plan/phGiven';
import { amountOf, type Plan, type PlanStep } from '../plan/plan';
import type { RunState, StepState } from './fold';

/**
 * What the strips of a run say of the tap: from each bath of plain water that was made sour by weighed or measured acid, read before any goods
 * were in it, of a label that is known.
 */
export const watersSeen = (plan: Pick<Plan, 'steps' | 'labels' | 'draft'>, state: RunState): Band[] =>
  plan.steps.flatMap((step) => {
    const own = state.steps[step.id];
    return (own && waterOf(step, own, plan)) ?? [];
  });

function waterOf(step: PlanStep, own: StepState, plan: Pick<Plan, 'labels' | 'draft'>): Band | null {
  if (step.kind !== 'modifier' || step.water?.substance !== 'water') return null;
  const goodsInMs = own.entered.find(({ phaseIndex }) => step.phases[phaseIndex]?.kind !== 'charge')?.atMs ?? Number.POSITIVE_INFINITY;
  const read = own.ph.find(({ atMs }) => atMs <= goodsInMs && own.additions.some((addition) => addition.atMs < atMs));
  if (!read) return null;
  const before = own.additions.filter(({ atMs }) => atMs < read.atMs);
  const added = before.flatMap(({ substance, amount, unit }) => {
    const said = knownValue(amount);
    const strength = strengthOf(substance, plan);
    // A guess, a label that nobody read, or what had not dissolved yet would teach a water that is none.
    const isSure = said !== null && amount.state === 'measured' && movesPh(substance) && !isSlow(substance) && unit === (isLiquid(substance) ? 'mL' : 'g');
    return isSure && strength.low === strength.high ? [{ substance, amount: said / productFactor(substance, plan).likely, strengthPct: strength.likely }] : [];
  });
  const volumeMl = own.volumeMl.findLast(({ atMs }) => atMs <= read.atMs)?.value ?? amountOf(step.water);
  return added.length < before.length || volumeMl === null ? null : alkalinityBy(volumeMl, added, read.value);
}
