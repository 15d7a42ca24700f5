import type { Window } from './diary';

/** A stretch of a task. Attended stretches last exactly `typicalMin`; nobody-needed ones may be shortened or drawn out. */
export interface Segment {
  readonly minMin: number;
  readonly typicalMin: number;
  readonly maxMin: number;
  /** `hands`: the person is busy; `watch`: home and awake, hands free; `nobody`: may pass the night. */
  readonly needs: 'hands' | 'watch' | 'nobody';
  readonly heat: boolean;
}

export interface Task {
  readonly id: string;
  readonly segments: readonly Segment[];
  readonly vesselId: string | null;
  readonly heatSourceId: string | null;
  readonly after: readonly { readonly taskId: string; readonly minLagMin: number; readonly maxLagMin: number | null }[];
  /** The vessel stays taken until this later task starts in it: its liquor or lots wait there. */
  readonly keepsVesselFor: string | null;
  readonly notBeforeMs: number;
  /** A person put it at this start; it stays there or the plan says it cannot. */
  readonly pinnedStartMs: number | null;
  /** Already happened or under way: neither moved nor questioned. */
  readonly fixed: { readonly startMs: number; readonly endMs: number; readonly segments: readonly Window[] } | null;
}

export interface ScheduleProblem {
  /** In an order that respects `after`. */
  readonly tasks: readonly Task[];
  /** Home and awake, in time order. */
  readonly home: readonly Window[];
  readonly startMs: number;
  readonly horizonMs: number;
}

export type WhyNotEarlier =
  | { readonly why: 'start' }
  | { readonly why: 'pinned' }
  | { readonly why: 'after'; readonly taskId: string; readonly lagMin: number }
  | { readonly why: 'vesselTaken'; readonly vesselId: string; readonly taskId: string }
  | { readonly why: 'heatTaken'; readonly heatSourceId: string; readonly taskId: string }
  | { readonly why: 'handsBusy'; readonly taskId: string }
  | { readonly why: 'nobodyHome'; readonly fromMs: number; readonly toMs: number }
  | { readonly why: 'waitsForLater'; readonly taskId: string };

export interface Placed {
  readonly taskId: string;
  readonly startMs: number;
  readonly endMs: number;
  readonly segments: readonly Window[];
  readonly whyNotEarlier: WhyNotEarlier;
}

export interface Scheduled {
  readonly kind: 'planned';
  readonly placed: readonly Placed[];
  /** No schedule can end before this: the longest chain of steps with every stretch at its least. */
  readonly boundMs: number;
  readonly by: string;
}

export type ScheduleResult = Scheduled | { readonly kind: 'infeasible'; readonly taskId: string; readonly reason: string };

/** What plans a problem. The forward pass is one; a search may take its place without anything else moving. */
export type Scheduler = (problem: ScheduleProblem) => ScheduleResult;
