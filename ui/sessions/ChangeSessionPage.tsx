'use client';
import { Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { LotView, SessionView } from '@/contract/views';
import type { Draft, Plan, Vessel } from '@/core/plan/plan';
import { errorText, post } from '../api/http';
import { useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { canKeep, PlanEditor } from '../plan/PlanEditor';
import { FailedPage, LoadingPage } from '../shell/PageState';

/** Changes a plan that has not been started: a new version with a reason. */
export function ChangeSessionPage({ sessionId }: { sessionId: string }) {
  const session = useLoaded<SessionView>(`/sessions/${sessionId}`, () => false);
  const lots = useLoaded<LotView[]>('/lots', (message) => message.kind === 'changed' && message.what === 'lot');
  const vessels = useLoaded<Vessel[]>('/vessels', (message) => message.kind === 'changed' && message.what === 'vessel');
  const book = useBook();
  const router = useRouter();
  const [changed, setChanged] = useState<Draft | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  for (const loaded of [session, lots, vessels, book]) if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  if (session.state !== 'ready' || lots.state !== 'ready' || vessels.state !== 'ready' || book.state !== 'ready') return <LoadingPage what="the plan" />;
  const { plan } = session.value;
  const draft = changed ?? plan.draft;
  const keep = async () => {
    setProblem(null);
    try {
      await post<Plan>(`/sessions/${sessionId}/plans`, { draft, reason, expectedVersion: plan.version });
      router.push(`/sessions/${sessionId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <PlanEditor
      draft={draft}
      onDraft={setChanged}
      lots={lots.value}
      vessels={vessels.value}
      book={book.value}
      zone={plan.home.diary.zone}
      head={
        <>
          <h1>
            Change {plan.name} <span className="quiet">plan {plan.version}</span>
          </h1>
          {problem ? (
            <p className="banner banner-stop" role="alert">
              {problem}
            </p>
          ) : null}
        </>
      }
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
          <button type="button" className="act act-strong" disabled={!changed || !canKeep(built) || reason.trim() === ''} onClick={() => void keep()}>
            Keep as plan {plan.version + 1}
          </button>
        </>
      )}
    />
  );
}
