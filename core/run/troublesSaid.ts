import { measured, UNKNOWN } from '../figure';
import { holdsMany } from '../kitchen/vessel';
import { printDuration } from '../measure/print';
import { isHeated } from '../plan/phase';
import type { PlanStep } from '../plan/plan';
import { canRescue } from '../plan/rescue';
import type { AssistantGroup } from '../shelf/assistant';
import { shelfOf } from '../shelf/library';
import { dueAdditions } from './dueAdditions';
import { LONGEST_PUT_OFF_MS, type RunFact } from './events';
import { type Choice, type Moment, type Otherwise, onward, type SaidTrouble } from './otherwise';

const MIN = 60_000;

/** What can be done about something that a person saw. */
export function troubleSaid(trouble: SaidTrouble, step: PlanStep, moment: Moment): Otherwise {
  switch (trouble) {
    case 'boiledOver':
      return boiledOver(step, moment);
    case 'nothingTakes':
      return nothingTakes(step, moment);
    case 'missing':
      return missing(step, moment);
    case 'forgotten':
      return forgotten(step, moment);
  }
}

const seen = (stepId: string, finding: string): RunFact => ({ type: 'checked', stepId, finding });

function boiledOver(step: PlanStep, { plan, state }: Moment): Otherwise {
  const stepId = step.id;
  const bigger = plan.vessels.some(
    (vessel) =>
      !holdsMany(vessel) && (vessel.litres ?? 0) > (plan.vessels.find(({ id }) => id === (state.steps[stepId]?.vesselId ?? step.vesselId))?.litres ?? 0),
  );
  const log = (finding: string, ...more: RunFact[]) => ({ log: [seen(stepId, finding), ...more] });
  return {
    trouble: 'boiledOver',
    stepId,
    says: 'Heat off first, and a flame out; hands off what is wet until it has cooled. Then:',
    choices: [
      {
        title: 'Top it up with hot water to where it was',
        price: 'What went over took its share of colour along: that much paler. The goods stay covered, the dose per litre falls.',
        does: log('boiled over', { type: 'addition', stepId, additionId: null, substance: 'water', amount: UNKNOWN, unit: 'mL' }),
      },
      {
        title: 'Go on with what is left',
        price: 'As strong as it was, with less room: uneven where the goods are not covered. Turn them more often.',
        does: log('boiled over, gone on with what is left'),
      },
      {
        title: bigger ? 'Into a bigger pot' : 'Into another pot',
        price: 'Costs a carry of hot liquid: let it cool first. Then it does not happen again.',
        does: { ask: 'move' },
      },
    ],
  };
}

/** Time on the heat that shows whether more of it helps, min (common practice, no source). */
const LONGER_MIN = 30;

function nothingTakes(step: PlanStep, { plan, clocks, nowMs, print }: Moment): Otherwise {
  const stepId = step.id;
  const clock = clocks[stepId];
  // What ends this part is called for so much later.
  const call = onward(step, clock).type === 'phaseEntered' ? 'nextPhase' : 'finish';
  const longerMs = Math.min(LONGEST_PUT_OFF_MS, (Math.max(0, clock?.current?.leftMin ?? 0) + LONGER_MIN) * MIN);
  const gap = plan.absences.find(({ toMs }) => toMs > nowMs);
  const fits = !gap || nowMs + LONGER_MIN * MIN <= gap.fromMs;
  const choices: Choice[] = [
    { title: 'Read a strip', price: 'Costs a minute. Above pH 10 wool stops taking, and then no time and no heat help.', does: { ask: 'ph' } },
    {
      title: `${printDuration(LONGER_MIN)} longer, at the top of its band`,
      price: `Costs ${printDuration(LONGER_MIN)} of heat${fits ? '' : `, past ${print.clock(gap.fromMs)}, when nobody is there`}. Helps where a bath is cold or young.`,
      does: {
        log: [seen(stepId, `nothing takes: ${printDuration(LONGER_MIN)} longer`), { type: 'callPutOff', stepId, call, untilMs: Math.round(nowMs + longerMs) }],
      },
    },
  ];
  if (canRescue(step))
    choices.push({
      title: 'Lift all, mordant them, and back in',
      price: 'Costs an hour to an hour and a half of alum and a second heating up; without a mordant most dyes hold nothing.',
      does: { rescue: step.lotIds },
    });
  else choices.push({ title: 'Take it as it is', price: 'Costs nothing. “No clear shift” is a result.', does: { log: [seen(stepId, 'nothing took')] } });
  return { trouble: 'nothingTakes', stepId, says: 'Nothing takes. Cheapest first:', choices };
}

/** What going without it means (trade handbook sections 5 and 13; common practice, no source). */
const WITHOUT: Readonly<Partial<Record<AssistantGroup, string>>> = {
  mordant: 'Without a mordant most dyes are pale and wash out.',
  tannin: 'Without tannin plant fibre takes less mordant, and less colour.',
  scour: 'What is not scoured takes unevenly.',
  acid: 'The shade leans the other way, and may be duller.',
  alkali: 'The shade leans the other way, and may be duller.',
  thickener: 'A paste without it runs.',
};

function missing(step: PlanStep, { plan, state, clocks }: Moment): Otherwise {
  const stepId = step.id;
  const own = state.steps[stepId];
  const due = own ? dueAdditions(step, own, clocks[stepId]?.current?.index ?? 0) : [];
  const shelf = shelfOf(plan.own);
  return {
    trouble: 'missing',
    stepId,
    says: due.length > 0 ? `Still to go in: ${due.map(({ name }) => name).join(', ')}.` : 'All that was planned so far went in.',
    choices: [
      ...due.map(({ id, name, substance, unit }): Choice => {
        const without = WITHOUT[shelf.assistant(substance)?.group ?? 'other'] ?? 'What it was for, it does not do.';
        return {
          title: `Go on without ${name}`,
          price: `Costs no time. ${without} The log says that it was left out.`,
          does: { log: [{ type: 'addition', stepId, additionId: id, substance, amount: measured(0), unit }] },
        };
      }),
      { title: 'Something in its place', price: 'Said before it is poured, if the two must not meet. Its dose is another.', does: { ask: 'addition' } },
      { title: 'Heat off until it is there', price: 'Costs the time it takes. The hold stands still; goods may rest in the bath.', does: { ask: 'pause' } },
    ],
  };
}

function forgotten(step: PlanStep, { clocks, state, nowMs }: Moment): Otherwise {
  const stepId = step.id;
  const clock = clocks[stepId];
  const touchedMs = state.touchedMs;
  const since = touchedMs === null ? '' : ` Nothing was written down for ${printDuration(Math.max(0, (nowMs - touchedMs) / MIN))}.`;
  const now = clock?.current?.phase;
  return {
    trouble: 'forgotten',
    stepId,
    says: `Look at it first: the water, the goods, the smell.${since}`,
    choices: [
      {
        title: 'It went on all the time',
        price:
          now && isHeated(now)
            ? 'Counts by the clock; how hot it was, nobody knows, and the record says so. Wool may be harsher, colour browner.'
            : 'Counts by the clock. Wet so long, plants and wool may smell or grow mould.',
        does: { log: [seen(stepId, 'forgotten; it went on all the time')] },
      },
      {
        title: now && isHeated(now) ? 'The heat was off for some of it' : 'It was taken out for some of it',
        price: 'Say since when: those minutes do not count.',
        does: { ask: 'pause' },
      },
      {
        title: 'End this part now',
        price: 'Costs nothing more. What it had stands in the record as far as anybody knows.',
        does: { log: [seen(stepId, 'forgotten'), onward(step, clock)] },
      },
    ],
  };
}
