import { describe, expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { printer } from '@/core/measure/printer';
import { buildPlan } from '@/core/plan/buildPlan';
import { HEAD, input, planned, step, vessels, wool } from '@/core/plan/plan.fixture';
import { thinned } from '../record/curvePoints';
import { timeScale } from './timeScale';
import { AXIS_PX, threadPath, warpLayout } from './warpLayout';

const MIN = 60_000;
const H = 60 * MIN;
const plan = planned([wool('a', 60), wool('b', 40)]);
const picture = (opened: string[] = [], roomPx = 1100) =>
  warpLayout(plan, { opened: new Set(opened), nowMs: null, roomPx, print: printer(METRIC, plan.home.diary.zone) });

describe('time down the page', () => {
  const blocks = [
    { fromMs: 0, toMs: 2 * H },
    { fromMs: 14 * H, toMs: 15 * H },
    { fromMs: 15 * H, toMs: 15 * H + 5 * MIN },
  ];
  const attended = [
    { fromMs: 0, toMs: 2 * H },
    { fromMs: 14 * H, toMs: 15 * H + 5 * MIN },
  ];
  const scale = timeScale({ blocks, attended, opened: new Set() });
  test('a long stretch without hands is folded to one height', () => {
    expect(scale.pleats).toHaveLength(1);
    expect(scale.yOf(14 * H) - scale.yOf(2 * H)).toBeCloseTo(34, 6);
  });
  test('attended time is to scale: two hours are twice one hour', () =>
    expect(scale.yOf(2 * H) - scale.yOf(0)).toBeCloseTo(2 * (scale.yOf(15 * H) - scale.yOf(14 * H)), 6));
  test('a five-minute step still has room for its name', () => expect(scale.yOf(15 * H + 5 * MIN) - scale.yOf(15 * H)).toBeGreaterThanOrEqual(26));
  test('a touched pleat opens', () => {
    const key = scale.pleats[0]?.key ?? '';
    expect(timeScale({ blocks, attended, opened: new Set([key]) }).heightPx).toBeGreaterThan(scale.heightPx + 100);
  });
  test('time never runs up', () => {
    for (let ms = -H; ms < 16 * H; ms += 7 * MIN) expect(scale.yOf(ms + 7 * MIN)).toBeGreaterThanOrEqual(scale.yOf(ms));
  });
});

describe('the warp', () => {
  test('vessels stand in the kitchen’s order, in whatever order they were read', () => {
    const turned = buildPlan({ ...input([wool('a', 100)]), vessels: vessels.toReversed() }, HEAD).plan;
    expect(turned?.vessels.map((vessel) => vessel.order)).toEqual(turned?.vessels.map((vessel) => vessel.order).toSorted((a, b) => a - b));
    expect(turned?.vessels.length).toBeGreaterThan(2);
    expect(picture().columns.map((column) => column.id)).toEqual(plan.vessels.map((vessel) => vessel.id));
  });
  test('blocks of one vessel do not cover each other', () => {
    const { blocks } = picture();
    for (const a of blocks)
      for (const b of blocks) if (a.stepId < b.stepId && a.xPx === b.xPx) expect(a.yPx + a.heightPx <= b.yPx + 1 || b.yPx + b.heightPx <= a.yPx + 1).toBe(true);
  });
  test('a lot enters the dyebath plain and leaves in its expected colour', () => {
    const [thread] = picture().threads;
    const inDye = thread?.inside.find((part) => part.key.endsWith(step(plan, 'dye').id));
    expect(inDye?.fromHex).toBe('#e8e2d2');
    expect(inDye?.toHex).not.toBe('#e8e2d2');
    expect(thread?.inside.at(-1)?.fromHex).toBe(inDye?.toHex);
  });
  test('threads of two lots hang side by side, away from the text', () => {
    const [a, b] = picture().threads;
    const { blocks } = picture();
    expect(a?.inside[0]?.xPx).not.toBe(b?.inside[0]?.xPx);
    const first = blocks.find((block) => block.stepId === step(plan, 'scour').id);
    expect(a?.inside[0]?.xPx ?? 0).toBeGreaterThan((first?.xPx ?? 0) + 24 + (first?.textWidthPx ?? 0));
  });
  test('hands are marked where they are needed, never on top of each other', () => {
    const gaps = picture().blocks.flatMap((block) => block.handsYPx.slice(1).map((y, i) => y - (block.handsYPx[i] ?? 0)));
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(19);
  });
  test('the night is folded and named', () => expect(picture().pleats.some((pleat) => /^night, \d+ h \d\d folded · heat off$/.test(pleat.text))).toBe(true));
  test('on a narrow screen columns keep their width and the picture scrolls', () => expect(picture([], 360).widthPx).toBeGreaterThan(AXIS_PX + 4 * 170));
  test('in a record the plan stays as an outline beside what was done', () => {
    const dye = step(plan, 'dye');
    const actual = { [dye.id]: { startMs: dye.startMs + H, endMs: dye.endMs + H, heat: [], hands: [], state: 'done' as const } };
    const block = warpLayout(plan, { opened: new Set(), nowMs: null, roomPx: 1100, actual, print: printer(METRIC, plan.home.diary.zone) }).blocks.find(
      (b) => b.stepId === dye.id,
    );
    expect(block?.plannedYPx?.yPx).toBeLessThan(block?.yPx ?? 0);
  });
});

test('a thread begins and ends where it should, and hangs straight where nothing moves it', () => {
  const aside = threadPath([
    [10, 0],
    [40, 60],
  ]);
  expect(aside).toMatch(/^M10,0C/);
  expect(aside).toMatch(/40,60$/);
  // Upright at both ends: the first handle is straight below the start, the last straight above the end.
  expect(aside).toBe('M10,0C10,30,40,30,40,60');
});

test('a thinned curve keeps its peaks', () => {
  const readings = Array.from({ length: 20_000 }, (_, i) => ({ atMs: i, bathC: i === 12_345 ? 99 : 70 + Math.sin(i / 50) }));
  const few = thinned(readings);
  expect(few.length).toBeLessThanOrEqual(1201);
  expect(Math.max(...few.map((reading) => reading.bathC))).toBe(99);
  expect(few.every((reading, i) => i === 0 || reading.atMs > (few[i - 1]?.atMs ?? 0))).toBe(true);
});
