import { err, ok, type Result } from '../result';
import { parseParam, wordSpan } from './parseParam';

/**
 * A range as people say it: "6-8 h", "70–80 °C", "60 to 90", "an hour or so". One figure is a range of itself. The unit may
 * stand once, behind the second figure.
 * @param unit the unit of both ends; °C and min are read with all their writings
 */
export function parseRange(text: string, unit: string): Result<readonly [number, number], string> {
  const trimmed = text.trim();
  const word = unit === 'min' ? wordSpan(trimmed) : null;
  if (word) return ok([word.minMin, word.maxMin]);
  const parts = /^(.*?[\d½⅓⅔¼¾].*?)\s*(?:–|-|\bto\b)\s*(?=[\d½⅓⅔¼¾])(.+)$/i.exec(trimmed);
  if (!parts) {
    const one = parseParam(trimmed, unit);
    if (!one.ok) return one;
    return one.value === null ? err('Type a range, such as 60–90.') : ok([one.value, one.value]);
  }
  const [, first = '', second = ''] = parts;
  const high = parseParam(second, unit);
  if (!high.ok) return high;
  // "6-8 h": the unit of the second is the first's too.
  const shared = /[a-z°%µ].*$/i.exec(second)?.[0] ?? '';
  const low = parseParam(/[a-z°%]/i.test(first) ? first : `${first} ${shared}`, unit);
  if (!low.ok) return low;
  if (low.value === null || high.value === null) return err('Type a range, such as 60–90.');
  if (low.value > high.value) return err(`From ${first.trim()} to ${second.trim()} runs backwards.`);
  return ok([low.value, high.value]);
}
