import { readNumber } from '@/core/measure/parseNumber';
import { type Kitchen, parseIn, refusalText } from '@/core/measure/parseQuantity';
import type { Family, UnitId } from '@/core/measure/units';

/** What a field of the bench says: a number, nothing yet, or what to mend. */
export interface Read {
  readonly value: number | null;
  readonly problem: string | null;
}

/** A quantity in the unit wanted: "3 lb 4 oz" in g. Empty is nothing yet. */
export function readQuantity(text: string, family: Family, unit: UnitId, kitchen: Kitchen = null): Read {
  if (text.trim() === '') return { value: null, problem: null };
  const parsed = parseIn(text, family, unit, kitchen);
  if (!parsed.ok) return { value: null, problem: refusalText(parsed.error) };
  return parsed.value > 0 ? { value: parsed.value, problem: null } : { value: null, problem: 'It is above 0.' };
}

/** A plain number, 0 and below allowed only where asked for. */
export function readPlain(text: string, least = 0): Read {
  if (text.trim() === '') return { value: null, problem: null };
  const number = readNumber(text.trim());
  if (!number || number.ambiguousComma || !/^\s*(%|: ?1)?\s*$/.test(number.rest)) return { value: null, problem: 'Write a number.' };
  return number.value < least ? { value: null, problem: `At least ${least}.` } : { value: number.value, problem: null };
}
