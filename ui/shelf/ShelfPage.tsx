'use client';
import { App, Button, Tabs } from 'antd';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Home } from '@/core/kitchen/home';
import { MATERIAL_SAYS, type Vessel } from '@/core/kitchen/vessel';
import type { StockItem, StockLevel } from '@/core/shelf/stock';
import { type Book, useBook } from '../api/useBook';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { DoorsPanel } from '../doors/DoorsPanel';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Page } from '../shell/Page';
import { Rows } from '../shell/Rows';
import { SearchField } from '../shell/SearchField';
import { Baths } from './Baths';
import { CopiesPanel } from './CopiesPanel';
import { HomePanel } from './HomePanel';
import { StarterKitchen } from './StarterKitchen';
import { Stuffs } from './Stuffs';

const VesselForm = later(() => import('./VesselForm').then((module) => module.VesselForm));
const StockForm = later(() => import('./StockForm').then((module) => module.StockForm));
const LiquorForm = later(() => import('./LiquorForm').then((module) => module.LiquorForm));
const SubstanceForm = later(() => import('./SubstanceForm').then((module) => module.SubstanceForm));

const TABS = [
  { key: 'dyestuffs', label: 'Dyestuffs' },
  { key: 'assistants', label: 'Assistants' },
  { key: 'liquors', label: 'Kept baths' },
  { key: 'vessels', label: 'Vessels' },
  { key: 'home', label: 'Home' },
] as const;
type Tab = (typeof TABS)[number]['key'];

export type ShelfOpen =
  | { readonly what: 'vessel'; readonly vessel: Vessel | null }
  | { readonly what: 'stock'; readonly item: StockItem | null; readonly substance: string | null }
  | { readonly what: 'liquor' }
  | { readonly what: 'own'; readonly kind: 'dyestuff' | 'assistant' };

/** What stands on the shelf and in the kitchen: everything plans are made with. */
export function ShelfPage() {
  const vessels = useLoaded<Vessel[]>('/vessels');
  const home = useLoaded<Home>('/home');
  const stock = useLoaded<StockLevel[]>('/stock');
  const book = useBook();
  const loaded = useMemo(() => allLoaded({ vessels, home, stock, book }), [vessels, home, stock, book]);
  if (loaded.state === 'failed') return <FailedPage title="Shelf" why={loaded.why} retry={loaded.retry} />;
  if (loaded.state === 'loading') return <LoadingPage title="Shelf" />;
  return (
    <App component={false}>
      <Shelf {...loaded.value} />
    </App>
  );
}

interface ShelfProps {
  readonly vessels: readonly Vessel[];
  readonly home: Home;
  readonly stock: readonly StockLevel[];
  readonly book: Book;
}

function Shelf({ vessels, home, stock, book }: ShelfProps) {
  const router = useRouter();
  const pathname = usePathname();
  const wanted = useSearchParams().get('tab');
  const tab: Tab = TABS.find((one) => one.key === wanted)?.key ?? 'dyestuffs';
  const [open, setOpen] = useState<ShelfOpen | null>(null);
  const [text, setText] = useState('');
  const close = () => setOpen(null);
  const parts: Readonly<Record<Tab, React.ReactNode>> = {
    dyestuffs: <Stuffs kind="dyestuff" book={book} levels={stock} text={text} onOpen={setOpen} />,
    assistants: <Stuffs kind="assistant" book={book} levels={stock} text={text} onOpen={setOpen} />,
    liquors: <Baths baths={book.baths} onKeep={() => setOpen({ what: 'liquor' })} />,
    vessels: <Vessels vessels={vessels} home={home} onOpen={setOpen} />,
    home: (
      <div className="stack">
        <HomePanel home={home} />
        <DoorsPanel />
        <CopiesPanel />
      </div>
    ),
  };
  return (
    <Page title="Shelf" acts={<Acts tab={tab} text={text} onText={setText} onOpen={setOpen} />}>
      <Tabs
        aria-label="Parts of the shelf"
        activeKey={tab}
        items={TABS.map((one) => ({ ...one, children: one.key === tab ? parts[one.key] : null }))}
        onChange={(key) => router.replace(`${pathname}?tab=${key}`)}
      />
      {open?.what === 'vessel' ? <VesselForm vessel={open.vessel} home={home} place={vessels.length + 1} onClose={close} /> : null}
      {open?.what === 'stock' ? <StockForm item={open.item} substance={open.substance} book={book} onClose={close} /> : null}
      {open?.what === 'liquor' ? <LiquorForm liquor={null} dyestuffs={book.dyestuffs} onClose={close} /> : null}
      {open?.what === 'own' ? <SubstanceForm kind={open.kind} onClose={close} /> : null}
    </Page>
  );
}

interface ActsProps {
  readonly tab: Tab;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly onOpen: (open: ShelfOpen) => void;
}

/** What can be done on each part of the shelf. */
function Acts({ tab, text, onText, onOpen }: ActsProps) {
  switch (tab) {
    case 'dyestuffs':
    case 'assistants':
      return (
        <>
          <SearchField label="Find on the shelf" placeholder="Find by name" value={text} onChange={onText} width={220} />
          <Button onClick={() => onOpen({ what: 'own', kind: tab === 'dyestuffs' ? 'dyestuff' : 'assistant' })}>One that is not here</Button>
          <Button type="primary" onClick={() => onOpen({ what: 'stock', item: null, substance: tab === 'dyestuffs' ? 'weld' : 'alum' })}>
            Put on the shelf
          </Button>
        </>
      );
    case 'liquors':
      return (
        <Button type="primary" onClick={() => onOpen({ what: 'liquor' })}>
          Keep a bath
        </Button>
      );
    case 'vessels':
      return (
        <Button type="primary" onClick={() => onOpen({ what: 'vessel', vessel: null })}>
          Add a vessel
        </Button>
      );
    case 'home':
      return null;
  }
}

function Vessels({ vessels, home, onOpen }: { vessels: readonly Vessel[]; home: Home; onOpen: (open: ShelfOpen) => void }) {
  const print = usePrint();
  if (vessels.length === 0)
    return (
      <EmptyPlace
        act={
          <>
            <StarterKitchen home={home} />
            <Button onClick={() => onOpen({ what: 'vessel', vessel: null })}>Add one vessel</Button>
          </>
        }
      >
        No vessel yet. Plans choose among your pots, pails and lines, and check that everything fits. Start with the starter kitchen and change it to yours, or
        add them one by one.
      </EmptyPlace>
    );
  return (
    <Rows
      label="Vessels"
      items={vessels}
      keyOf={(vessel) => vessel.id}
      render={(vessel) => (
        <div className="row">
          <div className="row-main">
            <Button type="link" className="row-name" onClick={() => onOpen({ what: 'vessel', vessel })}>
              {vessel.name}
            </Button>
            <span className="quiet">
              {vessel.kind}, {vessel.material}: {MATERIAL_SAYS[vessel.material]}
              {vessel.dyeOnly ? '; dye only' : '; shared with food'}
            </span>
          </div>
          <span className="quiet cell">{home.heatSources.find((source) => source.id === vessel.heatSourceId)?.name ?? 'no heat'}</span>
          <span className="quiet cell">{vessel.probeId ? (home.probes.find((probe) => probe.id === vessel.probeId)?.name ?? vessel.probeId) : 'no probe'}</span>
          <span className="figure row-figure">{vessel.litres === null ? '–' : print.volume(vessel.litres * 1000)}</span>
        </div>
      )}
    />
  );
}
