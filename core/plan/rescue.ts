import { type ChainItem, type Draft, isStepOf } from './draft';
import type { Plan, PlanStep } from './plan';

/** The hold that is left, in whole fives, but enough to take. */
const LEAST_BACK_MIN = 15;

/**
 * In mid-bath some lots stay pale: they are mordanted now, and all go back into the same bath for the rest of the hold.
 * Alum: trade handbook section 5, T19 (10 %, 60–90 min).
 * @param step the dyebath that all are lifted out of
 * @param heldMin how long they were in
 * @param newIds two ids that the chain does not have
 */
export function withRescue(
  draft: Draft,
  plan: Pick<Plan, 'steps'>,
  step: PlanStep,
  paleIds: readonly string[],
  heldMin: number,
  newIds: readonly [string, string],
): Draft {
  const at = draft.chain.findIndex((item) => isStepOf(item, step.id));
  const item = draft.chain[at];
  if (!item) return draft;
  const hold = step.phases.find((phase) => phase.kind === 'hold');
  const leftMin = hold ? Math.floor(Math.max(0, hold.minutes.typical - heldMin) / 5) * 5 : LEAST_BACK_MIN;
  const maker = plan.steps.find((one) => one.id === step.bathId);
  const makerItem = maker && draft.chain.find((one) => isStepOf(one, maker.id));
  const [mordantId, backId] = newIds;
  const mordant: ChainItem = {
    id: mordantId,
    methodId: 'alum-rescue',
    params: { alumPct: 10, holdMin: { least: 60, most: 90 } },
    dyestuffId: null,
    lotIds: [...paleIds],
  };
  const back: ChainItem = {
    ...item,
    id: backId,
    params: { ...item.params, holdMin: Math.max(LEAST_BACK_MIN, leftMin) },
    bathFrom: item.bathFrom ?? (makerItem && makerItem.id !== item.id ? [makerItem.id] : null),
  };
  return { ...draft, chain: draft.chain.toSpliced(at + 1, 0, mordant, back) };
}

/** Only a bath that another step made can be gone back to: a jar that makes its own is not begun twice. */
export const canRescue = (step: Pick<PlanStep, 'kind' | 'treatment' | 'bathId' | 'id'>): boolean =>
  step.treatment === 'dye' && step.kind === 'dye' && Boolean(step.bathId) && step.bathId !== step.id;
