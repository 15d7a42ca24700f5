import { wofPctOf } from '../dose/dose';
import type { Treatment } from '../fibre/passport';
import { estimated, type Figure, knownValue, measured, sumFigures, UNKNOWN } from '../figure';
import type { Plan } from '../plan/plan';
import { substanceName } from '../shelf/substances';
import type { RunState } from './fold';

/** What a run really did to one lot: finished steps only, with the percentage that was used, not the planned one. */
export function treatmentsOf(plan: Pick<Plan, 'steps' | 'lots'>, runId: string, state: RunState, lotId: string): Treatment[] {
  const treatments: Treatment[] = [];
  for (const step of plan.steps) {
    const did = state.steps[step.id];
    if (!step.treatment || !step.lotIds.includes(lotId) || did?.status !== 'done') continue;
    const base = { kind: step.treatment, certainty: 'known' as const, atMs: did.endedAtMs, from: { run: runId, stepId: step.id } };
    const dryG = sumFigures(step.lotIds.map((id) => weightOf(plan, state, id)));
    const solids = did.additions.filter((addition) => addition.unit === 'g');
    if (step.treatment === 'dye' && step.dyestuffId) {
      treatments.push({ ...base, id: `${runId}/${step.id}`, substance: substanceName(step.dyestuffId), wofPct: UNKNOWN, note: step.title });
    } else if (solids.length === 0) {
      treatments.push({ ...base, id: `${runId}/${step.id}`, substance: null, wofPct: UNKNOWN, note: step.title });
    }
    for (const addition of solids) {
      treatments.push({
        ...base,
        id: `${runId}/${step.id}/${addition.eventId}`,
        substance: substanceName(addition.substance),
        wofPct: usedPct(addition.amount, dryG),
        note: step.title,
      });
    }
  }
  return treatments;
}

/** Weight of a lot as the run knows it: weighed during the run, else as planned. */
export function weightOf(plan: Pick<Plan, 'lots'>, state: Pick<RunState, 'lotWeightsG'>, lotId: string): Figure {
  const weighed = state.lotWeightsG[lotId];
  if (weighed !== undefined) return measured(weighed);
  return plan.lots.find((lot) => lot.id === lotId)?.dryWeightG ?? UNKNOWN;
}

function usedPct(amount: Figure, dryG: Figure): Figure {
  const pct = wofPctOf(knownValue(amount), knownValue(dryG));
  if (pct === null) return UNKNOWN;
  return amount.state === 'measured' && dryG.state === 'measured' ? measured(pct) : estimated(pct);
}
