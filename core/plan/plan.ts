import type { Past } from '../bath/past';
import type { Fit } from '../dose/fit';
import { resultOf, type Working } from '../dose/working';
import type { Share } from '../fibre/fibre';
import type { Finish, LotForm } from '../fibre/lot';
import type { Certainty, StepTreatment } from '../fibre/passport';
import { type Figure, type Known, oneOf } from '../figure';
import type { Home } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { AmountUnit } from '../measure/print';
import type { Lid, Method, StepKind } from '../method/method';
import type { Finding } from '../safety/finding';
import type { Window } from '../schedule/diary';
import type { InTime } from '../schedule/inTime';
import type { WhyNotEarlier } from '../schedule/problem';
import type { PlantForm } from '../shelf/dyestuff';
import type { OwnSubstances } from '../shelf/library';
import type { PlantDetail } from '../shelf/plantDetail';
import type { Draft, MordantAnswer } from './draft';
import type { Saving } from './flexed';
import type { PhAim } from './phAim';
import type { Phase } from './phase';

/** Planned amount: what the rule proposes and what a person said instead. Both are kept. */
export interface PlannedAmount {
  readonly id: string;
  readonly substance: string;
  readonly name: string;
  readonly unit: AmountUnit;
  readonly proposed: Working;
  readonly overruled: Known;
  /** Said instead of a number: "as much as you have". */
  readonly words: string | null;
  /** The form of a dyestuff that the method is for; null for chemicals, and where any form will do. */
  readonly form: PlantForm | null;
  /** Of a plant: form, preparation, source and season, as far as somebody said. */
  readonly detail?: PlantDetail | undefined;
  /** A plant's amount was guessed, not measured. */
  readonly about?: true | undefined;
  /** The phase at whose beginning it goes in; missing: the first. */
  readonly phase?: number | undefined;
  /** Of a bath by the cup: how many cups. */
  readonly portions?: number | undefined;
  /** Percent WOF of a rule by weight, so that it can be worked out again when the weight becomes known. */
  readonly perDryG: number | null;
}

/** What is planned: its number, or its range; null while nobody can say. */
export const plannedKnown = (amount: PlannedAmount): Known => amount.overruled ?? resultOf(amount.proposed);
/** The one number that is planned; null too where a range is. */
export const amountOf = (amount: PlannedAmount): number | null => oneOf(plannedKnown(amount));

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
  /** By step id: how many own results that rests on; missing: none, it is an estimate. */
  readonly expectedFrom?: Readonly<Record<string, number>>;
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
  /** All plants in its bath, where there are several; missing: the one. */
  readonly dyestuffIds?: readonly string[] | undefined;
  readonly liquorId: string | null;
  /** The step that made the bath it works in; null on the line or the table. Missing in plans of before it was kept. */
  readonly bathId?: string | null | undefined;
  /** The baths that were poured together into its own, by the steps that made them; missing: none. */
  readonly pouredFrom?: readonly string[] | undefined;
  /** Minutes the goods cool in the air before it, so that wool meets no sudden change; missing: none. */
  readonly coolFirstMin?: number | undefined;
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
  /** Where its pH shall be before it goes on; missing: nobody asked. */
  readonly phAim?: PhAim | undefined;
  /** On the heat somebody looks in this often, min, where it is not the usual. */
  readonly lookInMin?: number | undefined;
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
  /** How it stands to the moment at which it must be over; missing: it need not be. */
  readonly inTime?: InTime;
  /** What shorter typed waits would save; missing where that is little, and in older plans. */
  readonly saving?: Saving;
  readonly findings: readonly Finding[];
  /** The methods as they were used: a session keeps the version it was planned with. */
  readonly methods: readonly Method[];
  /** By substance: the form or strength that the packet says, as the plan reckoned with. Missing in older plans. */
  readonly labels?: Readonly<Record<string, string>> | undefined;
  /** The dyer's own substances that it names. */
  readonly own: OwnSubstances;
  readonly questions: readonly MordantQuestion[];
  /** What sessions before left in its vessels and on its goods; missing where that is nothing, and in older plans. */
  readonly past?: Past | undefined;
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
