import type { Window } from './diary';
import type { Placed, Scheduled, ScheduleProblem, ScheduleResult, Segment, Task, WhyNotEarlier } from './problem';

const MIN = 60_000;
const MAX_TRIES = 5000;
const MAX_REPAIRS = 300;
/** What shortening a wait must save, beyond the minutes that it is shortened by, to be worth it. */
const A_NIGHT_MS = 6 * 60 * MIN;
/** A wait is shortened in so many steps at the most, and by no less than a quarter of an hour each. */
const SHORTENINGS = 12;
const LEAST_SHORTENING_MIN = 15;

/**
 * Serial forward pass: each task in the given order at its earliest feasible start. A greatest lag that is broken
 * delays the earlier task by the excess and starts again, so a hot bath is not ready hours before anyone needs it.
 */
export function forwardPass(problem: ScheduleProblem): ScheduleResult {
  const outcome = onePass(problem);
  return outcome.kind === 'planned' ? { ...outcome, boundMs: boundMs(problem) } : outcome;
}

/** The pass without its bound, which is the same for every order. */
export function onePass(problem: ScheduleProblem): ScheduleResult {
  const delays = new Map<string, number>();
  const behind: Behind[] = [];
  let tasks = problem.tasks;
  for (let repair = 0; repair < MAX_REPAIRS; repair++) {
    const outcome = pass({ ...problem, tasks }, delays);
    if (outcome.kind === 'planned') return inOrder(outcome, problem.tasks);
    if (outcome.kind === 'infeasible') return outcome;
    if (outcome.kind === 'locked') {
      const { taskId, firstId, keeperId } = outcome;
      const [after, before] = [
        { taskId, firstId },
        { taskId: keeperId, firstId: taskId },
      ];
      // Behind the one that it is kept for; where that one waits for it, before the vessel is taken at all.
      const [one, again] = [after, before].map((more) => [more, putBehind(problem.tasks, [...behind, more])] as const).find(([, order]) => order) ?? [];
      if (!one || !again) return { kind: 'infeasible', taskId: outcome.taskId, reason: stuckReason(outcome.why) };
      behind.push(one);
      tasks = again;
      continue;
    }
    if (problem.tasks.find((task) => task.id === outcome.earlierId)?.pinnedStartMs !== null) {
      return { kind: 'infeasible', taskId: outcome.laterId, reason: 'It must follow closely on a step that is pinned too early.' };
    }
    delays.set(outcome.earlierId, outcome.newStartMs);
  }
  const stuck = problem.tasks.find((task) => delays.has(task.id));
  return { kind: 'infeasible', taskId: stuck?.id ?? '', reason: 'It must follow closely on a step before it, and no time was found where both fit.' };
}

/** A task that has to be placed after another, though it does not wait for anything of it. */
interface Behind {
  readonly taskId: string;
  readonly firstId: string;
}

type PassOutcome =
  | ScheduleResult
  | { readonly kind: 'lagBroken'; readonly earlierId: string; readonly laterId: string; readonly newStartMs: number }
  /** Its vessel is kept for `firstId`, which this order places later: the two wait for each other. */
  | ({ readonly kind: 'locked'; readonly keeperId: string; readonly why: WhyNotEarlier } & Behind);

/** The same plan with its tasks in the order of the chain. */
export const inOrder = (result: Scheduled, tasks: readonly Task[]): Scheduled => {
  const byId = new Map(result.placed.map((placed) => [placed.taskId, placed]));
  return { ...result, placed: tasks.flatMap((task) => byId.get(task.id) ?? []) };
};

/** The tasks in an order as near to theirs as can be, some behind others. @returns null where they would wait for each other all the same */
function putBehind(tasks: readonly Task[], behind: readonly Behind[]): Task[] | null {
  const waiting = [...tasks];
  const done = new Set<string>();
  const order: Task[] = [];
  const isReady = (task: Task) =>
    task.after.every((link) => done.has(link.taskId)) && behind.every(({ taskId, firstId }) => taskId !== task.id || done.has(firstId));
  while (waiting.length > 0) {
    const at = waiting.findIndex(isReady);
    const [next] = at < 0 ? [] : waiting.splice(at, 1);
    if (!next) return null;
    done.add(next.id);
    order.push(next);
  }
  return order;
}

interface Busy extends Window {
  readonly taskId: string;
}

function pass(problem: ScheduleProblem, delays: ReadonlyMap<string, number>): PassOutcome {
  const placed = new Map<string, Placed>();
  const vessels = new Map<string, Busy[]>();
  const heats = new Map<string, Busy[]>();
  const hands: Busy[] = [];
  const keptFor = (taskId: string) => problem.tasks.find((t) => t.id === taskId)?.keepsVesselFor;
  const take = (task: Task, done: Placed): void => {
    placed.set(task.id, done);
    if (task.vesselId) {
      const until = task.keepsVesselFor ? problem.horizonMs : done.endMs;
      push(vessels, task.vesselId, { fromMs: done.startMs, toMs: until, taskId: task.id });
    }
    // What waited for this task in its own vessel or another now leaves it.
    for (const [vesselId, list] of vessels) {
      vessels.set(
        vesselId,
        list.map((busy) => (keptFor(busy.taskId) === task.id ? { ...busy, toMs: Math.max(done.startMs, busy.fromMs) } : busy)),
      );
    }
    task.segments.forEach((segment, i) => {
      const at = done.segments[i];
      if (!at || at.toMs <= at.fromMs) return;
      if (segment.needs === 'hands') hands.push({ ...at, taskId: task.id });
      if (segment.heat && task.heatSourceId) push(heats, task.heatSourceId, { ...at, taskId: task.id });
    });
  };
  for (const task of problem.tasks) {
    if (task.fixed) take(task, { taskId: task.id, ...task.fixed, whyNotEarlier: { why: 'start' } });
  }
  for (const task of problem.tasks) {
    if (task.fixed) continue;
    let earliestMs = Math.max(problem.startMs, task.notBeforeMs);
    let why: WhyNotEarlier = { why: 'start' };
    for (const link of task.after) {
      const before = placed.get(link.taskId);
      if (!before) return { kind: 'infeasible', taskId: task.id, reason: 'It waits for a step that could not be placed.' };
      const readyMs = before.endMs + link.minLagMin * MIN;
      if (readyMs >= earliestMs) {
        earliestMs = readyMs;
        why = { why: 'after', taskId: link.taskId, lagMin: link.minLagMin };
      }
    }
    const delay = delays.get(task.id);
    if (delay !== undefined && delay > earliestMs) {
      earliestMs = delay;
      why = { why: 'waitsForLater', taskId: problem.tasks.find((t) => t.after.some((a) => a.taskId === task.id))?.id ?? task.id };
    }
    const pin = task.pinnedStartMs;
    if (pin !== null && pin < earliestMs) {
      return { kind: 'infeasible', taskId: task.id, reason: 'It is pinned before the steps it follows are done.' };
    }
    const found = place(task, pin ?? earliestMs, pin !== null ? { why: 'pinned' } : why, problem, { vessels, heats, hands });
    if ('stuck' in found) {
      const why = found.stuck;
      const firstId = why.why === 'vesselTaken' ? keptFor(why.taskId) : null;
      if (why.why === 'vesselTaken' && firstId && firstId !== task.id && !placed.has(firstId))
        return { kind: 'locked', taskId: task.id, firstId, keeperId: why.taskId, why };
      return { kind: 'infeasible', taskId: task.id, reason: stuckReason(found.stuck) };
    }
    if (pin !== null && found.startMs !== pin) return { kind: 'infeasible', taskId: task.id, reason: 'It is pinned to a time when it cannot run.' };
    for (const link of task.after) {
      const before = placed.get(link.taskId);
      // What has happened cannot be delayed any more: then it simply follows as soon as it can.
      if (!before || problem.tasks.find((one) => one.id === link.taskId)?.fixed) continue;
      if (link.maxLagMin !== null && found.startMs > before.endMs + link.maxLagMin * MIN) {
        const excessMs = found.startMs - before.endMs - link.maxLagMin * MIN;
        return { kind: 'lagBroken', earlierId: link.taskId, laterId: task.id, newStartMs: before.startMs + excessMs };
      }
    }
    // A bath that waits for this task was put before somebody else’s stay in its vessel: it has to come after that one.
    for (const keeper of problem.tasks) {
      const kept = placed.get(keeper.id);
      if (keeper.keepsVesselFor !== task.id || !keeper.vesselId || !kept || keeper.fixed) continue;
      const between = (vessels.get(keeper.vesselId) ?? []).find(
        (busy) => busy.taskId !== keeper.id && busy.fromMs < found.startMs && busy.toMs > kept.endMs && busy.fromMs >= kept.startMs,
      );
      if (between) return { kind: 'lagBroken', earlierId: keeper.id, laterId: task.id, newStartMs: Math.max(between.toMs, kept.startMs + MIN) };
    }
    take(task, found);
  }
  return {
    kind: 'planned',
    placed: problem.tasks.map((task) => placed.get(task.id)).filter((p) => p !== undefined),
    boundMs: 0,
    by: 'forward pass',
  };
}

interface Taken {
  readonly vessels: ReadonlyMap<string, readonly Busy[]>;
  readonly heats: ReadonlyMap<string, readonly Busy[]>;
  readonly hands: readonly Busy[];
}

type Attempt = { readonly ok: true; readonly segments: Window[] } | { readonly ok: false; readonly laterByMs: number; readonly why: WhyNotEarlier };

function place(task: Task, fromMs: number, firstWhy: WhyNotEarlier, problem: ScheduleProblem, taken: Taken): Placed | { readonly stuck: WhyNotEarlier } {
  let startMs = fromMs;
  let why = firstWhy;
  for (let i = 0; i < MAX_TRIES && startMs < problem.horizonMs; i++) {
    const attempt = tryAt(task, startMs, problem, taken);
    if (attempt.ok) {
      const endMs = attempt.segments.at(-1)?.toMs ?? startMs;
      return { taskId: task.id, startMs, endMs, segments: attempt.segments, whyNotEarlier: why };
    }
    why = attempt.why;
    startMs += Math.max(MIN, attempt.laterByMs);
  }
  return { stuck: why };
}

function stuckReason(why: WhyNotEarlier): string {
  switch (why.why) {
    case 'vesselTaken':
      return 'Its vessel stays taken by a step that waits for it. Choose another vessel.';
    case 'nobodyHome':
      return 'No stretch at home and awake is long enough for it. Widen the diary or shorten the step.';
    default:
      return 'No time was found for it within the weeks looked at.';
  }
}

function tryAt(task: Task, startMs: number, problem: ScheduleProblem, taken: Taken): Attempt {
  const attempt = fitSegments(task, 0, startMs, problem, taken);
  if (!attempt.ok || !task.vesselId) return attempt;
  // A bath that will wait for a later step does not block the gap before somebody else’s stay: when it turns out to wait
  // too long, it is put after that stay.
  const endMs = attempt.segments.at(-1)?.toMs ?? startMs;
  for (const busy of taken.vessels.get(task.vesselId) ?? []) {
    const keeper = problem.tasks.find((t) => t.id === busy.taskId);
    if (keeper?.keepsVesselFor === task.id) continue; // its own liquor waits there for it
    if (busy.fromMs < endMs && busy.toMs > startMs) {
      return { ok: false, laterByMs: busy.toMs - startMs, why: { why: 'vesselTaken', vesselId: task.vesselId, taskId: busy.taskId } };
    }
  }
  return attempt;
}

/** Lays segments end to end from `atMs`; an unattended one is drawn out, then shortened, until the rest fits behind it. */
function fitSegments(task: Task, index: number, atMs: number, problem: ScheduleProblem, taken: Taken): Attempt {
  const segment = task.segments[index];
  if (!segment) return { ok: true, segments: [] };
  if (segment.needs !== 'nobody') {
    const at = { fromMs: atMs, toMs: atMs + segment.typicalMin * MIN };
    const clash = clashOf(task, segment, at, problem, taken);
    if (clash) return clash;
    return prepend(at, fitSegments(task, index + 1, at.toMs, problem, taken));
  }
  const tryEnds = (fromMs: number, toMs: number): Attempt => {
    let endMs = fromMs;
    for (let i = 0; i < MAX_TRIES; i++) {
      const rest = fitSegments(task, index + 1, endMs, problem, taken);
      if (rest.ok) return prepend({ fromMs: atMs, toMs: endMs }, rest);
      if (endMs + rest.laterByMs > toMs) return { ...rest, laterByMs: endMs + rest.laterByMs - toMs };
      endMs += Math.max(MIN, rest.laterByMs);
    }
    return { ok: false, laterByMs: 60 * MIN, why: { why: 'start' } };
  };
  const longer = tryEnds(atMs + segment.typicalMin * MIN, atMs + segment.maxMin * MIN);
  const usualEndMs = atMs + segment.typicalMin * MIN;
  if (segment.minMin >= segment.typicalMin || (longer.ok && (longer.segments[0]?.toMs ?? 0) <= usualEndMs)) return longer;
  const shorter = longestShorter(segment, atMs, (endMs) => {
    const rest = fitSegments(task, index + 1, endMs, problem, taken);
    return rest.ok ? prepend({ fromMs: atMs, toMs: endMs }, rest) : rest;
  });
  if (!shorter?.ok) return longer;
  const shorterMs = usualEndMs - (shorter.segments[0]?.toMs ?? usualEndMs);
  // Drawn out over a night, or a little shorter and done the day before: shorter, where that saves a night, and not merely its own minutes.
  const savedMs = longer.ok ? (longer.segments.at(-1)?.toMs ?? 0) - (shorter.segments.at(-1)?.toMs ?? 0) : Number.POSITIVE_INFINITY;
  return savedMs - shorterMs >= A_NIGHT_MS ? shorter : longer;
}

/** The longest that a wait can be, short of its usual length, with the rest fitting behind it; null: none down to its least. */
function longestShorter({ minMin, typicalMin }: Segment, atMs: number, fits: (endMs: number) => Attempt): Attempt | null {
  const stepMin = Math.max(LEAST_SHORTENING_MIN, (typicalMin - minMin) / SHORTENINGS);
  for (let minutes = typicalMin - stepMin; minutes > minMin - stepMin; minutes -= stepMin) {
    const tried = fits(atMs + Math.round(Math.max(minutes, minMin)) * MIN);
    if (tried.ok) return tried;
  }
  return null;
}

const prepend = (at: Window, rest: Attempt): Attempt => (rest.ok ? { ok: true, segments: [at, ...rest.segments] } : rest);

function clashOf(task: Task, segment: Segment, at: Window, problem: ScheduleProblem, taken: Taken): Attempt | null {
  const window = problem.home.find((home) => home.toMs > at.fromMs);
  if (!window) return { ok: false, laterByMs: problem.horizonMs, why: { why: 'nobodyHome', fromMs: at.fromMs, toMs: problem.horizonMs } };
  if (at.fromMs < window.fromMs) {
    return { ok: false, laterByMs: window.fromMs - at.fromMs, why: { why: 'nobodyHome', fromMs: at.fromMs, toMs: window.fromMs } };
  }
  if (at.toMs > window.toMs) {
    const next = problem.home.find((home) => home.fromMs >= window.toMs);
    const nextMs = next?.fromMs ?? problem.horizonMs;
    return { ok: false, laterByMs: nextMs - at.fromMs, why: { why: 'nobodyHome', fromMs: window.toMs, toMs: nextMs } };
  }
  if (segment.needs === 'hands') {
    const busy = overlapping(taken.hands, at);
    if (busy) return { ok: false, laterByMs: busy.toMs - at.fromMs, why: { why: 'handsBusy', taskId: busy.taskId } };
  }
  if (segment.heat && task.heatSourceId) {
    const busy = overlapping(taken.heats.get(task.heatSourceId) ?? [], at);
    if (busy) return { ok: false, laterByMs: busy.toMs - at.fromMs, why: { why: 'heatTaken', heatSourceId: task.heatSourceId, taskId: busy.taskId } };
  }
  return null;
}

const overlapping = (busy: readonly Busy[], at: Window): Busy | undefined => busy.find((b) => b.fromMs < at.toMs && b.toMs > at.fromMs);

function push(map: Map<string, Busy[]>, key: string, busy: Busy): void {
  const list = map.get(key);
  if (list) list.push(busy);
  else map.set(key, [busy]);
}

/**
 * Longest chain with every stretch at its least, on the diary but with no regard to vessels, heat and other work: no
 * schedule ends sooner.
 */
export function boundMs(problem: ScheduleProblem): number {
  const free: Taken = { vessels: new Map(), heats: new Map(), hands: [] };
  const ends = new Map<string, number>();
  for (const task of problem.tasks) {
    if (task.fixed) {
      ends.set(task.id, task.fixed.endMs);
      continue;
    }
    let startMs = Math.max(problem.startMs, task.notBeforeMs, task.pinnedStartMs ?? -Infinity);
    for (const link of task.after) startMs = Math.max(startMs, (ends.get(link.taskId) ?? 0) + link.minLagMin * MIN);
    const shortest = { ...task, segments: task.segments.map((s) => (s.needs === 'nobody' ? { ...s, typicalMin: s.minMin } : s)) };
    const alone = place(shortest, startMs, { why: 'start' }, problem, free);
    const leastMin = task.segments.reduce((sum, s) => sum + (s.needs === 'nobody' ? s.minMin : s.typicalMin), 0);
    ends.set(task.id, 'stuck' in alone ? startMs + leastMin * MIN : alone.endMs);
  }
  return Math.max(problem.startMs, ...ends.values());
}
