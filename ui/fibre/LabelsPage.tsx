'use client';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import type { LotView } from '@/contract/views';
import { printComposition, printFinishes } from '@/core/fibre/lot';
import { printMass, printPercent } from '@/core/measure/print';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace, FailedPage, LoadingPage } from '../shell/PageState';
import { ANSWER_WORD, figureText, TREATMENT_WORD } from './lotText';

/** Labels for bags and skeins: text a person can read, and a code that opens the lot. Printed as they stand here. */
export function LabelsPage() {
  const ids = (useSearchParams().get('ids') ?? '').split(',').filter(Boolean);
  const lots = useLoaded<LotView[]>('/lots?ended=yes', () => false);
  const [address, setAddress] = useState('');
  useEffect(() => setAddress(window.location.origin), []);
  if (lots.state === 'loading') return <LoadingPage what="the lots" />;
  if (lots.state === 'failed') return <FailedPage why={lots.why} retry={lots.retry} />;
  const chosen = ids.length === 0 ? lots.value.filter((lot) => !lot.ended) : lots.value.filter((lot) => ids.includes(lot.id));
  return (
    <div className="page labels-page">
      <header className="page-head no-print">
        <div className="page-title">
          <h1>Labels</h1>
          <p className="quiet">The code opens the lot at this address; change it when another device at home should reach it.</p>
        </div>
        <label className="field field-inline">
          <span>Address</span>
          <input className="search" value={address} onChange={(event) => setAddress(event.target.value)} />
        </label>
        <Link className="act" href="/fibre">
          Back
        </Link>
        <button type="button" className="act act-strong" onClick={() => window.print()}>
          Print
        </button>
      </header>
      {chosen.length === 0 ? <EmptyPlace>No lot to label. Choose some on the fibre page.</EmptyPlace> : null}
      <div className="labels">
        {chosen.map((lot) => (
          <Label key={lot.id} lot={lot} url={`${address.replace(/\/+$/, '')}/fibre/${lot.id}`} />
        ))}
      </div>
    </div>
  );
}

function Label({ lot, url }: { lot: LotView; url: string }) {
  const [code, setCode] = useState<string | null>(null);
  useEffect(() => {
    let dropped = false;
    QRCode.toString(url, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }).then(
      (svg) => !dropped && setCode(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`),
      () => !dropped && setCode(null),
    );
    return () => {
      dropped = true;
    };
  }, [url]);
  const last = lot.passport.treatments.filter((treatment) => treatment.certainty === 'known' && ['mordant', 'dye', 'iron', 'tannin'].includes(treatment.kind));
  return (
    <article className="label">
      <div className="label-text">
        <h2>{lot.name}</h2>
        <p>
          {printComposition(lot.composition)}, {printFinishes(lot.finishes)}
        </p>
        <p>
          {figureText(lot.dryWeightG, printMass)} dry · {lot.form}, {lot.pieces} {lot.pieces === 1 ? 'piece' : 'pieces'}
        </p>
        <p>
          scoured: {ANSWER_WORD[lot.passport.state.scour]} · mordanted: {ANSWER_WORD[lot.passport.state.mordant]}
        </p>
        {last.map((treatment) => (
          <p key={treatment.id}>
            {TREATMENT_WORD[treatment.kind]}: {treatment.substance ?? 'done'}
            {treatment.wofPct.state === 'unknown' ? '' : ` ${figureText(treatment.wofPct, printPercent)}`}
            {treatment.part ? ` (${treatment.part})` : ''}
          </p>
        ))}
        <p className="label-foot">Contains plant matter and mordant traces. Lot {lot.id}</p>
      </div>
      {code ? (
        // biome-ignore lint/performance/noImgElement: a picture made on this page, nothing to optimise
        <img className="label-code" src={code} alt={`Code that opens ${lot.name}`} width={96} height={96} />
      ) : (
        <span className="label-code" />
      )}
    </article>
  );
}
