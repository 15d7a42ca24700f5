import { formatHex, interpolate, modeLrgb, modeRgb, useMode as register } from 'culori/fn';
import { overdye } from './kubelkaMunk';
import { hexOfLinear, linearOf } from './lab';
import { UNDYED_HEX } from './undyed';

const IRON_HEX = '#4c4740';

register(modeRgb);
register(modeLrgb);

/** Straight mix of two sRGB colours in linear light. @param share of `b`, 0-1 */
export const mixHex = (a: string, b: string, share: number): string => formatHex(interpolate([a, b], 'lrgb')(share)) ?? a;

/**
 * Colour a lot is drawn in after a dyebath or an iron dip: an estimate, until somebody looks. A dye goes over the ground that
 * is there (Kubelka–Munk): grey wool stays greyer, yellow under red is orange.
 * @param dyeHexes what each plant gives on undyed fibre
 */
export function expectedHex(beforeHex: string, kind: 'dye' | 'iron', dyeHexes: readonly string[]): string {
  if (kind === 'iron') return mixHex(beforeHex, IRON_HEX, 0.7);
  const [first, ...more] = dyeHexes;
  if (first === undefined) return beforeHex;
  // Nobody knows which plant of several wins: each counts alike.
  const dye = more.reduce((mixed, hex, i) => mixHex(mixed, hex, 1 / (i + 2)), first);
  return hexOfLinear(overdye(linearOf(beforeHex), linearOf(dye), linearOf(UNDYED_HEX)));
}
