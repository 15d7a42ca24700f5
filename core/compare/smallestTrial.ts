import type { Design } from '../trial/trial';
import type { Factor } from './passports';

/** The smallest set of pieces that would tell which of several differences did it. */
export interface SmallestTrial {
  /** 0 where too much differs. */
  readonly pieces: number;
  readonly design: Design;
  readonly says: string;
  /** What is changed, one at a time: as it is in the first, then as in the other. What lies in the past is not among it, nor what nobody knows of both. */
  readonly changes: readonly { readonly what: string; readonly levels: readonly [string, string] }[];
}

/** Factors that no trial can change: they lie in the past. */
const PAST = new Set(['order', 'mordanted', 'which use of the bath']);

/** Pieces of each. */
export const TWICE = 2;

/** More than this is no trial but a new plan. */
const MOST_OPEN = 6;

/**
 * Two differences: each way of one with each of the other. More: a piece as the first, and one for each change alone; with fewer, two changes
 * would stand or fall together. All of it twice, since without two pieces alike nobody knows how sure a difference is.
 * @returns null where there is nothing to part: one difference, or none
 */
export function smallestTrial(factors: readonly Factor[]): SmallestTrial | null {
  const open = factors.filter((factor) => factor.verdict !== 'same');
  if (open.length < 2) return null;
  if (open.length > MOST_OPEN)
    return { pieces: 0, design: 'single', says: 'Too much differs for one trial: choose two results that are more alike.', changes: [] };
  const names = open.map((factor) => factor.what);
  const past = names.filter((name) => PAST.has(name));
  const rest = past.length === 0 ? '' : ` Done all on one day, ${past.join(' and ')} ${past.length === 1 ? 'is' : 'are'} alike for all.`;
  const [one, other] = names;
  const isGrid = names.length === 2;
  const pieces = (isGrid ? 4 : names.length + 1) * TWICE;
  return {
    pieces,
    design: isGrid ? 'full' : 'single',
    says: isGrid
      ? `${pieces} pieces would tell: each ${one} with each ${other} (2 × 2), twice over, all else alike.${rest}`
      : `${pieces} pieces would tell: one as the first, and one each with another ${names.join(', ')}, twice over, all else alike.${rest}`,
    changes: open.filter(({ what, verdict }) => verdict === 'differs' && !PAST.has(what)).map(({ what, a, b }) => ({ what, levels: [a, b] })),
  };
}
