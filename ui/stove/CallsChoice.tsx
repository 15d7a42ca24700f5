'use client';
import type { Vessel } from '@/core/kitchen/vessel';
import type { Hears } from '@/core/run/silence';
import { later } from '../shell/later';
import { CallAloud } from './CallAloud';
import type { Calls } from './useCalls';

// Asked for when it calls: the stove is there before.
const HearsSelect = later(() => import('./HearsSelect').then((module) => module.HearsSelect));
const TryAlarm = later(() => import('./TryAlarm').then((module) => module.TryAlarm));
/** What it fetches when it is wanted. */
export const CALLS_PARTS = [HearsSelect, TryAlarm] as const;

interface Props {
  readonly calls: Calls;
  readonly hears: Hears;
  readonly onHears: (hears: Hears) => void;
  /** Vessels of the run. */
  readonly vessels: readonly Vessel[];
}

/** Whether this device calls aloud, and for what. */
export function CallsChoice({ calls, hears, onHears, vessels }: Props) {
  return (
    <>
      <CallAloud calls={calls} />
      {calls.on ? <HearsSelect hears={hears} onHears={onHears} vessels={vessels} /> : null}
      {calls.on ? <TryAlarm calls={calls} /> : null}
    </>
  );
}
