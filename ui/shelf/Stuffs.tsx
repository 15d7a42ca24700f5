'use client';
import { Button } from 'antd';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { figureText, knownText } from '@/core/figure';
import type { Assistant } from '@/core/shelf/assistant';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { spentText } from '@/core/shelf/spent';
import type { StockLevel } from '@/core/shelf/stock';
import type { Book } from '../api/useBook';
import { useFastness } from '../fastness/useFastness';
import { Beside } from '../shell/Beside';
import { EmptyPlace } from '../shell/EmptyPlace';
import { usePrint } from '../shell/facts';
import { Rows } from '../shell/Rows';
import type { ShelfOpen } from './ShelfPage';
import { AssistantDetails, DyestuffDetails } from './StuffDetails';

type Stuff = { readonly levels: readonly StockLevel[]; readonly id: string; readonly name: string; readonly detail: string } & (
  | { readonly kind: 'dyestuff'; readonly stuff: Dyestuff }
  | { readonly kind: 'assistant'; readonly stuff: Assistant }
);

interface Props {
  readonly kind: Stuff['kind'];
  readonly book: Book;
  readonly levels: readonly StockLevel[];
  readonly text: string;
  readonly onOpen: (open: ShelfOpen) => void;
}

/** Dyestuffs or chemicals: what is in stock first, then the rest of the library; the one chosen with all that is known of it. */
export function Stuffs({ kind, book, levels, text, onOpen }: Props) {
  const print = usePrint();
  // Come from a search, it is open at what was sought.
  const sought = useSearchParams().get('of');
  const [chosen, setChosen] = useState<string | null>(sought);
  useEffect(() => setChosen(sought), [sought]);
  const rows = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const of = (id: string) => levels.filter((level) => level.item.substance === id);
    const all: Stuff[] =
      kind === 'dyestuff'
        ? book.dyestuffs.map((stuff) => ({ kind: 'dyestuff', id: stuff.id, name: stuff.name, detail: stuff.part, stuff, levels: of(stuff.id) }))
        : book.assistants.map((stuff) => ({ kind: 'assistant', id: stuff.id, name: stuff.name, detail: stuff.group, stuff, levels: of(stuff.id) }));
    return all
      .filter((one) => `${one.name} ${one.detail} ${one.kind === 'dyestuff' ? (one.stuff.botanical ?? '') : ''}`.toLowerCase().includes(wanted))
      .toSorted((a, b) => Number(b.levels.length > 0) - Number(a.levels.length > 0));
  }, [kind, book, levels, text]);
  const fastness = useFastness();
  if (rows.length === 0)
    return <EmptyPlace act={<Button onClick={() => onOpen({ what: 'own', kind })}>Add it as your own</Button>}>Nothing here is called “{text}”.</EmptyPlace>;
  const shown = rows.find((one) => one.id === chosen);
  return (
    <div className="beside beside-late">
      <Rows
        label={kind === 'dyestuff' ? 'Dyestuffs' : 'Assistants'}
        items={rows}
        keyOf={(one) => one.id}
        render={(one) => (
          <div className={one.id === chosen ? 'row row-chosen' : 'row'}>
            {one.kind === 'dyestuff' ? <span className="yarn-dot" style={{ background: one.stuff.expectedHex }} aria-hidden="true" /> : null}
            <div className="row-main">
              <Button type="link" className="row-name" onClick={() => setChosen(one.id)}>
                {one.name}
              </Button>
              <span className="quiet">{[one.detail, one.kind === 'dyestuff' ? fastness(one.stuff) : ''].filter(Boolean).join(' · ')}</span>
            </div>
            <span className="quiet cell">
              {one.levels
                .map((level) => level.item.place || level.item.form)
                .filter(Boolean)
                .join(', ') || (one.levels.length > 0 ? 'on the shelf' : 'none on the shelf')}
            </span>
            <span className="figure row-figure">
              {one.levels.map((level) => figureText(level.left, (value) => print.amount(value, level.item.unit))).join(' + ') || '–'}
            </span>
          </div>
        )}
      />
      {shown ? (
        <Beside label={shown.name} onClose={() => setChosen(null)}>
          <h2>{shown.name}</h2>
          {shown.levels.map((level) => (
            <Level key={level.item.id} level={level} onOpen={onOpen} />
          ))}
          <Button style={{ alignSelf: 'flex-start' }} onClick={() => onOpen({ what: 'stock', item: null, substance: shown.id })}>
            Put some on the shelf
          </Button>
          {shown.kind === 'dyestuff' ? <DyestuffDetails stuff={shown.stuff} /> : <AssistantDetails assistant={shown.stuff} />}
        </Beside>
      ) : null}
    </div>
  );
}

function Level({ level, onOpen }: { level: StockLevel; onOpen: (open: ShelfOpen) => void }) {
  const print = usePrint();
  const { item, used, unknownUses } = level;
  return (
    <div className="panel">
      <p>
        <span className="figure">{figureText(level.left, (value) => print.amount(value, item.unit))}</span>
        {item.form ? `, ${item.form}` : ''}
        {item.spent ? `, ${spentText(item.spent)}` : ''}; {item.source || 'source not written down'}
        {used === 0 ? '' : `; ${knownText(used, (value) => print.amount(value, item.unit))} used since it was counted`}
        {unknownUses > 0 ? `; used ${unknownUses} times by an unknown amount: count it` : ''}
      </p>
      <Button size="small" style={{ alignSelf: 'flex-start' }} onClick={() => onOpen({ what: 'stock', item, substance: null })}>
        Count or change
      </Button>
    </div>
  );
}
