'use client';
import { Drawer } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { RunView, SessionView } from '@/contract/views';
import { isStop } from '@/core/safety/finding';
import { printDay } from '@/core/time/zone';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { PlanTotals } from '../plan/PlanHead';
import { StepDetails } from '../plan/StepDetails';
import { Findings } from '../shell/Findings';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { Warp } from '../warp/Warp';

/** A session's plan as its warp, with everything that can be done about it. */
export function SessionPage({ sessionId, version }: { sessionId: string; version: number | null }) {
  const path = version === null ? `/sessions/${sessionId}` : `/sessions/${sessionId}/plans/${version}`;
  const loaded = useLoaded<SessionView>(path, (message) => message.kind === 'changed' && message.what === 'session' && message.id === sessionId);
  const router = useRouter();
  const now = useNow(30_000);
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  // One pair for this page: pressing Start again after a lost answer starts nothing twice.
  const [ids] = useState(() => ({ run: newId(), event: newId() }));
  const [starting, setStarting] = useState(false);
  if (loaded.state === 'loading') return <LoadingPage what="the plan" />;
  if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  const { plan, versions, runId } = loaded.value;
  const isNewest = plan.version === versions.at(-1)?.version;
  const step = plan.steps.find((s) => s.id === chosen);
  const stopped = plan.findings.some(isStop);
  const title = (stepId: string) => plan.steps.find((s) => s.id === stepId)?.title ?? '';
  const start = async () => {
    setStarting(true);
    setProblem(null);
    try {
      const view = await post<RunView>(`/sessions/${sessionId}/runs`, { id: ids.run, eventId: ids.event, planVersion: plan.version });
      router.push(`/runs/${view.run.id}`);
    } catch (error) {
      setProblem(errorText(error));
      setStarting(false);
    }
  };
  return (
    <div className="page page-wide">
      <header className="page-head">
        <div className="page-title">
          <h1>
            {plan.name} <span className="quiet">plan {plan.version}</span>
          </h1>
          <PlanTotals plan={plan} />
        </div>
        <Link className="act" href={`/sessions/${sessionId}/weigh-out`}>
          Weigh out
        </Link>
        {runId ? (
          <>
            <Link className="act" href={`/runs/${runId}/record`}>
              Record
            </Link>
            <Link className="act act-strong" href={`/runs/${runId}`}>
              To the stove
            </Link>
          </>
        ) : isNewest ? (
          <>
            <Link className="act" href={`/sessions/${sessionId}/change`}>
              Change
            </Link>
            <button
              type="button"
              className="act act-strong"
              onClick={() => void start()}
              disabled={stopped || starting}
              title={stopped ? 'A stop holds this plan' : undefined}
            >
              {starting ? 'Starting …' : 'Start'}
            </button>
          </>
        ) : null}
      </header>
      {isNewest ? null : (
        <p className="banner">
          This is an older plan. <Link href={`/sessions/${sessionId}`}>See the newest.</Link>
        </p>
      )}
      {problem ? (
        <p className="banner banner-stop" role="alert">
          {problem}
        </p>
      ) : null}
      {!runId && plan.questions.some((question) => question.answer === null) ? (
        <p className="banner">
          Is it mordanted? Nobody is sure of{' '}
          {plan.questions
            .filter((question) => question.answer === null)
            .map((question) => plan.lots.find((lot) => lot.id === question.lotId)?.name)
            .join(', ')}
          . {isNewest ? <Link href={`/sessions/${sessionId}/change`}>Choose what to do about it.</Link> : null}
        </p>
      ) : null}
      <Findings findings={plan.findings} stepTitle={title} />
      <Warp plan={plan} nowMs={now} chosenStepId={chosen} onChoose={setChosen} />
      {versions.length > 1 ? (
        <details className="versions">
          <summary>{versions.length} versions of this plan</summary>
          <ul>
            {versions.map((v) => (
              <li key={v.version}>
                <Link href={`/sessions/${sessionId}?plan=${v.version}`}>Plan {v.version}</Link>, {printDay(v.createdAtMs, plan.home.diary.zone)}: {v.reason}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      <Drawer
        open={step !== undefined}
        onClose={() => setChosen(null)}
        size={440}
        mask={false}
        title={null}
        closable={{ placement: 'end' }}
        aria-label={step?.title ?? 'Step'}
      >
        {step ? <StepDetails plan={plan} step={step} /> : null}
      </Drawer>
    </div>
  );
}
