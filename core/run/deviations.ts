import { creditedMin } from '../hold/credit';
import { type AmountUnit, printAmount, printDuration, printTemperature } from '../measure/print';
import { typicalMin } from '../plan/phase';
import { amountOf, type PlanStep } from '../plan/plan';
import type { StepClock } from './clock';
import { goesByClock } from './clock';
import type { StepState } from './fold';
import { plannedStirsMin } from './nudges';

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

/** Smaller differences go as planned: nobody's hand is finer. */
const TIME_SLACK_MIN = 5;
const LENGTH_SLACK = 0.03;
const AMOUNT_SLACK = 0.02;

/** Everything planned of a step beside what was done, in the order of the work. */
export function compareStep(
  step: PlanStep,
  state: StepState,
  clock: StepClock,
  printTime: (ms: number) => string,
  nameOf: (substance: string) => string,
): Comparison[] {
  const rows: Comparison[] = [];
  const row = (what: string, planned: string, actual: string, difference: string | null, seen = true) =>
    rows.push({ stepId: step.id, what, planned, actual, difference, seen });
  if (state.status === 'skipped') {
    row('step', 'to be done', 'skipped', `Skipped: ${state.skipReason}`);
    return rows;
  }
  if (state.status === 'waiting') {
    row('start', printTime(step.startMs), 'not begun', null, false);
    return rows;
  }
  const beganMs = clock.phases[0]?.enteredMs;
  if (beganMs !== undefined) row('start', printTime(step.startMs), printTime(beganMs), lateness((beganMs - step.startMs) / 60_000, 'Began'));
  for (const [i, phase] of step.phases.entries()) {
    const done = clock.phases.find((entry) => entry.index === i);
    if (!done) continue;
    if (phase.kind === 'hold') {
      const { credit } = done;
      const need = phase.minutes.typical;
      const band = phase.bandC ? `${phase.bandC[0]}–${phase.bandC[1]} °C` : 'temperature unknown';
      if (credit && !goesByClock(credit)) {
        const got = creditedMin(credit);
        const parts = [
          credit.assumedMin >= 1 ? `${printDuration(credit.assumedMin)} of it assumed` : '',
          credit.underMin >= 1 ? `${printDuration(credit.underMin)} under` : '',
          credit.overMin >= 1 ? `${printDuration(credit.overMin)} over` : '',
          credit.unmeasuredMin >= 1 ? `${printDuration(credit.unmeasuredMin)} not measured` : '',
        ].filter(Boolean);
        row(
          'hold',
          `${printDuration(need)} at ${band}`,
          `${printDuration(got)} in band${parts.length ? ` (${parts.join(', ')})` : ''}`,
          holdDifference(got, need),
        );
        if (credit.aboveCeilingMin >= 0.5 && phase.ceilingC !== null) {
          row(
            'ceiling',
            `never above ${printTemperature(phase.ceilingC)}`,
            `up to ${printTemperature(clock.highestC ?? phase.ceilingC)}`,
            `${printDuration(credit.aboveCeilingMin)} above the ceiling`,
          );
        }
      } else {
        row(
          'hold',
          `${printDuration(need)} at ${band}`,
          `${printDuration(done.elapsedMin)} by the clock, temperature not measured`,
          lateness(done.elapsedMin - need, 'Held', need),
        );
      }
      if (clock.lowestHoldC !== null && clock.highestC !== null) {
        row('temperature', band, `${printTemperature(clock.lowestHoldC)} in the hold at the least, ${printTemperature(clock.highestC)} at the most`, null);
      }
      if (phase.stirEveryMin !== null) {
        const planned = plannedStirsMin(need, phase.stirEveryMin).length;
        const actual = state.stirredAtMs.length;
        row(
          'stirred',
          `${planned} times`,
          `${actual} times`,
          actual === planned
            ? null
            : `Stirred ${Math.abs(planned - actual) === 1 ? 'once' : `${Math.abs(planned - actual)} times`} ${actual < planned ? 'less' : 'more'} than planned`,
        );
      }
    } else {
      const window = step.phaseTimes[i];
      // A rest is planned as long as the schedule drew it out, over a night perhaps, not as long as rests usually are.
      const planned = window ? (window.toMs - window.fromMs) / 60_000 : typicalMin(phase);
      const word = PHASE_WORD[phase.kind];
      row(
        word,
        printDuration(planned),
        printDuration(done.elapsedMin),
        lateness(done.elapsedMin - planned, `${word.charAt(0).toUpperCase()}${word.slice(1)} took`, planned),
      );
    }
  }
  for (const addition of step.additions) {
    const planned = amountOf(addition);
    const logged = state.additions.filter((entry) => entry.additionId === addition.id);
    const known = logged.every((entry) => entry.amount.state !== 'unknown');
    const total = known && logged.length > 0 ? logged.reduce((sum, entry) => sum + (entry.amount.state === 'unknown' ? 0 : entry.amount.value), 0) : null;
    const actual =
      logged.length === 0
        ? 'not logged'
        : total === null
          ? 'amount unknown'
          : `${printAmount(total, addition.unit)}${logged.some((entry) => entry.amount.state === 'estimated') ? ' (estimated)' : ''}`;
    row(
      addition.name,
      planned === null ? 'unknown' : printAmount(planned, addition.unit),
      actual,
      amountDifference(addition.name, planned, total, addition.unit, logged.length > 0),
      planned !== null && total !== null,
    );
  }
  const waterMl = step.water ? amountOf(step.water) : null;
  const volume = state.volumeMl.at(-1)?.value;
  if (step.water) {
    const actual = volume === undefined ? 'not measured' : printAmount(volume, 'mL');
    row(
      'bath',
      waterMl === null ? 'unknown' : printAmount(waterMl, 'mL'),
      actual,
      volume === undefined ? null : amountDifference('bath', waterMl, volume, 'mL', true),
      volume !== undefined && waterMl !== null,
    );
  }
  for (const extra of state.additions.filter((entry) => entry.additionId === null)) {
    const name = nameOf(extra.substance);
    row(
      name,
      'not planned',
      extra.amount.state === 'unknown' ? 'amount unknown' : printAmount(extra.amount.value, extra.unit),
      `${name} added beyond the plan`,
    );
  }
  return rows;
}

const PHASE_WORD = {
  charge: 'setting up',
  raise: 'heating up',
  dip: 'the dip',
  soak: 'the soak',
  until: 'the wait',
  rest: 'the rest',
  lift: 'lifting',
} as const;

/** @param ofMin when it is a length that differs, the planned length: a day may be a few minutes off and as planned */
function lateness(min: number, verb: string, ofMin: number | null = null): string | null {
  if (Math.abs(min) < Math.max(TIME_SLACK_MIN, (ofMin ?? 0) * LENGTH_SLACK)) return null;
  const size = printDuration(Math.abs(min));
  if (ofMin !== null) return `${verb} ${size} ${min > 0 ? 'longer' : 'shorter'} than planned`;
  return `${verb} ${size} ${min > 0 ? 'late' : 'early'}`;
}

function holdDifference(got: number, need: number): string | null {
  const short = need - got;
  if (Math.abs(short) < TIME_SLACK_MIN) return null;
  const pct = Math.round((Math.abs(short) / need) * 100);
  return short > 0 ? `${printDuration(short)} short of the hold, ${pct} %` : `Held ${printDuration(-short)} beyond the plan`;
}

function amountDifference(name: string, planned: number | null, actual: number | null, unit: AmountUnit, logged: boolean): string | null {
  if (planned === null || actual === null) return logged || planned === null ? null : `No ${name} logged`;
  const difference = actual - planned;
  if (Math.abs(difference) <= planned * AMOUNT_SLACK) return null;
  return `${printAmount(Math.abs(difference), unit)} ${difference > 0 ? 'more' : 'less'} ${name} than planned`;
}
