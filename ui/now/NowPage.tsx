'use client';
import Link from 'next/link';
import { useMemo, useRef } from 'react';
import type { RunView, SessionSummary } from '@/contract/views';
import type { Nudge } from '@/core/run/nudges';
import { printClock, printDay, printDayClock } from '@/core/time/zone';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { HandMark, StopMark } from '../shell/Marks';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { useZone } from '../shell/useZone';
import { type StoveView, stoveView, untilText } from '../stove/stoveView';
import { RecoveryNotice } from './RecoveryNotice';

const READINGS_EVERY_MS = 10_000;

interface Live {
  readonly view: RunView;
  readonly stove: StoveView;
}

/** What needs hands, across every session, in order of time. */
export function NowPage() {
  const lastReadMs = useRef(0);
  const runs = useLoaded<RunView[]>('/runs/running', (message) => {
    if (message.kind === 'event' || (message.kind === 'changed' && message.what === 'run')) return true;
    // Probes tell every other second; a glance does not need every one.
    if (message.kind !== 'readings' || performance.now() - lastReadMs.current < READINGS_EVERY_MS) return false;
    lastReadMs.current = performance.now();
    return true;
  });
  const sessions = useLoaded<SessionSummary[]>('/sessions', (message) => message.kind === 'changed' && (message.what === 'session' || message.what === 'run'));
  const zone = useZone();
  const now = useNow();
  const views = runs.state === 'ready' ? runs.value : null;
  const lives = useMemo(
    () => (views && now ? views.map((view): Live => ({ view, stove: stoveView(view.plan, view.events, view.readings, now) })) : []),
    [views, now],
  );
  if (runs.state === 'failed') return <FailedPage why={runs.why} retry={runs.retry} />;
  if (sessions.state === 'failed') return <FailedPage why={sessions.why} retry={sessions.retry} />;
  if (!views || sessions.state !== 'ready' || now === null || !zone) return <LoadingPage what="what is on" />;
  const calls = lives
    .flatMap((live) => live.stove.nudges.map((nudge) => ({ live, nudge })))
    .sort((a, b) => Number(b.nudge.stop) - Number(a.nudge.stop) || a.nudge.dueMs - b.nudge.dueMs);
  const cards = lives.flatMap((live) => live.stove.cards.map((card) => ({ live, card })));
  const onHeat = cards.filter(({ card }) => ['raise', 'hold'].includes(card.clock.current?.phase.kind ?? ''));
  const left = cards.filter(({ card }) => ['rest', 'soak'].includes(card.clock.current?.phase.kind ?? ''));
  const other = cards.filter((entry) => !onHeat.includes(entry) && !left.includes(entry));
  const planned = sessions.value
    .filter((session) => session.run === null)
    .sort((a, b) => a.startMs - b.startMs)
    .slice(0, 5);
  const first = calls[0];
  return (
    <div className="page now">
      <header className="page-head">
        <div className="page-title">
          <h1>Now</h1>
          <p className="quiet">{printDay(now, zone)}</p>
        </div>
        <span className="big-clock">{printClock(now, zone)}</span>
      </header>
      <RecoveryNotice />
      {first ? (
        <FirstCall nudge={first.nudge} live={first.live} nowMs={now} />
      ) : (
        <section className="call">
          <div className="call-words">
            <p className="call-text">Nothing needs hands</p>
            <p className="call-more">
              {planned[0] ? `Next: ${planned[0].name}, ${printDayClock(planned[0].startMs, zone)}` : 'Plan a session, and it waits here until its time.'}
            </p>
          </div>
          <Link className="act act-big act-strong" href="/sessions/new">
            Plan a session
          </Link>
        </section>
      )}
      <div className="now-columns">
        <NowList title="On the heat" empty="No heat is on.">
          {onHeat.map(({ live, card }) => (
            <NowRow
              key={card.step.id}
              href={`/runs/${live.view.run.id}`}
              name={card.vessel.name}
              what={card.step.title}
              figure={card.temperature ? `${card.temperature.c.toFixed(1)} °C` : 'no reading'}
              more={card.progress?.text ?? ''}
              hex={card.threads[0]}
            />
          ))}
        </NowList>
        <NowList title="Left to itself" empty="Nothing rests or soaks.">
          {left.map(({ live, card }) => (
            <NowRow
              key={card.step.id}
              href={`/runs/${live.view.run.id}`}
              name={card.vessel.name}
              what={card.step.title}
              figure={card.nextCall?.when ?? ''}
              more={[card.progress?.text, card.nextCall?.text].filter(Boolean).join('; then ')}
              hex={card.threads[0]}
            />
          ))}
        </NowList>
        {other.length > 0 ? (
          <NowList title="In your hands" empty="">
            {other.map(({ live, card }) => (
              <NowRow
                key={card.step.id}
                href={`/runs/${live.view.run.id}`}
                name={card.vessel.name}
                what={card.step.title}
                figure={card.nextCall?.when ?? ''}
                more={card.doing}
                hex={card.threads[0]}
              />
            ))}
          </NowList>
        ) : null}
        <NowList title="Coming up" empty="Nothing planned.">
          {calls.slice(1, 6).map(({ nudge, live }) => (
            <NowRow
              key={nudge.key}
              href={`/runs/${live.view.run.id}`}
              name={nudge.text}
              what={live.view.plan.name}
              figure={untilText(nudge.dueMs, now)}
              more=""
              hex={undefined}
            />
          ))}
          {planned.map((session) => (
            <NowRow
              key={session.id}
              href={`/sessions/${session.id}`}
              name={session.name}
              what={session.lotNames.join(', ')}
              figure={printDayClock(session.startMs, zone)}
              more={session.startMs < now ? 'its time has passed' : 'planned'}
              hex={session.expectedHex[0]}
            />
          ))}
        </NowList>
      </div>
    </div>
  );
}

function FirstCall({ nudge, live, nowMs }: { nudge: Nudge; live: Live; nowMs: number }) {
  const due = nudge.dueMs <= nowMs;
  const step = live.view.plan.steps.find((s) => s.id === nudge.stepId);
  const vessel = live.view.plan.vessels.find((v) => v.id === step?.vesselId);
  return (
    <section className={`call${due ? ' call-due' : ''}${nudge.stop ? ' call-stop' : ''}`} aria-live="polite">
      {nudge.stop ? <StopMark size={34} /> : due ? <HandMark size={34} /> : null}
      <div className="call-words">
        <p className="call-text">
          {due ? '' : `${untilText(nudge.dueMs, nowMs).replace('in', 'In')}: `}
          {nudge.text}
        </p>
        <p className="call-more">
          {vessel?.name} · {step?.title} · {live.view.plan.name}
        </p>
      </div>
      <Link className="act act-big act-strong" href={`/runs/${live.view.run.id}`}>
        To the stove
      </Link>
    </section>
  );
}

function NowList({ title, empty, children }: { title: string; empty: string; children: React.ReactNode }) {
  const count = Array.isArray(children) ? children.flat().length : 1;
  return (
    <section className="panel">
      <h2>{title}</h2>
      {count === 0 ? <p className="quiet">{empty}</p> : <ul className="now-list">{children}</ul>}
    </section>
  );
}

function NowRow({ href, name, what, figure, more, hex }: { href: string; name: string; what: string; figure: string; more: string; hex: string | undefined }) {
  return (
    <li>
      <Link href={href}>
        {hex ? <span className="yarn-dot" style={{ background: hex }} aria-hidden="true" /> : <span className="yarn-none" aria-hidden="true" />}
        <span className="now-name">
          {name}
          <span className="quiet">{what}</span>
          {more ? <span className="quiet">{more}</span> : null}
        </span>
        <span className="now-figure">{figure}</span>
      </Link>
    </li>
  );
}
