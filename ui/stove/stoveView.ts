import { UNDYED_HEX } from '@/core/colour/undyed';
import type { KnownPot } from '@/core/heat/learnPot';
import type { Reading } from '@/core/hold/credit';
import { creditedMin } from '@/core/hold/credit';
import { holdsMany, type Vessel } from '@/core/kitchen/vessel';
import { printDuration, printExactDuration } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { lengthText, type Phase, type SpanMin, typicalMin } from '@/core/plan/phase';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { unreachable } from '@/core/result';
import { bathLine, bathVolumeMl } from '@/core/run/bathLine';
import { goesByClock, isTyped, type StepClock, TRUST_TYPED_MIN } from '@/core/run/clock';
import { heatText } from '@/core/run/describeEvent';
import { dipNow, secondsLeft } from '@/core/run/dips';
import { dueAdditions } from '@/core/run/dueAdditions';
import type { CallAct, RunEvent, RunFact } from '@/core/run/events';
import type { RunState, StepState } from '@/core/run/fold';
import type { HeatNow } from '@/core/run/heatNow';
import { heatLines } from '@/core/run/heatText';
import { latenessMin } from '@/core/run/lateness';
import type { Nudge } from '@/core/run/nudges';
import { probeDoubt } from '@/core/run/readings';
import { runNow } from '@/core/run/runNow';
import { readingText } from '@/core/run/saidAs';
import { type ActId, type AskFor, actRow, isAsk } from './acts';

/** What the stove shows of one vessel in use. */
export interface StoveCard {
  readonly number: number;
  readonly vessel: Vessel;
  readonly step: PlanStep;
  readonly state: StepState;
  readonly clock: StepClock;
  readonly doing: string;
  /** It holds liquid: then a temperature says something. */
  readonly isWet: boolean;
  readonly temperature: { readonly c: number; readonly text: string; readonly stale: boolean } | null;
  /** Where the temperature is from and how old, or why there is none. */
  readonly heard: string;
  readonly bandC: readonly [number, number] | null;
  readonly ceilingC: number | null;
  /** What the pot will do; null while too little was read. */
  readonly heat: HeatNow | null;
  /** Knob and lid as they were set last; null: nobody said. */
  readonly heatSet: string | null;
  readonly heatLines: readonly string[];
  readonly progress: { readonly text: string; readonly detail: string; readonly donePct: number } | null;
  readonly nextCall: { readonly act: CallAct; readonly text: string; readonly when: string; readonly due: boolean; readonly stop: boolean } | null;
  readonly threads: readonly string[];
  /** How much is in it, and of what how much per litre, as its log tells; null on the line or the table. */
  readonly bath: string | null;
  readonly liquorHex: string;
  readonly acts: readonly StoveAct[];
}

export interface StoveAct {
  readonly key: string;
  readonly label: string;
  /** Facts to log at once, or a small form to fill first. */
  readonly does: { readonly log: readonly RunFact[] } | { readonly ask: AskFor; readonly additionId?: string };
}

export interface StoveView {
  readonly state: RunState;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly heat: Readonly<Record<string, HeatNow>>;
  readonly cards: readonly StoveCard[];
  readonly ready: readonly PlanStep[];
  readonly nudges: readonly Nudge[];
  readonly lateMin: number;
  readonly allOver: boolean;
}

/** Everything the stove shows, from the plan, the log, the readings and the time. */
export function stoveView(
  plan: Plan,
  events: readonly RunEvent[],
  readings: Readonly<Record<string, readonly Reading[]>>,
  nowMs: number,
  print: Printer,
  pots: readonly KnownPot[] = [],
): StoveView {
  const { state, clocks, nudges, heat } = runNow(plan, events, readings, nowMs, pots);
  const live = plan.steps.filter((step) => ['running', 'paused'].includes(state.steps[step.id]?.status ?? ''));
  const cards = live
    .flatMap((step) => {
      const own = state.steps[step.id];
      const clock = clocks[step.id];
      const vessel = plan.vessels.find((v) => v.id === own?.vesselId) ?? plan.vessels.find((v) => v.id === step.vesselId);
      return own && clock && vessel ? [{ step, own, clock, vessel }] : [];
    })
    .sort((a, b) => a.vessel.order - b.vessel.order)
    .map((entry, i) =>
      card(i + 1, { ...entry, heat: heat[entry.step.id] ?? null, doubt: probeDoubt(entry.step, entry.own, readings) }, plan, state, nudges, nowMs, print),
    );
  const ready = plan.steps.filter((step) => nudges.some((nudge) => nudge.act === 'begin' && nudge.stepId === step.id));
  return {
    state,
    clocks,
    heat,
    cards,
    ready,
    nudges,
    lateMin: latenessMin(plan, state, clocks, nowMs),
    allOver: plan.steps.every((step) => ['done', 'skipped'].includes(state.steps[step.id]?.status ?? '')),
  };
}

interface Entry {
  readonly step: PlanStep;
  readonly own: StepState;
  readonly clock: StepClock;
  readonly vessel: Vessel;
  readonly heat: HeatNow | null;
  readonly doubt: ReturnType<typeof probeDoubt>;
}

/** What its probe says now and nobody believes; empty where it is believed. */
function doubtText(doubt: ReturnType<typeof probeDoubt>, nowMs: number, print: Printer): string {
  switch (doubt?.doubt) {
    case undefined:
      return '';
    case 'stuck':
      return `the probe hangs: ${print.temperature(doubt.bathC)} and nothing else for ${printDuration((nowMs - doubt.sinceMs) / 60_000)}, not counted`;
    case 'impossible':
      return `the probe says ${print.temperature(doubt.bathC)}, which is no bath: not counted`;
  }
}

/** "probe, 2 s ago", "typed, 4 min ago", and where a probe does not speak any more or is not believed, since when. */
function heardText({ own, clock: { latestC, probeSilentSinceMs }, doubt }: Entry, nowMs: number, print: Printer): string {
  const doubted = doubtText(doubt, nowMs, print);
  if (!latestC) return doubted || 'nobody looked yet';
  const silent = doubted || (probeSilentSinceMs === null ? '' : `the probe is silent, last heard ${ago(nowMs - probeSilentSinceMs)}`);
  if (!isTyped(latestC, own)) return silent || `probe, ${ago(nowMs - latestC.atMs)}`;
  const said = own.typedC.findLast(({ atMs }) => atMs === latestC.atMs);
  const typed = said?.said ? `typed ${readingText('bathC', { ...said, value: said.bathC }, print)}` : 'typed';
  return [`${typed}, ${ago(nowMs - latestC.atMs)}`, silent].filter(Boolean).join('; ');
}

function card(number: number, entry: Entry, plan: Plan, state: RunState, nudges: readonly Nudge[], nowMs: number, print: Printer): StoveCard {
  const { step, own, clock, vessel, heat } = entry;
  const phase = clock.current?.phase;
  const hold = phase?.kind === 'hold' ? phase : step.phases.find((p) => p.kind === 'hold');
  const mine = nudges.filter((nudge) => nudge.stepId === step.id);
  const first = mine[0];
  return {
    number,
    vessel,
    step,
    state: own,
    clock,
    isWet: !holdsMany(vessel),
    doing: own.status === 'paused' ? 'paused' : doing(phase, clock, print),
    temperature: clock.latestC && {
      c: clock.latestC.bathC,
      text: print.temperature(clock.latestC.bathC),
      stale: clock.probeSilentSinceMs !== null || nowMs - clock.latestC.atMs > TRUST_TYPED_MIN * 60_000,
    },
    heard: heardText(entry, nowMs, print),
    bandC: phase?.kind === 'raise' || phase?.kind === 'hold' ? (hold?.bandC ?? null) : null,
    ceilingC: phase?.kind === 'raise' || phase?.kind === 'hold' ? (hold?.ceilingC ?? null) : null,
    heat,
    heatSet: heatNowSet(own),
    heatLines: heat ? heatLines(heat, hold?.bandC ?? null, print, nowMs, bathVolumeMl(plan, state, step, nowMs)) : [],
    progress: progress(clock),
    nextCall: first ? { act: first.act, text: first.text, stop: first.stop, due: first.dueMs <= nowMs, when: untilText(first.dueMs, nowMs) } : null,
    threads: step.lotIds.map((id) => lotHex(plan, state, id, step.id)),
    bath: holdsMany(vessel) ? null : bathLine(plan, state, step, nowMs),
    liquorHex: liquorHex(plan, step),
    acts: actsOf(step, own, clock).filter((act) => act.key !== 'r' || !holdsMany(vessel)),
  };
}

/** Knob and lid as they were set last, each by whoever spoke of it; null: nobody did. */
function heatNowSet({ heat }: StepState): string | null {
  if (heat.length === 0) return null;
  return heatText({ knob: heat.findLast(({ knob }) => knob !== null)?.knob ?? null, hasLid: heat.findLast(({ hasLid }) => hasLid !== null)?.hasLid ?? null });
}

function doing(phase: Phase | undefined, clock: StepClock, print: Printer): string {
  if (!phase) return '';
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return phase.act;
    case 'raise':
      return phase.toC === null ? 'heating up' : `heating up to ${print.temperature(phase.toC)}`;
    case 'hold':
      return clock.current?.seenByReadings ? 'hold, begun when it reached the band' : 'hold';
    case 'dip':
      return phase.act;
    case 'soak':
      return 'soaking';
    case 'until':
      return `until ${phase.criterion}`;
    case 'rest':
      return 'heat off, resting';
    default:
      return unreachable(phase);
  }
}

/** "now", or "in 9 min": rounded up, so that nobody is called early by a rounding. */
export const untilText = (dueMs: number, nowMs: number): string => (dueMs <= nowMs ? 'now' : `in ${printDuration(Math.ceil((dueMs - nowMs) / 60_000))}`);

function ago(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  if (seconds < 90) return `${seconds} s ago`;
  return `${printDuration(seconds / 60)} ago`;
}

function progress(clock: StepClock): StoveCard['progress'] {
  const now = clock.current;
  if (!now) return null;
  const { phase, credit, elapsedMin } = now;
  const isOpen = 'minutes' in phase && typeof phase.minutes === 'object' && phase.minutes.open;
  if (isOpen)
    return { text: `${printDuration(elapsedMin)} so far`, detail: 'as long as you see fit', donePct: Math.min(100, (elapsedMin / typicalMin(phase)) * 100) };
  if (phase.kind === 'hold' && credit) {
    const need = phase.minutes.typical;
    if (goesByClock(credit)) {
      return {
        text: `${heldOf(elapsedMin, phase.minutes)} by the clock`,
        detail: 'temperature not measured',
        donePct: Math.min(100, (elapsedMin / need) * 100),
      };
    }
    const got = creditedMin(credit);
    const parts = [
      part(credit.assumedMin, 'assumed'),
      part(credit.underMin, 'under'),
      part(credit.overMin, 'over'),
      part(credit.unmeasuredMin, 'not measured'),
    ].filter(Boolean);
    return {
      text: `${heldOf(got, phase.minutes)} in band`,
      detail: parts.join(', ') || 'all of it measured',
      donePct: Math.min(100, (got / need) * 100),
    };
  }
  if (phase.kind === 'dip') {
    const seconds = secondsLeft(dipNow(clock)?.leftMs ?? 0);
    return {
      text: seconds >= 0 ? `${printExactDuration(seconds * 1000)} left` : `${printExactDuration(-seconds * 1000)} over`,
      detail: `exactly ${printDuration(phase.exactMin)}`,
      donePct: Math.min(100, (elapsedMin / phase.exactMin) * 100),
    };
  }
  const planned = typicalMin(phase);
  return {
    text: `${printDuration(elapsedMin)} of about ${'minutes' in phase && typeof phase.minutes === 'object' ? lengthText(phase.minutes) : printDuration(planned)}`,
    detail: '',
    donePct: Math.min(100, (elapsedMin / Math.max(1, planned)) * 100),
  };
}

/** "12 of 60 min", and "60 min of 6–8 h": a bare number is read in the unit that follows it. */
function heldOf(heldMin: number, whole: SpanMin): string {
  const length = lengthText(whole);
  const held = Math.floor(heldMin);
  return `${/^[\d–]+ min$/.test(length) ? held : printDuration(held)} of ${length}`;
}

const part = (minutes: number, word: string): string => (minutes >= 1 ? `${printDuration(Math.round(minutes))} ${word}` : '');

/** Acts that make sense now, most likely first; everything else is one tap further. */
function actsOf(step: PlanStep, own: StepState, clock: StepClock): StoveAct[] {
  const { id: stepId } = step;
  if (own.status === 'paused') return [{ key: 'p', label: 'Go on', does: { log: [{ type: 'resumed', stepId }] } }];
  const on = (id: ActId): StoveAct => actOn(id, step, clock);
  const reading = on('reading');
  const next = nextAct(step, clock);
  switch (clock.current?.phase.kind) {
    case 'charge': {
      const missing = dueAdditions(step, own, clock.current.index);
      return [...missing.map((addition) => addAct(addition)).slice(0, 2), next, reading].slice(0, 3);
    }
    case 'hold':
      return [reading, on('stirred'), next];
    case 'soak':
    case 'until':
    case 'rest':
      return [on('checked'), reading, next];
    case 'raise':
      return [reading, on('heat'), next];
    default:
      return [next, on('note')];
  }
}

/** An act of the table on one step. */
export function actOn(id: ActId, step: PlanStep, clock: StepClock): StoveAct {
  if (id === 'next') return nextAct(step, clock);
  const { key, label, log } = actRow(id);
  return { key: key ?? '', label, does: !log && isAsk(id) ? { ask: id } : { log: log?.(step.id) ?? [] } };
}

const addAct = (addition: PlanStep['additions'][number]): StoveAct => ({
  key: actRow('addition').key ?? '',
  label: `${actRow('addition').label} ${addition.name}`,
  does: { ask: 'addition', additionId: addition.id },
});

/** On to the next part of the step, or its end. */
export function nextAct(step: PlanStep, clock: StepClock): StoveAct {
  const { id: stepId } = step;
  const index = clock.current?.index ?? -1;
  const next = step.phases[index + 1];
  if (!next) {
    const lifted: RunFact[] = clock.current?.phase.kind === 'lift' ? [{ type: 'lifted', stepId }] : [];
    return { key: 'b', label: clock.current?.phase.kind === 'hold' ? 'Heat off' : 'Done', does: { log: [...lifted, { type: 'stepFinished', stepId }] } };
  }
  const words = {
    charge: 'Begin',
    raise: 'Heat on',
    hold: 'Start hold',
    dip: 'Goods in',
    soak: 'Leave it',
    until: 'Leave it',
    rest: 'Heat off',
    lift: 'Lift',
  } as const;
  const phase = clock.current?.phase;
  const tap = phase?.kind === 'hold' ? phase.tap : undefined;
  return { key: 'b', label: tap ?? words[next.kind], does: { log: [{ type: 'phaseEntered', stepId, phaseIndex: index + 1 }] } };
}

/** What a call for hands logs when it is answered with one tap; null when it needs a word first. */
export function answerTo(nudge: Nudge, view: StoveView, plan: Plan): readonly RunFact[] | null {
  const step = plan.steps.find((s) => s.id === nudge.stepId);
  const clock = view.clocks[nudge.stepId];
  if (!step || !clock) return null;
  const { id: stepId } = step;
  switch (nudge.act) {
    case 'begin':
      return [{ type: 'phaseEntered', stepId, phaseIndex: 0 }];
    case 'stir':
      return [{ type: 'stirred', stepId }];
    case 'flip':
      return [{ type: 'flipped', stepId }];
    case 'tooHot':
      return [{ type: 'checked', stepId, finding: 'Too hot: turned down' }];
    case 'turnDown':
      return [{ type: 'heatSet', stepId, knob: view.heat[stepId]?.turnDown?.knob ?? null, hasLid: null }];
    case 'attend':
      return [{ type: 'checked', stepId, finding: 'Somebody is with it' }];
    case 'check':
      return [{ type: 'checked', stepId, finding: '' }];
    case 'add':
    case 'ph':
      return null;
    case 'nextPhase':
    case 'finish':
    case 'lift':
    case 'dip': {
      const { does } = nextAct(step, clock);
      return 'log' in does ? does.log : null;
    }
    default:
      return unreachable(nudge.act);
  }
}

/** A lot's colour now: as the plan expects after the steps that are over, half way while it is in the bath. */
function lotHex(plan: Plan, state: RunState, lotId: string, stepId: string): string {
  const lot = plan.lots.find((l) => l.id === lotId);
  let hex = lot?.baseHex ?? UNDYED_HEX;
  for (const step of plan.steps) {
    const after = lot?.expectedHex[step.id];
    if (after && (state.steps[step.id]?.status === 'done' || step.id === stepId)) hex = after;
  }
  return hex;
}

const liquorHex = (plan: Plan, step: PlanStep): string => {
  if (!step.dyestuffId) return 'var(--water)';
  const dyed = plan.lots.map((lot) => Object.values(lot.expectedHex)[0]).find(Boolean);
  return dyed ?? 'var(--water)';
};
