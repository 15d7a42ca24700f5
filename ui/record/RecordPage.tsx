'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { RunRecord, RunView } from '@/contract/views';
import { printDuration } from '@/core/measure/print';
import { foldRun } from '@/core/run/fold';
import { printDayClock } from '@/core/time/zone';
import { useLoaded } from '../api/useLoaded';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { RunLog } from '../stove/RunLog';
import { StitchPatch } from '../theme/stitches';
import { Warp } from '../warp/Warp';
import { actualTimes } from './actualTimes';

const TemperatureChart = dynamic(() => import('./TemperatureChart').then((module) => module.TemperatureChart), {
  loading: () => <LoadingPage what="the curves" />,
});
const BathsLeft = dynamic(() => import('./BathsLeft').then((module) => module.BathsLeft));
const AgainDialog = dynamic(() => import('./AgainDialog').then((module) => module.AgainDialog));

/** What was planned beside what was done, the differences in words, the curves, the log. */
export function RecordPage({ runId }: { runId: string }) {
  const concerns = (message: Parameters<Parameters<typeof useLoaded>[1]>[0]) =>
    (message.kind === 'event' && message.runId === runId) || (message.kind === 'changed' && message.what === 'run' && message.id === runId);
  const loadedView = useLoaded<RunView>(`/runs/${runId}`, concerns);
  const loadedRecord = useLoaded<RunRecord>(`/runs/${runId}/record`, concerns);
  const [again, setAgain] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const view = loadedView.state === 'ready' ? loadedView.value : null;
  const record = loadedRecord.state === 'ready' ? loadedRecord.value : null;
  const actual = useMemo(() => (view && record ? actualTimes(view.plan, foldRun(view.plan.steps, view.events), record.clocks) : undefined), [view, record]);
  if (loadedView.state === 'failed') return <FailedPage why={loadedView.why} retry={loadedView.retry} />;
  if (loadedRecord.state === 'failed') return <FailedPage why={loadedRecord.why} retry={loadedRecord.retry} />;
  if (!view || !record || !actual) return <LoadingPage what="the record" />;
  const { plan } = view;
  const { zone } = plan.home.diary;
  const steps = plan.steps.filter((step) => record.comparisons.some((row) => row.stepId === step.id));
  const spanMin = record.startedAtMs !== null && record.finishedAtMs !== null ? (record.finishedAtMs - record.startedAtMs) / 60_000 : null;
  return (
    <div className="page page-wide">
      <header className="page-head">
        <div className="page-title">
          <h1>
            {plan.name} <span className="quiet">record</span>
          </h1>
          <p className="totals">
            <span>{record.startedAtMs ? `begun ${printDayClock(record.startedAtMs, zone)}` : ''}</span>
            <span>{record.finishedAtMs ? `finished ${printDayClock(record.finishedAtMs, zone)}` : 'still running'}</span>
            {spanMin === null ? null : <span>{printDuration(spanMin)} in all</span>}
            <Link href={`/sessions/${plan.sessionId}`}>the plan</Link>
          </p>
        </div>
        {record.finishedAtMs ? null : (
          <Link className="act" href={`/runs/${runId}`}>
            To the stove
          </Link>
        )}
        <button type="button" className="act act-strong" onClick={() => setAgain(true)}>
          Do it again
        </button>
      </header>
      <div className="record">
        <section className="panel">
          <h2>What went otherwise</h2>
          {record.deviations.length === 0 ? <p>So far as it was logged, nothing.</p> : null}
          <ul className="deviations">
            {steps
              .map((step) => ({ step, texts: record.deviations.filter((deviation) => deviation.stepId === step.id).map((deviation) => deviation.text) }))
              .filter(({ texts }) => texts.length > 0)
              .map(({ step, texts }) => (
                <li key={step.id}>
                  <strong>{step.title}</strong>
                  {texts.map((text) => (
                    <span key={text}>{text}</span>
                  ))}
                </li>
              ))}
          </ul>
        </section>
        <section className="panel">
          <h2>Temperature</h2>
          <TemperatureChart view={view} clocks={record.clocks} chosenStepId={chosen} />
        </section>
      </div>
      <h2>The warp: plan as outline, what was done as fill</h2>
      <Warp plan={plan} actual={actual} chosenStepId={chosen} onChoose={setChosen} />
      <h2>Planned and done</h2>
      <div className="table-frame">
        <table className="compare">
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col">Planned</th>
              <th scope="col">Done</th>
              <th scope="col">Difference</th>
            </tr>
          </thead>
          {steps.map((step) => (
            <tbody key={step.id}>
              <tr className="compare-step">
                <th scope="rowgroup" colSpan={4}>
                  <StitchPatch kind={step.kind} width={12} height={16} /> {step.title}
                </th>
              </tr>
              {record.comparisons
                .filter((row) => row.stepId === step.id)
                .map((row) => (
                  <tr key={`${row.what}${row.planned}`}>
                    <th scope="row">{row.what}</th>
                    <td>{row.planned}</td>
                    <td>{row.actual}</td>
                    <td>{row.difference ?? <span className="quiet">{row.seen ? 'as planned' : 'nobody can say'}</span>}</td>
                  </tr>
                ))}
            </tbody>
          ))}
        </table>
      </div>
      <BathsLeft view={view} />
      <RunLog plan={plan} events={view.events} waitingIds={new Set()} limit={20} />
      {again ? <AgainDialog runId={runId} plan={plan} onClose={() => setAgain(false)} /> : null}
    </div>
  );
}
