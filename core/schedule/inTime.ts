import { inOrder, onePass } from './forward';
import { endOf } from './orders';
import type { Scheduled, ScheduleProblem, ScheduleResult, Scheduler, Task } from './problem';

const MIN = 60_000;
/** Starts and waits are looked for in quarters of an hour. */
const STEP_MIN = 15;
const STEP_MS = STEP_MIN * MIN;
/** Starts are looked for so far back, days. */
export const LOOK_BACK_DAYS = 14;

/** A wait that is made shorter than usual so that all is over in time. */
export interface Cut {
  readonly taskId: string;
  /** Its place among the segments of the task. */
  readonly index: number;
  readonly usualMin: number;
  readonly nowMin: number;
}

/** How a plan stands to the moment at which it must be over. */
export interface InTime {
  readonly endByMs: number;
  readonly isMet: boolean;
  /** What gives for it, in working order; empty where nothing has to, or where all of it would not do. */
  readonly cuts: readonly Cut[];
  /** Where it is not met: when it is over with every wait at its least. */
  readonly leastEndMs: number | null;
  /** Counted back from the end: the latest start that is in time, to a quarter of an hour. Null: none within two weeks, or it has begun. */
  readonly latestStartMs: number | null;
}

/**
 * A plan that must be over by a moment. With its usual waits where that is in time; else with those waits shorter that have
 * to be; where even the least of all are too long, as usual, and told by how much.
 * @param schedule plans a problem
 * @param endByMs after the start of the problem
 */
export function planInTime(problem: ScheduleProblem, endByMs: number, schedule: Scheduler): { schedule: ScheduleResult; inTime: InTime | null } {
  const usual = schedule(problem);
  if (usual.kind === 'infeasible') return { schedule: usual, inTime: null };
  const met = { endByMs, isMet: true, leastEndMs: null };
  if (endOf(usual) <= endByMs) return { schedule: usual, inTime: { ...met, cuts: [], latestStartMs: latestStart(problem, endByMs) } };
  const waits = problem.tasks.flatMap(waitsOf);
  const lengths = new Map(waits.map(({ key, leastMin }) => [key, leastMin]));
  const leastProblem = withLengths(problem, lengths);
  const least = schedule(leastProblem);
  if (least.kind === 'infeasible' || endOf(least) > endByMs) {
    const leastEndMs = least.kind === 'infeasible' ? null : endOf(least);
    return { schedule: usual, inTime: { endByMs, isMet: false, cuts: [], leastEndMs, latestStartMs: latestStart(leastProblem, endByMs) } };
  }
  let best = least;
  // In the order that the least was found in: many orders for each try would take seconds.
  const inThatOrder = { ...problem, tasks: byStart(problem.tasks, least) };
  const fits = (key: string, minutes: number): boolean => {
    const tried = onePass(withLengths(inThatOrder, new Map([...lengths, [key, minutes]])));
    if (tried.kind === 'infeasible' || endOf(tried) > endByMs) return false;
    best = { ...inOrder(tried, problem.tasks), boundMs: least.boundMs };
    lengths.set(key, minutes);
    return true;
  };
  // Given back in working order: whole where there is time for it, then what still gives as far as there is.
  const giving = waits.filter(({ key, usualMin }) => !fits(key, usualMin));
  for (const { key, leastMin, usualMin } of giving) lengthen(leastMin, usualMin, (minutes) => fits(key, minutes));
  return { schedule: best, inTime: { ...met, cuts: cutsOf(problem.tasks, best), latestStartMs: latestStart(leastProblem, endByMs) } };
}

/** In the order in which they were placed: one that others wait for stands before them. */
function byStart(tasks: readonly Task[], { placed }: Scheduled): Task[] {
  const startOf = new Map(placed.map(({ taskId, startMs }) => [taskId, startMs]));
  return tasks.toSorted((a, b) => (startOf.get(a.id) ?? 0) - (startOf.get(b.id) ?? 0));
}

interface Wait {
  readonly key: string;
  readonly leastMin: number;
  readonly usualMin: number;
}

const keyOf = (task: Task, index: number): string => `${index}/${task.id}`;

/** What of a task nobody needs to be there for, and could be shorter. */
const waitsOf = (task: Task): Wait[] =>
  task.fixed
    ? []
    : task.segments.flatMap(({ needs, minMin, typicalMin }, i) =>
        needs === 'nobody' && minMin < typicalMin ? [{ key: keyOf(task, i), leastMin: minMin, usualMin: typicalMin }] : [],
      );

/** With waits of these lengths or longer: one that is given back is not taken again to save a night. */
const withLengths = (problem: ScheduleProblem, lengths: ReadonlyMap<string, number>): ScheduleProblem => ({
  ...problem,
  tasks: problem.tasks.map((task) => ({
    ...task,
    segments: task.segments.map((segment, i) => {
      const minutes = lengths.get(keyOf(task, i));
      return minutes === undefined ? segment : { ...segment, minMin: minutes, typicalMin: minutes };
    }),
  })),
});

/** Tries lengths between one that fits and one that does not, down to a quarter of an hour; the last that fits is the longest. */
function lengthen(fitsMin: number, tooLongMin: number, fits: (minutes: number) => boolean): void {
  let [good, bad] = [fitsMin, tooLongMin];
  while (bad - good > STEP_MIN) {
    const middle = good + Math.ceil((bad - good) / 2 / STEP_MIN) * STEP_MIN;
    if (middle >= bad) break;
    if (fits(middle)) good = middle;
    else bad = middle;
  }
}

function cutsOf(tasks: readonly Task[], { placed }: Scheduled): Cut[] {
  return tasks.flatMap((task) =>
    task.fixed
      ? []
      : task.segments.flatMap((segment, index) => {
          const at = placed.find(({ taskId }) => taskId === task.id)?.segments[index];
          if (!at || segment.needs !== 'nobody') return [];
          const nowMin = Math.round((at.toMs - at.fromMs) / MIN);
          return nowMin < segment.typicalMin ? [{ taskId: task.id, index, usualMin: segment.typicalMin, nowMin }] : [];
        }),
  );
}

/** The latest start from which a problem is over in time: halved between one that is and one that is not; what is found was planned. */
function latestStart(problem: ScheduleProblem, endByMs: number): number | null {
  if (problem.tasks.some(({ fixed }) => fixed)) return null;
  const isInTime = (startMs: number): boolean => {
    const tried = onePass({ ...problem, startMs, tasks: problem.tasks.map((task) => ({ ...task, notBeforeMs: startMs })) });
    return tried.kind === 'planned' && endOf(tried) <= endByMs;
  };
  const at = (steps: number): number => problem.startMs + steps * STEP_MS;
  let good = isInTime(problem.startMs) ? 0 : Math.floor((-LOOK_BACK_DAYS * 24 * 60 * MIN) / STEP_MS);
  if (good < 0 && !isInTime(at(good))) return null;
  let bad = good < 0 ? 0 : Math.ceil((endByMs - problem.startMs) / STEP_MS) + 1;
  while (bad - good > 1) {
    const middle = Math.floor((good + bad) / 2);
    if (isInTime(at(middle))) good = middle;
    else bad = middle;
  }
  return at(good);
}
