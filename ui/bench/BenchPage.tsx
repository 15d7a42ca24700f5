'use client';
import { Descriptions, Table, Tabs } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Home } from '@/core/kitchen/home';
import type { StockLevel } from '@/core/shelf/stock';
import { TROUBLES } from '@/core/trade/troubles';
import { WORDS } from '@/core/trade/words';
import { type Book, useBook } from '../api/useBook';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { FailedPage } from '../shell/FailedPage';
import { LoadingPage } from '../shell/LoadingPage';
import { Page, Panel } from '../shell/Page';
import { SearchField } from '../shell/SearchField';
import { DoseTool } from './DoseTool';
import { type Address, useAddress } from './useAddress';

// Each comes when it is opened; the first is there at once.
const BoilTool = dynamic(() => import('./BoilTool').then((module) => module.BoilTool));
const HarvestTool = dynamic(() => import('./HarvestTool').then((module) => module.HarvestTool));
const SpoonTool = dynamic(() => import('./SpoonTool').then((module) => module.SpoonTool));
const StockTool = dynamic(() => import('./StockTool').then((module) => module.StockTool));
const WeightTool = dynamic(() => import('./WeightTool').then((module) => module.WeightTool));
const PhTool = dynamic(() => import('./PhTool').then((module) => module.PhTool));
const PracticeTool = dynamic(() => import('./PracticeTool').then((module) => module.PracticeTool));
const LadderTool = dynamic(() => import('./LadderTool').then((module) => module.LadderTool));

const TOOLS = [
  { key: 'dose', label: 'Dose' },
  { key: 'harvest', label: 'Ratio and harvest' },
  { key: 'spoons', label: 'Spoons' },
  { key: 'ladder', label: 'Dilution' },
  { key: 'ph', label: 'pH' },
  { key: 'stock', label: 'Stock solution' },
  { key: 'weight', label: 'Cloth and yarn' },
  { key: 'boil', label: 'Boiling point' },
  { key: 'practise', label: 'Hold a pot' },
  { key: 'trouble', label: 'What went wrong' },
  { key: 'words', label: 'Words' },
] as const;
type ToolKey = (typeof TOOLS)[number]['key'];

/** The sums on their own, without a session. Each keeps its state in the address. */
export function BenchPage() {
  const address = useAddress();
  const router = useRouter();
  const pathname = usePathname();
  const book = useBook();
  const home = useLoaded<Home>('/home');
  const stock = useLoaded<StockLevel[]>('/stock');
  const loaded = useMemo(() => allLoaded({ book, home, stock }), [book, home, stock]);
  if (loaded.state === 'failed') return <FailedPage title="Bench" why={loaded.why} retry={loaded.retry} />;
  if (loaded.state === 'loading') return <LoadingPage title="Bench" shape="panels" />;
  const tool: ToolKey = TOOLS.find((one) => one.key === address.get('tool', 'dose'))?.key ?? 'dose';
  return (
    <Page title="Bench" under={<span>The sums on their own. What you type stays in the address: bookmark it.</span>}>
      <Tabs
        aria-label="Tools"
        activeKey={tool}
        items={TOOLS.map((one) => ({
          ...one,
          children:
            one.key === tool ? (
              <div className="bench">
                <Tool tool={tool} address={address} {...loaded.value} />
              </div>
            ) : null,
        }))}
        onChange={(key) => router.replace(`${pathname}?tool=${key}`)}
      />
    </Page>
  );
}

interface ToolProps {
  readonly tool: ToolKey;
  readonly address: Address;
  readonly book: Book;
  readonly home: Home;
  readonly stock: readonly StockLevel[];
}

function Tool({ tool, address, book, home, stock }: ToolProps) {
  switch (tool) {
    case 'dose':
      return (
        <Panel>
          <DoseTool address={address} home={home} />
        </Panel>
      );
    case 'harvest':
      return (
        <Panel>
          <HarvestTool address={address} book={book} />
        </Panel>
      );
    case 'spoons':
      return (
        <Panel>
          <SpoonTool address={address} book={book} levels={stock} />
        </Panel>
      );
    case 'ladder':
      return (
        <Panel>
          <LadderTool address={address} />
        </Panel>
      );
    case 'ph':
      return (
        <Panel>
          <PhTool address={address} book={book} home={home} />
        </Panel>
      );
    case 'stock':
      return (
        <Panel>
          <StockTool address={address} book={book} />
        </Panel>
      );
    case 'weight':
      return (
        <Panel>
          <WeightTool address={address} />
        </Panel>
      );
    case 'practise':
      return (
        <Panel>
          <PracticeTool home={home} />
        </Panel>
      );
    case 'boil':
      return (
        <Panel>
          <BoilTool address={address} home={home} />
        </Panel>
      );
    case 'trouble':
      return <Troubles />;
    case 'words':
      return <Words address={address} />;
  }
}

function Troubles() {
  const [text, setText] = useState('');
  const found = TROUBLES.filter((trouble) => `${trouble.symptom} ${trouble.cause}`.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <div className="stack">
      <SearchField label="Find a trouble" placeholder="What do you see?" value={text} onChange={setText} width={320} />
      <div className="frame frame-wide">
        <Table
          size="small"
          pagination={false}
          rowKey="symptom"
          dataSource={found}
          columns={[
            { title: 'What you see', dataIndex: 'symptom', rowScope: 'row' },
            { title: 'Likely why', dataIndex: 'cause' },
            {
              title: 'What people do',
              key: 'remedy',
              render: (_, trouble) => (
                <>
                  {trouble.remedy} {trouble.methodId ? <Link href={`/methods/${trouble.methodId}`}>How</Link> : null}
                </>
              ),
            },
          ]}
        />
      </div>
      <p className="quiet small">Common practice, no source. A likely cause is not a proven one.</p>
    </div>
  );
}

function Words({ address }: { address: Address }) {
  const text = address.get('word', '');
  const found = WORDS.filter(([word, meaning]) => `${word} ${meaning}`.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <div className="stack">
      <SearchField label="Find a word" placeholder="A word of the trade" value={text} onChange={(word) => address.set({ word })} width={320} />
      <Panel>
        <Descriptions
          column={1}
          size="small"
          colon={false}
          styles={{ label: { width: 170 } }}
          items={found.map(([word, meaning]) => ({ key: word, label: word, children: meaning }))}
        />
      </Panel>
    </div>
  );
}
