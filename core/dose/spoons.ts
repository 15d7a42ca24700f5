import { convert, UNITS, type UnitId } from '../measure/units';

/** Grams of a powder by the spoon: never one figure, always a range. Bulk densities are estimates of about ±25 %. */
export interface SpoonRange {
  readonly lowG: number;
  readonly highG: number;
  /** Middle of the range. */
  readonly midG: number;
  /** Half the range, % of the middle. */
  readonly plusMinusPct: number;
}

/** @param bulkGPerMl least and most, g/mL; both the same where somebody weighed their own spoon */
export function spoonsToGrams(volumeMl: number, bulkGPerMl: readonly [number, number]): SpoonRange {
  const [low, high] = bulkGPerMl;
  const midG = (volumeMl * (low + high)) / 2;
  return { lowG: volumeMl * low, highG: volumeMl * high, midG, plusMinusPct: low + high === 0 ? 0 : ((high - low) / (low + high)) * 100 };
}

/** Millilitres of powder for a mass: least and most. */
export const gramsToMl = (massG: number, [low, high]: readonly [number, number]): readonly [number, number] => [massG / high, massG / low];

const SPOONS: readonly UnitId[] = ['metricTbsp', 'metricTsp'];
const US_SPOONS: readonly UnitId[] = ['usTbsp', 'usTsp'];
const EIGHTHS: Readonly<Record<number, string>> = { 1: '1/8', 2: '1/4', 3: '3/8', 4: '1/2', 5: '5/8', 6: '3/4', 7: '7/8' };

/**
 * The nearest spoon measure, in eighths of a teaspoon: "1 1/4 tsp (US)". Only a stand-in for the scale.
 * @returns null below a sixteenth of a teaspoon, where a spoon measures nothing
 */
export function nearestSpoons(volumeMl: number, kitchen: 'us' | 'metric'): string | null {
  const [tbsp, tsp] = kitchen === 'us' ? US_SPOONS : SPOONS;
  if (!tbsp || !tsp) return null;
  const eighths = Math.round((volumeMl / convert(1, tsp, 'mL')) * 8);
  if (eighths < 1) return null;
  const perTbsp = Math.round((convert(1, tbsp, 'mL') / convert(1, tsp, 'mL')) * 8);
  if (eighths >= perTbsp && eighths % perTbsp === 0) return `${eighths / perTbsp} ${UNITS[tbsp].label}`;
  const whole = Math.floor(eighths / 8);
  const part = EIGHTHS[eighths % 8];
  return `${[whole > 0 ? String(whole) : '', part ?? ''].filter(Boolean).join(' ')} ${UNITS[tsp].label}`;
}
