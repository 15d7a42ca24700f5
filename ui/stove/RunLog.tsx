'use client';
import { Button } from 'antd';
import { memo, useMemo, useState } from 'react';
import type { Vessel } from '@/core/kitchen/vessel';
import type { Plan } from '@/core/plan/plan';
import { describeEvent } from '@/core/run/describeEvent';
import type { RunEvent, RunFact } from '@/core/run/events';
import { amendmentsOf, foldRun } from '@/core/run/fold';
import { vesselAt } from '@/core/run/readings';
import { isWithdrawn, type Look } from '@/core/swatch/look';
import { LookLine, LookShown } from '../look/LookLine';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';
import type { Change } from './Amend';
import { useNames } from './useNames';

const Amend = later(() => import('./Amend').then((module) => module.Amend));
const WEEK_MS = 6 * 86_400_000;
/** What the log fetches when it is wanted. */
export const LOG_PARTS = [Amend, LookShown] as const;

interface Props {
  readonly plan: Plan;
  readonly events: readonly RunEvent[];
  readonly heldIds: ReadonlySet<string>;
  readonly onAmend?: (fact: RunFact) => void;
  readonly limit?: number;
  /** What was seen at this run: it stands among the acts. */
  readonly looks?: readonly Look[];
}

type LogRow = { readonly atMs: number; readonly recordedAtMs: number } & (
  | { readonly event: RunEvent; readonly look?: never }
  | { readonly look: Look; readonly event?: never }
);
const NO_LOOKS: readonly Look[] = [];

/** The log as it grows, newest first. Undo is amend: what was taken back stays readable, struck through. */
export const RunLog = memo(function RunLog({ plan, events, heldIds, onAmend, limit = 12, looks = NO_LOOKS }: Props) {
  const print = usePrint();
  const nameOf = useNames(plan);
  const [shown, setShown] = useState(limit);
  const [open, setOpen] = useState<string | null>(null);
  const { withdrawn, retimed } = amendmentsOf(events);
  const { steps } = useMemo(() => foldRun(plan.steps, events), [plan.steps, events]);
  const rows = [
    ...events
      .filter((event) => event.type !== 'amended')
      .map((event): LogRow => ({ event, atMs: retimed.get(event.id) ?? event.atMs, recordedAtMs: event.recordedAtMs })),
    ...looks.map((look): LogRow => ({ look, atMs: look.atMs, recordedAtMs: look.recordedAtMs })),
  ].sort((a, b) => b.atMs - a.atMs || b.recordedAtMs - a.recordedAtMs);
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
        {rows.slice(0, shown).map(({ event, look, atMs }) => {
          const time = (
            <time className="quiet" dateTime={new Date(atMs).toISOString()}>
              {days.size === 1 ? print.clock(atMs) : longMs > WEEK_MS ? print.date(atMs, rows[0]?.atMs) : print.dayClock(atMs)}
            </time>
          );
          if (look) {
            const at = plan.steps.find((step) => step.id === look.at?.stepId);
            return (
              <li key={look.id} className={isWithdrawn(look) ? 'log-row log-withdrawn' : 'log-row'}>
                {time}
                <Where vessel={plan.vessels.find((v) => at && v.id === vesselAt(at, steps[at.id], atMs))} />
                <LookLine look={look} />
              </li>
            );
          }
          const step = 'stepId' in event ? plan.steps.find((s) => s.id === event.stepId) : undefined;
          const vessel = step && plan.vessels.find((v) => v.id === vesselAt(step, steps[step.id], atMs));
          const words = describeEvent(event, plan, print, nameOf);
          const canAmend = onAmend && !withdrawn.has(event.id) && event.type !== 'replanned';
          return (
            <li key={event.id} className={withdrawn.has(event.id) ? 'log-row log-withdrawn' : 'log-row'}>
              {time}
              <Where vessel={vessel} />
              <span className="log-text">
                {words}
                {event.by ? <em className="quiet"> by {event.by}</em> : null}
                {heldIds.has(event.id) ? <strong> kept here, not sent yet</strong> : null}
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
});

/** What happened nowhere takes the room of a place for its words. */
const Where = ({ vessel }: { vessel: Pick<Vessel, 'name'> | undefined }) => (vessel ? <strong className="only-wide">{vessel.name}</strong> : null);
