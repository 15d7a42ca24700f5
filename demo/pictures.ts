import sharp from 'sharp';
import { hexOfLinear, type Linear, linearOf } from '@/core/colour/lab';

/** Drawn on so large a table, and kept smaller: a demo need not wait for pixels. */
const SIZE = { width: 1600, height: 1200 };
const SCALE = 0.625;
/** Where the grey card lies, and where the skein, on that table: half the side of a square that is read there. */
export const CARD_AT = { x: 270, y: 250, halfPx: 90 };
export const FIBRE_AT = { x: 1215, y: 620, halfPx: 90 };
/** An 18 % grey. */
const GREY: Linear = [0.18, 0.18, 0.18];
const TABLE: Linear = [0.3, 0.27, 0.24];

export interface Drawn {
  readonly png: Buffer;
  /** Pixels of a square, four bytes each. */
  square(at: { readonly x: number; readonly y: number; readonly halfPx: number }): Promise<Uint8ClampedArray>;
}

/**
 * A skein on a table, drawn by code, in a light with a cast.
 * @param hex the fibre as it is
 * @param cast what the light does to each channel
 */
export async function drawSkein(hex: string, cast: Linear, chance: () => number, withCard: boolean): Promise<Drawn> {
  const seen = (light: Linear, by = 1): string =>
    hexOfLinear([Math.min(1, light[0] * cast[0] * by), Math.min(1, light[1] * cast[1] * by), Math.min(1, light[2] * cast[2] * by)]);
  const fibre = linearOf(hex);
  const strands = Array.from({ length: 420 }, (_, i) => {
    const ring = 150 + (i % 60) * 4.2 + chance() * 14;
    // Light from above: a strand is a little lighter or darker than its neighbour.
    return `<ellipse cx="${800 + (chance() - 0.5) * 26}" cy="${620 + (chance() - 0.5) * 20}" rx="${ring * 1.5}" ry="${ring}" stroke="${seen(fibre, 0.9 + chance() * 0.2)}" stroke-width="${7 + chance() * 3}" transform="rotate(${(chance() - 0.5) * 9} 800 620)"/>`;
  }).join('');
  const card = withCard ? `<rect x="${CARD_AT.x - 150}" y="${CARD_AT.y - 120}" width="300" height="240" fill="${seen(GREY)}"/>` : '';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width * SCALE}" height="${SIZE.height * SCALE}" viewBox="0 0 ${SIZE.width} ${SIZE.height}"><rect width="100%" height="100%" fill="${seen(TABLE)}"/><g fill="none">${strands}</g>${card}</svg>`;
  const png = await sharp(Buffer.from(svg)).png().toBuffer();
  return {
    png,
    square: async ({ x, y, halfPx }) => {
      const raw = await sharp(png)
        .ensureAlpha()
        .extract({
          left: Math.round((x - halfPx) * SCALE),
          top: Math.round((y - halfPx) * SCALE),
          width: Math.round(2 * halfPx * SCALE),
          height: Math.round(2 * halfPx * SCALE),
        })
        .raw()
        .toBuffer();
      return new Uint8ClampedArray(raw);
    },
  };
}
