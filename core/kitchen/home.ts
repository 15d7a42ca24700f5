import type { Known } from '../figure';
import type { Measures } from '../measure/measures';
import type { Calibration } from '../probe/calibrate';
import type { Diary } from '../schedule/diary';
import type { HeatSource } from './heatSource';
import type { Scale } from './scale';
import type { Vessel } from './vessel';

/** What the heat under a vessel gives at most, W; null where it stands on none, or nobody knows. */
export const wattUnder = (home: Pick<Home, 'heatSources'>, vessel: Pick<Vessel, 'heatSourceId'> | null | undefined): number | null =>
  home.heatSources.find((source) => source.id === vessel?.heatSourceId)?.maxW ?? null;

export interface HomeProbe extends Calibration {
  readonly id: string;
  readonly name: string;
}

export interface Home {
  readonly diary: Diary;
  readonly altitudeM: number;
  readonly heatSources: readonly HeatSource[];
  readonly scales: readonly Scale[];
  readonly probes: readonly HomeProbe[];
  /** What one electric circuit gives, W; null when nobody looked. */
  readonly circuitW: number | null;
  readonly childrenOrPets: boolean;
  readonly emergencyNumber: string;
  /** How figures are printed at this home; missing: nobody said, so metric. */
  readonly measures?: Measures | undefined;
  /** The tap's, as mg/L of calcium carbonate; missing or null: nobody asked. */
  readonly water?: { readonly alkalinityMgL: Known; readonly hardnessMgL: Known; readonly ph?: Known | undefined } | undefined;
  /** Heat is on and nobody touched anything for so long: it is asked whether somebody is there, min; null: never asked, missing: as usual. */
  readonly attendMin?: number | null | undefined;
  /** The time of day, "HH:MM", at which what steeps for days is looked at; null or missing: whenever a day is over. */
  readonly lookAt?: string | null | undefined;
  readonly revision: number;
}

/** As long as a pot may be on the heat unasked, min: our choice, after the look-in every 15 to 20 min of the safety handbook (P5) was missed twice. */
export const USUAL_ATTEND_MIN = 45;
export const attendMinOf = ({ attendMin }: Pick<Home, 'attendMin'>): number | null => (attendMin === undefined ? USUAL_ATTEND_MIN : attendMin);
