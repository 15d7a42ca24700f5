import { describe, expect, test } from 'vitest';
import { balanceText, lineText } from '../bath/balanceText';
import { estimated, type Figure, measured, UNKNOWN } from '../figure';
import { lossL } from '../heat/boilOff';
import type { AmountUnit } from '../measure/print';
import { planned, wool } from '../plan/plan.fixture';
import { shelfOf } from '../shelf/library';
import { bathActs, bathBalance } from './bathActs';
import { bathLine } from './bathLine';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const nameOf = shelfOf(plan.own).nameOf;
let n = 0;
/** @param min minutes after the beginning */
const at = (min: number, fact: RunFact): RunEvent => ({ ...fact, id: `e${++n}`, atMs: min * MIN, recordedAtMs: min * MIN });
const begin = (min: number, stepId: string, phaseIndex = 0) => at(min, { type: 'phaseEntered', stepId, phaseIndex });
const end = (min: number, stepId: string) => at(min, { type: 'stepFinished', stepId });
const add = (min: number, stepId: string, additionId: string | null, substance: string, amount: Figure, unit: AmountUnit = 'g') =>
  at(min, { type: 'addition', stepId, additionId, substance, amount, unit });
const volume = (min: number, stepId: string, value: number) => at(min, { type: 'reading', stepId, quantity: 'volumeMl', value });
const state = (...events: RunEvent[]) => foldRun(plan.steps, [at(0, { type: 'started', planVersion: 1 }), ...events]);
const of = (bathId: string, ...events: RunEvent[]) => bathBalance(plan, state(...events), bathId, 1000 * MIN);

describe('a bath of a run, by its log', () => {
  test('what nobody began is no bath', () => expect(of('c2-mordant').lines).toEqual([]));
  test('begun, it has the planned water, and says that this is no measurement; logged water takes its place', () => {
    const planned = of('c2-mordant', begin(0, 'c2-mordant'));
    expect(planned).toMatchObject({ volumeMl: 3000, isEstimate: true });
    expect(of('c2-mordant', begin(0, 'c2-mordant'), add(1, 'c2-mordant', 'water', 'water', measured(3600), 'mL'))).toMatchObject({
      volumeMl: 3600,
      isEstimate: false,
    });
  });
  test('what went in, in grams per litre; water that was topped up thins it', () => {
    const alum = add(1, 'c2-mordant', 'alum', 'alum', measured(12));
    const water = add(0, 'c2-mordant', 'water', 'water', measured(4000), 'mL');
    expect(balanceText(of('c2-mordant', begin(0, 'c2-mordant'), water, alum), nameOf)).toBe('4 L; potash alum 3 g/L');
    const more = add(2, 'c2-mordant', null, 'water', measured(800), 'mL');
    expect(balanceText(of('c2-mordant', begin(0, 'c2-mordant'), water, alum, more), nameOf)).toBe('4.8 L; potash alum 2.5 g/L');
    expect(balanceText(of('c2-mordant', begin(0, 'c2-mordant'), water, add(1, 'c2-mordant', 'alum', 'alum', UNKNOWN)), nameOf)).toBe(
      '4 L; potash alum, unknown how much',
    );
  });
  test('what was taken back did not go in', () => {
    const alum = add(1, 'c2-mordant', 'alum', 'alum', measured(12));
    const back = at(2, { type: 'amended', targetId: alum.id, change: { kind: 'withdrawn', reason: 'slip' } });
    expect(of('c2-mordant', begin(0, 'c2-mordant'), alum, back).solutes).toEqual([]);
  });
  test('an hour on the heat boils off as much as the plan reckons with, and a reading knows better', () => {
    const hold = plan.steps.find(({ id }) => id === 'c2-mordant')?.phases.findIndex(({ kind }) => kind === 'hold') ?? -1;
    const lift = hold + 1;
    const hour = [begin(0, 'c2-mordant'), begin(1, 'c2-mordant', hold), begin(61, 'c2-mordant', lift)];
    const boiled = of('c2-mordant', ...hour).totals.boiledMl;
    const step = plan.steps.find(({ id }) => id === 'c2-mordant');
    const held = step?.phases[hold];
    const booked = lossL({
      heated: true,
      heatMin: 60,
      lid: step?.lid ?? 'none',
      hottestC: held?.kind === 'hold' ? (held.bandC?.[1] ?? null) : null,
      waterMl: 3000,
      vesselL: plan.vessels.find(({ id }) => id === step?.vesselId)?.litres ?? null,
    });
    expect(boiled / 1000).toBeCloseTo(booked, 6);
    const read = of('c2-mordant', ...hour, volume(62, 'c2-mordant', 2500));
    expect(read).toMatchObject({ volumeMl: 2500, isEstimate: false });
    expect(read.totals.unaccountedMl).toBeCloseTo(2500 - (3000 - boiled), 6);
  });
  test('a bath goes on through its steps: strained, the leaf is out; the goods carry some of it away', () => {
    const log = [
      begin(0, 'c3-extract'),
      add(1, 'c3-extract', 'dyestuff', 'weld', measured(200)),
      end(60, 'c3-extract'),
      begin(61, 'c4-strain'),
      end(70, 'c4-strain'),
      begin(71, 'c5-dye', 1),
      end(140, 'c5-dye'),
      begin(141, 'c6-rest', 1),
      end(800, 'c6-rest'),
    ];
    const balance = of('c3-extract', ...log);
    expect(balance.solutes).toMatchObject([{ substance: 'weld', isMatter: true, left: 0, outAmount: 200 }]);
    expect(balance.totals.goodsMl).toBe(200);
    expect(balance.lines.map((line) => lineText(line, nameOf))).toContain('strained: the plants are out');
  });
  test('of a mordant the goods keep a share that nobody measured: a range', () => {
    const acts = bathActs(
      plan,
      state(begin(0, 'c2-mordant', 1), add(1, 'c2-mordant', 'alum', 'alum', estimated(12)), end(90, 'c2-mordant')),
      'c2-mordant',
      1000 * MIN,
    );
    expect(acts.find(({ kind }) => kind === 'took')).toMatchObject({ substance: 'alum', share: { low: 0.4, high: 0.9 }, isEstimate: true });
  });
  test('on the line there is no bath, and before it is begun there is nothing to say', () => {
    const line = plan.steps.find(({ id }) => id === 'c8-dry');
    const mordant = plan.steps.find(({ id }) => id === 'c2-mordant');
    if (!line || !mordant) throw new Error('the usual plan has both');
    expect(bathLine(plan, state(begin(0, 'c8-dry')), line, 0)).toBeNull();
    expect(bathLine(plan, state(), mordant, 0)).toBeNull();
    expect(bathLine(plan, state(begin(0, 'c2-mordant')), mordant, 0)).toBe('about 3 L');
  });
});
