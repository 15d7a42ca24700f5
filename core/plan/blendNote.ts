import { dyeableShare, type Lot } from '../fibre/lot';

/** How much of the lots' weight takes dye, in words for a blend; null when all of it does or nobody knows. */
export function blendNote(lots: readonly Pick<Lot, 'name' | 'composition'>[]): string | null {
  const partial = lots.filter((lot) => {
    const share = dyeableShare(lot.composition);
    return share !== null && share < 1;
  });
  return partial.length === 0
    ? null
    : `${partial.map((lot) => lot.name).join(', ')}: only ${partial.map((lot) => `${Math.round((dyeableShare(lot.composition) ?? 1) * 100)} %`).join(', ')} of the weight takes dye. Doses here count the whole weight.`;
}
