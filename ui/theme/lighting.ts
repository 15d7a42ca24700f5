'use client';
import { createContext, useContext, useSyncExternalStore } from 'react';
import { NIGHT_COOKIE } from './nightCookie';

/** Day, night, or as the device says. */
export type Lighting = 'auto' | 'day' | 'night';
const KEY = 'hyndle.lighting';
const listeners = new Set<() => void>();

const read = (): Lighting => {
  const kept = localStorage.getItem(KEY);
  return kept === 'day' || kept === 'night' ? kept : 'auto';
};
const isNightNow = (): boolean => (read() === 'auto' ? matchMedia('(prefers-color-scheme: dark)').matches : read() === 'night');

export function setLighting(lighting: Lighting): void {
  localStorage.setItem(KEY, lighting);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  const query = matchMedia('(prefers-color-scheme: dark)');
  listeners.add(listener);
  query.addEventListener('change', listener);
  return () => {
    listeners.delete(listener);
    query.removeEventListener('change', listener);
  };
}

export const useLighting = (): Lighting => useSyncExternalStore(subscribe, read, () => 'auto');

/** What the server painted the page in: the first light, until the browser has looked for itself. */
export const PaintedNight = createContext(false);

export function useIsNight(): boolean {
  const painted = useContext(PaintedNight);
  return useSyncExternalStore(subscribe, isNightNow, () => painted);
}

/** Remembers the light for the next page that the server makes. */
export function rememberLight(night: boolean): void {
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is not in every browser yet
  document.cookie = `${NIGHT_COOKIE}=${night ? '1' : '0'}; path=/; max-age=31536000; samesite=strict`;
}

const STILL = '(prefers-reduced-motion: reduce)';
function subscribeStill(listener: () => void): () => void {
  const query = matchMedia(STILL);
  query.addEventListener('change', listener);
  return () => query.removeEventListener('change', listener);
}

/** Whether whoever looks asked for no movement. */
export const useIsStill = (): boolean =>
  useSyncExternalStore(
    subscribeStill,
    () => matchMedia(STILL).matches,
    () => false,
  );
