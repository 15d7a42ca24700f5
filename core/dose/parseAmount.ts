import type { Figure } from '../figure';
import { readNumber } from '../measure/parseNumber';
import { type Kitchen, type ParseRefusal, parseQuantity, refusalText } from '../measure/parseQuantity';
import type { AmountUnit } from '../measure/print';
import { readSaid } from '../measure/said';
import { convert } from '../measure/units';
import { err, ok, type Result } from '../result';
import { spoonsToGrams } from './spoons';

/** An amount as it was said: weighed, guessed, or a range. */
export interface ReadAmount {
  readonly figure: Exclude<Figure, { state: 'unknown' }>;
  /** Set when a spoon stood in for the scale: how far off it may be, %. */
  readonly plusMinusPct: number | null;
}

/** Counted things, and what people call them. */
const COUNTED: Readonly<Record<'piece' | 'handful', RegExp>> = { piece: /^(×|x|bags?|pieces?|tea ?bags?)?$/i, handful: /^(handfuls?|handsful)?$/i };

/**
 * An amount as people type it, in the unit that is wanted: "54 g", "about 2 oz", "3–4 cups", "at least 1 tsp". A powder by
 * the spoon becomes grams with its uncertainty, when its bulk density is known; grams typed where a liquid is wanted are
 * pointed out, not converted.
 * @returns the amount in the unit, or a sentence that says what to mend
 */
export function parseAmount(
  text: string,
  unit: AmountUnit,
  bulkGPerMl: readonly [number, number] | null = null,
  kitchen: Kitchen = null,
): Result<ReadAmount, string> {
  let plusMinusPct: number | null = null;
  const said = readSaid(text, (part): Result<number, ParseRefusal> => {
    if (unit === 'piece' || unit === 'handful') return counted(part, unit);
    const parsed = parseQuantity(part, unit === 'g' ? 'mass' : 'volume', kitchen, unit);
    if (parsed.ok) return ok(convert(parsed.value.value, parsed.value.unit, unit));
    if (unit !== 'g' || bulkGPerMl === null || parsed.error.why !== 'wrongFamily') return parsed;
    const spoons = parseQuantity(part, 'volume', kitchen);
    if (!spoons.ok) return spoons;
    const range = spoonsToGrams(convert(spoons.value.value, spoons.value.unit, 'mL'), bulkGPerMl);
    ({ plusMinusPct } = range);
    return ok(range.midG);
  });
  if (!said.ok) return err(typeof said.error === 'string' ? said.error : refusalText(said.error));
  const { known, about } = said.value;
  if (typeof known === 'object') return ok({ figure: { state: 'between', ...known }, plusMinusPct });
  return ok({ figure: { state: about || plusMinusPct !== null ? 'estimated' : 'measured', value: known }, plusMinusPct });
}

function counted(text: string, unit: 'piece' | 'handful'): Result<number, ParseRefusal> {
  const trimmed = text.trim().replace(/^an?\s+/i, '1 ');
  if (trimmed === '') return err({ why: 'empty' });
  const number = readNumber(trimmed);
  if (!number) return err({ why: 'noNumber', text: trimmed });
  const rest = number.rest.trim();
  return COUNTED[unit].test(rest) ? ok(number.value) : err({ why: 'unknownUnit', unit: rest });
}

/** Which unit a plant's amount was said in, by weight, volume or count: "3–4 cups" is mL. A bare number is grams. */
export function amountUnitOf(text: string, kitchen: Kitchen = null): AmountUnit {
  if (/handful|handsful/i.test(text)) return 'handful';
  if (/[×]|\bx\b|\bbags?\b|\bpieces?\b|\btea ?bags?\b/i.test(text)) return 'piece';
  return parseAmount(text, 'mL', null, kitchen ?? 'metric').ok && !parseAmount(text, 'g', null, kitchen).ok ? 'mL' : 'g';
}
