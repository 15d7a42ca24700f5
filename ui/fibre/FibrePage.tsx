'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import type { LotView } from '@/contract/views';
import { findLots, indexLots, type LotWish } from '@/core/fibre/findLots';
import { LOT_FORMS } from '@/core/fibre/lot';
import { CERTAINTIES } from '@/core/fibre/passport';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace, FailedPage, LoadingPage } from '../shell/PageState';
import { LotList } from './LotList';
import { ANSWER_WORD } from './lotText';

const LotForm = dynamic(() => import('./LotForm').then((module) => module.LotForm));
const JoinForm = dynamic(() => import('./JoinForm').then((module) => module.JoinForm));

/** All fibre at hand: found by any word, by form, by what is known of its mordant. */
export function FibrePage() {
  const [ended, setEnded] = useState(false);
  const lots = useLoaded<LotView[]>(
    ended ? '/lots?ended=yes' : '/lots',
    (message) => (message.kind === 'changed' && message.what === 'lot') || (message.kind === 'event' && message.event.type === 'stepFinished'),
  );
  const router = useRouter();
  const [wish, setWish] = useState<LotWish>({ text: '', form: null, mordant: null });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<'add' | 'join' | null>(null);
  const all = lots.state === 'ready' ? lots.value : null;
  const index = useMemo(() => indexLots(all ?? []), [all]);
  // Typing stays ahead of a long list: the list follows when there is time.
  const wanted = useDeferredValue(wish);
  const found = useMemo(() => findLots(index, wanted), [index, wanted]);
  if (lots.state === 'loading') return <LoadingPage what="the fibre" />;
  if (lots.state === 'failed') return <FailedPage why={lots.why} retry={lots.retry} />;
  const toggle = (id: string) => setChosen(chosen.has(id) ? new Set([...chosen].filter((one) => one !== id)) : new Set([...chosen, id]));
  const chosenLots = lots.value.filter((lot) => chosen.has(lot.id));
  const isNarrowed = wish.text !== '' || wish.form !== null || wish.mordant !== null;
  return (
    <div className="page">
      <header className="page-head">
        <h1>Fibre</h1>
        <button type="button" className="act act-strong" onClick={() => setOpen('add')}>
          Add a lot
        </button>
      </header>
      <search className="filters">
        <input
          type="search"
          className="search"
          aria-label="Find a lot"
          placeholder="Name, fibre, dye"
          value={wish.text}
          onChange={(event) => setWish({ ...wish, text: event.target.value })}
        />
        <select
          aria-label="Form"
          className="pick"
          value={wish.form ?? ''}
          onChange={(event) => setWish({ ...wish, form: LOT_FORMS.find((form) => form === event.target.value) ?? null })}
        >
          <option value="">any form</option>
          {LOT_FORMS.map((form) => (
            <option key={form}>{form}</option>
          ))}
        </select>
        <select
          aria-label="Mordanted"
          className="pick"
          value={wish.mordant ?? ''}
          onChange={(event) => setWish({ ...wish, mordant: CERTAINTIES.find((one) => one === event.target.value) ?? null })}
        >
          <option value="">mordanted or not</option>
          {CERTAINTIES.map((certainty) => (
            <option key={certainty} value={certainty}>
              mordanted: {ANSWER_WORD[certainty]}
            </option>
          ))}
        </select>
        <label className="check-line">
          <input type="checkbox" checked={ended} onChange={(event) => setEnded(event.target.checked)} /> and those no more
        </label>
        <span className="quiet" aria-live="polite">
          {isNarrowed ? `${found.length} of ${lots.value.length} lots` : `${lots.value.length} lots`}
        </span>
      </search>
      {chosenLots.length > 0 ? (
        <div className="chosen-bar">
          <span>{chosenLots.length} chosen</span>
          <Link className="act act-small" href={`/fibre/labels?ids=${chosenLots.map((lot) => lot.id).join(',')}`}>
            Labels
          </Link>
          <button
            type="button"
            className="act act-small"
            disabled={chosenLots.length < 2 || chosenLots.some((lot) => lot.ended)}
            onClick={() => setOpen('join')}
          >
            Join into one
          </button>
          <button type="button" className="act act-small" onClick={() => setChosen(new Set())}>
            Choose none
          </button>
        </div>
      ) : null}
      {lots.value.length === 0 ? (
        <EmptyPlace>
          <p>No fibre yet. Add a lot: what it is, what it weighs dry, and what you know of its past. Unknown is a good answer.</p>
        </EmptyPlace>
      ) : found.length === 0 ? (
        <EmptyPlace>
          <p>No lot fits. Take a word out, or look among those no more.</p>
        </EmptyPlace>
      ) : (
        <LotList lots={found} chosen={chosen} onToggle={toggle} />
      )}
      {open === 'add' ? <LotForm lot={null} onClose={() => setOpen(null)} onSaved={lots.reload} /> : null}
      {open === 'join' ? (
        <JoinForm
          lots={chosenLots}
          onClose={() => setOpen(null)}
          onSaved={(id) => {
            setChosen(new Set());
            router.push(`/fibre/${id}`);
          }}
        />
      ) : null}
    </div>
  );
}
