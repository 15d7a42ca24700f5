import type { Figure } from '../figure';

export const TREATMENTS = ['scour', 'tannin', 'mordant', 'iron', 'dye', 'modifier', 'rest', 'rinse', 'dry'] as const;
export type TreatmentKind = (typeof TREATMENTS)[number];

/** How well a treatment is known. Believed is not known: comparisons never treat it so. */
export type Certainty = 'known' | 'believed' | 'unknown' | 'noneOnPurpose';

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
  readonly from: { readonly run: string; readonly stepId: string } | { readonly hand: true };
}

export interface Passport {
  readonly treatments: readonly Treatment[];
  /** The answer to "was this mordanted?": the strongest statement that stands. */
  readonly state: Readonly<Record<'scour' | 'tannin' | 'mordant' | 'dye', Certainty>>;
}

const ASKED = ['scour', 'tannin', 'mordant', 'dye'] as const;

/**
 * Folds run treatments and hand-made entries into one history, oldest first, undated entries before dated ones.
 * The newest statement on a question wins, except that what a run saw done is never overruled by a belief.
 */
export function foldPassport(treatments: readonly Treatment[]): Passport {
  const ordered = [...treatments].sort((a, b) => (a.atMs ?? -Infinity) - (b.atMs ?? -Infinity) || (a.id < b.id ? -1 : 1));
  const state: Record<(typeof ASKED)[number], Certainty> = {
    scour: 'unknown',
    tannin: 'unknown',
    mordant: 'unknown',
    dye: 'unknown',
  };
  for (const treatment of ordered) {
    const question = ASKED.find((kind) => kind === treatment.kind || (kind === 'mordant' && treatment.kind === 'iron'));
    if (!question) continue;
    if (state[question] === 'known' && treatment.certainty !== 'known') continue;
    state[question] = treatment.certainty;
  }
  return { treatments: ordered, state };
}
