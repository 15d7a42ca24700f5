'use client';
import { PrinterOutlined } from '@ant-design/icons';
import { Button, Input, QRCode } from 'antd';
import { useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { LotView } from '@/contract/views';
import { printComposition, printFinishes } from '@/core/fibre/lot';
import { shareText } from '@/core/fibre/passport';
import { figureText } from '@/core/figure';
import { useLoaded } from '../api/useLoaded';
import { Field } from '../form/Field';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { Page } from '../shell/Page';
import { ANSWER_WORD, TREATMENT_WORD } from './lotText';

/** Labels for bags and skeins: text a person can read, and a code that opens the lot. Printed as they stand here. */
export function LabelsPage() {
  const ids = (useSearchParams().get('ids') ?? '').split(',').filter(Boolean);
  const lots = useLoaded<LotView[]>('/lots?ended=yes');
  const [address, setAddress] = useState('');
  useEffect(() => setAddress(window.location.origin), []);
  if (lots.state === 'loading') return <LoadingPage title="Labels" shape="panels" />;
  if (lots.state === 'failed') return <FailedPage title="Labels" why={lots.why} retry={lots.retry} />;
  const chosen = ids.length === 0 ? lots.value.filter((lot) => !lot.ended) : lots.value.filter((lot) => ids.includes(lot.id));
  return (
    <Page
      title="Labels"
      under={<span className="no-print">The code opens the lot at this address; change it when another device at home should reach it.</span>}
      acts={
        <>
          <LinkButton href="/fibre">Back</LinkButton>
          <Button type="primary" icon={<PrinterOutlined aria-hidden="true" />} onClick={() => window.print()}>
            Print
          </Button>
        </>
      }
    >
      <div className="no-print" style={{ maxWidth: 360 }}>
        <Field label="Address">{(id) => <Input id={id} value={address} onChange={(event) => setAddress(event.target.value)} />}</Field>
      </div>
      {chosen.length === 0 ? <EmptyPlace act={<LinkButton href="/fibre">Choose some</LinkButton>}>No lot to label.</EmptyPlace> : null}
      <div className="columns">
        {chosen.map((lot) => (
          <Label key={lot.id} lot={lot} url={`${address.replace(/\/+$/, '')}/fibre/${lot.id}`} />
        ))}
      </div>
    </Page>
  );
}

function Label({ lot, url }: { lot: LotView; url: string }) {
  const print = usePrint();
  const last = lot.passport.treatments.filter((treatment) => treatment.certainty === 'known' && ['mordant', 'dye', 'iron', 'tannin'].includes(treatment.kind));
  return (
    <article className="label">
      <div className="row-main">
        <h2>{lot.name}</h2>
        <p>
          {printComposition(lot.composition)}, {printFinishes(lot.finishes)}
        </p>
        <p>
          {figureText(lot.dryWeightG, print.mass)} dry · {lot.form}, {lot.pieces} {lot.pieces === 1 ? 'piece' : 'pieces'}
        </p>
        <p>
          scoured: {ANSWER_WORD[lot.passport.state.scour]} · mordanted: {ANSWER_WORD[lot.passport.state.mordant]}
        </p>
        {last.map((treatment) => (
          <p key={treatment.id}>
            {TREATMENT_WORD[treatment.kind]}: {treatment.substance ?? 'done'}
            {treatment.wofPct.state === 'unknown' ? '' : ` ${figureText(treatment.wofPct, (pct) => shareText(treatment.kind, pct))}`}
            {treatment.part ? ` (${treatment.part})` : ''}
          </p>
        ))}
        <p className="small">Contains plant matter and mordant traces. Lot {lot.id}</p>
      </div>
      {/* Ink on white paper, by day and by night. */}
      <div role="img" aria-label={`Code that opens ${lot.name}`} style={{ flex: 'none' }}>
        <div aria-hidden="true">
          <QRCode value={url} type="svg" size={96} color="#111111" bgColor="#ffffff" bordered={false} errorLevel="M" marginSize={0} />
        </div>
      </div>
    </article>
  );
}
