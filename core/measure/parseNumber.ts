const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
const GLYPHS = Object.keys(FRACTIONS).join('');
const NUMBER = new RegExp(`^\\s*(?:(\\d+)\\s+(\\d+)\\s*/\\s*(\\d+)|(\\d+)\\s*/\\s*(\\d+)|(\\d+)?\\s*([${GLYPHS}])|([+-]?(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)))`);

/**
 * Reads a number as people write it at the front of a text: "1 1/2", "½", "1½", "2.5", "2,5".
 * A comma is a decimal mark; "1,250" is refused by the caller as ambiguous only when three digits follow.
 * @returns the value and the rest of the text, or null when the text does not start with a number
 */
export function readNumber(text: string): { value: number; rest: string; ambiguousComma: boolean } | null {
  const found = NUMBER.exec(text);
  if (!found) return null;
  const [whole, mixed, mixedTop, mixedBottom, top, bottom, before, glyph, plain] = found;
  const rest = text.slice(whole.length);
  const done = (value: number, ambiguousComma = false) => (Number.isFinite(value) ? { value, rest, ambiguousComma } : null);
  if (mixed) return done(Number(mixed) + Number(mixedTop) / Number(mixedBottom));
  if (top) return done(Number(top) / Number(bottom));
  if (glyph) return done(Number(before ?? 0) + (FRACTIONS[glyph] ?? Number.NaN));
  const digits = plain ?? '';
  return done(Number(digits.replace(',', '.')), /^[+-]?\d{1,3},\d{3}$/.test(digits));
}
