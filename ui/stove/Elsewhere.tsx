'use client';
import Link from 'next/link';
import { useMemo } from 'react';
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
  const print = usePrint();
  const running = useLoaded<RunView[]>('/runs/running');
  const slotMs = Math.floor(nowMs / EACH_MS) * EACH_MS;
  const calls = useMemo(() => {
    const others = running.state === 'ready' ? running.value.filter(({ run }) => run.id !== runId) : [];
    return others.flatMap(({ run, plan, events, readings }) => {
      const { state, nudges } = runNow(plan, events, readings, slotMs);
      const vesselOf = (stepId: string) => plan.vessels.find(({ id }) => id === state.steps[stepId]?.vesselId)?.name ?? '';
      return nudges
        .filter((nudge) => (isOnTrip ? isOnTheWay(nudge, slotMs) : nudge.dueMs <= slotMs))
        .map((nudge) => ({ key: `${run.id}/${nudge.key}`, runId: run.id, name: plan.name, text: nudge.text, where: vesselOf(nudge.stepId) }));
    });
  }, [running, runId, slotMs, isOnTrip]);
  if (calls.length === 0) return null;
  return (
    <p className="quiet">
      On the same way:{' '}
      {calls.map(({ key, runId: id, name, text, where }, i) => (
        <span key={key}>
          {i > 0 ? '; ' : ''}
          <Link href={`/runs/${id}`}>
            {print.says(text)}
            {where ? `, ${where}` : ''} ({name})
          </Link>
        </span>
      ))}
    </p>
  );
}
