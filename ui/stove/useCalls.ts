'use client';
import { useEffect, useRef, useState } from 'react';
import type { Nudge } from '@/core/run/nudges';

/** Calls aloud, and keeps the screen awake, once a person asked for it: browsers allow neither unasked. */
export function useCalls(due: Nudge | undefined): { on: boolean; toggle: () => void } {
  const [on, setOn] = useState(false);
  const audio = useRef<AudioContext | null>(null);
  const called = useRef<string | null>(null);
  useEffect(() => {
    if (!on || !due || called.current === due.key) return;
    called.current = due.key;
    ring(audio.current, due.stop);
    if (document.visibilityState === 'hidden' && 'Notification' in window && Notification.permission === 'granted')
      new Notification('Hyndle', { body: due.text, tag: due.key });
  }, [on, due]);
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
  const toggle = () => {
    audio.current ??= 'AudioContext' in window ? new AudioContext() : null;
    if (!on && 'Notification' in window && Notification.permission === 'default') void Notification.requestPermission();
    setOn(!on);
  };
  return { on, toggle };
}

/** Two soft notes; four for a stop. */
function ring(audio: AudioContext | null, stop: boolean): void {
  if (!audio) return;
  const notes = stop ? [880, 660, 880, 660] : [523, 659];
  notes.forEach((hertz, i) => {
    const at = audio.currentTime + i * 0.28;
    const tone = audio.createOscillator();
    const gain = audio.createGain();
    tone.frequency.value = hertz;
    gain.gain.setValueAtTime(0.0001, at);
    gain.gain.exponentialRampToValueAtTime(0.3, at + 0.03);
    gain.gain.exponentialRampToValueAtTime(0.0001, at + 0.26);
    tone.connect(gain).connect(audio.destination);
    tone.start(at);
    tone.stop(at + 0.27);
  });
}
