export type FibreClass = 'protein' | 'cellulose' | 'synthetic';

/** Fibres met in the trade, with the class that decides their chemistry. Common practice, no source. */
export const FIBRES = {
  wool: { name: 'wool', class: 'protein' },
  silk: { name: 'silk', class: 'protein' },
  mohair: { name: 'mohair', class: 'protein' },
  alpaca: { name: 'alpaca', class: 'protein' },
  cotton: { name: 'cotton', class: 'cellulose' },
  linen: { name: 'linen', class: 'cellulose' },
  hemp: { name: 'hemp', class: 'cellulose' },
  ramie: { name: 'ramie', class: 'cellulose' },
  jute: { name: 'jute', class: 'cellulose' },
  bamboo: { name: 'bamboo', class: 'cellulose' },
  viscose: { name: 'viscose', class: 'cellulose' },
  polyamide: { name: 'polyamide', class: 'synthetic' },
  polyester: { name: 'polyester', class: 'synthetic' },
  acrylic: { name: 'acrylic', class: 'synthetic' },
} as const satisfies Record<string, { name: string; class: FibreClass }>;

export type FibreKind = keyof typeof FIBRES;

export interface Share {
  readonly fibre: FibreKind;
  /** Share of the dry weight, %, in (0, 100]. */
  readonly pct: number;
}
