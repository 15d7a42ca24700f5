'use client';
import { useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import type { RunEvent, RunFact } from '@/core/run/events';
import { printClock } from '@/core/time/zone';
import { describeEvent } from './describeEvent';

interface Props {
  readonly plan: Plan;
  readonly events: readonly RunEvent[];
  readonly waitingIds: ReadonlySet<string>;
  readonly onAmend?: (fact: RunFact) => void;
  readonly limit?: number;
}

/** The log as it grows, newest first. Undo is amend: what was taken back stays readable, struck through. */
export function RunLog({ plan, events, waitingIds, onAmend, limit = 12 }: Props) {
  const [shown, setShown] = useState(limit);
  const [open, setOpen] = useState<string | null>(null);
  const { zone } = plan.home.diary;
  const withdrawn = new Set(events.flatMap((event) => (event.type === 'amended' && event.change.kind === 'withdrawn' ? [event.targetId] : [])));
  const retimed = new Map(
    events.flatMap((event) => (event.type === 'amended' && event.change.kind === 'retimed' ? [[event.targetId, event.change.atMs] as const] : [])),
  );
  const rows = events
    .filter((event) => event.type !== 'amended')
    .map((event) => ({ event, atMs: retimed.get(event.id) ?? event.atMs }))
    .sort((a, b) => b.atMs - a.atMs || b.event.recordedAtMs - a.event.recordedAtMs);
  const amend = (targetId: string, change: Extract<RunFact, { type: 'amended' }>['change']) => {
    onAmend?.({ type: 'amended', targetId, change });
    setOpen(null);
  };
  return (
    <div className="log">
      <h2>Log</h2>
      <ol>
        {rows.slice(0, shown).map(({ event, atMs }) => {
          const step = 'stepId' in event ? plan.steps.find((s) => s.id === event.stepId) : undefined;
          const vessel = plan.vessels.find((v) => v.id === step?.vesselId);
          return (
            <li key={event.id} className={withdrawn.has(event.id) ? 'log-withdrawn' : undefined}>
              <time dateTime={new Date(atMs).toISOString()}>{printClock(atMs, zone)}</time>
              <span className="log-vessel">{vessel?.name ?? ''}</span>
              <span className="log-text">
                {describeEvent(event, plan)}
                {waitingIds.has(event.id) ? <em className="log-waiting"> kept here, not sent yet</em> : null}
                {retimed.has(event.id) ? <em className="quiet"> (time set right)</em> : null}
              </span>
              {onAmend && !withdrawn.has(event.id) && event.type !== 'started' && event.type !== 'replanned' ? (
                open === event.id ? (
                  <span className="log-amend">
                    {[5, 10, 30].map((min) => (
                      <button key={min} type="button" className="act act-small" onClick={() => amend(event.id, { kind: 'retimed', atMs: atMs - min * 60_000 })}>
                        {min} min earlier
                      </button>
                    ))}
                    <button type="button" className="act act-small" onClick={() => amend(event.id, { kind: 'withdrawn', reason: 'taken back' })}>
                      Take back
                    </button>
                    <button type="button" className="act act-small" onClick={() => setOpen(null)}>
                      Leave
                    </button>
                  </span>
                ) : (
                  <button type="button" className="log-open" onClick={() => setOpen(event.id)} aria-label={`Amend: ${describeEvent(event, plan)}`}>
                    amend
                  </button>
                )
              ) : null}
            </li>
          );
        })}
      </ol>
      {rows.length > shown ? (
        <button type="button" className="act act-small" onClick={() => setShown(shown + 100)}>
          Show more ({rows.length - shown} left)
        </button>
      ) : null}
    </div>
  );
}
