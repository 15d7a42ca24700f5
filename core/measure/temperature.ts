/** Temperature scales; t_F = 1.8 t_C + 32 (NIST SP 811 App. B). A difference has no offset. */
export const fahrenheitToC = (f: number): number => (f - 32) / 1.8;
export const celsiusToF = (c: number): number => c * 1.8 + 32;
export const fahrenheitDifferenceToK = (differenceF: number): number => differenceF / 1.8;

export interface TemperatureClash {
  readonly celsius: number;
  readonly fahrenheit: number;
  /** What the Fahrenheit figure really is, °C. */
  readonly fahrenheitAsC: number;
  readonly differenceK: number;
}

/**
 * A recipe that gives both scales must agree with itself ("80 °C / 160 °F" does not).
 * @param toleranceK rounding that recipes are allowed, K; 1.5 lets 82 °C / 180 °F pass
 */
export function temperatureClash(celsius: number, fahrenheit: number, toleranceK = 1.5): TemperatureClash | null {
  const fahrenheitAsC = fahrenheitToC(fahrenheit);
  const differenceK = Math.abs(celsius - fahrenheitAsC);
  return differenceK > toleranceK ? { celsius, fahrenheit, fahrenheitAsC, differenceK } : null;
}
