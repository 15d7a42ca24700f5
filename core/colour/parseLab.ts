import { err, ok, type Result } from '../result';
import { type Lab, labOf } from './lab';

const HEX = /^#?([\da-f]{6}|[\da-f]{3})$/i;
const NUMBER = /[-−+]?\d+(?:[.,]\d+)?/g;

/**
 * Reads a colour as people type it: "#c9a23a", "c9a23a", "72.4 3.1 51.9", "L 72,4 a 3,1 b 51,9".
 * @returns Lab (D65), or what to do instead
 */
export function parseLab(text: string): Result<Lab, string> {
  const said = text.trim();
  const hex = HEX.exec(said)?.[1];
  if (hex) return ok(labOf(`#${hex.length === 3 ? [...hex].map((one) => one + one).join('') : hex}`.toLowerCase()));
  const plain = said.replace(/[lab*=:;]/gi, ' ').trim();
  if (/[^\d\s.,+−-]/.test(plain)) return err('Write three numbers, L a b, or a hex such as #c9a23a.');
  // "72,4 3,1 51,9" has decimal commas; "72.4, 3.1, 51.9" has commas between.
  const numbers = (plain.includes('.') ? plain.replaceAll(',', ' ') : plain).match(NUMBER)?.map((one) => Number(one.replace(',', '.').replace('−', '-'))) ?? [];
  const [l, a, b, more] = numbers;
  if (l === undefined || a === undefined || b === undefined || more !== undefined) return err('Write three numbers, L a b, or a hex such as #c9a23a.');
  if (l < 0 || l > 100) return err('L* lies between 0, black, and 100, white.');
  if (Math.abs(a) > 200 || Math.abs(b) > 200) return err('a* and b* lie between −200 and 200.');
  return ok({ l, a, b });
}
