import { Button } from 'antd';
import { inTimeText } from '@/core/plan/inTimeText';
import type { Plan } from '@/core/plan/plan';
import { nowMs } from '../api/serverClock';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';

interface Props {
  readonly plan: Plan;
  /** Takes another beginning; missing: it is only told of. */
  readonly onBegin?: (startMs: number) => void;
}

/** Whether the plan is over when it must be: what gives for it, or by how much it is not, and another beginning in one tap. */
export function InTime({ plan, onBegin }: Props) {
  const print = usePrint();
  if (!plan.inTime) return null;
  const now = nowMs();
  const { isMet, says, more, beginMs } = inTimeText(plan, plan.inTime, (ms) => print.date(ms, now), now);
  return (
    <Notice acts={onBegin && beginMs !== null ? <Button onClick={() => onBegin(beginMs)}>Begin {print.date(beginMs, now)}</Button> : null}>
      {isMet ? says : <strong>{says}</strong>} {more}
    </Notice>
  );
}
