import type { Span } from '../figure';
import { err, ok, type Result } from '../result';

/** A number or a range, and whether it was called a guess. */
export interface Said {
  readonly known: number | Span;
  readonly about: boolean;
}

const ABOUT = /^(?:about|around|roughly|circa|ca\.?|~|≈)\s*/i;
/** "about 30 g" is 30 g, and a guess. */
export const withoutAbout = (text: string): { readonly bare: string; readonly about: boolean } => ({
  bare: text.trim().replace(ABOUT, ''),
  about: ABOUT.test(text.trim()),
});

const AT_LEAST = /^(?:at least|min(?:imum)?\.?|≥|>=)\s*|\s*(?:or more|and more|and up)\s*$|(?<=[a-z\d])\s*\+$/i;
/** "between 5 and 6" is 5 to 6. */
const BETWEEN = /^between\s+(.+?)\s+and\s+(.+)$/i;
const TO = /^(.*?[\d½⅓⅔¼¾⅛].*?)\s*(?:–|-|\bto\b)\s*(?=[\d½⅓⅔¼¾⅛.])(.+)$/i;

/**
 * What people say where one number could stand: "about 30 g", "100–200 g", "3 to 4 cups", "at least 1 tsp". The unit may
 * stand once, behind the second figure.
 * @param one reads a single figure with its unit
 */
export function readSaid<E>(text: string, one: (part: string) => Result<number, E>): Result<Said, E | string> {
  const { bare: said, about } = withoutAbout(text);
  const bare = said.replace(BETWEEN, '$1 to $2');
  if (AT_LEAST.test(bare)) {
    const least = one(bare.replace(AT_LEAST, ''));
    return least.ok ? ok({ known: { least: least.value, most: null }, about }) : least;
  }
  const parts = TO.exec(bare);
  if (!parts) {
    const value = one(bare);
    return value.ok ? ok({ known: value.value, about }) : value;
  }
  const [, first = '', second = ''] = parts;
  const most = one(second);
  if (!most.ok) return most;
  const shared = /[a-z°%µ×].*$/i.exec(second)?.[0] ?? '';
  const least = one(/[a-z°%]/i.test(first) ? first : `${first} ${shared}`.trim());
  if (!least.ok) return least;
  if (least.value > most.value) return err(`From ${first.trim()} to ${second.trim()} runs backwards.`);
  return ok({ known: least.value === most.value ? least.value : { least: least.value, most: most.value }, about });
}
