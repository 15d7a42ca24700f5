import type { Kitchen } from './parseQuantity';

/**
 * As a dyer measures: how figures are printed to them, and whose spoons are meant where a text does not say. Everything is
 * stored and computed in g, mL and °C, and every field takes every writing, whatever is chosen here.
 */
export interface Measures {
  readonly mass: 'grams' | 'ounces';
  readonly volume: 'litres' | 'us' | 'imperial';
  /** Whose cups and spoons a bare “1 tsp” means; null asks each time. */
  readonly kitchen: Kitchen;
  readonly temperature: 'C' | 'F';
  readonly clock: '24h' | '12h';
  /** First day of the week in calendars: 0 = Sunday. */
  readonly weekStart: 0 | 1 | 6;
  readonly dateOrder: 'dmy' | 'mdy' | 'ymd';
}

export const MASS_WAYS = ['grams', 'ounces'] as const;
export const VOLUME_WAYS = ['litres', 'us', 'imperial'] as const;
export const KITCHENS = ['us', 'metric', 'imperial', 'australian'] as const;
export const DATE_ORDERS = ['dmy', 'mdy', 'ymd'] as const;

/** Where nobody has said anything. */
export const METRIC: Measures = { mass: 'grams', volume: 'litres', kitchen: null, temperature: 'C', clock: '24h', weekStart: 1, dateOrder: 'dmy' };
