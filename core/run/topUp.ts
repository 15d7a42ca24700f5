import { WATER_J_PER_KG_K } from '../heat/losses';
import { mixedC } from '../heat/potModel';
import type { Printer } from '../measure/printer';
import type { Plan, PlanStep } from '../plan/plan';
import { TAP_C } from '../plan/resolvePhases';
import { bathVolumeMl } from './bathLine';
import type { RunState } from './fold';

/** A drop that nobody minds, K. Wool that is shocked by more felts (safety handbook R8 speaks of the rise; a fall is as sudden). */
const MINDED_K = 2;

/** What a cold top-up does to a bath, in words; null where nobody knows how much is in it or how warm it is, or it hardly matters. */
export function topUpText(
  plan: Pick<Plan, 'steps' | 'lots' | 'own' | 'draft' | 'vessels' | 'home'>,
  state: RunState,
  step: PlanStep,
  latestC: number | null,
  addedMl: number,
  print: Printer,
  nowMs: number,
): string | null {
  const volumeMl = bathVolumeMl(plan, state, step, nowMs);
  if (latestC === null || volumeMl === null || volumeMl <= 0 || !(addedMl > 0)) return null;
  const c = mixedC((volumeMl / 1000) * WATER_J_PER_KG_K, latestC, (addedMl / 1000) * WATER_J_PER_KG_K, TAP_C);
  if (latestC - c < MINDED_K) return null;
  return `Cold from the tap, it takes the bath from ${print.temperature(Math.round(latestC))} to about ${print.temperature(Math.round(c))}: top up hot.`;
}
