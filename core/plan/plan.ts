import type { Fit } from '../dose/fit';
import type { Working } from '../dose/working';
import type { LotForm, Share } from '../fibre/lot';
import type { TreatmentKind } from '../fibre/passport';
import type { Figure } from '../figure';
import type { AmountUnit } from '../measure/print';
import type { StepKind } from '../method/method';
import type { Finding } from '../safety/finding';
import type { Diary, Window } from '../schedule/diary';
import type { WhyNotEarlier } from '../schedule/problem';

export interface Vessel {
  readonly id: string;
  readonly name: string;
  readonly kind: 'pot' | 'pail' | 'jar' | 'line';
  /** To the brim, L; null for a line. */
  readonly litres: number | null;
  readonly material: 'stainless' | 'enamel' | 'aluminium' | 'plastic' | 'glass' | 'wood';
  readonly heatSourceId: string | null;
  readonly probeId: string | null;
  readonly dyeOnly: boolean;
  /** Place in the kitchen, left to right: columns stand in this order. */
  readonly order: number;
  readonly revision: number;
}

export interface HeatSource {
  readonly id: string;
  readonly name: string;
  readonly maxW: number | null;
}

export interface Home {
  readonly diary: Diary;
  readonly altitudeM: number;
  readonly heatSources: readonly HeatSource[];
  /** What the kitchen scale reads to, g; null when nobody said. */
  readonly scaleG: number | null;
  readonly emergencyNumber: string;
  readonly revision: number;
}

/** What a person asked for: kept beside the plan so that it can be changed and planned again. */
export interface Draft {
  readonly name: string;
  readonly startMs: number;
  readonly lotIds: readonly string[];
  readonly chain: readonly ChainItem[];
  readonly vessels: Readonly<Record<string, string>>;
  /** By "step/addition" or "step/water": the amount a person set instead of the proposed one. */
  readonly overrules: Readonly<Record<string, number>>;
  readonly pins: Readonly<Record<string, number>>;
  /** By step id: reason for passing a stop that a reason may pass. */
  readonly reasons: Readonly<Record<string, string>>;
}

export interface ChainItem {
  readonly id: string;
  readonly methodId: string;
  readonly params: Readonly<Record<string, number | null>>;
  readonly dyestuffId: string | null;
}

/** Planned amount: what the rule proposes and what a person said instead. Both are kept. */
export interface PlannedAmount {
  readonly id: string;
  readonly substance: string;
  readonly name: string;
  readonly unit: AmountUnit;
  readonly proposed: Working;
  readonly overruled: number | null;
  /** Percent WOF of a rule by weight, so that it can be worked out again when the weight becomes known. */
  readonly perDryG: number | null;
}

export const amountOf = (amount: PlannedAmount): number | null => amount.overruled ?? amount.proposed.result;

export interface SpanMin {
  readonly min: number;
  readonly typical: number;
  readonly max: number;
}

export type Phase =
  | { readonly kind: 'charge'; readonly minutes: number; readonly act: string }
  | { readonly kind: 'raise'; readonly toC: number | null; readonly maxRateCPerMin: number | null; readonly minutes: number }
  | {
      readonly kind: 'hold';
      readonly bandC: readonly [number, number] | null;
      readonly ceilingC: number | null;
      readonly minutes: SpanMin;
      readonly stirEveryMin: number | null;
      readonly flipAtMin: number | null;
    }
  | { readonly kind: 'dip'; readonly exactMin: number; readonly act: string }
  | { readonly kind: 'soak'; readonly minutes: SpanMin; readonly checkEveryMin: number | null }
  | { readonly kind: 'rest'; readonly minutes: SpanMin; readonly overnightOk: boolean }
  | { readonly kind: 'lift'; readonly minutes: number; readonly act: string };

export interface PlanLot {
  readonly id: string;
  readonly name: string;
  readonly form: LotForm;
  readonly composition: readonly Share[];
  readonly dryWeightG: Figure;
  readonly baseHex: string | null;
  /** What the lot is expected to look like after each step that changes it: step id → hex. */
  readonly expectedHex: Readonly<Record<string, string>>;
}

export interface PlanStep {
  readonly id: string;
  readonly methodId: string;
  readonly methodVersion: number;
  readonly kind: StepKind;
  readonly title: string;
  readonly school: string;
  readonly why: string;
  readonly lotIds: readonly string[];
  readonly dyestuffId: string | null;
  readonly vesselId: string | null;
  readonly water: PlannedAmount | null;
  readonly additions: readonly PlannedAmount[];
  readonly fit: Fit | null;
  readonly phases: readonly Phase[];
  readonly startMs: number;
  readonly endMs: number;
  /** Start and end of each phase, as planned. */
  readonly phaseTimes: readonly Window[];
  readonly whyNotEarlier: WhyNotEarlier;
  readonly after: readonly string[];
  readonly lookFor: string | null;
  readonly treatment: TreatmentKind | null;
  readonly findings: readonly Finding[];
}

/** What this time: immutable once stored. A replan is a new version with a reason. */
export interface Plan {
  readonly sessionId: string;
  readonly version: number;
  readonly reason: string;
  readonly createdAtMs: number;
  readonly name: string;
  readonly draft: Draft;
  readonly lots: readonly PlanLot[];
  readonly vessels: readonly Vessel[];
  readonly home: Home;
  readonly steps: readonly PlanStep[];
  readonly absences: readonly Window[];
  readonly boundMs: number;
  readonly findings: readonly Finding[];
}

export type PlanProblem = { readonly at: string; readonly message: string };

/** Figures for the head of a plan. */
export interface PlanTotals {
  readonly startMs: number;
  readonly endMs: number;
  readonly handsMin: number;
  readonly heatMin: number;
}

export function planTotals(plan: Pick<Plan, 'steps'>): PlanTotals {
  let handsMin = 0;
  let heatMin = 0;
  for (const step of plan.steps) {
    for (const phase of step.phases) {
      if (phase.kind === 'charge' || phase.kind === 'lift') handsMin += phase.minutes;
      if (phase.kind === 'dip') handsMin += phase.exactMin;
      if (phase.kind === 'raise') heatMin += phase.minutes;
      if (phase.kind === 'hold') heatMin += phase.minutes.typical;
    }
  }
  return {
    startMs: Math.min(...plan.steps.map((step) => step.startMs)),
    endMs: Math.max(...plan.steps.map((step) => step.endMs)),
    handsMin,
    heatMin,
  };
}

export const isHeated = (phase: Phase): boolean => phase.kind === 'raise' || phase.kind === 'hold';

/** Typical minutes of any phase. */
export function typicalMin(phase: Phase): number {
  switch (phase.kind) {
    case 'charge':
    case 'raise':
    case 'lift':
      return phase.minutes;
    case 'dip':
      return phase.exactMin;
    case 'hold':
    case 'soak':
    case 'rest':
      return phase.minutes.typical;
  }
}
