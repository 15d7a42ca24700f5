'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { printComposition } from '@/core/fibre/lot';
import { printMass } from '@/core/measure/print';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace, FailedPage, LoadingPage } from '../shell/PageState';
import { Hem } from './Hem';
import { ANSWER_WORD, figureText } from './lotText';

const LotForm = dynamic(() => import('./LotForm').then((module) => module.LotForm));
const PAGE = 50;

export function FibrePage() {
  const lots = useLoaded<LotView[]>(
    '/lots',
    (message) => (message.kind === 'changed' && message.what === 'lot') || (message.kind === 'event' && message.event.type === 'stepFinished'),
  );
  const [text, setText] = useState('');
  const [shown, setShown] = useState(PAGE);
  const [adding, setAdding] = useState(false);
  if (lots.state === 'loading') return <LoadingPage what="the fibre" />;
  if (lots.state === 'failed') return <FailedPage why={lots.why} retry={lots.retry} />;
  const found = lots.value.filter((lot) => `${lot.name} ${lot.form} ${printComposition(lot.composition)}`.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <div className="page">
      <header className="page-head">
        <h1>Fibre</h1>
        <input
          type="search"
          className="search"
          aria-label="Find a lot"
          placeholder="Find by name or fibre"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="button" className="act act-strong" onClick={() => setAdding(true)}>
          Add a lot
        </button>
      </header>
      {lots.value.length === 0 ? (
        <EmptyPlace>
          <p>No fibre yet. Add a lot: what it is, what it weighs dry, and what you know of its past. Unknown is a good answer.</p>
        </EmptyPlace>
      ) : (
        <ul className="rows">
          {found.slice(0, shown).map((lot) => (
            <li key={lot.id} className="row">
              <span className="lot-patch" style={{ background: lot.baseHex ?? undefined }} aria-hidden="true">
                {lot.baseHex ? '' : '?'}
              </span>
              <div className="row-main">
                <Link href={`/fibre/${lot.id}`} className="row-link">
                  {lot.name}
                </Link>
                <span className="quiet">
                  {printComposition(lot.composition)} · {lot.form}
                  {lot.pieces > 1 ? ` · ${lot.pieces} pieces` : ''}
                </span>
              </div>
              <span className="hem-cell">
                <Hem passport={lot.passport} />
              </span>
              <span className="lot-state quiet">mordanted: {ANSWER_WORD[lot.passport.state.mordant]}</span>
              <span className="figure row-figure">{figureText(lot.dryWeightG, printMass)}</span>
            </li>
          ))}
        </ul>
      )}
      {found.length > shown ? (
        <button type="button" className="act" onClick={() => setShown(shown + PAGE)}>
          Show more ({found.length - shown} left)
        </button>
      ) : null}
      {adding ? <LotForm lot={null} onClose={() => setAdding(false)} onSaved={lots.reload} /> : null}
    </div>
  );
}
