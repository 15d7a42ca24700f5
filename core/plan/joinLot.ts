import { type ChainItem, type Draft, isStepOf, lotsOf } from './draft';
import type { Plan, PlanStep } from './plan';

/**
 * A lot that nobody planned goes into a step that is under way, and goes on with its lots from there. What is over was not done to it: who was
 * in those steps is written down by name.
 * @param step the running step that it goes into
 * @param begun items of the chain of which some step has begun
 */
export function withJoined(draft: Draft, step: Pick<PlanStep, 'id' | 'lotIds'>, begun: ReadonlySet<string>, lotId: string): Draft {
  const at = draft.chain.findIndex((item) => isStepOf(item, step.id));
  const chain = draft.chain.map((item, i): ChainItem => {
    const own = lotsOf(item, draft);
    if (i === at) return { ...item, lotIds: own.includes(lotId) ? own : [...own, lotId] };
    // Where all of them go that it goes with, it goes too; never into what is over or comes before.
    const goesOn = i > at && !begun.has(item.id) && step.lotIds.every((id) => own.includes(id));
    return { ...item, lotIds: goesOn && !own.includes(lotId) ? [...own, lotId] : own };
  });
  return { ...draft, lotIds: draft.lotIds.includes(lotId) ? draft.lotIds : [...draft.lotIds, lotId], chain };
}

/** Other lots are chosen while a run is under way: what has begun keeps those that were in it. */
export const keepingBegun = (next: Draft, before: Draft, begun: ReadonlySet<string>): Draft => ({
  ...next,
  chain: next.chain.map((item) => (begun.has(item.id) && !item.lotIds ? { ...item, lotIds: before.lotIds } : item)),
});

/** By step that both versions have: lots that it did not have before. */
export function joinedLots(next: Pick<Plan, 'steps'>, before: Pick<Plan, 'steps'>): { readonly stepId: string; readonly lotId: string }[] {
  return next.steps.flatMap(({ id: stepId, lotIds }) => {
    const had = before.steps.find((step) => step.id === stepId)?.lotIds;
    return had ? lotIds.filter((lotId) => !had.includes(lotId)).map((lotId) => ({ stepId, lotId })) : [];
  });
}
