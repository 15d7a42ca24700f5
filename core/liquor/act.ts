import type { Figure } from '../figure';
import type { AmountUnit } from '../measure/print';
import type { KeptIn } from './liquor';

/** What somebody did to a kept bath, outside of a session or with what a session left. */
export type KeptFact =
  /** An extraction, or what came back from a pot. `draw`: the how many-th extraction of the same plants it is; null where it is none. */
  | {
      readonly kind: 'pouredIn';
      readonly what: string;
      readonly mL: Figure;
      readonly draw: number | null;
      /** What is dissolved in it, in all, as far as somebody knows. */
      readonly brings?: readonly { readonly substance: string; readonly amount: Figure; readonly unit: AmountUnit }[] | undefined;
      /** The bath of a run, by its last step. */
      readonly from?: { readonly runId: string; readonly stepId: string } | undefined;
    }
  /** Taken out for something; into another kept bath where `toId` names it. */
  | { readonly kind: 'drawn'; readonly what: string; readonly mL: Figure; readonly toId: string | null }
  | { readonly kind: 'put'; readonly substance: string; readonly amount: Figure; readonly unit: AmountUnit }
  | { readonly kind: 'water'; readonly mL: Figure }
  | { readonly kind: 'strained' }
  | { readonly kind: 'read'; readonly ph: number | null; readonly mL: number | null }
  | { readonly kind: 'moved'; readonly keptIn: KeptIn; readonly place: string }
  /** Goods were dyed in it without a session. */
  | { readonly kind: 'used'; readonly what: string; readonly fibreG: Figure }
  | { readonly kind: 'pouredAway'; readonly how: string };

export interface KeptAct {
  readonly id: string;
  readonly liquorId: string;
  /** When it happened, and when it was written down. */
  readonly atMs: number;
  readonly recordedAtMs: number;
  readonly by?: string | undefined;
  readonly fact: KeptFact;
  readonly revision: number;
  /** A mistake stays written down, and counts for nothing. */
  readonly withdrawn: { readonly atMs: number; readonly by?: string | undefined; readonly reason: string } | null;
}
