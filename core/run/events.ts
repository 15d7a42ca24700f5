import type { Figure } from '../figure';
import type { AmountUnit } from '../measure/print';
import type { Quantity, SaidAs } from './saidAs';

export const CALL_ACTS = ['begin', 'add', 'ph', 'nextPhase', 'stir', 'flip', 'check', 'lift', 'finish', 'tooHot', 'turnDown', 'attend', 'dip'] as const;
/** What hands are called for. */
export type CallAct = (typeof CALL_ACTS)[number];

/** Calls that may wait a little: a dip, a ceiling and a heat to be turned down may not. */
export const PUT_OFF_CALLS = ['begin', 'add', 'ph', 'nextPhase', 'stir', 'flip', 'check', 'lift', 'finish'] as const satisfies readonly CallAct[];
/** Calls that may be let go: what they ask for is not done this time. */
export const LET_GO_CALLS = ['stir', 'flip', 'check', 'ph'] as const satisfies readonly CallAct[];
/** No call is put off for longer, ms. */
export const LONGEST_PUT_OFF_MS = 86_400_000;

/** No knob of a stove goes higher. */
export const HIGHEST_KNOB = 20;

/** How a bundle is rolled and tied. */
export const TIGHTNESSES = ['loosely', 'firmly', 'tightly'] as const;
export type Tightness = (typeof TIGHTNESSES)[number];

/** What happened: past tense, facts only. Appended, never changed; a mistake is amended by a later event. */
export type RunFact =
  | { readonly type: 'started'; readonly planVersion: number }
  | { readonly type: 'phaseEntered'; readonly stepId: string; readonly phaseIndex: number }
  /** Of what was said as a range, `value` is the middle. */
  | { readonly type: 'reading'; readonly stepId: string; readonly quantity: Quantity; readonly value: number; readonly said?: SaidAs | undefined }
  | { readonly type: 'lotWeighed'; readonly lotId: string; readonly dryWeightG: number }
  | {
      readonly type: 'addition';
      readonly stepId: string;
      /** The planned addition this fulfils, or null for something unplanned. */
      readonly additionId: string | null;
      readonly substance: string;
      readonly amount: Figure;
      readonly unit: AmountUnit;
    }
  | { readonly type: 'stirred'; readonly stepId: string }
  | { readonly type: 'flipped'; readonly stepId: string }
  | { readonly type: 'checked'; readonly stepId: string; readonly finding: string }
  /** Somebody heard a call and needs no more calling: it rings on no device. */
  | { readonly type: 'callHeard'; readonly stepId: string; readonly call: CallAct }
  /** A call was put off until an instant, or let go: what it asks for is not done this time. */
  | { readonly type: 'callPutOff'; readonly stepId: string; readonly call: (typeof PUT_OFF_CALLS)[number]; readonly untilMs: number }
  | { readonly type: 'callLetGo'; readonly stepId: string; readonly call: (typeof LET_GO_CALLS)[number] }
  /** The heat under it was set: the number on the knob (0: off), the lid, or both; a knob whose number nobody looked at is null. */
  | { readonly type: 'heatSet'; readonly stepId: string; readonly knob: number | null; readonly hasLid: boolean | null }
  /** A bundle was rolled: how tight, and whether something lay between to keep a part pale; null: nobody said. */
  | { readonly type: 'rolled'; readonly stepId: string; readonly tightness: Tightness | null; readonly hasBarrier: boolean | null }
  | { readonly type: 'moved'; readonly stepId: string; readonly toVesselId: string }
  | { readonly type: 'lifted'; readonly stepId: string }
  /** One lot alone leaves the bath before the others, or comes back to it. */
  | { readonly type: 'lotOut'; readonly stepId: string; readonly lotId: string }
  /** Back in; or, `joined`, into a step that it was not planned in and that is under way. */
  | { readonly type: 'lotIn'; readonly stepId: string; readonly lotId: string; readonly joined?: true }
  | { readonly type: 'note'; readonly stepId: string | null; readonly text: string }
  | { readonly type: 'paused'; readonly stepId: string; readonly reason: string }
  | { readonly type: 'resumed'; readonly stepId: string }
  | { readonly type: 'stepFinished'; readonly stepId: string }
  | { readonly type: 'skipped'; readonly stepId: string; readonly reason: string }
  | { readonly type: 'replanned'; readonly planVersion: number; readonly reason: string }
  | { readonly type: 'finished' }
  | {
      readonly type: 'amended';
      readonly targetId: string;
      readonly change: { readonly kind: 'withdrawn'; readonly reason: string } | { readonly kind: 'retimed'; readonly atMs: number };
    };

export type RunEvent = RunFact & {
  /** Made by the client, so that a retry is harmless. */
  readonly id: string;
  /** When it happened; may be set back. */
  readonly atMs: number;
  /** When the server wrote it down. */
  readonly recordedAtMs: number;
  /** The device or program that did it, by its name then; absent where it was the machine itself. */
  readonly by?: string;
};
