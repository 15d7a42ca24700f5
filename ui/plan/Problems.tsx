import type { PlanProblem } from '@/core/plan/plan';
import { Notice } from '../shell/Notice';

/** What keeps a plan from working out, in its place. */
export const Problems = ({ problems }: { problems: readonly PlanProblem[] }) =>
  problems.length === 0 ? null : (
    <Notice kind="fault">
      {problems.map((problem) => (
        <p key={`${problem.at}${problem.message}`}>{problem.message}</p>
      ))}
    </Notice>
  );
