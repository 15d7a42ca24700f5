'use client';
import { useSyncExternalStore } from 'react';
import { nowMs } from '../api/serverClock';

/** When any page was looked at last in this browser. */
const KEY = 'hyndle.seen';
/** Whoever was gone for less has seen it all. */
const AWAY_MS = 20 * 60_000;
const EACH_MS = 30_000;

let awaySinceMs: number | null = null;
const listeners = new Set<() => void>();

function setAway(sinceMs: number | null): void {
  awaySinceMs = sinceMs;
  for (const heard of listeners) heard();
}

/** Keeps down when somebody looks, on whatever page, and notices when nobody did for long; a page that slept with the machine was left as well. @returns ends it */
export function watchAway(): () => void {
  const look = () => {
    if (document.visibilityState === 'hidden') return;
    const [seenMs, now] = [seen(), nowMs()];
    if (seenMs !== null && now - seenMs > AWAY_MS) setAway(seenMs);
    keep(now);
  };
  look();
  const timer = setInterval(look, EACH_MS);
  document.addEventListener('visibilitychange', look);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', look);
  };
}

const subscribe = (heard: () => void) => {
  listeners.add(heard);
  return () => listeners.delete(heard);
};

/** Since when nobody looked, until it is seen; null: somebody was here. */
export const useAwaySince = (): number | null =>
  useSyncExternalStore(
    subscribe,
    () => awaySinceMs,
    () => null,
  );

export const awayIsSeen = (): void => setAway(null);

function seen(): number | null {
  try {
    const kept = Number(localStorage.getItem(KEY));
    return kept > 0 ? kept : null;
  } catch {
    // A browser that keeps nothing knows of no time away.
    return null;
  }
}

function keep(ms: number): void {
  try {
    localStorage.setItem(KEY, String(ms));
  } catch {
    // As above.
  }
}
