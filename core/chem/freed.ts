import { type Band, exactly } from './band';
import type { WeakAcidId } from './constants';
import { molarMass } from './molarMass';

/** What a substance sets free in water, in mol of it all. */
export interface Ions {
  readonly weak?: readonly [WeakAcidId, number];
  readonly monovalent?: number;
  readonly divalent?: number;
  /** Chalk that lies in it and dissolves as far as it can. */
  readonly chalk?: number;
}

interface Solute {
  readonly formula: string;
  /** Of one mole. */
  readonly ions: Ions;
  /** mol/L that dissolve at most, by temperature in °C; missing: more than anybody puts in. */
  readonly mostMolPerL?: readonly (readonly [tempC: number, mol: number])[];
  /** g of it in 100 mL, where it comes as a liquid: what is usual, and from where to where. */
  readonly liquidPct?: { readonly usual: number; readonly low: number; readonly high: number };
}

/**
 * What dissolves at most, mol/L. At 25 °C: slaked lime by pKsp 5.19 (its pH is then 12.45), cream of tartar (check values D1, D2). How that
 * changes with temperature: by the tables of solubility in handbooks, from memory; lime dissolves less when it is hot, tartar much more.
 * Lemon juice from memory.
 */
const LIME = [
  [0, 0.0201],
  [25, 0.0175],
  [40, 0.0151],
  [60, 0.0123],
  [80, 0.0099],
  [100, 0.0082],
] as const;
const TARTAR = [
  [0, 0.017],
  [25, 0.0341],
  [40, 0.068],
  [60, 0.127],
  [80, 0.235],
  [100, 0.365],
] as const;
const SOLUTES: Readonly<Record<string, Solute>> = {
  sodaAsh: { formula: 'Na2CO3', ions: { weak: ['carbonic', 1], monovalent: 2 } },
  washingSoda: { formula: 'Na2CO3·10H2O', ions: { weak: ['carbonic', 1], monovalent: 2 } },
  bakingSoda: { formula: 'NaHCO3', ions: { weak: ['carbonic', 1], monovalent: 1 } },
  slakedLime: { formula: 'Ca(OH)2', ions: { divalent: 1 }, mostMolPerL: LIME },
  chalk: { formula: 'CaCO3', ions: { chalk: 1 } },
  lye: { formula: 'NaOH', ions: { monovalent: 1 } },
  ammonia: { formula: 'NH3', ions: { weak: ['ammonium', 1] }, liquidPct: { usual: 5, low: 3, high: 10 } },
  vinegar: { formula: 'CH3COOH', ions: { weak: ['acetic', 1] }, liquidPct: { usual: 5, low: 4, high: 8 } },
  lemonJuice: { formula: 'C6H8O7', ions: { weak: ['citric', 1] }, liquidPct: { usual: 5, low: 4, high: 7 } },
  tartaricAcid: { formula: 'C4H6O6', ions: { weak: ['tartaric', 1] } },
  borax: { formula: 'Na2B4O7·10H2O', ions: { weak: ['boric', 4], monovalent: 2 } },
  citricAcid: { formula: 'C6H8O7', ions: { weak: ['citric', 1] } },
  creamOfTartar: { formula: 'KHC4H4O6', ions: { weak: ['tartaric', 1], monovalent: 1 }, mostMolPerL: TARTAR },
};

/** Salts whose metal takes water apart: a computed pH of them is wrong by half a unit and more (check values D2). */
const METALS = new Set(['alum', 'ammoniumAlum', 'aluminiumAcetate', 'aluminiumTriformate', 'ironSulfate', 'ironLiquor', 'copperSulfate', 'tinChloride']);

/** What moves a pH and stands on no dyer's shelf here: for the sum alone. */
export const SUM_ONLY: readonly { readonly id: string; readonly name: string; readonly bulkGPerMl: null }[] = [
  { id: 'tartaricAcid', name: 'tartaric acid', bulkGPerMl: null },
  { id: 'borax', name: 'borax', bulkGPerMl: null },
];

/** It takes hours to do what it can, and stirring: until then it has done less. */
export const isSlow = (substance: string): boolean => SOLUTES[substance]?.ions.chalk !== undefined;
export const isLiquid = (substance: string): boolean => SOLUTES[substance]?.liquidPct !== undefined;
export const movesPh = (substance: string): boolean => SOLUTES[substance] !== undefined;
export const isMetal = (substance: string): boolean => METALS.has(substance);
export const usualStrength = (substance: string): Solute['liquidPct'] | null => SOLUTES[substance]?.liquidPct ?? null;

/** g in 100 mL: as the label says, else as it is mostly sold; nothing of a powder. @param toldPct null: no label was read */
export function strengthBand(substance: string, toldPct: number | null): Band {
  if (toldPct !== null) return exactly(toldPct);
  const usual = usualStrength(substance);
  return usual ? { low: usual.low, likely: usual.usual, high: usual.high } : exactly(0);
}

/**
 * Mol of the acting substance, as much as dissolves.
 * @param amount g of a powder, mL of a liquid
 * @param strengthPct g in 100 mL, of liquids only
 * @returns null where it has no part in the pH
 */
export function molOf(substance: string, amount: number, strengthPct: number, bathL: number, tempC = 25): number | null {
  const solute = SOLUTES[substance];
  if (!solute) return null;
  const grams = solute.liquidPct ? (amount * strengthPct) / 100 : amount;
  return Math.min(grams / molarMass(solute.formula), (solute.mostMolPerL ? between(solute.mostMolPerL, tempC) : Number.POSITIVE_INFINITY) * bathL);
}

/** In a straight line between the tabled temperatures; beyond them as at the nearer end. */
function between(table: readonly (readonly [number, number])[], tempC: number): number {
  const over = table.findIndex(([c]) => c >= tempC);
  const [high, low] = [table[over] ?? table.at(-1), table[Math.max(0, over < 0 ? table.length - 1 : over - 1)]];
  if (!high || !low || high[0] === low[0]) return high?.[1] ?? 0;
  return low[1] + ((high[1] - low[1]) * (tempC - low[0])) / (high[0] - low[0]);
}

/** What so many moles set free; null where it has no part in the pH. */
export function ionsOf(substance: string, mol: number): Ions | null {
  const ions = SOLUTES[substance]?.ions;
  if (!ions) return null;
  return {
    ...(ions.weak ? { weak: [ions.weak[0], ions.weak[1] * mol] as const } : {}),
    ...(ions.monovalent ? { monovalent: ions.monovalent * mol } : {}),
    ...(ions.divalent ? { divalent: ions.divalent * mol } : {}),
    ...(ions.chalk ? { chalk: ions.chalk * mol } : {}),
  };
}
