'use client';
import { App, Button, Typography } from 'antd';
import { useState } from 'react';
import type { Home } from '@/core/kitchen/home';
import { errorText, post } from '../api/http';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Panel } from '../shell/Page';
import type { DoorsView } from './doorsView';

const TokenForm = later(() => import('./TokenForm').then((module) => module.TokenForm));

/** Tokens of probes and other programs, each ended in one tap. */
export function TokensPanel({ tokens }: { tokens: DoorsView['tokens'] }) {
  const { message } = App.useApp();
  const print = usePrint();
  const now = useNow(30_000);
  const home = useLoaded<Home>('/home');
  const [making, setMaking] = useState(false);
  const [made, setMade] = useState<{ name: string; secret: string } | null>(null);
  const probes = home.state === 'ready' ? home.value.probes : [];
  const opens = (scope: DoorsView['tokens'][number]['scope']): string => {
    switch (scope.kind) {
      case 'all':
        return 'everything';
      case 'look':
        return 'looking only';
      case 'probe':
        return `readings of ${probes.find((probe) => probe.id === scope.probeId)?.name ?? scope.probeId}`;
    }
  };
  const end = (id: string) => void post(`/doors/tokens/${id}/out`, {}).catch((error: unknown) => message.error(errorText(error)));
  return (
    <Panel
      title="Probes and other programs"
      acts={
        <div className="line line-tight">
          <LinkButton href="/programs">What can be asked</LinkButton>
          <Button onClick={() => setMaking(true)}>Make a token</Button>
        </div>
      }
    >
      <p className="quiet">
        A program on another machine shows a token with every request (<code>Authorization: Bearer …</code>). On this machine it needs none.
      </p>
      {made ? (
        <Notice acts={<Button onClick={() => setMade(null)}>I have it</Button>}>
          The token of <strong>{made.name}</strong>, shown this once and kept nowhere:
          <Typography.Paragraph copyable code style={{ overflowWrap: 'anywhere', margin: 0 }}>
            {made.secret}
          </Typography.Paragraph>
        </Notice>
      ) : null}
      {tokens.length === 0 ? <p className="quiet">No token has been made.</p> : null}
      <ul aria-label="Tokens">
        {tokens.map((token) => (
          <li key={token.id} className="row">
            <div className="row-main">
              <strong>{token.name}</strong> <span className="quiet">{opens(token.scope)}</span>
              <p className="quiet">{token.lastUsedMs === null ? 'not used yet' : `last used ${print.date(token.lastUsedMs, now)}`}</p>
            </div>
            <Button size="small" aria-label={`End: ${token.name}`} onClick={() => end(token.id)}>
              End
            </Button>
          </li>
        ))}
      </ul>
      {making ? <TokenForm probes={probes} onMade={setMade} onClose={() => setMaking(false)} /> : null}
    </Panel>
  );
}
