'use client';
import { useEffect, useRef } from 'react';
import type { LiveMessage } from '@/contract/views';
import { heardServerTime } from './serverClock';

type Heard = { readonly kind: 'live'; readonly message: LiveMessage } | { readonly kind: 'time'; readonly nowMs: number } | { readonly kind: 'reopened' };

/**
 * One server stream per browser: a lock chooses the tab that holds it, a broadcast channel shares what it hears. Browsers
 * allow few connections to one address, and a stream per tab would leave none for the acts themselves.
 */
const listeners = new Set<(heard: Heard) => void>();
let started = false;

export function startLive(): void {
  if (started || typeof BroadcastChannel === 'undefined') return;
  started = true;
  const channel = new BroadcastChannel('hyndle-live');
  const tell = (heard: Heard) => {
    if (heard.kind === 'time') heardServerTime(heard.nowMs);
    for (const listener of listeners) listener(heard);
  };
  channel.onmessage = (event: MessageEvent<Heard>) => tell(event.data);
  const share = (heard: Heard) => {
    channel.postMessage(heard);
    tell(heard);
  };
  const lead = () => new Promise<never>(() => holdStream(share));
  if (navigator.locks) void navigator.locks.request('hyndle-live', lead);
  else void lead();
}

function holdStream(share: (heard: Heard) => void): void {
  const source = new EventSource('/api/v1/live');
  const parse = <T>(event: Event): T => JSON.parse((event as MessageEvent<string>).data) as T;
  source.addEventListener('hello', (event) => {
    share({ kind: 'time', nowMs: parse<{ nowMs: number }>(event).nowMs });
    // After a gap something may have been missed: pages load again what they show.
    share({ kind: 'reopened' });
  });
  source.addEventListener('tick', (event) => share({ kind: 'time', nowMs: parse<{ nowMs: number }>(event).nowMs }));
  source.addEventListener('live', (event) => share({ kind: 'live', message: parse<LiveMessage>(event) }));
  source.onerror = () => {
    // The browser tries again by itself unless the server refused; then we do.
    if (source.readyState === EventSource.CLOSED) setTimeout(() => holdStream(share), 2000);
  };
}

/** Hears live messages; `onReopened` is told when the stream came back and things should be loaded again. */
export function useLive(onMessage: (message: LiveMessage) => void, onReopened?: () => void): void {
  const latest = useRef({ onMessage, onReopened });
  useEffect(() => {
    latest.current = { onMessage, onReopened };
  });
  useEffect(() => {
    const listener = (heard: Heard) => {
      if (heard.kind === 'live') latest.current.onMessage(heard.message);
      if (heard.kind === 'reopened') latest.current.onReopened?.();
    };
    listeners.add(listener);
    return () => void listeners.delete(listener);
  }, []);
}
