import type { StepTreatment } from '../fibre/passport';
import type { Known } from '../figure';
import type { AmountUnit } from '../measure/print';
import { unreachable } from '../result';
import type { Standing } from '../shelf/assistant';
import type { PlantForm } from '../shelf/dyestuff';

/** In working order. The stage a method belongs to, and the kind of stay a step is: it decides the stitch. */
export const STAGES = [
  'scour',
  'tannin',
  'mordant',
  'wetOut',
  'resist',
  'extract',
  'strain',
  'dye',
  'solar',
  'bundle',
  'dip',
  'paste',
  'reuse',
  'rest',
  'modifier',
  'iron',
  'rinse',
  'wash',
  'dry',
  'cure',
] as const;
export type StepKind = (typeof STAGES)[number];

/** A number, or the name of the parameter that holds it. */
export type Ref = number | { readonly param: string };

export interface Param {
  readonly key: string;
  readonly label: string;
  readonly unit: string;
  /** Null: there is no figure in common use; the dyer sets one or leaves it unknown. */
  readonly usual: number | null;
  readonly min: number;
  readonly max: number;
  readonly standing: Standing;
}

/** How long: least, typical and most minutes. */
export interface SpanRef {
  readonly min: Ref;
  readonly typical: Ref;
  readonly max: Ref;
}

export type PhaseTemplate =
  | { readonly kind: 'charge'; readonly minutes: Ref; readonly act: string }
  | { readonly kind: 'raise'; readonly toC: Ref; readonly maxRateCPerMin: Ref | null }
  | {
      readonly kind: 'hold';
      readonly lowC: Ref | null;
      readonly highC: Ref | null;
      readonly ceilingC: Ref | null;
      readonly minutes: SpanRef;
      readonly stirEveryMin: Ref | null;
      readonly flipAtMin: Ref | null;
      /** What a tap says that ends it, where that is something seen: "It boils". */
      readonly tap?: string;
    }
  | { readonly kind: 'dip'; readonly exactMin: Ref; readonly act: string }
  | { readonly kind: 'soak'; readonly minutes: SpanRef; readonly checkEveryMin: Ref | null }
  /** Ends when a look says so; the clock only calls for the look. */
  | { readonly kind: 'until'; readonly minutes: SpanRef; readonly checkEveryMin: Ref; readonly criterion: string }
  | { readonly kind: 'rest'; readonly minutes: SpanRef; readonly overnightOk: boolean }
  | { readonly kind: 'lift'; readonly minutes: Ref; readonly act: string };

/** Quantities as rules: worked out from the lots' weights when a plan is made. */
export type AdditionRule = RuleOfDose & {
  /** The phase at whose beginning it goes in; missing: the first. */
  readonly phase?: number;
};
type RuleOfDose =
  | { readonly id: string; readonly substance: string; readonly rule: 'wofPct'; readonly pct: Ref }
  | { readonly id: string; readonly substance: string; readonly rule: 'mLPerL' | 'gPerL' | 'mLPerG'; readonly dose: Ref }
  /** So much to a portion: a tea bag to a cup that is for 4 g. Cups are whole. */
  | { readonly id: string; readonly substance: string; readonly rule: 'perPortion'; readonly portionG: Ref; readonly dose: Ref; readonly unit: AmountUnit }
  /** As much as brings the bath to the pH that the step aims at; `dose` a litre where it aims at none. */
  | { readonly id: string; readonly substance: string; readonly rule: 'toPh'; readonly per: 'mLPerL' | 'gPerL'; readonly dose: Ref }
  /** A share of the whole bath by volume, %: 25 is one part in four. */
  | { readonly id: string; readonly substance: string; readonly rule: 'bathPct'; readonly pct: Ref }
  | { readonly id: string; readonly substance: 'dyestuff'; readonly rule: 'ratio'; readonly ratio: Ref }
  /** So many to a piece of the lot: tea bags. */
  | { readonly id: string; readonly substance: string; readonly rule: 'perPiece'; readonly count: Ref }
  /** A count of things to have ready: points × ties a point. */
  | { readonly id: string; readonly substance: string; readonly rule: 'times'; readonly count: Ref; readonly each: Ref }
  /** "As much as you have": weighed when it is at hand, or left unknown. */
  | { readonly id: string; readonly substance: string; readonly rule: 'byEye'; readonly words: string }
  /** From an imported recipe: its own words are kept, no dose is ever worked out. */
  | { readonly id: string; readonly substance: string; readonly rule: 'blocked'; readonly words: string };

/** The bath: so much per gram of fibre, a fixed volume, or so much to a portion. `of` is water unless it says otherwise. */
export type BathRule = ({ readonly mLPerG: Ref } | { readonly mL: Ref } | { readonly mLPerPortion: Ref; readonly portionG: Ref }) & { readonly of?: string };

export const LIDS = ['none', 'resting', 'vented', 'openedDaily', 'sealed'] as const;
export type Lid = (typeof LIDS)[number];
export const LID_WORD: Readonly<Record<Lid, string>> = {
  none: 'no lid',
  resting: 'lid resting loosely',
  vented: 'vented lid or cloth',
  openedDaily: 'closed, opened daily',
  sealed: 'sealed',
};

export const PLACES = ['heated', 'any', 'same', 'jar', 'steamer', 'microwave', 'tray', 'table', 'line'] as const;
/** What kind of place a step wants; `same` is the vessel its liquor or its goods are in already. */
export type Place = (typeof PLACES)[number];

export interface StepTemplate {
  readonly key: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly where: Place;
  /** Whether the lots are in the vessel, or only size the quantities. */
  readonly lots: 'in' | 'sizeOnly';
  /** `own`: a bath of its own; `makes`, `keeps`, `uses`: the dye liquor; `brings`: one kept on the shelf; `none`: no bath. */
  readonly liquor: 'own' | 'makes' | 'keeps' | 'uses' | 'brings' | 'none';
  readonly bath: BathRule | null;
  readonly additions: readonly AdditionRule[];
  readonly phases: readonly PhaseTemplate[];
  readonly lookFor: string | null;
  /** Where the pH of its bath shall be before it goes on; missing: nobody asks. */
  readonly phAim?: { readonly low: Ref | null; readonly high: Ref | null };
  /** What the lots' passports carry afterwards. */
  readonly treatment: StepTreatment | null;
  readonly lid: Lid;
  /** Goods lie bundled or unstirred: heat felts them less. */
  readonly still: boolean;
}

/** A parametrised way of working: what in general, before anybody says which lots and when. */
export interface Method {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly stage: StepKind;
  /** Which practice this is, and its reason: schools stand side by side. */
  readonly school: string;
  readonly why: string;
  readonly needsDyestuff: boolean;
  /** The form of dyestuff it is for; null when it does not matter. */
  readonly form: PlantForm | null;
  readonly params: readonly Param[];
  readonly steps: readonly StepTemplate[];
  /** What to beware of, in the trade's own words, besides what the rules work out. */
  readonly cautions: readonly string[];
  /** The method this one was copied from. */
  readonly copyOf: { readonly id: string; readonly version: number } | null;
}

/** What is behind a reference; null when its parameter is left unknown. Throws when the parameter does not exist. */
export function resolveRef(ref: Ref, params: Readonly<Record<string, Known>>): Known {
  if (typeof ref === 'number') return ref;
  const value = params[ref.param];
  if (value === undefined) throw new Error(`method names a parameter it does not have: ${ref.param}`);
  return value;
}

/** Two figures that are the ends of one band: who says “70–80 °C” has said both. */
export const BANDS: readonly (readonly [string, string])[] = [
  ['lowC', 'highC'],
  ['phLow', 'phHigh'],
];

export const usualParams = (method: Method): Record<string, number | null> => Object.fromEntries(method.params.map((param) => [param.key, param.usual]));

/** Parameters that a range may stand for: lengths of time that have a least and a most, and quantities. */
export function rangedParams(method: Pick<Method, 'steps'>): ReadonlySet<string> {
  const refs = method.steps.flatMap((step) => [
    ...refsOf({ ...withoutAim(step), phases: [] }),
    ...step.phases.flatMap((phase) => ('minutes' in phase && typeof phase.minutes === 'object' && 'typical' in phase.minutes ? [phase.minutes.typical] : [])),
  ]);
  return new Set(refs.flatMap((ref) => (typeof ref === 'object' ? [ref.param] : [])));
}

const withoutAim = ({ phAim: _aim, ...step }: StepTemplate): StepTemplate => step;

/** Every reference a step makes, so that a file can be checked before it is trusted. */
export function refsOf(step: StepTemplate): Ref[] {
  const refs: (Ref | null | undefined)[] = [];
  if (step.bath) refs.push(...('mL' in step.bath ? [step.bath.mL] : 'mLPerG' in step.bath ? [step.bath.mLPerG] : [step.bath.mLPerPortion, step.bath.portionG]));
  if (step.phAim) refs.push(step.phAim.low, step.phAim.high);
  for (const rule of step.additions) {
    if ('pct' in rule) refs.push(rule.pct);
    else if ('dose' in rule) refs.push(rule.dose);
    else if ('ratio' in rule) refs.push(rule.ratio);
    else if ('count' in rule) refs.push(rule.count);
    if ('each' in rule) refs.push(rule.each);
    if ('portionG' in rule) refs.push(rule.portionG);
  }
  for (const phase of step.phases) {
    switch (phase.kind) {
      case 'charge':
      case 'lift':
        refs.push(phase.minutes);
        break;
      case 'raise':
        refs.push(phase.toC, phase.maxRateCPerMin);
        break;
      case 'hold':
        refs.push(phase.lowC, phase.highC, phase.ceilingC, phase.stirEveryMin, phase.flipAtMin, phase.minutes.min, phase.minutes.typical, phase.minutes.max);
        break;
      case 'dip':
        refs.push(phase.exactMin);
        break;
      case 'soak':
      case 'until':
        refs.push(phase.checkEveryMin, phase.minutes.min, phase.minutes.typical, phase.minutes.max);
        break;
      case 'rest':
        refs.push(phase.minutes.min, phase.minutes.typical, phase.minutes.max);
        break;
      default:
        return unreachable(phase);
    }
  }
  return refs.filter((ref) => ref !== null && ref !== undefined);
}
