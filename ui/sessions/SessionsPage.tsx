'use client';
import { Tag } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { SessionSummary } from '@/contract/views';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { Page } from '../shell/Page';
import { Rows } from '../shell/Rows';
import { SearchField } from '../shell/SearchField';
import { type TimeBandScale, timeBand } from './timeBand';

/** When it was or will be: as it really went, where it went. */
const spanOf = (session: SessionSummary) => ({ startMs: session.run?.startedAtMs ?? session.startMs, endMs: session.run?.finishedAtMs ?? session.endMs });

export function SessionsPage() {
  const sessions = useLoaded<SessionSummary[]>('/sessions');
  const print = usePrint();
  const now = useNow(30_000);
  const [text, setText] = useState('');
  const all = sessions.state === 'ready' ? sessions.value : null;
  const found = useMemo(() => {
    const words = text.trim().toLowerCase().split(/\s+/);
    return (all ?? []).filter((session) => words.every((word) => `${session.name} ${session.lotNames.join(' ')}`.toLowerCase().includes(word)));
  }, [all, text]);
  const band = useMemo(() => timeBand(found.map(spanOf), now, print.zone), [found, now, print.zone]);
  if (sessions.state === 'failed') return <FailedPage title="Sessions" why={sessions.why} retry={sessions.retry} />;
  if (!all) return <LoadingPage title="Sessions" />;
  const plan = (
    <LinkButton type="primary" href="/sessions/new">
      Plan a session
    </LinkButton>
  );
  if (all.length === 0)
    return (
      <Page title="Sessions" acts={plan}>
        <EmptyPlace act={plan}>
          No session yet. Choose fibre, then the steps in working order; quantities, vessels and times are worked out for you, around your sleep and your away
          hours.
        </EmptyPlace>
      </Page>
    );
  return (
    <Page
      title="Sessions"
      under={
        <span>
          {print.day(band.fromMs)} to {print.day(band.toMs - 1)}, now as the upright line
        </span>
      }
      acts={
        <>
          <SearchField label="Find a session" placeholder="Find by name or lot" value={text} onChange={setText} width={240} />
          {plan}
        </>
      }
    >
      {found.length === 0 ? <EmptyPlace>No session has these words.</EmptyPlace> : null}
      <Rows label="Sessions" items={found} keyOf={(session) => session.id} render={(session) => <SessionRow session={session} band={band} nowMs={now} />} />
    </Page>
  );
}

function SessionRow({ session, band, nowMs }: { session: SessionSummary; band: TimeBandScale; nowMs: number }) {
  const print = usePrint();
  const phase = session.run?.phase ?? 'planned';
  const href = phase === 'running' ? `/runs/${session.run?.id}` : phase === 'finished' ? `/runs/${session.run?.id}/record` : `/sessions/${session.id}`;
  const { startMs, endMs } = spanOf(session);
  const word = phase === 'running' ? 'running' : phase === 'finished' ? 'finished' : session.startMs < nowMs ? 'planned, start passed' : 'planned';
  return (
    <div className="row session-row">
      <span className="line line-tight" aria-hidden="true">
        {session.expectedHex.map((hex, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two lots may have one colour
          <span key={`${hex}${i}`} className="yarn-dot" style={{ background: hex }} />
        ))}
      </span>
      <div className="row-main">
        <Link href={href} className="row-name">
          {session.name}
        </Link>
        <span className="quiet">{session.lotNames.join(', ')}</span>
      </div>
      <div style={{ flex: '2 1 300px' }}>
        <TimeBand startMs={startMs} endMs={endMs} band={band} nowMs={nowMs} done={phase !== 'planned' && phase !== 'notStarted'} />
        <span className="quiet small">
          {print.date(startMs, nowMs)} to {print.date(endMs, nowMs)}
        </span>
      </div>
      <Tag variant={phase === 'running' ? 'solid' : 'outlined'} color={phase === 'running' ? 'var(--ink)' : 'default'}>
        {word}
      </Tag>
      <LinkButton size="small" href={`/sessions/${session.id}`} aria-label={`Plan ${session.planVersion} of ${session.name}`}>
        Plan {session.planVersion}
      </LinkButton>
    </div>
  );
}

interface BandProps {
  readonly startMs: number;
  readonly endMs: number;
  readonly band: TimeBandScale;
  readonly nowMs: number;
  readonly done: boolean;
}

/** The session among its days; the figures stand under it. */
function TimeBand({ startMs, endMs, band, nowMs, done }: BandProps) {
  const pct = (share: number) => `${share * 100}%`;
  const [from, to, now] = [band.xOf(startMs), band.xOf(endMs), band.xOf(nowMs)];
  return (
    <svg style={{ width: '100%', height: 22 }} aria-hidden="true">
      <rect fill="var(--band)" x="0" y="8" width="100%" height="6" />
      {band.midnights.map((share) => (
        <line key={share} x1={pct(share)} x2={pct(share)} y1="8" y2="14" stroke="var(--panel)" />
      ))}
      <rect
        fill={done ? 'var(--ink)' : 'var(--card)'}
        stroke={done ? 'none' : 'var(--ink)'}
        x={pct(from)}
        y="4"
        width={pct(Math.max(0.006, to - from))}
        height="14"
        rx="2"
      />
      <line stroke="var(--ink)" strokeWidth={2} x1={pct(now)} x2={pct(now)} y1="0" y2="22" />
    </svg>
  );
}
