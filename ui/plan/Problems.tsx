import type { PlanProblem } from '@/core/plan/plan';
import { Notice } from '../shell/Notice';

/** What a plan still lacks before it works out, in its place. It is no stop: red is kept for those. */
export const Problems = ({ problems }: { problems: readonly PlanProblem[] }) =>
  problems.length === 0 ? null : (
    <Notice>
      {problems.map((problem) => (
        <p key={`${problem.at}${problem.message}`}>{problem.message}</p>
      ))}
    </Notice>
  );
