/** How a library figure is known: the trade handbook's own marks. */
export type Standing = 'practice' | 'uncertain' | 'estimate';

export interface Assistant {
  readonly id: string;
  readonly name: string;
  readonly unit: 'g' | 'mL';
  /** Usual, caution and stop doses in % of the dry weight of fibre (safety handbook, table 2); null: no such figure. */
  readonly usualPct: readonly [number, number] | null;
  readonly cautionAbovePct: number | null;
  readonly stopAbovePct: number | null;
  /** A stop that a typed reason may pass. */
  readonly stopNeedsReason: boolean;
  readonly why: string;
  /** Gloves G, goggles E, mask M, moving air V. */
  readonly wear: readonly ('G' | 'E' | 'M' | 'V' | 'A')[];
  readonly inBrief: string;
}

export const ASSISTANTS = {
  scourLiquid: {
    id: 'scourLiquid',
    name: 'neutral scour liquid',
    unit: 'mL',
    usualPct: null,
    cautionAbovePct: null,
    stopAbovePct: null,
    stopNeedsReason: false,
    why: 'foam and long rinsing',
    wear: ['G'],
    inBrief: 'Measure; foam rises when heated.',
  },
  sodaAsh: {
    id: 'sodaAsh',
    name: 'soda ash',
    unit: 'g',
    usualPct: [1, 4],
    cautionAbovePct: 6,
    stopAbovePct: 20,
    stopNeedsReason: true,
    why: 'alkali eats wool and silk',
    wear: ['G', 'E', 'M'],
    inBrief: 'Sprinkle into water and stir; clumps warm up.',
  },
  alum: {
    id: 'alum',
    name: 'potash alum',
    unit: 'g',
    usualPct: [8, 20],
    cautionAbovePct: 20,
    stopAbovePct: 30,
    stopNeedsReason: true,
    why: 'sticky, harsh wool and unfixed salt in the waste',
    wear: ['G', 'E'],
    inBrief: 'Dissolve in hot water before the fibre goes in.',
  },
  creamOfTartar: {
    id: 'creamOfTartar',
    name: 'cream of tartar',
    unit: 'g',
    usualPct: [5, 7],
    cautionAbovePct: 10,
    stopAbovePct: 20,
    stopNeedsReason: true,
    why: 'an over-acid bath dulls and wastes',
    wear: ['G'],
    inBrief: 'Dissolve with the alum.',
  },
  aluminiumAcetate: {
    id: 'aluminiumAcetate',
    name: 'aluminium acetate',
    unit: 'g',
    usualPct: [5, 10],
    cautionAbovePct: 10,
    stopAbovePct: 20,
    stopNeedsReason: true,
    why: 'no gain, and a chalky hand',
    wear: ['G', 'E', 'M'],
    inBrief: 'Warm water; read the label for boric acid.',
  },
  ironSulfate: {
    id: 'ironSulfate',
    name: 'ferrous sulfate',
    unit: 'g',
    usualPct: [1, 4],
    cautionAbovePct: 4,
    stopAbovePct: 6,
    stopNeedsReason: true,
    why: 'iron weakens fibre over years',
    wear: ['G', 'E'],
    inBrief: 'Weigh finely, dissolve fully, lock away from children.',
  },
} as const satisfies Record<string, Assistant>;

export type AssistantId = keyof typeof ASSISTANTS;

export interface Dyestuff {
  readonly id: string;
  readonly name: string;
  readonly part: string;
  /** Colour expected on alum-mordanted wool: a guess until it is tested. */
  readonly expectedHex: string;
  readonly caution: { readonly severity: 'caution' | 'note'; readonly text: string } | null;
}

/** Dyestuffs of the first library. Expected colours are estimates, drawn for the screen. */
export const DYESTUFFS = {
  weld: { id: 'weld', name: 'weld', part: 'tops', expectedHex: '#d9b52b', caution: null },
  birchLeaf: { id: 'birchLeaf', name: 'birch leaf', part: 'leaf', expectedHex: '#c9b356', caution: null },
  alderCones: { id: 'alderCones', name: 'alder cones', part: 'cones', expectedHex: '#8b6b4a', caution: null },
  dockRoot: {
    id: 'dockRoot',
    name: 'dock root',
    part: 'root',
    expectedHex: '#a8552f',
    caution: { severity: 'caution', text: 'Dock holds oxalates. Never taste it; window open, do not lean over the steam.' },
  },
  heather: { id: 'heather', name: 'heather', part: 'tops', expectedHex: '#b39a4e', caution: null },
  bracken: {
    id: 'bracken',
    name: 'bracken',
    part: 'frond',
    expectedHex: '#a6a15c',
    caution: { severity: 'caution', text: 'Bracken and its spores can harm. Gloves, mask, outdoors; never tasted; keep from hay.' },
  },
  greenweed: {
    id: 'greenweed',
    name: 'dyer’s greenweed',
    part: 'tops',
    expectedHex: '#d1bd3f',
    caution: { severity: 'caution', text: 'Greenweed holds alkaloids. Gloves on; keep the pods away from children.' },
  },
  buckthornBark: {
    id: 'buckthornBark',
    name: 'buckthorn bark',
    part: 'bark',
    expectedHex: '#b8763a',
    caution: { severity: 'caution', text: 'Buckthorn is a strong purge, fresh bark worse. Gloves; never tasted; spread no berries.' },
  },
  hollyhock: { id: 'hollyhock', name: 'hollyhock petals', part: 'petal', expectedHex: '#8d7fa0', caution: null },
  onionSkin: {
    id: 'onionSkin',
    name: 'onion skin, yellow',
    part: 'skin',
    expectedHex: '#c98a2e',
    caution: { severity: 'note', text: 'Onion skin is poisonous to dogs, cats and birds. Use a lidded bin.' },
  },
  unknownPlant: {
    id: 'unknownPlant',
    name: 'a plant of unknown nature',
    part: 'any',
    expectedHex: '#b9ad8c',
    caution: { severity: 'caution', text: 'Unknown plant. Two independent sources for its identity, or leave it.' },
  },
} as const satisfies Record<string, Dyestuff>;

export type DyestuffId = keyof typeof DYESTUFFS;
export const isDyestuffId = (id: string): id is DyestuffId => id in DYESTUFFS;

/** Name of anything that can be added to a bath. */
export function substanceName(id: string): string {
  if (id === 'water') return 'water';
  if (id in ASSISTANTS) return ASSISTANTS[id as AssistantId].name;
  return isDyestuffId(id) ? DYESTUFFS[id].name : id;
}
