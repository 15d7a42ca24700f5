import { type Balance, type BathAct, balanceOf, carriedFrom } from '../bath/balance';
import { bathIdAt } from '../bath/bath';
import type { Band } from '../chem/band';
import { knownOf, oneOf } from '../figure';
import { boilingC } from '../heat/boiling';
import { lossL } from '../heat/boilOff';
import { isHeated, type Phase } from '../plan/phase';
import type { Plan, PlanStep } from '../plan/plan';
import { toPour } from '../plan/toPour';
import { shelfOf } from '../shelf/library';
import { amountNow } from './amountNow';
import type { RunState, StepState } from './fold';
import { goodsIn } from './lotMinutes';
import { weightOf } from './weightOf';

type OfPlan = Pick<Plan, 'steps' | 'lots' | 'own' | 'draft' | 'vessels' | 'home'>;

/** Liquid that goods carry when they are lifted and drained, mL for a gram of dry fibre: our estimate, no source. */
const CARRIES_ML_PER_G = 2;
/** Of what is dissolved the goods take so much of it, share: our estimate, no source; nobody measures it at home. */
const TAKEN: Readonly<Record<'mordant' | 'tannin', Band>> = {
  mordant: { low: 0.4, likely: 0.7, high: 0.9 },
  tannin: { low: 0.3, likely: 0.5, high: 0.8 },
};

/** When a step is first heard of; null: nobody did anything there. */
function begunMs({ entered, additions, volumeMl, ph, endedAtMs, status }: StepState): number | null {
  const seen = [entered[0]?.atMs, additions[0]?.atMs, volumeMl[0]?.atMs, ph[0]?.atMs, status === 'done' ? endedAtMs : null];
  const first = Math.min(...seen.map((atMs) => atMs ?? Number.POSITIVE_INFINITY));
  return Number.isFinite(first) ? first : null;
}

/** All that happened to one bath of a run, as its log tells it, in order of time. @param bathId the step that made it */
export function bathActs(plan: OfPlan, state: RunState, bathId: string, nowMs: number): BathAct[] {
  const inIt = plan.steps.filter((_step, index) => bathIdAt(plan.steps, index) === bathId);
  const acts = inIt.flatMap((step) => {
    const did = state.steps[step.id];
    return did && did.status !== 'skipped' && begunMs(did) !== null ? stepActs(plan, state, step, did, nowMs) : [];
  });
  return acts.toSorted((a, b) => a.atMs - b.atMs);
}

/** The same as a balance. */
export const bathBalance = (plan: OfPlan, state: RunState, bathId: string, nowMs: number): Balance => balanceOf(bathActs(plan, state, bathId, nowMs));

function stepActs(plan: OfPlan, state: RunState, step: PlanStep, did: StepState, nowMs: number): BathAct[] {
  const startMs = begunMs(did) ?? nowMs;
  return [
    ...firstWater(plan, state, step, did, startMs, nowMs),
    ...putIn(plan, did),
    ...did.volumeMl.map(({ atMs, value }): BathAct => ({ kind: 'read', mL: value, atMs, isEstimate: false })),
    ...(step.kind === 'strain' && did.endedAtMs !== null ? [{ kind: 'strained', atMs: did.endedAtMs, isEstimate: false } as const] : []),
    ...boiled(plan, step, did, nowMs),
    ...goods(plan, state, step, did),
  ];
}

/** Its own water, as it was logged or else as it was planned; the baths poured into it; a kept bath brought out. */
function firstWater(plan: OfPlan, state: RunState, step: PlanStep, did: StepState, atMs: number, nowMs: number): BathAct[] {
  const poured = (step.pouredFrom ?? []).map((bathId): BathAct => {
    const source = bathBalance(plan, state, bathId, Math.min(nowMs, atMs));
    const what = plan.steps.find(({ id }) => id === bathId)?.title ?? 'another bath';
    return { kind: 'from', what, mL: source.volumeMl, carries: carriedFrom(source), atMs, isEstimate: source.isEstimate };
  });
  if (poured.length > 0) return poured;
  const isOwn = did.additions.some(({ additionId }) => additionId === 'water');
  if (step.kind === 'reuse' && step.liquorId !== null)
    return [
      {
        kind: 'from',
        what: step.title,
        mL: step.water ? oneOf(amountNow(step.water, step, plan, state)) : (step.fit?.filledMl ?? null),
        carries: [],
        atMs,
        isEstimate: true,
      },
    ];
  if (!step.water || isOwn) return [];
  const water = toPour(step.water, step);
  const mL = oneOf(amountNow(water, step, plan, state));
  if (water.substance === 'water') return [{ kind: 'water', mL, isTopUp: false, atMs, isEstimate: true }];
  return [{ kind: 'put', substance: water.substance, amount: mL, unit: 'mL', isMatter: false, atMs, isEstimate: true }];
}

function putIn(plan: OfPlan, did: StepState): BathAct[] {
  const shelf = shelfOf(plan.own);
  return did.additions.flatMap(({ additionId, substance, amount, unit, atMs }): BathAct[] => {
    const value = oneOf(knownOf(amount));
    const isEstimate = amount.state !== 'measured';
    if (value === 0) return [];
    if (substance === 'water') return [{ kind: 'water', mL: unit === 'mL' ? value : null, isTopUp: additionId !== 'water', atMs, isEstimate }];
    return [{ kind: 'put', substance, amount: value, unit, isMatter: shelf.dyestuff(substance) !== undefined, atMs, isEstimate }];
  });
}

/** Over an even rise from a room's 20 °C as much steam goes off as at this share of the way (mean vapour pressure, IAPWS, to 80 up to 95 °C). */
const RAISE_SHARE = 0.6;
const ROOM_C = 20;

/** The one temperature whose steam stands for a phase, °C; null: nobody knows. */
function steamsAtC(phase: Phase): number | null {
  if (phase.kind === 'hold') return phase.bandC?.[1] ?? null;
  if (phase.kind === 'raise' && phase.toC !== null) return ROOM_C + RAISE_SHARE * (phase.toC - ROOM_C);
  return null;
}

/** What boiled off, by how long it was on the heat: the usual loss of such a pot with its lid. */
function boiled(plan: OfPlan, step: PlanStep, did: StepState, nowMs: number): BathAct[] {
  const vesselL = plan.vessels.find(({ id }) => id === (did.vesselId ?? step.vesselId))?.litres ?? null;
  return did.entered.flatMap((entry, i): BathAct[] => {
    const phase = step.phases[entry.phaseIndex];
    if (!phase || !isHeated(phase)) return [];
    const toMs = did.entered[i + 1]?.atMs ?? did.endedAtMs ?? nowMs;
    const pausedMs = did.pauses.reduce((sum, { fromMs, toMs: until }) => sum + Math.max(0, Math.min(until ?? toMs, toMs) - Math.max(fromMs, entry.atMs)), 0);
    const heatMin = Math.max(0, toMs - entry.atMs - pausedMs) / 60_000;
    const boilC = boilingC(plan.home.altitudeM);
    const mL = lossL({ heated: true, heatMin, lid: step.lid, hottestC: steamsAtC(phase), waterMl: null, vesselL, boilC }) * 1000;
    return mL > 0 ? [{ kind: 'boiled', mL, atMs: toMs, isEstimate: true }] : [];
  });
}

/**
 * Lifted goods take liquid along; those that came wet left as much water for it, which is counted then too, so that a bath reads in the
 * meantime as it was made. Of a mordant or tannin they keep a share.
 */
function goods(plan: OfPlan, state: RunState, step: PlanStep, did: StepState): BathAct[] {
  const stretch = goodsIn(step, did);
  if (!stretch || step.lotIds.length === 0) return [];
  const dryG = step.lotIds
    .map((lotId) => oneOf(knownOf(weightOf(plan, state, lotId))))
    .reduce<number | null>((sum, g) => (sum === null || g === null ? null : sum + g), 0);
  const wetMl = dryG === null ? null : dryG * CARRIES_ML_PER_G * (step.part ? (step.part.sharePct ?? 100) / 100 : 1);
  if (wetMl === null) return [];
  const [came, stay] = [cameWet(plan, state, step, did), staysIn(plan, step)];
  const share = step.treatment === 'mordant' || step.treatment === 'tannin' ? TAKEN[step.treatment] : step.treatment === 'iron' ? TAKEN.mordant : null;
  const shelf = shelfOf(plan.own);
  const took =
    share && did.endedAtMs !== null ? did.additions.filter(({ substance }) => ['mordant', 'tannin'].includes(shelf.assistant(substance)?.group ?? '')) : [];
  return [
    ...took.map(({ substance }): BathAct => ({ kind: 'took', substance, share: share as Band, atMs: stretch.toMs, isEstimate: true })),
    ...(stay || did.endedAtMs === null
      ? []
      : [
          { kind: 'out', way: 'goods', what: 'the lifted goods', mL: wetMl, atMs: stretch.toMs, isEstimate: true } as const,
          ...(came ? [{ kind: 'from', what: 'water that the wet goods brought', mL: wetMl, carries: [], atMs: stretch.toMs, isEstimate: true } as const] : []),
        ]),
  ];
}

const sharesLots = (a: Pick<PlanStep, 'lotIds'>, b: Pick<PlanStep, 'lotIds'>): boolean => a.lotIds.some((id) => b.lotIds.includes(id));

/** They were in another bath of this session before, and not dried since. */
function cameWet(plan: OfPlan, state: RunState, step: PlanStep, did: StepState): boolean {
  const index = plan.steps.indexOf(step);
  const before = plan.steps.slice(0, index).filter((one) => {
    const other = state.steps[one.id];
    return (
      sharesLots(one, step) && other !== undefined && other.status !== 'skipped' && begunMs(other) !== null && (begunMs(other) ?? 0) <= (begunMs(did) ?? 0)
    );
  });
  const last = before.at(-1);
  if (!last || last.treatment === 'dry' || last.treatment === 'cure') return false;
  return bathIdAt(plan.steps, plan.steps.indexOf(last)) !== bathIdAt(plan.steps, index);
}

/** The next step with these goods goes on in the same bath. */
function staysIn(plan: OfPlan, step: PlanStep): boolean {
  const index = plan.steps.indexOf(step);
  const next = plan.steps.findIndex((one, i) => i > index && sharesLots(one, step));
  return next >= 0 && bathIdAt(plan.steps, next) === bathIdAt(plan.steps, index);
}
