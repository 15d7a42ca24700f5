'use client';
import type { LiveMessage } from '@/contract/views';
import { get } from './http';
import { heardServerTime, nowMs } from './serverClock';

/** What a tab hears, from the stream itself or from the tab that holds it. */
type Heard =
  | { readonly kind: 'live'; readonly seq: number; readonly message: LiveMessage }
  | { readonly kind: 'time'; readonly nowMs: number; readonly seq: number }
  /** The stream was gone for a while: readings, which are not numbered, may have been missed too. */
  | { readonly kind: 'reopened'; readonly nowMs: number; readonly seq: number }
  /** This device was put out: nothing that is open here may stay. */
  | { readonly kind: 'out' }
  | { readonly kind: 'whereAreWe' };

interface Ears {
  readonly onMessage: (message: LiveMessage) => void;
  /** Something was missed: all that is shown is to be fetched again. */
  readonly onMissed: () => void;
  /** Whether the server answers. */
  readonly onConnected: (connected: boolean) => void;
}

/**
 * One server stream per browser: a lock chooses the tab that holds it, a broadcast channel shares what it hears. Browsers
 * allow few connections to one address, and a stream per tab would leave none for the acts themselves. Messages are
 * numbered, so that a page knows whether anything happened between its first paint and its first message.
 * @param seq the number of the last message before this page was made
 */
export function startLive(seq: number, ears: Ears): () => void {
  if (typeof BroadcastChannel === 'undefined') return () => undefined;
  const channel = new BroadcastChannel('hyndle-live');
  let lastSeq = seq;
  let leads = false;
  let source: EventSource | null = null;
  let stopped = false;
  const hear = (heard: Heard) => {
    switch (heard.kind) {
      case 'whereAreWe':
        return;
      case 'out':
        return window.location.assign('/join?out');
      case 'live':
        // Readings are not numbered: they come by the thousand, and the curve closes over a missing one.
        if (heard.message.kind !== 'readings') {
          if (heard.seq !== lastSeq + 1) ears.onMissed();
          lastSeq = heard.seq;
        }
        ears.onMessage(heard.message);
        return;
      case 'time':
      case 'reopened':
        heardServerTime(heard.nowMs);
        if (heard.seq !== lastSeq || heard.kind === 'reopened') ears.onMissed();
        lastSeq = heard.seq;
        ears.onConnected(true);
    }
  };
  channel.onmessage = (event: MessageEvent<Heard>) => {
    if (event.data.kind !== 'whereAreWe') hear(event.data);
    else if (leads && source) channel.postMessage({ kind: 'time', nowMs: nowMs(), seq: lastSeq } satisfies Heard);
  };
  const share = (heard: Heard) => {
    channel.postMessage(heard);
    hear(heard);
  };
  const hold = (isAgain: boolean) => {
    if (stopped) return;
    source = new EventSource('/api/v1/live');
    const stream = source;
    let opened = isAgain;
    const parse = <T>(event: Event): T => JSON.parse((event as MessageEvent<string>).data) as T;
    stream.addEventListener('hello', (event) => {
      share({ kind: opened ? 'reopened' : 'time', ...parse<{ nowMs: number; seq: number }>(event) });
      opened = true;
    });
    stream.addEventListener('tick', (event) => share({ kind: 'time', ...parse<{ nowMs: number; seq: number }>(event) }));
    stream.addEventListener('live', (event) => share({ kind: 'live', ...parse<{ seq: number; message: LiveMessage }>(event) }));
    stream.addEventListener('out', () => share({ kind: 'out' }));
    stream.onerror = () => {
      ears.onConnected(false);
      // The browser tries again by itself unless the server refused; then we do.
      if (stream.readyState !== EventSource.CLOSED) return;
      // Why it was refused it does not say; who is not let in any more is told by any answer.
      void get('/time').catch(() => undefined);
      setTimeout(() => hold(true), 2000);
    };
  };
  const lead = () =>
    new Promise<void>((release) => {
      leads = true;
      hold(false);
      giveUp = release;
    });
  let giveUp = (): void => undefined;
  const waiting = new AbortController();
  if (navigator.locks) void navigator.locks.request('hyndle-live', { signal: waiting.signal }, lead).catch(() => undefined);
  else void lead();
  channel.postMessage({ kind: 'whereAreWe' } satisfies Heard);
  return () => {
    stopped = true;
    waiting.abort();
    source?.close();
    giveUp();
    channel.close();
  };
}
