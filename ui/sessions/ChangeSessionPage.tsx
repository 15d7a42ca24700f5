'use client';
import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { SessionView } from '@/contract/views';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { errorText, post } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { canKeep, PlanEditor } from '../plan/PlanEditor';
import { type PlanningRoom, useKitchen } from '../plan/useKitchen';
import { Notice } from '../shell/Notice';
import { FailedPage, LoadingPage } from '../shell/PageState';

/** Changes a plan that has not been started: a new version with a reason. */
export function ChangeSessionPage({ sessionId }: { sessionId: string }) {
  const session = useLoaded<SessionView>(`/sessions/${sessionId}`);
  const plan = session.state === 'ready' ? session.value.plan : null;
  const room = useKitchen(plan?.methods, plan?.sessionId ?? null);
  if (session.state === 'failed') return <FailedPage title="Change a plan" why={session.why} retry={session.retry} />;
  if (room.state === 'failed') return <FailedPage title="Change a plan" why={room.why} retry={room.retry} />;
  if (!plan || room.state === 'loading') return <LoadingPage title="Change a plan" shape="picture" />;
  return <Change plan={plan} room={room.value} />;
}

function Change({ plan: current, room }: { plan: Plan; room: PlanningRoom }) {
  const router = useRouter();
  // As it was opened: a version kept elsewhere meanwhile is pointed out by the server, not overwritten.
  const [plan] = useState(current);
  const [changed, setChanged] = useState<Draft | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    setProblem(null);
    try {
      await post<Plan>(`/sessions/${plan.sessionId}/plans`, { draft: changed ?? plan.draft, reason, expectedVersion: plan.version });
      router.push(`/sessions/${plan.sessionId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <PlanEditor
      room={room}
      draft={changed ?? plan.draft}
      onDraft={setChanged}
      first={plan}
      title={
        <>
          Change {plan.name} <span className="quiet">plan {plan.version}</span>
        </>
      }
      notices={problem ? <Notice kind="fault">{problem}</Notice> : null}
      keep={(built) => (
        <>
          <Input
            aria-label="Why the plan changes"
            placeholder="Why does it change?"
            maxLength={400}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            style={{ width: 240 }}
          />
          <Button type="primary" disabled={!changed || !canKeep(built) || reason.trim() === ''} onClick={() => void keep()}>
            Keep as plan {plan.version + 1}
          </Button>
        </>
      )}
    />
  );
}
