import { describe, expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { printer } from '@/core/measure/printer';
import { planned, step, wool } from '@/core/plan/plan.fixture';
import { describeEvent } from '@/core/run/describeEvent';
import type { RunEvent, RunFact } from '@/core/run/events';
import { shelfOf } from '@/core/shelf/library';
import { answerTo, nextAct, stoveView, untilText } from './stoveView';

const MIN = 60_000;
const print = printer(METRIC, 'Europe/Berlin');
const plan = planned([wool('a', 100)]);
const dye = step(plan, 'dye');
let serial = 0;
const ev = (atMin: number, fact: RunFact): RunEvent => ({
  ...fact,
  id: `e${++serial}`,
  atMs: dye.startMs + atMin * MIN,
  recordedAtMs: dye.startMs + atMin * MIN + serial,
});
const at = (min: number) => dye.startMs + min * MIN;
const before = plan.steps
  .filter((s) => s.startMs < dye.startMs)
  .flatMap((s) => [ev(-200, { type: 'phaseEntered', stepId: s.id, phaseIndex: 0 }), ev(-100, { type: 'stepFinished', stepId: s.id })]);
const started = [ev(-300, { type: 'started', planVersion: 1 }), ...before];
const holding = [...started, ev(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 1 })];
const vessel = dye.vesselId ?? '';
const readings = (toMin: number, c: (min: number) => number) => ({ [vessel]: Array.from({ length: toMin + 1 }, (_, i) => ({ atMs: at(i), bathC: c(i) })) });

test('what is seen ends a hold by its own words', () => {
  const tea = planned([wool('a', 4)], { chain: [{ id: 'c', methodId: 'tea-microwave', params: {}, dyestuffId: null }] });
  const [cup] = tea.steps;
  if (!cup) throw new Error('no cup');
  const hold = cup.phases.findIndex((phase) => phase.kind === 'hold');
  const log: RunEvent[] = [
    { type: 'started', planVersion: 1, id: 's', atMs: cup.startMs, recordedAtMs: 0 },
    { type: 'phaseEntered', stepId: cup.id, phaseIndex: hold, id: 'h', atMs: cup.startMs, recordedAtMs: 1 },
  ];
  const [card] = stoveView(tea, log, {}, cup.startMs + MIN, print).cards;
  expect(card && nextAct(card.step, card.clock).label).toBe('It boils');
});

describe('what the stove shows', () => {
  test('a step whose turn has come waits to be begun', () => {
    const view = stoveView(plan, started, {}, at(0), print);
    expect(view.cards).toEqual([]);
    expect(view.ready.map((s) => s.id)).toContain(dye.id);
  });

  test('temperature with its source, the band, credited minutes and the next call', () => {
    const view = stoveView(
      plan,
      holding,
      readings(31, (i) => (i === 0 ? 70 : 76)),
      at(31),
      print,
    );
    const [card] = view.cards;
    expect(card).toMatchObject({ number: 1, bandC: [70, 80], ceilingC: 82.2, temperature: { c: 76, stale: false }, heard: 'probe, 0 s ago' });
    expect(card?.progress).toMatchObject({ text: '31 min of 1 h in band', detail: 'all of it measured' });
    expect(card?.nextCall).toMatchObject({ text: 'Stir gently', due: true, when: 'now' });
    expect(card?.acts.map((act) => act.key)).toEqual(['r', 's', 'b']);
  });

  test('a typed reading is named as typed, and an old one as stale', () => {
    const typed = [...holding, ev(2, { type: 'reading', stepId: dye.id, quantity: 'bathC', value: 71 })];
    expect(stoveView(plan, typed, {}, at(40), print).cards[0]).toMatchObject({ temperature: { c: 71, stale: true }, heard: 'typed, 38 min ago' });
  });

  test('a probe that hangs or says what can be no bath is not believed, and the card says so', () => {
    const wobbles = (i: number) => 75 + ((i * 7) % 5) / 10;
    const hangs = readings(91, (i) => (i < 40 ? wobbles(i) : 77.7));
    expect(stoveView(plan, holding, hangs, at(91), print).cards[0]).toMatchObject({
      temperature: { c: 77.7 },
      heard: 'the probe hangs: 77.7 °C and nothing else for 51 min, not counted',
    });
    const absurd = readings(5, (i) => (i < 4 ? wobbles(i) : 140));
    expect(stoveView(plan, holding, absurd, at(5), print).cards[0]).toMatchObject({
      temperature: { c: wobbles(3) },
      heard: 'the probe says 140 °C, which is no bath: not counted',
    });
    // From its first word on: there is no temperature, and it is said why.
    const never = readings(5, () => 140);
    expect(stoveView(plan, holding, never, at(5), print).cards[0]).toMatchObject({
      temperature: null,
      heard: 'the probe says 140 °C, which is no bath: not counted',
    });
  });

  test('without any thermometer the hold goes by the clock, and says so', () => {
    const tapped = [...holding, ev(10, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 2 })];
    expect(stoveView(plan, tapped, {}, at(25), print).cards[0]?.progress).toMatchObject({
      text: '15 min of 1 h by the clock',
      detail: 'temperature not measured',
    });
  });

  test('one tap goes on to the next part, the last one ends the step', () => {
    const view = stoveView(
      plan,
      holding,
      readings(70, () => 76),
      at(70),
      print,
    );
    const [card] = view.cards;
    expect(card && nextAct(dye, card.clock)).toMatchObject({ label: 'Heat off', does: { log: [{ type: 'stepFinished', stepId: dye.id }] } });
    const stir = view.nudges.find((nudge) => nudge.act === 'finish');
    expect(stir && answerTo(stir, view, plan)).toEqual([{ type: 'stepFinished', stepId: dye.id }]);
  });

  test('how far it is behind: a hold still short at its planned end', () => {
    const late = [...started, ev(60, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 1 })];
    expect(stoveView(plan, late, {}, at(61), print).lateMin).toBeGreaterThan(30);
    expect(
      stoveView(
        plan,
        holding,
        readings(20, () => 76),
        at(20),
        print,
      ).lateMin,
    ).toBe(0);
  });

  test('minutes are rounded up, never early', () =>
    expect([untilText(61_000, 0), untilText(60_000, 0), untilText(0, 0)]).toEqual(['in 2 min', 'in 1 min', 'now']));
});

test('the log says in words what happened', () => {
  expect(
    describeEvent(
      ev(0, { type: 'addition', stepId: dye.id, additionId: null, substance: 'alum', amount: { state: 'estimated', value: 12 }, unit: 'g' }),
      plan,
      print,
      shelfOf(plan.own).nameOf,
    ),
  ).toBe('added potash alum, 12 g (estimated)');
  expect(describeEvent(ev(0, { type: 'reading', stepId: dye.id, quantity: 'bathC', value: 76.4 }), plan, print, String)).toBe('reading 76.4 °C');
  expect(describeEvent(ev(0, { type: 'phaseEntered', stepId: dye.id, phaseIndex: 1 }), plan, print, String)).toBe('Dye, weld: heat on');
});
