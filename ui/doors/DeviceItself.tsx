'use client';
import { Button } from 'antd';
import { useState } from 'react';
import { errorText, post } from '../api/http';
import type { Me } from '../api/me';
import { LinkButton } from '../shell/LinkButton';
import { Notice } from '../shell/Notice';
import { Panel } from '../shell/Page';

/** What a joined device knows of itself. Who else is let in is decided on the machine. */
export function DeviceItself({ me }: { me: Extract<Me, { kind: 'device' }> }) {
  const [fault, setFault] = useState<string | null>(null);
  const leave = () =>
    post('/me/leave', {}).then(
      () => window.location.assign('/join?out'),
      (error: unknown) => setFault(errorText(error)),
    );
  return (
    <Panel title="This device">
      <div className="row">
        <p className="row-main">
          It is called <strong>{me.name}</strong> in the log and {me.role === 'hands' ? 'may do every act' : 'looks only'}. Who is let in is decided on the
          machine itself.
        </p>
        <Button onClick={() => void leave()}>Leave</Button>
      </div>
      {me.isSecure ? null : (
        <p>
          The way here is not private: no camera, no screen that stays awake, no notifications. <LinkButton href="/join/trust">Make it private</LinkButton>
        </p>
      )}
      {fault ? <Notice kind="fault">{fault}</Notice> : null}
    </Panel>
  );
}
