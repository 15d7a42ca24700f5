import type { Linear } from './lab';

/** K/S of an opaque layer. @param r reflectance, above 0 and at most 1; anything else throws RangeError */
export function ksOf(r: number): number {
  if (!(r > 0 && r <= 1)) throw new RangeError(`Reflectance ${r} is not between 0 and 1.`);
  return (1 - r) ** 2 / (2 * r);
}

/** Reflectance of an opaque layer, from its K/S (0 or more). The form that loses nothing for large K/S. */
export const reflectanceOf = (ks: number): number => 1 / (1 + ks + Math.sqrt(ks ** 2 + 2 * ks));

/** Fibre swallows light and sends some back: no channel of it is wholly dark. */
const DARKEST = 0.005;
const ks = (r: number): number => ksOf(Math.min(1, Math.max(DARKEST, r)));

/**
 * What a dye may give on another ground: K/S adds up, channel by channel (Kubelka–Munk over sRGB’s three bands in linear
 * light: an estimate, not a spectrum).
 * @param ground what it goes on
 * @param dyed the dye on `white`
 */
export function overdye(ground: Linear, dyed: Linear, white: Linear): Linear {
  const channel = (i: 0 | 1 | 2): number => reflectanceOf(ks(ground[i]) + Math.max(0, ks(dyed[i]) - ks(white[i])));
  return [channel(0), channel(1), channel(2)];
}
