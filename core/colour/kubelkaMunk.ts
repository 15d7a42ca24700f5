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

/** What a layer adds to its ground, in K/S, channel by channel: never less than nothing. */
export const addedKs = (dyed: Linear, ground: Linear): Linear => [
  Math.max(0, ks(dyed[0]) - ks(ground[0])),
  Math.max(0, ks(dyed[1]) - ks(ground[1])),
  Math.max(0, ks(dyed[2]) - ks(ground[2])),
];

/** A ground with so much K/S more. */
export const withKs = (ground: Linear, added: Linear): Linear => [
  reflectanceOf(ks(ground[0]) + added[0]),
  reflectanceOf(ks(ground[1]) + added[1]),
  reflectanceOf(ks(ground[2]) + added[2]),
];

/**
 * What a dye may give on another ground: K/S adds up, channel by channel (Kubelka–Munk over sRGB’s three bands in linear
 * light: an estimate, not a spectrum).
 * @param ground what it goes on
 * @param dyed the dye on `white`
 */
export const overdye = (ground: Linear, dyed: Linear, white: Linear): Linear => withKs(ground, addedKs(dyed, white));
