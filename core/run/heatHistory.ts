import { bathIdAt } from '../bath/bath';
import { knownValue } from '../figure';
import { boilingC } from '../heat/boiling';
import type { HeatSetting, LearntPot, PotHistory } from '../heat/fitPot';
import { metalJPerK, ROOM_C } from '../heat/losses';
import type { Reading } from '../hold/credit';
import { wattUnder } from '../kitchen/home';
import type { Plan, PlanStep } from '../plan/plan';
import { bathBalance } from './bathActs';
import type { StepClock } from './clock';
import type { RunState, StepState } from './fold';
import { weightOf } from './weightOf';

/** Specific heat of dry fibre, J/gK (from memory, wool and cotton 1.3 to 1.4). */
const FIBRE_J_PER_GK = 1.4;
/** Of a vessel of which nobody said how full it is. */
const USUALLY_FULL = 0.7;

type OfPlan = Pick<Plan, 'steps' | 'lots' | 'own' | 'draft' | 'home' | 'vessels'>;

/** What the log says of a pot on its heat, for its forecast; null where it is none, or is not on the heat. */
export function heatHistory(
  plan: OfPlan,
  run: RunState,
  step: PlanStep,
  state: StepState,
  clock: StepClock,
  readings: readonly Reading[],
  learnt: LearntPot | null,
  nowMs: number,
): PotHistory | null {
  const vessel = plan.vessels.find(({ id }) => id === (state.vesselId ?? step.vesselId));
  if (!vessel?.litres) return null;
  const settings = heatSettings(step, state, clock, volumesOf(plan, run, step, nowMs), USUALLY_FULL * vessel.litres);
  const fromMs = settings.find(({ name }) => name !== null)?.atMs;
  if (fromMs === undefined) return null;
  const goodsG = step.lotIds.reduce((sum, id) => sum + (knownValue(weightOf(plan, run, id)) ?? 0), 0);
  return {
    vesselLitres: vessel.litres,
    maxW: wattUnder(plan.home, vessel),
    roomC: ROOM_C,
    boilC: boilingC(plan.home.altitudeM),
    dryJPerK: goodsG * FIBRE_J_PER_GK + metalJPerK(vessel.litres),
    settings,
    readings: readings.filter(({ atMs }) => atMs >= fromMs),
    learnt,
  };
}

export interface VolumeAt {
  readonly atMs: number;
  readonly litres: number;
}

type Turn =
  | { readonly atMs: number; readonly kind: 'phase'; readonly heated: 'raise' | 'hold' | null }
  | { readonly atMs: number; readonly kind: 'pause'; readonly on: boolean }
  | { readonly atMs: number; readonly kind: 'set'; readonly knob: number | null; readonly hasLid: boolean | null }
  | ({ readonly kind: 'volume' } & VolumeAt);

/** How full the pot was and when that changed, as its balance has it; what boils off goes too slowly to tell. */
function volumesOf(plan: OfPlan, run: RunState, step: PlanStep, nowMs: number): VolumeAt[] {
  const bathId = bathIdAt(plan.steps, plan.steps.indexOf(step));
  const lines = bathId === null ? [] : bathBalance(plan, run, bathId, nowMs).lines;
  return lines.flatMap(({ act, afterMl }): VolumeAt[] => (act.kind === 'boiled' || afterMl === null ? [] : [{ atMs: act.atMs, litres: afterMl / 1000 }]));
}

/** How the pot stood, from the log: heat by phases, pauses and the knob; the lid; how full. A knob of which nobody spoke may be turned when a hold begins. */
export function heatSettings(
  step: Pick<PlanStep, 'lid'>,
  state: StepState,
  clock: Pick<StepClock, 'phases'>,
  volumes: readonly VolumeAt[],
  /** As long as nobody knows how full it is, L. */
  usualLitres: number,
): HeatSetting[] {
  const turns: Turn[] = [
    ...clock.phases.map(
      ({ enteredMs, phase }): Turn => ({ atMs: enteredMs, kind: 'phase', heated: phase.kind === 'raise' || phase.kind === 'hold' ? phase.kind : null }),
    ),
    ...state.pauses.flatMap(({ fromMs, toMs }): Turn[] => [
      { atMs: fromMs, kind: 'pause', on: true },
      ...(toMs === null ? [] : [{ atMs: toMs, kind: 'pause', on: false } as const]),
    ]),
    ...state.heat.map((set): Turn => ({ ...set, kind: 'set' })),
    ...volumes.map((one): Turn => ({ ...one, kind: 'volume' })),
  ].toSorted((a, b) => a.atMs - b.atMs);
  let [heated, paused, hasLid]: ['raise' | 'hold' | null, boolean, boolean] = [null, false, step.lid !== 'none'];
  let litres = volumes[0]?.litres ?? usualLitres;
  let knob: number | 'unsaid' | 'unknown' = 'unsaid';
  let unknowns = 0;
  // Most knobs end at ten; only how two settings stand to each other matters much.
  const full = Math.max(10, ...state.heat.map((set) => set.knob ?? 0));
  const settings: HeatSetting[] = [];
  for (const turn of turns) {
    if (turn.kind === 'phase') heated = turn.heated;
    else if (turn.kind === 'pause') paused = turn.on;
    else if (turn.kind === 'volume') litres = turn.litres;
    else {
      hasLid = turn.hasLid ?? hasLid;
      if (turn.knob !== null) knob = turn.knob;
      else if (turn.hasLid === null) [knob, unknowns] = ['unknown', unknowns + 1];
    }
    const isOff = heated === null || paused || knob === 0;
    settings.push({
      atMs: turn.atMs,
      name: isOff ? null : knob === 'unsaid' ? `${heated}` : knob === 'unknown' ? `setting ${unknowns}` : `knob ${knob}`,
      share: typeof knob === 'number' ? knob / full : null,
      hasLid,
      litres: Math.max(0.1, litres),
    });
  }
  return settings;
}
