'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { RunView } from '@/contract/views';
import type { Reading } from '@/core/hold/credit';
import type { RunEvent, RunFact } from '@/core/run/events';
import { useLive } from './live';
import { act, listenOutbox, type Waiting, waitingActs } from './outbox';
import { useLoaded } from './useLoaded';

export interface LiveRun {
  readonly view: RunView;
  /** Acknowledged and waiting acts together. */
  readonly events: readonly RunEvent[];
  readonly waitingIds: ReadonlySet<string>;
  readonly refusal: string | null;
  readonly forgetRefusal: () => void;
  readonly act: (fact: RunFact, atMs?: number) => RunEvent;
  readonly reload: () => void;
}

/** A run as this page knows it: what the server has, what it has told since, and what still waits to be sent. */
export function useRun(runId: string): { state: 'loading' } | { state: 'failed'; why: string; retry: () => void } | { state: 'ready'; run: LiveRun } {
  const loaded = useLoaded<RunView>(`/runs/${runId}`, (message) => message.kind === 'changed' && message.what === 'run' && message.id === runId);
  const [heard, setHeard] = useState<readonly RunEvent[]>([]);
  const [readings, setReadings] = useState<readonly (Reading & { probeId: string })[]>([]);
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [refusal, setRefusal] = useState<string | null>(null);

  useLive((message) => {
    if (message.kind === 'event' && message.runId === runId) setHeard((had) => [...had, message.event]);
    if (message.kind === 'readings') setReadings((had) => [...had, ...message.readings.map((reading) => ({ ...reading, probeId: message.probeId }))]);
  });
  useEffect(() => {
    const refresh = () => setWaiting(waitingActs().filter((act) => act.runId === runId));
    refresh();
    return listenOutbox((change) => {
      if (change.kind === 'stored' && change.runId === runId) setHeard((had) => [...had, change.event]);
      if (change.kind === 'refused' && change.waiting.runId === runId) setRefusal(change.why);
      refresh();
    });
  }, [runId]);

  const view = loaded.state === 'ready' ? loaded.value : null;
  const joined = useMemo(() => {
    if (!view) return null;
    const byId = new Map<string, RunEvent>();
    for (const { event } of waiting) byId.set(event.id, event);
    for (const event of [...heard, ...view.events]) byId.set(event.id, event);
    return { view: { ...view, readings: joinReadings(view, readings) }, events: [...byId.values()] };
  }, [view, heard, waiting, readings]);
  const waitingIds = useMemo(() => new Set(waiting.map(({ event }) => event.id)), [waiting]);
  const actHere = useCallback((fact: RunFact, atMs?: number) => act(runId, fact, atMs), [runId]);
  const forgetRefusal = useCallback(() => setRefusal(null), []);

  if (loaded.state !== 'ready') return loaded;
  if (!joined) return { state: 'loading' };
  return { state: 'ready', run: { ...joined, waitingIds, refusal, forgetRefusal, act: actHere, reload: loaded.reload } };
}

/** Loaded readings with those heard since, each instant once. */
function joinReadings(view: RunView, heard: readonly (Reading & { probeId: string })[]): RunView['readings'] {
  const joined: Record<string, readonly Reading[]> = { ...view.readings };
  for (const vessel of view.plan.vessels) {
    const loadedHere = view.readings[vessel.id] ?? [];
    const lastMs = loadedHere.at(-1)?.atMs ?? 0;
    const later = heard.filter((reading) => reading.probeId === vessel.probeId && reading.atMs > lastMs);
    if (later.length > 0) joined[vessel.id] = [...loadedHere, ...later];
  }
  return joined;
}
