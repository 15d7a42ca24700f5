import { estimated } from '../figure';
import { above } from '../measure/limits';
import { printDuration } from '../measure/print';
import { isHeated, lengthText } from '../plan/phase';
import type { PlanStep } from '../plan/plan';
import { TAP_C } from '../plan/resolvePhases';
import { bathVolumeMl } from './bathLine';
import { beforeDip } from './beforeDip';
import { type Choice, type Moment, type Otherwise, onward } from './otherwise';

const MIN = 60_000;
/** Behind the plan by less than this, nothing need be done. */
const LATE_MIN = 10;
/** Bedtime is thought of so long before it. */
const AHEAD_MIN = 120;
/** Cold water in one go that takes a bath down by more is a shock to wool, K (our estimate). */
const SHOCK_K = 8;

/** What is seen by itself, most pressing first. */
export function troublesSeen(moment: Moment): Otherwise[] {
  const { plan, state } = moment;
  const running = plan.steps.filter(({ id }) => state.steps[id]?.status === 'running');
  const each = (found: (step: PlanStep, moment: Moment) => Otherwise | null) => running.flatMap((step) => found(step, moment) ?? []);
  return [...each(tooHot), ...each(beforeDip), ...each(bedtime), ...late(moment)];
}

function tooHot(step: PlanStep, moment: Moment): Otherwise | null {
  const { clocks, heat, print } = moment;
  const clock = clocks[step.id];
  const phase = clock?.current?.phase;
  const hold = phase?.kind === 'hold' ? phase : phase?.kind === 'raise' ? step.phases.find((one) => one.kind === 'hold') : undefined;
  const c = clock?.latestC?.bathC;
  if (hold?.kind !== 'hold' || hold.ceilingC === null || c === undefined || !above(c, hold.ceilingC)) return null;
  const stepId = step.id;
  const target = hold.bandC ? (hold.bandC[0] + hold.bandC[1]) / 2 : hold.ceilingC - 2;
  const down = heat[stepId]?.turnDown;
  const choices: Choice[] = [
    {
      title: down?.knob == null ? 'Turn it down, lid off' : `Turn it down to ${down.knob}, lid off`,
      price: 'Costs some minutes above its limit: read it again in five.',
      does: { log: [{ type: 'heatSet', stepId, knob: down?.knob ?? null, hasLid: false }] },
    },
  ];
  const cold = coldFor(step, moment, c, target);
  if (cold) {
    const shock = above(c - target, SHOCK_K) ? ' In several goes: wool minds a sudden drop.' : '';
    choices.push({
      title: `Pour in about ${print.volume(cold.mL)} of cold water`,
      price: `At about ${print.temperature(Math.round(target))} at once; the bath is ${Math.round(cold.thinnerPct)} % thinner. ${cold.fits}${shock}`,
      does: { log: [{ type: 'addition', stepId, additionId: null, substance: 'water', amount: estimated(cold.mL), unit: 'mL' }] },
    });
  }
  if (step.lotIds.length > 0)
    choices.push({
      title: 'Lift the goods until it has come down',
      price: 'Costs their minutes in the bath: the hold stands still meanwhile. In the air they cool slowly, which wool likes.',
      does: { log: [{ type: 'paused', stepId, reason: `goods lifted at ${print.temperature(c)}, too hot` }] },
    });
  return { trouble: 'tooHot', stepId, says: `${print.temperature(c)}, above its limit of ${print.temperature(hold.ceilingC)}.`, choices };
}

/** Cold tap water that takes a bath down to a temperature; null where nobody knows how much is in it. */
function coldFor(
  step: PlanStep,
  { plan, state, nowMs }: Moment,
  c: number,
  targetC: number,
): { readonly mL: number; readonly thinnerPct: number; readonly fits: string } | null {
  const volumeMl = bathVolumeMl(plan, state, step, nowMs);
  if (volumeMl === null || volumeMl <= 0 || targetC <= TAP_C || c <= targetC) return null;
  // Two figures are as much as a jug tells.
  const mL = Number(((volumeMl * (c - targetC)) / (targetC - TAP_C)).toPrecision(2));
  const litres = plan.vessels.find(({ id }) => id === (state.steps[step.id]?.vesselId ?? step.vesselId))?.litres ?? null;
  const roomMl = litres === null ? null : litres * 1000 - volumeMl;
  const fits = roomMl === null ? 'Whether it fits, look first.' : roomMl >= mL ? 'It fits.' : 'It does not fit: ladle as much out first.';
  return { mL, thinnerPct: (mL / (volumeMl + mL)) * 100, fits };
}

function bedtime(step: PlanStep, { plan, clocks, nowMs, print }: Moment): Otherwise | null {
  const clock = clocks[step.id];
  const now = clock?.current;
  if (now?.phase.kind !== 'hold' || !isHeated(now.phase) || now.leftMin == null) return null;
  const gap = plan.absences.find(({ toMs }) => toMs > nowMs);
  if (!gap || gap.fromMs <= nowMs) return null;
  const thereMin = (gap.fromMs - nowMs) / MIN;
  const [overMin, stepId] = [now.leftMin - thereMin, step.id];
  if (thereMin > AHEAD_MIN || overMin < 1) return null;
  const until = print.clock(gap.fromMs);
  const held = `${printDuration(Math.floor(now.elapsedMin))} of ${lengthText(now.phase.minutes)}`;
  const raise = step.phases.find((phase) => phase.kind === 'raise');
  return {
    trouble: 'bedtime',
    stepId,
    says: `The hold wants ${printDuration(Math.ceil(now.leftMin))} more, and you are there until ${until}.`,
    choices: [
      {
        title: 'Heat off now, on again when you are back',
        price: `The hold stands still at ${held}; the goods may rest in the cooling bath. Costs ${raise?.kind === 'raise' ? `about ${printDuration(raise.minutes)} of` : 'a second'} heating up, from ${print.dayClock(gap.toMs)}.`,
        does: { log: [{ type: 'paused', stepId, reason: `heat off until ${print.dayClock(gap.toMs)}` }] },
      },
      {
        title: 'Let what it has be enough',
        price: `Ends the hold now, after ${held}. Paler, and nobody can say by how much; a night in the bath gives some of it back.`,
        does: { log: [onward(step, clock)] },
      },
      {
        title: `Stay with it until ${print.clock(nowMs + now.leftMin * MIN)}`,
        price: `Costs you ${printDuration(Math.ceil(overMin))}. Heat is never left alone.`,
        does: { log: [{ type: 'note', stepId, text: `staying up until ${print.clock(nowMs + now.leftMin * MIN)} for the hold` }] },
      },
    ],
  };
}

function late({ plan, state, lateMin, print }: Moment): Otherwise[] {
  if (lateMin < LATE_MIN) return [];
  const behind = printDuration(lateMin);
  const byMs = lateMin * MIN;
  const waiting = plan.steps.filter(({ id }) => state.steps[id]?.status === 'waiting');
  const endMs = Math.max(...plan.steps.map((step) => step.endMs));
  const unwatched = waiting.find((step) =>
    step.phases.some((phase, i) => {
      const at = step.phaseTimes[i];
      return at && isHeated(phase) && plan.absences.some((gap) => gap.fromMs < at.toMs + byMs && gap.toMs > at.fromMs + byMs);
    }),
  );
  const moves = unwatched
    ? `${unwatched.title} would come to be on the heat while nobody is there, and moves to when you are back.`
    : `All of it comes about ${behind} later: done about ${print.dayClock(endMs + byMs)}.`;
  return [
    {
      trouble: 'late',
      stepId: null,
      says: `${behind} behind the plan.`,
      choices: [
        { title: 'Fit the rest from now', price: moves, does: { replan: `${behind} behind the plan` } },
        { title: 'Leave the plan', price: `Costs nothing. What is not begun yet is called at its old hour, ${behind} early.`, does: { leave: true } },
      ],
    },
  ];
}
