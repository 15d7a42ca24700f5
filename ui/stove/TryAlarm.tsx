'use client';
import { Button, Checkbox, Popover } from 'antd';
import { useState } from 'react';
import { canSpeak } from './speech';
import type { Calls, Heard } from './useCalls';

/** Before a long session: the alarm as it will ring, and what this device can and cannot do. */
export function TryAlarm({ calls }: { readonly calls: Pick<Calls, 'tryAlarm' | 'speaks' | 'setSpeaks'> }) {
  const [heard, setHeard] = useState<Heard | null>(null);
  return (
    <Popover
      open={heard !== null}
      onOpenChange={(open) => !open && setHeard(null)}
      trigger="click"
      placement="bottomRight"
      content={
        <div role="status" style={{ maxWidth: 320 }}>
          {heard ? lines(heard).map((line) => <p key={line}>{line}</p>) : null}
          {canSpeak() ? (
            <Checkbox checked={calls.speaks} onChange={(event) => calls.setSpeaks(event.target.checked)}>
              Say in words, too, which pot and what to do
            </Checkbox>
          ) : null}
        </div>
      }
    >
      <Button onClick={() => setHeard(calls.tryAlarm())}>Try the alarm</Button>
    </Popover>
  );
}

const lines = ({ sounds, shakes, tells, staysAwake, speaks }: Heard): string[] => [
  sounds
    ? 'Four notes, high and low: that is a stop. Nothing heard? Turn the sound of this device up, or its silent switch off.'
    : 'This browser cannot sound. Use another device beside it.',
  ...(speaks === null ? [] : [speaks ? 'Then it says in words which pot, and what to do.' : 'This browser has no voice to speak with: the notes alone call.']),
  shakes ? 'It shakes too, where the device can.' : 'It does not shake.',
  tells ? 'In the background it sends a message.' : 'In the background it sends no message: allow messages for this page, or keep it open.',
  staysAwake ? 'The screen stays awake while it calls aloud.' : 'This browser lets the screen sleep: set the device to stay awake.',
];
