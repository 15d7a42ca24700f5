import { createHash, randomBytes } from 'node:crypto';
import { closeSync, createReadStream, mkdtempSync, openSync, rmSync, statSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { strToU8, Zip, ZipPassThrough } from 'fflate';
import sharp from 'sharp';
import { emptyServer } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere } from './steps';

/** What is promised of sizes, tried at those sizes through the real server. */

const BASE = emptyServer(4216);
test.use(beenHere(BASE));

const MB = 1024 * 1024;
const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-big-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Sends a file as a stream, and asks the server for its health all the while. @returns its answer, and the longest that health took */
async function sent(at: string, file: string, type: string): Promise<{ status: number; body: Record<string, unknown>; slowestMs: number }> {
  let [isDone, slowestMs] = [false, 0];
  const asking = (async () => {
    while (!isDone) {
      const began = performance.now();
      await (await fetch(`${BASE}/api/v1/health`)).text();
      slowestMs = Math.max(slowestMs, performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  })();
  const body = Readable.toWeb(createReadStream(file)) as ReadableStream<Uint8Array>;
  const init = { method: 'POST', headers: { 'content-type': type, 'content-length': String(statSync(file).size) }, body, duplex: 'half' } as RequestInit;
  const answer = await fetch(`${BASE}/api/v1${at}`, init);
  const said = { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
  isDone = true;
  await asking;
  return { ...said, slowestMs };
}

/** A photo of noise: as large as its pixels. */
async function photoOf(name: string, leastMb: number, mostMb: number): Promise<string> {
  const file = path.join(folder, name);
  for (let side = 4900; ; side += 40) {
    const noise = await sharp(randomBytes(side * side * 3), { raw: { width: side, height: side, channels: 3 } })
      .jpeg({ quality: 95 })
      .toFile(file);
    if (noise.size > leastMb * MB) {
      if (noise.size > mostMb * MB) throw new Error(`a photo of ${noise.size} bytes`);
      return file;
    }
  }
}

test('a photo of 24 MB is kept; one beyond 25 MB, and a strip of a pixel’s width, are refused in words', async () => {
  const kept = await sent('/blobs', await photoOf('large.jpg', 23, 25), 'image/jpeg');
  expect([kept.status, kept.body.widthPx]).toEqual([200, 2560]);
  const fd = openSync(path.join(folder, 'padded.jpg'), 'w');
  writeSync(
    fd,
    await sharp({ create: { width: 40, height: 30, channels: 3, background: '#b08d3a' } })
      .jpeg()
      .toBuffer(),
  );
  writeSync(fd, Buffer.alloc(26 * MB));
  closeSync(fd);
  const refused = await sent('/blobs', path.join(folder, 'padded.jpg'), 'image/jpeg').catch(() => null);
  // Whoever goes on sending may hear the end of the connection before the words.
  if (refused) expect([refused.status, String(refused.body.detail)]).toEqual([413, expect.stringContaining('25 MB')]);
  const strip = path.join(folder, 'strip.png');
  const began = performance.now();
  await sharp({ create: { width: 1, height: 50_000, channels: 3, background: '#ffffff' }, limitInputPixels: false })
    .png()
    .toFile(strip);
  expect(await sent('/blobs', strip, 'image/png')).toMatchObject({ status: 413, body: { detail: expect.stringContaining('no side is longer') } });
  expect(performance.now() - began).toBeLessThan(5000);
});

/** An archive with so many pictures of a megabyte; `damaged`: one byte of one of them is another. */
function archiveOf(name: string, pictures: number, damaged: boolean): string {
  const file = path.join(folder, name);
  const fd = openSync(file, 'w');
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    writeSync(fd, bytes);
  });
  const add = (entry: string, bytes: Uint8Array) => {
    const as = new ZipPassThrough(entry);
    zip.add(as);
    as.push(bytes, true);
  };
  for (let i = 0; i < pictures; i++) {
    const bytes = randomBytes(MB);
    const hash = createHash('sha256').update(bytes).digest('hex');
    if (damaged && i === pictures - 3) bytes[500] = (bytes[500] ?? 0) ^ 1;
    add(`blobs/${hash}`, bytes);
  }
  const head = { format: 'hyndle-archive', version: 1, madeAtMs: Date.now(), rows: {}, readings: {}, blobs: pictures };
  add('archive.json', strToU8(JSON.stringify(head)));
  zip.end();
  closeSync(fd);
  return file;
}

test('a saved file of more than 300 MB: damaged it is named, whole it is taken in, its sending is shown and can be stopped', async ({ page }) => {
  const [bad, whole] = [archiveOf('bad.zip', 310, true), archiveOf('whole.zip', 310, false)];
  expect(statSync(whole).size).toBeGreaterThan(300 * MB);
  await addLot(page, BASE, 'Skein of before', '50 g');
  await page.goto(`${BASE}/shelf?tab=home`);
  const input = page.locator('input[type=file]');
  const dialog = page.getByRole('dialog');
  // What the browser has shown of it by the time that it is stopped.
  await input.setInputFiles(whole);
  await expect(dialog.getByRole('progressbar')).toBeVisible();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect(dialog).toBeHidden();

  await input.setInputFiles(bad);
  await expect(dialog).toContainText(/This file is damaged\. “blobs\/[0-9a-f]{64}” is not the picture that it was\. Nothing was taken in/, { timeout: 60_000 });
  await dialog.getByRole('button', { name: 'Cancel' }).click();

  const taken = await sent('/archive?take=yes', whole, 'application/zip');
  expect([taken.status, taken.slowestMs < 1000]).toEqual([200, true]);
  expect(((await (await fetch(`${BASE}/api/v1/lots`)).json()) as { name: string }[]).map(({ name }) => name)).toEqual(['Skein of before']);
});
