import { leastOf, type Span } from '../figure';
import { err, ok, type Result } from '../result';
import { parseParam, wordSpan } from './parseParam';
import { readSaid } from './said';

const NONE = 'Type a range, such as 60–90.';

/**
 * A figure of a method as people say it, in its unit: "6-8 h", "70–80 °C", "at least 60 min", "an hour or so". Null where
 * nothing is typed, or "unknown".
 * @param unit °C and min are read with all their writings
 */
export function parseFigure(text: string, unit: string): Result<number | Span | null, string> {
  const trimmed = text.trim();
  const word = unit === 'min' ? wordSpan(trimmed) : null;
  if (word) return ok(word.minMin === word.maxMin ? word.minMin : { least: word.minMin, most: word.maxMin });
  const whole = parseParam(trimmed, unit);
  if (whole.ok && whole.value === null) return ok(null);
  const said = readSaid(trimmed, (part) => {
    const one = parseParam(part, unit);
    return !one.ok ? one : one.value === null ? err(NONE) : ok(one.value);
  });
  return said.ok ? ok(said.value.known) : said;
}

/** A range with both ends. One figure is a range of itself. */
export function parseRange(text: string, unit: string): Result<readonly [number, number], string> {
  const figure = parseFigure(text, unit);
  if (!figure.ok) return figure;
  const known = figure.value;
  if (known === null) return err(NONE);
  if (typeof known === 'number') return ok([known, known]);
  return known.most === null ? err(`From ${leastOf(known)} to where? ${NONE}`) : ok([known.least, known.most]);
}
