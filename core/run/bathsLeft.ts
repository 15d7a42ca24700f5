import { bathIdAt } from '../bath/bath';
import { type Figure, figureOf, measured } from '../figure';
import { type Plan, type PlanStep, plannedKnown } from '../plan/plan';
import { LEFT_OVER_WORD, type LeftOver } from '../shelf/assistant';
import { shelfOf } from '../shelf/library';
import type { RunState } from './fold';

/** A bath that stands there when its last step is done: kept, or poured away with a thought. */
export interface BathLeft {
  readonly stepId: string;
  readonly title: string;
  readonly vesselId: string | null;
  /** A dye liquor may be kept; a scour or rinse is only poured away. */
  readonly dyestuffId: string | null;
  readonly volumeMl: Figure;
  readonly ph: number | null;
  readonly doneAtMs: number;
  /** Where it goes, strictest first; one line each. */
  readonly pour: readonly string[];
}

const STRICT: readonly LeftOver[] = ['W2', 'W3', 'W1', 'W4'];

/** Baths of a run, each once at its last finished step. What went into it by the log decides where it may go (R30). */
export function bathsLeft(plan: Pick<Plan, 'steps' | 'own'>, state: RunState): BathLeft[] {
  const shelf = shelfOf(plan.own);
  const last = new Map<string, { step: PlanStep; substances: Set<string>; ph: number | null }>();
  plan.steps.forEach((step, index) => {
    const did = state.steps[step.id];
    const bathId = bathIdAt(plan.steps, index);
    if (did?.status !== 'done' || (step.water === null && step.fit === null) || step.vesselId === null || bathId === null) return;
    const before = last.get(bathId);
    const substances = new Set([...(before?.substances ?? []), ...did.additions.map((addition) => addition.substance)]);
    last.set(bathId, { step, substances, ph: did.ph.at(-1)?.value ?? before?.ph ?? null });
  });
  return [...last.values()].map(({ step, substances, ph }): BathLeft => {
    const did = state.steps[step.id];
    const read = did?.volumeMl.at(-1)?.value;
    const planned = step.water ? plannedKnown(step.water) : (step.fit?.filledMl ?? null);
    const ways = new Set([...substances].flatMap((id) => shelf.assistant(id)?.leftOver ?? []));
    if (ph !== null && (ph < 6 || ph > 9)) ways.add('W3');
    if (ways.size === 0) ways.add('W1');
    return {
      stepId: step.id,
      title: step.title,
      vesselId: did?.vesselId ?? step.vesselId,
      dyestuffId: step.dyestuffId,
      volumeMl: read !== undefined ? measured(read) : figureOf(planned, 'estimated'),
      ph,
      doneAtMs: did?.endedAtMs ?? 0,
      pour: STRICT.filter((way) => ways.has(way)).map((way) => LEFT_OVER_WORD[way]),
    };
  });
}
