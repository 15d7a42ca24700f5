import { parse } from 'csv-parse/sync';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { TrialInput } from '@/contract/trials';
import type { LotView, SwatchView, TrialLine, TrialView } from '@/contract/views';
import { SATURDAY_9, wool } from '@/core/plan/plan.fixture';
import type { Trial, TrialFactor } from '@/core/trial/trial';
import { byHand, IRON, MORDANTS } from '@/core/trial/trial.fixture';
import { sheetAt } from './sheets';
import { runningApp, type TestApp } from './testApp.fixture';

let t: TestApp;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
});
afterAll(() => t.close());

const lot = async (id: string, g: number, name = `Lot ${id}`) => {
  const { createdAtMs: _c, revision: _v, from: _f, ended: _e, ...other } = wool(id, g);
  await t.ask('createLot', '/lots', { ...other, name });
};
type Asked = Omit<TrialInput, 'factors'> & { readonly factors: readonly TrialFactor[] };
const asked = (id: string, more: Partial<Asked> = {}): Asked => ({
  id,
  name: 'Mordant and iron',
  question: 'Does 16 % do more than 10 %?',
  factors: [MORDANTS, IRON],
  design: 'full',
  repeats: 1,
  pieceG: 5,
  wayId: 'scour-to-dye',
  dyestuffId: 'weld',
  lotId: 'yarn',
  controls: 1,
  ...more,
});
const look = (id: string, lotId: string, hex: { l: number; a: number; b: number }) =>
  t.ask('addLook', '/looks', {
    id,
    lotIds: [lotId],
    part: null,
    liquorId: null,
    at: null,
    state: 'dry',
    light: 'daylight',
    pictures: [],
    colour: { lab: hex, by: { kind: 'typed' } },
    verdict: {},
    note: '',
  });

describe('a trial', () => {
  test('is cut from its lot: seven pieces of 5 g and the rest, with the weight kept', async () => {
    await lot('yarn', 100);
    const trial = await t.ask<Trial>('addTrial', '/trials', asked('t1'));
    expect(trial.pieces).toHaveLength(7);
    expect(trial.pieces.filter(({ cell }) => cell === null)).toHaveLength(1);
    const whole = await t.ask<LotView>('getLot', '/lots/yarn');
    expect(whole.ended).toMatchObject({ how: 'split' });
    const parts = await Promise.all((whole.ended?.into ?? []).map((id) => t.ask<LotView>('getLot', `/lots/${id}`)));
    expect(parts).toHaveLength(8);
    expect(parts.reduce((sum, { dryWeightG }) => sum + (dryWeightG.state === 'estimated' ? dryWeightG.value : Number.NaN), 0)).toBeCloseTo(100, 9);
    // Nothing on a piece tells what it gets.
    for (const { code, lotId } of trial.pieces) expect(parts.find(({ id }) => id === lotId)).toMatchObject({ name: `${code} · Mordant and iron`, note: '' });
  });
  test('sent again it is the same one, and cuts nothing more; other content under its id is a conflict', async () => {
    const again = await t.ask<Trial>('addTrial', '/trials', asked('t1'));
    expect(again.pieces).toHaveLength(7);
    expect(await t.send('POST', '/trials', asked('t1', { name: 'Another' }))).toMatchObject({ status: 409 });
  });
  test('fills itself from what is seen of its pieces', async () => {
    const { pieces } = (await t.ask<TrialView>('getTrial', '/trials/t1')).trial;
    for (const [i, { lotId, cell }] of pieces.entries()) if (cell && cell[1] === 0) await look(`s${i}`, lotId, { l: 84 - 8 * (cell[0] ?? 0), a: 0, b: 20 });
    const view = await t.ask<TrialView>('getTrial', '/trials/t1');
    expect(view.tells).toMatchObject({ seen: 3, of: 6 });
    expect(view.tells.lines.map(({ what, l }) => [what, Math.round(l.value)])).toEqual([
      ['alum 10 % instead of none', -8],
      ['alum 16 % instead of none', -16],
      ['alum 16 % instead of alum 10 %', -8],
    ]);
    expect(view.tells.notTold.join(' ')).toContain('iron dip');
    // On the wall and on its own page a piece is called by what it gets: nobody wrote its treatment down.
    const bare = pieces.find(({ cell }) => cell?.join() === '0,0');
    const wall = await t.ask<SwatchView[]>('listSwatches', '/swatches');
    expect(wall.find(({ lotId }) => lotId === bare?.lotId)?.name).toBe('None, none');
    expect((await t.ask<LotView>('getLot', `/lots/${bare?.lotId}`)).trial).toEqual({ id: 't1', name: 'Mordant and iron', gets: 'none, none' });
    expect(await t.ask<TrialLine[]>('listTrials', '/trials')).toMatchObject([{ id: 't1', pieces: 7, seen: 3, withdrawn: false }]);
  });
  test('is a sheet: a line for each piece, a column for each thing that differs', async () => {
    const text = await (await sheetAt(t.app, 'trialTable', { trialId: 't1' }, new URLSearchParams())).text();
    const lines = parse<Record<string, string>>(text, { columns: true, bom: true });
    expect(lines).toHaveLength(7);
    expect(Object.keys(lines[0] ?? {})).toEqual(['code', 'lot', 'control', 'Mordant', 'Iron', 'cell', 'fibre was', 'sRGB', 'L*', 'a*', 'b*']);
    expect(lines.filter((line) => line['L*'] !== '')).toHaveLength(3);
  });
  test('is given up with its reason, once', async () => {
    const gone = await t.ask<Trial>('withdrawTrial', '/trials/t1/withdraw', { reason: 'the codes washed off', revision: 1 });
    expect(gone).toMatchObject({ withdrawn: { reason: 'the codes washed off' }, revision: 2 });
    expect(await t.send('POST', '/trials/t1/withdraw', { reason: 'again', revision: 2 })).toMatchObject({ status: 409 });
  });
});

const twelve = (name: string) => byHand(name, ...Array.from({ length: 12 }, (_, i) => `${name} ${i + 1}`));

describe('what cannot be cut is refused, and nothing is', () => {
  beforeAll(() => lot('small', 20));
  afterAll(async () => {
    const small = await t.ask<LotView>('getLot', '/lots/small');
    expect(small.ended).toBeNull();
  });
  test.each<[string, Partial<Asked>, RegExp]>([
    ['more than the lot weighs', { pieceG: 50 }, /pieces of 50(\.0)? g are/],
    ['no lot', { lotId: null }, /Choose a lot/],
    ['432 pieces', { factors: [twelve('depth'), twelve('dip')], repeats: 3, pieceG: 0.01 }, /More than 400 pieces/],
    ['a way that treats each lot differently', { wayId: 'three-mordants' }, /treats all lots alike/],
    ['nothing that differs', { factors: [] }, /what differs/],
    ['two levels of one name', { factors: [{ ...IRON, levels: [...IRON.levels.slice(0, 1), ...IRON.levels.slice(0, 1)] }] }, /own name/],
  ])('%s', async (name, more, says) => {
    const answer = await t.send('POST', '/trials', asked(`bad-${name.replaceAll(/\W/g, '')}`, { lotId: 'small', ...more }));
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect(JSON.stringify(answer.body)).toMatch(says);
  });
});
