'use client';
import { useEffect } from 'react';

/** Keeps the screen awake while `on`, where the browser can; again each time the page is looked at. */
export function useWakeLock(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    const hold = () => {
      if (document.visibilityState === 'visible')
        navigator.wakeLock.request('screen').then(
          (got) => {
            lock = got;
          },
          () => undefined,
        );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [on]);
}
