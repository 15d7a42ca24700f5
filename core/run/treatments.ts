import { bathIdAt } from '../bath/bath';
import { wofPctOf } from '../dose/dose';
import type { Certainty, How, StepTreatment, Treatment, TreatmentKind } from '../fibre/passport';
import { type Figure, figureOf, figureText, isSpan, knownOf, knownValue, leastOf, mostOf, sumFigures, timesKnown, UNKNOWN } from '../figure';
import { creditedMin, type Reading } from '../hold/credit';
import { printAmount, printDuration, printNumber } from '../measure/print';
import type { Plan, PlanStep } from '../plan/plan';
import { shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import { plantWords } from '../shelf/plantDetail';
import { goesByClock, stepClock } from './clock';
import type { LoggedAddition, RunState, StepState } from './fold';
import { goodsIn, hasJoined, lotInMin } from './lotMinutes';
import { readingsOf } from './readings';
import { weightOf } from './weightOf';

/** Leaving something out on purpose is a statement too: it is not the same as nobody knowing. */
const LEFT_OUT: Readonly<Partial<Record<StepTreatment, TreatmentKind>>> = { notScoured: 'scour', noMordant: 'mordant' };

type TreatPlan = Pick<Plan, 'steps' | 'lots' | 'own' | 'vessels'>;
/** What probes read, by vessel. */
type Probed = Readonly<Record<string, readonly Reading[]>>;

/** What was measured of the bath of a step. */
export type Measured = Pick<How, 'heldMin' | 'hottestC' | 'ph' | 'bathMl'>;

/**
 * What a run really did to one lot: finished steps only, with what was logged, not what was planned.
 * @param measured by step, `measuredIn`; null: nobody asked the probes, so that nothing is said of temperatures
 */
export function treatmentsOf(
  plan: TreatPlan,
  runId: string,
  state: RunState,
  lotId: string,
  measured: Readonly<Record<string, Measured>> | null = null,
): Treatment[] {
  const shelf = shelfOf(plan.own);
  return plan.steps.flatMap((step, index) => {
    const did = state.steps[step.id];
    if (did?.status !== 'done' || !step.lotIds.includes(lotId)) return [];
    return stepTreatments(step, index, plan, runId, state, shelf, lotId, measured?.[step.id] ?? measuredOf(step, did, null));
  });
}

/** By finished step: what was measured of its bath. @param probed what probes read, by vessel */
export const measuredIn = (plan: Pick<Plan, 'steps'>, state: RunState, probed: Probed): Record<string, Measured> =>
  Object.fromEntries(
    plan.steps.flatMap((step) => {
      const did = state.steps[step.id];
      return did?.status === 'done' ? [[step.id, measuredOf(step, did, probed)]] : [];
    }),
  );

/** What kind of treatment a logged substance is by itself, whatever step it was logged on; null for an assistant. */
function kindOf(substance: string, shelf: Shelf): TreatmentKind | null {
  if (shelf.dyestuff(substance)) return 'dye';
  if (substance === 'ironSulfate' || substance === 'ironLiquor') return 'iron';
  return shelf.assistant(substance)?.group === 'mordant' ? 'mordant' : null;
}

/** Kinds that are nothing without something put in. */
const BY_SUBSTANCE: readonly TreatmentKind[] = ['tannin', 'mordant', 'iron', 'dye'];

function stepTreatments(
  step: PlanStep,
  index: number,
  plan: TreatPlan,
  runId: string,
  state: RunState,
  shelf: Shelf,
  lotId: string,
  measured: Measured,
): Treatment[] {
  const did = state.steps[step.id];
  if (!did) return [];
  const leftOut = step.treatment ? LEFT_OUT[step.treatment] : undefined;
  const kind = leftOut ?? (step.treatment as TreatmentKind | null);
  // Something put in, read or done there is as good as “begun”.
  const seen = did.entered.length > 0 || did.additions.length > 0;
  const base = {
    certainty: (leftOut ? 'noneOnPurpose' : seen ? 'known' : 'unknown') satisfies Certainty as Certainty,
    atMs: did.endedAtMs,
    from: { run: runId, stepId: step.id },
    part: step.part?.label ?? null,
    how: { ...howOf(step, index, did, plan, state, lotId), ...measured },
    note: [seen ? noteOf(step, did, kind) : `${step.title}: ended, and nobody saw it begin`, aloneText(step, did, lotId)].filter(Boolean).join('; '),
  };
  const whole = sumFigures(step.lotIds.map((id) => weightOf(plan, state, id)));
  const dryG = step.part ? partOf(whole, step.part.sharePct) : whole;
  const treatment = (addition: LoggedAddition, as: TreatmentKind, certainty: Certainty = base.certainty): Treatment => ({
    ...base,
    ...(isLeftOut(addition) ? { certainty: 'noneOnPurpose' } : { certainty }),
    note: [base.note, isLeftOut(addition) ? 'left out' : wordsOf(addition, plan.steps)].filter(Boolean).join('; '),
    how: { ...base.how, ...preparationOf(addition, plan.steps) },
    kind: as,
    id: `${runId}/${step.id}/${addition.eventId}`,
    substance: shelf.nameOf(addition.substance),
    wofPct: addition.unit === 'g' ? usedPct(addition.amount, dryG) : UNKNOWN,
  });
  const asWhole = (substance: string | null, certainty: Certainty, note = base.note, nth = ''): Treatment[] =>
    kind === null ? [] : [{ ...base, kind, certainty, note, id: `${runId}/${step.id}${nth}`, substance, wofPct: UNKNOWN }];
  const inBath = bathAdditions(plan.steps, index, state);
  const plants = inBath.filter((addition) => shelf.dyestuff(addition.substance));
  // What belongs to another kind than the step's own stands for itself: a dye logged on a rest, iron in a dyebath.
  // Laid for a step that was done since, it is told there.
  const isToldLater = plan.steps
    .slice(index + 1)
    .some((later) => later.treatment === 'dye' && laidFor(step, later) && state.steps[later.id]?.status === 'done');
  const strays = (isToldLater ? [] : did.additions).flatMap((addition) => {
    const own = kindOf(addition.substance, shelf);
    const asPlanned = own === kind || (own === 'iron' && kind === 'mordant') || (own === 'dye' && kind === 'tannin');
    return own === null || asPlanned ? [] : [treatment(addition, own, seen ? 'known' : 'unknown')];
  });
  if (kind === null || leftOut) return [...asWhole(null, base.certainty), ...strays];
  if (kind === 'dye' || (kind === 'tannin' && plants.length > 0)) {
    if (plants.length > 0) return [...plants.map((addition) => treatment(addition, kind)), ...strays];
    // Nobody logged the plant: what the plan named is believed, a kept liquor is what it is.
    const named = step.dyestuffIds ?? (step.dyestuffId ? [step.dyestuffId] : []);
    const sure = named.length > 0 && step.liquorId === null && base.certainty === 'known' ? 'believed' : base.certainty;
    const [first, ...more] = named.map((one) => shelf.nameOf(one));
    return [...asWhole(first ?? null, sure), ...more.flatMap((name, i) => asWhole(name, sure, base.note, `/${i + 2}`)), ...strays];
  }
  // A scour's liquid and a modifier's splash are what was done; a splash of acid in a mordant is not.
  const byAnyUnit = kind === 'scour' || kind === 'modifier' || kind === 'iron';
  const own = did.additions.filter((addition) => (byAnyUnit || addition.unit === 'g') && !strays.some((stray) => stray.id.endsWith(`/${addition.eventId}`)));
  if (own.length > 0) return [...own.map((addition) => treatment(addition, kind)), ...strays];
  const nothingIn = BY_SUBSTANCE.includes(kind) && step.additions.length > 0;
  return [...(nothingIn ? asWhole(null, 'unknown', `${step.title}: nothing was logged as put in`) : asWhole(null, base.certainty)), ...strays];
}

/** In which vessel, for how long, and the how many-th use of its bath. */
function howOf(step: PlanStep, index: number, did: StepState, plan: TreatPlan, state: RunState, lotId: string): How {
  const inMin = lotInMin(step, did, lotId);
  const place = plan.vessels.find((vessel) => vessel.id === did.vesselId)?.name;
  const bathId = bathIdAt(plan.steps, index);
  const dyes = step.treatment === 'dye' && bathId !== null;
  const before = dyes
    ? plan.steps.slice(0, index).filter((one, i) => one.treatment === 'dye' && bathIdAt(plan.steps, i) === bathId && state.steps[one.id]?.status === 'done')
    : [];
  return {
    methodId: step.methodId,
    ...(dyes ? { draw: before.length + 1, ...toppedUp(bathAdditions(plan.steps, index, state)) } : {}),
    ...(place ? { place } : {}),
    ...(inMin === null ? {} : { inMin: Math.round(inMin * 10) / 10 }),
    ...rolledAs(plan.steps.filter((one) => one === step || laidFor(one, step)).flatMap((one) => state.steps[one.id]?.rolled ?? [])),
  };
}

/** Water poured in beside what the bath was made with; how much of one nobody measured, nobody knows of all. */
function toppedUp(inBath: readonly LoggedAddition[]): Pick<How, 'toppedUpMl'> {
  const poured = inBath.filter(({ substance, additionId }) => substance === 'water' && additionId !== 'water');
  const toppedUpMl = poured.reduce((sum, { amount, unit }) => sum + (unit === 'mL' ? (knownValue(amount) ?? Number.NaN) : Number.NaN), 0);
  return Number.isNaN(toppedUpMl) ? {} : { toppedUpMl };
}

/** How the bundle was rolled that was dyed there. */
function rolledAs(said: readonly NonNullable<StepState['rolled']>[]): Pick<How, 'rolled' | 'barrier'> {
  const [tightness, hasBarrier] = [said.findLast((one) => one.tightness !== null)?.tightness, said.findLast((one) => one.hasBarrier !== null)?.hasBarrier];
  return { ...(tightness ? { rolled: tightness } : {}), ...(hasBarrier == null ? {} : { barrier: hasBarrier ? 'used' : 'none' }) };
}

/** What was measured of its bath; what nobody read is left out. */
function measuredOf(step: PlanStep, did: StepState, probed: Probed | null): Measured {
  const [ph, bathMl] = [did.ph.at(-1)?.value, did.volumeMl.at(-1)?.value];
  const clock = probed && did.endedAtMs !== null ? stepClock(step, did, readingsOf(step, did, probed), did.endedAtMs) : null;
  const credits = clock?.phases.flatMap(({ credit }) => (credit && !goesByClock(credit) ? [creditedMin(credit)] : [])) ?? [];
  return {
    ...(credits.length === 0 ? {} : { heldMin: Math.round(credits.reduce((sum, min) => sum + min, 0) * 10) / 10 }),
    ...(clock?.highestC == null ? {} : { hottestC: Math.round(clock.highestC * 10) / 10 }),
    ...(ph === undefined ? {} : { ph }),
    ...(bathMl === undefined ? {} : { bathMl }),
  };
}

function preparationOf(addition: LoggedAddition, steps: readonly PlanStep[]): Pick<How, 'preparation'> {
  const planned = steps.flatMap((step) => step.additions).find((one) => one.id === addition.additionId && one.substance === addition.substance);
  const words = planned?.detail ? plantWords(planned.detail) : '';
  return words ? { preparation: words } : {};
}

/** Nothing of it, on purpose: it was planned, or thought of, and left out. */
export const isLeftOut = (addition: Pick<LoggedAddition, 'amount'>): boolean => knownOf(addition.amount) === 0;

/** How much of a plant, where it was not weighed, and what it was like: a hand or a cup gives no percent. */
function wordsOf(addition: LoggedAddition, steps: readonly PlanStep[]): string {
  const much = addition.unit === 'g' || addition.amount.state === 'unknown' ? '' : figureText(addition.amount, (value) => printAmount(value, addition.unit));
  return [much, preparationOf(addition, steps).preparation].filter(Boolean).join(', ');
}

/** Everything logged into the bath that a step works in, up to and with that step. */
function bathAdditions(steps: readonly PlanStep[], index: number, state: RunState): LoggedAddition[] {
  const bathId = bathIdAt(steps, index);
  const own = steps[index];
  return steps.slice(0, index + 1).flatMap((step, i) => {
    const isSame = step === own || (bathId !== null && bathIdAt(steps, i) === bathId) || (own !== undefined && laidFor(step, own));
    return isSame ? (state.steps[step.id]?.additions ?? []) : [];
  });
}

/** Plants that were laid on the goods dry, to be dyed with by a later step of the same way of working: a bundle and its steam. */
const laidFor = (laid: PlanStep, dyes: PlanStep): boolean =>
  laid !== dyes && laid.treatment === null && !laid.bathId && laid.methodId === dyes.methodId && laid.lotIds.some((id) => dyes.lotIds.includes(id));

/** A lot that was lifted before the others says how long it was in. */
function aloneText(step: PlanStep, did: StepState, lotId: string): string {
  if (!did.lotMoves.some((move) => move.lotId === lotId)) return '';
  const min = lotInMin(step, did, lotId);
  const how = hasJoined(did, lotId) ? 'added later' : 'lifted alone';
  return min === null ? how : `${how}: ${printDuration(min)} in`;
}

/** A modifier lives by its minutes and its pH. */
function noteOf(step: PlanStep, did: StepState, kind: TreatmentKind | null): string {
  if (kind !== 'modifier') return step.title;
  const stretch = goodsIn(step, did);
  const minutes = stretch ? printDuration((stretch.toMs - stretch.fromMs) / 60_000) : 'minutes not seen';
  const ph = did.ph.at(-1);
  return `${step.title}: ${minutes}, ${ph ? `pH ${printNumber(ph.value)}` : 'pH not measured'}`;
}

function partOf(whole: Figure, sharePct: number | null): Figure {
  if (sharePct === null) return UNKNOWN;
  return figureOf(timesKnown(knownOf(whole), sharePct / 100), 'estimated');
}

function usedPct(amount: Figure, dryG: Figure): Figure {
  const [used, fibre] = [knownOf(amount), knownOf(dryG)];
  const [least, most] = [wofPctOf(leastOf(used), mostOf(fibre)), wofPctOf(mostOf(used), leastOf(fibre))];
  if (used === null || fibre === null || least === null) return UNKNOWN;
  return figureOf(isSpan(used) || isSpan(fibre) ? { least, most } : least, amount.state === 'measured' && dryG.state === 'measured' ? 'measured' : 'estimated');
}
