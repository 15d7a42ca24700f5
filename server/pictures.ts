import exifr from 'exifr';
import sharp, { type Sharp } from 'sharp';
import { MOST_BYTES } from '@/contract/fileDoors';
import type { Picture } from '@/core/swatch/look';
import { isBlobHash } from '@/store/blobs';
import type { App } from './app';
import { notFound, Problem } from './problem';

const MOST_PIXELS = 60_000_000;
/** No camera makes a longer side. A strip of one pixel's width takes a decoder minutes. */
const MOST_SIDE_PX = 30_000;
/** Long sides of what is kept, px. */
const LONG_PX = 2560;
const MIDDLE_PX = 1024;
const SMALL_PX = 320;

type Kind = 'png' | 'jpeg' | 'webp' | 'heic' | 'avif';
const text = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));
const brandOf = (bytes: Uint8Array): string => (text(bytes, 4, 8) === 'ftyp' ? text(bytes, 8, 12) : '');
const KINDS: readonly (readonly [Kind, (bytes: Uint8Array) => boolean])[] = [
  ['png', (b) => b[0] === 0x89 && b[1] === 0x50 && b[2] === 0x4e && b[3] === 0x47],
  ['jpeg', (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff],
  ['webp', (b) => text(b, 0, 4) === 'RIFF' && text(b, 8, 12) === 'WEBP'],
  ['heic', (b) => ['heic', 'heix', 'hevc', 'heim', 'heis', 'mif1', 'msf1'].includes(brandOf(b))],
  ['avif', (b) => ['avif', 'avis'].includes(brandOf(b))],
];

/** What kind of picture it is by its own bytes, whatever its sender says; null for anything else. */
export const pictureKind = (bytes: Uint8Array): Kind | null => KINDS.find(([, is]) => is(bytes))?.[0] ?? null;

// One decoded picture of 60 megapixels is a quarter of a gigabyte: never two at once.
let last: Promise<unknown> = Promise.resolve();
function oneAtATime<T>(work: () => Promise<T>): Promise<T> {
  const next = last.then(work, work);
  last = next.catch(() => undefined);
  return next;
}

/**
 * Keeps a picture, made anew from its light alone: upright, in sRGB, without anything that was written in it. Sent again it is the same one.
 * Throws Problem for what is no picture, is cut off, or is too big.
 */
export async function keepPicture({ store }: App, body: ReadableStream<Uint8Array> | null): Promise<Picture> {
  const bytes = await read(body);
  const kind = pictureKind(bytes);
  if (kind === null) throw new Problem(415, 'Not a picture', 'Send a JPEG, PNG, WebP, HEIC or AVIF picture.');
  return oneAtATime(async () => {
    const { data, info } = await upright(bytes, kind);
    const raw = () => sharp(data, { raw: { width: info.width, height: info.height, channels: info.channels } });
    const sized = (px: number, quality: number) =>
      raw().resize({ width: px, height: px, fit: 'inside', withoutEnlargement: true }).webp({ quality }).toBuffer();
    // Forced to the disk, all three, before anybody is told their names.
    const [middle, small] = [await store.keepBlob(await sized(MIDDLE_PX, 82)), await store.keepBlob(await sized(SMALL_PX, 78))];
    const hash = await store.keepBlob(await raw().webp({ quality: 90 }).toBuffer());
    return { hash, middle, small, widthPx: info.width, heightPx: info.height, takenAtMs: await takenAt(bytes) };
  });
}

async function read(body: ReadableStream<Uint8Array> | null): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for await (const chunk of (body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length;
    if (bytes > MOST_BYTES.keepPicture) throw new Problem(413, 'Too big', 'A picture is at most 25 MB. Make it smaller and send it again.');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

const broken = () => new Problem(422, 'Not readable', 'This picture is damaged or cut off. Take it from the camera once more.');
const tooMany = () => new Problem(413, 'Too big', 'A picture has at most 60 megapixels, and no side is longer than 30,000. Make it smaller and send it again.');

/** By what its head says, before anything of it is decoded. Throws Problem. */
function refuseTooLarge({ width, height }: { readonly width?: number | undefined; readonly height?: number | undefined }): void {
  if (!width || !height) throw broken();
  if (width * height > MOST_PIXELS || Math.max(width, height) > MOST_SIDE_PX) throw tooMany();
}

/** Its pixels, turned as it was held, at most as large as is kept. */
async function upright(bytes: Buffer, kind: Kind) {
  try {
    if (kind !== 'heic') refuseTooLarge(await sharp(bytes, { limitInputPixels: false }).metadata());
    const from =
      kind === 'heic' ? await decodeHeic(bytes) : sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated', sequentialRead: true }).rotate();
    return await from
      .resize({ width: LONG_PX, height: LONG_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
  } catch (error) {
    if (error instanceof Problem) throw error;
    throw /pixel limit/i.test(String(error)) ? tooMany() : broken();
  }
}

/** Phones write this one, and the decoder of the others does not read it. */
async function decodeHeic(bytes: Buffer): Promise<Sharp> {
  const { default: decode } = await import('heic-decode');
  const [image] = await decode.all({ buffer: new Uint8Array(bytes) });
  if (!image) throw broken();
  refuseTooLarge(image);
  const { width, height, data } = await image.decode();
  return sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), { raw: { width, height, channels: 4 } });
}

const WRITTEN = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/;

/** When the camera says it was taken; nothing else that is written in a picture is looked at. */
async function takenAt(bytes: Buffer): Promise<number | null> {
  try {
    const said: { DateTimeOriginal?: unknown; OffsetTimeOriginal?: unknown } | undefined = await exifr.parse(bytes, {
      pick: ['DateTimeOriginal', 'OffsetTimeOriginal'],
      reviveValues: false,
    });
    const parts = WRITTEN.exec(String(said?.DateTimeOriginal ?? ''));
    if (!parts) return null;
    const offset = /^[+-]\d\d:\d\d$/.test(String(said?.OffsetTimeOriginal ?? '')) ? String(said?.OffsetTimeOriginal) : '';
    // Without an offset it is the time of the place, which is this machine's.
    const atMs = Date.parse(`${parts[1]}-${parts[2]}-${parts[3]}T${parts[4]}:${parts[5]}:${parts[6]}${offset}`);
    return atMs >= 946_684_800_000 && atMs <= 4_102_444_800_000 ? atMs : null;
  } catch {
    return null;
  }
}

/** A picture by its name. Throws Problem when it is not there, or not what it was. */
export async function picture({ store }: App, hash: string): Promise<{ bytes: Buffer; type: string }> {
  // Anything else might name a file that is none of these.
  const bytes = isBlobHash(hash) ? await store.blobs.read(hash) : null;
  const kind = bytes && pictureKind(bytes);
  if (!bytes || !kind) throw notFound('picture', hash.slice(0, 80));
  return { bytes, type: `image/${kind}` };
}
