import type { Known } from '../figure';
import { readNumber } from '../measure/parseNumber';
import { readSaid } from '../measure/said';
import { err, ok, type Result } from '../result';
import { type Band, bandOf } from './band';
import { AT_25C } from './constants';
import { missingAt, type Solution } from './ph';

/** mg CaCO3 per millimole of charge: half its molar mass. */
const MG_PER_MEQ = 50.043;

/** mg/L CaCO3 in one of each. German, French and English degrees; US grains a gallon: definitions. */
const HARDNESS_UNITS: readonly (readonly [RegExp, number])[] = [
  [/^(mg\/l|ppm)?( caco3)?$/i, 1],
  [/^°? ?(d(h|gh|kh)?|kh)$/i, 17.848],
  [/^°? ?f(h)?$/i, 10],
  [/^(°? ?e|°? ?clark)$/i, 14.254],
  [/^mmol\/l$/i, 100.086],
  [/^(gpg|grains?)$/i, 17.118],
];

/** "14 °dH", "25 °fH", "150–200 mg/L", "2.5 mmol/L": as mg/L of calcium carbonate. @returns that, or what to do */
export function parseHardness(text: string): Result<Known, string> {
  if (text.trim() === '') return ok(null);
  const said = readSaid(text, (part): Result<number, string> => {
    const number = readNumber(part.trim());
    if (!number || number.value < 0) return err('Write a figure such as 14 °dH, 25 °fH or 180 mg/L.');
    const unit = HARDNESS_UNITS.find(([pattern]) => pattern.test(number.rest.trim()));
    return unit ? ok(number.value * unit[1]) : err(`“${number.rest.trim()}” is no unit of hardness here. °dH, °fH, °e, mg/L and mmol/L are.`);
  });
  return said.ok ? ok(said.value.known) : said;
}

/** Tap waters, mg/L CaCO3, where nobody asked: very soft to very hard, middling (our estimate). */
export const ANY_TAP: Band = { low: 20, likely: 100, high: 300 };
/** Of all hardness so much is alkalinity, in most tap waters (our estimate); softened water keeps its alkalinity. */
const OF_HARDNESS: Band = { low: 0.4, likely: 0.8, high: 1 };

/** What eats acid. Alkalinity itself; else guessed from the hardness; else any tap. mg/L CaCO3 */
export function alkalinityOf(alkalinity: Known, hardness: Known): { readonly band: Band; readonly from: 'alkalinity' | 'hardness' | 'nothing' } {
  const own = bandOf(alkalinity);
  if (own) return { band: own, from: 'alkalinity' };
  const hard = bandOf(hardness);
  if (!hard) return { band: ANY_TAP, from: 'nothing' };
  return { band: { low: hard.low * OF_HARDNESS.low, likely: hard.likely * OF_HARDNESS.likely, high: hard.high * OF_HARDNESS.high }, from: 'hardness' };
}

/** As most waterworks deliver it, where nobody asked (our estimate). */
export const ANY_TAP_PH: Band = { low: 7.2, likely: 8, high: 8.4 };

/**
 * Water by its alkalinity and the pH that it has at the tap, with calcium beside it, closed: check values D4. What is in it is the same when
 * the bath is hot; its pH is not.
 * @param alkalinityMgL as CaCO3, 0 or more
 * @param ph at 25 °C
 */
export function waterOf(alkalinityMgL: number, ph = ANY_TAP_PH.likely): Solution {
  const constants = AT_25C;
  if (alkalinityMgL <= 0) return { weak: {}, monovalent: 0, divalent: 0 };
  const eq = alkalinityMgL / MG_PER_MEQ / 1000;
  const with_ = (carbonic: number): Solution => ({ weak: { carbonic }, monovalent: 0, divalent: eq / 2 });
  // What is missing goes in a straight line with the carbonic acid, but for the activities: three steps settle it.
  let [x0, x1] = [eq, eq * 1.1];
  for (let i = 0; i < 6; i++) {
    const [y0, y1] = [missingAt(ph, with_(x0), constants), missingAt(ph, with_(x1), constants)];
    if (Math.abs(y1 - y0) < 1e-18) break;
    const next = Math.max(0, x1 - (y1 * (x1 - x0)) / (y1 - y0));
    [x0, x1] = [x1, next];
    if (Math.abs(x1 - x0) < 1e-12) break;
  }
  return with_(x1);
}
