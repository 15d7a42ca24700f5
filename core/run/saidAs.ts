import { printNumber } from '../measure/print';
import type { Printer } from '../measure/printer';
import type { Said } from '../measure/said';
import { err, ok, type Result } from '../result';

/** How a reading was said, where it was no plain figure. */
export type SaidAs = { readonly as: 'about' } | { readonly as: 'between'; readonly low: number; readonly high: number };

/** A reading as it is reckoned with: of a range the middle, and how it was said. */
export interface SaidReading {
  readonly value: number;
  readonly said?: SaidAs | undefined;
}

/** "5–6" is 5.5, said as a range; "about 60" is 60, said as a guess. What has no upper end is no reading. */
export function asReading({ known, about }: Said): Result<SaidReading, string> {
  if (typeof known === 'number') return ok(about ? { value: known, said: { as: 'about' } } : { value: known });
  if (known.most === null) return err('From there to where? Write both ends, such as “5 to 6”.');
  // The middle, with no more digits than halving gives.
  const value = Math.round(((known.least + known.most) / 2) * 1000) / 1000;
  return ok({ value, said: { as: 'between', low: known.least, high: known.most } });
}

export type Quantity = 'bathC' | 'ph' | 'volumeMl';
type Words = Pick<Printer, 'temperature' | 'band' | 'volume'>;

/** A reading in the words it was said in: "62 °C", "5–6", "about 4 L". */
export function readingText(quantity: Quantity, { value, said }: SaidReading, print: Words): string {
  const one = ONE[quantity];
  switch (said?.as) {
    case undefined:
      return one(value, print);
    case 'about':
      return `about ${one(value, print)}`;
    case 'between':
      return RANGE[quantity](said.low, said.high, print);
  }
}

const ONE: Readonly<Record<Quantity, (value: number, print: Words) => string>> = {
  bathC: (c, print) => print.temperature(c),
  ph: (ph) => printNumber(ph),
  volumeMl: (mL, print) => print.volume(mL),
};
const RANGE: Readonly<Record<Quantity, (low: number, high: number, print: Words) => string>> = {
  bathC: (low, high, print) => print.band([low, high]),
  ph: (low, high) => `${printNumber(low)}–${printNumber(high)}`,
  volumeMl: (low, high, print) => `${print.volume(low)} to ${print.volume(high)}`,
};
