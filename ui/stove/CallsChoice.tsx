'use client';
import { Button } from 'antd';
import type { Vessel } from '@/core/kitchen/vessel';
import type { Hears } from '@/core/run/silence';
import { later } from '../shell/later';

// Asked for when it calls: the stove is there before.
const HearsSelect = later(() => import('./HearsSelect').then((module) => module.HearsSelect));
/** What it fetches when it is wanted. */
export const CALLS_PARTS = [HearsSelect] as const;

interface Props {
  readonly calls: { readonly on: boolean; readonly waits: boolean; readonly toggle: () => void };
  readonly hears: Hears;
  readonly onHears: (hears: Hears) => void;
  /** Vessels of the run. */
  readonly vessels: readonly Vessel[];
}

/** Whether this device calls aloud, and for what. */
export function CallsChoice({ calls, hears, onHears, vessels }: Props) {
  return (
    <>
      <Button data-calls onClick={calls.toggle} aria-pressed={calls.on} type={calls.on ? 'primary' : 'default'}>
        {calls.waits ? 'Touch once, then it calls' : calls.on ? 'Calling aloud' : 'Call aloud'}
      </Button>
      {calls.on ? <HearsSelect hears={hears} onHears={onHears} vessels={vessels} /> : null}
    </>
  );
}
