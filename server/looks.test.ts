import { parse } from 'csv-parse/sync';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { SwatchView } from '@/contract/views';
import { labOf } from '@/core/colour/lab';
import { SATURDAY_9, wool } from '@/core/plan/plan.fixture';
import { type Look, lookText, type Picture } from '@/core/swatch/look';
import { ORPHAN_MS } from '@/store/blobs';
import { paletteAt } from './palettes';
import { keepPicture } from './pictures';
import { sheetAt } from './sheets';
import { runningApp, type TestApp } from './testApp.fixture';

let t: TestApp;
let shot: Picture;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
  const png = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#b08d3a' } })
    .png()
    .toBuffer();
  shot = await keepPicture(t.app, new Response(new Uint8Array(png)).body as ReadableStream<Uint8Array>);
  const { createdAtMs: _c, revision: _v, from: _f, ended: _e, ...other } = wool('b', 100);
  await t.ask('createLot', '/lots', { ...other, name: 'The other one' });
});
afterAll(() => t.close());

const seen = (id: string, more: object = {}) => ({
  id,
  lotIds: ['a'],
  part: null,
  liquorId: null,
  at: null,
  state: 'dry',
  light: 'daylight',
  pictures: [],
  colour: null,
  verdict: {},
  note: 'looked',
  ...more,
});
const typed = (hex: string) => ({ lab: labOf(hex), by: { kind: 'typed' } });
const add = (id: string, more: object = {}) => t.ask<Look>('addLook', '/looks', seen(id, more));

describe('a look', () => {
  test('is kept with its pictures, and told in the lot, the run and the wall', async () => {
    const look = await add('jar-1', { at: { runId: 'r', stepId: 'c2-mordant' }, pictures: [shot], verdict: { depth: 'asWanted' } });
    expect(look).toMatchObject({ step: { treatment: 'mordant' }, atMs: SATURDAY_9, recordedAtMs: SATURDAY_9, revision: 1, changes: [] });
    expect(await t.ask('listLooks', '/looks?runId=r')).toEqual([look]);
    expect(await t.ask('lotLooks', '/lots/a/looks')).toEqual([look]);
    expect(await t.ask<SwatchView[]>('listSwatches', '/swatches')).toMatchObject([{ lotId: 'a', picture: shot, verdict: 'as wanted', looks: 1 }]);
  });
  test('sent again it is the same one; its id for something else is a conflict', async () => {
    const first = await add('twice');
    expect(await add('twice')).toEqual(first);
    expect(await t.send('POST', '/looks', seen('twice', { note: 'another' }))).toMatchObject({ status: 409 });
  });
  test.each<[string, object, number, RegExp]>([
    ['nothing said or shown', { note: '' }, 422, /Nothing was said or shown/],
    ['nobody knows of what', { lotIds: [] }, 422, /codes on the labels/],
    ['a lot that is not there', { lotIds: ['nobody'] }, 404, /nobody/],
    ['a step that is not there', { at: { runId: 'r', stepId: 'nothing' } }, 404, /nothing/],
    ['a run that is not there', { at: { runId: 'nobody', stepId: 'c2-mordant' } }, 404, /nobody/],
    ['a kept bath that is not there', { liquorId: 'nobody' }, 404, /nobody/],
    ['one colour of two lots', { lotIds: ['a', 'b'], colour: typed('#aa8833') }, 422, /one lot/],
    [
      'a colour off a picture that is not with it',
      { colour: { lab: labOf('#aa8833'), by: { kind: 'picture', hash: '1'.repeat(64), card: null, spread: 1, leftOut: 0 } } },
      422,
      /another picture/,
    ],
    ['a spot on a picture that is not with it', { spots: [{ hash: '1'.repeat(64), x: 0.5, y: 0.5, plant: 'heather', sure: false }] }, 422, /another picture/],
    ['a lightness that there is not', { colour: { lab: { l: 130, a: 0, b: 0 }, by: { kind: 'typed' } } }, 422, /between 0 and 100/],
  ])('%s is refused in words, and nothing is stored', async (_what, more, status, says) => {
    const before = t.app.store.lastSeq;
    const refused = await t.send('POST', '/looks', seen('refused', more));
    expect(refused.status).toBe(status);
    expect(JSON.stringify(refused.body)).toMatch(says);
    expect(t.app.store.lastSeq).toBe(before);
  });
  test('what printed where is kept with the picture that it is on, known or guessed', async () => {
    const spots = [
      { hash: shot.hash, x: 0.25, y: 0.5, plant: 'heather', sure: true },
      { hash: shot.hash, x: 0.75, y: 0.4, plant: 'weld', sure: false },
    ];
    const look = await add('spotted', { pictures: [shot], spots });
    expect(look.spots).toEqual(spots);
    expect(lookText(look, () => '')).toContain('1 heather · 2 weld, a guess');
    const nowhere = await t.send('POST', '/looks', seen('nowhere', { pictures: [shot], spots: [{ ...spots[0], x: 1.2 }] }));
    expect(nowhere.status).toBe(422);
  });
  test('a picture that never came is asked for', async () => {
    const refused = await t.send('POST', '/looks', seen('no-file', { pictures: [{ ...shot, small: '2'.repeat(64) }] }));
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ at: 'pictures.0', message: expect.stringContaining('Send the picture first') }] } });
  });
  test('of the wrong lot it is moved to the right one, and both are written down', async () => {
    const wrong = await add('wrong', { colour: typed('#7a5230') });
    const moved = await t.ask<Look>('moveLook', '/looks/wrong/move', { lotIds: ['b'], reason: 'the tags were swapped', revision: wrong.revision });
    expect(moved).toMatchObject({ lotIds: ['b'], revision: 2, changes: [{ kind: 'moved', fromLotIds: ['a'], reason: 'the tags were swapped' }] });
    expect((await t.ask<Look[]>('lotLooks', '/lots/a/looks')).map((look) => look.id)).not.toContain('wrong');
    expect((await t.ask<SwatchView[]>('listSwatches', '/swatches')).find((one) => one.lotId === 'b')).toMatchObject({ hex: '#7a5230', lot: 'The other one' });
    expect(await t.send('POST', '/looks/wrong/move', { lotIds: ['a'], reason: 'too late', revision: 1 })).toMatchObject({ status: 409 });
  });
  test('of the newest results so many are given, the newest first', async () => {
    const all = await t.ask<SwatchView[]>('listSwatches', '/swatches');
    const first = await t.ask<SwatchView[]>('listSwatches', '/swatches?first=1');
    expect(first.map(({ id }) => id)).toEqual(all.slice(0, 1).map(({ id }) => id));
    expect(await t.send('GET', '/swatches?first=0')).toMatchObject({ status: 422 });
  });
  test('withdrawn it counts no longer, and stays with the reason', async () => {
    await add('gone', { lotIds: ['b'], colour: typed('#000000') });
    const gone = await t.ask<Look>('withdrawLook', '/looks/gone/withdraw', { reason: 'that was the shadow', revision: 1 });
    expect(gone.changes).toMatchObject([{ kind: 'withdrawn', reason: 'that was the shadow' }]);
    expect((await t.ask<SwatchView[]>('listSwatches', '/swatches')).find((one) => one.lotId === 'b')?.hex).toBe('#7a5230');
    expect((await t.ask<Look[]>('lotLooks', '/lots/b/looks')).map((look) => look.id)).toContain('gone');
    expect(await t.send('POST', '/looks/gone/withdraw', { reason: 'again', revision: 2 })).toMatchObject({ status: 409 });
  });
  test('parts of a lot see what was seen of the whole; it stays the whole’s', async () => {
    const { createdAtMs: _c, revision: _v, from: _f, ended: _e, ...whole } = wool('whole', 100);
    await t.ask('createLot', '/lots', whole);
    await add('whole-1', { lotIds: ['whole'] });
    const part = (id: string) => ({ id, name: id, dryWeightG: { state: 'measured', value: 50 }, pieces: 1, note: '' });
    await t.ask('splitLot', '/lots/whole/split', { parts: [part('left'), part('right')], revision: 1 });
    expect(await t.ask<Look[]>('lotLooks', '/lots/left/looks')).toMatchObject([{ id: 'whole-1', lotIds: ['whole'] }]);
    expect((await t.ask<SwatchView[]>('listSwatches', '/swatches')).filter((one) => one.lotId === 'left')).toEqual([]);
  });
});

test('the wall goes out as a table with all that made each result, and as palettes', async () => {
  const table = parse(await (await sheetAt(t.app, 'swatchesTable', {}, new URLSearchParams())).text(), { bom: true, columns: true }) as Record<
    string,
    string
  >[];
  const moved = table.find((row) => row.lot === 'The other one');
  expect(moved).toMatchObject({ sRGB: '#7a5230', 'fibre was': 'dry', light: 'daylight', 'how it was got': 'typed', fibre: '100 % wool' });
  const palette = async (id: 'gplPalette' | 'cssPalette') => (await paletteAt(t.app, id)).text();
  expect(await palette('gplPalette')).toContain('122  82  48\tUndyed on The other one');
  expect(await palette('cssPalette')).toContain('--undyed-on-the-other-one: #7a5230;');
});

test('a picture that a look names is never swept away; one that nothing names is, after a week', async () => {
  const png = await sharp({ create: { width: 40, height: 40, channels: 3, background: '#123456' } })
    .png()
    .toBuffer();
  const alone = await keepPicture(t.app, new Response(new Uint8Array(png)).body as ReadableStream<Uint8Array>);
  const atMs = t.clock.nowMs;
  // Files carry the machine's own time.
  t.clock.nowMs = Math.max(Date.now(), atMs) + ORPHAN_MS + 60_000;
  await t.app.store.tidy(async () => undefined);
  t.clock.nowMs = atMs;
  const names = await t.app.store.blobs.names();
  for (const hash of [shot.hash, shot.middle, shot.small]) expect(names).toContain(hash);
  for (const hash of [alone.hash, alone.middle, alone.small]) expect(names).not.toContain(hash);
});
