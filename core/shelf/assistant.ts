/** How a library figure is known: the trade handbook's own marks. */
export type Standing = 'practice' | 'uncertain' | 'estimate';

/** Gloves G, splash goggles E, particle mask M, moving air V, apron and sleeves A (safety handbook, section 2). */
export type Wear = 'G' | 'E' | 'M' | 'V' | 'A';

/** Families that react with each other (safety handbook, section 3). */
export type Reacts = 'acid' | 'carbonate' | 'alkali' | 'strongAlkali' | 'oxidiser' | 'bleach' | 'ammonia' | 'reducer' | 'alcohol' | 'ammoniumSalt';

/** Where what is left over goes: W1 treated sewage, W2 hazardous waste, W3 neutralise first, W4 compost or bin. */
export type LeftOver = 'W1' | 'W2' | 'W3' | 'W4';

export const ASSISTANT_GROUPS = ['scour', 'mordant', 'tannin', 'acid', 'alkali', 'thickener', 'reducer', 'oxidiser', 'other'] as const;
export type AssistantGroup = (typeof ASSISTANT_GROUPS)[number];

/** Above what dose many dyers stop: in % of the dry weight of fibre, or in grams (millilitres) per litre of bath. */
export interface DoseLimit {
  readonly per: 'wofPct' | 'gPerL';
  readonly cautionAbove: number;
  readonly stopAbove: number | null;
  /** The stop may be passed with a typed reason, kept in the record. */
  readonly stopNeedsReason: boolean;
  readonly why: string;
}

export interface Assistant {
  readonly id: string;
  readonly name: string;
  readonly group: AssistantGroup;
  readonly unit: 'g' | 'mL';
  /** As sold; null for mixtures. */
  readonly formula: string | null;
  /** Bulk density of the loose powder, g/mL, least and most; null when nobody wrote one down. */
  readonly bulkGPerMl: readonly [number, number] | null;
  readonly bulkStanding: Standing;
  /** Usual dose in words, with its own unit. */
  readonly usual: string;
  readonly usualPct: readonly [number, number] | null;
  readonly limit: DoseLimit | null;
  readonly wear: readonly Wear[];
  readonly keepFrom: string;
  readonly inBrief: string;
  readonly leftOver: LeftOver;
  readonly signal: 'none' | 'Warning' | 'Danger' | 'see label';
  readonly hazardCodes: string;
  readonly reacts: readonly Reacts[];
  /** Fine powder that must not be breathed. */
  readonly dusty: boolean;
  /** The form or strength on the label changes the dose about twofold: ask. */
  readonly askForm: 'form' | 'strength' | null;
  /** How sure the hazards are: H settled, M usual, L from memory. */
  readonly confidence: 'H' | 'M' | 'L';
}

export const WEAR_WORD: Readonly<Record<Wear, string>> = {
  G: 'gloves',
  E: 'splash goggles',
  M: 'particle mask',
  V: 'moving air',
  A: 'sleeves and apron',
};

export const LEFT_OVER_WORD: Readonly<Record<LeftOver, string>> = {
  W1: 'Cooled, to a drain served by sewage treatment if local rules allow; septic owners ask first. Never a storm drain, stream, soil or food bed.',
  W2: 'Collect, label, hand in as household hazardous waste.',
  W3: 'In an open vessel, bring the pH to about 6–9 in small portions; then as an ordinary bath, if local rules allow.',
  W4: 'Cooled plant matter: compost only if no metal salt touched it.',
};
