import { formatHex, interpolate, modeLrgb, modeRgb, useMode as register } from 'culori/fn';

const IRON_HEX = '#4c4740';

register(modeRgb);
register(modeLrgb);

/** Straight mix of two sRGB colours in linear light. @param share of `b`, 0-1 */
export const mixHex = (a: string, b: string, share: number): string => formatHex(interpolate([a, b], 'lrgb')(share)) ?? a;

/** Colour a lot is drawn in after a dyebath or an iron dip: a picture of a guess, until a swatch says otherwise. */
export function expectedHex(beforeHex: string, kind: 'dye' | 'iron', dyeHexes: readonly string[]): string {
  if (kind === 'iron') return mixHex(beforeHex, IRON_HEX, 0.7);
  const [first, ...more] = dyeHexes;
  if (first === undefined) return beforeHex;
  // Nobody knows which plant of several wins: each counts alike.
  return mixHex(
    beforeHex,
    more.reduce((mixed, hex, i) => mixHex(mixed, hex, 1 / (i + 2)), first),
    0.9,
  );
}
