'use client';
import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds, from the second drawing on. @param onServer what the page is made with, before anybody's screen is known */
export function useMedia(query: string, onServer: boolean): boolean {
  const subscribe = useCallback(
    (listener: () => void) => {
      const list = matchMedia(query);
      list.addEventListener('change', listener);
      return () => list.removeEventListener('change', listener);
    },
    [query],
  );
  return useSyncExternalStore(
    subscribe,
    () => matchMedia(query).matches,
    () => onServer,
  );
}
