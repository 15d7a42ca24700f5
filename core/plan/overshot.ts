import { movesPh } from '../chem/freed';
import { type Figure, knownOf, type Span, sumFigures, timesKnown } from '../figure';
import { shelfOf } from '../shelf/library';
import { type ChainItem, type Draft, isStepOf, nextExtraId } from './draft';
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

/** What was logged as put in. */
interface WentIn {
  readonly additionId: string | null;
  readonly substance: string;
  readonly amount: Figure;
  readonly unit: string;
}

/**
 * A bath that went past its aim is poured away and made again in fresh water: its item once more, right behind it, with what a person set
 * for it, and half of the acid or alkali that went in. What was to work in the old bath works in the new one.
 * @param newId of an item that the chain does not have
 */
export function withAgain(draft: Draft, { steps, own }: Pick<Plan, 'steps' | 'own'>, step: PlanStep, newId: string, wentIn: readonly WentIn[]): Draft {
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
  const chain = [...draft.chain.slice(0, at + 1), { ...item, id: newId }, ...later];
  const unitOf = ({ additionId, substance }: WentIn): string | undefined =>
    step.additions.find(({ id }) => id === additionId)?.unit ?? shelfOf(own).assistant(substance)?.unit;
  return withHalf(asBefore({ ...draft, chain }, item.id, newId), `${newId}${step.id.slice(item.id.length)}`, wentIn, unitOf);
}

/** What a person set for the steps of an item stands for those of another that repeats it. */
function asBefore(draft: Draft, itemId: string, newId: string): Draft {
  const copied = <T>(record: Readonly<Record<string, T>> = {}): Record<string, T> => ({
    ...record,
    ...Object.fromEntries(
      Object.entries(record).flatMap(([key, value]) => (key.startsWith(`${itemId}-`) ? [[`${newId}${key.slice(itemId.length)}`, value]] : [])),
    ),
  });
  const { overrules, plantAmounts, extras, lids } = draft;
  return { ...draft, overrules: copied(overrules), plantAmounts: copied(plantAmounts), extras: copied(extras), lids: copied(lids) };
}

/**
 * What moved its pH, by half: in the place of what the step asks for, beside it where its method does not. Left as it is proposed where
 * it was logged in another unit than a plan has it in, or nobody knows how much it was.
 */
function withHalf(draft: Draft, stepId: string, wentIn: readonly WentIn[], unitOf: (one: WentIn) => string | undefined): Draft {
  const overrules: Record<string, number | Span> = { ...draft.overrules };
  let extras = draft.extras?.[stepId] ?? [];
  for (const substance of new Set(wentIn.map((one) => one.substance).filter(movesPh))) {
    const own = wentIn.filter((one) => one.substance === substance);
    const half = timesKnown(knownOf(sumFigures(own.map(({ amount }) => amount))), 0.5);
    if (half === null || half === 0 || own.some((one) => one.unit !== unitOf(one))) continue;
    let id = own.find(({ additionId }) => additionId !== null)?.additionId ?? null;
    if (id === null) {
      id = nextExtraId(extras);
      extras = [...extras, { id, substance, wofPct: null }];
    }
    overrules[`${stepId}/${id}`] = half;
  }
  return { ...draft, overrules, ...(extras.length > 0 ? { extras: { ...draft.extras, [stepId]: extras } } : {}) };
}
