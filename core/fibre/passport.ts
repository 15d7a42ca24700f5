import type { Figure } from '../figure';
import { printNumber, printPercent } from '../measure/print';

export const TREATMENTS = ['scour', 'tannin', 'mordant', 'resist', 'dye', 'iron', 'modifier', 'rest', 'rinse', 'wash', 'dry', 'cure'] as const;
export type TreatmentKind = (typeof TREATMENTS)[number];

/** What a step leaves in the passport; two of them say that something was left out on purpose. */
export const STEP_TREATMENTS = [...TREATMENTS, 'notScoured', 'noMordant'] as const;
export type StepTreatment = (typeof STEP_TREATMENTS)[number];

/** How well a treatment is known. Believed is not known: comparisons never treat it so. */
export const CERTAINTIES = ['known', 'believed', 'unknown', 'noneOnPurpose'] as const;
export type Certainty = (typeof CERTAINTIES)[number];

/** Circumstances of a treatment. What nobody said or saw is left out. */
export interface How {
  /** The method it was done by. */
  readonly methodId?: string | undefined;
  /** Form, preparation, source and season of a plant: "dried, crushed". */
  readonly preparation?: string | undefined;
  /** Which use of its dyebath it was, from 1. */
  readonly draw?: number | undefined;
  /** The vessel it was done in. */
  readonly place?: string | undefined;
  /** Minutes in contact. */
  readonly inMin?: number | undefined;
  /** Minutes of its holds that its readings credit, of those that were measured at all. */
  readonly heldMin?: number | undefined;
  /** The highest temperature that was read, °C. */
  readonly hottestC?: number | undefined;
  /** The last pH and volume that were read in the bath. */
  readonly ph?: number | undefined;
  readonly bathMl?: number | undefined;
  /** Water that its bath was topped up with, mL: 0 where nobody poured any in. */
  readonly toppedUpMl?: number | undefined;
  /** How tight a bundle was rolled, and whether something lay between: "tightly", "none". */
  readonly rolled?: string | undefined;
  readonly barrier?: string | undefined;
}

export interface Treatment {
  readonly id: string;
  readonly kind: TreatmentKind;
  readonly certainty: Certainty;
  /** What was used ("potash alum"), or null when unknown or nothing. */
  readonly substance: string | null;
  /** Percent of the dry weight of fibre really used. */
  readonly wofPct: Figure;
  readonly atMs: number | null;
  readonly note: string;
  /** The part of the lot it was done to ("tips"); null or missing: all of it. */
  readonly part?: string | null;
  readonly from: { readonly run: string; readonly stepId: string } | { readonly hand: true };
  /** How it was done, as far as a run saw or somebody said: it counts in a comparison. */
  readonly how?: How | undefined;
  /** The lot it was done to, when this one was split from it or joined of it. */
  readonly lotId?: string;
}

/** How much was used of the goods’ weight: dyers say a dye as a ratio ("10 : 1"), salts in percent ("12 %"). @param pct % */
export const shareText = (kind: TreatmentKind, pct: number): string => (kind === 'dye' ? `${printNumber(pct / 100)} : 1` : printPercent(pct));

export const QUESTIONS = ['scour', 'tannin', 'mordant', 'dye'] as const;
export type Question = (typeof QUESTIONS)[number];
export type Answers = Readonly<Record<Question, Certainty>>;

export interface Passport {
  readonly treatments: readonly Treatment[];
  /** The answer to "was this mordanted?": the strongest statement that stands. */
  readonly state: Answers;
}

const UNDATED = Number.MIN_SAFE_INTEGER;

/**
 * Folds run treatments and hand-made entries into one history, oldest first, undated entries before dated ones; of one
 * time, or of none, in working order: what was dyed was mordanted before.
 * The newest statement on a question wins, except that what a run saw done is never overruled by a belief, and that
 * what was done to a part says nothing of the whole.
 */
export function foldPassport(treatments: readonly Treatment[]): Passport {
  const ordered = [...treatments].sort(
    (a, b) => (a.atMs ?? UNDATED) - (b.atMs ?? UNDATED) || TREATMENTS.indexOf(a.kind) - TREATMENTS.indexOf(b.kind) || (a.id < b.id ? -1 : 1),
  );
  const state: Record<Question, Certainty> = { scour: 'unknown', tannin: 'unknown', mordant: 'unknown', dye: 'unknown' };
  for (const treatment of ordered) {
    const question = QUESTIONS.find((kind) => kind === treatment.kind || (kind === 'mordant' && treatment.kind === 'iron'));
    if (!question || treatment.part) continue;
    if (state[question] === 'known' && treatment.certainty !== 'known') continue;
    state[question] = treatment.certainty;
  }
  return { treatments: ordered, state };
}

/**
 * The passport of a lot joined of several: every treatment of each, and as answers only what holds for all of them.
 * Known here and believed there is believed; anything else that differs is unknown for the whole.
 */
export function joinPassports(parts: readonly Passport[]): Passport {
  const answer = (question: Question): Certainty => {
    const all = new Set(parts.map((part) => part.state[question]));
    const [only] = all;
    if (all.size === 1 && only) return only;
    return all.size === 2 && all.has('known') && all.has('believed') ? 'believed' : 'unknown';
  };
  const { treatments } = foldPassport(parts.flatMap((part) => part.treatments));
  return { treatments, state: { scour: answer('scour'), tannin: answer('tannin'), mordant: answer('mordant'), dye: answer('dye') } };
}

/** What happened after a join or split is laid over what the lot brought with it. */
export function continuePassport(brought: Passport, own: readonly Treatment[]): Passport {
  const later = foldPassport(own);
  const state = { ...brought.state };
  for (const question of QUESTIONS) {
    const said = later.treatments.some((t) => !t.part && (t.kind === question || (question === 'mordant' && t.kind === 'iron')));
    if (said && !(state[question] === 'known' && later.state[question] !== 'known')) state[question] = later.state[question];
  }
  return { treatments: foldPassport([...brought.treatments, ...own]).treatments, state };
}
