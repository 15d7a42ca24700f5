import { wofPctOf } from '../dose/dose';
import type { Certainty, StepTreatment, Treatment, TreatmentKind } from '../fibre/passport';
import { estimated, type Figure, knownValue, measured, sumFigures, UNKNOWN } from '../figure';
import type { Plan, PlanStep } from '../plan/plan';
import { shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import type { RunState } from './fold';
import { weightOf } from './weightOf';

/** Leaving something out on purpose is a statement too: it is not the same as nobody knowing. */
const LEFT_OUT: Readonly<Partial<Record<StepTreatment, TreatmentKind>>> = { notScoured: 'scour', noMordant: 'mordant' };

/** What a run really did to one lot: finished steps only, with the percentage that was used, not the planned one. */
export function treatmentsOf(plan: Pick<Plan, 'steps' | 'lots' | 'own'>, runId: string, state: RunState, lotId: string): Treatment[] {
  const shelf = shelfOf(plan.own);
  return plan.steps.flatMap((step) =>
    step.treatment && step.lotIds.includes(lotId) && state.steps[step.id]?.status === 'done'
      ? stepTreatments(step, step.treatment, plan, runId, state, shelf)
      : [],
  );
}

function stepTreatments(step: PlanStep, treatment: StepTreatment, plan: Pick<Plan, 'lots'>, runId: string, state: RunState, shelf: Shelf): Treatment[] {
  const did = state.steps[step.id];
  if (!did) return [];
  const leftOut = LEFT_OUT[treatment];
  const base = {
    kind: leftOut ?? (treatment as TreatmentKind),
    certainty: (leftOut ? 'noneOnPurpose' : 'known') satisfies Certainty as Certainty,
    atMs: did.endedAtMs,
    from: { run: runId, stepId: step.id },
    part: step.part?.label ?? null,
    note: step.title,
  };
  const whole = sumFigures(step.lotIds.map((id) => weightOf(plan, state, id)));
  const dryG = step.part ? partOf(whole, step.part.sharePct) : whole;
  // A scour's liquid is what was done; a splash of acid in a dyebath is not.
  const solids = did.additions.filter((addition) => addition.unit === 'g' || treatment === 'scour');
  const treatments: Treatment[] = [];
  const plant = (treatment === 'dye' || treatment === 'tannin') && step.dyestuffId ? shelf.nameOf(step.dyestuffId) : null;
  if (plant !== null && solids.every((addition) => addition.substance !== step.dyestuffId)) {
    treatments.push({ ...base, id: `${runId}/${step.id}`, substance: plant, wofPct: UNKNOWN });
  } else if (solids.length === 0 || leftOut) {
    treatments.push({ ...base, id: `${runId}/${step.id}`, substance: null, wofPct: UNKNOWN });
  }
  if (leftOut) return treatments;
  for (const addition of solids) {
    treatments.push({
      ...base,
      id: `${runId}/${step.id}/${addition.eventId}`,
      substance: shelf.nameOf(addition.substance),
      wofPct: addition.unit === 'g' ? usedPct(addition.amount, dryG) : UNKNOWN,
    });
  }
  return treatments;
}

function partOf(whole: Figure, sharePct: number | null): Figure {
  const g = knownValue(whole);
  return g === null || sharePct === null ? UNKNOWN : estimated((g * sharePct) / 100);
}

function usedPct(amount: Figure, dryG: Figure): Figure {
  const pct = wofPctOf(knownValue(amount), knownValue(dryG));
  if (pct === null) return UNKNOWN;
  return amount.state === 'measured' && dryG.state === 'measured' ? measured(pct) : estimated(pct);
}
