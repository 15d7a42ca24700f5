import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { FastnessView } from '@/contract/views';
import type { FastnessTest } from '@/core/fastness/fastness';
import { SATURDAY_9 } from '@/core/plan/plan.fixture';
import { runningApp, type TestApp } from './testApp.fixture';

const DAY = 86_400_000;
let t: TestApp;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
});
afterAll(() => t.close());

const asked = (id: string, more: object = {}) => ({ id, kind: 'light', lotId: 'a', beganAtMs: SATURDAY_9 - 8 * DAY, lookDays: [7, 14], note: '', ...more });
const read = (id: string, part: string, l: number, atMs: number) =>
  t.ask('addLook', '/looks', {
    id,
    lotIds: ['a'],
    part,
    liquorId: null,
    at: null,
    state: 'dry',
    light: 'daylight',
    pictures: [],
    colour: { lab: { l, a: 0, b: 0 }, by: { kind: 'typed' } },
    verdict: {},
    note: '',
    atMs,
  });

describe('a light test', () => {
  test('is begun, asks for its look, is graded from what is seen, and asks for the next', async () => {
    await t.ask('addFastness', '/fastness', asked('t1'));
    expect(await t.ask<FastnessView[]>('listFastness', '/fastness?lotId=a')).toMatchObject([
      { lot: expect.any(String), dyes: [], grades: [], nextAtMs: SATURDAY_9 - DAY, says: 'light: begun, not looked at yet' },
    ]);
    await read('l1', 'under the card', 60, SATURDAY_9);
    await read('l2', 'in the light', 61.7, SATURDAY_9);
    expect(await t.ask<FastnessView[]>('listFastness', '/fastness')).toMatchObject([
      { grades: [{ day: 8, change: 4, stain: null }], nextAtMs: SATURDAY_9 + 6 * DAY, says: 'light: 4 after 8 days, goes on to 14 days' },
    ]);
    // A look that was withdrawn grades nothing.
    await t.ask('withdrawLook', '/looks/l2/withdraw', { reason: 'read in the shade', revision: 1 });
    expect(await t.ask<FastnessView[]>('listFastness', '/fastness')).toMatchObject([{ grades: [] }]);
  });
  test('sent again it is the same one, and is given up once', async () => {
    expect(await t.ask<FastnessTest>('addFastness', '/fastness', asked('t1'))).toMatchObject({ revision: 1 });
    expect(await t.send('POST', '/fastness', asked('t1', { note: 'another' }))).toMatchObject({ status: 409 });
    await t.ask('withdrawFastness', '/fastness/t1/withdraw', { reason: 'the card fell off', revision: 1 });
    expect(await t.ask<FastnessView[]>('listFastness', '/fastness')).toMatchObject([{ nextAtMs: null }]);
    expect(await t.send('POST', '/fastness/t1/withdraw', { reason: 'again', revision: 2 })).toMatchObject({ status: 409 });
  });
  test.each<[string, object, number]>([
    ['days that do not rise', { lookDays: [14, 7] }, 422],
    ['no days', { lookDays: [] }, 422],
    ['a lot that is not there', { lotId: 'nobody' }, 404],
    ['another kind of test', { kind: 'rubbing' }, 422],
  ])('%s are refused', async (what, more, status) => {
    expect((await t.send('POST', '/fastness', asked(`bad-${what.replaceAll(/\W/g, '')}`, more))).status).toBe(status);
  });
});
