/**
 * Does it fit the vessel, can it be carried. Volumes as in the safety handbook P2 and P3: fibre displaces its weight
 * ÷ 1.4 kg/L, plant its own weight at 1 kg/L; an empty pot weighs about 0.2 kg per litre (estimate) unless entered.
 */
const FIBRE_KG_PER_L = 1.4;
const EMPTY_POT_KG_PER_L = 0.2;

export interface Load {
  readonly waterMl: number | null;
  readonly dryFibreG: number | null;
  readonly plantG: number | null;
  readonly vesselMl: number | null;
  readonly vesselKg?: number | null;
}

export interface Fit {
  /** Occupied volume, mL. */
  readonly filledMl: number;
  /** Share of the brim, %. */
  readonly fillPct: number;
  /** Vessel and contents together, kg. */
  readonly totalKg: number;
  /** What does not go in at all, mL; 0 when it fits below the brim. */
  readonly overMl: number;
}

/** @returns null when the water or the vessel's volume is unknown; an unknown weight of fibre or plant is unknown too */
export function fitVessel(load: Load): Fit | null {
  const { waterMl, dryFibreG, plantG, vesselMl } = load;
  if (waterMl === null || dryFibreG === null || plantG === null || vesselMl === null) return null;
  const filledMl = waterMl + dryFibreG / FIBRE_KG_PER_L + plantG;
  const emptyKg = load.vesselKg ?? (vesselMl / 1000) * EMPTY_POT_KG_PER_L;
  return {
    filledMl,
    fillPct: (filledMl / vesselMl) * 100,
    totalKg: (waterMl + dryFibreG + plantG) / 1000 + emptyKg,
    overMl: Math.max(0, filledMl - vesselMl),
  };
}
