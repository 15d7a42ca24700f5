import { ARITHMETIC, type Working, work } from '../dose/working';
import { unreachable } from '../result';
import type { FibreKind, Share } from './fibre';

/** How a weight was worked out, kept beside it so that it can be opened and done again. */
export type WeightFrom =
  | { readonly kind: 'cloth'; readonly widthCm: number; readonly lengthCm: number; readonly pieces: number; readonly gPerM2: number }
  | { readonly kind: 'yarn'; readonly lengthM: number; readonly count: YarnCount }
  | { readonly kind: 'regain'; readonly ovenDryG: number; readonly table: RegainTable };

export const COUNT_SYSTEMS = ['tex', 'dtex', 'denier', 'Nm', 'Ne', 'worsted', 'lea', 'run', 'mPer100g', 'ydPerLb'] as const;
export type CountSystem = (typeof COUNT_SYSTEMS)[number];
/** `value` is of one strand; `plies` of them are twisted together ("Nm 2/16" is 16 with 2 plies). */
export interface YarnCount {
  readonly system: CountSystem;
  readonly value: number;
  readonly plies: number;
}

const POUND_G = 453.59237;
const YARD_M = 0.9144;
/** Hanks per pound of so many yards: tex = 1000 · pound ÷ (yards · yard · count). ISO 1144, ASTM D861. */
const perPound = (yards: number) => (1000 * POUND_G) / (yards * YARD_M);

/** Resultant linear density of the plied yarn, g per km; twist take-up left out, as usual in the trade. */
export function toTex({ system, value, plies }: YarnCount): number {
  switch (system) {
    case 'tex':
      return value * plies;
    case 'dtex':
      return (value / 10) * plies;
    case 'denier':
      return (value / 9) * plies;
    case 'Nm':
      return (1000 / value) * plies;
    case 'Ne':
      return (perPound(840) / value) * plies;
    case 'worsted':
      return (perPound(560) / value) * plies;
    case 'run':
      return (perPound(1600) / value) * plies;
    case 'lea':
      return (perPound(300) / value) * plies;
    // Ball-band figures are of the finished yarn: its plies are in them already.
    case 'mPer100g':
      return 100_000 / value;
    case 'ydPerLb':
      return (POUND_G / (value * YARD_M)) * 1000;
    default:
      return unreachable(system);
  }
}

export const COUNT_LABEL: Readonly<Record<CountSystem, string>> = {
  tex: 'tex (g per km)',
  dtex: 'dtex',
  denier: 'denier',
  Nm: 'Nm (m per g)',
  Ne: 'Ne, cotton count',
  worsted: 'worsted count',
  lea: 'linen lea',
  run: 'woollen run',
  mPer100g: 'm per 100 g',
  ydPerLb: 'yd per lb',
};

export const clothWeight = (widthCm: number | null, lengthCm: number | null, pieces: number, gPerM2: number | null): Working =>
  work(
    'width × length × pieces × mass per area',
    [
      { name: 'width', value: widthCm, unit: 'cm' },
      { name: 'length', value: lengthCm, unit: 'cm' },
      { name: 'pieces', value: pieces, unit: '' },
      { name: 'mass per area', value: gPerM2, unit: 'g/m²' },
    ],
    'g',
    ARITHMETIC,
    (w, l, n, gsm) => ((w * l * n) / 10_000) * gsm,
  );

export const yarnWeight = (lengthM: number | null, tex: number | null): Working =>
  work(
    'length × tex ÷ 1000',
    [
      { name: 'length', value: lengthM, unit: 'm' },
      { name: 'yarn', value: tex, unit: 'tex' },
    ],
    'g',
    'ISO 1144, ASTM D861: tex is grams per kilometre',
    (m, t) => (m * t) / 1000,
  );

/** Length of yarn in a weight, m. */
export const yarnLengthM = (grams: number, tex: number): number => (grams / tex) * 1000;

export type RegainTable = 'astm' | 'eu';
export const REGAIN_SOURCE: Readonly<Record<RegainTable, string>> = {
  astm: 'ASTM D1909, from memory',
  eu: 'EU 1007/2011 Annex IX, from memory',
};

/** Moisture regain, % of oven-dry mass. Two tables exist and differ; both from memory, unverified. */
const REGAIN: Readonly<Record<RegainTable, Readonly<Partial<Record<FibreKind, number>>>>> = {
  astm: {
    wool: 13.6,
    mohair: 13.6,
    alpaca: 13.6,
    silk: 11,
    cotton: 7,
    linen: 8.75,
    hemp: 12,
    jute: 13.75,
    ramie: 7.8,
    viscose: 11,
    bamboo: 11,
    polyamide: 4.5,
    polyester: 0.4,
    acrylic: 1.5,
  },
  eu: {
    wool: 18.25,
    mohair: 18.25,
    alpaca: 18.25,
    silk: 11,
    cotton: 8.5,
    linen: 12,
    hemp: 12,
    jute: 17,
    ramie: 8.5,
    viscose: 13,
    bamboo: 13,
    polyamide: 6.25,
    polyester: 1.5,
    acrylic: 2,
  },
};

/** Regain of a blend, weighted by dry share; null when the composition is unknown. */
export function regainPct(composition: readonly Share[], table: RegainTable): number | null {
  if (composition.length === 0) return null;
  let sum = 0;
  for (const { fibre, pct } of composition) {
    const regain = REGAIN[table][fibre];
    if (regain === undefined) return null;
    sum += (regain * pct) / 100;
  }
  return sum;
}

/** The air-dry weight that percentages refer to, from an oven-dry one. */
export const conditionedWeight = (ovenDryG: number | null, regain: number | null, table: RegainTable): Working =>
  work(
    'oven-dry weight × (1 + regain ÷ 100)',
    [
      { name: 'oven-dry weight', value: ovenDryG, unit: 'g' },
      { name: 'moisture regain of this composition', value: regain, unit: '%' },
    ],
    'g',
    REGAIN_SOURCE[table],
    (g, r) => g * (1 + r / 100),
  );

/** Oven-dry weight of a conditioned one: 100 g of wool at 13.6 % is 88.0 g. */
export const ovenDryG = (conditionedG: number, regain: number): number => conditionedG / (1 + regain / 100);

/** The working behind a stored way of coming by a weight. */
export function weightWorking(from: WeightFrom, composition: readonly Share[]): Working {
  switch (from.kind) {
    case 'cloth':
      return clothWeight(from.widthCm, from.lengthCm, from.pieces, from.gPerM2);
    case 'yarn':
      return yarnWeight(from.lengthM, toTex(from.count));
    case 'regain':
      return conditionedWeight(from.ovenDryG, regainPct(composition, from.table), from.table);
    default:
      return unreachable(from);
  }
}
