'use client';
import { useSyncExternalStore } from 'react';

/** Day, night, or as the device says. */
export type Lighting = 'auto' | 'day' | 'night';
const KEY = 'hyndle.lighting';
const listeners = new Set<() => void>();

const read = (): Lighting => {
  const kept = localStorage.getItem(KEY);
  return kept === 'day' || kept === 'night' ? kept : 'auto';
};

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

export const useIsNight = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => (read() === 'auto' ? matchMedia('(prefers-color-scheme: dark)').matches : read() === 'night'),
    () => false,
  );
