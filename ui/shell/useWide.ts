'use client';
import { useSyncExternalStore } from 'react';

/** Room for a list and its details side by side; the same as in styles/room.css. */
const WIDE = '(min-width: 1560px)';

const subscribe = (listener: () => void): (() => void) => {
  const query = matchMedia(WIDE);
  query.addEventListener('change', listener);
  return () => query.removeEventListener('change', listener);
};

export const useWide = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => matchMedia(WIDE).matches,
    () => false,
  );
