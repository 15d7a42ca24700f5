'use client';
import type { RunEvent, RunFact } from '@/core/run/events';
import { post, Refused } from './http';
import { newId } from './newId';
import { nowMs } from './serverClock';

/** An act that has been made but not acknowledged. It waits on this device until the server has it. */
export interface Waiting {
  readonly runId: string;
  readonly event: RunEvent;
}

const KEY = 'hyndle.outbox';
const RETRY_MS = 3000;
/** An act that is on its way this long is said to wait; one that is stored at once is not. */
const SLOW_MS = 2500;

type Listener = (
  change:
    | { readonly kind: 'changed' }
    | { readonly kind: 'refused'; readonly waiting: Waiting; readonly why: string }
    | { readonly kind: 'stored'; readonly runId: string; readonly event: RunEvent },
) => void;
const listeners = new Set<Listener>();
let timer: ReturnType<typeof setTimeout> | null = null;
let sending = false;
/** Acts could not be sent. */
export interface Held {
  /** Why the server that answers cannot store them, in its own words; null when it does not answer. */
  readonly why: string | null;
}
let held: Held | null = null;

/** @returns null while all goes well, an act on its way among it */
export const whatIsHeld = (): Held | null => held;

export function waitingActs(): Waiting[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? (kept as Waiting[]) : [];
  } catch {
    return [];
  }
}

const save = (acts: readonly Waiting[]): void => localStorage.setItem(KEY, JSON.stringify(acts));
const tell: Listener = (change) => {
  for (const listener of listeners) listener(change);
};

export function listenOutbox(listener: Listener): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** Makes an act: kept on this device at once, sent when it can be. @param atMs when it happened; now when left out */
export function act(runId: string, fact: RunFact, atMs?: number): RunEvent {
  const recordedAtMs = Math.round(nowMs());
  const event = { ...fact, id: newId(), atMs: Math.round(atMs ?? recordedAtMs), recordedAtMs } as RunEvent;
  save([...waitingActs(), { runId, event }]);
  tell({ kind: 'changed' });
  void flush();
  return event;
}

/** Sends what waits, oldest first, one at a time: order matters to whoever reads the log. */
export async function flush(): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    for (let next = waitingActs()[0]; next; next = waitingActs()[0]) {
      const { runId, event } = next;
      const { recordedAtMs: _mine, ...input } = event;
      const slow = setTimeout(() => {
        held ??= { why: null };
        tell({ kind: 'changed' });
      }, SLOW_MS);
      try {
        const stored = await post<RunEvent>(`/runs/${runId}/events`, input);
        remove(event.id);
        tell({ kind: 'stored', runId, event: stored });
      } catch (error) {
        if (!(error instanceof Refused) || isForNow(error.problem.status)) {
          held = { why: error instanceof Refused ? error.message : null };
          tell({ kind: 'changed' });
          retryLater();
          return;
        }
        remove(event.id);
        tell({ kind: 'refused', waiting: next, why: error.message });
      } finally {
        clearTimeout(slow);
      }
      tell({ kind: 'changed' });
    }
  } finally {
    sending = false;
  }
}

/** Refused now and perhaps not later: by a fault, by a device that is not let in, or for asking too much. What is wrong in itself is not sent again. */
const isForNow = (status: number): boolean => status >= 500 || status === 401 || status === 429;

/** Resolves when the server has every act of a run; rejects when it has not within `mostMs`: they are kept and sent later. */
export function whenSent(runId: string, mostMs = 8000): Promise<void> {
  const isSent = () => waitingActs().every((waiting) => waiting.runId !== runId);
  return new Promise((resolve, reject) => {
    const stop = listenOutbox(() => {
      if (isSent()) end();
    });
    const timer = setTimeout(() => end(new Error('Hyndle does not answer. What you logged is kept here; change the plan when it answers again.')), mostMs);
    const end = (error?: Error) => {
      clearTimeout(timer);
      stop();
      if (error) reject(error);
      else resolve();
    };
    if (isSent()) end();
  });
}

/** What waits behind an act that could not be sent is held too, until the last of it is sent. */
function remove(eventId: string): void {
  const left = waitingActs().filter((waiting) => waiting.event.id !== eventId);
  save(left);
  if (left.length === 0) held = null;
}

function retryLater(): void {
  if (timer) return;
  timer = setTimeout(() => {
    timer = null;
    void flush();
  }, RETRY_MS);
}

export function keepOutbox(): () => void {
  const onOnline = () => void flush();
  const onStorage = (event: StorageEvent) => event.key === KEY && tell({ kind: 'changed' });
  window.addEventListener('online', onOnline);
  window.addEventListener('storage', onStorage);
  void flush();
  return () => {
    window.removeEventListener('online', onOnline);
    window.removeEventListener('storage', onStorage);
  };
}
