import { describe, expect, test } from 'vitest';
import { forwardPass } from './forward';
import { planInTime } from './inTime';
import { bestOrder } from './orders';
import type { ScheduleProblem, Segment, Task } from './problem';

const H = 3_600_000;
/** A Thursday, 08:00, as hours from there; somebody is at home from 7 to 22 each day. */
const THURSDAY = Date.UTC(2026, 5, 4, 8);
const at = (hours: number): number => THURSDAY + hours * H;
const home = Array.from({ length: 40 }, (_, day) => ({ fromMs: at(24 * (day - 16) - 1), toMs: at(24 * (day - 16) + 14) }));

const hands = (hours: number): Segment => ({ minMin: hours * 60, typicalMin: hours * 60, maxMin: hours * 60, needs: 'hands', heat: false });
const wait = (least: number, usual: number, most = 200): Segment => ({
  minMin: least * 60,
  typicalMin: usual * 60,
  maxMin: most * 60,
  needs: 'nobody',
  heat: false,
});
const task = (id: string, segments: Segment[], after: string | null = null): Task => ({
  id,
  segments,
  vesselId: id,
  heatSourceId: null,
  after: after ? [{ taskId: after, minLagMin: 0, maxLagMin: null }] : [],
  keepsVesselFor: null,
  notBeforeMs: THURSDAY,
  pinnedStartMs: null,
  fixed: null,
});
/** A jar that usually stands three days, a day at least; then a rinse, then a line for a night or two. */
const jar = (more: Partial<Task> = {}): ScheduleProblem => ({
  tasks: [{ ...task('jar', [hands(1), wait(24, 72)]), ...more }, task('rinse', [hands(1)], 'jar'), task('dry', [hands(0.5), wait(8, 24)], 'rinse')],
  home,
  startMs: THURSDAY,
  horizonMs: at(24 * 23),
});
const over = (schedule: ReturnType<typeof planInTime>['schedule']): number =>
  schedule.kind === 'planned' ? Math.max(...schedule.placed.map(({ endMs }) => endMs)) : Number.NaN;

describe('a plan that must be over', () => {
  test('with days to spare nothing gives, and the latest start is counted back from the end', () => {
    const { schedule, inTime } = planInTime(jar(), at(24 * 7), bestOrder);
    // 1 h, 72 h, 1 h, half an hour and 24 h one after another: 98.5 h of the 168.
    expect(over(schedule)).toBe(at(98.5));
    expect(inTime).toMatchObject({ isMet: true, cuts: [], leastEndMs: null });
    const latest = inTime?.latestStartMs ?? Number.NaN;
    const late = forwardPass({ ...jar(), startMs: latest, tasks: jar().tasks.map((one) => ({ ...one, notBeforeMs: latest })) });
    const later = forwardPass({ ...jar(), startMs: latest + H / 4, tasks: jar().tasks.map((one) => ({ ...one, notBeforeMs: latest + H / 4 })) });
    expect([over(late) <= at(24 * 7), over(later) <= at(24 * 7)]).toEqual([true, false]);
  });

  test('where the usual waits are too long, those give that have to, and no more', () => {
    const { schedule, inTime } = planInTime(jar(), at(24 * 3 + 6), bestOrder);
    expect(over(schedule)).toBeLessThanOrEqual(at(24 * 3 + 6));
    expect(inTime?.isMet).toBe(true);
    // The jar has to, from three days; the drying keeps its usual day.
    expect(inTime?.cuts.map(({ taskId, usualMin }) => [taskId, usualMin])).toEqual([['jar', 72 * 60]]);
    // As long as there is time for: 78 h are there, of which 26.5 are hands and drying; the rinse is by day.
    expect(inTime?.cuts[0]?.nowMin).toBeGreaterThan(36 * 60);
    expect(inTime?.cuts[0]?.nowMin).toBeLessThanOrEqual(51.5 * 60);
  });

  test('a wait that gives is as long as there is time for: until somebody goes to bed, where the end is in the night', () => {
    const line: ScheduleProblem = { ...jar(), tasks: [task('dry', [hands(0.5), wait(6, 24), hands(0.25)])] };
    // Friday at 6; nobody is there from Thursday 22:00 on. Hung up at 8:30, taken down from 21:45 on: 13 h 15.
    const { inTime } = planInTime(line, at(22), bestOrder);
    expect(inTime?.cuts).toEqual([{ taskId: 'dry', index: 1, usualMin: 1440, nowMin: 795 }]);
  });

  test('what gives is what the placed stretch really is shorter than usual', () => {
    const { schedule, inTime } = planInTime(jar(), at(24 * 3 + 6), bestOrder);
    const placed = schedule.kind === 'planned' ? schedule.placed.find(({ taskId }) => taskId === 'jar')?.segments[1] : undefined;
    expect(inTime?.cuts[0]?.nowMin).toBe(((placed?.toMs ?? 0) - (placed?.fromMs ?? 0)) / 60_000);
  });

  test('where even the least is too long, the plan stays as usual, and by how much and since when is said', () => {
    const { schedule, inTime } = planInTime(jar(), at(20), bestOrder);
    expect(over(schedule)).toBe(at(98.5));
    expect(inTime).toMatchObject({ isMet: false, cuts: [] });
    expect(inTime?.leastEndMs).toBeGreaterThan(at(20));
    expect(inTime?.latestStartMs).toBeLessThan(THURSDAY);
  });

  test('what has begun is not asked to begin earlier', () => {
    const fixed = {
      startMs: THURSDAY,
      endMs: at(73),
      segments: [
        { fromMs: THURSDAY, toMs: at(1) },
        { fromMs: at(1), toMs: at(73) },
      ],
    };
    const { inTime } = planInTime(jar({ fixed }), at(80), bestOrder);
    expect(inTime?.latestStartMs).toBeNull();
    expect(inTime?.cuts.some(({ taskId }) => taskId === 'jar')).toBe(false);
  });
});
