export const VESSEL_KINDS = ['pot', 'pail', 'jar', 'tray', 'steamer', 'pressure', 'cup', 'table', 'line'] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];
export const VESSEL_WORD: Readonly<Record<VesselKind, string>> = {
  pot: 'pot',
  pail: 'pail',
  jar: 'jar',
  tray: 'tray',
  steamer: 'steamer',
  pressure: 'pressure cooker',
  cup: 'cup',
  table: 'table',
  line: 'line',
};
export const MATERIALS = ['stainless', 'enamel', 'glass', 'ceramic', 'plastic', 'wood', 'aluminium', 'copper', 'iron', 'galvanised', 'zinc', 'tinned'] as const;
export type Material = (typeof MATERIALS)[number];

const NO_METAL: readonly Material[] = ['glass', 'ceramic', 'plastic', 'wood'];
/** Metal all through or under its coat: it sparks in a microwave. */
export const isOfMetal = (material: Material): boolean => !NO_METAL.includes(material);

/** Whether a material goes into the bath with what is in it. Common practice, no source. */
export const MATERIAL_SAYS: Readonly<Record<Material, string>> = {
  stainless: 'does not react',
  enamel: 'does not react while it is whole',
  glass: 'does not react; cracks from sudden heat unless marked',
  ceramic: 'does not react while the glaze is whole',
  plastic: 'does not react; cold work only',
  wood: 'takes up dye',
  aluminium: 'reacts with alkali and acid; its metal shifts colours',
  copper: 'its metal goes into acid baths and shifts colours',
  iron: 'its metal goes into the bath and saddens',
  galvanised: 'acid frees hydrogen and zinc from it',
  zinc: 'acid frees hydrogen and zinc from it',
  tinned: 'alkali takes its coat',
};

export interface Vessel {
  readonly id: string;
  readonly name: string;
  readonly kind: VesselKind;
  /** To the brim, L; null for a line or a table. */
  readonly litres: number | null;
  readonly material: Material;
  /** Marked heat-proof, for glass. */
  readonly heatProof: boolean;
  readonly heatSourceId: string | null;
  readonly probeId: string | null;
  readonly dyeOnly: boolean;
  /** Place in the kitchen, left to right: columns stand in this order. */
  readonly order: number;
  readonly revision: number;
}

/** Lines and tables hold any number of things at once. */
export const holdsMany = (vessel: Pick<Vessel, 'kind'> | null): boolean => vessel?.kind === 'line' || vessel?.kind === 'table';
