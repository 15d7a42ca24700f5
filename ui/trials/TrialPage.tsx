'use client';
import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { TrialView } from '@/contract/views';
import { countText } from '@/core/measure/print';
import { WAYS } from '@/core/method/data/ways';
import type { Part } from '@/core/trial/effects';
import { trialChain } from '@/core/trial/session';
import { post } from '../api/http';
import { nowMs } from '../api/serverClock';
import { type Book, useBook } from '../api/useBook';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { WhyDialog } from '../form/WhyDialog';
import { blankDraft } from '../plan/draft';
import { keepDraft } from '../plan/keptDraft';
import { FailedPage } from '../shell/FailedPage';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { SaveAs } from '../shell/SaveAs';
import type { GridPiece } from './gridLines';
import { TrialGrid } from './TrialGrid';

const LookForm = later(() => import('../look/LookForm').then((module) => module.LookForm));

const TakeReadings = later(() => import('./TakeReadings').then((module) => module.TakeReadings));

/** A trial: its grid as it fills, and what it tells so far. */
export function TrialPage({ trialId }: { trialId: string }) {
  const loaded = allLoaded({ view: useLoaded<TrialView>(`/trials/${trialId}`), book: useBook() });
  if (loaded.state === 'loading') return <LoadingPage title="A trial" shape="panels" />;
  if (loaded.state === 'failed') return <FailedPage title="A trial" why={loaded.why} retry={loaded.retry} />;
  return <TrialSheet {...loaded.value} />;
}

function TrialSheet({ view, book }: { view: TrialView; book: Book }) {
  const router = useRouter();
  const [looking, setLooking] = useState<GridPiece | null>(null);
  const [givingUp, setGivingUp] = useState(false);
  const [taking, setTaking] = useState(false);
  const { trial, tells, sessions } = view;
  const way = WAYS.find(({ id }) => id === trial.wayId);
  const byHand = way ? trial.factors.filter(({ levels }) => levels.every(({ how }) => how.kind === 'hand')).map(({ name }) => name) : [];
  const plan = () => {
    if (!way) return;
    const lotIds = trial.pieces.flatMap(({ cell, lotId }) => (cell ? [lotId] : []));
    keepDraft({ ...blankDraft(nowMs()), name: trial.name, lotIds, chain: trialChain(trial, way, book.find) });
    router.push('/sessions/new');
  };
  return (
    <Page
      title={trial.name}
      under={
        <span>
          {trial.question ? `${trial.question} · ` : ''}
          {tells.seen} of {countText(tells.of, 'piece')} looked at
        </span>
      }
      acts={
        <>
          <LinkButton href="/swatches/trials">All trials</LinkButton>
          <LinkButton href={`/fibre/labels?ids=${trial.pieces.map(({ lotId }) => lotId).join(',')}`}>Labels</LinkButton>
          <SaveAs files={[{ label: 'The trial, as a table', path: `/trials/${trial.id}.csv`, kind: 'table' }]} />
          <Button onClick={() => setTaking(true)}>Colours from a table</Button>
          {way && sessions.length === 0 && !trial.withdrawn ? (
            <Button type="primary" onClick={plan}>
              Plan the session
            </Button>
          ) : null}
          {sessions.map(({ id, name }) => (
            <LinkButton key={id} href={`/sessions/${id}`}>
              {name}
            </LinkButton>
          ))}
        </>
      }
    >
      {trial.withdrawn ? <Notice>It was given up: {trial.withdrawn.reason}</Notice> : null}
      <div className="beside">
        <Panel title="The grid" label="The grid">
          <TrialGrid view={view} onLook={setLooking} />
        </Panel>
        <Panel title="What it tells so far" label="What it tells so far">
          {byHand.length > 0 ? (
            <p className="quiet">No step of the plan does {byHand.join(' or ')}: that is yours to do, piece by piece, by the codes.</p>
          ) : null}
          <TellsList view={view} />
          {trial.withdrawn ? null : (
            <Button type="text" style={{ alignSelf: 'flex-start' }} onClick={() => setGivingUp(true)}>
              Give it up
            </Button>
          )}
        </Panel>
      </div>
      {looking ? (
        <LookForm
          of={{ lotIds: [looking.lotId], liquorId: null, at: null, state: 'dry', light: null }}
          title={`How ${looking.code} came out`}
          onClose={() => setLooking(null)}
        />
      ) : null}
      {taking ? <TakeReadings view={view} onClose={() => setTaking(false)} /> : null}
      {givingUp ? (
        <WhyDialog
          title="Give the trial up"
          okText="Give it up"
          send={(reason) => post(`/trials/${trial.id}/withdraw`, { reason, revision: trial.revision })}
          onClose={() => setGivingUp(false)}
        >
          <p>Its pieces and what was seen of them stay what they are.</p>
        </WhyDialog>
      ) : null}
    </Page>
  );
}

function TellsList({ view: { tells } }: { view: TrialView }) {
  const none = tells.lines.length === 0 && tells.tooClose.length === 0 && tells.notTold.length === 0;
  return (
    <div className="stack">
      {none || tells.seen === 0 ? (
        <p className="quiet">Nothing yet. Tap a piece to say how it came out; what differs stands here as soon as it can be told.</p>
      ) : null}
      {tells.lines.map(({ factor, what, says, l, a, b }) => (
        <div key={`${factor} ${what}`}>
          <span className="quiet small">{factor}</span>
          <br />
          <strong>{what}</strong>: {says}
          <br />
          <span className="figure small quiet">
            {partText('ΔL*', l)} · {partText('Δa*', a)} · {partText('Δb*', b)}
          </span>
        </div>
      ))}
      {tells.tooClose.map((says) => (
        <p key={says}>{says}</p>
      ))}
      {tells.seen === 0
        ? null
        : tells.notTold.map((says) => (
            <p key={says} className="quiet">
              {says}
            </p>
          ))}
    </div>
  );
}

/** "ΔL* −8.1 ± 1.2": half of the interval that holds it in 95 of 100 such trials. */
const partText = (name: string, { value, pm }: Part): string => `${name} ${signed(value)}${pm === null ? '' : ` ± ${pm.toFixed(1)}`}`;
const signed = (value: number): string => `${value < -0.05 ? '−' : value > 0.05 ? '+' : ''}${Math.abs(value).toFixed(1)}`;
