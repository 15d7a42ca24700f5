import type { Factor } from './passports';

/** The smallest set of pieces that would tell which of several differences did it. */
export interface SmallestTrial {
  /** 0 where too much differs. */
  readonly pieces: number;
  readonly says: string;
  /** What is changed, one at a time: as it is in the first, then as in the other. What lies in the past is not among it, nor what nobody knows of both. */
  readonly changes: readonly { readonly what: string; readonly levels: readonly [string, string] }[];
}

/** Factors that no trial can change: they lie in the past. */
const PAST = new Set(['order', 'mordanted', 'which use of the bath']);

/** More than this is no trial but a new plan. */
const MOST_OPEN = 6;

/**
 * One piece as the first, and one more for each thing that differs, changed alone: with fewer, two changes would stand or fall together.
 * @returns null where there is nothing to part: one difference, or none
 */
export function smallestTrial(factors: readonly Factor[]): SmallestTrial | null {
  const open = factors.filter((factor) => factor.verdict !== 'same');
  if (open.length < 2) return null;
  if (open.length > MOST_OPEN) return { pieces: 0, says: 'Too much differs for one trial: choose two results that are more alike.', changes: [] };
  const names = open.map((factor) => factor.what);
  const past = names.filter((name) => PAST.has(name));
  const rest = past.length === 0 ? '' : ` Done all on one day, ${past.join(' and ')} ${past.length === 1 ? 'is' : 'are'} alike for all.`;
  return {
    pieces: open.length + 1,
    says: `${open.length + 1} pieces would tell: one as the first, and one each with another ${names.join(', ')}, all else alike.${rest}`,
    changes: open.filter(({ what, verdict }) => verdict === 'differs' && !PAST.has(what)).map(({ what, a, b }) => ({ what, levels: [a, b] })),
  };
}
