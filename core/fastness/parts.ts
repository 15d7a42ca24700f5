/** What it must stand: light, with half of it under a card; or washing, with half of it not washed and a white cloth beside. */
export const FASTNESS_KINDS = ['light', 'wash'] as const;
export type FastnessKind = (typeof FASTNESS_KINDS)[number];

/** The parts that are read, as a look names them. */
export interface FastnessParts {
  readonly tested: string;
  readonly kept: string;
  /** White cloth that went with it, and a piece of the same that did not. */
  readonly cloth: readonly [used: string, fresh: string] | null;
}
export const FASTNESS_PARTS: Readonly<Record<FastnessKind, FastnessParts>> = {
  light: { tested: 'in the light', kept: 'under the card', cloth: null },
  wash: { tested: 'washed', kept: 'not washed', cloth: ['white cloth, washed with it', 'white cloth, new'] },
};
const CLOTHS: ReadonlySet<string> = new Set(FASTNESS_KINDS.flatMap((kind) => FASTNESS_PARTS[kind].cloth ?? []));

/** White cloth that lay beside the goods: what is read of it is no colour of theirs. */
export const isBesideCloth = (part: string | null): boolean => part !== null && CLOTHS.has(part);
