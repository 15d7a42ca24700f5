import type { Standing } from '../../shelf/assistant';
import type { BathRule, Method, Param, PhaseTemplate, Ref, StepTemplate } from '../method';

/** Short words for writing the library down: figures stay readable as a table, defaults stand in one place. */

export const p = (key: string, label: string, unit: string, usual: number | null, min: number, max: number, standing: Standing = 'practice'): Param => ({
  key,
  label,
  unit,
  usual,
  min,
  max,
  standing,
});
export const at = (param: string) => ({ param });
export const exactly = (param: string) => ({ min: at(param), typical: at(param), max: at(param) });
export const span = (min: Ref, typical: Ref, max: Ref) => ({ min, typical, max });

export const charge = (minutes: Ref, act: string): PhaseTemplate => ({ kind: 'charge', minutes, act });
export const lift = (minutes: number, act: string): PhaseTemplate => ({ kind: 'lift', minutes, act });
export const soak = (min: Ref, typical: Ref, max: Ref, checkEveryMin: Ref | null = null): PhaseTemplate => ({
  kind: 'soak',
  minutes: span(min, typical, max),
  checkEveryMin,
});
export const until = (min: Ref, typical: Ref, max: Ref, checkEveryMin: Ref, criterion: string): PhaseTemplate => ({
  kind: 'until',
  minutes: span(min, typical, max),
  checkEveryMin,
  criterion,
});
export const rest = (min: Ref, typical: Ref, max: Ref): PhaseTemplate => ({ kind: 'rest', minutes: span(min, typical, max), overnightOk: true });
export const raise = (gently: boolean): PhaseTemplate => ({ kind: 'raise', toC: at('lowC'), maxRateCPerMin: gently ? at('rateCPerMin') : null });
/** A hold in the band of the parameters lowC to highC, for holdMin. */
export const hold = (stirEveryMin: Ref | null, flipAtMin: Ref | null = null): PhaseTemplate => ({
  kind: 'hold',
  lowC: at('lowC'),
  highC: at('highC'),
  ceilingC: at('ceilingC'),
  minutes: exactly('holdMin'),
  stirEveryMin,
  flipAtMin,
});

export const rateParam = p('rateCPerMin', 'heat no faster than', '°C/min', 1, 0.2, 5);
export const waterParam = (usual: number | null, standing: Standing = 'estimate') =>
  p('waterMlPerG', 'water per gram of fibre', 'mL/g', usual, 1, 200, standing);
/** Where the pH of the bath shall be; a method that knows none leaves it to the dyer. */
export const phParams = (low: number | null, high: number | null): Param[] => [
  p('phLow', 'pH aim, from', 'pH', low, 0, 14),
  p('phHigh', 'pH aim, up to', 'pH', high, 0, 14),
];
export const phAim = { low: at('phLow'), high: at('phHigh') };

export const perG: BathRule = { mLPerG: at('waterMlPerG') };

/** Band, ceiling and length of a hold. */
/**
 * Figures of a hold. Few practices give a band in degrees: it is our estimate unless it is said to be theirs; how long is
 * held is often known better than how hot.
 */
export const heat = (
  lowC: number,
  highC: number,
  ceilingC: number,
  holdMin: number | null,
  holdStanding: Standing = 'practice',
  most = 1440,
  bandStanding: Standing = 'estimate',
): Param[] => [
  p('lowC', 'hold from', '°C', lowC, 20, 105, bandStanding),
  p('highC', 'hold up to', '°C', highC, 20, 105, bandStanding),
  p('ceilingC', 'never above', '°C', ceilingC, 30, 105, bandStanding),
  p('holdMin', 'hold', 'min', holdMin, 1, most, holdStanding),
];

type StepFields = Pick<StepTemplate, 'key' | 'kind' | 'title' | 'phases'> & Partial<StepTemplate>;
export const step = (fields: StepFields): StepTemplate => ({
  where: 'any',
  lots: 'in',
  liquor: 'own',
  bath: null,
  additions: [],
  lookFor: null,
  treatment: null,
  lid: 'none',
  still: false,
  ...fields,
});

type MethodFields = Pick<Method, 'id' | 'name' | 'stage' | 'school' | 'why' | 'steps'> & Partial<Method>;
export const method = (fields: MethodFields): Method => ({
  version: 1,
  needsDyestuff: false,
  form: null,
  params: [],
  cautions: [],
  copyOf: null,
  ...fields,
});
