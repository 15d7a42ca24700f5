import { readFileSync } from 'node:fs';
import path from 'node:path';
import exifr from 'exifr';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { SATURDAY_9 } from '@/core/plan/plan.fixture';
import { keepPicture, picture, pictureKind } from './pictures';
import { type TestApp, testApp } from './testApp.fixture';

let t: TestApp;
beforeAll(async () => {
  t = await testApp(SATURDAY_9);
});
afterAll(() => t.close());

const body = (bytes: Uint8Array) => new Response(new Uint8Array(bytes)).body as ReadableStream<Uint8Array>;
const keep = (bytes: Uint8Array) => keepPicture(t.app, body(bytes));
const plain = (width: number, height: number, background = '#b08d3a') => sharp({ create: { width, height, channels: 3, background } });

describe('a picture that comes in', () => {
  test('is kept in three sizes, each by its bytes, and given back as what it is', async () => {
    const jpeg = await plain(3000, 2000).jpeg().toBuffer();
    const kept = await keep(jpeg);
    expect(kept).toMatchObject({ widthPx: 2560, heightPx: 1707, takenAtMs: null });
    expect(await keep(jpeg)).toEqual(kept);
    for (const [hash, width] of [
      [kept.hash, 2560],
      [kept.middle, 1024],
      [kept.small, 320],
    ] as const) {
      const { bytes, type } = await picture(t.app, hash);
      expect(type).toBe('image/webp');
      expect((await sharp(bytes).metadata()).width).toBe(width);
    }
  });
  test('keeps its colour within a code or two', async () => {
    const { bytes } = await picture(t.app, (await keep(await plain(400, 300).png().toBuffer())).hash);
    const { dominant } = await sharp(bytes).stats();
    expect(Math.abs(dominant.r - 0xb0) + Math.abs(dominant.g - 0x8d) + Math.abs(dominant.b - 0x3a)).toBeLessThan(24);
    const { channels } = await sharp(bytes).stats();
    expect(channels.slice(0, 3).map((channel) => Math.round(channel.mean))).toEqual([0xb0, 0x8d, 0x3a].map((code) => expect.closeTo(code, -0.5)));
  });
  test('is turned upright; of what is written in it only the time is taken, never the place', async () => {
    const jpeg = await plain(400, 300)
      .jpeg()
      .withMetadata({ orientation: 6 })
      .withExifMerge({
        IFD0: { Make: 'Somebody' },
        IFD2: { DateTimeOriginal: '2026:06:14 10:30:00', OffsetTimeOriginal: '+02:00' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '7/1 0/1 0/1' },
      })
      .toBuffer();
    expect(await exifr.gps(jpeg)).toMatchObject({ latitude: 51.5 });
    const kept = await keep(jpeg);
    expect(kept).toMatchObject({ widthPx: 300, heightPx: 400, takenAtMs: Date.parse('2026-06-14T08:30:00Z') });
    for (const hash of [kept.hash, kept.middle, kept.small]) {
      const { bytes } = await picture(t.app, hash);
      const { exif, icc, xmp, iptc, orientation } = await sharp(bytes).metadata();
      expect([exif, icc, xmp, iptc, orientation]).toEqual([undefined, undefined, undefined, undefined, undefined]);
    }
  });
  test('in a phone’s own format is read: both halves are there, in their colours, the right way up', async () => {
    // 96 × 64 px, #a87c3a over #3a5ca8, drawn by code and written by the encoder of libheif 1.15.
    const kept = await keep(readFileSync(path.join(import.meta.dirname, 'fixtures/two-colours.heic')));
    expect(kept).toMatchObject({ widthPx: 96, heightPx: 64, takenAtMs: null });
    const { bytes } = await picture(t.app, kept.hash);
    for (const [top, code] of [
      [6, [0xa8, 0x7c, 0x3a]],
      [42, [0x3a, 0x5c, 0xa8]],
    ] as const) {
      const { channels } = await sharp(await sharp(bytes).extract({ left: 8, top, width: 80, height: 16 }).toBuffer()).stats();
      // Two lossy steps: a few codes.
      for (const [i, value] of code.entries()) expect(Math.abs((channels[i]?.mean ?? 0) - value)).toBeLessThan(8);
    }
  });
  test('that was cut off, or is no such picture inside, is refused in words', async () => {
    const jpeg = await sharp({ create: { width: 900, height: 900, channels: 3, background: '#888888', noise: { type: 'gaussian', mean: 128, sigma: 40 } } })
      .jpeg()
      .toBuffer();
    await expect(keep(jpeg.subarray(0, jpeg.length / 2))).rejects.toMatchObject({ status: 422, message: expect.stringContaining('cut off') });
    await expect(keep(Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), Buffer.from('PK archive of something else')]))).rejects.toMatchObject({ status: 422 });
    await expect(keep(Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic, and nothing more')]))).rejects.toMatchObject({ status: 422 });
  });
  test('of more than 60 megapixels is refused before it is unpacked, however small its file', async () => {
    const bomb = await plain(9000, 7000, '#000000').png({ compressionLevel: 9 }).toBuffer();
    expect(bomb.length).toBeLessThan(1_000_000);
    await expect(keep(bomb)).rejects.toMatchObject({ status: 413, message: expect.stringContaining('60 megapixels') });
  });
  test.each([
    ['a drawing with a script in it', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>'), 415],
    ['a renamed archive', Buffer.from('PK\u0003\u0004 and so on'), 415],
    ['nothing', Buffer.alloc(0), 415],
    ['more than a picture', Buffer.alloc(26 * 1024 * 1024), 413],
  ])('%s is refused in words', async (_what, bytes, status) => {
    await expect(keep(bytes)).rejects.toMatchObject({ status });
  });
});

test.each(['0'.repeat(64), '../app.lock', ''])('a name that is not there: “%s”', async (name) => {
  await expect(picture(t.app, name)).rejects.toThrow(/There is no picture/);
});
test.each([
  ['jpeg', [0xff, 0xd8, 0xff, 0xe0]],
  ['webp', [...Buffer.from('RIFF0000WEBPVP8 ')]],
  ['avif', [...Buffer.from('\0\0\0\x1cftypavif')]],
  ['heic', [...Buffer.from('\0\0\0\x1cftypmif1')]],
  [null, [...Buffer.from('GIF89a')]],
])('the bytes say that it is %s', (kind, bytes) => expect(pictureKind(Buffer.from(bytes))).toBe(kind));
