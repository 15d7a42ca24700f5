import { seededChance } from '../chance';
import { boundMs as boundOf, forwardPass, inOrder, onePass } from './forward';
import type { Scheduled, ScheduleProblem, ScheduleResult, Task } from './problem';

/** Orders tried: some hundreds for a small plan, fewer for a big one, so that all take about a tenth of a second. */
const triesFor = (tasks: number): number => Math.max(6, Math.min(300, Math.round(6000 / Math.max(1, tasks * tasks))));

/**
 * The forward pass over many orders of the same tasks: the one that ends soonest wins, the order of the chain where it is
 * as good. The same problem gives the same plan. A chain that cannot be placed in its own order may be in another.
 */
export function bestOrder(problem: ScheduleProblem): ScheduleResult {
  let best = forwardPass(problem);
  if (problem.tasks.length < 3) return best;
  const boundMs = best.kind === 'planned' ? best.boundMs : boundOf(problem);
  const chance = seededChance(problem.tasks.length * 7919 + 1);
  for (let i = 0; i < triesFor(problem.tasks.length); i++) {
    if (best.kind === 'planned' && endOf(best) <= boundMs) break;
    const tried = onePass({ ...problem, tasks: shuffled(problem.tasks, chance) });
    if (tried.kind === 'planned' && (best.kind === 'infeasible' || endOf(tried) < endOf(best))) best = { ...inOrder(tried, problem.tasks), boundMs };
  }
  return best;
}

/** When the last of it is over, ms. */
export const endOf = ({ placed }: Pick<Scheduled, 'placed'>): number => Math.max(...placed.map(({ endMs }) => endMs));

/** Another order in which every task still comes after what it waits for. */
function shuffled(tasks: readonly Task[], chance: () => number): Task[] {
  const waiting = [...tasks];
  const done = new Set<string>();
  const order: Task[] = [];
  while (waiting.length > 0) {
    const ready = waiting.filter((task) => task.after.every((link) => done.has(link.taskId)));
    const next = ready[Math.floor(chance() * ready.length)] ?? waiting[0];
    if (!next) break;
    waiting.splice(waiting.indexOf(next), 1);
    done.add(next.id);
    order.push(next);
  }
  return order;
}
