import { isSpan, type Known, type Span } from '../figure';

export const PRACTICE = 'common practice, no source';
export const ARITHMETIC = 'arithmetic';

/** A figure with the way it was reached: every number the application proposes opens to this. */
export interface Working {
  /** In words and symbols: "dry weight × percent ÷ 100". */
  readonly formula: string;
  readonly inputs: readonly { readonly name: string; readonly value: Known; readonly unit: string }[];
  /** Not rounded; null when an input is missing, or is a range and none of it is likelier than the rest. */
  readonly result: number | null;
  /** The result’s least and most, where an input is a range; with a result, that one is the most likely. */
  readonly between?: Span | undefined;
  readonly unit: string;
  /** Where the rule comes from. */
  readonly source: string;
  /** What must be known first, in words a dyer can act on. */
  readonly missing: readonly string[];
}

type Input = Working['inputs'][number];

/**
 * Builds a working: the sum runs only when every input is known, so an unknown never turns into 0. With ranges it runs for
 * each end of each, and its own least and most are kept.
 * @param sum rises or falls with each input all the way
 */
export function work(formula: string, inputs: readonly Input[], unit: string, source: string, sum: (...values: number[]) => number): Working {
  const missing = inputs.filter((input) => input.value === null).map((input) => input.name);
  const values = inputs.map((input) => input.value).filter((value) => value !== null);
  const base = { formula, inputs, unit, source, missing };
  if (missing.length > 0) return { ...base, result: null };
  if (!values.some(isSpan)) return { ...base, result: sum(...values.filter((value) => typeof value === 'number')) };
  const ends = values
    .map((value) => (isSpan(value) ? [value.least, value.most ?? Number.POSITIVE_INFINITY] : [value]))
    .reduce<number[][]>((lists, own) => lists.flatMap((list) => own.map((end) => [...list, end])), [[]])
    .map((list) => sum(...list))
    // Nothing of a dose without an upper end is nothing.
    .filter((end) => !Number.isNaN(end));
  const most = Math.max(...ends);
  return { ...base, result: null, between: { least: Math.min(...ends), most: Number.isFinite(most) ? most : null } };
}

/** What a working gave: its number, its range, or null. */
export const resultOf = (working: Working): Known => working.result ?? working.between ?? null;
