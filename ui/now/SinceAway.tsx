'use client';
import { Button } from 'antd';
import Link from 'next/link';
import type { SessionSummary } from '@/contract/views';
import { above } from '@/core/measure/limits';
import { countText, printDuration } from '@/core/measure/print';
import { describeEvent } from '@/core/run/describeEvent';
import { isNothing, type Since, sinceAway } from '@/core/run/since';
import { awayIsSeen, useAwaySince } from '../shell/away';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';
import { useNames } from '../stove/useNames';
import type { LiveRunView } from './nowView';

/** What the runs went through while nobody looked at this device: told once, at the end of the page, where it moves nothing. */
export function SinceAway({ lives, sessions, nowMs }: { lives: readonly LiveRunView[]; sessions: readonly SessionSummary[]; nowMs: number }) {
  const print = usePrint();
  const sinceMs = useAwaySince();
  if (sinceMs === null) return null;
  const told = lives
    .map((live) => ({ live, since: sinceAway(live.stove, live.view.plan, live.view.events, live.view.readings, sinceMs, nowMs) }))
    .filter(({ since }) => !isNothing(since));
  const over = sessions.flatMap(({ name, run }) =>
    run && run.finishedAtMs !== null && run.finishedAtMs > sinceMs ? [{ id: run.id, name, atMs: run.finishedAtMs }] : [],
  );
  if (told.length + over.length === 0) return null;
  return (
    <Panel title="Since you were away" label="Since you were away" acts={<Button onClick={awayIsSeen}>Seen</Button>}>
      <p className="quiet">{printDuration((nowMs - sinceMs) / 60_000)} ago somebody looked last here.</p>
      <ul className="stack">
        {told.map(({ live, since }) => (
          <OneRun key={live.view.run.id} live={live} since={since} nowMs={nowMs} />
        ))}
        {over.map(({ id, name, atMs }) => (
          <li key={id}>
            <Link href={`/runs/${id}/record`}>
              <strong>{name}</strong>
            </Link>{' '}
            was finished at {print.clock(atMs)}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function OneRun({ live: { view }, since: { acts, baths, waiting }, nowMs }: { live: LiveRunView; since: Since; nowMs: number }) {
  const print = usePrint();
  const nameOf = useNames(view.plan);
  const titleOf = (stepId: string) => view.plan.steps.find(({ id }) => id === stepId)?.title ?? '';
  const last = acts.at(-1);
  return (
    <li>
      <Link href={`/runs/${view.run.id}`}>
        <strong>{view.plan.name}</strong>
      </Link>
      <ul className="small">
        {waiting.map((call) => (
          <li key={call.key}>
            Waits for {printDuration(Math.max(0, nowMs - call.dueMs) / 60_000)}: {print.says(call.text)}
          </li>
        ))}
        {baths.map(({ stepId, leastC, mostC, ceilingC }) => (
          <li key={stepId}>
            {titleOf(stepId)}: {leastC === mostC ? print.temperature(mostC) : print.band([leastC, mostC])}
            {ceilingC !== null && above(mostC, ceilingC) ? `, above its ceiling of ${print.temperature(ceilingC)}` : ''}
          </li>
        ))}
        {last ? (
          <li>
            {countText(acts.length, 'act')} logged, the last at {print.clock(last.atMs)}: {describeEvent(last, view.plan, print, nameOf)}
          </li>
        ) : null}
      </ul>
    </li>
  );
}
