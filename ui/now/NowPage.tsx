'use client';
import Link from 'next/link';
import { type ReactNode, useMemo } from 'react';
import type { RunView, SessionSummary } from '@/contract/views';
import type { KnownPot } from '@/core/heat/learnPot';
import type { Home } from '@/core/kitchen/home';
import { comingHours } from '@/core/run/comingHours';
import { type Trip, tripOf } from '@/core/run/trip';
import { useNow } from '../api/serverClock';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { SpoilSoon } from '../baths/SpoilSoon';
import { FastnessDue } from '../fastness/FastnessDue';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { HandMark, StopMark } from '../shell/Marks';
import { Page, Panel } from '../shell/Page';
import { untilText } from '../stove/stoveView';
import { ComingHours } from './ComingHours';
import { type Call, nowView, type Place } from './nowView';
import { RecoveryNotice } from './RecoveryNotice';
import { SinceAway } from './SinceAway';

/** Where something soaks or rests: whether waiting is still worth it. */
const RunOnItsWay = later(() => import('../look/RunOnItsWay').then((module) => module.RunOnItsWay));
const FirstSteps = later(() => import('./FirstSteps').then((module) => module.FirstSteps));
const FirstVisit = later(() => import('./FirstVisit').then((module) => module.FirstVisit));

const MIN_MS = 60_000;
/** As far as the picture of what comes reaches. */
const COMING_H = 14;
const NO_POTS: readonly KnownPot[] = [];

/** What needs hands, across every session, in order of time. */
export function NowPage() {
  const runs = useLoaded<RunView[]>('/runs/running');
  const sessions = useLoaded<SessionSummary[]>('/sessions');
  const loaded = useMemo(() => allLoaded({ runs, sessions }), [runs, sessions]);
  if (loaded.state === 'failed') return <FailedPage title="Now" why={loaded.why} retry={loaded.retry} />;
  if (loaded.state === 'loading') return <LoadingPage title="Now" shape="panels" />;
  return <Today runs={loaded.value.runs} sessions={loaded.value.sessions} />;
}

function Today({ runs, sessions }: { runs: readonly RunView[]; sessions: readonly SessionSummary[] }) {
  const print = usePrint();
  const now = useNow();
  const pots = useLoaded<KnownPot[]>('/pots/heat');
  const known = pots.state === 'ready' ? pots.value : NO_POTS;
  const view = useMemo(() => nowView(runs, sessions, now, print, known), [runs, sessions, now, print, known]);
  const { calls, onHeat, left, inHand, planned } = view;
  const home = useLoaded<Home>('/home');
  const diary = home.state === 'ready' ? home.value.diary : null;
  // A picture of hours need not be drawn each second.
  const minuteMs = Math.floor(now / MIN_MS) * MIN_MS;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is live changes with each second; the picture with each minute, or with what happens
  const coming = useMemo(() => {
    const runs = view.lives.map(({ view: { run, plan }, stove }) => ({ id: run.id, plan, ...stove }));
    return diary && comingHours(runs, planned, diary, minuteMs, COMING_H);
  }, [view.lives.length, runs, sessions, diary, minuteMs]);
  const trip = tripOf(calls, ({ nudge }) => nudge, now);
  const later = calls.filter((call) => call !== trip?.first && !trip?.alongside.includes(call));
  return (
    <Page title="Now" under={<span>{print.day(now)}</span>} acts={<span className="big-figure">{print.clock(now)}</span>}>
      <RecoveryNotice />
      {trip ? <FirstCall trip={trip} nowMs={now} /> : sessions.length === 0 ? <FirstSteps /> : <NoCall next={planned[0]} nowMs={now} />}
      {coming ? <ComingHours coming={coming} /> : null}
      <div className="columns">
        <Places title="On the heat" none="No heat is on." places={onHeat} figureOf={({ card }) => card.temperature?.text ?? 'no reading'} />
        <Places title="Left to itself" none="Nothing rests or soaks." places={left} figureOf={({ card }) => card.nextCall?.when ?? ''} isLeft />
        {inHand.length > 0 ? <Places title="In your hands" none="" places={inHand} figureOf={({ card }) => card.nextCall?.when ?? ''} /> : null}
        <Panel title="Coming up">
          {later.length + planned.length === 0 ? <p className="quiet">Nothing planned.</p> : null}
          <ul>
            {later.slice(0, 5).map(({ nudge, live }) => (
              <NowRow
                key={`${live.view.run.id}${nudge.key}`}
                href={`/runs/${live.view.run.id}`}
                name={print.says(nudge.text)}
                what={live.view.plan.name}
                figure={untilText(nudge.dueMs, now)}
              />
            ))}
            {planned.slice(0, 5).map((session) => (
              <NowRow
                key={session.id}
                href={`/sessions/${session.id}`}
                name={session.name}
                what={session.lotNames.join(', ')}
                more={session.startMs < now ? 'its time has passed' : 'planned'}
                figure={print.coming(session.startMs, now)}
                hex={session.expectedHex[0]}
              />
            ))}
          </ul>
          {later.length > 5 ? <p className="quiet small">and {later.length - 5} later calls, at their stoves</p> : null}
          {planned.length > 5 ? <Link href="/sessions">and {planned.length - 5} more planned sessions</Link> : null}
        </Panel>
        <FastnessDue nowMs={now} />
        <SpoilSoon nowMs={now} />
        <SinceAway sessions={sessions} lives={view.lives} nowMs={now} />
      </div>
      {sessions.length === 0 ? null : <FirstVisit />}
    </Page>
  );
}

function FirstCall({ trip: { first, alongside }, nowMs }: { trip: Trip<Call>; nowMs: number }) {
  const { nudge, live } = first;
  const print = usePrint();
  const due = nudge.dueMs <= nowMs;
  return (
    <section className={`call${due ? ' call-due' : ''}${nudge.stop ? ' call-stop' : ''}`} aria-label="Next act">
      {nudge.stop ? <StopMark size={34} /> : due ? <HandMark size={34} /> : null}
      <div className="row-main">
        <p className="call-text" aria-live="polite">
          {due ? '' : `${untilText(nudge.dueMs, nowMs).replace('in', 'In')}: `}
          {print.says(nudge.text)}
        </p>
        <p className="quiet">
          {whereOf(first)}
          {alongside.length > 0 ? ` · same trip: ${alongside.map((call) => `${print.says(call.nudge.text)}, ${whereOf(call)}`).join('; ')}` : ''}
        </p>
      </div>
      <LinkButton type="primary" size="large" href={`/runs/${live.view.run.id}`}>
        To the stove
      </LinkButton>
    </section>
  );
}

/** "Steel pot · Dye, birch leaf · Birch leaf on silk" */
function whereOf({ nudge, live: { view, stove } }: Call): string {
  const step = view.plan.steps.find(({ id }) => id === nudge.stepId);
  // Where it really stands, not where the plan has it.
  const vesselId = stove.state.steps[nudge.stepId]?.vesselId ?? step?.vesselId;
  return [view.plan.vessels.find(({ id }) => id === vesselId)?.name, step?.title, view.plan.name].filter(Boolean).join(' · ');
}

function NoCall({ next, nowMs }: { next: SessionSummary | undefined; nowMs: number }) {
  const print = usePrint();
  return (
    <section className="call" aria-label="Next act">
      <div className="row-main">
        <p className="call-text">Nothing needs hands</p>
        <p className="quiet">{next ? `Next: ${next.name}, ${print.coming(next.startMs, nowMs)}` : 'Plan a session, and it waits here until its time.'}</p>
      </div>
      <LinkButton type="primary" size="large" href="/sessions/new">
        Plan a session
      </LinkButton>
    </section>
  );
}

interface PlacesProps {
  readonly title: string;
  readonly none: string;
  readonly places: readonly Place[];
  readonly figureOf: (place: Place) => string;
  /** They go on by themselves: somebody may ask whether they still should. */
  readonly isLeft?: boolean;
}

function Places({ title, none, places, figureOf, isLeft = false }: PlacesProps) {
  const print = usePrint();
  return (
    <Panel title={title}>
      {places.length === 0 ? <p className="quiet">{none}</p> : null}
      <ul>
        {places.map((place) => (
          <NowRow
            key={`${place.live.view.run.id}${place.card.step.id}`}
            href={`/runs/${place.live.view.run.id}`}
            name={place.card.vessel.name}
            what={place.card.step.title}
            more={[place.card.progress?.text ?? place.card.doing, place.card.nextCall ? print.says(place.card.nextCall.text) : '']
              .filter(Boolean)
              .join('; then ')}
            figure={figureOf(place)}
            hex={place.card.threads[0]}
            under={isLeft ? <RunOnItsWay runId={place.live.view.run.id} plan={place.live.view.plan} step={place.card.step} /> : null}
          />
        ))}
      </ul>
    </Panel>
  );
}

interface RowProps {
  readonly href: string;
  readonly name: ReactNode;
  readonly what: string;
  readonly more?: string;
  readonly figure: string;
  readonly hex?: string | undefined;
  readonly under?: ReactNode;
}

function NowRow({ href, name, what, more = '', figure, hex, under = null }: RowProps) {
  return (
    <li>
      <Link href={href} className="line line-tight now-row">
        <span className={hex ? 'yarn-dot' : 'yarn-dot yarn-none'} style={{ background: hex }} aria-hidden="true" />
        <span className="row-main">
          <strong>{name}</strong>
          <span className="small quiet">{what}</span>
          {more ? <span className="small quiet">{more}</span> : null}
        </span>
        <span className="figure">{figure}</span>
      </Link>
      {under}
    </li>
  );
}
