'use client';
import { QueryClient } from '@tanstack/react-query';
import type { LiveMessage, RunView } from '@/contract/views';
import type { RunEvent } from '@/core/run/events';
import { concerns } from './concerns';
import { withEvent, withReadings } from './joinLive';

/** Everything fetched, by its path below /api/v1. Nothing grows stale by age: the live stream says when it does. */
export const makeCache = (): QueryClient =>
  new QueryClient({
    defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, gcTime: 10 * 60_000, retry: false, networkMode: 'always', refetchOnWindowFocus: false } },
  });

const pathOf = (queryKey: readonly unknown[]): string => String(queryKey[0]);

/** Takes what the stream told into what is there; what it only names is fetched again. */
export function hearLive(cache: QueryClient, message: LiveMessage): void {
  if (message.kind === 'event') joinEvent(cache, message.runId, message.event);
  if (message.kind === 'readings') eachRun(cache, (view) => withReadings(view, message));
  else void cache.invalidateQueries({ predicate: ({ queryKey }) => concerns(pathOf(queryKey), message) });
}

/** An act that is stored, in every view of its run. */
export function joinEvent(cache: QueryClient, runId: string, event: RunEvent): void {
  eachRun(cache, (view) => (view.run.id === runId ? withEvent(view, event) : view));
}

function eachRun(cache: QueryClient, change: (view: RunView) => RunView): void {
  cache.setQueriesData<RunView>({ predicate: ({ queryKey }) => /^\/runs\/(?!running$)[^/]+$/.test(pathOf(queryKey)) }, (view) => view && change(view));
  cache.setQueryData<readonly RunView[]>(['/runs/running'], (views) => {
    const next = views?.map(change);
    return next?.some((view, i) => view !== views?.[i]) ? next : views;
  });
}
