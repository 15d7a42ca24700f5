/** How plant matter waits for its next bath. */
export const SPENT_KEEPS = ['drying', 'dry', 'fridge', 'freezer'] as const;
export type SpentKeeps = (typeof SPENT_KEEPS)[number];

/** Chips, pits and skins that gave baths before. */
export interface Spent {
  /** Baths and prints they gave, 1 or more. */
  readonly uses: number;
  readonly keeps: SpentKeeps;
  /** Several kinds lie together, as they came out of the strainer. */
  readonly isMixed: boolean;
  /** The step that they were strained out of; null: written down by hand. */
  readonly from: { readonly runId: string; readonly stepId: string } | null;
}

const KEEPS_WORDS: Readonly<Record<SpentKeeps, string>> = { drying: 'drying', dry: 'dried', fridge: 'in the fridge', freezer: 'in the freezer' };

/** Most matter is spent for good after so many baths (trade handbook section 14, T73; common practice, no source). */
export const SPENT_AFTER = 3;

/** "gave 1 bath, drying", "gave 3 baths, in the freezer, mixed: most is spent by then". */
export function spentText({ uses, keeps, isMixed }: Spent): string {
  const gave = `gave ${uses} ${uses === 1 ? 'bath' : 'baths'}`;
  return `${[gave, KEEPS_WORDS[keeps], ...(isMixed ? ['mixed'] : [])].join(', ')}${uses >= SPENT_AFTER ? ': most is spent by then' : ''}`;
}
