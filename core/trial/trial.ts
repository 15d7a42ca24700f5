import type { Known } from '../figure';
import type { StepKind } from '../method/method';
import { MOST_LOTS } from '../plan/draft';

/** A set of pieces made to be compared: what differs, in which levels, and which piece got what. */
export interface Trial {
  readonly id: string;
  readonly name: string;
  /** What it is to tell; may be empty. */
  readonly question: string;
  readonly factors: readonly TrialFactor[];
  readonly design: Design;
  /** Pieces for each cell. */
  readonly repeats: number;
  /** Of each piece. */
  readonly pieceG: number;
  /** The way of working that all pieces go through; null: the dyer does it. */
  readonly wayId: string | null;
  readonly dyestuffId: string | null;
  readonly pieces: readonly TrialPiece[];
  readonly createdAtMs: number;
  readonly by?: string;
  readonly revision: number;
  /** Why it was given up; null: it stands. */
  readonly withdrawn: { readonly atMs: number; readonly by?: string; readonly reason: string } | null;
}

/** What differs. Its first level is what the others are held against. */
export interface TrialFactor {
  readonly id: string;
  readonly name: string;
  readonly levels: readonly TrialLevel[];
}

/** One way in which a factor can be, and how it comes about. */
export interface TrialLevel {
  readonly name: string;
  readonly how: LevelHow;
}

export type LevelHow =
  /** By the dyer's own hands; or it lies in the piece already. */
  | { readonly kind: 'hand' }
  /** The pieces are cut from this lot. */
  | { readonly kind: 'lot'; readonly lotId: string }
  /** A step of this stage, with its own plant where its method asks for one; null: it is left out. */
  | {
      readonly kind: 'step';
      readonly stage: StepKind;
      readonly methodId: string | null;
      readonly params: Readonly<Record<string, Known>>;
      readonly dyestuffId?: string;
    }
  /** A figure of the steps of this stage, in a bath of its own. */
  | { readonly kind: 'figure'; readonly stage: StepKind; readonly param: string; readonly value: number }
  /** Another plant in a bath of its own. */
  | { readonly kind: 'dyestuff'; readonly dyestuffId: string };

/** `full`: every cell; `single`: one thing changed at a time; `reduced`: as few cells as still part the factors. */
export const DESIGNS = ['full', 'single', 'reduced'] as const;
export type Design = (typeof DESIGNS)[number];

export interface TrialPiece {
  /** On its label, in shuffled order: who judges it does not see what it got. */
  readonly code: string;
  readonly lotId: string;
  /** By factor: the number of its level. Of a control null: it gets nothing. */
  readonly cell: Cell | null;
}

/** By factor, in order: the number of its level, from 0. */
export type Cell = readonly number[];

export const MOST_PIECES = MOST_LOTS;
export const MOST_FACTORS = 6;
export const MOST_LEVELS = 12;

/** "alum 10 %, acid, pH 4" */
export const cellText = (factors: readonly TrialFactor[], cell: Cell): string => factors.map((factor, i) => factor.levels[cell[i] ?? 0]?.name ?? '').join(', ');
/** What a lot gets in a trial; null for a control, and for what is no piece of it. */
export function getsIn({ factors, pieces }: Pick<Trial, 'factors' | 'pieces'>, lotId: string): string | null {
  const cell = pieces.find((piece) => piece.lotId === lotId)?.cell;
  return cell ? cellText(factors, cell) : null;
}
export const cellKey = (cell: Cell): string => cell.join('.');
