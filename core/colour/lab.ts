import { differenceCiede2000, formatHex, modeLab65, modeLrgb, modeRgb, useMode as register } from 'culori/fn';

register(modeRgb);
const toLinear = register(modeLrgb);
const toLab = register(modeLab65);
const ciede2000 = differenceCiede2000();

/** CIELAB under D65, 2° observer (CIE 15): L in 0–100, a and b unbounded. */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

/** Red, green and blue of sRGB in linear light, 0–1 for what a screen can show. */
export type Linear = readonly [r: number, g: number, b: number];

const BLACK: Lab = { l: 0, a: 0, b: 0 };

/** @param hex sRGB, "#rrggbb" */
export function labOf(hex: string): Lab {
  const lab = toLab(hex);
  return lab ? { l: lab.l, a: lab.a, b: lab.b } : BLACK;
}

/** The nearest that a screen can show: what lies outside of sRGB is cut at its edge. The Lab itself stays what it is. */
export const hexOfLab = ({ l, a, b }: Lab): string => formatHex({ mode: 'lab65', l, a, b });

/** "L 73.6 a −4.7 b 61.5" */
export const printLab = ({ l, a, b }: Lab): string => `L ${l.toFixed(1)} a ${a.toFixed(1)} b ${b.toFixed(1)}`.replaceAll('-', '−');

export function linearOf(hex: string): Linear {
  const light = toLinear(hex);
  return light ? [light.r, light.g, light.b] : [0, 0, 0];
}

/** Outside of 0–1 where no screen can show it. */
export function linearOfLab({ l, a, b }: Lab): Linear {
  const light = toLinear({ mode: 'lab65', l, a, b });
  return [light.r, light.g, light.b];
}

export const hexOfLinear = ([r, g, b]: Linear): string => formatHex({ mode: 'lrgb', r, g, b });

export function labOfLinear([r, g, b]: Linear): Lab {
  const lab = toLab({ mode: 'lrgb', r, g, b });
  return { l: lab.l, a: lab.a, b: lab.b };
}

/** CIEDE2000 with kL = kC = kH = 1 (Sharma, Wu, Dalal 2005), of many colours to one. */
export function deltaE00From(from: Lab): (to: Lab) => number {
  const one = { mode: 'lab65', l: from.l, a: from.a, b: from.b } as const;
  return ({ l, a, b }) => ciede2000(one, { mode: 'lab65', l, a, b });
}

export const deltaE00 = (x: Lab, y: Lab): number => deltaE00From(x)(y);
