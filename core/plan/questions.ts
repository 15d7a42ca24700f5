import type { Share } from '../fibre/fibre';
import { hasCellulose, hasProtein, type Lot } from '../fibre/lot';
import type { Certainty } from '../fibre/passport';
import type { Shelf } from '../shelf/lookup';
import { type ChainItem, type Draft, isStepOf, type MordantAnswer } from './draft';
import type { MordantQuestion, PlanStep } from './plan';

type Step = Pick<PlanStep, 'id' | 'lotIds' | 'treatment' | 'dyestuffId' | 'dyestuffIds' | 'part' | 'additions'>;

/** What a lot's mordant is by the time of each step, as this plan changes it: nothing believed ever turns into known. */
export function mordantBefore(steps: readonly Step[], lotId: string, first: Certainty): Map<string, Certainty> {
  const before = new Map<string, Certainty>();
  let state = first;
  for (const step of steps) {
    if (!step.lotIds.includes(lotId)) continue;
    before.set(step.id, state);
    if (step.part) continue;
    if (step.treatment === 'mordant' || step.treatment === 'iron') state = 'known';
    else if (step.treatment === 'noMordant' && state !== 'known') state = 'noneOnPurpose';
  }
  return before;
}

/** One question a lot: at the first dyebath that wants a mordant the lot may not have. */
export function mordantQuestions(
  steps: readonly Step[],
  lots: readonly Pick<Lot, 'id' | 'name'>[],
  mordants: Readonly<Record<string, Certainty>>,
  answers: Readonly<Record<string, MordantAnswer>>,
  shelf: Shelf,
): MordantQuestion[] {
  return lots.flatMap((lot) => {
    const before = mordantBefore(steps, lot.id, mordants[lot.id] ?? 'unknown');
    for (const step of steps) {
      const state = before.get(step.id);
      if (step.treatment !== 'dye' || (state !== 'believed' && state !== 'unknown')) continue;
      // A tea or a bundle names its dye in what goes in; where nobody chose one yet, there is nothing to ask about.
      const ids = [step.dyestuffId ?? '', ...(step.dyestuffIds ?? []), ...step.additions.map((addition) => addition.substance)];
      const dyestuff = ids.flatMap((id) => shelf.dyestuff(id) ?? []).find((one) => one.mordant !== 'substantive' && one.mordant !== 'vat');
      if (!dyestuff) continue;
      const { name } = dyestuff;
      return [
        {
          lotId: lot.id,
          stepId: step.id,
          state,
          ifMordanted: `The dye (${name}) takes at once and holds: ${dyestuff.colour.text}. A second mordant would only harshen it.`,
          ifNot:
            dyestuff.mordant === 'helps'
              ? `The dye (${name}) still colours, paler and less fast.`
              : `It stays pale in the first minutes and washes out later. The time and the dye (${name}) are gone.`,
          answer: answers[lot.id] ?? null,
        },
      ];
    }
    return [];
  });
}

export const ANSWER_SAYS: Readonly<Record<MordantAnswer, { readonly label: string; readonly does: string }>> = {
  testStrip: {
    label: 'Test strip first',
    does: 'Adds a quarter of an hour: a snippet of it beside a mordanted one in the warm bath. Pale means not mordanted.',
  },
  lookEarly: {
    label: 'Look after 15 min',
    does: 'Calls for a look early in the hold. Unmordanted yarn stays pale beside a coloured one: lift it and mordant.',
  },
  mordantAnyway: { label: 'Mordant it anyway', does: 'Puts a mordant for this lot before the dyebath.' },
  goOn: { label: 'Go on, it may be pale', does: 'Nothing is added; the record keeps that nobody was sure.' },
};

/** Minutes into the hold at which an early look is worth an hour (trade handbook section 7, uncertain). */
export const LOOK_EARLY_MIN = 15;

/** The usual mordant for a fibre: alum for hair and silk, aluminium acetate for plant fibre alone. */
export const usualMordant = (composition: readonly Share[]): string => (hasCellulose(composition) && !hasProtein(composition) ? 'al-acetate' : 'alum-10');

/** The draft with a mordant for one lot put in before the dyebath that asked. */
export function withMordant(draft: Draft, question: Pick<MordantQuestion, 'lotId' | 'stepId'>, methodId: string, itemId: string): Draft {
  const at = draft.chain.findIndex((item) => isStepOf(item, question.stepId));
  const item: ChainItem = { id: itemId, methodId, params: {}, dyestuffId: null, lotIds: [question.lotId] };
  const { [question.lotId]: _answered, ...answers } = draft.answers ?? {};
  return { ...draft, answers, chain: draft.chain.toSpliced(Math.max(0, at), 0, item) };
}
