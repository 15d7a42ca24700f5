export const UNDYED_HEX = '#ece6d8';
const IRON_HEX = '#4c4740';

/** Straight mix of two sRGB colours in linear light. @param share of `b`, 0-1 */
export function mixHex(a: string, b: string, share: number): string {
  const channel = (i: number): string => {
    const mixed = decode(a, i) * (1 - share) + decode(b, i) * share;
    return encode(mixed).toString(16).padStart(2, '0');
  };
  return `#${channel(0)}${channel(1)}${channel(2)}`;
}

/** Colour a lot is drawn in after a dyebath or an iron dip: a picture of a guess, until a swatch says otherwise. */
export function expectedHex(beforeHex: string, kind: 'dye' | 'iron', dyeHex: string | null): string {
  if (kind === 'iron') return mixHex(beforeHex, IRON_HEX, 0.7);
  return dyeHex ? mixHex(beforeHex, dyeHex, 0.9) : beforeHex;
}

/** IEC 61966-2-1:1999, eight bits to linear light. */
const decode = (hex: string, i: number): number => {
  const v = Number.parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
};
const encode = (linear: number): number => Math.round(255 * (linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055));
