import type { Phase } from '../plan/phase';
import { typicalMin } from '../plan/phase';
import type { Plan } from '../plan/plan';
import { unreachable } from '../result';
import { absences, type Diary, homeWindows, type Window } from '../schedule/diary';
import type { StepClock } from './clock';
import type { RunState } from './fold';
import type { Nudge } from './nudges';

const MIN = 60_000;

/** What a stretch of time asks for. */
export type Asks = 'hands' | 'heat' | 'rest' | 'planned';

export interface Stretch extends Window {
  readonly asks: Asks;
  readonly title: string;
}

/** A vessel, or a session that is only planned, and what comes in it. */
export interface ComingRow {
  readonly key: string;
  readonly name: string;
  readonly stretches: readonly Stretch[];
  /** Calls for hands. */
  readonly calls: readonly { readonly atMs: number; readonly text: string }[];
}

export interface ComingHours extends Window {
  readonly rows: readonly ComingRow[];
  /** Nights and hours away. */
  readonly absences: readonly Window[];
}

export interface LiveRun {
  readonly id: string;
  readonly plan: Pick<Plan, 'steps' | 'vessels' | 'name'>;
  readonly state: RunState;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly nudges: readonly Nudge[];
  /** Behind its plan, min. */
  readonly lateMin: number;
}

export interface PlannedSession extends Pick<Plan, 'name'> {
  readonly id: string;
  readonly startMs: number;
  readonly endMs: number;
}

/** What the coming hours hold over all sessions: what runs by how it really stands, what waits by its plan and how late that is. */
export function comingHours(runs: readonly LiveRun[], planned: readonly PlannedSession[], diary: Diary, nowMs: number, hours: number): ComingHours {
  const toMs = nowMs + hours * 60 * MIN;
  const inRange = ({ fromMs, toMs: endMs }: Window): boolean => fromMs < toMs && endMs > nowMs;
  const rows = runs.flatMap((run) =>
    run.plan.vessels.flatMap((vessel): ComingRow[] => {
      const steps = run.plan.steps.filter((step) => (run.state.steps[step.id]?.vesselId ?? step.vesselId) === vessel.id);
      const stretches = steps.flatMap((step) => stretchesOf(run, step, nowMs)).filter(inRange);
      const ids = new Set(steps.map(({ id }) => id));
      const calls = run.nudges
        .filter((nudge) => ids.has(nudge.stepId) && nudge.dueMs <= toMs)
        .map(({ dueMs, text }) => ({ atMs: Math.max(nowMs, dueMs), text }));
      return stretches.length + calls.length === 0 ? [] : [{ key: `${run.id}/${vessel.id}`, name: vessel.name, stretches, calls }];
    }),
  );
  const waiting = planned
    .filter(({ startMs, endMs }) => startMs > nowMs && inRange({ fromMs: startMs, toMs: endMs }))
    .map(
      ({ id, name, startMs, endMs }): ComingRow => ({
        key: id,
        name,
        stretches: [{ fromMs: startMs, toMs: endMs, asks: 'planned', title: name }],
        calls: [{ atMs: startMs, text: `Begin ${name}` }],
      }),
    );
  return { fromMs: nowMs, toMs, rows: [...rows, ...waiting], absences: absences(homeWindows(diary, nowMs, toMs), nowMs, toMs) };
}

function stretchesOf({ state, clocks, lateMin }: LiveRun, step: Plan['steps'][number], nowMs: number): Stretch[] {
  const own = state.steps[step.id];
  const current = clocks[step.id]?.current;
  if (own?.status === 'waiting' || !own)
    return step.phases.flatMap((phase, i) => {
      const at = step.phaseTimes[i];
      return at ? [{ fromMs: Math.max(nowMs, at.fromMs + lateMin * MIN), toMs: at.toMs + lateMin * MIN, asks: asksOf(phase), title: step.title }] : [];
    });
  if (!current) return [];
  const stretches: Stretch[] = [];
  let at = nowMs;
  step.phases.slice(current.index).forEach((phase, i) => {
    const minutes = i === 0 ? Math.max(1, current.leftMin ?? typicalMin(phase) - current.elapsedMin) : typicalMin(phase);
    // A pause has its heat off, for as long as it lasts.
    stretches.push({ fromMs: at, toMs: at + minutes * MIN, asks: own.status === 'paused' && i === 0 ? 'rest' : asksOf(phase), title: step.title });
    at += minutes * MIN;
  });
  return stretches;
}

function asksOf(phase: Phase): Asks {
  switch (phase.kind) {
    case 'charge':
    case 'dip':
    case 'lift':
      return 'hands';
    case 'raise':
    case 'hold':
      return 'heat';
    case 'soak':
    case 'until':
    case 'rest':
      return 'rest';
    default:
      return unreachable(phase);
  }
}

/** What the picture says, in words: until when heat is on, and what wants hands while nobody is there. @param clock prints an hour */
export function comingSays({ rows, absences: away }: ComingHours, clock: (ms: number) => string): string[] {
  const heatEndMs = Math.max(
    Number.NEGATIVE_INFINITY,
    ...rows.flatMap(({ stretches }) => stretches.flatMap(({ asks, toMs }) => (asks === 'heat' ? [toMs] : []))),
  );
  // Of a session that is only planned, this page knows the hours alone.
  const beside = rows.some(({ stretches }) => stretches.some(({ asks }) => asks === 'planned')) ? ', without what is only planned' : '';
  const says = [Number.isFinite(heatEndMs) ? `Heat off by ${clock(heatEndMs)}${beside}.` : `No heat is on or comes${beside}.`];
  for (const window of away) {
    const wanted = rows.flatMap(({ name, calls, stretches }) => [
      ...calls.filter(({ atMs }) => atMs > window.fromMs && atMs < window.toMs).map(({ atMs, text }) => `${clock(atMs)} ${text} (${name})`),
      ...stretches.filter(({ asks, fromMs, toMs }) => asks === 'heat' && fromMs < window.toMs && toMs > window.fromMs).map(() => `${name} is on the heat`),
    ]);
    says.push(
      `Nobody there ${clock(window.fromMs)}–${clock(window.toMs)}: ${wanted.length === 0 ? 'nothing wants hands.' : `${[...new Set(wanted)].join('; ')}.`}`,
    );
  }
  return says;
}
