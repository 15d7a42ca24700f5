'use client';
import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useContext, useEffect, useState } from 'react';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { MadeAt, nowMs } from '../api/serverClock';
import { blankDraft } from '../plan/draft';
import { forgetDraft, keepDraft, keptDraft } from '../plan/keptDraft';
import { canKeep, isHeld, PlanEditor } from '../plan/PlanEditor';
import { type PlanningRoom, useKitchen } from '../plan/useKitchen';
import { FailedPage } from '../shell/FailedPage';
import { Guard } from '../shell/Guard';
import { LoadingPage } from '../shell/LoadingPage';
import { Notice } from '../shell/Notice';

export function NewSessionPage() {
  const room = useKitchen();
  if (room.state === 'failed') return <FailedPage title="Plan a session" why={room.why} retry={room.retry} />;
  if (room.state === 'loading') return <LoadingPage title="Plan a session" shape="picture" />;
  return (
    <Guard what="The plan that was being made" otherwise={{ label: 'Begin anew', does: forgetDraft }}>
      <NewSession room={room.value} />
    </Guard>
  );
}

function NewSession({ room }: { room: PlanningRoom }) {
  const router = useRouter();
  // The same in the first paint on the server and in the browser; what was kept comes a moment later.
  const madeAtMs = useContext(MadeAt);
  const [draft, setDraft] = useState<Draft>(() => blankDraft(madeAtMs));
  const [sessionId] = useState(newId);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const kept = keptDraft();
    if (kept) setDraft(kept);
  }, []);
  const change = (next: Draft) => {
    setDraft(next);
    keepDraft(next);
  };
  const keep = async () => {
    setProblem(null);
    try {
      const plan = await post<Plan>('/sessions', { id: sessionId, draft });
      forgetDraft();
      router.push(`/sessions/${plan.sessionId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  const missing = [draft.name.trim() === '' ? 'a name' : '', draft.lotIds.length === 0 ? 'fibre' : ''].filter(Boolean).join(' and ');
  return (
    <PlanEditor
      room={room}
      draft={draft}
      onDraft={change}
      first={null}
      title="Plan a session"
      notices={problem ? <Notice kind="fault">{problem}</Notice> : null}
      keep={(plan) => (
        <>
          {missing ? <span className="quiet">It still needs {missing}.</span> : null}
          <Button onClick={() => change(blankDraft(nowMs()))}>Begin anew</Button>
          <Button type="primary" disabled={!canKeep(plan)} onClick={() => void keep()}>
            {isHeld(plan) ? 'Keep the plan (a stop holds it)' : 'Keep the plan'}
          </Button>
        </>
      )}
    />
  );
}
