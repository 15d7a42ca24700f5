import { FIBRES } from './fibre';
import type { Lot } from './lot';
import { printFinishes } from './lot';
import type { Certainty, Passport } from './passport';

export interface LotWish {
  readonly text: string;
  readonly form: Lot['form'] | null;
  readonly mordant: Certainty | null;
  /** Pieces of trials as well; left out, they are found by their words alone: a grid has dozens. */
  readonly pieces?: boolean;
}

type Found = Pick<Lot, 'name' | 'form' | 'composition' | 'finishes' | 'note'> & { readonly passport: Passport; readonly trial?: unknown };

/** A lot with its words lower-cased once, so that a keystroke only compares. */
export interface LotIndex<T extends Found> {
  readonly lots: readonly T[];
  readonly words: readonly string[];
}

export const indexLots = <T extends Found>(lots: readonly T[]): LotIndex<T> => ({
  lots,
  words: lots.map((lot) =>
    `${lot.name} ${lot.form} ${lot.composition.map((share) => FIBRES[share.fibre].name).join(' ')} ${printFinishes(lot.finishes)} ${lot.note} ${lot.passport.treatments
      .map((treatment) => treatment.substance ?? '')
      .join(' ')}`.toLowerCase(),
  ),
});

/** Lots that have every word of the wish somewhere, in their own order. */
export function findLots<T extends Found>(index: LotIndex<T>, wish: LotWish): T[] {
  const wanted = wish.text.toLowerCase().split(/\s+/).filter(Boolean);
  return index.lots.filter((lot, i) => {
    if (lot.trial && !wish.pieces && wanted.length === 0) return false;
    const words = index.words[i] ?? '';
    for (const word of wanted) if (!words.includes(word)) return false;
    return (wish.form === null || lot.form === wish.form) && (wish.mordant === null || lot.passport.state.mordant === wish.mordant);
  });
}
