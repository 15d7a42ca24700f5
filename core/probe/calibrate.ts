/**
 * What a probe reads in baths whose temperature is known: melting ice and boiling water, the two points that a kitchen has (common practice
 * for thermometers; ice 0 °C by definition of the point, the boil by the home's altitude).
 */
export interface Calibration {
  /** In melting ice, °C; null or missing: nobody looked. */
  readonly iceReadsC?: number | null | undefined;
  /** In boiling water, °C; null or missing: nobody looked. */
  readonly boilReadsC?: number | null | undefined;
}

/** A probe farther off than this is broken, or was not in ice or boiling water, K. */
export const MOST_OFF_K = 8;
const ICE_C = 0;

/**
 * What a bath has, from what its probe reads: moved by what it is off at one point, or along the line through both. Rounded to hundredths,
 * as finely as probes tell.
 * @param boilC at which water boils here
 */
export function corrected(readsC: number, { iceReadsC, boilReadsC }: Calibration, boilC: number): number {
  const rounded = (c: number) => Math.round(c * 100) / 100;
  if (iceReadsC == null && boilReadsC == null) return readsC;
  if (iceReadsC == null) return rounded(readsC - ((boilReadsC as number) - boilC));
  if (boilReadsC == null) return rounded(readsC - (iceReadsC - ICE_C));
  return rounded(ICE_C + ((readsC - iceReadsC) * (boilC - ICE_C)) / (boilReadsC - iceReadsC));
}

/** What is wrong with a calibration, in words; null: nothing. */
export function calibrationFault({ iceReadsC, boilReadsC }: Calibration, boilC: number): string | null {
  if (iceReadsC != null && Math.abs(iceReadsC - ICE_C) > MOST_OFF_K)
    return `In melting ice a probe reads near 0 °C. This one would be ${Math.abs(Math.round(iceReadsC))} °C off: stir the ice water and read again, or take another probe.`;
  if (boilReadsC != null && Math.abs(boilReadsC - boilC) > MOST_OFF_K)
    return `Water boils at ${boilC.toFixed(1)} °C here. This probe would be ${Math.abs(Math.round(boilReadsC - boilC))} °C off: is it in the boiling water, and is the altitude right?`;
  return null;
}
