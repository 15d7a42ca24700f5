import { isStop } from '../safety/finding';
import type { Plan } from './plan';

/**
 * What facts that came after a plan was kept (a label read, a weight, a mordant found out) make of it, in words; null where nothing of it
 * changes. Times are left out: they go by the clock.
 * @param now the same draft, worked out anew
 */
export function whatChanged(kept: Pick<Plan, 'findings' | 'questions' | 'steps'>, now: Pick<Plan, 'findings' | 'questions' | 'steps'>): string | null {
  const says: string[] = [];
  const stops = (plan: Pick<Plan, 'findings'>): number => plan.findings.filter(isStop).length;
  const lifted = stops(kept) - stops(now);
  if (lifted > 0) says.push(lifted === 1 ? 'a stop is answered' : `${lifted} stops are answered`);
  if (lifted < 0) says.push('there is something to stop for');
  const open = (plan: Pick<Plan, 'questions'>): number => plan.questions.filter(({ answer }) => answer === null).length;
  if (open(now) < open(kept)) says.push('a question is answered');
  const amounts = (plan: Pick<Plan, 'steps'>): string =>
    JSON.stringify(plan.steps.map(({ id, additions, water }) => [id, [...additions, water].map((one) => one && [one.id, one.form, one.proposed.result])]));
  if (amounts(kept) !== amounts(now)) says.push('amounts are others');
  return says.length === 0 ? null : says.join(', ');
}
