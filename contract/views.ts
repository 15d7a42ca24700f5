import type { FastnessTest, Graded } from '@/core/fastness/fastness';
import type { Lot } from '@/core/fibre/lot';
import type { Passport } from '@/core/fibre/passport';
import type { SimPot } from '@/core/heat/simPot';
import type { Reading } from '@/core/hold/credit';
import type { Method } from '@/core/method/method';
import type { Plan } from '@/core/plan/plan';
import type { WeighLine } from '@/core/plan/weighOut';
import type { WeighTick } from '@/core/plan/weighTicks';
import type { StepClock } from '@/core/run/clock';
import type { Comparison } from '@/core/run/deviations';
import type { RunEvent } from '@/core/run/events';
import type { Picture } from '@/core/swatch/look';
import type { SeenColour } from '@/core/swatch/swatch';
import type { PieceSeen, Tells } from '@/core/trial/tells';
import type { Trial } from '@/core/trial/trial';

/** Shapes of the answers in the core's own types; `responses.ts` says the same in Zod for everybody else. */

export interface LotView extends Lot {
  readonly passport: Passport;
  /** Its colour as it was read last, dry; null when nobody read it. */
  readonly seenHex: string | null;
  /** The trial that it is a piece of, and what it gets there; `gets` is null for a control. */
  readonly trial?: { readonly id: string; readonly name: string; readonly gets: string | null } | undefined;
}

export interface SessionSummary {
  readonly id: string;
  readonly name: string;
  readonly planVersion: number;
  readonly startMs: number;
  readonly endMs: number;
  readonly lotNames: readonly string[];
  readonly expectedHex: readonly string[];
  readonly run: {
    readonly id: string;
    readonly phase: 'notStarted' | 'running' | 'finished';
    readonly startedAtMs: number | null;
    readonly finishedAtMs: number | null;
  } | null;
}

export interface SessionView {
  readonly plan: Plan;
  readonly versions: readonly { readonly version: number; readonly reason: string; readonly createdAtMs: number }[];
  readonly runId: string | null;
}

/** Everything a page needs to fold a run by itself, with the same code as the server. */
export interface RunView {
  readonly run: { readonly id: string; readonly sessionId: string; readonly createdAtMs: number };
  readonly plan: Plan;
  readonly events: readonly RunEvent[];
  /** Probe readings by vessel, since the run began. */
  readonly readings: Readonly<Record<string, readonly Reading[]>>;
}

export interface RunRecord {
  readonly runId: string;
  readonly comparisons: readonly Comparison[];
  readonly deviations: readonly { readonly stepId: string; readonly title: string; readonly text: string }[];
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly startedAtMs: number | null;
  readonly finishedAtMs: number | null;
}

export interface SimPotView extends SimPot {
  /** The pot's true temperature now, which only a simulation knows, °C. */
  readonly trueC: number;
}

/** A method with all its versions, newest last. */
export interface MethodView {
  readonly versions: readonly Method[];
  /** Made or changed by the dyer; the library's are copied before they are changed. */
  readonly own: boolean;
  readonly retired: boolean;
  readonly revision: number;
}

export interface WeighList {
  readonly session: {
    readonly id: string;
    readonly name: string;
    readonly planVersion: number;
    readonly runId: string | null;
    readonly dryFibreG: number | null;
  };
  readonly lines: readonly WeighLine[];
  readonly ticks: readonly WeighTick[];
  readonly stopped: boolean;
}

/** What open pages hear about, as it happens. */
export type LiveMessage =
  | { readonly kind: 'event'; readonly runId: string; readonly event: RunEvent }
  | { readonly kind: 'readings'; readonly probeId: string; readonly readings: readonly Reading[] }
  | { readonly kind: 'changed'; readonly what: Changed; readonly id: string };

/** A result as the wall shows it. */
export interface SwatchView {
  readonly id: string;
  readonly lotId: string;
  readonly lot: string;
  readonly name: string;
  readonly detail: string;
  readonly fibre: string;
  readonly dyes: readonly string[];
  readonly colour: SeenColour | null;
  readonly hex: string | null;
  readonly picture: Picture | null;
  readonly verdict: string;
  /** Light and wash tests of its lot that were looked at: "light: 4-5 after 28 days"; empty while it is untested. */
  readonly fastness: string;
  readonly looks: number;
  readonly atMs: number;
  /** What it is found by. */
  readonly words: string;
}

/** A light or wash test with its grades so far. */
export interface FastnessView {
  readonly test: FastnessTest;
  readonly lot: string;
  /** What dyed the lot. */
  readonly dyes: readonly string[];
  readonly grades: readonly Graded[];
  /** When it wants its next look; null: no more. */
  readonly nextAtMs: number | null;
  /** "light: 4-5 after 28 days" */
  readonly says: string;
}

/** A trial with what is seen of it so far. */
export interface TrialView {
  readonly trial: Trial;
  readonly pieces: readonly (PieceSeen & { readonly hex: string | null })[];
  /** Sessions that its pieces are planned in. */
  readonly sessions: readonly { readonly id: string; readonly name: string }[];
  readonly tells: Tells;
}

/** A trial as a line of a list. */
export interface TrialLine {
  readonly id: string;
  readonly name: string;
  readonly createdAtMs: number;
  readonly pieces: number;
  /** Of its pieces, without the controls: how many were looked at. */
  readonly seen: number;
  readonly withdrawn: boolean;
}

export type Changed =
  | 'trial'
  | 'fastness'
  | 'look'
  | 'health'
  | 'everything'
  | 'lot'
  | 'vessel'
  | 'home'
  | 'session'
  | 'run'
  | 'simPot'
  | 'stock'
  | 'liquor'
  | 'method'
  | 'substance'
  | 'weigh'
  | 'doors';

/** RFC 9457, as every error comes. */
export interface ProblemView {
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors: readonly { readonly at: string; readonly message: string }[];
}
