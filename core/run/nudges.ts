import { type Known, knownText } from '../figure';
import { attendMinOf, type Home } from '../kitchen/home';
import { above } from '../measure/limits';
import { printAmount, printDuration, printTemperature } from '../measure/print';
import { phAimText, phSaid, phStanding } from '../plan/phAim';
import { isHeated, LOOK_IN_MIN, type Phase, type SpanMin } from '../plan/phase';
import type { Plan, PlannedAmount, PlanStep } from '../plan/plan';
import { unreachable } from '../result';
import { type Diary, homeAtOrAfter } from '../schedule/diary';
import { amountNow } from './amountNow';
import type { StepClock } from './clock';
import { nextLookMs } from './dailyLook';
import { dueAdditions } from './dueAdditions';
import type { CallAct } from './events';
import type { RunState, StepState } from './fold';
import type { HeatNow } from './heatNow';
import { turnDownText } from './heatText';
import { lookDays, missedText } from './missedLooks';

/** A call for hands. `dueMs` may lie ahead; it is due when it has passed. */
export interface Nudge {
  readonly key: string;
  /** Which of what goes in a call to add is about: several are due at once. */
  readonly additionId?: string;
  readonly stepId: string;
  readonly act: CallAct;
  readonly dueMs: number;
  readonly text: string;
  /** The ceiling is broken or an exact dip runs over: red, not amber. */
  readonly stop: boolean;
}

const MIN = 60_000;
const DAY_MIN = 24 * 60;

/** Stir prompts of a hold, minutes from its start: every `everyMin`, none at the end (T64: 60 by 10 → 10, 20, 30, 40, 50). */
export function plannedStirsMin(holdMin: number, everyMin: number): number[] {
  const stirs: number[] = [];
  for (let at = everyMin; at < holdMin - 1e-9; at += everyMin) stirs.push(at);
  return stirs;
}

/** All calls for hands that a run knows of, soonest first. */
export function runNudges(
  plan: Pick<Plan, 'steps' | 'lots' | 'home' | 'draft'>,
  state: RunState,
  clocks: Readonly<Record<string, StepClock>>,
  nowMs: number,
  heat: Readonly<Record<string, HeatNow>> = {},
): Nudge[] {
  if (state.phase !== 'running') return [];
  const nudges: Nudge[] = [];
  for (const step of plan.steps) {
    const stepState = state.steps[step.id];
    if (!stepState) continue;
    if (stepState.status === 'waiting') {
      const ready = step.after.every((id) => isOver(state.steps[id]));
      if (ready) {
        const overMs = Math.max(0, ...step.after.map((id) => state.steps[id]?.endedAtMs ?? 0));
        // A step that only waited for others is due the moment they are over; one that waited for a morning still does.
        // Wool that came hot cools in the air first.
        const coolMin = step.coolFirstMin ?? 0;
        const readyMs = overMs > 0 ? overMs + coolMin * MIN : 0;
        const afterMs = step.whyNotEarlier.why === 'after' && readyMs > 0 ? readyMs : Math.max(step.startMs, readyMs);
        nudges.push(nudge(step, 'begin', afterMs, `Begin: ${step.title}${coolMin > 0 ? ', with the goods cooled' : ''}`));
      }
    } else if (stepState.status === 'running') {
      const clock = clocks[step.id];
      if (clock)
        nudges.push(
          ...runningNudges(step, stepState, clock, nowMs, plan.home, (addition) => amountNow(addition, step, plan, state)),
          ...turnDownCall(step, heat[step.id]),
        );
    }
  }
  nudges.push(...attendCall(plan, state, clocks, nowMs));
  return nudges.map((one) => putOff(one, state.steps[one.stepId])).sort((a, b) => Number(b.stop) - Number(a.stop) || a.dueMs - b.dueMs);
}

/** Put off, it is due later, and rings again then; what stops is never put off. */
function putOff(call: Nudge, state: StepState | undefined): Nudge {
  const untilMs = state?.putOffMs[call.act];
  if (untilMs === undefined || untilMs <= call.dueMs || call.stop) return call;
  return { ...call, dueMs: untilMs, key: `${call.key}/${Math.round(untilMs)}` };
}

const isOver = (state: StepState | undefined): boolean => state === undefined || state.status === 'done' || state.status === 'skipped';

const nudge = (step: PlanStep, act: Nudge['act'], dueMs: number, text: string, stop = false): Nudge => ({
  key: `${step.id}/${act}/${Math.round(dueMs)}`,
  stepId: step.id,
  act,
  dueMs,
  text,
  stop,
});

/** A paste of vinegar, iron and lime is never heated: warmer than a hot day is heated, °C (trade handbook section 12, common practice, no source; the figure is ours). */
const PASTE_MOST_C = 35;

function runningNudges(
  step: PlanStep,
  state: StepState,
  clock: StepClock,
  nowMs: number,
  { diary, lookAt = null }: Pick<Home, 'diary' | 'lookAt'>,
  amountFor: (addition: PlannedAmount) => Known,
): Nudge[] {
  const now = clock.current;
  if (!now) return [];
  const hour = { lookAt, zone: diary.zone };
  /** Of what is looked at by the day: how many went by without. */
  const missed = (everyMin: number): string => {
    const text = everyMin < DAY_MIN ? '' : missedText(lookDays(now.enteredMs, nowMs, looksOf(state), diary.zone));
    return text === '' ? '' : ` (${text})`;
  };
  const nudges: Nudge[] = [];
  const { phase } = now;
  const next = step.phases[now.index + 1];
  const { latestC } = clock;
  if (step.kind === 'paste' && latestC && above(latestC.bathC, PASTE_MOST_C))
    nudges.push(nudge(step, 'tooHot', latestC.atMs, `${printTemperature(latestC.bathC)}: a paste is never heated. Let it cool`, true));
  switch (phase.kind) {
    case 'charge': {
      nudges.push(...phCall(step, state, now.enteredMs, nowMs));
      for (const addition of dueAdditions(step, state, now.index)) {
        const amount = amountFor(addition);
        const text = `Add ${amount === null ? 'the' : knownText(amount, (value) => printAmount(value, addition.unit))} ${addition.name}${amount === null ? ' and log how much' : ''}`;
        const call = nudge(step, 'add', now.enteredMs, text);
        nudges.push({ ...call, key: `${call.key}/${addition.id}`, additionId: addition.id });
      }
      nudges.push(nudge(step, next ? 'nextPhase' : 'finish', now.enteredMs + phase.minutes * MIN, nextText(next, step) ?? `Done: ${step.title}`));
      break;
    }
    case 'raise':
      // Reached the band but the probe is silent: ask at the planned time.
      nudges.push(
        nudge(
          step,
          'nextPhase',
          now.enteredMs + phase.minutes * MIN,
          phase.toC === null ? 'Hot enough? Start the hold' : `Should be at ${printTemperature(phase.toC)}: read it, start the hold`,
        ),
      );
      break;
    case 'hold': {
      const leftMin = now.leftMin ?? 0;
      const endMs = nowMs + ((phase.minutes.said ? phase.minutes.max - phase.minutes.typical : 0) + leftMin) * MIN;
      if (phase.ceilingC !== null && latestC && latestC.bathC > phase.ceilingC) {
        nudges.push(
          nudge(
            step,
            'tooHot',
            latestC.atMs,
            `Too hot: ${printTemperature(latestC.bathC)}, never above ${printTemperature(phase.ceilingC)}. Turn it down`,
            true,
          ),
        );
      }
      if (phase.stirEveryMin !== null) {
        const lastMs = Math.max(now.enteredMs, ...state.stirredAtMs, state.letGoMs.stir ?? 0);
        const dueMs = lastMs + phase.stirEveryMin * MIN;
        if (dueMs < endMs - MIN / 2) nudges.push(nudge(step, 'stir', dueMs, 'Stir gently'));
      }
      // Stirring is a look; where nobody stirs so often, somebody looks in (safety handbook P5).
      const lookInMin = step.lookInMin ?? LOOK_IN_MIN;
      if (phase.stirEveryMin === null || phase.stirEveryMin > lookInMin) {
        const lastMs = Math.max(now.enteredMs, ...state.stirredAtMs, ...looksOf(state), ...state.flippedAtMs);
        const dueMs = lastMs + lookInMin * MIN;
        const text =
          step.lookInMin === undefined ? 'Look in: heat, water, goods. Top up with hot water where it sank' : 'Look at the steamer’s water: top it up hot';
        if (dueMs < endMs - MIN / 2) nudges.push(nudge(step, 'check', dueMs, text));
      }
      if (step.lookAtMin !== null && !looksOf(state).some((atMs) => atMs >= now.enteredMs)) {
        nudges.push(nudge(step, 'check', now.enteredMs + step.lookAtMin * MIN, 'Look early: does it take? Pale beside a coloured one means no mordant'));
      }
      if (phase.flipAtMin !== null && state.flippedAtMs.length === 0 && state.letGoMs.flip === undefined && leftMin > 0) {
        nudges.push(nudge(step, 'flip', now.enteredMs + phase.flipAtMin * MIN, 'Turn the load over'));
      }
      // Of a range the most is the end; from the least on it is enough.
      nudges.push(...enoughCall(step, state, phase.minutes, nowMs + (phase.minutes.min - (phase.minutes.typical - leftMin)) * MIN));
      const off = phase.minutes.open ? 'An hour is over: enough? Heat off' : phase.minutes.said ? 'The most is reached: heat off' : 'Hold is full: heat off';
      nudges.push(nudge(step, next ? 'nextPhase' : 'finish', endMs, phase.tap ? `${phase.tap}? Tap when it does` : next ? `${nextText(next, step)}` : off));
      break;
    }
    case 'dip': {
      // As the countdown has it: a pause stands still.
      const dueMs = now.enteredMs + (phase.exactMin + now.pausedMin) * MIN;
      nudges.push(nudge(step, 'dip', dueMs, 'Lift now', nowMs > dueMs));
      break;
    }
    case 'soak': {
      if (phase.checkEveryMin !== null) {
        const lastMs = Math.max(now.enteredMs, ...looksOf(state));
        nudges.push(nudge(step, 'check', nextLookMs(lastMs, phase.checkEveryMin, hour), `Look at it${missed(phase.checkEveryMin)}`));
      }
      nudges.push(...enoughCall(step, state, phase.minutes, now.enteredMs + phase.minutes.min * MIN));
      nudges.push(nudge(step, next ? 'nextPhase' : 'finish', usualEnd(now.enteredMs, phase.minutes, diary), nextText(next, step) ?? `Done: ${step.title}`));
      break;
    }
    case 'until': {
      const lastMs = Math.max(now.enteredMs, ...looksOf(state));
      const lid = step.lid === 'openedDaily' ? 'Open it away from your face. ' : '';
      nudges.push(nudge(step, 'check', nextLookMs(lastMs, phase.checkEveryMin, hour), `${lid}Look: ${phase.criterion}?${missed(phase.checkEveryMin)}`));
      nudges.push(...enoughCall(step, state, phase.minutes, now.enteredMs + phase.minutes.min * MIN));
      nudges.push(nudge(step, next ? 'nextPhase' : 'finish', usualEnd(now.enteredMs, phase.minutes, diary), nextText(next, step) ?? `Done: ${step.title}`));
      break;
    }
    case 'rest':
      nudges.push(...enoughCall(step, state, phase.minutes, now.enteredMs + phase.minutes.min * MIN));
      nudges.push(nudge(step, next ? 'nextPhase' : 'finish', usualEnd(now.enteredMs, phase.minutes, diary), nextText(next, step) ?? `Done: ${step.title}`));
      break;
    case 'lift':
      nudges.push(...phAfterCall(step, state, clock, now.enteredMs));
      nudges.push(nudge(step, 'finish', now.enteredMs + phase.minutes * MIN, `Done: ${step.title}`));
      break;
    default:
      return unreachable(phase);
  }
  return nudges;
}

/** When somebody looked, or let a call to look go. */
const looksOf = ({ checks, letGoMs }: StepState): number[] => [...checks.map(({ atMs }) => atMs), ...(letGoMs.check === undefined ? [] : [letGoMs.check])];

/** Unanswered for as long again by this factor, it is a stop: louder, and on every device. */
const LOUDER = 1.5;

/** Heat is on and nobody has touched anything for longer than the dyer chose: asked once for all pots of the run. */
function attendCall(plan: Pick<Plan, 'steps' | 'home'>, state: RunState, clocks: Readonly<Record<string, StepClock>>, nowMs: number): Nudge[] {
  const after = attendMinOf(plan.home);
  const hot = plan.steps.find((step) => {
    const phase = clocks[step.id]?.current?.phase;
    return state.steps[step.id]?.status === 'running' && phase !== undefined && isHeated(phase);
  });
  if (after === null || !hot || state.touchedMs === null) return [];
  const askMs = state.touchedMs + after * MIN;
  // It is no act to look forward to.
  if (nowMs < askMs) return [];
  const isLouder = nowMs >= state.touchedMs + LOUDER * after * MIN;
  const text = isLouder
    ? 'Nobody answers, and the heat is on: is somebody with it? Turn it off if you leave'
    : 'Are you with it? The heat is on. Turn it off if you leave';
  return [nudge(hot, 'attend', askMs, text, isLouder)];
}

/** Called as early as it is foreseen. It keeps its name while the forecast moves. */
function turnDownCall(step: PlanStep, heat: HeatNow | undefined): Nudge[] {
  if (!heat?.turnDown) return [];
  return [{ ...nudge(step, 'turnDown', 0, turnDownText(heat.turnDown)), dueMs: heat.asOfMs + heat.turnDown.inMin * MIN }];
}

/** The pH is read before anything goes in and after each addition, until it is where it shall be; to go on answers it too. */
function phCall(step: PlanStep, state: StepState, enteredMs: number, nowMs: number): Nudge[] {
  const { phAim } = step;
  if (!phAim)
    return asksPh(step) && state.ph.length === 0 && state.letGoMs.ph === undefined
      ? [nudge(step, 'ph', enteredMs, 'Measure the pH before the goods go in, or say that nobody does')]
      : [];
  // What was just logged is due at once, whichever clock it was logged by, and after what the phase began with; the call keeps its name.
  const say = (atMs: number, text: string): Nudge => ({ ...nudge(step, 'ph', atMs, text), dueMs: Math.min(atMs, Math.max(nowMs, enteredMs + 1)) });
  const last = state.ph.at(-1);
  if (!last) return [say(enteredMs, `Measure the pH: aim ${phAimText(phAim)}`)];
  const changedMs = Math.max(0, ...state.additions.map((entry) => entry.atMs));
  if (changedMs > last.atMs) return [say(changedMs, `Measure the pH again: aim ${phAimText(phAim)}`)];
  return phStanding(phAim, last.value) === 'within' ? [] : [say(last.atMs, phSaid(phAim, last.value, 'a little more, stir, measure'))];
}

/** What such a bath did can be told by its pH alone: it is asked for before the goods go in and after. */
export const asksPh = ({ kind, lotIds }: Pick<PlanStep, 'kind' | 'lotIds'>): boolean => (kind === 'modifier' || kind === 'iron') && lotIds.length > 0;

/** After the dip: once, until it was read or somebody said that nobody does. */
function phAfterCall(step: PlanStep, state: StepState, { phases }: StepClock, liftMs: number): Nudge[] {
  const dip = phases.find(({ phase }) => phase.kind === 'dip' || phase.kind === 'hold' || phase.kind === 'soak');
  if (!asksPh(step) || !dip) return [];
  const isRead = state.ph.some(({ atMs }) => atMs > dip.enteredMs) || (state.letGoMs.ph ?? 0) > dip.enteredMs;
  return isRead ? [] : [nudge(step, 'ph', liftMs, 'Measure the pH of the bath after the dip, or say that nobody does')];
}

/** A range is called at its least, too: a look there answers the call, and it goes on to its most. */
const enoughCall = (step: PlanStep, state: StepState, minutes: SpanMin, leastMs: number): Nudge[] =>
  minutes.said && !looksOf(state).some((atMs) => atMs >= leastMs)
    ? [nudge(step, 'check', leastMs, `Enough from now on, ${printDuration(minutes.max - minutes.min)} more at the most: look at it`)]
    : [];

/**
 * When a soak, wait or rest is over: its usual time after it really began, or when somebody is there again, as long as
 * its most allows; else before they go, if its least is over by then.
 */
function usualEnd(enteredMs: number, minutes: SpanMin, diary: Diary): number {
  const usualMs = enteredMs + (minutes.said ? minutes.max : minutes.typical) * MIN;
  // What a person typed is called when it is over, whatever the hour.
  if (minutes.typed) return usualMs;
  const home = homeAtOrAfter(diary, usualMs);
  if (!home || home.fromMs <= usualMs) return usualMs;
  const mostMs = enteredMs + minutes.max * MIN;
  if (home.fromMs <= mostMs) return home.fromMs;
  const leastMs = enteredMs + minutes.min * MIN;
  const before = homeAtOrAfter(diary, leastMs);
  return before && before.fromMs <= leastMs && before.toMs < usualMs ? before.toMs : usualMs;
}

function nextText(next: Phase | undefined, step: Pick<PlanStep, 'kind'>): string | null {
  if (!next) return null;
  switch (next.kind) {
    case 'charge':
    case 'lift':
    case 'dip':
      return next.act;
    case 'raise':
      return next.toC === null ? 'Heat on' : `Heat on, up to ${printTemperature(next.toC)}`;
    case 'hold':
      return 'Start the hold';
    case 'soak':
    case 'until':
      return step.kind === 'dry' ? 'Leave it to dry' : 'Leave it to soak';
    case 'rest':
      return 'Heat off and unplugged, leave it to rest';
    default:
      return unreachable(next);
  }
}
