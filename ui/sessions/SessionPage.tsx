'use client';
import { Button, Drawer } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { RunView, SessionView } from '@/contract/views';
import { beforeStart, beforeStartNote } from '@/core/plan/beforeStart';
import type { Plan } from '@/core/plan/plan';
import { isStop, rankFindings } from '@/core/safety/finding';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { act } from '../api/outbox';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { KeptBathsNotice } from '../baths/KeptBathsNotice';
import { Flexed } from '../plan/Flexed';
import { Gaps } from '../plan/Gaps';
import { InTime } from '../plan/InTime';
import { PlanTotals } from '../plan/PlanHead';
import { StepDetails } from '../plan/StepDetails';
import { useClashes } from '../plan/useClashes';
import { useHeldSince } from '../plan/useHeldSince';
import { useNewFacts } from '../plan/useNewFacts';
import { FailedPage } from '../shell/FailedPage';
import { Findings } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Guard } from '../shell/Guard';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Open } from '../shell/Open';
import { Page } from '../shell/Page';
import { SaveAs } from '../shell/SaveAs';
import { Warp } from '../warp/Warp';
import { BeforeStart } from './BeforeStart';

const Rehearse = later(() => import('./Rehearse').then((module) => module.Rehearse));

/** A session's plan as its warp, with everything that can be done about it. */
export function SessionPage({ sessionId, version }: { sessionId: string; version: number | null }) {
  const path = version === null ? `/sessions/${sessionId}` : `/sessions/${sessionId}/plans/${version}`;
  const loaded = useLoaded<SessionView>(path);
  if (loaded.state === 'loading') return <LoadingPage title="The plan" shape="picture" />;
  if (loaded.state === 'failed') return <FailedPage title="The plan" why={loaded.why} retry={loaded.retry} />;
  return <Session key={loaded.value.plan.version} sessionId={sessionId} view={loaded.value} onRenewed={loaded.reload} />;
}

function Session({ sessionId, view, onRenewed }: { sessionId: string; view: SessionView; onRenewed: () => void }) {
  const print = usePrint();
  const router = useRouter();
  const now = useNow(30_000);
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  // One pair for this page: pressing Start again after a lost answer starts nothing twice.
  const [ids] = useState(() => ({ run: newId(), event: newId() }));
  const [starting, setStarting] = useState(false);
  const [rehearsing, setRehearsing] = useState(false);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const { plan, versions, runId } = view;
  const isNewest = plan.version === versions.at(-1)?.version;
  const step = plan.steps.find((s) => s.id === chosen);
  const stopped = plan.findings.some(isStop);
  const clashing = useClashes(runId ? null : plan, sessionId);
  const heldSince = useHeldSince(runId ? null : plan);
  const newFacts = useNewFacts(runId || !isNewest ? null : plan);
  const [renewing, setRenewing] = useState(false);
  /** The same draft with what is known now, as a version of its own. */
  const renew = async () => {
    setRenewing(true);
    setProblem(null);
    try {
      await post<Plan>(`/sessions/${sessionId}/plans`, { draft: plan.draft, reason: `Facts that came later: ${newFacts}`, expectedVersion: plan.version });
      onRenewed();
    } catch (error) {
      setProblem(errorText(error));
    }
    setRenewing(false);
  };
  const title = (stepId: string) => plan.steps.find((s) => s.id === stepId)?.title ?? '';
  const start = async () => {
    setStarting(true);
    setProblem(null);
    try {
      const started = await post<RunView>(`/sessions/${sessionId}/runs`, { id: ids.run, eventId: ids.event, planVersion: plan.version });
      // Kept in the log; through the box that waits for a connection, so that nothing is lost of it.
      act(started.run.id, { type: 'note', stepId: null, text: beforeStartNote(items, ticked) });
      router.push(`/runs/${started.run.id}`);
    } catch (error) {
      setProblem(errorText(error));
      setStarting(false);
    }
  };
  const asked = plan.questions.filter((question) => question.answer === null);
  const items = useMemo(() => beforeStart(plan), [plan]);
  return (
    <Page
      title={
        <>
          {plan.name} <span className="quiet">plan {plan.version}</span>
        </>
      }
      under={<PlanTotals plan={plan} />}
      acts={
        <>
          <SaveAs
            files={[
              { label: 'This plan, for a program', path: `/sessions/${sessionId}/plans/${plan.version}`, kind: 'json' },
              { label: 'What to weigh out, as a table', path: `/sessions/${sessionId}/weigh-out.csv`, kind: 'table' },
            ]}
          />
          <LinkButton href={`/sessions/${sessionId}/weigh-out`}>Weigh out</LinkButton>
          {runId ? (
            <>
              <LinkButton href={`/runs/${runId}/record`}>Record</LinkButton>
              <LinkButton type="primary" href={`/runs/${runId}`}>
                To the stove
              </LinkButton>
            </>
          ) : isNewest ? (
            <>
              <Button onClick={() => setRehearsing(true)}>Rehearse</Button>
              <LinkButton href={`/sessions/${sessionId}/change`}>Change</LinkButton>
              <Button type="primary" onClick={() => void start()} disabled={stopped} loading={starting}>
                Start
              </Button>
            </>
          ) : null}
        </>
      }
    >
      {isNewest ? null : <Notice acts={<LinkButton href={`/sessions/${sessionId}`}>See the newest</LinkButton>}>This is an older plan.</Notice>}
      {runId ? null : <InTime plan={plan} />}
      {runId ? null : <Flexed plan={plan} />}
      {runId ? null : <KeptBathsNotice plan={plan} />}
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
      {newFacts ? (
        <Notice
          acts={
            <Button loading={renewing} onClick={() => void renew()}>
              Update the plan
            </Button>
          }
        >
          Something came since this plan was kept: {newFacts}.
        </Notice>
      ) : null}
      {!runId && stopped ? <Notice>A stop holds this plan: it stands below. Change the plan, and it can be started.</Notice> : null}
      {!runId && asked.length > 0 ? (
        <Notice acts={isNewest ? <LinkButton href={`/sessions/${sessionId}/change`}>Choose what to do</LinkButton> : null}>
          Is it mordanted? Nobody is sure of {asked.map((question) => plan.lots.find((lot) => lot.id === question.lotId)?.name).join(', ')}. It can be started
          all the same, and stays unknown.
        </Notice>
      ) : null}
      <Findings findings={rankFindings([...heldSince, ...clashing, ...plan.findings])} stepTitle={title} />
      {runId ? null : <Gaps plan={plan} />}
      {!runId && isNewest && !stopped ? <BeforeStart items={items} ticked={ticked} onTick={setTicked} /> : null}
      <Guard what="The warp">
        <Warp plan={plan} nowMs={now} chosenStepId={chosen} onChoose={setChosen} />
      </Guard>
      {rehearsing ? <Rehearse plan={plan} onClose={() => setRehearsing(false)} /> : null}
      {versions.length > 1 ? (
        <Open title={`${versions.length} versions of this plan`}>
          <ul className="stack stack-tight">
            {versions.map((v) => (
              <li key={v.version}>
                <Link href={`/sessions/${sessionId}?plan=${v.version}`}>Plan {v.version}</Link>, {print.date(v.createdAtMs, now)}: {v.reason}
              </li>
            ))}
          </ul>
        </Open>
      ) : null}
      <Drawer
        open={step !== undefined}
        onClose={() => setChosen(null)}
        size={460}
        mask={false}
        title={null}
        closable={{ placement: 'end', 'aria-label': 'Close the step' }}
        aria-label={step?.title ?? 'Step'}
      >
        {step ? <StepDetails plan={plan} step={step} /> : null}
      </Drawer>
    </Page>
  );
}
