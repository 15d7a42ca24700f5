/**
 * Exact factors. Source: NIST SP 811 (2008) App. B and NIST Handbook 44 App. C; the imperial gallon by the
 * UK Weights and Measures Act 1985. A cup is not a cup: US, metric and imperial measures are different units.
 */
export type Family = 'mass' | 'volume' | 'length' | 'area' | 'arealMass' | 'time';

const POUND_G = 453.59237;
const US_GALLON_ML = 3785.411784;
const IMP_GALLON_ML = 4546.09;

/** Base units: mass g, volume mL, length mm, area cm², mass per area g/m², time min. */
export const UNITS = {
  mg: { family: 'mass', factor: 1e-3, label: 'mg' },
  g: { family: 'mass', factor: 1, label: 'g' },
  kg: { family: 'mass', factor: 1000, label: 'kg' },
  oz: { family: 'mass', factor: POUND_G / 16, label: 'oz' },
  lb: { family: 'mass', factor: POUND_G, label: 'lb' },
  stone: { family: 'mass', factor: POUND_G * 14, label: 'st' },
  grain: { family: 'mass', factor: 0.06479891, label: 'gr' },
  mL: { family: 'volume', factor: 1, label: 'mL' },
  L: { family: 'volume', factor: 1000, label: 'L' },
  usTsp: { family: 'volume', factor: US_GALLON_ML / 768, label: 'tsp (US)' },
  usTbsp: { family: 'volume', factor: US_GALLON_ML / 256, label: 'Tbsp (US)' },
  usFlOz: { family: 'volume', factor: US_GALLON_ML / 128, label: 'fl oz (US)' },
  usCup: { family: 'volume', factor: US_GALLON_ML / 16, label: 'cup (US)' },
  usPint: { family: 'volume', factor: US_GALLON_ML / 8, label: 'pint (US)' },
  usQuart: { family: 'volume', factor: US_GALLON_ML / 4, label: 'quart (US)' },
  usGal: { family: 'volume', factor: US_GALLON_ML, label: 'gal (US)' },
  metricTsp: { family: 'volume', factor: 5, label: 'tsp (metric)' },
  metricTbsp: { family: 'volume', factor: 15, label: 'Tbsp (metric)' },
  auTbsp: { family: 'volume', factor: 20, label: 'Tbsp (Australian)' },
  metricCup: { family: 'volume', factor: 250, label: 'cup (metric)' },
  impFlOz: { family: 'volume', factor: IMP_GALLON_ML / 160, label: 'fl oz (imperial)' },
  impCup: { family: 'volume', factor: IMP_GALLON_ML / 16, label: 'cup (imperial)' },
  impPint: { family: 'volume', factor: IMP_GALLON_ML / 8, label: 'pint (imperial)' },
  impQuart: { family: 'volume', factor: IMP_GALLON_ML / 4, label: 'quart (imperial)' },
  impGal: { family: 'volume', factor: IMP_GALLON_ML, label: 'gal (imperial)' },
  mm: { family: 'length', factor: 1, label: 'mm' },
  cm: { family: 'length', factor: 10, label: 'cm' },
  m: { family: 'length', factor: 1000, label: 'm' },
  inch: { family: 'length', factor: 25.4, label: 'in' },
  yard: { family: 'length', factor: 914.4, label: 'yd' },
  cm2: { family: 'area', factor: 1, label: 'cm²' },
  m2: { family: 'area', factor: 10_000, label: 'm²' },
  yd2: { family: 'area', factor: 8361.2736, label: 'yd²' },
  gPerM2: { family: 'arealMass', factor: 1, label: 'g/m²' },
  ozPerYd2: { family: 'arealMass', factor: POUND_G / 16 / 0.83612736, label: 'oz/yd²' },
  min: { family: 'time', factor: 1, label: 'min' },
  h: { family: 'time', factor: 60, label: 'h' },
  d: { family: 'time', factor: 1440, label: 'd' },
} as const satisfies Record<string, { family: Family; factor: number; label: string }>;

export type UnitId = keyof typeof UNITS;

export const familyOf = (unit: UnitId): Family => UNITS[unit].family;

/** Converts within one family. Throws when the families differ: grams are never millilitres by themselves. */
export function convert(value: number, from: UnitId, to: UnitId): number {
  const a = UNITS[from];
  const b = UNITS[to];
  if (a.family !== b.family) throw new Error(`cannot turn ${a.label} (${a.family}) into ${b.label} (${b.family})`);
  return from === to ? value : (value * a.factor) / b.factor;
}
