import { printDuration } from '../measure/print';
import { onePass } from '../schedule/forward';
import type { Scheduled, ScheduleProblem } from '../schedule/problem';
import { isWait } from './phase';
import type { Plan } from './plan';

/** What typed waits cost: with those at what their methods allow, all would be over sooner. Offered, and never done by itself. */
export interface Saving {
  readonly endMs: number;
  readonly waits: readonly { readonly stepId: string; readonly index: number; readonly typedMin: number; readonly couldMin: number }[];
}

/** Less than this is not worth asking about. */
const WORTH_MS = 6 * 3_600_000;

/**
 * @param typed waits that a person typed, with the least that the method gives them, min
 * @returns null where shortening them would save less than six hours beyond their own minutes
 */
export function savingOf(
  problem: ScheduleProblem,
  planned: Scheduled,
  typed: readonly { readonly taskId: string; readonly index: number; readonly leastMin: number }[],
): Saving | null {
  if (typed.length === 0) return null;
  const minutesOf = (taskId: string, index: number) => problem.tasks.find(({ id }) => id === taskId)?.segments[index]?.typicalMin ?? 0;
  const plannedEndMs = endOf(planned);
  const leasts = typed.map(({ leastMin }) => leastMin);
  const least = onePass(withWaits(problem, typed, leasts));
  if (least.kind === 'infeasible' || plannedEndMs - endOf(least) < WORTH_MS) return null;
  // Given back as far as the same evening allows, one wait after the other.
  const couldMin = [...leasts];
  for (const [i, { taskId, index }] of typed.entries()) {
    const typedMin = minutesOf(taskId, index);
    for (let step = 0; step < TRIES; step++) {
      const minutes = Math.round(typedMin - ((typedMin - (leasts[i] ?? 0)) * step) / TRIES);
      const tried = onePass(withWaits(problem, typed, couldMin.with(i, minutes)));
      if (tried.kind === 'infeasible' || endOf(tried) > endOf(least) + SAME_EVENING_MS) continue;
      couldMin[i] = minutes;
      break;
    }
  }
  const best = onePass(withWaits(problem, typed, couldMin));
  const endMs = best.kind === 'infeasible' ? endOf(least) : endOf(best);
  const waits = typed.map(({ taskId, index }, i) => ({ stepId: taskId, index, typedMin: minutesOf(taskId, index), couldMin: couldMin[i] ?? 0 }));
  const shorter = waits.filter((wait) => wait.couldMin < wait.typedMin);
  return shorter.length > 0 && plannedEndMs - endMs >= WORTH_MS ? { endMs, waits: shorter } : null;
}

const TRIES = 8;
const SAME_EVENING_MS = 2 * 3_600_000;

/** The problem with these waits of these lengths, and drawn out where the diary wants it. */
const withWaits = (
  problem: ScheduleProblem,
  waits: readonly { readonly taskId: string; readonly index: number }[],
  minutes: readonly number[],
): ScheduleProblem => ({
  ...problem,
  tasks: problem.tasks.map((task) => ({
    ...task,
    segments: task.segments.map((segment, index) => {
      const min = minutes[waits.findIndex((wait) => wait.taskId === task.id && wait.index === index)];
      return min === undefined ? segment : { ...segment, minMin: min, typicalMin: min };
    }),
  })),
});

const endOf = ({ placed }: Scheduled): number => Math.max(...placed.map(({ endMs }) => endMs));

/** Ends are set to whole calendar minutes: less than this nobody notices in a wait of hours, min. */
const TOLD_FROM_MIN = 5;

/** Waits whose length the plan chose within their method’s range, each with both lengths and the reason. */
export function flexedText({ steps, inTime }: Pick<Plan, 'steps' | 'inTime'>): string[] {
  return steps.flatMap((step) =>
    step.phases.flatMap((phase, i) => {
      if (!isWait(phase) || phase.minutes.usual === undefined) return [];
      const { typical, usual } = phase.minutes;
      const isCut = inTime?.cuts.some((cut) => cut.taskId === step.id && cut.index === i);
      // What gives for a deadline is told where the deadline is.
      if (isCut || Math.abs(typical - usual) < TOLD_FROM_MIN) return [];
      const why = typical > usual ? 'nobody is there when the usual time is over' : 'that saves a night';
      return [`${step.title}: ${printDuration(typical)} instead of the usual ${printDuration(usual)}, because ${why}.`];
    }),
  );
}
