'use client';
import { createContext, useContext, useEffect, useState } from 'react';
import { isKeptPage, isNewAgain } from './keptPage';

/**
 * The server's time on a device whose own clock may be wrong. It is anchored to the page's monotonic timer, so that
 * somebody setting the device's clock moves nothing, and anchored anew after sleep and with every tick of the live stream.
 */
let anchor: { serverMs: number; atPerf: number } | null = null;

export function nowMs(): number {
  return anchor ? anchor.serverMs + (performance.now() - anchor.atPerf) : Date.now();
}

/** Takes a server time that has just arrived. Small differences are travel time and are left alone. */
export function heardServerTime(serverMs: number): void {
  if (anchor === null || Math.abs(nowMs() - serverMs) > 1000) anchor = { serverMs, atPerf: performance.now() };
}

/** How far the server's time is from the clock of this device, as it was heard last. */
const AWAY = 'hyndle.clockAwayMs';

/**
 * Until the server is heard, the time at which it made the page must do: nearer than the clock of a device may be. A page that this device
 * kept was made long ago: there its own clock must do, set right by as much as it was off.
 */
export function pageMadeAt(serverMs: number): void {
  if (isKeptPage()) {
    anchor ??= { serverMs: Date.now() + Number(localStorage.getItem(AWAY) ?? 0), atPerf: performance.now() };
    return;
  }
  const [visit] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  anchor ??= { serverMs, atPerf: visit?.responseStart ?? 0 };
}

async function askServer(): Promise<void> {
  const sent = performance.now();
  const response = await fetch('/api/v1/time');
  const { nowMs: serverMs } = (await response.json()) as { nowMs: number };
  const received = performance.now();
  anchor = { serverMs: serverMs + (received - sent) / 2, atPerf: received };
  isNewAgain();
  localStorage.setItem(AWAY, String(Math.round(nowMs() - Date.now())));
}

/** Keeps the clock right as long as the page lives. */
export function keepClock(): () => void {
  const ask = () => void askServer().catch(() => undefined);
  const onVisible = () => document.visibilityState === 'visible' && ask();
  ask();
  document.addEventListener('visibilitychange', onVisible);
  window.addEventListener('online', ask);
  return () => {
    document.removeEventListener('visibilitychange', onVisible);
    window.removeEventListener('online', ask);
  };
}

/** When the server made the page: what clocks show in the first paint, on the server and in the browser alike. */
export const MadeAt = createContext(0);

/** The server's time, told again every so often. */
export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(useContext(MadeAt));
  useEffect(() => {
    const tick = () => setNow(nowMs());
    tick();
    const timer = setInterval(tick, everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
