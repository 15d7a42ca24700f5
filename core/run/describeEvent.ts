import { knownOf, knownText } from '../figure';
import { printNumber } from '../measure/print';
import type { Printer } from '../measure/printer';
import type { Plan } from '../plan/plan';
import { unreachable } from '../result';
import type { CallAct, RunEvent, Tightness } from './events';
import { type Quantity, readingText } from './saidAs';

const PHASE_DOING = {
  charge: 'setting up',
  raise: 'heat on',
  hold: 'hold begun',
  dip: 'goods in',
  soak: 'left to soak',
  until: 'left until a look says so',
  rest: 'heat off, resting',
  lift: 'lifting',
} as const;

const CALL_SAYS = {
  begin: 'to begin',
  add: 'to add',
  ph: 'to measure the pH',
  nextPhase: 'to go on',
  stir: 'to stir',
  flip: 'to turn the load',
  check: 'to look',
  lift: 'to lift',
  finish: 'to end it',
  tooHot: 'that it is too hot',
  turnDown: 'to turn the heat down',
  attend: 'whether somebody is with it',
  dip: 'to lift now',
} as const satisfies Record<CallAct, string>;

/** How the heat was set, in words. */
export function heatText({ knob, hasLid }: { readonly knob: number | null; readonly hasLid: boolean | null }): string {
  const heat = knob === null ? (hasLid === null ? 'heat set anew' : '') : knob === 0 ? 'heat off' : `knob at ${printNumber(knob)}`;
  return [heat, hasLid === null ? '' : `lid ${hasLid ? 'on' : 'off'}`].filter(Boolean).join(', ');
}

const lotName = (plan: Pick<Plan, 'lots'>, lotId: string): string => plan.lots.find((lot) => lot.id === lotId)?.name ?? 'one lot';

const READ: Readonly<Record<Quantity, string>> = { bathC: 'reading', ph: 'pH', volumeMl: 'volume' };

/** One line of the log in words. */
export function describeEvent(event: RunEvent, plan: Plan, print: Printer, nameOf: (substance: string) => string): string {
  const step = 'stepId' in event ? plan.steps.find((s) => s.id === event.stepId) : undefined;
  switch (event.type) {
    case 'started':
      return `run begun, plan ${event.planVersion}`;
    case 'phaseEntered': {
      const phase = step?.phases[event.phaseIndex];
      return phase ? `${step.title}: ${PHASE_DOING[phase.kind]}` : `${step?.title ?? 'step'}: part ${event.phaseIndex + 1}`;
    }
    case 'reading':
      return `${READ[event.quantity]} ${readingText(event.quantity, event, print)}`;
    case 'lotWeighed':
      return `${plan.lots.find((lot) => lot.id === event.lotId)?.name ?? 'lot'} weighed: ${print.mass(event.dryWeightG)} dry`;
    case 'addition': {
      const known = knownOf(event.amount);
      if (known === 0) return `left out ${nameOf(event.substance)}`;
      const amount = known === null ? 'amount unknown' : knownText(known, (value) => print.amount(value, event.unit));
      return `added ${nameOf(event.substance)}, ${amount}${event.amount.state === 'estimated' ? ' (estimated)' : ''}`;
    }
    case 'stirred':
      return 'stirred';
    case 'flipped':
      return 'turned the load';
    case 'checked':
      return `looked${event.finding ? `: ${event.finding}` : ''}`;
    case 'heatSet':
      return heatText(event);
    case 'rolled':
      return rolledText(event);
    case 'callHeard':
      return `heard the call ${CALL_SAYS[event.call]}`;
    case 'callPutOff':
      return `put off the call ${CALL_SAYS[event.call]} until ${print.clock(event.untilMs)}`;
    case 'callLetGo':
      return event.call === 'ph' ? 'pH not measured' : `let the call ${CALL_SAYS[event.call]} go`;
    case 'moved':
      return `moved to ${plan.vessels.find((vessel) => vessel.id === event.toVesselId)?.name ?? event.toVesselId}`;
    case 'lifted':
      return 'lifted';
    case 'lotOut':
      return `${lotName(plan, event.lotId)} alone out`;
    case 'lotIn':
      return `${lotName(plan, event.lotId)} ${event.joined ? 'added later' : 'alone back in'}`;
    case 'note':
      return event.text;
    case 'paused':
      return `paused${event.reason ? `: ${event.reason}` : ''}`;
    case 'resumed':
      return 'went on';
    case 'stepFinished':
      return `${step?.title ?? 'step'} done`;
    case 'skipped':
      return `${step?.title ?? 'step'} skipped: ${event.reason}`;
    case 'replanned':
      return `plan ${event.planVersion}: ${event.reason}`;
    case 'finished':
      return 'run finished';
    case 'amended':
      return event.change.kind === 'withdrawn' ? 'took an entry back' : 'set an entry to another time';
    default:
      return unreachable(event);
  }
}

/** "rolled tightly, without a barrier". */
export const rolledText = ({ tightness, hasBarrier }: { readonly tightness: Tightness | null; readonly hasBarrier: boolean | null }): string =>
  [`rolled${tightness ? ` ${tightness}` : ''}`, hasBarrier === null ? '' : hasBarrier ? 'with a barrier' : 'without a barrier'].filter(Boolean).join(', ');
