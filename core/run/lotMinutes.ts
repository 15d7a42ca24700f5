import type { PlanStep } from '../plan/plan';
import type { StepState } from './fold';

/** The stretch in which goods are in a step: from the end of setting up until they are lifted. Null while nobody saw either. */
export function goodsIn(step: Pick<PlanStep, 'phases'>, did: Pick<StepState, 'entered' | 'endedAtMs'>): { fromMs: number; toMs: number } | null {
  const fromMs = did.entered.find((entry) => step.phases[entry.phaseIndex]?.kind !== 'charge')?.atMs;
  const toMs = did.entered.find((entry) => step.phases[entry.phaseIndex]?.kind === 'lift')?.atMs ?? did.endedAtMs;
  return fromMs !== undefined && toMs !== null && toMs > fromMs ? { fromMs, toMs } : null;
}

/** It came into a step that was under way, from nowhere: nobody had planned it there. */
export const hasJoined = ({ lotMoves }: Pick<StepState, 'lotMoves'>, lotId: string): boolean =>
  lotMoves.some((move) => move.lotId === lotId && move.joined === true);

/** Minutes that one lot was in, less those in which it alone was out; null while nobody saw. */
export function lotInMin(step: Pick<PlanStep, 'phases'>, did: Pick<StepState, 'entered' | 'endedAtMs' | 'lotMoves'>, lotId: string): number | null {
  const stretch = goodsIn(step, did);
  if (!stretch) return null;
  const moves = did.lotMoves.filter((one) => one.lotId === lotId);
  let [inMs, sinceMs] = [0, hasJoined(did, lotId) ? null : (stretch.fromMs as number | null)];
  for (const move of moves) {
    const atMs = Math.min(Math.max(move.atMs, stretch.fromMs), stretch.toMs);
    if (move.isOut && sinceMs !== null) {
      inMs += atMs - sinceMs;
      sinceMs = null;
    } else if (!move.isOut) sinceMs ??= atMs;
  }
  return (inMs + (sinceMs === null ? 0 : stretch.toMs - sinceMs)) / 60_000;
}
