import { err, ok, type Result } from '../result';
import { readNumber } from './parseNumber';
import { fahrenheitToC } from './temperature';
import { convert, type Family, familyOf, UNITS, type UnitId } from './units';

export type ParseRefusal =
  | { readonly why: 'empty' }
  | { readonly why: 'noNumber'; readonly text: string }
  | { readonly why: 'noUnit'; readonly options: readonly UnitId[] }
  | { readonly why: 'unknownUnit'; readonly unit: string }
  | { readonly why: 'wrongFamily'; readonly unit: UnitId; readonly wanted: Family }
  | { readonly why: 'whoseUnit'; readonly unit: string; readonly options: readonly UnitId[] }
  | { readonly why: 'ambiguousComma'; readonly text: string };

export interface Quantity {
  readonly value: number;
  readonly unit: UnitId;
}

/** Whose spoons and cups are meant when a text does not say. `null` means: ask. */
export type Kitchen = 'us' | 'metric' | 'imperial' | 'australian' | null;

const PLAIN: Readonly<Record<string, UnitId>> = {
  mg: 'mg',
  g: 'g',
  gr: 'g',
  gram: 'g',
  grams: 'g',
  gramme: 'g',
  grammes: 'g',
  kg: 'kg',
  kilo: 'kg',
  kilos: 'kg',
  oz: 'oz',
  ounce: 'oz',
  ounces: 'oz',
  lb: 'lb',
  lbs: 'lb',
  pound: 'lb',
  pounds: 'lb',
  st: 'stone',
  stone: 'stone',
  grain: 'grain',
  grains: 'grain',
  ml: 'mL',
  cc: 'mL',
  millilitre: 'mL',
  millilitres: 'mL',
  milliliter: 'mL',
  milliliters: 'mL',
  l: 'L',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  liters: 'L',
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  in: 'inch',
  inch: 'inch',
  inches: 'inch',
  '"': 'inch',
  yd: 'yard',
  yard: 'yard',
  yards: 'yard',
  cm2: 'cm2',
  'cm²': 'cm2',
  m2: 'm2',
  'm²': 'm2',
  yd2: 'yd2',
  'yd²': 'yd2',
  'g/m2': 'gPerM2',
  'g/m²': 'gPerM2',
  gsm: 'gPerM2',
  'oz/yd2': 'ozPerYd2',
  'oz/yd²': 'ozPerYd2',
  min: 'min',
  mins: 'min',
  minute: 'min',
  minutes: 'min',
  h: 'h',
  hr: 'h',
  hrs: 'h',
  hour: 'h',
  hours: 'h',
  d: 'd',
  day: 'd',
  days: 'd',
};

/** Household words that name different measures in different kitchens. */
const HOUSEHOLD: Readonly<Record<string, Readonly<Partial<Record<Exclude<Kitchen, null>, UnitId>>>>> = {
  tsp: { us: 'usTsp', metric: 'metricTsp', imperial: 'metricTsp', australian: 'metricTsp' },
  tbsp: { us: 'usTbsp', metric: 'metricTbsp', imperial: 'metricTbsp', australian: 'auTbsp' },
  cup: { us: 'usCup', metric: 'metricCup', imperial: 'impCup', australian: 'metricCup' },
  floz: { us: 'usFlOz', imperial: 'impFlOz' },
  pint: { us: 'usPint', imperial: 'impPint' },
  quart: { us: 'usQuart', imperial: 'impQuart' },
  gal: { us: 'usGal', imperial: 'impGal' },
};
const HOUSEHOLD_WORDS: Readonly<Record<string, string>> = {
  tsp: 'tsp',
  tsps: 'tsp',
  teaspoon: 'tsp',
  teaspoons: 'tsp',
  tbsp: 'tbsp',
  tbsps: 'tbsp',
  tablespoon: 'tbsp',
  tablespoons: 'tbsp',
  cup: 'cup',
  cups: 'cup',
  'fl oz': 'floz',
  floz: 'floz',
  'fluid ounce': 'floz',
  'fluid ounces': 'floz',
  pint: 'pint',
  pints: 'pint',
  pt: 'pint',
  quart: 'quart',
  quarts: 'quart',
  qt: 'quart',
  gal: 'gal',
  gallon: 'gal',
  gallons: 'gal',
};
const WHOSE: Readonly<Record<string, Exclude<Kitchen, null>>> = {
  us: 'us',
  usa: 'us',
  american: 'us',
  metric: 'metric',
  imperial: 'imperial',
  imp: 'imperial',
  uk: 'imperial',
  australian: 'australian',
  au: 'australian',
};

/**
 * Reads what people type: "1 1/2 tsp (US)", "½ cup", "3 lb 4 oz", "250 g". Several parts of one family add up.
 *
 * @param wanted  the family the field needs; grams typed where litres are wanted are pointed out, not converted
 * @param kitchen whose spoons and cups; null asks, with the choices
 * @param bare    unit for a number with none; undefined asks
 */
export function parseQuantity(text: string, wanted: Family, kitchen: Kitchen = null, bare?: UnitId): Result<Quantity, ParseRefusal> {
  let rest = text.trim().toLowerCase();
  if (rest === '') return err({ why: 'empty' });
  const parts: Quantity[] = [];
  while (rest !== '') {
    const number = readNumber(rest);
    if (!number) return err({ why: 'noNumber', text: rest });
    if (number.ambiguousComma) return err({ why: 'ambiguousComma', text: rest });
    const word = /^\s*(fl\.?\s*oz|fluid ounces?|[a-zµ²"/.]+[²2]?)?\s*(?:\(\s*([a-z]+)\s*\)|\b(us|usa|metric|imperial|imp|uk|australian)\b)?[\s,+]*/.exec(
      number.rest,
    );
    const unit = unitFor((word?.[1] ?? '').replace(/\./g, '').replace(/\s+/g, ' '), word?.[2] ?? word?.[3], kitchen, bare);
    if (!unit.ok) return unit;
    if (familyOf(unit.value) !== wanted) return err({ why: 'wrongFamily', unit: unit.value, wanted });
    parts.push({ value: number.value, unit: unit.value });
    rest = number.rest.slice(word?.[0].length ?? 0);
  }
  const [first] = parts;
  if (!first) return err({ why: 'empty' });
  const value = parts.reduce((sum, part) => sum + convert(part.value, part.unit, first.unit), 0);
  return ok({ value, unit: first.unit });
}

function unitFor(word: string, whose: string | undefined, kitchen: Kitchen, bare: UnitId | undefined): Result<UnitId, ParseRefusal> {
  if (word === '') return bare ? ok(bare) : err({ why: 'noUnit', options: [] });
  const household = HOUSEHOLD[HOUSEHOLD_WORDS[word] ?? ''];
  if (!household) {
    const plain = PLAIN[word];
    return plain ? ok(plain) : err({ why: 'unknownUnit', unit: word });
  }
  const options = [...new Set(Object.values(household))];
  if (whose && !WHOSE[whose]) return err({ why: 'unknownUnit', unit: `${word} (${whose})` });
  const owner = whose ? WHOSE[whose] : kitchen;
  const unit = owner ? household[owner] : undefined;
  return unit ? ok(unit) : err({ why: 'whoseUnit', unit: word, options });
}

/** The same as a number in one unit, which is also taken for a number with none: "3 lb 4 oz" in g is 1474.18. */
export function parseIn(text: string, wanted: Family, unit: UnitId, kitchen: Kitchen = null): Result<number, ParseRefusal> {
  const parsed = parseQuantity(text, wanted, kitchen, unit);
  return parsed.ok ? ok(convert(parsed.value.value, parsed.value.unit, unit)) : parsed;
}

/** A temperature with its scale: "82", "82 C", "180F", "180 °F". A bare number is read on `bareScale`; null asks. */
export function parseTemperatureC(text: string, bareScale: 'C' | 'F' | null = 'C'): Result<number, ParseRefusal> {
  const trimmed = text.trim();
  if (trimmed === '') return err({ why: 'empty' });
  const number = readNumber(trimmed);
  if (!number) return err({ why: 'noNumber', text: trimmed });
  const scale = number.rest
    .trim()
    .toLowerCase()
    .replace(/°|º|deg(rees)?/g, '')
    .trim();
  if (scale === '' && bareScale === null) return err({ why: 'noUnit', options: [] });
  const named = scale === '' ? bareScale : /^(c|celsius|centigrade)$/.test(scale) ? 'C' : /^(f|fahrenheit)$/.test(scale) ? 'F' : null;
  if (named === null) return err({ why: 'unknownUnit', unit: number.rest.trim() });
  return ok(named === 'C' ? number.value : fahrenheitToC(number.value));
}

/** A refusal as a sentence that says what to do. */
export function refusalText(refusal: ParseRefusal): string {
  switch (refusal.why) {
    case 'empty':
      return 'Type an amount, or leave it unknown.';
    case 'noNumber':
      return `Start with a number; “${refusal.text}” does not.`;
    case 'noUnit':
      return 'Add a unit after the number.';
    case 'unknownUnit':
      return `“${refusal.unit}” is not a unit known here. Try g, oz, mL, L, tsp or cup.`;
    case 'wrongFamily':
      return `${UNITS[refusal.unit].label} measures ${refusal.wanted === 'mass' ? 'volume or size' : 'something else'}; a ${refusal.wanted} is wanted here.`;
    case 'whoseUnit':
      return `Whose ${refusal.unit}? ${refusal.options.map((unit) => `${UNITS[unit].label} = ${Number(UNITS[unit].factor.toFixed(2))} mL`).join(', ')}.`;
    case 'ambiguousComma':
      return 'Is the comma a decimal mark or a thousands mark? Write 1.25 or 1250.';
  }
}
