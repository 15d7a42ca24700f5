import { deltaE00From, type Lab } from '../colour/lab';
import { chromaOf, hueOf } from '../colour/polar';

/** What the wall needs to know of a result to order and find it. */
export interface OnWall {
  readonly id: string;
  readonly colour: { readonly lab: Lab } | null;
  readonly dyes: readonly string[];
  readonly atMs: number;
  readonly words: string;
}

export const WALL_ORDERS = ['date', 'hue', 'lightness', 'dyestuff'] as const;
export type WallOrder = (typeof WALL_ORDERS)[number];

/** Below this chroma a colour is a grey, and has no place among the hues. */
const GREY_C = 6;

/** Orders results; those without a colour come last where the order is by colour. */
export function inOrder<S extends OnWall>(swatches: readonly S[], order: WallOrder): S[] {
  switch (order) {
    case 'date':
      return swatches.toSorted((a, b) => b.atMs - a.atMs);
    case 'dyestuff':
      return swatches.toSorted((a, b) => (a.dyes[0] ?? '\uffff').localeCompare(b.dyes[0] ?? '\uffff') || b.atMs - a.atMs);
    case 'lightness':
      return byNumber(swatches, (lab) => -lab.l);
    case 'hue':
      // From red through yellow, green and blue; greys after all hues, light before dark.
      return byNumber(swatches, (lab) => (chromaOf(lab) < GREY_C ? 1000 - lab.l : hueOf(lab)));
  }
}

const byNumber = <S extends OnWall>(swatches: readonly S[], of: (lab: Lab) => number): S[] =>
  swatches
    .map((swatch) => ({ swatch, at: swatch.colour ? of(swatch.colour.lab) : Number.POSITIVE_INFINITY }))
    .sort((a, b) => a.at - b.at || b.swatch.atMs - a.swatch.atMs)
    .map(({ swatch }) => swatch);

/** Those in which every typed word is found, wherever it stands. */
export function found<S extends OnWall>(swatches: readonly S[], typed: string): S[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return words.length === 0 ? [...swatches] : swatches.filter((swatch) => words.every((word) => swatch.words.toLowerCase().includes(word)));
}

/** Those with a colour, nearest first. */
export function nearest<S extends OnWall>(swatches: readonly S[], to: Lab): { readonly swatch: S; readonly deltaE: number }[] {
  const farOff = deltaE00From(to);
  return swatches.flatMap((swatch) => (swatch.colour ? [{ swatch, deltaE: farOff(swatch.colour.lab) }] : [])).sort((a, b) => a.deltaE - b.deltaE);
}
