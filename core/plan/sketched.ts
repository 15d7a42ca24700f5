import type { Lot } from '../fibre/lot';
import type { KnownPot } from '../heat/learnPot';
import type { Home } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { Liquor } from '../liquor/liquor';
import type { MethodBook } from '../method/library';
import type { Task } from '../schedule/problem';
import type { Shelf } from '../shelf/lookup';
import type { Draft } from './draft';
import type { PlanStep } from './plan';

/** A step with its quantities and its vessel, not yet on the clock. */
export interface Sketch extends Omit<PlanStep, 'startMs' | 'endMs' | 'phaseTimes' | 'whyNotEarlier' | 'after' | 'findings' | 'vesselId'> {
  readonly vessel: Vessel | null;
  readonly startsWarm: boolean;
  /** As hot as the step before left its liquor, °C; null: it is not known to be hot. */
  readonly startsAtC: number | null;
  readonly still: boolean;
  readonly after: Task['after'];
  keepsVesselFor: string | null;
}

export interface SketchInput {
  readonly draft: Draft;
  readonly lots: readonly Lot[];
  readonly vessels: readonly Vessel[];
  readonly home: Home;
  readonly methods: MethodBook;
  readonly shelf: Shelf;
  readonly liquors: readonly Liquor[];
  readonly labels: Readonly<Record<string, string>>;
  readonly pots?: readonly KnownPot[];
  /** Vessels that other sessions need about then. */
  readonly taken?: ReadonlySet<string>;
}
