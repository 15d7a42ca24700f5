import { type ChainItem, type Draft, isStepOf } from './draft';
import type { PhAim } from './phAim';
import type { Plan, PlanStep } from './plan';

/** Which of the small baths a bath that went past its aim is done in instead: acid where its aim is sour, alkali else. */
const afterBathFor = ({ low, high }: PhAim): string => ((high ?? low ?? 7) <= 7 ? 'mod-acid-after' : 'mod-alkali-after');

const itemOf = (draft: Pick<Draft, 'chain'>, stepId: string): number => draft.chain.findIndex((item) => isStepOf(item, stepId));

/**
 * The goods are lifted out of a bath that went past its aim, and get their acid or alkali in a small bath of its own, right behind it.
 * @param newId of an item that the chain does not have
 */
export function withAfterBath(draft: Draft, { id, lotIds, phAim }: Pick<PlanStep, 'id' | 'lotIds' | 'phAim'>, newId: string): Draft {
  const at = itemOf(draft, id);
  if (at < 0 || !phAim) return draft;
  const { low, high } = phAim;
  const item: ChainItem = { id: newId, methodId: afterBathFor(phAim), params: { phLow: low, phHigh: high }, dyestuffId: null, lotIds: [...lotIds] };
  return { ...draft, chain: draft.chain.toSpliced(at + 1, 0, item) };
}

/** Only a bath with water of its own can be made again by its own step. */
export const canBeginAgain = ({ water, kind }: Pick<PlanStep, 'water' | 'kind'>): boolean => water !== null && kind !== 'reuse';

/**
 * A bath that went past its aim is poured away and made again in fresh water: its item once more, right behind it. What was to work in
 * the old bath works in the new one.
 * @param newId of an item that the chain does not have
 */
export function withAgain(draft: Draft, { steps }: Pick<Plan, 'steps'>, step: PlanStep, newId: string): Draft {
  const at = itemOf(draft, step.id);
  const item = draft.chain[at];
  if (!item || !canBeginAgain(step)) return draft;
  const usesIt = (other: ChainItem): boolean => steps.some((one) => (one.bathId === step.id || one.pouredFrom?.includes(step.id)) && isStepOf(other, one.id));
  const later = draft.chain.slice(at + 1).map((other) => {
    if (!usesIt(other)) return other;
    // Two that were to be poured together still are.
    const from = other.bathFrom && other.bathFrom.length > 0 ? other.bathFrom : [item.id];
    return { ...other, bathFrom: from.map((id) => (id === item.id ? newId : id)) };
  });
  return { ...draft, chain: [...draft.chain.slice(0, at + 1), { ...item, id: newId }, ...later] };
}
