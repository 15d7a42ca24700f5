'use client';
import { useEffect, useRef, useState } from 'react';
import type { Nudge } from '@/core/run/nudges';
import type { Hears } from '@/core/run/silence';

const WISH = 'hyndle.callAloud';
const HEARS = 'hyndle.hears';
/** Rings again until somebody did it, or said that it was heard. */
const AGAIN_MS = 30_000;

/** What this device rings for, in this run; it outlives a reload. */
export function useHears(runId: string): [Hears, (hears: Hears) => void] {
  const key = `${HEARS}.${runId}`;
  const [hears, setHears] = useState<Hears>({ kind: 'all' });
  useEffect(() => {
    const kept = localStorage.getItem(key);
    if (kept === 'stops') setHears({ kind: 'stops' });
    else if (kept?.startsWith('vessel:')) setHears({ kind: 'vessel', vesselId: kept.slice('vessel:'.length) });
  }, [key]);
  return [
    hears,
    (next) => {
      localStorage.setItem(key, next.kind === 'vessel' ? `vessel:${next.vesselId}` : next.kind);
      setHears(next);
    },
  ];
}

/**
 * Calls aloud, and keeps the screen awake, once a person asked for it. The wish outlives a reload; browsers let a page sound
 * only after a touch, so until then it waits, and says so.
 */
export function useCalls(due: Nudge | undefined): { on: boolean; waits: boolean; toggle: () => void } {
  const [on, setOn] = useState(false);
  const [touched, setTouched] = useState(false);
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    if (localStorage.getItem(WISH) === 'on') setOn(true);
  }, []);
  useEffect(() => {
    if (!on || touched) return;
    const touch = (event: Event) => {
      // Its own button wakes it by itself, and does not turn it off with the same touch.
      if (event.target instanceof Element && event.target.closest('[data-calls]')) return;
      audio.current ??= 'AudioContext' in window ? new AudioContext() : null;
      setTouched(true);
    };
    const kinds = ['pointerdown', 'keydown'] as const;
    for (const kind of kinds) window.addEventListener(kind, touch);
    return () => {
      for (const kind of kinds) window.removeEventListener(kind, touch);
    };
  }, [on, touched]);
  // The same call by what it is for: its moment may move along, and its words with it.
  const call = due ? `${due.stepId}/${due.act}` : null;
  const now = useRef(due);
  now.current = due;
  useEffect(() => {
    if (!on || call === null) return;
    const say = () => {
      if (!now.current) return;
      ring(audio.current, now.current.stop);
      if (document.visibilityState === 'hidden' && 'Notification' in window && Notification.permission === 'granted')
        new Notification('Hyndle', { body: now.current.text, tag: call });
    };
    say();
    const again = setInterval(say, AGAIN_MS);
    return () => clearInterval(again);
  }, [on, call]);
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
    if (on && !touched) return setTouched(true);
    setTouched(true);
    setOn(!on);
    if (on) localStorage.removeItem(WISH);
    else localStorage.setItem(WISH, 'on');
  };
  return { on, waits: on && !touched, toggle };
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
