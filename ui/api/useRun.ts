'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { RunView } from '@/contract/views';
import type { RunEvent, RunFact } from '@/core/run/events';
import { joinEvent } from './cache';
import { act, type Held, listenOutbox, type Waiting, waitingActs, whatIsHeld } from './outbox';
import { type Loaded, useLoaded } from './useLoaded';

export interface LiveRun {
  readonly view: RunView;
  /** Acknowledged and waiting acts together. */
  readonly events: readonly RunEvent[];
  /** Acts that could not be sent and wait on this device; those on their way are none. */
  readonly heldIds: ReadonlySet<string>;
  /** Why the server cannot store them, in its own words; null while it does not answer at all. */
  readonly heldWhy: string | null;
  readonly refusal: string | null;
  readonly forgetRefusal: () => void;
  readonly act: (fact: RunFact, atMs?: number) => RunEvent;
  readonly reload: () => void;
}

const NO_EVENTS: readonly RunEvent[] = [];

/** A run as this page knows it: what the server has, what it has told since, and what still waits to be sent. */
export function useRun(runId: string): Loaded<LiveRun> {
  const loaded = useLoaded<RunView>(`/runs/${runId}`);
  const cache = useQueryClient();
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [held, setHeld] = useState<Held | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  useEffect(() => {
    const refresh = () => {
      setWaiting(waitingActs().filter((act) => act.runId === runId));
      setHeld(whatIsHeld());
    };
    refresh();
    return listenOutbox((change) => {
      if (change.kind === 'stored') joinEvent(cache, change.runId, change.event);
      if (change.kind === 'refused' && change.waiting.runId === runId) setRefusal(change.why);
      refresh();
    });
  }, [runId, cache]);
  // A run's readings come by the second; its acts do not change with them.
  const stored = loaded.state === 'ready' ? loaded.value.events : NO_EVENTS;
  const events = useMemo(() => {
    const ids = new Set(stored.map((event) => event.id));
    return [...stored, ...waiting.flatMap(({ event }) => (ids.has(event.id) ? [] : [event]))];
  }, [stored, waiting]);
  const heldIds = useMemo(() => new Set(held ? waiting.map(({ event }) => event.id) : []), [held, waiting]);
  const actHere = useCallback((fact: RunFact, atMs?: number) => act(runId, fact, atMs), [runId]);
  const forgetRefusal = useCallback(() => setRefusal(null), []);
  if (loaded.state !== 'ready') return loaded;
  const run: LiveRun = { view: loaded.value, events, heldIds, heldWhy: held?.why ?? null, refusal, forgetRefusal, act: actHere, reload: loaded.reload };
  return { state: 'ready', value: run, reload: loaded.reload };
}
