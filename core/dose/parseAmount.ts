import { readNumber } from '../measure/parseNumber';
import { type Kitchen, type ParseRefusal, parseQuantity } from '../measure/parseQuantity';
import type { AmountUnit } from '../measure/print';
import { convert } from '../measure/units';
import { err, ok, type Result } from '../result';
import { spoonsToGrams } from './spoons';

export interface ReadAmount {
  readonly value: number;
  /** Set when a spoon stood in for the scale: how far off it may be, %. */
  readonly plusMinusPct: number | null;
}

/**
 * An amount as people type it, in the unit that is wanted. A powder by the spoon becomes grams with its uncertainty,
 * when its bulk density is known; grams typed where a liquid is wanted are pointed out, not converted.
 */
export function parseAmount(
  text: string,
  unit: AmountUnit,
  bulkGPerMl: readonly [number, number] | null = null,
  kitchen: Kitchen = null,
): Result<ReadAmount, ParseRefusal> {
  const exact = (value: number) => ok({ value, plusMinusPct: null });
  if (unit === 'piece') {
    const number = readNumber(text.trim());
    if (!number) return err(text.trim() === '' ? { why: 'empty' } : { why: 'noNumber', text });
    return /^\s*(×|x|bags?|pieces?)?\s*$/i.test(number.rest) ? exact(number.value) : err({ why: 'unknownUnit', unit: number.rest.trim() });
  }
  const parsed = parseQuantity(text, unit === 'g' ? 'mass' : 'volume', kitchen, unit);
  if (parsed.ok) return exact(convert(parsed.value.value, parsed.value.unit, unit));
  if (unit !== 'g' || bulkGPerMl === null || parsed.error.why !== 'wrongFamily') return parsed;
  const spoons = parseQuantity(text, 'volume', kitchen);
  if (!spoons.ok) return spoons;
  const range = spoonsToGrams(convert(spoons.value.value, spoons.value.unit, 'mL'), bulkGPerMl);
  return ok({ value: range.midG, plusMinusPct: range.plusMinusPct });
}
