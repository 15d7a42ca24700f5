import { printDuration } from '../measure/print';
import type { InTime } from '../schedule/inTime';
import type { Plan } from './plan';

/** A plan and the moment at which it must be over, in sentences. */
export interface InTimeText {
  readonly isMet: boolean;
  /** How it stands, in a sentence, and what gives or would have to. */
  readonly says: string;
  readonly more: string;
  /** A start that is offered instead; null: none that is still to come, or another would change nothing. */
  readonly beginMs: number | null;
}

/** @param dateOf prints a day and its time */
export function inTimeText(plan: Pick<Plan, 'steps' | 'draft'>, inTime: InTime, dateOf: (ms: number) => string, nowMs: number): InTimeText {
  const { endByMs, isMet, cuts, leastEndMs, latestStartMs } = inTime;
  const minutes = (ms: number): string => printDuration(Math.round(ms / 60_000));
  const endMs = Math.max(...plan.steps.map((step) => step.endMs));
  const beginMs = latestStartMs !== null && latestStartMs >= nowMs && latestStartMs !== plan.draft.startMs ? latestStartMs : null;
  if (isMet) {
    const gives = cuts.map(({ taskId, usualMin, nowMin }) => `${titleOf(plan, taskId)} ${printDuration(nowMin)} instead of ${printDuration(usualMin)}`);
    const slack = endByMs - endMs >= 60_000 ? `, ${minutes(endByMs - endMs)} before it must be` : '';
    const latest = beginMs === null ? '' : ` It may begin as late as ${dateOf(beginMs)}${cuts.length > 0 ? ', with every wait at its least' : ''}.`;
    return {
      isMet,
      says: `Over in time: ${dateOf(endMs)}${slack}.`,
      more: `${gives.length > 0 ? ` For that, ${gives.join('; ')}.` : ''}${latest}`.trim(),
      beginMs,
    };
  }
  const least = leastEndMs === null ? '' : ` With every wait at its least it is over ${dateOf(leastEndMs)}, still ${minutes(leastEndMs - endByMs)} too late.`;
  const begin =
    latestStartMs === null
      ? ''
      : beginMs === null
        ? ` It would have had to begin ${dateOf(latestStartMs)}.`
        : ` It has to begin ${dateOf(beginMs)} at the latest, with every wait at its least.`;
  const longest = longestWaits(plan);
  const leave = longest.length > 0 ? ` What takes longest: ${longest.map(({ title, min }) => `${title} ${printDuration(min)}`).join(', ')}.` : '';
  return { isMet, says: `Over ${dateOf(endMs)}, ${minutes(endMs - endByMs)} too late.`, more: `${least}${begin}${leave}`.trim(), beginMs };
}

const titleOf = (plan: Pick<Plan, 'steps'>, stepId: string): string => plan.steps.find(({ id }) => id === stepId)?.title ?? 'A step';

const MOST_NAMED = 3;

/** The steps that keep a plan longest, from their first hand to their last. */
const longestWaits = ({ steps }: Pick<Plan, 'steps'>): { title: string; min: number }[] =>
  steps
    .map(({ title, startMs, endMs }) => ({ title, min: Math.round((endMs - startMs) / 60_000) }))
    .toSorted((a, b) => b.min - a.min)
    .slice(0, MOST_NAMED);
