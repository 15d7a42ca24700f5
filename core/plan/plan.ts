import type { Fit } from '../dose/fit';
import type { Working } from '../dose/working';
import type { Finish, LotForm, Share } from '../fibre/lot';
import type { Certainty, StepTreatment } from '../fibre/passport';
import type { Figure } from '../figure';
import type { Measures } from '../measure/measures';
import type { AmountUnit } from '../measure/print';
import type { Lid, Method, StepKind } from '../method/method';
import type { Finding } from '../safety/finding';
import type { Diary, Window } from '../schedule/diary';
import type { WhyNotEarlier } from '../schedule/problem';
import type { PlantForm } from '../shelf/dyestuff';
import type { OwnSubstances } from '../shelf/library';

export const VESSEL_KINDS = ['pot', 'pail', 'jar', 'tray', 'steamer', 'cup', 'table', 'line'] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];
export const MATERIALS = ['stainless', 'enamel', 'glass', 'ceramic', 'plastic', 'wood', 'aluminium', 'copper', 'iron', 'galvanised', 'zinc', 'tinned'] as const;
export type Material = (typeof MATERIALS)[number];

/** Whether a material goes into the bath with what is in it. Common practice, no source. */
export const MATERIAL_SAYS: Readonly<Record<Material, string>> = {
  stainless: 'does not react',
  enamel: 'does not react while it is whole',
  glass: 'does not react; cracks from sudden heat unless marked',
  ceramic: 'does not react while the glaze is whole',
  plastic: 'does not react; cold work only',
  wood: 'takes up dye',
  aluminium: 'reacts with alkali and acid; its metal shifts colours',
  copper: 'its metal goes into acid baths and shifts colours',
  iron: 'its metal goes into the bath and saddens',
  galvanised: 'acid frees hydrogen and zinc from it',
  zinc: 'acid frees hydrogen and zinc from it',
  tinned: 'alkali takes its coat',
};

export interface Vessel {
  readonly id: string;
  readonly name: string;
  readonly kind: VesselKind;
  /** To the brim, L; null for a line or a table. */
  readonly litres: number | null;
  readonly material: Material;
  /** Marked heat-proof, for glass. */
  readonly heatProof: boolean;
  readonly heatSourceId: string | null;
  readonly probeId: string | null;
  readonly dyeOnly: boolean;
  /** Place in the kitchen, left to right: columns stand in this order. */
  readonly order: number;
  readonly revision: number;
}

/** Lines and tables hold any number of things at once. */
export const holdsMany = (vessel: Pick<Vessel, 'kind'> | null): boolean => vessel?.kind === 'line' || vessel?.kind === 'table';

export const HEAT_KINDS = ['hotplate', 'gas', 'campBurner', 'charcoal', 'microwave', 'oven'] as const;
export interface HeatSource {
  readonly id: string;
  readonly name: string;
  readonly maxW: number | null;
  readonly kind: (typeof HEAT_KINDS)[number];
  readonly outdoors: boolean;
}

export interface Scale {
  readonly id: string;
  readonly name: string;
  /** Its last digit, g. */
  readonly readsToG: number;
  readonly mostG: number | null;
}

export interface Home {
  readonly diary: Diary;
  readonly altitudeM: number;
  readonly heatSources: readonly HeatSource[];
  readonly scales: readonly Scale[];
  readonly probes: readonly { readonly id: string; readonly name: string }[];
  /** What one electric circuit gives, W; null when nobody looked. */
  readonly circuitW: number | null;
  readonly childrenOrPets: boolean;
  readonly emergencyNumber: string;
  /** How figures are printed at this home; missing: nobody said, so metric. */
  readonly measures?: Measures | undefined;
  readonly revision: number;
}

/** The finest scale that carries the mass; null when there is none. */
export function scaleFor(scales: readonly Scale[], massG: number): Scale | null {
  const able = scales.filter((scale) => scale.mostG === null || scale.mostG >= massG);
  return able.reduce<Scale | null>((best, scale) => (best === null || scale.readsToG < best.readsToG ? scale : best), null);
}

export const MORDANT_ANSWERS = ['testStrip', 'lookEarly', 'mordantAnyway', 'goOn'] as const;
/** What a person chose to do about a lot whose mordant nobody is sure of. */
export type MordantAnswer = (typeof MORDANT_ANSWERS)[number];

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
  /** By step id: how its vessel is covered, where that differs from the method. */
  readonly lids?: Readonly<Record<string, Lid>>;
  /** By substance: which form or strength the label says. */
  readonly labels?: Readonly<Record<string, string>>;
  /** By lot: what to do about a mordant that nobody is sure of. */
  readonly answers?: Readonly<Record<string, MordantAnswer>>;
}

export interface ChainItem {
  readonly id: string;
  readonly methodId: string;
  /** Null or missing: the newest. */
  readonly methodVersion?: number | null;
  readonly params: Readonly<Record<string, number | null>>;
  readonly dyestuffId: string | null;
  /** The kept liquor that a step brings out. */
  readonly liquorId?: string | null;
  /** The lots it is for; null or missing: all of the session's. */
  readonly lotIds?: readonly string[] | null;
  /** Only a part of each lot goes in: "tips", 30 %. */
  readonly part?: { readonly label: string; readonly sharePct: number | null } | null;
}

/** Planned amount: what the rule proposes and what a person said instead. Both are kept. */
export interface PlannedAmount {
  readonly id: string;
  readonly substance: string;
  readonly name: string;
  readonly unit: AmountUnit;
  readonly proposed: Working;
  readonly overruled: number | null;
  /** Said instead of a number: "as much as you have". */
  readonly words: string | null;
  /** The form of a dyestuff that the method is for; null for chemicals, and where any form will do. */
  readonly form: PlantForm | null;
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
  | { readonly kind: 'until'; readonly minutes: SpanMin; readonly checkEveryMin: number; readonly criterion: string }
  | { readonly kind: 'rest'; readonly minutes: SpanMin; readonly overnightOk: boolean }
  | { readonly kind: 'lift'; readonly minutes: number; readonly act: string };

export interface PlanLot {
  readonly id: string;
  readonly name: string;
  readonly form: LotForm;
  readonly composition: readonly Share[];
  readonly dryWeightG: Figure;
  readonly baseHex: string | null;
  readonly pieces: number;
  readonly finishes: readonly Finish[] | null;
  /** Whether it was mordanted before this session began. */
  readonly mordant: Certainty;
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
  /** Of which lots the quantities are: those in it, or those an extraction is for. */
  readonly sizedBy: readonly string[];
  readonly part: { readonly label: string; readonly sharePct: number | null } | null;
  readonly dyestuffId: string | null;
  readonly liquorId: string | null;
  readonly lid: Lid;
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
  /** Minutes into the hold at which an early look was asked for; null: none. */
  readonly lookAtMin: number | null;
  readonly treatment: StepTreatment | null;
  readonly cautions: readonly string[];
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
  /** The methods as they were used: a session keeps the version it was planned with. */
  readonly methods: readonly Method[];
  /** The dyer's own substances that it names. */
  readonly own: OwnSubstances;
  readonly questions: readonly MordantQuestion[];
}

/** Asked while planning: this lot's mordant is not sure, and the dye wants one. */
export interface MordantQuestion {
  readonly lotId: string;
  readonly stepId: string;
  readonly state: 'believed' | 'unknown';
  readonly ifMordanted: string;
  readonly ifNot: string;
  readonly answer: MordantAnswer | null;
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
    case 'until':
    case 'rest':
      return phase.minutes.typical;
  }
}
