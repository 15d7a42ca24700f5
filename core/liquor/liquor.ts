import type { Figure } from '../figure';
import { atLeast } from '../measure/limits';

export const KEPT_IN = ['warm', 'room', 'fridge', 'freezer'] as const;
export type KeptIn = (typeof KEPT_IN)[number];

/** A bath kept for later: a thing of its own, with an age. */
export interface Liquor {
  readonly id: string;
  readonly name: string;
  readonly dyestuffId: string | null;
  readonly volumeMl: Figure;
  readonly ph: number | null;
  readonly madeAtMs: number;
  readonly keptIn: KeptIn;
  readonly place: string;
  /** Baths it has given already. */
  readonly uses: number;
  /** Look at it before, or bin it after, this; null: by eye alone. */
  readonly spoilByMs: number | null;
  /** Labelled with contents, date and "not food". */
  readonly labelled: boolean;
  readonly note: string;
  readonly from: { readonly runId: string; readonly stepId: string } | null;
  readonly revision: number;
  readonly retired: boolean;
}

/** The liquid of a kept bath, as a substance of its own: it is neither bought nor weighed out. */
export const KEPT_BATH = 'keptBath';

const DAY_MS = 86_400_000;
/**
 * How long a bath keeps, days: 72 h warm is where mould begins (safety handbook P14). In a hot room or the sun half of that: ten degrees more
 * about double what grows (a rule of thumb, from memory); cold figures are estimates.
 */
const KEEPS_DAYS: Readonly<Record<KeptIn, number>> = { warm: 1.5, room: 3, fridge: 14, freezer: 365 };

/** What is sour or strongly alkaline keeps longer, times (our estimate): most of what spoils a bath grows between them. */
const KEEPS_LONGER = [
  { holds: (ph: number) => atLeast(4.5, ph), times: 2 },
  { holds: (ph: number) => atLeast(ph, 10), times: 1.5 },
] as const;

/** How long such a bath keeps, days. @param ph null: nobody measured */
export const keepsDays = (keptIn: KeptIn, ph: number | null): number =>
  KEEPS_DAYS[keptIn] * (ph === null ? 1 : (KEEPS_LONGER.find(({ holds }) => holds(ph))?.times ?? 1));

export const spoilByMs = (madeAtMs: number, keptIn: KeptIn, ph: number | null): number => madeAtMs + keepsDays(keptIn, ph) * DAY_MS;

export type Freshness = 'fresh' | 'lookFirst' | 'past';
/** Past its day, within the last third of its keeping, or fresh. */
export function freshness(liquor: Pick<Liquor, 'madeAtMs' | 'spoilByMs'>, nowMs: number): Freshness {
  if (liquor.spoilByMs === null) return 'lookFirst';
  if (nowMs > liquor.spoilByMs) return 'past';
  return nowMs > liquor.madeAtMs + (2 * (liquor.spoilByMs - liquor.madeAtMs)) / 3 ? 'lookFirst' : 'fresh';
}
