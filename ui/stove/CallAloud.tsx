'use client';
import { Button } from 'antd';
import type { Calls } from './useCalls';

/** Whether this device calls aloud: one button, wherever it stands. */
export const CallAloud = ({ calls }: { readonly calls: Pick<Calls, 'on' | 'waits' | 'toggle'> }) => (
  <Button data-calls onClick={calls.toggle} aria-pressed={calls.on} type={calls.on ? 'primary' : 'default'}>
    {calls.waits ? 'Touch once, then it calls' : calls.on ? 'Calling aloud' : 'Call aloud'}
  </Button>
);
