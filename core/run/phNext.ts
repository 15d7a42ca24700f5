import { type Band, bandOf, exactly } from '../chem/band';
import { asAt25 } from '../chem/constants';
import { type BathNow, doseFor, forecast, isOddStrip, type Learnt, learnBuffer, type PhForecast } from '../chem/forecast';
import { isLiquid, isSlow, movesPh } from '../chem/freed';
import { hasProtein } from '../fibre/lot';
import { type Figure, knownOf, oneOf } from '../figure';
import { type AmountUnit, printAmount, printNumber } from '../measure/print';
import { phAimText, phStanding, WOOL_STOPS_PH } from '../plan/phAim';
import { bathC, middleOf, productFactor, strengthOf, tapOf, tapPhOf, VOLUME_OFF_PCT } from '../plan/phGiven';
import { amountOf, type Plan, type PlanStep } from '../plan/plan';
import type { Finding } from '../safety/finding';
import type { StepState } from './fold';

/** What is about to go in. */
export interface Pouring {
  readonly substance: string;
  readonly amount: Figure;
  readonly unit: AmountUnit;
}

type Of = Pick<Plan, 'labels' | 'draft' | 'home'> & { readonly lots?: Plan['lots'] };
type At = Pick<PlanStep, 'id' | 'water' | 'phAim' | 'additions'> & Partial<Pick<PlanStep, 'kind' | 'lotIds' | 'phases'>>;

/** An amount in the unit and the form that the sum wants: mL of a liquid, g of the recipe's powder; null where it is not known, or said in another. */
function amountBand(plan: Of, { substance, amount, unit }: Pouring): Band | null {
  const said = movesPh(substance) && unit === (isLiquid(substance) ? 'mL' : 'g') ? bandOf(knownOf(amount)) : null;
  const per = productFactor(substance, plan);
  return said && { low: said.low / per.high, likely: said.likely / per.likely, high: said.high / per.low };
}

/** As it was read last, or planned, with every liquid that went in since; null where neither is known. */
function volumeNow(step: At, state: StepState): number | null {
  const read = state.volumeMl.at(-1);
  const begunMl = read?.value ?? (step.water ? amountOf(step.water) : null);
  if (begunMl === null) return null;
  const poured = state.additions.filter(({ unit, additionId, atMs }) => unit === 'mL' && additionId !== 'water' && (!read || atMs > read.atMs));
  return poured.reduce((sum, { amount }) => sum + (oneOf(knownOf(amount)) ?? 0), begunMl);
}

/** As it was read last, °C; else as hot as it is planned. */
const tempNow = (step: At, state: StepState): number => state.typedC.at(-1)?.bathC ?? bathC(step.phases ?? []);

/** Tap water and what moves its pH, nothing of a plant: what it comes to can be told before any strip. */
const isPlainWater = ({ kind, water, additions }: At, state: StepState): boolean =>
  kind === 'modifier' &&
  water?.substance === 'water' &&
  [...additions, ...state.additions].every(({ substance }) => movesPh(substance) || substance === 'water');

/**
 * The bath as its strips know it: it stands where the last one said, and gives and takes what was seen between them. Null where nobody
 * measured it (but for plain water), where its volume is not known, or where something of unknown amount went in since.
 */
export function bathByStrips(
  plan: Of,
  step: At,
  state: StepState,
): { readonly bath: BathNow; readonly since: readonly Pouring[]; readonly taught: number } | null {
  const last = state.ph.at(-1);
  const volumeMl = bandOf(volumeNow(step, state), VOLUME_OFF_PCT);
  if (!volumeMl || (!last && !isPlainWater(step, state))) return null;
  const acting = state.additions.filter(({ substance }) => movesPh(substance));
  const since = last ? acting.filter(({ atMs }) => atMs > last.atMs) : acting;
  if (since.some((one) => amountBand(plan, one) === null)) return null;
  const bare = { volumeMl, alkalinityMgL: tapOf(plan.home).band, tapPh: tapPhOf(plan.home), tempC: tempNow(step, state) };
  const readings = state.ph.flatMap((after, i): Learnt[] => {
    const before = state.ph[i - 1];
    const between = before ? acting.filter(({ atMs }) => atMs > before.atMs && atMs <= after.atMs) : [];
    const added = between.flatMap((one) => {
      const amount = amountBand(plan, one);
      return amount === null ? [] : [{ substance: one.substance, amount: amount.likely, strengthPct: strengthOf(one.substance, plan).likely }];
    });
    if (!before || between.length === 0 || added.length < between.length) return [];
    // Without the ranges: it is asked with each letter typed, and only whether the strip is far off.
    const then: BathNow = {
      volumeMl: exactly(volumeMl.likely),
      alkalinityMgL: exactly(bare.alkalinityMgL.likely),
      tapPh: exactly(bare.tapPh.likely),
      tempC: bare.tempC,
      measuredPh: before.value,
      buffer: [],
    };
    const [stood, comes] = [
      forecast(then, []),
      forecast(
        then,
        added.map((one) => ({ ...one, amount: exactly(one.amount), strengthPct: exactly(one.strengthPct) })),
      ),
    ];
    // What is questioned teaches nothing: the bath is only taken to stand where it says.
    if (stood.ok && comes.ok && isOddStrip(stood.ph, comes.ph, after.value)) return [];
    return [{ phBefore: before.value, phAfter: after.value, added }];
  });
  return { bath: { ...bare, measuredPh: last?.value ?? null, buffer: learnBuffer(bare, readings) }, since, taught: readings.length };
}

/** The pH after something more goes in; null where it has no part in it, or nobody can tell. */
export function phAfter(plan: Of, step: At, state: StepState | undefined, pouring: Pouring): PhForecast | null {
  const found = state && amountBand(plan, pouring) ? bathByStrips(plan, step, state) : null;
  if (!found) return null;
  const one = (of: Pouring, isExact: boolean) => {
    const amount = amountBand(plan, of);
    const strengthPct = strengthOf(of.substance, plan);
    if (!amount) return [];
    return [{ substance: of.substance, amount: isExact ? exactly(amount.likely) : amount, strengthPct: isExact ? exactly(strengthPct.likely) : strengthPct }];
  };
  // What went in since the last strip is taken as it was logged: the range is of what is asked about.
  return forecast(found.bath, [...found.since.flatMap((since) => one(since, true)), ...one(pouring, false)]);
}

const about = (ph: number): string => ph.toFixed(1);

/** Said while an amount is typed: where the bath comes to with it; a caution where it would go through its aim. */
export function pouringPh(plan: Of, step: At, state: StepState | undefined, pouring: Pouring): Finding[] {
  const after = phAfter(plan, step, state, pouring);
  const before = state?.ph.at(-1)?.value;
  if (!after?.ok) return [];
  const { low, likely, high } = after.ph;
  const slow = isSlow(pouring.substance) ? ' It dissolves slowly: stir it up, wait, read again.' : '';
  const says = `With this the bath comes to about pH ${about(likely)}${about(low) === about(high) ? '' : ` (${about(low)} to ${about(high)})`}.${slow}`;
  const { phAim } = step;
  if (state && asAt25(likely, tempNow(step, state)) >= WOOL_STOPS_PH && isAnimal(plan, step))
    return [
      {
        rule: 'pH',
        severity: 'caution',
        stepId: step.id,
        text: `${says} Above about pH ${WOOL_STOPS_PH} wool stops taking and silk is harmed: use a pinch, stir, measure.`,
      },
    ];
  if (!phAim) return [{ rule: 'pH', severity: 'note', stepId: step.id, text: says }];
  if (phStanding(phAim, likely) !== 'overshot' || (before !== undefined && phStanding(phAim, before) === 'overshot'))
    return [{ rule: 'pH', severity: 'note', stepId: step.id, text: `${says} The aim is ${phAimText(phAim)}.` }];
  const dose = nextDose(plan, step, state, pouring.substance);
  const less = dose ? ` About ${printAmount(dose.all.likely, pouring.unit)} is enough: half of it first.` : ' Take less, and measure.';
  return [{ rule: 'pH', severity: 'caution', stepId: step.id, text: `${says} That overshoots ${phAimText(phAim)}.${less}` }];
}

const isAnimal = ({ lots = [] }: Of, { lotIds = [] }: At): boolean => lots.some(({ id, composition }) => lotIds.includes(id) && hasProtein(composition));

/** A strip that the chemistry cannot give, said before it is believed. */
export function oddStrip(plan: Of, step: At, state: StepState | undefined, ph: number): Finding[] {
  const found = state ? bathByStrips(plan, step, state) : null;
  if (!found || found.since.length === 0) return [];
  const added = found.since.flatMap((one) => {
    const amount = amountBand(plan, one);
    return amount ? [{ substance: one.substance, amount, strengthPct: strengthOf(one.substance, plan) }] : [];
  });
  const [stood, comes] = [forecast(found.bath, []), forecast(found.bath, added)];
  if (!stood.ok || !comes.ok) return [];
  if (!isOddStrip(stood.ph, comes.ph, ph)) return [];
  const text = `By the sum what went in brings it to about pH ${about(comes.ph.likely)}; ${printNumber(ph)} cannot come of it alone. Read a second strip, in daylight, before you believe it.`;
  return [{ rule: 'odd strip', severity: 'caution', stepId: step.id, text }];
}

/** How much more of a substance brings the bath into the middle of its aim; null where it is there, or nobody can tell. */
export function nextDose(plan: Of, step: At, state: StepState | undefined, substance: string): { readonly all: Band; readonly unit: AmountUnit } | null {
  const found = state ? bathByStrips(plan, step, state) : null;
  if (found?.bath.measuredPh == null || found.since.length > 0 || !step.phAim || !movesPh(substance)) return null;
  if (phStanding(step.phAim, found.bath.measuredPh) !== 'notYet') return null;
  const dose = doseFor(found.bath, { substance, strengthPct: strengthOf(substance, plan) }, middleOf(step.phAim));
  // No finer than a strip can tell.
  const round = (value: number): number => Number(value.toPrecision(2));
  const per = productFactor(substance, plan);
  return dose.ok
    ? {
        all: { low: round(dose.amount.low * per.low), likely: round(dose.amount.likely * per.likely), high: round(dose.amount.high * per.high) },
        unit: isLiquid(substance) ? 'mL' : 'g',
      }
    : null;
}

/** Said beside a strip that is about to be written down: how much more of what this step takes; empty where nobody can tell. */
export function doseSaid(plan: Of, step: At, state: StepState | undefined, ph: number, atMs: number): string {
  const own = step.additions.find(({ substance }) => movesPh(substance));
  if (!own || !state) return '';
  const dose = nextDose(plan, step, { ...state, ph: [...state.ph, { atMs, value: ph }] }, own.substance);
  if (!dose || dose.all.likely <= 0) return '';
  const { low, likely, high } = dose.all;
  const print = (value: number): string => printAmount(value, dose.unit);
  return `by the sum about ${print(likely)} more ${own.name}${low === high ? '' : ` (${print(low)} to ${print(high)})`}: half of it, stir, measure`;
}
