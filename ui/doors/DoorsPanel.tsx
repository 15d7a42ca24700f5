'use client';
import { App, Skeleton, Switch } from 'antd';
import { useState } from 'react';
import { errorText, post } from '../api/http';
import { useMe } from '../api/me';
import { useLoaded } from '../api/useLoaded';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Panel } from '../shell/Page';
import { DevicesList } from './DevicesList';
import type { DoorsView } from './doorsView';
import { LetIn } from './LetIn';
import { TokensPanel } from './TokensPanel';

const DeviceItself = later(() => import('./DeviceItself').then((module) => module.DeviceItself));

/** Who may come in from outside this machine. */
export function DoorsPanel() {
  const me = useMe();
  return me.kind === 'device' ? <DeviceItself me={me} /> : <MachinesDoors />;
}

function MachinesDoors() {
  const loaded = useLoaded<DoorsView>('/doors');
  if (loaded.state === 'loading')
    return (
      <Panel title="Devices at home">
        <Skeleton active title={false} paragraph={{ rows: 3 }} />
      </Panel>
    );
  if (loaded.state === 'failed') return <Notice kind="fault">{loaded.why}</Notice>;
  const { value } = loaded;
  return (
    <>
      <HomeNetwork doors={value} />
      <TokensPanel tokens={value.tokens} />
    </>
  );
}

function HomeNetwork({ doors }: { doors: DoorsView }) {
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const act = async (path: string, body: unknown = {}) => {
    setBusy(true);
    await post(path, body).catch((error: unknown) => message.error(errorText(error)));
    setBusy(false);
  };
  return (
    <Panel title="Devices at home">
      <div className="row">
        <label htmlFor="lan" className="row-main">
          <strong>Open to the home network</strong>
          <p className="quiet">
            Phones and computers in your own network can then find Hyndle, and do nothing until you let each one in by six digits. Off, only this machine can.
          </p>
        </label>
        <Switch id="lan" checked={doors.isOpen} loading={busy} onChange={(isOpen) => void act('/doors/open', { isOpen })} />
      </div>
      {doors.trouble ? <Notice kind="fault">{doors.trouble}</Notice> : null}
      {doors.isOpen && doors.listening.length > 0 ? <LetIn doors={doors} busy={busy} onAct={act} /> : null}
      <DevicesList devices={doors.devices} onOut={(id) => act(`/doors/devices/${id}/out`)} />
    </Panel>
  );
}
