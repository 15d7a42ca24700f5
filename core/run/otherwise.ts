import type { Printer } from '../measure/printer';
import { isHeated } from '../plan/phase';
import type { Plan, PlanStep } from '../plan/plan';
import type { StepClock } from './clock';
import type { RunFact } from './events';
import type { RunState } from './fold';
import type { HeatNow } from './heatNow';

/** What can go otherwise than planned: some of it is seen by itself, some a person has to say. */
const SAID_TROUBLES = ['boiledOver', 'nothingTakes', 'missing', 'forgotten'] as const;
export type SaidTrouble = (typeof SAID_TROUBLES)[number];
export type SeenTrouble = 'late' | 'tooHot' | 'bedtime' | 'control' | 'school';

type Where = Pick<PlanStep, 'phases' | 'treatment' | 'lotIds' | 'additions'>;
const MAY_BE: Readonly<Record<SaidTrouble, (step: Where) => boolean>> = {
  boiledOver: ({ phases }) => phases.some(isHeated),
  nothingTakes: ({ lotIds, treatment }) => lotIds.length > 0 && (treatment === 'dye' || treatment === 'iron' || treatment === 'modifier'),
  missing: ({ additions }) => additions.length > 0,
  forgotten: () => true,
};

/** What can go otherwise there: only what is heated boils over, only what is put on fibre does not take. */
export const troublesAt = (step: Where): SaidTrouble[] => SAID_TROUBLES.filter((trouble) => MAY_BE[trouble](step));

/** Said as a dyer would say it. */
export const TROUBLE_WORDS: Readonly<Record<SaidTrouble, string>> = {
  boiledOver: 'It boiled over',
  nothingTakes: 'Nothing takes',
  missing: 'Something is missing',
  forgotten: 'It was forgotten',
};

/** One thing that can be done, with its price in words. */
export interface Choice {
  readonly title: string;
  readonly price: string;
  readonly does:
    | { readonly log: readonly RunFact[] }
    /** The rest is fitted anew, for this reason. */
    | { readonly replan: string }
    /** A small form is filled first. */
    | { readonly ask: 'ph' | 'addition' | 'move' | 'pause' }
    /** All of it is lifted, mordanted and goes back. */
    | { readonly rescue: readonly string[] }
    /** The rest of the plan is changed by hand. */
    | { readonly change: true }
    /** It is left as it is, and not spoken of again. */
    | { readonly leave: true };
}

export interface Otherwise {
  readonly trouble: SaidTrouble | SeenTrouble;
  /** Null: the whole day. */
  readonly stepId: string | null;
  readonly says: string;
  readonly choices: readonly Choice[];
}

/** All that is known at one moment. */
export interface Moment {
  readonly plan: Plan;
  readonly state: RunState;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly heat: Readonly<Record<string, HeatNow>>;
  readonly nowMs: number;
  readonly lateMin: number;
  readonly print: Printer;
}

/** The next phase, or the end of the step, as one tap logs it. */
export function onward(step: PlanStep, clock: StepClock | undefined): RunFact {
  const next = (clock?.current?.index ?? -1) + 1;
  return next < step.phases.length ? { type: 'phaseEntered', stepId: step.id, phaseIndex: next } : { type: 'stepFinished', stepId: step.id };
}
