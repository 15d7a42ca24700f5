import { knownText, type Span } from '../figure';
import { printDuration } from '../measure/print';
import { unreachable } from '../result';

export interface SpanMin {
  readonly min: number;
  readonly typical: number;
  readonly max: number;
  /** Nobody said how long: the clock is given a usual hour, and anything will do. */
  readonly open?: true;
  /** A person said from when to when will do: both ends are called. */
  readonly said?: true;
  /** The least or most that the method gives, min, where the usual was set beyond it. */
  readonly beyondMin?: number;
  /** A person typed this length: no plan makes it longer or shorter. */
  readonly typed?: true;
  /** What the method would have had, min, where the plan chose another length within its range: `typical` is what is planned. */
  readonly usual?: number;
}

/** How long heating up took before, as its curves say. */
export interface RaiseLearnt {
  /** Curves it rests on. */
  readonly n: number;
  readonly minMin: number;
  /** Null: it may take longer than anybody waits. */
  readonly maxMin: number | null;
}

export type Phase =
  | { readonly kind: 'charge'; readonly minutes: number; readonly act: string }
  | {
      readonly kind: 'raise';
      readonly toC: number | null;
      readonly maxRateCPerMin: number | null;
      readonly minutes: number;
      /** By the pot's own curves; missing: by what its heat can do, or a usual rise. */
      readonly learnt?: RaiseLearnt;
    }
  | {
      readonly kind: 'hold';
      readonly bandC: readonly [number, number] | null;
      readonly ceilingC: number | null;
      readonly minutes: SpanMin;
      readonly stirEveryMin: number | null;
      readonly flipAtMin: number | null;
      /** What a tap says that ends it. */
      readonly tap?: string;
    }
  | { readonly kind: 'dip'; readonly exactMin: number; readonly act: string }
  | { readonly kind: 'soak'; readonly minutes: SpanMin; readonly checkEveryMin: number | null }
  | { readonly kind: 'until'; readonly minutes: SpanMin; readonly checkEveryMin: number; readonly criterion: string }
  | { readonly kind: 'rest'; readonly minutes: SpanMin; readonly overnightOk: boolean }
  | { readonly kind: 'lift'; readonly minutes: number; readonly act: string };

/** On the heat somebody looks in at least this often, min: safety handbook P5, electric heat. */
export const LOOK_IN_MIN = 20;

export const isHeated = (phase: Phase): boolean => phase.kind === 'raise' || phase.kind === 'hold';

/** Nobody needs to be there for it. */
export const isWait = (phase: Phase): phase is Extract<Phase, { readonly kind: 'soak' | 'until' | 'rest' }> =>
  phase.kind === 'soak' || phase.kind === 'until' || phase.kind === 'rest';

/** How long it is planned for, min: a range where a person said one. */
export const plannedMin = ({ said, min, typical, max }: SpanMin): number | Span => (said ? { least: min, most: max } : typical);

/** "1 h", "6–8 h", or that anything will do. */
export const lengthText = (minutes: SpanMin): string => (minutes.open ? 'as long as you see fit' : knownText(plannedMin(minutes), printDuration));

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
    default:
      return unreachable(phase);
  }
}

/** Nobody is in two minds about goods that have been out for so long: they are as cool as the room. Our estimate. */
export const COOL_MIN = 30;

/** How hot goods are as a step ends: the middle of its last band; null when it is cold, or cools again, or nobody knows. */
export function endsHotC(phases: readonly Phase[]): number | null {
  const last = phases.findLastIndex(isHeated);
  const hold = phases[last];
  if (last < 0 || hold?.kind !== 'hold' || hold.bandC === null) return null;
  const cooled = phases.slice(last + 1).some((phase) => phase.kind === 'rest' || phase.kind === 'soak');
  return cooled ? null : (hold.bandC[0] + hold.bandC[1]) / 2;
}
