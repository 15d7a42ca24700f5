'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { dyeableShare, printComposition, printFinishes } from '@/core/fibre/lot';
import type { Treatment } from '@/core/fibre/passport';
import { weightWorking } from '@/core/fibre/weight';
import { printMass, printPercent } from '@/core/measure/print';
import { printDay } from '@/core/time/zone';
import { errorText, post } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { useZone } from '../shell/useZone';
import { CompareLots } from './CompareLots';
import { Hem } from './Hem';
import { ANSWER_WORD, CERTAINTY_WORD, figureText, TREATMENT_WORD } from './lotText';

const LotForm = dynamic(() => import('./LotForm').then((module) => module.LotForm));
const SplitForm = dynamic(() => import('./SplitForm').then((module) => module.SplitForm));
const TreatmentForm = dynamic(() => import('./TreatmentForm').then((module) => module.TreatmentForm));

/** One lot: what it is, where it came from, and its passport as a hem with a line for each stitch. */
export function LotPage({ lotId }: { lotId: string }) {
  const loaded = useLoaded<LotView>(
    `/lots/${lotId}`,
    (message) =>
      (message.kind === 'changed' && message.what === 'lot' && message.id === lotId) || (message.kind === 'event' && message.event.type === 'stepFinished'),
  );
  const zone = useZone();
  const [open, setOpen] = useState<'edit' | 'add' | 'split' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  if (loaded.state === 'loading') return <LoadingPage what="the lot" />;
  if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  const lot = loaded.value;
  const share = dyeableShare(lot.composition);
  const close = () => setOpen(null);
  const retire = (retired: boolean) =>
    void post(`/lots/${lot.id}/retire`, { revision: lot.revision, retired }).then(loaded.reload, (error: unknown) => setProblem(errorText(error)));
  return (
    <div className="page">
      <header className="page-head">
        <div className="page-title">
          <h1>{lot.name}</h1>
          <p className="totals">
            <span>{figureText(lot.dryWeightG, printMass)} dry</span>
            <span>{printComposition(lot.composition)}</span>
            <span>
              {lot.form}, {lot.pieces} {lot.pieces === 1 ? 'piece' : 'pieces'}
            </span>
            <span>{printFinishes(lot.finishes)}</span>
            {share !== null && share < 1 ? <span>{Math.round(share * 100)} % of it takes dye</span> : null}
          </p>
        </div>
        {lot.ended ? (
          lot.ended.how === 'retired' ? (
            <button type="button" className="act" onClick={() => retire(false)}>
              Take it back
            </button>
          ) : null
        ) : (
          <>
            <button type="button" className="act" onClick={() => retire(true)}>
              Put away
            </button>
            <Link className="act" href={`/fibre/labels?ids=${lot.id}`}>
              Label
            </Link>
            <button type="button" className="act" onClick={() => setOpen('split')}>
              Split
            </button>
            <button type="button" className="act" onClick={() => setOpen('edit')}>
              Change
            </button>
            <button type="button" className="act act-strong" onClick={() => setOpen('add')}>
              Add to its past
            </button>
          </>
        )}
      </header>
      {problem ? (
        <p className="banner banner-stop" role="alert">
          {problem}
        </p>
      ) : null}
      <Ended lot={lot} />
      {lot.note ? <p>{lot.note}</p> : null}
      {lot.weightFrom ? <WeightSaid lot={lot} /> : null}
      <section className="panel">
        <h2>Passport</h2>
        <Hem passport={lot.passport} />
        <dl className="questions">
          {(['scour', 'tannin', 'mordant', 'dye'] as const).map((question) => (
            <div key={question}>
              <dt>{TREATMENT_WORD[question]}?</dt>
              <dd className={`certainty certainty-${lot.passport.state[question]}`}>{ANSWER_WORD[lot.passport.state[question]]}</dd>
            </div>
          ))}
        </dl>
        {lot.passport.treatments.length === 0 ? (
          <p className="quiet">
            Nothing is known of its past. A small piece in a mordanted neighbour’s bath tells within minutes: unmordanted yarn stays pale.
          </p>
        ) : null}
        <ol className="treatments">
          {lot.passport.treatments.map((treatment) => (
            <TreatmentRow key={treatment.id} treatment={treatment} lotId={lot.id} zone={zone} />
          ))}
        </ol>
      </section>
      <CompareLots lot={lot} />
      {open === 'edit' ? <LotForm lot={lot} onClose={close} onSaved={loaded.reload} /> : null}
      {open === 'split' ? <SplitForm lot={lot} onClose={close} onSaved={loaded.reload} /> : null}
      {open === 'add' && zone ? <TreatmentForm lotId={lot.id} zone={zone} onClose={close} onSaved={loaded.reload} /> : null}
    </div>
  );
}

/** Where it came from and what became of it, as links. */
function Ended({ lot }: { lot: LotView }) {
  return (
    <>
      {lot.ended ? (
        <p className="banner">
          {lot.ended.how === 'retired' ? 'Put away: no longer offered; its records stay.' : lot.ended.how === 'split' ? 'Split up into ' : 'Joined into '}
          {lot.ended.into.map((id, i) => (
            <span key={id}>
              {i > 0 ? ', ' : ''}
              <Link href={`/fibre/${id}`}>{lot.ended?.how === 'split' ? `part ${i + 1}` : 'the whole'}</Link>
            </span>
          ))}
        </p>
      ) : null}
      {lot.from.length > 0 ? (
        <p className="quiet">
          {lot.from.length === 1 ? 'Split from ' : 'Joined of '}
          {lot.from.map((id, i) => (
            <span key={id}>
              {i > 0 ? ', ' : ''}
              <Link href={`/fibre/${id}`}>{lot.from.length === 1 ? 'the whole' : `lot ${i + 1}`}</Link>
            </span>
          ))}
        </p>
      ) : null}
    </>
  );
}

function WeightSaid({ lot }: { lot: LotView }) {
  if (!lot.weightFrom) return null;
  const working = weightWorking(lot.weightFrom, lot.composition);
  return (
    <details className="amount">
      <summary>
        <span>How its weight was worked out</span>
      </summary>
      <ul>
        <li>
          {working.formula} = {working.result === null ? 'unknown' : printMass(working.result)}
        </li>
        {working.inputs.map((input) => (
          <li key={input.name}>
            {input.name}: {input.value ?? 'unknown'} {input.unit}
          </li>
        ))}
        <li>Source: {working.source}</li>
      </ul>
    </details>
  );
}

function TreatmentRow({ treatment, lotId, zone }: { treatment: Treatment; lotId: string; zone: string | null }) {
  return (
    <li>
      <span className="treatment-when">{treatment.atMs === null ? 'no date' : zone ? printDay(treatment.atMs, zone) : ''}</span>
      <strong>
        {TREATMENT_WORD[treatment.kind]}
        {treatment.part ? ` (${treatment.part})` : ''}
      </strong>
      <span>
        {treatment.substance ?? (treatment.certainty === 'noneOnPurpose' ? 'nothing' : '')}
        {treatment.wofPct.state === 'unknown' ? '' : ` ${figureText(treatment.wofPct, printPercent)} of its weight`}
      </span>
      <span className={`certainty certainty-${treatment.certainty}`}>{CERTAINTY_WORD[treatment.certainty]}</span>
      <span className="quiet">
        {'run' in treatment.from ? (
          <Link href={`/runs/${treatment.from.run}/record`}>{treatment.note || 'a run'}</Link>
        ) : (
          `by hand${treatment.note ? `: ${treatment.note}` : ''}`
        )}
        {treatment.lotId && treatment.lotId !== lotId ? (
          <>
            {' · '}
            <Link href={`/fibre/${treatment.lotId}`}>before it was this lot</Link>
          </>
        ) : null}
      </span>
    </li>
  );
}
