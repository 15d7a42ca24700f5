'use client';
import dynamic from 'next/dynamic';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { printAmount, printDuration, printVolume } from '@/core/measure/print';
import type { Home, Vessel } from '@/core/plan/plan';
import { MATERIAL_SAYS } from '@/core/plan/plan';
import { freshness, type Liquor } from '@/core/shelf/liquor';
import type { StockItem, StockLevel } from '@/core/shelf/stock';
import { printDay } from '@/core/time/zone';
import { nowMs, useNow } from '../api/serverClock';
import { type Book, useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { figureText } from '../fibre/lotText';
import { EmptyPlace, FailedPage, LoadingPage } from '../shell/PageState';
import { Tabs } from '../shell/Tabs';
import { HomePanel } from './HomePanel';
import { AssistantDetails, DyestuffDetails } from './StuffRow';

const VesselForm = dynamic(() => import('./VesselForm').then((module) => module.VesselForm));
const HomeForm = dynamic(() => import('./HomeForm').then((module) => module.HomeForm));
const StockForm = dynamic(() => import('./StockForm').then((module) => module.StockForm));
const LiquorForm = dynamic(() => import('./LiquorForm').then((module) => module.LiquorForm));
const SubstanceForm = dynamic(() => import('./SubstanceForm').then((module) => module.SubstanceForm));

const TABS = [
  { id: 'dyestuffs', name: 'Dyestuffs' },
  { id: 'assistants', name: 'Assistants' },
  { id: 'liquors', name: 'Kept liquors' },
  { id: 'vessels', name: 'Vessels' },
  { id: 'home', name: 'Home' },
] as const;
type Tab = (typeof TABS)[number]['id'];

type Open =
  | { readonly what: 'vessel'; readonly vessel: Vessel | null }
  | { readonly what: 'home' }
  | { readonly what: 'stock'; readonly item: StockItem | null; readonly substance: string | null }
  | { readonly what: 'liquor'; readonly liquor: Liquor | null }
  | { readonly what: 'own'; readonly kind: 'dyestuff' | 'assistant' };

/** What stands on the shelf and in the kitchen: everything plans are made with. */
export function ShelfPage() {
  const vessels = useLoaded<Vessel[]>('/vessels', (message) => message.kind === 'changed' && message.what === 'vessel');
  const home = useLoaded<Home>('/home', (message) => message.kind === 'changed' && message.what === 'home');
  const stock = useLoaded<StockLevel[]>(
    '/stock',
    (message) => (message.kind === 'changed' && message.what === 'stock') || (message.kind === 'event' && ['addition', 'amended'].includes(message.event.type)),
  );
  const book = useBook();
  const router = useRouter();
  const pathname = usePathname();
  const wanted = useSearchParams().get('tab');
  const tab: Tab = TABS.find((one) => one.id === wanted)?.id ?? 'dyestuffs';
  const [open, setOpen] = useState<Open | null>(null);
  const [text, setText] = useState('');
  for (const loaded of [vessels, home, stock, book]) if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  if (vessels.state !== 'ready' || home.state !== 'ready' || stock.state !== 'ready' || book.state !== 'ready') return <LoadingPage what="the shelf" />;
  const close = () => setOpen(null);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Shelf</h1>
        {tab === 'dyestuffs' || tab === 'assistants' ? (
          <>
            <input
              type="search"
              className="search"
              aria-label="Find on the shelf"
              placeholder="Find by name"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
            <button type="button" className="act" onClick={() => setOpen({ what: 'own', kind: tab === 'dyestuffs' ? 'dyestuff' : 'assistant' })}>
              One that is not here
            </button>
            <button
              type="button"
              className="act act-strong"
              onClick={() => setOpen({ what: 'stock', item: null, substance: tab === 'dyestuffs' ? 'weld' : 'alum' })}
            >
              Put on the shelf
            </button>
          </>
        ) : null}
        {tab === 'liquors' ? (
          <button type="button" className="act act-strong" onClick={() => setOpen({ what: 'liquor', liquor: null })}>
            Keep a liquor
          </button>
        ) : null}
        {tab === 'vessels' ? (
          <button type="button" className="act act-strong" onClick={() => setOpen({ what: 'vessel', vessel: null })}>
            Add a vessel
          </button>
        ) : null}
        {tab === 'home' ? (
          <button type="button" className="act act-strong" onClick={() => setOpen({ what: 'home' })}>
            Change the home
          </button>
        ) : null}
      </header>
      <Tabs label="Parts of the shelf" tabs={TABS} chosen={tab} onChoose={(id) => router.replace(`${pathname}?tab=${id}`)} />
      {tab === 'dyestuffs' || tab === 'assistants' ? <Stuff kind={tab} book={book.value} levels={stock.value} text={text} onOpen={setOpen} /> : null}
      {tab === 'liquors' ? <Liquors liquors={book.value.liquors} zone={home.value.diary.zone} onOpen={setOpen} /> : null}
      {tab === 'vessels' ? <Vessels vessels={vessels.value} home={home.value} onOpen={setOpen} /> : null}
      {tab === 'home' ? <HomePanel home={home.value} /> : null}
      {open?.what === 'vessel' ? (
        <VesselForm vessel={open.vessel} home={home.value} place={vessels.value.length + 1} onClose={close} onSaved={vessels.reload} />
      ) : null}
      {open?.what === 'home' ? <HomeForm home={home.value} onClose={close} onSaved={home.reload} /> : null}
      {open?.what === 'stock' ? <StockForm item={open.item} substance={open.substance} book={book.value} onClose={close} onSaved={stock.reload} /> : null}
      {open?.what === 'liquor' ? (
        <LiquorForm liquor={open.liquor} book={book.value} zone={home.value.diary.zone} onClose={close} onSaved={book.reload} />
      ) : null}
      {open?.what === 'own' ? <SubstanceForm kind={open.kind} onClose={close} onSaved={book.reload} /> : null}
    </div>
  );
}

/** Dyestuffs or chemicals: what is in stock first, then the rest of the library. */
function Stuff({
  kind,
  book,
  levels,
  text,
  onOpen,
}: {
  kind: 'dyestuffs' | 'assistants';
  book: Book;
  levels: readonly StockLevel[];
  text: string;
  onOpen: (open: Open) => void;
}) {
  const rows = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const all =
      kind === 'dyestuffs'
        ? book.dyestuffs.map((stuff) => ({ id: stuff.id, name: stuff.name, detail: stuff.part, stuff, assistant: null }))
        : book.assistants.map((assistant) => ({ id: assistant.id, name: assistant.name, detail: assistant.group, stuff: null, assistant }));
    const found = all
      .filter((one) => `${one.name} ${one.detail}`.toLowerCase().includes(wanted))
      .map((one) => ({ ...one, stock: levels.filter((level) => level.item.substance === one.id) }));
    return found.toSorted((a, b) => Number(b.stock.length > 0) - Number(a.stock.length > 0));
  }, [kind, book, levels, text]);
  if (rows.length === 0) return <EmptyPlace>Nothing here is called “{text}”. Add it as one that is not here.</EmptyPlace>;
  return (
    <ul className="rows">
      {rows.map((one) => (
        <li key={one.id} className="row row-open">
          <details>
            <summary className="row">
              {one.stuff ? <span className="yarn-dot" style={{ background: one.stuff.expectedHex }} aria-hidden="true" /> : null}
              <span className="row-main">
                <span className="row-name">{one.name}</span>
                <span className="quiet">{one.detail}</span>
              </span>
              <span className="quiet cell">
                {one.stock
                  .map((level) => level.item.place || level.item.form)
                  .filter(Boolean)
                  .join(', ') || (one.stock.length > 0 ? 'on the shelf' : 'none on the shelf')}
              </span>
              <span className="figure row-figure">
                {one.stock.map((level) => figureText(level.left, (value) => printAmount(value, level.item.unit))).join(' + ') || '–'}
              </span>
            </summary>
            {one.stock.map((level) => (
              <div key={level.item.id} className="stock-line">
                <span>
                  {level.item.form ? `${level.item.form}, ` : ''}
                  {level.item.source || 'source not written down'}
                  {level.used > 0 ? `; ${printAmount(level.used, level.item.unit)} used since it was counted` : ''}
                  {level.unknownUses > 0 ? `; used ${level.unknownUses} times by an unknown amount: count it` : ''}
                </span>
                <button type="button" className="act act-small" onClick={() => onOpen({ what: 'stock', item: level.item, substance: null })}>
                  Count or change
                </button>
              </div>
            ))}
            {one.stuff ? <DyestuffDetails stuff={one.stuff} /> : null}
            {one.assistant ? <AssistantDetails assistant={one.assistant} /> : null}
            <button type="button" className="act act-small" onClick={() => onOpen({ what: 'stock', item: null, substance: one.id })}>
              Put some on the shelf
            </button>
          </details>
        </li>
      ))}
    </ul>
  );
}

const FRESH_WORD = { fresh: 'fresh', lookFirst: 'look at it first', past: 'past its day' } as const;

function Liquors({ liquors, zone, onOpen }: { liquors: readonly Liquor[]; zone: string; onOpen: (open: Open) => void }) {
  const now = useNow(60_000) ?? nowMs();
  if (liquors.length === 0)
    return (
      <EmptyPlace>No kept liquors. What is left of a dyebath still holds colour: keep it in a labelled, vented jar, and it can be planned with.</EmptyPlace>
    );
  return (
    <ul className="rows">
      {liquors.map((liquor) => {
        const state = freshness(liquor, now);
        return (
          <li key={liquor.id} className="row">
            <div className="row-main">
              <button type="button" className="row-link" onClick={() => onOpen({ what: 'liquor', liquor })}>
                {liquor.name}
              </button>
              <span className="quiet">
                {liquor.keptIn}
                {liquor.place ? `, ${liquor.place}` : ''}; given {liquor.uses} {liquor.uses === 1 ? 'bath' : 'baths'}
                {liquor.ph === null ? '' : `; pH ${liquor.ph}`}
                {liquor.labelled ? '' : '; not labelled yet: contents, date, “not food”'}
              </span>
            </div>
            <span className="quiet cell">{printDuration((now - liquor.madeAtMs) / 60_000)} old</span>
            <span className={`cell liquor-${state}`}>
              {FRESH_WORD[state]}
              {liquor.spoilByMs === null ? '' : `, by ${printDay(liquor.spoilByMs, zone)}`}
            </span>
            <span className="figure row-figure">{figureText(liquor.volumeMl, printVolume)}</span>
          </li>
        );
      })}
    </ul>
  );
}

function Vessels({ vessels, home, onOpen }: { vessels: readonly Vessel[]; home: Home; onOpen: (open: Open) => void }) {
  if (vessels.length === 0)
    return <EmptyPlace>No vessel yet. Add your pots, pails and the drying line; plans choose among them and check that everything fits.</EmptyPlace>;
  return (
    <ul className="rows">
      {vessels.map((vessel) => (
        <li key={vessel.id} className="row">
          <div className="row-main">
            <button type="button" className="row-link" onClick={() => onOpen({ what: 'vessel', vessel })}>
              {vessel.name}
            </button>
            <span className="quiet">
              {vessel.kind}, {vessel.material}: {MATERIAL_SAYS[vessel.material]}
              {vessel.dyeOnly ? '; dye only' : '; shared with food'}
            </span>
          </div>
          <span className="quiet cell">{home.heatSources.find((source) => source.id === vessel.heatSourceId)?.name ?? 'no heat'}</span>
          <span className="quiet cell">{vessel.probeId ? (home.probes.find((probe) => probe.id === vessel.probeId)?.name ?? vessel.probeId) : 'no probe'}</span>
          <span className="figure row-figure">{vessel.litres === null ? '–' : `${vessel.litres} L`}</span>
        </li>
      ))}
    </ul>
  );
}
