import type { AmountUnit } from '../measure/print';

/** Prices in whatever money the dyer uses; they are never converted. */
export interface CostLine {
  readonly name: string;
  readonly used: number | null;
  readonly unit: AmountUnit;
  /** Price of one gram, millilitre or piece; null when nobody wrote it down. */
  readonly pricePerUnit: number | null;
}

export interface Cost {
  readonly total: number;
  readonly per100gFibre: number | null;
  /** What could not be counted, by name: a cost with gaps says so. */
  readonly missing: readonly string[];
}

/** Cost of what was used, and per 100 g of dry fibre. */
export function costOf(lines: readonly CostLine[], dryFibreG: number | null): Cost {
  let total = 0;
  const missing: string[] = [];
  for (const line of lines) {
    if (line.used === null || line.pricePerUnit === null) missing.push(line.name);
    else total += line.used * line.pricePerUnit;
  }
  return { total, missing, per100gFibre: dryFibreG === null || dryFibreG <= 0 ? null : (total / dryFibreG) * 100 };
}
