import { formatHex, modeLrgb, modeRgb, useMode as register } from 'culori/fn';

register(modeRgb);
const toLinear = register(modeLrgb);

/** Eight bits to linear light, each code once: a picture has a million pixels and 256 codes. */
const LINEAR: readonly number[] = Array.from({ length: 256 }, (_, code) => toLinear({ mode: 'rgb', r: code / 255, g: 0, b: 0 })?.r ?? 0);

/**
 * Average colour of pixels, in linear light (IEC 61966-2-1): averages are of light, not of its code, so that half black and
 * half white is 188. @param rgba four bytes a pixel; wholly transparent ones are left out
 */
export function averageHex(rgba: Uint8ClampedArray | readonly number[]): string | null {
  let [r, g, b, pixels] = [0, 0, 0, 0];
  for (let i = 0; i + 3 < rgba.length; i += 4) {
    if (rgba[i + 3] === 0) continue;
    r += LINEAR[rgba[i] ?? 0] ?? 0;
    g += LINEAR[rgba[i + 1] ?? 0] ?? 0;
    b += LINEAR[rgba[i + 2] ?? 0] ?? 0;
    pixels++;
  }
  return pixels === 0 ? null : formatHex({ mode: 'lrgb', r: r / pixels, g: g / pixels, b: b / pixels });
}
