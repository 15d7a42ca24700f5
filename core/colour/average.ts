/** IEC 61966-2-1: eight bits to linear light and back. Averages are of light, not of its code: half black, half white is 188. */
const decode = (code: number): number => {
  const v = code / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
};
const encode = (linear: number): number => Math.round(255 * (linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055));

/** Average colour of pixels, in linear light. @param rgba four bytes a pixel; wholly transparent ones are left out */
export function averageHex(rgba: Uint8ClampedArray | readonly number[]): string | null {
  const sum = [0, 0, 0];
  let pixels = 0;
  for (let i = 0; i + 3 < rgba.length; i += 4) {
    if (rgba[i + 3] === 0) continue;
    for (const channel of [0, 1, 2]) sum[channel] = (sum[channel] ?? 0) + decode(rgba[i + channel] ?? 0);
    pixels++;
  }
  if (pixels === 0) return null;
  return `#${sum
    .map((total) =>
      encode(total / pixels)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}
