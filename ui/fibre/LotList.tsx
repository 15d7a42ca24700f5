'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { LotView } from '@/contract/views';
import { printComposition } from '@/core/fibre/lot';
import { printMass } from '@/core/measure/print';
import { Hem } from './Hem';
import { ANSWER_WORD, figureText } from './lotText';

const ROW_PX = 64;
/** Below this many rows the page scrolls as a whole; above, only what is seen is drawn. */
const DRAWN_WHOLE = 60;

interface Props {
  readonly lots: readonly LotView[];
  readonly chosen: ReadonlySet<string>;
  readonly onToggle: (id: string) => void;
}

/** Lots as rows. Thousands of them stay quick: only those on the screen are drawn. */
export function LotList({ lots, chosen, onToggle }: Props) {
  return lots.length <= DRAWN_WHOLE ? (
    <ul className="rows">
      {lots.map((lot) => (
        <li key={lot.id} className="row">
          <LotRow lot={lot} chosen={chosen.has(lot.id)} onToggle={onToggle} />
        </li>
      ))}
    </ul>
  ) : (
    <LongList lots={lots} chosen={chosen} onToggle={onToggle} />
  );
}

function LongList({ lots, chosen, onToggle }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const [height, setHeight] = useState(560);
  useEffect(() => {
    const measure = () => setHeight(Math.max(320, window.innerHeight - (room.current?.getBoundingClientRect().top ?? 200) - 24));
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  const virtual = useVirtualizer({ count: lots.length, getScrollElement: () => room.current, estimateSize: () => ROW_PX, overscan: 8 });
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling place must be reached by keyboard
    <section ref={room} className="long-list" style={{ height }} aria-label={`${lots.length} lots`} tabIndex={0}>
      <ul className="rows" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map((row) => {
          const lot = lots[row.index];
          return lot ? (
            <li
              key={lot.id}
              className="row"
              aria-setsize={lots.length}
              aria-posinset={row.index + 1}
              style={{ position: 'absolute', insetInline: 0, height: ROW_PX, transform: `translateY(${row.start}px)` }}
            >
              <LotRow lot={lot} chosen={chosen.has(lot.id)} onToggle={onToggle} />
            </li>
          ) : null;
        })}
      </ul>
    </section>
  );
}

function LotRow({ lot, chosen, onToggle }: { lot: LotView; chosen: boolean; onToggle: (id: string) => void }) {
  return (
    <>
      <input type="checkbox" className="row-check" aria-label={`Choose ${lot.name}`} checked={chosen} onChange={() => onToggle(lot.id)} />
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
          {lot.finishes?.length ? ` · ${lot.finishes.join(', ')}` : ''}
        </span>
      </div>
      <span className="hem-cell">
        <Hem passport={lot.passport} />
      </span>
      <span className="lot-state quiet">mordanted: {lot.ended ? 'no more' : ANSWER_WORD[lot.passport.state.mordant]}</span>
      <span className="figure row-figure">{figureText(lot.dryWeightG, printMass)}</span>
    </>
  );
}
