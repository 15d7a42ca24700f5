import type { Measures } from '../measure/measures';
import type { Diary } from '../schedule/diary';
import type { HeatSource } from './heatSource';
import type { Scale } from './scale';

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
