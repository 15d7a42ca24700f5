import { figureText, knownOf, knownText, sumFigures } from '../figure';
import { above } from '../measure/limits';
import { printAmount, printBand, printDuration, printExactDuration, printNumber, printTemperature } from '../measure/print';
import { phAimText, phStanding } from '../plan/phAim';
import { lengthText, type Phase, type SpanMin } from '../plan/phase';
import { type PlannedAmount, type PlanStep, plannedKnown } from '../plan/plan';
import { unreachable } from '../result';
import { amountDifference } from './amountDifference';
import { goesByClock, type PhaseClock, type StepClock } from './clock';
import type { StepState } from './fold';
import { goodsIn, hasJoined, lotInMin } from './lotMinutes';
import { lookDays, missedText } from './missedLooks';
import { asksPh, plannedStirsMin } from './nudges';
import { type Limits, lengthBeyond, shortOf, TOLERANCE } from './tolerance';

/** One planned figure beside what really happened, and the difference in words. */
export interface Comparison {
  readonly stepId: string;
  readonly what: string;
  readonly planned: string;
  readonly actual: string;
  /** The difference in words; null when it went as planned, or when nobody can say. */
  readonly difference: string | null;
  /** Both sides are known: only then may it be said to have gone as planned. */
  readonly seen: boolean;
}

const DAY_MIN = 24 * 60;

type Row = Omit<Comparison, 'stepId'>;
const as = (what: string, planned: string, actual: string, difference: string | null, seen = true): Row => ({ what, planned, actual, difference, seen });

/** Everything planned of a step beside what was done, in the order of the work. */
export function compareStep(
  step: PlanStep,
  state: StepState,
  clock: StepClock,
  printTime: (ms: number) => string,
  nameOf: (substance: string) => string,
  lotNameOf: (lotId: string) => string = (lotId) => lotId,
  zone = 'UTC',
): Comparison[] {
  if (state.status === 'skipped') return [{ stepId: step.id, ...as('step', 'to be done', 'skipped', `Skipped: ${state.skipReason}`) }];
  if (state.status === 'waiting') return [{ stepId: step.id, ...as('start', printTime(step.startMs), 'not begun', null, false) }];
  const beganMs = clock.phases[0]?.enteredMs;
  const start =
    beganMs === undefined
      ? as('step', 'to be done', 'ended without being begun: nobody saw it', null, false)
      : as('start', printTime(step.startMs), printTime(beganMs), lateness((beganMs - step.startMs) / 60_000));
  return [
    start,
    ...step.phases.flatMap((phase, i) => phaseRows(step, phase, i, state, clock, zone)),
    ...amountRows(step, state, nameOf),
    ...rolledRows(step, state),
    ...phRows(step, state, clock),
    ...aloneRows(step, state, lotNameOf),
  ].map((row) => ({ stepId: step.id, ...row }));
}

function phaseRows(step: PlanStep, phase: Phase, index: number, state: StepState, clock: StepClock, zone: string): Row[] {
  const done = clock.phases.find((entry) => entry.index === index);
  const begun = clock.phases.length > 0;
  // Over without having been entered: it may have been done, but nobody saw it.
  if (!done) return begun && state.status === 'done' ? [as(PHASE_WORD[phase.kind], planText(phase), 'not logged', null, false)] : [];
  if (done.leftMs === null && state.endedAtMs === null)
    return [as(PHASE_WORD[phase.kind], planText(phase), `${printDuration(done.elapsedMin)} so far`, null, false)];
  switch (phase.kind) {
    case 'hold':
      return holdRows(phase, done, state, clock);
    case 'dip': {
      const overS = Math.round((done.elapsedMin - phase.exactMin) * 60);
      const difference = Math.abs(overS) <= TOLERANCE.dipS ? null : `The dip ran ${printExactDuration(Math.abs(overS) * 1000)} ${overS > 0 ? 'over' : 'short'}`;
      return [as('the dip', printExactDuration(phase.exactMin * 60_000), printExactDuration(done.elapsedMin * 60_000), difference)];
    }
    case 'soak':
    case 'until':
    case 'rest': {
      const window = step.phaseTimes[index];
      // A rest is planned as long as the schedule drew it out, over a night perhaps; anything from least to most will do.
      const plannedMin = window ? (window.toMs - window.fromMs) / 60_000 : phase.minutes.typical;
      const word = step.kind === 'dry' ? 'drying' : PHASE_WORD[phase.kind];
      const rows = [
        as(word, spanText(plannedMin, phase.minutes), elapsedText(done), spanDifference(`${capital(word)} took`, done.elapsedMin, plannedMin, phase.minutes)),
      ];
      const everyMin = phase.kind === 'rest' ? null : phase.checkEveryMin;
      return everyMin === null ? rows : [...rows, ...lookRows(everyMin, done, state, zone)];
    }
    case 'charge':
    case 'raise':
    case 'lift': {
      const word = PHASE_WORD[phase.kind];
      const off = done.elapsedMin - phase.minutes;
      const clear = above(Math.abs(off), Math.max(TOLERANCE.guessMin, phase.minutes * TOLERANCE.guessShare));
      return [as(word, `about ${printDuration(phase.minutes)}`, elapsedText(done), clear ? longer(`${capital(word)} took`, off) : null)];
    }
    default:
      return unreachable(phase);
  }
}

function holdRows(phase: Extract<Phase, { kind: 'hold' }>, done: PhaseClock, state: StepState, clock: StepClock): Row[] {
  const { credit } = done;
  const { minutes, bandC, ceilingC } = phase;
  const band = bandC ? printBand(bandC) : 'temperature unknown';
  const wanted = `${spanText(minutes.typical, minutes)} at ${band}`;
  const rows: Row[] = [];
  if (!credit || goesByClock(credit)) {
    const difference = spanDifference('Held', done.elapsedMin, minutes.typical, minutes);
    rows.push(as('hold', wanted, `${elapsedText(done)} by the clock, temperature not measured`, difference, difference !== null));
  } else {
    const got = credit.inBandMin + credit.assumedMin;
    const parts = [
      credit.assumedMin >= 1 ? `${printDuration(credit.assumedMin)} of it assumed` : '',
      credit.underMin >= 1 ? `${printDuration(credit.underMin)} under` : '',
      credit.overMin >= 1 ? `${printDuration(credit.overMin)} over` : '',
      credit.unmeasuredMin >= 1 ? `${printDuration(credit.unmeasuredMin)} nobody measured` : '',
      done.pausedMin >= 1 ? `${printDuration(done.pausedMin)} paused` : '',
    ].filter(Boolean);
    // All of it, over pauses and over coming back: what was measured is another figure.
    const onHeatMin = clock.phases.reduce((sum, entry) => sum + (entry.index === done.index ? entry.elapsedMin : 0), 0);
    const isMore = onHeatMin - got >= 1;
    const actual = `${isMore ? `${printDuration(onHeatMin)} on the heat, of it ` : ''}${printDuration(got)} in band${parts.length ? ` (${parts.join(', ')})` : ''}`;
    // Minutes that nobody measured may have been in band: only what is short even with them is short.
    const short = shortOf(got + credit.unmeasuredMin, minutes);
    const long = lengthBeyond(got, minutes);
    const told = short > 0 || long > 0 || shortOf(got, minutes) === 0;
    const difference =
      short > 0
        ? `${credit.unmeasuredMin >= 1 ? 'At least ' : ''}${printDuration(short)} short of the hold, ${Math.round((short / minutes.min) * 100)} %`
        : long > 0
          ? `Held ${printDuration(long)} beyond the plan`
          : null;
    rows.push(as('hold', wanted, actual, difference, told));
  }
  rows.push(...temperatureRows(bandC, ceilingC, done, clock));
  if (phase.stirEveryMin !== null) {
    // How often depends on how long; of a range nobody can say beforehand.
    const heldMin = minutes.said ? Math.min(minutes.max, Math.max(minutes.min, done.elapsedMin)) : minutes.typical;
    const planned = plannedStirsMin(heldMin, phase.stirEveryMin).length;
    const actual = state.stirredAtMs.length;
    const off = actual - planned;
    rows.push(
      as('stirred', `${planned} times`, `${actual} times`, off === 0 ? null : `Stirred ${times(Math.abs(off))} ${off < 0 ? 'less' : 'more'} than planned`),
    );
  }
  if (phase.flipAtMin !== null) {
    const turned = state.flippedAtMs.length;
    rows.push(as('turned', 'once', turned === 0 ? 'not logged' : times(turned), turned === 0 ? 'No turning of the load logged' : null));
  }
  return rows;
}

function temperatureRows(bandC: readonly [number, number] | null, ceilingC: number | null, done: PhaseClock, clock: StepClock): Row[] {
  const { lowestHoldC: low, highestHoldC: high } = clock;
  const rows: Row[] = [];
  if (bandC && low !== null && high !== null) {
    const under = bandC[0] - low;
    const over = high - bandC[1];
    const words = [
      above(over, TOLERANCE.bandK) ? `up to ${printTemperature(high)}, ${printNumber(over)} °C hotter than the band` : '',
      above(under, TOLERANCE.bandK) ? `down to ${printTemperature(low)}, ${printNumber(under)} °C cooler than the band` : '',
    ].filter(Boolean);
    const actual = low === high ? printTemperature(low) : `${printTemperature(low)} at the least, ${printTemperature(high)} at the most`;
    rows.push(as('temperature', printBand(bandC), `${actual} in the hold`, words.length > 0 ? capital(words.join('; ')) : null));
  }
  // The ceiling holds for the whole step, also before the hold and after it.
  const { highestC } = clock;
  if (ceilingC !== null && highestC !== null && above(highestC, ceilingC)) {
    const aboveMin = done.credit?.aboveCeilingMin ?? 0;
    const howLong =
      aboveMin >= 0.5
        ? `${printDuration(aboveMin)} above the ceiling of ${printTemperature(ceilingC)}`
        : `Above the ceiling of ${printTemperature(ceilingC)} for a moment`;
    rows.push(as('ceiling', `never above ${printTemperature(ceilingC)}`, `up to ${printTemperature(highestC)}`, howLong));
  }
  return rows;
}

/** Looks that were due while it went on, beside those that were logged. */
function lookRows(everyMin: number, done: PhaseClock, state: StepState, zone: string): Row[] {
  if (everyMin >= DAY_MIN) {
    const days = lookDays(
      done.enteredMs,
      done.leftMs ?? done.enteredMs + (done.elapsedMin + done.pausedMin) * 60_000,
      state.checks.map(({ atMs }) => atMs),
      zone,
      true,
    );
    const last = Math.max(0, ...days.looked, ...days.missed);
    if (last === 0) return [];
    const missed = missedText(days);
    return [
      as(
        'looks',
        `daily, ${last === 1 ? '1 day' : `${last} days`}`,
        days.looked.length === 0 ? 'none' : `on day${days.looked.length === 1 ? '' : 's'} ${days.looked.join(', ')}`,
        missed === '' ? null : `${missed}: day${days.missed.length === 1 ? '' : 's'} ${days.missed.join(', ')}`,
      ),
    ];
  }
  const due = Math.floor(done.elapsedMin / everyMin + 1e-9);
  const untilMs = done.leftMs ?? Number.POSITIVE_INFINITY;
  const looked = state.checks.filter((check) => check.atMs >= done.enteredMs && check.atMs <= untilMs).length;
  if (due === 0 && looked === 0) return [];
  return [as('looks', times(due), times(looked), looked < due ? `${times(due - looked)} nobody looked when a look was due` : null)];
}

/** A bundle is planned with a barrier where it should stay pale; how tight is nobody's plan, and is kept for the next time. */
function rolledRows(step: PlanStep, { rolled }: StepState): Row[] {
  if (!isRolled(step)) return [];
  if (!rolled) return [as('barrier', BARRIER_PLANNED, 'not logged', null, false)];
  const { tightness, hasBarrier } = rolled;
  return [
    as(
      'barrier',
      BARRIER_PLANNED,
      hasBarrier === null ? 'not logged' : hasBarrier ? 'used' : 'none',
      hasBarrier === false ? 'No barrier was used' : null,
      hasBarrier !== null,
    ),
    ...(tightness ? [as('rolled', 'loosely or tightly', tightness, null)] : []),
  ];
}
const BARRIER_PLANNED = 'where it should stay pale';

/** Where a bundle is rolled: on a table, before any heat. */
export const isRolled = (step: Pick<PlanStep, 'kind' | 'treatment'>): boolean => step.kind === 'bundle' && step.treatment === null;

function additionRow(addition: PlannedAmount, state: StepState): Row {
  const { name, unit } = addition;
  const logged = state.additions.filter((entry) => entry.additionId === addition.id);
  const planned = plannedKnown(addition);
  const wanted = planned === null ? 'unknown' : knownText(planned, (value) => printAmount(value, unit));
  if (logged.length === 0) return as(name, wanted, 'not logged', amountDifference(name, planned, null, unit, false), false);
  // A cup of what was planned by weight is neither more nor less of it: each unit is summed by itself.
  const units = [...new Set(logged.map((entry) => entry.unit))];
  const sums = units.map((own) => ({ unit: own, sum: sumFigures(logged.filter((entry) => entry.unit === own).map((entry) => entry.amount)) }));
  const estimated = logged.some((entry) => entry.amount.state === 'estimated') ? ' (estimated)' : '';
  const actual = sums
    .map(({ unit: own, sum }) => {
      const known = knownOf(sum);
      return known === null ? 'amount unknown' : `${knownText(known, (value) => printAmount(value, own))}${estimated}`;
    })
    .join(' and ');
  if (sums.every(({ sum }) => knownOf(sum) === 0)) return as(name, wanted, 'left out', planned === 0 ? null : `${capital(name)} left out`);
  const [only] = sums;
  const total = only && sums.length === 1 && only.unit === unit ? knownOf(only.sum) : null;
  return as(name, wanted, actual, amountDifference(name, planned, total, unit, true), planned !== null && total !== null);
}

function amountRows(step: PlanStep, state: StepState, nameOf: (substance: string) => string): Row[] {
  const rows = step.additions.map((addition) => additionRow(addition, state));
  if (step.water) {
    const waterMl = plannedKnown(step.water);
    const volume = state.volumeMl.at(-1)?.value;
    const planned = waterMl === null ? 'unknown' : knownText(waterMl, (value) => printAmount(value, 'mL'));
    rows.push(
      volume === undefined
        ? as('bath', planned, 'not measured', null, false)
        : as('bath', planned, printAmount(volume, 'mL'), amountDifference('bath', waterMl, volume, 'mL', true), waterMl !== null),
    );
  }
  for (const extra of state.additions.filter((entry) => entry.additionId === null)) {
    const name = nameOf(extra.substance);
    const amount = extra.amount.state === 'unknown' ? 'amount unknown' : figureText(extra.amount, (value) => printAmount(value, extra.unit));
    rows.push(as(name, 'not planned', amount, `${name} added beyond the plan, ${amount}`));
  }
  return rows;
}

/** Lots that left before the others, each with its minutes. */
const aloneRows = (step: PlanStep, state: StepState, lotNameOf: (lotId: string) => string): Row[] =>
  [...new Set(state.lotMoves.map((move) => move.lotId))].map((lotId) => {
    const min = lotInMin(step, state, lotId);
    const all = goodsIn(step, state);
    const joined = hasJoined(state, lotId);
    const actual = min === null ? (joined ? 'added later' : 'lifted alone') : `${joined ? 'added later, ' : ''}${printDuration(min)} in`;
    const less = min === null || !all ? null : (all.toMs - all.fromMs) / 60_000 - min;
    return as(
      lotNameOf(lotId),
      joined ? 'not planned' : 'in with the others',
      actual,
      less === null ? null : `${lotNameOf(lotId)} ${joined ? 'added later, ' : ''}in ${printDuration(less)} less than the others`,
      less !== null,
    );
  });

function phRows(step: PlanStep, state: StepState, clock: StepClock): Row[] {
  const { phAim } = step;
  if (!phAim && asksPh(step)) {
    const dip = clock.phases.find(({ phase }) => phase.kind === 'dip' || phase.kind === 'hold' || phase.kind === 'soak');
    const said = (reads: readonly { readonly value: number }[]) =>
      reads.length === 0 ? 'not measured' : reads.map(({ value }) => printNumber(value)).join(', then ');
    const [before, after] = [state.ph.filter(({ atMs }) => !dip || atMs <= dip.enteredMs), state.ph.filter(({ atMs }) => dip && atMs > dip.enteredMs)];
    return [as('pH before', 'to be measured', said(before), null, false), as('pH after', 'to be measured', said(after), null, false)];
  }
  const last = state.ph.at(-1)?.value;
  const planned = phAim ? phAimText(phAim) : 'not planned';
  if (last === undefined) return phAim ? [as('pH', planned, 'not measured', null, false)] : [];
  const off = phAim && phStanding(phAim, last) !== 'within' ? `The pH was ${printNumber(last)} at last, not ${planned}` : null;
  return [as('pH', planned, state.ph.map((read) => printNumber(read.value)).join(', then '), off, phAim !== undefined)];
}

const PHASE_WORD = {
  charge: 'setting up',
  raise: 'heating up',
  hold: 'hold',
  dip: 'the dip',
  soak: 'the soak',
  until: 'the wait',
  rest: 'the rest',
  lift: 'lifting',
} as const;

const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
const times = (n: number): string => (n === 1 ? 'once' : `${n} times`);
const elapsedText = ({ elapsedMin, pausedMin }: PhaseClock): string =>
  `${printDuration(elapsedMin)}${pausedMin >= 1 ? ` (and ${printDuration(pausedMin)} paused)` : ''}`;

const spanText = (plannedMin: number, minutes: SpanMin): string => {
  const { min, max, open, said } = minutes;
  if (open) return 'not set';
  if (said) return lengthText(minutes);
  const usual = printDuration(plannedMin);
  return min === max ? usual : `${usual} (${printDuration(min)} to ${printDuration(max)} will do)`;
};

function planText(phase: Phase): string {
  switch (phase.kind) {
    case 'charge':
    case 'raise':
    case 'lift':
      return `about ${printDuration(phase.minutes)}`;
    case 'dip':
      return printExactDuration(phase.exactMin * 60_000);
    case 'hold':
    case 'soak':
    case 'until':
    case 'rest':
      return spanText(phase.minutes.typical, phase.minutes);
    default:
      return unreachable(phase);
  }
}

/** Outside its least and most: said against the end that it missed, or against the plan where both are one. */
function spanDifference(verb: string, gotMin: number, plannedMin: number, span: Limits): string | null {
  if (span.open) return null;
  const short = shortOf(gotMin, span);
  const long = lengthBeyond(gotMin, span);
  if (short === 0 && long === 0) return null;
  if (span.min === span.max) return longer(verb, gotMin - plannedMin);
  return short > 0 ? `${verb} ${printDuration(short)} less than the least` : `${verb} ${printDuration(long)} more than the most`;
}

const longer = (verb: string, offMin: number): string => `${verb} ${printDuration(Math.abs(offMin))} ${offMin > 0 ? 'longer' : 'shorter'} than planned`;

const lateness = (min: number): string | null =>
  Math.abs(min) < TOLERANCE.startMin ? null : `Began ${printDuration(Math.abs(min))} ${min > 0 ? 'late' : 'early'}`;
