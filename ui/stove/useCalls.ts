'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Nudge } from '@/core/run/nudges';
import type { Hears } from '@/core/run/silence';
import { hasVoice, speak } from './speech';
import { useWakeLock } from './useWakeLock';

const WISH = 'hyndle.callAloud';
const HEARS = 'hyndle.hears';
const SPEAKS = 'hyndle.speaks';
/** The notes are over by then. */
const AFTER_NOTES_MS = 1300;
/** Rings again until somebody did it, or said that it was heard. */
const AGAIN_MS = 30_000;

/** What this device can do to be heard. */
export interface Heard {
  readonly sounds: boolean;
  readonly shakes: boolean;
  /** In the background, by a message of its own. */
  readonly tells: boolean;
  readonly staysAwake: boolean;
  /** In words; null: nobody asked for them. */
  readonly speaks: boolean | null;
}

/** How this device calls. */
export interface Calls {
  readonly on: boolean;
  /** Until it is touched once, the browser keeps it silent. */
  readonly waits: boolean;
  readonly toggle: () => void;
  readonly tick: () => void;
  readonly tryAlarm: () => Heard;
  /** Says pot and act after the notes. */
  readonly speaks: boolean;
  readonly setSpeaks: (speaks: boolean) => void;
}

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
export function useCalls(due: (Nudge & { readonly place: string }) | undefined): Calls {
  const [on, setOn] = useState(false);
  const [speaks, setSpeaks] = useState(false);
  const [touched, setTouched] = useState(false);
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    if (localStorage.getItem(WISH) === 'on') setOn(true);
    if (localStorage.getItem(SPEAKS) === 'on') setSpeaks(true);
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
    let aloud: ReturnType<typeof setTimeout> | undefined;
    const say = () => {
      if (!now.current) return;
      ring(audio.current, now.current.stop);
      if (speaks) aloud = setTimeout(() => now.current && speak(spoken(now.current)), AFTER_NOTES_MS);
      if (document.visibilityState === 'hidden' && 'Notification' in window && Notification.permission === 'granted')
        new Notification('Hyndle', { body: spoken(now.current), tag: call });
    };
    say();
    const again = setInterval(say, AGAIN_MS);
    return () => {
      clearInterval(again);
      clearTimeout(aloud);
    };
  }, [on, call, speaks]);
  useWakeLock(on);
  const toggle = () => {
    audio.current ??= 'AudioContext' in window ? new AudioContext() : null;
    if (!on && 'Notification' in window && Notification.permission === 'default') void Notification.requestPermission();
    if (on && !touched) return setTouched(true);
    setTouched(true);
    setOn(!on);
    if (on) localStorage.removeItem(WISH);
    else localStorage.setItem(WISH, 'on');
  };
  /** One of the last seconds, counted. */
  const tick = useCallback(() => {
    if (on) note(audio.current, 440, 0, 0.08);
  }, [on]);
  const tryAlarm = (): Heard => {
    audio.current ??= 'AudioContext' in window ? new AudioContext() : null;
    // A tap wakes what the browser had put to sleep.
    void audio.current?.resume();
    setTouched(true);
    ring(audio.current, true);
    if (speaks) setTimeout(() => speak('This is how a call sounds.'), AFTER_NOTES_MS);
    return {
      speaks: speaks ? hasVoice() : null,
      sounds: audio.current !== null,
      shakes: 'vibrate' in navigator,
      tells: 'Notification' in window && Notification.permission === 'granted',
      staysAwake: 'wakeLock' in navigator,
    };
  };
  const chooseSpeaks = (next: boolean) => {
    localStorage.setItem(SPEAKS, next ? 'on' : 'off');
    setSpeaks(next);
  };
  return { on, waits: on && !touched, toggle, tick, tryAlarm, speaks, setSpeaks: chooseSpeaks };
}

/** "12 L steel pot: stir." */
const spoken = ({ place, text, stop }: { readonly place: string; readonly text: string; readonly stop: boolean }): string =>
  [stop ? 'Stop.' : '', place ? `${place}: ${text}` : text].filter(Boolean).join(' ');

/** Two soft notes; four for a stop, and a shake where the device can. */
function ring(audio: AudioContext | null, stop: boolean): void {
  if ('vibrate' in navigator) navigator.vibrate(stop ? [300, 150, 300, 150, 300] : [200]);
  const notes = stop ? [880, 660, 880, 660] : [523, 659];
  notes.forEach((hertz, i) => {
    note(audio, hertz, i * 0.28, 0.27);
  });
}

function note(audio: AudioContext | null, hertz: number, inS: number, lastsS: number): void {
  if (!audio) return;
  const at = audio.currentTime + inS;
  const tone = audio.createOscillator();
  const gain = audio.createGain();
  tone.frequency.value = hertz;
  gain.gain.setValueAtTime(0.0001, at);
  gain.gain.exponentialRampToValueAtTime(0.3, at + 0.03);
  gain.gain.exponentialRampToValueAtTime(0.0001, at + lastsS - 0.01);
  tone.connect(gain).connect(audio.destination);
  tone.start(at);
  tone.stop(at + lastsS);
}
