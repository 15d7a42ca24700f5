import type { Standing } from './assistant';

/** Something said in the trade, with how sure it is. */
export interface Said {
  readonly text: string;
  readonly standing: Standing;
}

export const CHEMISTRIES = ['tannin', 'flavonol', 'anthocyanin', 'anthraquinone', 'curcumin', 'carotenoid', 'indigo', 'wood', 'lichen', 'unknown'] as const;
/** What colours, as far as the trade says: it decides how heat, acid and light treat it. */
export type Chemistry = (typeof CHEMISTRIES)[number];

export const PLANT_FORMS = ['fresh', 'dried', 'frozen', 'extract', 'spent'] as const;
export type PlantForm = (typeof PLANT_FORMS)[number];

/** Plant or insect matter to dye with. */
export interface Dyestuff {
  readonly id: string;
  readonly name: string;
  readonly part: string;
  /** Botanical name; empty or missing where nobody wrote it down. */
  readonly botanical?: string | undefined;
  readonly chemistry: Chemistry;
  /** Needs a mordant for a durable colour, is helped by one, holds without, is a vat, or nobody settled it. */
  readonly mordant: 'needed' | 'helps' | 'substantive' | 'vat' | 'unsettled';
  readonly phSensitive: boolean;
  /** Fades quickly in light or wash: seen, only said, or not said. */
  readonly fugitive: 'yes' | 'said' | 'no';
  /** Never above, °C; null: no figure beyond the method's own. */
  readonly maxC: number | null;
  /** Weight of plant per weight of dry fibre; a form that is missing has no figure in common use. */
  readonly ratio: Readonly<Partial<Record<PlantForm, number>>>;
  /** The method of extraction that suits it. */
  readonly extractBy: string;
  readonly heat: Said;
  readonly colour: Said;
  readonly behaviour: Said;
  /** Colour expected on alum-mordanted wool, for drawing: a guess until it is tested. */
  readonly expectedHex: string;
  /** Row of the plant table (safety handbook section 4), when there is one. */
  readonly plantRow: string | null;
}

export const CHEMISTRY_WORD: Readonly<Record<Chemistry, string>> = {
  tannin: 'tannin brown: steady',
  flavonol: 'yellow flavonol: needs a mordant, weaker in light',
  anthocyanin: 'red-blue flower colour: treat as fugitive until tested',
  anthraquinone: 'root or insect red',
  curcumin: 'spice yellow: strong, fades',
  carotenoid: 'orange carotenoid',
  indigo: 'vat blue',
  wood: 'heartwood colour: strong',
  lichen: 'lichen',
  unknown: 'chemistry not settled',
};

export const MORDANT_WORD: Readonly<Record<Dyestuff['mordant'], string>> = {
  needed: 'needs a mordant for a durable colour',
  helps: 'a mordant helps',
  substantive: 'holds without a mordant',
  vat: 'vat dye, no mordant',
  unsettled: 'not settled whether it needs a mordant',
};
