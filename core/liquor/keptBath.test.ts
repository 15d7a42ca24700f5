import { describe, expect, test } from 'vitest';
import { lineText } from '../bath/balanceText';
import { estimated, measured, UNKNOWN } from '../figure';
import type { KeptAct, KeptFact } from './act';
import { foldKept, NO_ORIGIN, type RunTake, type RunUse } from './keptBath';
import { type Liquor, spoilByMs } from './liquor';

const DAY = 86_400_000;
const jar = (more: Partial<Liquor> = {}): Liquor => ({
  id: 'jar',
  name: 'Weld jar',
  dyestuffId: 'weld',
  volumeMl: measured(3000),
  ph: null,
  madeAtMs: 0,
  keptIn: 'fridge',
  place: 'cellar',
  uses: 1,
  spoilByMs: spoilByMs(0, 'fridge', null),
  labelled: true,
  note: '',
  from: null,
  revision: 1,
  retired: false,
  ...more,
});
const act = (day: number, fact: KeptFact, more: Partial<KeptAct> = {}): KeptAct => ({
  id: `a${day}-${fact.kind}`,
  liquorId: 'jar',
  atMs: day * DAY,
  recordedAtMs: day * DAY,
  fact,
  revision: 1,
  withdrawn: null,
  ...more,
});
const run = (day: number, more: Partial<RunUse> = {}): RunUse => ({
  runId: `r${day}`,
  stepId: 'dye',
  session: `Session of day ${day}`,
  atMs: day * DAY,
  isWhole: false,
  fibreG: 50,
  lots: [],
  ...more,
});
const isPlant = (substance: string) => substance === 'weld';
const take = (day: number, mL: number | null = 1500): RunTake => ({ atMs: day * DAY - 1, session: `Session of day ${day}`, mL });
const fold = (liquor: Liquor, acts: KeptAct[] = [], runs: RunUse[] = [], takes: RunTake[] = []) =>
  foldKept(liquor, { acts, runs, takes, transfers: [], origin: NO_ORIGIN, isPlant });

describe('a master pot', () => {
  const draw = (n: number, mL: number) => act(n, { kind: 'pouredIn', what: 'dock root', mL: measured(mL), draw: n });
  const blended = [draw(1, 3000), draw(2, 2600), draw(3, 2400)];
  const pot = jar({ volumeMl: UNKNOWN });
  test('three extractions blended: 8 L; each named by its draw', () => {
    const { balance } = fold(pot, blended);
    expect(balance.volumeMl).toBe(8000);
    expect(balance.lines.map((line) => lineText(line, (id) => id))).toEqual([
      'dock root, draw 1 poured in',
      'dock root, draw 2 poured in',
      'dock root, draw 3 poured in',
    ]);
  });
  test('three trials draw 1.5 L each: 3.5 L are left, and no two portions have one number', () => {
    const kept = fold(
      pot,
      [...blended, ...[4, 5].map((day) => act(day, { kind: 'drawn', what: `trial ${day}`, mL: measured(1500), toId: null }))],
      [run(6)],
      [take(6)],
    );
    expect(kept.balance.volumeMl).toBe(3500);
    expect(kept.draws.map(({ n, what, mL }) => [n, what, mL])).toEqual([
      [1, 'trial 4', 1500],
      [2, 'trial 5', 1500],
      [3, 'Session of day 6', 1500],
    ]);
  });
  test('a draw that was taken back was none', () => {
    const back = { atMs: 9 * DAY, reason: 'wrong pot' };
    expect(fold(pot, [...blended, act(4, { kind: 'drawn', what: 'x', mL: measured(1500), toId: null }, { withdrawn: back })]).balance.volumeMl).toBe(8000);
  });
});

describe('uses are counted by the sessions', () => {
  test('those of before, by hand and by sessions, in order of time', () => {
    const kept = fold(jar({ uses: 1 }), [act(2, { kind: 'used', what: 'a sample', fibreG: measured(5) })], [run(3), run(1)]);
    expect(kept.uses.map(({ n, what, fibreG }) => [n, what, fibreG])).toEqual([
      [1, 'Session of day 1', 50],
      [2, 'a sample', 5],
      [3, 'Session of day 3', 50],
    ]);
    expect(kept.useCount).toBe(4);
  });
  test('a session that dyes twice in what it brought out drew once and used it twice', () => {
    const kept = fold(jar(), [], [run(1), run(1, { stepId: 'dye-2', atMs: DAY + 5 })], [take(1)]);
    expect([kept.draws.length, kept.uses.length, kept.balance.volumeMl]).toEqual([1, 2, 1500]);
  });
  test('all of it brought out, nothing is on the shelf until it comes back', () => {
    const out = take(1, null);
    expect(fold(jar(), [], [], [out]).balance.volumeMl).toBe(0);
    const back = act(2, { kind: 'pouredIn', what: 'back from the pot', mL: measured(2600), draw: null });
    expect(fold(jar(), [back], [], [out]).balance.volumeMl).toBe(2600);
  });
});

describe('keeping', () => {
  const moved = (day: number, keptIn: Liquor['keptIn']) => act(day, { kind: 'moved', keptIn, place: 'new place' });
  test('half its time in the fridge leaves half of its time in the freezer', () => {
    const kept = fold(jar(), [moved(7, 'freezer')]);
    expect(kept.spoilByMs).toBeCloseTo((7 + 365 / 2) * DAY, 0);
    expect([kept.keptIn, kept.place]).toEqual(['freezer', 'new place']);
  });
  test('left in the room for a day, a third of it is gone', () =>
    expect(fold(jar({ keptIn: 'room', spoilByMs: spoilByMs(0, 'room', null) }), [moved(1, 'fridge')]).spoilByMs).toBeCloseTo((1 + (14 * 2) / 3) * DAY, 0));
  test('a sour bath keeps twice as long, in each place', () => {
    const sour = jar({ ph: 4, spoilByMs: spoilByMs(0, 'fridge', 4) });
    expect(fold(sour, [moved(14, 'freezer')]).spoilByMs).toBeCloseTo((14 + 365) * DAY, 0);
  });
  test('a day that somebody set stands; none stays none', () => {
    // A day in the sun uses up as much as two in the shade.
    expect(fold(jar({ keptIn: 'warm', spoilByMs: spoilByMs(0, 'warm', null) }), [moved(0.75, 'room')]).spoilByMs).toBeCloseTo((0.75 + 1.5) * DAY, 0);
    expect(fold(jar({ spoilByMs: 5 * DAY }), [moved(2, 'freezer')]).spoilByMs).toBe(5 * DAY);
    expect(fold(jar({ spoilByMs: null }), [moved(2, 'freezer')]).spoilByMs).toBeNull();
  });
  test('the last strip counts; what was said when it was kept has no time', () => {
    expect(fold(jar({ ph: 6.5 })).ph).toEqual({ value: 6.5, atMs: null });
    expect(fold(jar({ ph: 6.5 }), [act(3, { kind: 'read', ph: 5, mL: null })]).ph).toEqual({ value: 5, atMs: 3 * DAY });
  });
  test('poured away, it is gone, with all that was in it', () => {
    const kept = fold(jar(), [
      act(1, { kind: 'put', substance: 'alum', amount: measured(6), unit: 'g' }),
      act(3, { kind: 'pouredAway', how: 'cooled, to the drain' }),
    ]);
    expect(kept).toMatchObject({ isGone: true, balance: { volumeMl: 0, solutes: [{ left: 0, outAmount: 6 }] } });
  });
});

test('fresh matter into an old bath lies in it until it is strained; an estimate is told as one', () => {
  const kept = fold(jar({ volumeMl: estimated(3000) }), [
    act(1, { kind: 'put', substance: 'weld', amount: measured(80), unit: 'g' }),
    act(2, { kind: 'strained' }),
  ]);
  expect(kept.balance).toMatchObject({ isEstimate: true, solutes: [{ substance: 'weld', isMatter: true, left: 0, outAmount: 80 }] });
});
test('drawn into a jar of its own, it brings its share of what is dissolved', () => {
  const transfer = { atMs: DAY, from: 'Alum pot', mL: measured(500), carries: [{ substance: 'alum', unit: 'g' as const, perMl: 0.003 }] };
  const kept = foldKept(jar({ volumeMl: UNKNOWN }), { acts: [], runs: [], takes: [], transfers: [transfer], origin: NO_ORIGIN, isPlant });
  expect(kept.balance).toMatchObject({ volumeMl: 500, solutes: [{ substance: 'alum', left: expect.closeTo(1.5, 9), perL: expect.closeTo(3, 9) }] });
});
