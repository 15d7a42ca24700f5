import type { Figure } from '../figure';
import type { Reading } from '../hold/credit';
import type { AmountUnit } from '../measure/print';
import type { PlanStep } from '../plan/plan';
import { unreachable } from '../result';
import type { CallAct, RunEvent, Tightness } from './events';
import type { SaidReading } from './saidAs';

export interface LoggedAddition {
  readonly eventId: string;
  readonly additionId: string | null;
  readonly substance: string;
  readonly amount: Figure;
  readonly unit: AmountUnit;
  readonly atMs: number;
}

/** What the log says of one step. Nothing here is computed from a clock. */
export interface StepState {
  readonly stepId: string;
  readonly status: 'waiting' | 'running' | 'paused' | 'done' | 'skipped';
  /** Explicit phase entries in time order. */
  readonly entered: readonly { readonly phaseIndex: number; readonly atMs: number }[];
  /** Typed temperatures; probe readings are joined in by whoever has them. */
  readonly typedC: readonly (Reading & Pick<SaidReading, 'said'>)[];
  readonly ph: readonly ({ readonly atMs: number } & SaidReading)[];
  readonly volumeMl: readonly ({ readonly atMs: number } & SaidReading)[];
  readonly additions: readonly LoggedAddition[];
  readonly stirredAtMs: readonly number[];
  readonly flippedAtMs: readonly number[];
  readonly checks: readonly { readonly atMs: number; readonly finding: string }[];
  /** As the heat and the lid were set, in time order. */
  readonly heat: readonly { readonly atMs: number; readonly knob: number | null; readonly hasLid: boolean | null }[];
  /** As a bundle was rolled last; null: nobody said. */
  readonly rolled: { readonly tightness: Tightness | null; readonly hasBarrier: boolean | null } | null;
  /** By what hands were called for: when somebody heard it last. */
  readonly heardMs: Readonly<Partial<Record<CallAct, number>>>;
  /** By what hands were called for: until when it was put off last, and when it was let go last. */
  readonly putOffMs: Readonly<Partial<Record<CallAct, number>>>;
  readonly letGoMs: Readonly<Partial<Record<CallAct, number>>>;
  readonly pauses: readonly { readonly fromMs: number; readonly toMs: number | null }[];
  readonly vesselId: string | null;
  readonly movedAtMs: readonly { readonly atMs: number; readonly vesselId: string }[];
  readonly liftedAtMs: number | null;
  /** Lots that left before the others, or came back. */
  readonly lotMoves: readonly { readonly lotId: string; readonly isOut: boolean; readonly atMs: number; readonly joined?: true }[];
  readonly endedAtMs: number | null;
  readonly skipReason: string | null;
}

export interface RunState {
  readonly phase: 'notStarted' | 'running' | 'finished';
  readonly startedAtMs: number | null;
  readonly finishedAtMs: number | null;
  readonly planVersion: number | null;
  /** When somebody wrote something down last, whatever it was: then somebody was there. */
  readonly touchedMs: number | null;
  readonly steps: Readonly<Record<string, StepState>>;
  readonly lotWeightsG: Readonly<Record<string, number>>;
  readonly notes: readonly { readonly atMs: number; readonly stepId: string | null; readonly text: string }[];
}

type Draft<T> = {
  -readonly [K in keyof T]: T[K] extends readonly (infer U)[] ? U[] : K extends 'heardMs' | 'putOffMs' | 'letGoMs' ? Partial<Record<CallAct, number>> : T[K];
};

/** Which events were taken back and which were set to another time: decided here alone, for the run and for its log. */
export interface Amendments {
  readonly withdrawn: ReadonlySet<string>;
  readonly retimed: ReadonlyMap<string, number>;
}

/** An amendment may itself be withdrawn, which brings the first statement back. */
export function amendmentsOf(events: readonly RunEvent[]): Amendments {
  const withdrawn = new Set<string>();
  const retimed = new Map<string, number>();
  // Later amendments are heard first, so that a withdrawn amendment never takes effect.
  const amendments = events.filter((event) => event.type === 'amended').toSorted((a, b) => b.recordedAtMs - a.recordedAtMs || (a.id < b.id ? 1 : -1));
  for (const event of amendments) {
    if (withdrawn.has(event.id)) continue;
    if (event.change.kind === 'withdrawn') withdrawn.add(event.targetId);
    else if (!retimed.has(event.targetId)) retimed.set(event.targetId, event.change.atMs);
  }
  return { withdrawn, retimed };
}

/**
 * Events as they stand after amendments: withdrawn ones left out, retimed ones at their new time, all in the order in
 * which they happened.
 */
export function standingEvents(events: readonly RunEvent[]): RunEvent[] {
  const { withdrawn, retimed } = amendmentsOf(events);
  const standing: RunEvent[] = [];
  let inOrder = true;
  let lastMs = -Infinity;
  for (const event of events) {
    if (event.type === 'amended') continue;
    const { id } = event;
    if (withdrawn.size > 0 && withdrawn.has(id)) continue;
    const retimedMs = retimed.size > 0 ? retimed.get(id) : undefined;
    const atMs = retimedMs ?? event.atMs;
    if (atMs <= lastMs) inOrder = false; // two at one moment are put in order below
    lastMs = atMs;
    standing.push(retimedMs === undefined ? event : { ...event, atMs });
  }
  // Logs come in order nearly always; then ten thousand comparisons are spared.
  return inOrder ? standing : standing.sort(byTime);
}

const byTime = (a: RunEvent, b: RunEvent): number => a.atMs - b.atMs || a.recordedAtMs - b.recordedAtMs || (a.id < b.id ? -1 : 1);

/** Folds a log into what is known of a run. Total: an event that no longer makes sense changes nothing. */
export function foldRun(steps: readonly Pick<PlanStep, 'id' | 'vesselId'>[], events: readonly RunEvent[]): RunState {
  const states: Record<string, Draft<StepState>> = {};
  for (const step of steps) states[step.id] = blank(step.id, step.vesselId);
  const run: Draft<Omit<RunState, 'steps' | 'lotWeightsG'>> & { lotWeightsG: Record<string, number> } = {
    phase: 'notStarted',
    startedAtMs: null,
    finishedAtMs: null,
    planVersion: null,
    touchedMs: null,
    lotWeightsG: {},
    notes: [],
  };
  for (const event of standingEvents(events)) apply(run, states, event);
  // What was taken back was a touch, too.
  run.touchedMs = events.reduce<number | null>((last, { recordedAtMs }) => Math.max(last ?? recordedAtMs, recordedAtMs), null);
  return { ...run, steps: states };
}

function apply(
  run: Draft<Omit<RunState, 'steps' | 'lotWeightsG'>> & { lotWeightsG: Record<string, number> },
  states: Record<string, Draft<StepState>>,
  event: RunEvent,
): void {
  const { atMs } = event;
  switch (event.type) {
    case 'started':
      if (run.phase !== 'notStarted') return;
      run.phase = 'running';
      run.startedAtMs = atMs;
      run.planVersion = event.planVersion;
      return;
    case 'replanned':
      run.planVersion = event.planVersion;
      return;
    case 'finished':
      run.phase = 'finished';
      run.finishedAtMs = atMs;
      return;
    case 'lotWeighed':
      run.lotWeightsG[event.lotId] = event.dryWeightG;
      return;
    case 'note':
      run.notes.push({ atMs, stepId: event.stepId, text: event.text });
      return;
    case 'amended':
      return;
    default: {
      const step = states[event.stepId];
      if (step) applyToStep(step, event, atMs);
    }
  }
}

const saidOf = ({ said }: Pick<SaidReading, 'said'>): Pick<SaidReading, 'said'> => (said ? { said } : {});

type StepEvent = Exclude<Extract<RunEvent, { stepId: string }>, { type: 'note' }>;

function applyToStep(step: Draft<StepState>, event: StepEvent, atMs: number): void {
  switch (event.type) {
    case 'phaseEntered':
      if (step.status === 'skipped') return;
      step.entered.push({ phaseIndex: event.phaseIndex, atMs });
      if (step.status === 'waiting') step.status = 'running';
      return;
    case 'reading':
      if (event.quantity === 'bathC') step.typedC.push({ atMs, bathC: event.value, ...saidOf(event) });
      else if (event.quantity === 'ph') step.ph.push({ atMs, value: event.value, ...saidOf(event) });
      else step.volumeMl.push({ atMs, value: event.value, ...saidOf(event) });
      return;
    case 'addition':
      step.additions.push({ eventId: event.id, additionId: event.additionId, substance: event.substance, amount: event.amount, unit: event.unit, atMs });
      return;
    case 'stirred':
      step.stirredAtMs.push(atMs);
      return;
    case 'flipped':
      step.flippedAtMs.push(atMs);
      return;
    case 'checked':
      step.checks.push({ atMs, finding: event.finding });
      return;
    case 'heatSet':
      step.heat.push({ atMs, knob: event.knob, hasLid: event.hasLid });
      return;
    case 'rolled':
      step.rolled = { tightness: event.tightness, hasBarrier: event.hasBarrier };
      return;
    case 'callHeard':
      step.heardMs[event.call] = Math.max(atMs, step.heardMs[event.call] ?? 0);
      return;
    case 'callPutOff':
      step.putOffMs[event.call] = event.untilMs;
      return;
    case 'callLetGo':
      step.letGoMs[event.call] = Math.max(atMs, step.letGoMs[event.call] ?? 0);
      return;
    case 'moved':
      step.vesselId = event.toVesselId;
      step.movedAtMs.push({ atMs, vesselId: event.toVesselId });
      return;
    case 'lifted':
      step.liftedAtMs = atMs;
      return;
    case 'lotOut':
    case 'lotIn':
      step.lotMoves.push({
        lotId: event.lotId,
        isOut: event.type === 'lotOut',
        atMs,
        ...(event.type === 'lotIn' && event.joined ? { joined: true as const } : {}),
      });
      return;
    case 'paused':
      if (step.status !== 'running') return;
      step.status = 'paused';
      step.pauses.push({ fromMs: atMs, toMs: null });
      return;
    case 'resumed': {
      const open = step.pauses.at(-1);
      if (step.status !== 'paused' || !open) return;
      step.status = 'running';
      step.pauses[step.pauses.length - 1] = { ...open, toMs: atMs };
      return;
    }
    case 'stepFinished':
      if (step.status === 'skipped') return;
      step.status = 'done';
      step.endedAtMs = atMs;
      return;
    case 'skipped':
      if (step.status === 'done') return;
      step.status = 'skipped';
      step.endedAtMs = atMs;
      step.skipReason = event.reason;
      return;
    default:
      unreachable(event);
  }
}

const blank = (stepId: string, vesselId: string | null): Draft<StepState> => ({
  stepId,
  status: 'waiting',
  entered: [],
  typedC: [],
  ph: [],
  volumeMl: [],
  additions: [],
  stirredAtMs: [],
  flippedAtMs: [],
  checks: [],
  heat: [],
  rolled: null,
  heardMs: {},
  putOffMs: {},
  letGoMs: {},
  pauses: [],
  vesselId,
  movedAtMs: [],
  liftedAtMs: null,
  lotMoves: [],
  endedAtMs: null,
  skipReason: null,
});
