'use client';
import { Button, Flex, QRCode, Segmented } from 'antd';
import { useState } from 'react';
import { type Role, SHORT_DIGITS } from '@/core/doors/joining';
import { useNow } from '../api/serverClock';
import { type DoorsView, ROLE_SAYS } from './doorsView';

interface Props {
  readonly doors: DoorsView;
  readonly busy: boolean;
  readonly onAct: (path: string, body?: unknown) => Promise<void>;
}

/** How a device finds Hyndle, and the digits by which it joins. */
export function LetIn({ doors, busy, onAct }: Props) {
  const plain = doors.listening.filter((one) => !one.isSecure);
  const [address, setAddress] = useState(plain[0]?.address ?? '');
  const [role, setRole] = useState<Role>('hands');
  const here = plain.find((one) => one.address === address) ?? plain[0];
  if (!here) return null;
  const joinUrl = `${here.url}/join`;
  return (
    <Flex gap={20} wrap align="start" style={{ padding: 14 }}>
      {/* Dark on light by night too: cameras read nothing else. */}
      <QRCode value={joinUrl} size={188} type="svg" color="#000000" bgColor="#ffffff" />
      <Flex vertical gap={10} flex="1 1 260px">
        {plain.length > 1 ? <Segmented aria-label="Address" options={plain.map((one) => one.address)} value={here.address} onChange={setAddress} /> : null}
        <p>
          Point its camera at this, or type <strong className="figure">{joinUrl.replace('http://', '')}</strong>
        </p>
        {here.address.endsWith('.local') ? (
          <p className="quiet">The name stays when the address changes, and the device stays joined. Where it is not found, take the address.</p>
        ) : null}
        {doors.invite ? (
          <Digits invite={doors.invite} busy={busy} onAct={onAct} />
        ) : (
          <>
            <Segmented<Role>
              aria-label="What it may do"
              value={role}
              onChange={setRole}
              options={(['hands', 'eyes'] as const).map((value) => ({ value, label: ROLE_SAYS[value] }))}
            />
            <Button type="primary" loading={busy} onClick={() => void onAct('/doors/invite', { role })} style={{ alignSelf: 'flex-start' }}>
              Let a device in
            </Button>
          </>
        )}
      </Flex>
    </Flex>
  );
}

interface DigitsProps extends Omit<Props, 'doors'> {
  readonly invite: NonNullable<DoorsView['invite']>;
}

function Digits({ invite, busy, onAct }: DigitsProps) {
  const leftMs = invite.endsMs - useNow(1000);
  const { missed } = invite;
  return (
    <section aria-label="Joining code" aria-live="polite">
      {leftMs > 0 ? (
        <>
          <p className="figure" style={{ fontSize: 'var(--t4)', letterSpacing: '0.12em' }}>
            {invite.digits.match(/\d{3}/g)?.join(' ')}
          </p>
          <p className="quiet">
            For one device that {invite.role === 'hands' ? 'may do everything' : 'only looks'}; {Math.ceil(leftMs / 60_000)} min more.
            {missed > 0 ? ` ${missed} wrong ${missed === 1 ? 'try' : 'tries'} so far.` : ''}
          </p>
          {invite.digits.length > SHORT_DIGITS ? <p>Somebody is guessing, so the code is longer now. Type all twelve digits.</p> : null}
        </>
      ) : (
        <p>This code has expired.</p>
      )}
      <Button size="small" disabled={busy} onClick={() => void onAct('/doors/invite/end')}>
        {leftMs > 0 ? 'Let nobody in now' : 'Done'}
      </Button>
    </section>
  );
}
