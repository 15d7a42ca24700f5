import { leastOf, type Span } from '@/core/figure';
import { readNumber } from '@/core/measure/parseNumber';
import { printNumber } from '@/core/measure/print';
import { type Reader, typedValue } from '../form/typed';
import type { Address } from './useAddress';

/** The same reading, of something that cannot be nothing. */
export const above0 =
  <T extends number | Span>(read: Reader<T>): Reader<T> =>
  (text) => {
    const got = read(text);
    return got.ok && got.value !== null && (leastOf(got.value) ?? 0) <= 0 ? { ok: false, why: 'It is above 0.' } : got;
  };

/** A plain number, "10 %" or "10 : 1" as well. */
export const plain =
  (least = 0, most = Number.POSITIVE_INFINITY): Reader<number> =>
  (text) => {
    if (text.trim() === '') return { ok: true, value: null, says: '' };
    const number = readNumber(text.trim());
    if (!number || number.ambiguousComma || !/^\s*(%|: ?1)?\s*$/.test(number.rest)) return { ok: false, why: 'Write a number.' };
    if (number.value < least) return { ok: false, why: `At least ${printNumber(least)}.` };
    if (number.value > most) return { ok: false, why: `At most ${printNumber(most)}.` };
    return { ok: true, value: number.value, says: '' };
  };

/** A field of a tool: what stands in the address, and what it was read as. */
export function asked<T>(address: Address, name: string, otherwise: string, read: Reader<T>) {
  return { value: typedValue(read, address.get(name, otherwise)), field: { address, name, otherwise, read } };
}
