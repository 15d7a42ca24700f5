import { deltaE00, hexOfLinear, type Lab, type Linear, labOfLinear, linearOf } from './lab';

/** Codes of eight bits at which a sensor is full. */
const FULL = 253;
const LIGHT: Float64Array = Float64Array.from({ length: 256 }, (_, code) => {
  const hex = code.toString(16).padStart(2, '0');
  return linearOf(`#${hex}${hex}${hex}`)[0];
});
/** A pixel counts when its light is within these shares of the middle one’s: below is shadow, above is glare. */
const SHADOW = 0.55;
const GLARE = 1.6;
/** Left off at each end of what remains, before the mean is taken. */
const TRIM = 0.1;
/** So many pixels say how even a patch is. */
const SAMPLE = 1500;
const LEAST_PIXELS = 16;

/** A patch of a picture, read. */
export interface Patch {
  /** Trimmed mean, in linear light. */
  readonly light: Linear;
  /** Mean ΔE00 of the pixels that count to their mean. */
  readonly spread: number;
  /** Share of the patch left out as shadow or glare, 0–1. */
  readonly leftOut: number;
  /** Share of the patch at which the sensor was full, 0–1. */
  readonly burnt: number;
  /** Two colours lie in it, each a fifth of it or more; null for one. */
  readonly two: readonly [Lab, Lab] | null;
}

/**
 * Reads a patch. Means are of light, not of its code.
 * @param rgba four bytes a pixel; wholly transparent ones are left out
 * @returns null where there is too little to read
 */
export function readPatch(rgba: Uint8ClampedArray): Patch | null {
  const all = Math.floor(rgba.length / 4);
  const luminance = new Float64Array(all);
  const order: number[] = [];
  let burnt = 0;
  for (let i = 0; i < all; i++) {
    const at = i * 4;
    if (rgba[at + 3] === 0) continue;
    const [r, g, b] = [rgba[at] ?? 0, rgba[at + 1] ?? 0, rgba[at + 2] ?? 0];
    if (r >= FULL || g >= FULL || b >= FULL) burnt++;
    luminance[i] = 0.2126 * (LIGHT[r] ?? 0) + 0.7152 * (LIGHT[g] ?? 0) + 0.0722 * (LIGHT[b] ?? 0);
    order.push(i);
  }
  if (order.length < LEAST_PIXELS) return null;
  order.sort((x, y) => (luminance[x] ?? 0) - (luminance[y] ?? 0));
  const middle = luminance[order[Math.floor(order.length / 2)] ?? 0] ?? 0;
  const lit = order.filter((i) => (luminance[i] ?? 0) >= middle * SHADOW && (luminance[i] ?? 0) <= middle * GLARE);
  const cut = Math.floor(lit.length * TRIM);
  const kept = lit.slice(cut, lit.length - cut);
  const lightAt = (i: number): Linear => [LIGHT[rgba[i * 4] ?? 0] ?? 0, LIGHT[rgba[i * 4 + 1] ?? 0] ?? 0, LIGHT[rgba[i * 4 + 2] ?? 0] ?? 0];
  const light = meanOf(kept.map(lightAt));
  const mean = labOfLinear(light);
  const sample = thin(lit).map((i) => labOfLinear(lightAt(i)));
  const spread = sample.reduce((sum, lab) => sum + deltaE00(lab, mean), 0) / sample.length;
  return { light, spread, leftOut: 1 - lit.length / order.length, burnt: burnt / order.length, two: twoOf(thin(order).map(lightAt)) };
}

function thin(pixels: readonly number[]): number[] {
  const every = Math.max(1, Math.floor(pixels.length / SAMPLE));
  return pixels.filter((_, n) => n % every === 0);
}

function meanOf(lights: readonly Linear[]): Linear {
  const sum = [0, 0, 0];
  for (const light of lights) for (const i of [0, 1, 2] as const) sum[i] = (sum[i] ?? 0) + light[i];
  const n = Math.max(1, lights.length);
  return [(sum[0] ?? 0) / n, (sum[1] ?? 0) / n, (sum[2] ?? 0) / n];
}

/** Far enough apart to be two colours, ΔE00, and this many times their own spread. */
const APART = 6;
const APART_SPREADS = 2.5;
/** In the same light they must still be this far apart: else one is the other in shadow. */
const APART_IN_ONE_LIGHT = 3;
const ROUNDS = 8;

/** Parts a sample into two by repeated means (k-means, k = 2), beginning with its darkest and lightest. */
function twoOf(lights: readonly Linear[]): readonly [Lab, Lab] | null {
  const sample = lights.map((light) => ({ light, lab: labOfLinear(light) })).sort((x, y) => x.lab.l - y.lab.l);
  let centres = [0.1, 0.9].map((share) => sample[Math.floor(sample.length * share)]?.lab);
  for (let round = 0; ; round++) {
    const [x, y] = centres;
    if (!x || !y) return null;
    const parts = [sample.filter(({ lab }) => distance(lab, x) <= distance(lab, y)), sample.filter(({ lab }) => distance(lab, x) > distance(lab, y))];
    if (parts.some((part) => part.length < sample.length / 5)) return null;
    if (round < ROUNDS) {
      centres = parts.map((part) => labOfLinear(meanOf(part.map(({ light }) => light))));
      continue;
    }
    const within = parts.map((part, i) => part.reduce((sum, { lab }) => sum + distance(lab, i === 0 ? x : y), 0) / part.length);
    const [one, other] = parts.map((part) => inOneLight(meanOf(part.map(({ light }) => light))));
    const differs = one !== undefined && other !== undefined && deltaE00(one, other) >= APART_IN_ONE_LIGHT;
    return differs && deltaE00(x, y) >= APART && distance(x, y) >= APART_SPREADS * Math.max(...within) ? [x, y] : null;
  }
}

/** The colour at a middling light, whatever falls on it. */
function inOneLight([r, g, b]: Linear): Lab {
  const by = 0.2 / Math.max(1e-6, 0.2126 * r + 0.7152 * g + 0.0722 * b);
  return labOfLinear([r * by, g * by, b * by]);
}

const distance = (x: Lab, y: Lab): number => Math.hypot(x.l - y.l, x.a - y.a, x.b - y.b);

/** What lies in the picture for comparison: its real colour, in linear light. */
export type Card = { readonly kind: 'white' } | { readonly kind: 'grey' } | { readonly kind: 'known'; readonly hex: string };

/** Reflectance of a white card, uncoated, and of the usual grey card (common practice, no source). */
const WHITE_CARD = 0.9;
const GREY_CARD = 0.18;
const truthOf = (card: Card): Linear => {
  if (card.kind === 'known') return linearOf(card.hex);
  const reflectance = card.kind === 'white' ? WHITE_CARD : GREY_CARD;
  return [reflectance, reflectance, reflectance];
};

export type Corrected = { readonly ok: true; readonly lab: Lab; readonly hex: string } | { readonly ok: false; readonly why: string };

/** At most this share of a card may be burnt out. */
const BURNT_CARD = 0.02;
const DARK_CARD = 0.02;

/** More of the fibre than glare burns out: what is left of its colour is not its own. */
const BURNT_FIBRE = 0.1;

/** Why a patch of fibre tells no colour, with what to do; null where it does. */
export const unreadable = ({ burnt }: Patch): string | null =>
  burnt > BURNT_FIBRE
    ? 'The fibre is burnt out in this picture, so its colour is not in it. Take it again with less light, or move the square to a darker place.'
    : null;

/** No lamp and no window makes of grey what lies beyond these: channels so far apart, or green so far from between the two others. */
const WIDEST_CAST = 6;
const GREEN_BETWEEN = { least: 0.55, most: 1.8 } as const;

/** Whether what should be neutral cannot be, in whatever light: red cloth is no grey card. */
function isColoured([r, g, b]: Linear): boolean {
  const green = g / Math.sqrt(r * b);
  return Math.max(r, g, b) / Math.min(r, g, b) > WIDEST_CAST || green < GREEN_BETWEEN.least || green > GREEN_BETWEEN.most;
}

/** The fibre’s colour as it is under D65: each channel by what the card should have been (in linear light). */
export function correct(fibre: Patch, cardPatch: Patch, card: Card): Corrected {
  const why = unreadable(fibre);
  if (why !== null) return { ok: false, why };
  if (cardPatch.burnt > BURNT_CARD)
    return { ok: false, why: 'The card is burnt out: step back or shade it, and take the picture again. Matt grey, or white paper in dull light, works best.' };
  if (cardPatch.two) return { ok: false, why: 'The square over the card holds two colours. Make it smaller, or move it until only the card is in it.' };
  if (card.kind !== 'known' && isColoured(cardPatch.light))
    return { ok: false, why: 'What the square lies on is coloured, and no white or grey card. Move it onto the card, or choose “of a known colour”.' };
  if (cardPatch.light.some((channel) => channel < DARK_CARD))
    return { ok: false, why: 'The card is too dark to read: more light, and take the picture again.' };
  const truth = truthOf(card);
  const channel = (i: 0 | 1 | 2): number => (fibre.light[i] * truth[i]) / cardPatch.light[i];
  const light: Linear = [channel(0), channel(1), channel(2)];
  if (light.some((one) => one > 1.05)) return { ok: false, why: 'The fibre is brighter than the card allows: is the card in the shade, or another card?' };
  return { ok: true, lab: labOfLinear(light), hex: hexOfLinear(light) };
}
