import type { TreatmentKind } from '../fibre/passport';
import type { Standing } from '../shelf/substances';

export const STAGES = ['scour', 'wetOut', 'mordant', 'extract', 'strain', 'dye', 'rest', 'iron', 'rinse', 'dry'] as const;
/** What kind of stay a step is; it decides the stitch it is drawn with. */
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
      readonly lowC: Ref;
      readonly highC: Ref;
      readonly ceilingC: Ref | null;
      readonly minutes: SpanRef;
      readonly stirEveryMin: Ref | null;
      readonly flipAtMin: Ref | null;
    }
  | { readonly kind: 'dip'; readonly exactMin: Ref; readonly act: string }
  | { readonly kind: 'soak'; readonly minutes: SpanRef; readonly checkEveryMin: Ref | null }
  | { readonly kind: 'rest'; readonly minutes: SpanRef; readonly overnightOk: boolean }
  | { readonly kind: 'lift'; readonly minutes: Ref; readonly act: string };

/** Quantities as rules: worked out from the lots' weights when a plan is made. */
export type AdditionRule =
  | { readonly id: string; readonly substance: string; readonly rule: 'wofPct'; readonly pct: Ref }
  | { readonly id: string; readonly substance: string; readonly rule: 'mLPerL'; readonly dose: Ref }
  | { readonly id: string; readonly substance: 'dyestuff'; readonly rule: 'ratio'; readonly ratio: Ref };

export interface StepTemplate {
  readonly key: string;
  readonly kind: StepKind;
  readonly title: string;
  /** Heated vessel, any vessel, the line, or the vessel the work is already in. */
  readonly where: 'heated' | 'any' | 'line' | 'same';
  /** Whether the lots are in the vessel, or only size the quantities. */
  readonly lots: 'in' | 'sizeOnly';
  /** `own`: fresh water of its own; `makes`, `keeps`, `uses`: the dye liquor; `none`: no bath. */
  readonly liquor: 'own' | 'makes' | 'keeps' | 'uses' | 'none';
  /** mL of water per g of dry fibre, for `own` and `makes`. */
  readonly waterMlPerG: Ref | null;
  readonly additions: readonly AdditionRule[];
  readonly phases: readonly PhaseTemplate[];
  readonly lookFor: string | null;
  /** What the lots' passports carry afterwards. */
  readonly treatment: TreatmentKind | null;
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
  readonly params: readonly Param[];
  readonly steps: readonly StepTemplate[];
}

/** The number behind a reference; null when its parameter is left unknown. Throws when the parameter does not exist. */
export function resolveRef(ref: Ref, params: Readonly<Record<string, number | null>>): number | null {
  if (typeof ref === 'number') return ref;
  const value = params[ref.param];
  if (value === undefined) throw new Error(`method names a parameter it does not have: ${ref.param}`);
  return value;
}

export const usualParams = (method: Method): Record<string, number | null> => Object.fromEntries(method.params.map((param) => [param.key, param.usual]));
