import type { Figure } from '../figure';
import { FIBRES, type Share } from './fibre';
import type { WeightFrom } from './weight';

export const LOT_FORMS = ['skein', 'cone', 'cloth', 'ribbon', 'cord', 'garment', 'loose'] as const;
export type LotForm = (typeof LOT_FORMS)[number];

export const FINISHES = ['sized', 'superwash', 'bleached', 'mercerised'] as const;
export type Finish = (typeof FINISHES)[number];
/** What each finish does to dye, in a word (trade handbook section 1). */
export const FINISH_SAYS: Readonly<Record<Finish, string>> = {
  sized: 'size blocks level dye: wash it out, or leave it for a mottle',
  superwash: 'thirstier and darker than untreated wool, does not felt',
  bleached: 'a clean white ground',
  mercerised: 'takes dye deeper',
};

/** Fibre that is handled as one. */
export interface Lot {
  readonly id: string;
  readonly name: string;
  readonly form: LotForm;
  /** Shares that sum to 100; empty when the composition is unknown. */
  readonly composition: readonly Share[];
  /** Null: nobody knows. Empty: none. */
  readonly finishes: readonly Finish[] | null;
  /** Dry, conditioned weight: the weight that percentages refer to, g. */
  readonly dryWeightG: Figure;
  /** How the weight was come by, when it was worked out rather than weighed. */
  readonly weightFrom: WeightFrom | null;
  readonly pieces: number;
  /** sRGB hex of the undyed fibre, or null when nobody looked. */
  readonly baseHex: string | null;
  readonly note: string;
  readonly createdAtMs: number;
  /** Goes up by one with each edit; an edit made against an older one is refused. */
  readonly revision: number;
  /** Lots it was split from or joined of: one means split, several joined. */
  readonly from: readonly string[];
  /** Set when the lot is no more: split up, joined, or put away. */
  readonly ended: { readonly how: 'split' | 'joined' | 'retired'; readonly into: readonly string[]; readonly atMs: number } | null;
}

/** Any animal hair or silk in it: alkali and shock harm even a small share. */
export const hasProtein = (composition: readonly Share[]): boolean => composition.some(({ fibre }) => FIBRES[fibre].class === 'protein');
export const hasCellulose = (composition: readonly Share[]): boolean => composition.some(({ fibre }) => FIBRES[fibre].class === 'cellulose');
export const hasSilk = (composition: readonly Share[]): boolean => composition.some(({ fibre }) => fibre === 'silk');

export const hasWool = (composition: readonly Share[]): boolean =>
  composition.some(({ fibre }) => fibre === 'wool' || fibre === 'mohair' || fibre === 'alpaca');

/** Share of the weight that takes natural dye, in [0, 1]; polyester and acrylic take next to none. Null when unknown. */
export function dyeableShare(composition: readonly Share[]): number | null {
  if (composition.length === 0) return null;
  return composition.reduce((sum, { fibre, pct }) => sum + (FIBRES[fibre].class === 'synthetic' ? 0 : pct), 0) / 100;
}

/** "80 % wool, 20 % polyamide" */
export const printComposition = (composition: readonly Share[]): string =>
  composition.length === 0
    ? 'composition unknown'
    : composition.length === 1 && composition[0]?.pct === 100
      ? FIBRES[composition[0].fibre].name
      : composition.map(({ fibre, pct }) => `${Math.round(pct * 10) / 10} % ${FIBRES[fibre].name}`).join(', ');

/** "superwash, bleached", "no finish", "finish unknown". */
export const printFinishes = (finishes: readonly Finish[] | null): string =>
  finishes === null ? 'finish unknown' : finishes.length === 0 ? 'no finish' : finishes.join(', ');
