'use client';
import { Input, Modal, Select } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { dyeableShare, printComposition } from '@/core/fibre/lot';
import { type Certainty, TREATMENTS, type Treatment, type TreatmentKind } from '@/core/fibre/passport';
import { readNumber } from '@/core/measure/parseNumber';
import { printMass, printPercent } from '@/core/measure/print';
import { printDay } from '@/core/time/zone';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useLoaded } from '../api/useLoaded';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { useZone } from '../shell/useZone';
import { Hem } from './Hem';
import { ANSWER_WORD, CERTAINTY_WORD, figureText, TREATMENT_WORD } from './lotText';

const LotForm = dynamic(() => import('./LotForm').then((module) => module.LotForm));

/** One lot: what it is, and its passport as a hem with a line for each stitch. */
export function LotPage({ lotId }: { lotId: string }) {
  const loaded = useLoaded<LotView>(
    `/lots/${lotId}`,
    (message) =>
      (message.kind === 'changed' && message.what === 'lot' && message.id === lotId) || (message.kind === 'event' && message.event.type === 'stepFinished'),
  );
  const zone = useZone();
  const [editing, setEditing] = useState(false);
  const [adding, setAdding] = useState(false);
  if (loaded.state === 'loading') return <LoadingPage what="the lot" />;
  if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  const lot = loaded.value;
  const share = dyeableShare(lot.composition);
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
            {share !== null && share < 1 ? <span>{Math.round(share * 100)} % of it takes dye</span> : null}
          </p>
        </div>
        <button type="button" className="act" onClick={() => setEditing(true)}>
          Change
        </button>
        <button type="button" className="act act-strong" onClick={() => setAdding(true)}>
          Add to its past
        </button>
      </header>
      {lot.note ? <p>{lot.note}</p> : null}
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
            <TreatmentRow key={treatment.id} treatment={treatment} zone={zone} />
          ))}
        </ol>
      </section>
      {editing ? <LotForm lot={lot} onClose={() => setEditing(false)} onSaved={loaded.reload} /> : null}
      {adding ? <TreatmentForm lotId={lot.id} onClose={() => setAdding(false)} onSaved={loaded.reload} /> : null}
    </div>
  );
}

function TreatmentRow({ treatment, zone }: { treatment: Treatment; zone: string | null }) {
  return (
    <li>
      <span className="treatment-when">{treatment.atMs === null ? 'no date' : zone ? printDay(treatment.atMs, zone) : ''}</span>
      <strong>{TREATMENT_WORD[treatment.kind]}</strong>
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
      </span>
    </li>
  );
}

function TreatmentForm({ lotId, onClose, onSaved }: { lotId: string; onClose: () => void; onSaved: () => void }) {
  const [id] = useState(newId);
  const [kind, setKind] = useState<TreatmentKind>('mordant');
  const [certainty, setCertainty] = useState<Certainty>('believed');
  const [substance, setSubstance] = useState('');
  const [pct, setPct] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    const number = readNumber(pct);
    if (pct.trim() !== '' && number?.rest.replace('%', '').trim() !== '')
      return setProblem('Write the percent as a number, or leave it empty when nobody knows.');
    try {
      await post(`/lots/${lotId}/treatments`, {
        id,
        kind,
        certainty,
        substance: substance.trim() || null,
        note,
        atMs: null,
        wofPct: number ? { state: certainty === 'known' ? 'measured' : 'estimated', value: number.value } : { state: 'unknown' },
      });
      onSaved();
      onClose();
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <Modal open title="Add to its past" okText="Keep" cancelText="Not now" onOk={() => void save()} onCancel={onClose}>
      <div className="params">
        <label className="field">
          <span>What was done</span>
          <Select value={kind} onChange={setKind} options={TREATMENTS.map((value) => ({ value, label: TREATMENT_WORD[value] }))} />
        </label>
        <label className="field">
          <span>How well is it known</span>
          <Select
            value={certainty}
            onChange={setCertainty}
            options={(Object.keys(CERTAINTY_WORD) as Certainty[]).map((value) => ({ value, label: CERTAINTY_WORD[value] }))}
          />
        </label>
        <label className="field">
          <span>With what</span>
          <Input value={substance} maxLength={120} placeholder="unknown" onChange={(event) => setSubstance(event.target.value)} />
        </label>
        <label className="field">
          <span>Percent of its weight</span>
          <Input value={pct} placeholder="unknown" onChange={(event) => setPct(event.target.value)} />
        </label>
      </div>
      <label className="field">
        <span>Note</span>
        <Input.TextArea value={note} autoSize={{ minRows: 2 }} onChange={(event) => setNote(event.target.value)} />
      </label>
      {problem ? (
        <p className="field-error" role="alert">
          {problem}
        </p>
      ) : null}
    </Modal>
  );
}
