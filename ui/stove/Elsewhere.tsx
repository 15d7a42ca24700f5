'use client';
import Link from 'next/link';
import { memo, useDeferredValue, useMemo } from 'react';
import type { RunView } from '@/contract/views';
import { runNow } from '@/core/run/runNow';
import { isOnTheWay } from '@/core/run/trip';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';

interface Props {
  readonly runId: string;
  readonly nowMs: number;
  /** Something is called for here: then what is nearly due elsewhere is done along. */
  readonly isOnTrip: boolean;
}

/** Other sessions are looked at so often: a call is no second's business there. */
const EACH_MS = 10_000;

/** What else one way to the stove serves, of the other sessions under way. */
export function Elsewhere({ runId, nowMs, isOnTrip }: Props) {
  const running = useLoaded<RunView[]>('/runs/running');
  // Each session is a piece of work of its own, and none holds up a hand.
  const slotMs = useDeferredValue(Math.floor(nowMs / EACH_MS) * EACH_MS);
  const others = running.state === 'ready' ? running.value.filter(({ run }) => run.id !== runId) : [];
  return (
    <p className="quiet elsewhere">
      On the same way:{' '}
      {others.map((view) => (
        <CallsOf key={view.run.id} view={view} slotMs={slotMs} isOnTrip={isOnTrip} />
      ))}
    </p>
  );
}

const CallsOf = memo(function CallsOf({ view, slotMs, isOnTrip }: { view: RunView; slotMs: number; isOnTrip: boolean }) {
  const print = usePrint();
  const { run, plan, events, readings } = view;
  const { state, nudges } = useMemo(() => runNow(plan, events, readings, slotMs), [plan, events, readings, slotMs]);
  return nudges
    .filter((nudge) => (isOnTrip ? isOnTheWay(nudge, slotMs) : nudge.dueMs <= slotMs))
    .map(({ key, text, stepId }) => {
      const where = plan.vessels.find(({ id }) => id === state.steps[stepId]?.vesselId)?.name;
      return (
        <Link key={key} href={`/runs/${run.id}`}>
          {print.says(text)}
          {where ? `, ${where}` : ''} ({plan.name})
        </Link>
      );
    });
});
