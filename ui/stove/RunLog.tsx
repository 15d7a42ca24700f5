'use client';
import { Button } from 'antd';
import { useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import type { RunEvent, RunFact } from '@/core/run/events';
import { amendmentsOf } from '@/core/run/fold';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';
import type { Change } from './Amend';
import { describeEvent } from './describeEvent';
import { useNames } from './useNames';

const Amend = later(() => import('./Amend').then((module) => module.Amend));
const WEEK_MS = 6 * 86_400_000;
/** What opens on a tap in the log. */
export const LOG_PARTS = [Amend] as const;

interface Props {
  readonly plan: Plan;
  readonly events: readonly RunEvent[];
  readonly waitingIds: ReadonlySet<string>;
  readonly onAmend?: (fact: RunFact) => void;
  readonly limit?: number;
}

/** The log as it grows, newest first. Undo is amend: what was taken back stays readable, struck through. */
export function RunLog({ plan, events, waitingIds, onAmend, limit = 12 }: Props) {
  const print = usePrint();
  const nameOf = useNames(plan);
  const [shown, setShown] = useState(limit);
  const [open, setOpen] = useState<string | null>(null);
  const { withdrawn, retimed } = amendmentsOf(events);
  const rows = events
    .filter((event) => event.type !== 'amended')
    .map((event) => ({ event, atMs: retimed.get(event.id) ?? event.atMs }))
    .sort((a, b) => b.atMs - a.atMs || b.event.recordedAtMs - a.event.recordedAtMs);
  // Over several days an hour alone says nothing, over weeks a weekday neither.
  const days = new Set(rows.map(({ atMs }) => print.day(atMs)));
  const longMs = (rows[0]?.atMs ?? 0) - (rows.at(-1)?.atMs ?? 0);
  const amend = (targetId: string, change: Change) => {
    onAmend?.({ type: 'amended', targetId, change });
    setOpen(null);
  };
  return (
    <Panel title="Log" className="log">
      <ol>
        {rows.slice(0, shown).map(({ event, atMs }) => {
          const step = 'stepId' in event ? plan.steps.find((s) => s.id === event.stepId) : undefined;
          const vessel = plan.vessels.find((v) => v.id === step?.vesselId);
          const words = describeEvent(event, plan, print, nameOf);
          const canAmend = onAmend && !withdrawn.has(event.id) && event.type !== 'replanned';
          return (
            <li key={event.id} className={withdrawn.has(event.id) ? 'log-row log-withdrawn' : 'log-row'}>
              <time className="quiet" dateTime={new Date(atMs).toISOString()}>
                {days.size === 1 ? print.clock(atMs) : longMs > WEEK_MS ? print.date(atMs, rows[0]?.atMs) : print.dayClock(atMs)}
              </time>
              <strong className="only-wide">{vessel?.name ?? ''}</strong>
              <span className="log-text">
                {words}
                {waitingIds.has(event.id) ? <strong> kept here, not sent yet</strong> : null}
                {retimed.has(event.id) ? <em className="quiet"> (time set right)</em> : null}
              </span>
              {canAmend ? (
                <Button
                  type="link"
                  size="small"
                  aria-label={`Amend: ${words}`}
                  aria-expanded={open === event.id}
                  onClick={() => setOpen(open === event.id ? null : event.id)}
                >
                  amend
                </Button>
              ) : null}
              {canAmend && open === event.id ? (
                <Amend atMs={atMs} canTakeBack={event.type !== 'started'} onChange={(change) => amend(event.id, change)} />
              ) : null}
            </li>
          );
        })}
      </ol>
      {rows.length > shown ? <Button onClick={() => setShown(shown + 100)}>Show more ({rows.length - shown} left)</Button> : null}
    </Panel>
  );
}
