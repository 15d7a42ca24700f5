import * as Comlink from 'comlink';
import jsQR from 'jsqr';
import { type Card, type Corrected, correct, type Patch, readPatch } from '@/core/colour/patch';

/** Where somebody pointed: the middle of a square and half its side, px of the picture. */
export interface Mark {
  readonly x: number;
  readonly y: number;
  readonly halfPx: number;
}

let context: OffscreenCanvasRenderingContext2D | null = null;

/** Takes a picture in: its pixels stay here, off the page's own thread. */
function open(bitmap: ImageBitmap): void {
  context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', { willReadFrequently: true });
  context?.drawImage(bitmap, 0, 0);
  bitmap.close();
}

function patchAt({ x, y, halfPx }: Mark): Patch | null {
  if (!context) return null;
  const { width, height } = context.canvas;
  const [left, top] = [Math.max(0, Math.round(x - halfPx)), Math.max(0, Math.round(y - halfPx))];
  const [right, bottom] = [Math.min(width, Math.round(x + halfPx)), Math.min(height, Math.round(y + halfPx))];
  if (right <= left || bottom <= top) return null;
  return readPatch(context.getImageData(left, top, right - left, bottom - top).data);
}

/** What lies under the marks, and the fibre's colour when a card corrects it. */
function read(fibre: Mark, card: { readonly at: Mark; readonly is: Card } | null): { readonly patch: Patch | null; readonly corrected: Corrected | null } {
  const patch = patchAt(fibre);
  const cardPatch = card && patchAt(card.at);
  return { patch, corrected: patch && card && cardPatch ? correct(patch, cardPatch, card.is) : null };
}

/** A code is found in a picture of this long side; larger only takes longer. */
const CODE_LONG_PX = 1600;

/** The text of the code on a label, where one is in the picture; null where none is. */
function codeIn(bitmap: ImageBitmap): string | null {
  const scale = Math.min(1, CODE_LONG_PX / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale))];
  const drawn = new OffscreenCanvas(width, height).getContext('2d');
  drawn?.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const pixels = drawn?.getImageData(0, 0, width, height);
  return pixels ? (jsQR(pixels.data, width, height)?.data ?? null) : null;
}

const api = { open, read, codeIn };
export type PictureWorker = typeof api;
Comlink.expose(api);
