'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { SessionSummary } from '@/contract/views';
import { printClock, printDay } from '@/core/time/zone';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace, FailedPage, LoadingPage } from '../shell/PageState';
import { useZone } from '../shell/useZone';

const PAGE = 40;

export function SessionsPage() {
  const sessions = useLoaded<SessionSummary[]>('/sessions', (message) => message.kind === 'changed' && (message.what === 'session' || message.what === 'run'));
  const [shown, setShown] = useState(PAGE);
  const [text, setText] = useState('');
  if (sessions.state === 'loading') return <LoadingPage what="the sessions" />;
  if (sessions.state === 'failed') return <FailedPage why={sessions.why} retry={sessions.retry} />;
  const found = sessions.value.filter((session) => `${session.name} ${session.lotNames.join(' ')}`.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <div className="page">
      <header className="page-head">
        <h1>Sessions</h1>
        <input
          type="search"
          className="search"
          aria-label="Find a session"
          placeholder="Find by name or lot"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Link className="act act-strong" href="/sessions/new">
          Plan a session
        </Link>
      </header>
      {sessions.value.length === 0 ? (
        <EmptyPlace>
          <p>No session yet. Plan one: choose fibre, then the steps in working order, and the quantities and times are worked out for you.</p>
        </EmptyPlace>
      ) : (
        <ul className="rows">
          {found.slice(0, shown).map((session) => (
            <SessionRow key={session.id} session={session} />
          ))}
        </ul>
      )}
      {found.length > shown ? (
        <button type="button" className="act" onClick={() => setShown(shown + PAGE)}>
          Show more ({found.length - shown} left)
        </button>
      ) : null}
    </div>
  );
}

function SessionRow({ session }: { session: SessionSummary }) {
  const zone = useZone();
  const now = useNow(30_000);
  const phase = session.run?.phase ?? 'planned';
  const href = phase === 'running' ? `/runs/${session.run?.id}` : phase === 'finished' ? `/runs/${session.run?.id}/record` : `/sessions/${session.id}`;
  const startMs = session.run?.startedAtMs ?? session.startMs;
  const endMs = session.run?.finishedAtMs ?? session.endMs;
  const word =
    phase === 'running' ? 'running' : phase === 'finished' ? 'finished' : now !== null && session.startMs < now ? 'planned, start passed' : 'planned';
  return (
    <li className="row">
      <span className="yarns" aria-hidden="true">
        {session.expectedHex.slice(0, 6).map((hex, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two lots may have one colour
          <span key={`${hex}${i}`} className="yarn-dot" style={{ background: hex }} />
        ))}
      </span>
      <div className="row-main">
        <Link href={href} className="row-link">
          {session.name}
        </Link>
        <span className="quiet">{session.lotNames.join(', ')}</span>
      </div>
      <span className="row-when">
        {zone ? `${printDay(startMs, zone)} ${printClock(startMs, zone)} – ${printDay(endMs, zone)} ${printClock(endMs, zone)}` : ''}
      </span>
      <span className={`state state-${phase}`}>{word}</span>
      <Link href={`/sessions/${session.id}`} className="act act-small">
        Plan {session.planVersion}
      </Link>
    </li>
  );
}
