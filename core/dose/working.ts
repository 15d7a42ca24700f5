export const PRACTICE = 'common practice, no source';
export const ARITHMETIC = 'arithmetic';

/** A figure with the way it was reached: every number the application proposes opens to this. */
export interface Working {
  /** In words and symbols: "dry weight × percent ÷ 100". */
  readonly formula: string;
  readonly inputs: readonly { readonly name: string; readonly value: number | null; readonly unit: string }[];
  /** Not rounded; null when an input is missing. */
  readonly result: number | null;
  readonly unit: string;
  /** Where the rule comes from. */
  readonly source: string;
  /** What must be known first, in words a dyer can act on. */
  readonly missing: readonly string[];
}

type Input = Working['inputs'][number];

/** Builds a working: the sum runs only when every input is known, so an unknown never turns into 0. */
export function work(formula: string, inputs: readonly Input[], unit: string, source: string, sum: (...values: number[]) => number): Working {
  const missing = inputs.filter((input) => input.value === null).map((input) => input.name);
  const values = inputs.map((input) => input.value).filter((value) => value !== null);
  return { formula, inputs, unit, source, missing, result: missing.length === 0 ? sum(...values) : null };
}
