'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { LotView } from '@/contract/views';
import type { Draft, Plan, Vessel } from '@/core/plan/plan';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { blankDraft } from '../plan/draft';
import { canKeep, isHeld, PlanEditor } from '../plan/PlanEditor';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { useZone } from '../shell/useZone';

const KEY = 'hyndle.draft';

/** What was being typed survives a reload. */
function keptDraft(): Draft | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Draft | null;
    return kept && Array.isArray(kept.chain) && Array.isArray(kept.lotIds) ? kept : null;
  } catch {
    return null;
  }
}

export function NewSessionPage() {
  const lots = useLoaded<LotView[]>('/lots', (message) => message.kind === 'changed' && message.what === 'lot');
  const vessels = useLoaded<Vessel[]>('/vessels', (message) => message.kind === 'changed' && message.what === 'vessel');
  const book = useBook();
  const zone = useZone();
  const router = useRouter();
  const [changed, setDraft] = useState<Draft | null>(null);
  const [sessionId] = useState(newId);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => setDraft(keptDraft()), []);
  const change = (next: Draft) => {
    setDraft(next);
    localStorage.setItem(KEY, JSON.stringify(next));
  };
  if (lots.state === 'failed') return <FailedPage why={lots.why} retry={lots.retry} />;
  if (vessels.state === 'failed') return <FailedPage why={vessels.why} retry={vessels.retry} />;
  if (book.state === 'failed') return <FailedPage why={book.why} retry={book.retry} />;
  if (lots.state === 'loading' || vessels.state === 'loading' || book.state === 'loading' || !zone) return <LoadingPage what="fibre and vessels" />;
  const draft = changed ?? blankDraft(nowMs(), book.value.find);
  const keep = async () => {
    setProblem(null);
    try {
      const plan = await post<Plan>('/sessions', { id: sessionId, draft });
      localStorage.removeItem(KEY);
      router.push(`/sessions/${plan.sessionId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <PlanEditor
      draft={draft}
      onDraft={change}
      lots={lots.value}
      vessels={vessels.value}
      book={book.value}
      zone={zone}
      head={
        <>
          <h1>Plan a session</h1>
          {problem ? (
            <p className="banner banner-stop" role="alert">
              {problem}
            </p>
          ) : null}
        </>
      }
      keep={(plan) => (
        <>
          <button type="button" className="act" onClick={() => change(blankDraft(nowMs(), book.value.find))}>
            Begin anew
          </button>
          <button
            type="button"
            className="act act-strong"
            disabled={!canKeep(plan)}
            onClick={() => void keep()}
            title={canKeep(plan) ? undefined : 'Give it a name and at least one lot'}
          >
            {isHeld(plan) ? 'Keep the plan (a stop holds it)' : 'Keep the plan'}
          </button>
        </>
      )}
    />
  );
}
