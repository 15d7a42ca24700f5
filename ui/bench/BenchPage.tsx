'use client';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Home } from '@/core/plan/plan';
import type { StockLevel } from '@/core/shelf/stock';
import { TROUBLES } from '@/core/trade/troubles';
import { WORDS } from '@/core/trade/words';
import { useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { Tabs } from '../shell/Tabs';
import { BoilTool } from './BoilTool';
import { DoseTool } from './DoseTool';
import { HarvestTool } from './HarvestTool';
import { LadderTool } from './LadderTool';
import { SpoonTool } from './SpoonTool';
import { StockTool } from './StockTool';
import { useAddress } from './useAddress';
import { WeightTool } from './WeightTool';

const TOOLS = [
  { id: 'dose', name: 'Dose' },
  { id: 'harvest', name: 'Ratio and harvest' },
  { id: 'spoons', name: 'Spoons' },
  { id: 'ladder', name: 'Dilution' },
  { id: 'stock', name: 'Stock solution' },
  { id: 'weight', name: 'Cloth and yarn' },
  { id: 'boil', name: 'Boiling point' },
  { id: 'trouble', name: 'What went wrong' },
  { id: 'words', name: 'Words' },
] as const;

/** The sums on their own, without a session. Each keeps its state in the address. */
export function BenchPage() {
  const address = useAddress();
  const router = useRouter();
  const pathname = usePathname();
  const book = useBook();
  const home = useLoaded<Home>('/home', (message) => message.kind === 'changed' && message.what === 'home');
  const stock = useLoaded<StockLevel[]>('/stock', (message) => message.kind === 'changed' && message.what === 'stock');
  for (const loaded of [book, home, stock]) if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  if (book.state !== 'ready' || home.state !== 'ready' || stock.state !== 'ready') return <LoadingPage what="the bench" />;
  const tool = TOOLS.find((one) => one.id === address.get('tool', 'dose'))?.id ?? 'dose';
  return (
    <div className="page">
      <header className="page-head">
        <div className="page-title">
          <h1>Bench</h1>
          <p className="quiet">The sums on their own. What you type stays in the address: bookmark it.</p>
        </div>
      </header>
      <Tabs label="Tools" tabs={TOOLS} chosen={tool} onChoose={(id) => router.replace(`${pathname}?tool=${id}`)} />
      <section className="panel bench" aria-label={TOOLS.find((one) => one.id === tool)?.name}>
        {tool === 'dose' ? <DoseTool address={address} home={home.value} /> : null}
        {tool === 'harvest' ? <HarvestTool address={address} book={book.value} /> : null}
        {tool === 'spoons' ? <SpoonTool address={address} book={book.value} levels={stock.value} /> : null}
        {tool === 'ladder' ? <LadderTool address={address} /> : null}
        {tool === 'stock' ? <StockTool address={address} book={book.value} /> : null}
        {tool === 'weight' ? <WeightTool address={address} /> : null}
        {tool === 'boil' ? <BoilTool address={address} home={home.value} /> : null}
        {tool === 'trouble' ? <Troubles /> : null}
        {tool === 'words' ? <Words /> : null}
      </section>
    </div>
  );
}

function Troubles() {
  const [text, setText] = useState('');
  const found = TROUBLES.filter((trouble) => `${trouble.symptom} ${trouble.cause}`.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <>
      <input
        type="search"
        className="search"
        aria-label="Find a trouble"
        placeholder="What do you see?"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <table className="figures">
        <thead>
          <tr>
            <th scope="col">What you see</th>
            <th scope="col">Likely why</th>
            <th scope="col">What people do</th>
          </tr>
        </thead>
        <tbody>
          {found.map((trouble) => (
            <tr key={trouble.symptom}>
              <th scope="row">{trouble.symptom}</th>
              <td>{trouble.cause}</td>
              <td>
                {trouble.remedy} {trouble.methodId ? <Link href={`/methods/${trouble.methodId}`}>How</Link> : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet small">Common practice, no source. A likely cause is not a proven one.</p>
    </>
  );
}

const Words = () => (
  <dl className="facts">
    {WORDS.map(([word, meaning]) => (
      <div key={word}>
        <dt>{word}</dt>
        <dd>{meaning}</dd>
      </div>
    ))}
  </dl>
);
