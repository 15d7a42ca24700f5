'use client';
import { PrinterOutlined } from '@ant-design/icons';
import { Button, QRCode } from 'antd';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { SwatchView } from '@/contract/views';
import { factorsOf } from '@/core/compare/passports';
import { colourByText, stateText } from '@/core/swatch/look';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { Notice } from '../shell/Notice';
import { Page } from '../shell/Page';
import { useWhole, type Whole } from './useWhole';

const NONE: readonly SwatchView[] = [];
/** What stands in a passport and says nothing: it takes no room on a card. */
const SAYS_NOTHING = new Set(['unknown', 'none', 'not known', '']);

/** Results as they go into a book of samples: the fibre is pinned on, and beside it stands what made it. */
export function SampleCardPage() {
  const ids = (useSearchParams().get('ids') ?? '').split(',').filter(Boolean).join('\n');
  const loaded = useLoaded<SwatchView[]>('/swatches');
  const all = loaded.state === 'ready' ? loaded.value : NONE;
  const chosen = useMemo(() => ids.split('\n').flatMap((id) => all.find((one) => one.id === id) ?? []), [ids, all]);
  const { whole, fault } = useWhole(chosen);
  const [address, setAddress] = useState('');
  useEffect(() => setAddress(window.location.origin), []);
  if (loaded.state === 'loading') return <LoadingPage title="Sample card" shape="panels" />;
  if (loaded.state === 'failed') return <FailedPage title="Sample card" why={loaded.why} retry={loaded.retry} />;
  return (
    <Page
      title="Sample card"
      under={<span className="no-print">Prints on A4 and on Letter; a piece of the fibre is pinned over its colour.</span>}
      acts={
        <>
          <LinkButton href="/swatches">The wall</LinkButton>
          <Button type="primary" disabled={whole.length === 0} icon={<PrinterOutlined aria-hidden="true" />} onClick={() => window.print()}>
            Print
          </Button>
        </>
      }
    >
      {fault ? <Notice kind="fault">{fault}</Notice> : null}
      {chosen.length === 0 ? <EmptyPlace act={<LinkButton href="/swatches">Choose some</LinkButton>}>No result was chosen for it.</EmptyPlace> : null}
      <div className="columns">
        {whole.map((one) => (
          <Sample key={one.view.id} one={one} address={address} />
        ))}
      </div>
    </Page>
  );
}

function Sample({ one: { view, lot, swatch }, address }: { one: Whole; address: string }) {
  const print = usePrint();
  const recipe = factorsOf({ ...lot, passport: swatch.passport }).filter(([, says]) => !SAYS_NOTHING.has(says));
  return (
    <article className="label">
      <div className="row-main">
        <span
          aria-hidden="true"
          style={{
            display: 'block',
            height: 110,
            marginBottom: 8,
            printColorAdjust: 'exact',
            border: '1px dashed #777',
            ...(view.hex ? { background: view.hex } : {}),
          }}
        />
        <h2>{view.name}</h2>
        <p className="small">
          {lot.name} · {print.date(view.atMs)}
          {view.colour ? ` · ${view.hex}, ${stateText(view.colour.state)}, ${colourByText(view.colour.by)}` : ''}
        </p>
        <ul className="small">
          {recipe.map(([what, says]) => (
            <li key={what}>
              {what}: {print.says(says)}
            </li>
          ))}
          <li>light and washing: {view.fastness || 'untested'}</li>
        </ul>
      </div>
      <div role="img" aria-label={`Code that opens ${lot.name}`} style={{ flex: 'none' }}>
        <div aria-hidden="true">
          <QRCode value={`${address}/fibre/${lot.id}`} type="svg" size={72} color="#111111" bgColor="#ffffff" bordered={false} errorLevel="M" marginSize={0} />
        </div>
      </div>
    </article>
  );
}
