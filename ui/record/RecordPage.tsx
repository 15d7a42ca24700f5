'use client';
import { Button } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { RunRecord, RunView } from '@/contract/views';
import { printDuration } from '@/core/measure/print';
import { beyondPlan } from '@/core/run/again';
import { foldRun } from '@/core/run/fold';
import { notesOf } from '@/core/run/notesOf';
import type { Look } from '@/core/swatch/look';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { Guard } from '../shell/Guard';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Page, Panel } from '../shell/Page';
import { SaveAs } from '../shell/SaveAs';
import { RunLog } from '../stove/RunLog';
import { RunResults } from '../swatches/RunResults';
import { Warp } from '../warp/Warp';
import { actualTimes } from './actualTimes';
import { PhPanel } from './PhPanel';
import { TemperaturePanel } from './TemperaturePanel';

const ComparisonTable = dynamic(() => import('./ComparisonTable').then((module) => module.ComparisonTable));
const BathsLeft = later(() => import('./BathsLeft').then((module) => module.BathsLeft));
const SpentLeft = later(() => import('./SpentLeft').then((module) => module.SpentLeft));
const AgainDialog = later(() => import('./AgainDialog').then((module) => module.AgainDialog));

const NO_LOOKS: readonly Look[] = [];
const NONE_HELD: ReadonlySet<string> = new Set();

/** What was planned beside what was done, the differences in words, the curves, the log. */
export function RecordPage({ runId }: { runId: string }) {
  const view = useLoaded<RunView>(`/runs/${runId}`);
  const record = useLoaded<RunRecord>(`/runs/${runId}/record`);
  const loaded = useMemo(() => allLoaded({ view, record }), [view, record]);
  if (loaded.state === 'failed') return <FailedPage title="The record" why={loaded.why} retry={loaded.retry} />;
  if (loaded.state === 'loading') return <LoadingPage title="The record" shape="picture" />;
  return <Record view={loaded.value.view} record={loaded.value.record} />;
}

function Record({ view, record }: { view: RunView; record: RunRecord }) {
  const { plan } = view;
  const print = usePrint();
  const looks = useLoaded<Look[]>(`/looks?runId=${view.run.id}`);
  // From a result one comes here to have it once more.
  const asked = useSearchParams().get('again');
  const [again, setAgain] = useState(asked !== null);
  const [chosen, setChosen] = useState<string | null>(null);
  const actual = useMemo(() => actualTimes(plan, foldRun(plan.steps, view.events), record.clocks), [plan, view.events, record.clocks]);
  const steps = plan.steps.filter((step) => record.comparisons.some((row) => row.stepId === step.id));
  const spanMin = record.startedAtMs !== null && record.finishedAtMs !== null ? (record.finishedAtMs - record.startedAtMs) / 60_000 : null;
  const otherwise = steps
    .map((step) => ({ step, texts: record.deviations.filter((deviation) => deviation.stepId === step.id).map((deviation) => deviation.text) }))
    .filter(({ texts }) => texts.length > 0);
  return (
    <Page
      title={
        <>
          {plan.name} <span className="quiet">record</span>
        </>
      }
      under={
        <>
          {record.startedAtMs ? <span>begun {print.date(record.startedAtMs)}</span> : null}
          <span>{record.finishedAtMs ? `finished ${print.date(record.finishedAtMs)}` : 'still running'}</span>
          {spanMin === null ? null : <span>{printDuration(spanMin)} in all</span>}
          <Link href={`/sessions/${plan.sessionId}`}>the plan</Link>
        </>
      }
      acts={
        <>
          <SaveAs
            files={[
              { label: 'The log, as a table', path: `/runs/${view.run.id}/log.csv`, kind: 'table' },
              { label: 'The readings, as a table', path: `/runs/${view.run.id}/readings.csv`, kind: 'table' },
              { label: 'Plan, log and readings, for a program', path: `/runs/${view.run.id}`, kind: 'json' },
            ]}
          />
          {record.finishedAtMs ? null : <LinkButton href={`/runs/${view.run.id}`}>To the stove</LinkButton>}
          <Button type="primary" onClick={() => setAgain(true)}>
            Do it again
          </Button>
        </>
      }
    >
      <RunResults runId={view.run.id} plan={plan} />
      <div className="beside beside-editor">
        <Panel title="Differences from the plan">
          {otherwise.length === 0 ? <p>So far as it was logged, nothing.</p> : null}
          <ul className="stack">
            {otherwise.map(({ step, texts }) => (
              <li key={step.id}>
                <strong>{step.title}</strong>
                {texts.map((text) => (
                  <p key={text}>{print.says(text)}</p>
                ))}
              </li>
            ))}
          </ul>
        </Panel>
        <div className="stack">
          <Notes view={view} />
          <TemperaturePanel view={view} clocks={record.clocks} chosenStepId={chosen} />
          <PhPanel view={view} />
        </div>
      </div>
      <h2>The warp: plan as outline, what was done as fill</h2>
      <Guard what="The warp">
        <Warp plan={plan} actual={actual} chosenStepId={chosen} onChoose={setChosen} />
      </Guard>
      <h2>Planned and done</h2>
      <div className="when-seen">
        <ComparisonTable steps={steps} comparisons={record.comparisons} />
      </div>
      <BathsLeft view={view} />
      <SpentLeft view={view} />
      <div className="when-seen">
        <RunLog plan={plan} events={view.events} heldIds={NONE_HELD} limit={20} looks={looks.state === 'ready' ? looks.value : NO_LOOKS} />
      </div>
      {again ? (
        <AgainDialog
          runId={view.run.id}
          plan={plan}
          extras={beyondPlan(plan, foldRun(plan.steps, view.events))}
          oneChanged={asked === 'one'}
          onClose={() => setAgain(false)}
        />
      ) : null}
    </Page>
  );
}

/** What was written down at the stove, in its own words. */
function Notes({ view: { plan, events } }: { view: RunView }) {
  const print = usePrint();
  const notes = notesOf(plan.steps, events);
  if (notes.length === 0) return null;
  return (
    <Panel title="Notes">
      <ul className="stack stack-tight">
        {notes.map(({ id, atMs, title, text }) => (
          <li key={id}>
            <span className="quiet">
              {print.dayClock(atMs)}
              {title ? `, ${title}` : ''}
            </span>
            <br />
            {text}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
