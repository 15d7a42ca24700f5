import type { Plan } from '../plan/plan';
import { err, ok, type Result } from '../result';
import { LONGEST_PUT_OFF_MS, type RunFact } from './events';
import type { RunState } from './fold';

export type EventRefusal =
  | { readonly why: 'finished' }
  | { readonly why: 'putOff' }
  | { readonly why: 'noSuchStep'; readonly stepId: string }
  | { readonly why: 'noSuchPhase'; readonly phaseIndex: number; readonly phases: number }
  | { readonly why: 'noSuchAddition'; readonly additionId: string }
  | { readonly why: 'noSuchLot'; readonly lotId: string }
  | { readonly why: 'noSuchVessel'; readonly vesselId: string }
  | { readonly why: 'noSuchEvent'; readonly eventId: string }
  | { readonly why: 'joined' }
  | { readonly why: 'future'; readonly aheadMin: number }
  | { readonly why: 'beforeStart' }
  | { readonly why: 'startTooEarly' };

/** Clocks of two devices never agree to the second. */
const SLACK_MS = 60_000;
/** Work is sometimes written down after it was begun; never so long after. */
const EARLIEST_START_MS = 31 * 86_400_000;

export interface EventContext {
  readonly plan: Plan;
  readonly state: Pick<RunState, 'phase' | 'startedAtMs'>;
  readonly eventIds: ReadonlySet<string>;
  /** Of events that say since when a lot is in that nobody had planned: without one it would count from the beginning. */
  readonly joinedIds: ReadonlySet<string>;
  /** The event that started the run; null before. */
  readonly startId: string | null;
  readonly vesselIds: ReadonlySet<string>;
  readonly nowMs: number;
}

/** May this be written into the log? What happened is never refused for being unwise, only for being about nothing. */
export function checkEvent(fact: RunFact, atMs: number, context: EventContext): Result<void, EventRefusal> {
  const { plan, state, nowMs } = context;
  if (state.phase === 'finished' && fact.type !== 'amended') return err({ why: 'finished' });
  if (atMs > nowMs + SLACK_MS) return err({ why: 'future', aheadMin: (atMs - nowMs) / 60_000 });
  if (state.startedAtMs !== null && atMs < state.startedAtMs - SLACK_MS) return err({ why: 'beforeStart' });
  if ('stepId' in fact && fact.stepId !== null) {
    const step = plan.steps.find((s) => s.id === fact.stepId);
    if (!step) return err({ why: 'noSuchStep', stepId: fact.stepId });
    if (fact.type === 'phaseEntered' && fact.phaseIndex >= step.phases.length) {
      return err({ why: 'noSuchPhase', phaseIndex: fact.phaseIndex, phases: step.phases.length });
    }
    if (fact.type === 'addition' && fact.additionId !== null && !step.additions.some((a) => a.id === fact.additionId) && fact.additionId !== 'water') {
      return err({ why: 'noSuchAddition', additionId: fact.additionId });
    }
  }
  if (fact.type === 'callPutOff' && (fact.untilMs <= atMs || fact.untilMs > atMs + LONGEST_PUT_OFF_MS)) return err({ why: 'putOff' });
  if (fact.type === 'moved' && !context.vesselIds.has(fact.toVesselId)) return err({ why: 'noSuchVessel', vesselId: fact.toVesselId });
  if ('lotId' in fact && !plan.lots.some((lot) => lot.id === fact.lotId)) return err({ why: 'noSuchLot', lotId: fact.lotId });
  if (fact.type === 'amended') {
    if (!context.eventIds.has(fact.targetId)) return err({ why: 'noSuchEvent', eventId: fact.targetId });
    if (fact.change.kind === 'withdrawn' && context.joinedIds.has(fact.targetId)) return err({ why: 'joined' });
    if (fact.change.kind === 'retimed') {
      const toMs = fact.change.atMs;
      const isStart = context.startId === fact.targetId;
      if (!isStart && state.startedAtMs !== null && toMs < state.startedAtMs - SLACK_MS) return err({ why: 'beforeStart' });
      if (isStart && toMs < plan.createdAtMs - EARLIEST_START_MS) return err({ why: 'startTooEarly' });
    }
    if (fact.change.kind === 'retimed' && fact.change.atMs > nowMs + SLACK_MS) return err({ why: 'future', aheadMin: (fact.change.atMs - nowMs) / 60_000 });
  }
  return ok(undefined);
}

export function eventRefusalText(refusal: EventRefusal): string {
  switch (refusal.why) {
    case 'finished':
      return 'This run is finished. Amend its log, or start a new run.';
    case 'putOff':
      return 'A call is put off until a later moment, for a day at the most.';
    case 'noSuchStep':
      return `There is no step “${refusal.stepId}” in this run’s plan.`;
    case 'noSuchPhase':
      return `Phase ${refusal.phaseIndex} does not exist; the step has ${refusal.phases}.`;
    case 'noSuchAddition':
      return `“${refusal.additionId}” is not an addition of this step. Log it without an additionId if it was extra.`;
    case 'noSuchLot':
      return `Lot “${refusal.lotId}” is not in this run.`;
    case 'noSuchVessel':
      return `There is no vessel “${refusal.vesselId}” in the kitchen.`;
    case 'noSuchEvent':
      return `There is no entry “${refusal.eventId}” in this run’s log to amend.`;
    case 'joined':
      return 'The plan has this lot in the step since then. Take it out alone instead (More), or set another time.';
    case 'future':
      return `This lies ${Math.ceil(refusal.aheadMin)} min in the future. Log it when it has happened.`;
    case 'beforeStart':
      return 'This lies before the run began. Set “run begun” in the log further back first, or choose a later time.';
    case 'startTooEarly':
      return 'No run began so long before it was planned. Choose a time within the last month.';
  }
}
