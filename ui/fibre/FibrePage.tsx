'use client';
import { Button, Checkbox, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import type { LotView } from '@/contract/views';
import { findLots, indexLots, type LotWish } from '@/core/fibre/findLots';
import { LOT_FORMS } from '@/core/fibre/lot';
import { CERTAINTIES } from '@/core/fibre/passport';
import { figureText } from '@/core/figure';
import { countText } from '@/core/measure/print';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Page } from '../shell/Page';
import { SaveAs } from '../shell/SaveAs';
import { SearchField } from '../shell/SearchField';
import { LotBody } from './LotBody';
import { LotList } from './LotList';
import { ANSWER_WORD } from './lotText';

const LotForm = later(() => import('./LotForm').then((module) => module.LotForm));
const JoinForm = later(() => import('./JoinForm').then((module) => module.JoinForm));

const ANY = 'any';

/** All fibre at hand: found by any word, by form, by what is known of its mordant; one of them beside the list. */
export function FibrePage() {
  const [ended, setEnded] = useState(false);
  const loaded = useLoaded<LotView[]>(ended ? '/lots?ended=yes' : '/lots');
  const router = useRouter();
  const [wish, setWish] = useState<LotWish>({ text: '', form: null, mordant: null, pieces: false });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [looked, setLooked] = useState<string | null>(null);
  const [open, setOpen] = useState<'add' | 'join' | null>(null);
  const lots = loaded.state === 'ready' ? loaded.value : null;
  const index = useMemo(() => indexLots(lots ?? []), [lots]);
  // Typing stays ahead of a long list: the list follows when there is time.
  const wanted = useDeferredValue(wish);
  const found = useMemo(() => findLots(index, wanted), [index, wanted]);
  if (loaded.state === 'failed') return <FailedPage title="Fibre" why={loaded.why} retry={loaded.retry} />;
  if (!lots) return <LoadingPage title="Fibre" />;
  const toggle = (id: string) => setChosen(chosen.has(id) ? new Set([...chosen].filter((one) => one !== id)) : new Set([...chosen, id]));
  const chosenLots = lots.filter((lot) => chosen.has(lot.id));
  const pieces = lots.filter((lot) => lot.trial).length;
  const isNarrowed = (pieces > 0 && !wish.pieces) || wish.text !== '' || wish.form !== null || wish.mordant !== null;
  const shown = found.find((lot) => lot.id === looked) ?? found[0];
  return (
    <Page
      title="Fibre"
      acts={
        <>
          <SaveAs files={[{ label: 'All fibre, as a table', path: '/lots.csv', kind: 'table' }]} />
          {lots.length > 0 ? <LinkButton href="/sessions/new">Plan a session</LinkButton> : null}
          <Button type="primary" onClick={() => setOpen('add')}>
            Add a lot
          </Button>
        </>
      }
    >
      <search className="line line-tight filters">
        <SearchField label="Find a lot" placeholder="Name, fibre, dye" value={wish.text} onChange={(text) => setWish({ ...wish, text })} width={240} />
        <Select
          aria-label="Form"
          value={wish.form ?? ANY}
          options={[{ value: ANY, label: 'any form' }, ...LOT_FORMS.map((form) => ({ value: form, label: form }))]}
          onChange={(form) => setWish({ ...wish, form: LOT_FORMS.find((one) => one === form) ?? null })}
          style={{ minWidth: 120 }}
        />
        <Select
          aria-label="Mordanted"
          value={wish.mordant ?? ANY}
          options={[
            { value: ANY, label: 'mordanted or not' },
            ...CERTAINTIES.map((certainty) => ({ value: certainty, label: `mordanted: ${ANSWER_WORD[certainty]}` })),
          ]}
          onChange={(mordant) => setWish({ ...wish, mordant: CERTAINTIES.find((one) => one === mordant) ?? null })}
          style={{ minWidth: 190 }}
        />
        <Checkbox checked={ended} onChange={(event) => setEnded(event.target.checked)}>
          and those no more
        </Checkbox>
        {pieces > 0 ? (
          <Checkbox checked={wish.pieces ?? false} onChange={(event) => setWish({ ...wish, pieces: event.target.checked })}>
            and {countText(pieces, 'piece')} of trials
          </Checkbox>
        ) : null}
        <span className="quiet" aria-live="polite">
          {isNarrowed ? `${found.length} of ${countText(lots.length, 'lot')}` : countText(lots.length, 'lot')}
        </span>
      </search>
      {chosenLots.length > 0 ? (
        <div className="line line-tight">
          <span>{chosenLots.length} chosen</span>
          <LinkButton href={`/fibre/labels?ids=${chosenLots.map((lot) => lot.id).join(',')}`}>Labels</LinkButton>
          <Button disabled={chosenLots.length < 2 || chosenLots.some((lot) => lot.ended)} onClick={() => setOpen('join')}>
            Join into one
          </Button>
          <Button type="text" onClick={() => setChosen(new Set())}>
            Choose none
          </Button>
        </div>
      ) : null}
      {lots.length === 0 ? (
        <EmptyPlace
          act={
            <Button type="primary" onClick={() => setOpen('add')}>
              Add your first lot
            </Button>
          }
        >
          No fibre yet. A lot is fibre that you handle as one: three skeins, a shirt, a bag of locks. Say what it is, what it weighs dry, and what you know of
          its past. Unknown is a good answer.
        </EmptyPlace>
      ) : found.length === 0 ? (
        <EmptyPlace act={<Button onClick={() => setWish({ text: '', form: null, mordant: null, pieces: true })}>Show all lots</Button>}>
          No lot fits. Take a word out, or look among those no more.
        </EmptyPlace>
      ) : (
        <div className="beside beside-late">
          <LotList lots={found} chosen={chosen} onToggle={toggle} looked={shown?.id ?? null} onLook={setLooked} />
          {shown ? <LotBeside lot={shown} /> : null}
        </div>
      )}
      {open === 'add' ? <LotForm lot={null} onClose={() => setOpen(null)} /> : null}
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
    </Page>
  );
}

/** The lot that was last touched, where the page is wide enough for both. */
function LotBeside({ lot }: { lot: LotView }) {
  const print = usePrint();
  return (
    <aside className="beside-only stack sticky" aria-label={lot.name}>
      <div className="line">
        <h2>{lot.name}</h2>
        <span className="figure">{figureText(lot.dryWeightG, print.mass)}</span>
        <LinkButton size="small" href={`/fibre/${lot.id}`}>
          Open
        </LinkButton>
      </div>
      <LotBody lot={lot} />
    </aside>
  );
}
