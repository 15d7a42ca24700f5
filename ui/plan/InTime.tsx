import { Button } from 'antd';
import type { Draft } from '@/core/plan/draft';
import { inTimeText } from '@/core/plan/inTimeText';
import type { Plan } from '@/core/plan/plan';
import { nowMs } from '../api/serverClock';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';

interface Props {
  readonly plan: Plan;
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
}

/** Whether the plan is over when it must be: what gives for it, or by how much it is not, and another beginning in one tap. */
export function InTime({ plan, draft, onDraft }: Props) {
  const print = usePrint();
  if (!plan.inTime) return null;
  const now = nowMs();
  const { isMet, says, more, beginMs } = inTimeText(plan, plan.inTime, (ms) => print.date(ms, now), now);
  return (
    <Notice acts={beginMs === null ? null : <Button onClick={() => onDraft({ ...draft, startMs: beginMs })}>Begin {print.date(beginMs, now)}</Button>}>
      {isMet ? says : <strong>{says}</strong>} {more}
    </Notice>
  );
}
