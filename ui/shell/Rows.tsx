'use client';
import { Listy } from 'antd';
import { type ReactNode, useEffect, useRef, useState } from 'react';

/** Below this many rows the page scrolls as a whole; above, only what is seen is drawn. */
const DRAWN_WHOLE = 60;

interface Props<T> {
  readonly label: string;
  readonly items: readonly T[];
  readonly keyOf: (item: T) => string;
  readonly render: (item: T) => ReactNode;
  /** A list inside something else scrolls within this height, px. */
  readonly heightPx?: number;
}

/** Things as rows. Thousands of them stay quick. */
export function Rows<T extends object>({ label, items, keyOf, render, heightPx }: Props<T>) {
  const room = useRef<HTMLDivElement>(null);
  const [leftPx, setLeftPx] = useState(560);
  const long = items.length > DRAWN_WHOLE;
  useEffect(() => {
    if (!long) return;
    const measure = () => setLeftPx(Math.max(320, window.innerHeight - (room.current?.getBoundingClientRect().top ?? 200) - 24));
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, [long]);
  const height = long ? (heightPx ?? leftPx) : heightPx;
  return (
    // biome-ignore lint/a11y/useSemanticElements: the list component draws divs, which are told to be a list here
    <div ref={room} className="rows" role="list" aria-label={label}>
      <Listy
        items={items as T[]}
        rowKey={keyOf}
        virtual={long}
        styles={{ item: { padding: 0, borderBlockEnd: 0 } }}
        {...(height === undefined ? {} : { height })}
        itemRender={(item) => (
          // biome-ignore lint/a11y/useSemanticElements: as above
          <div role="listitem">{render(item)}</div>
        )}
      />
    </div>
  );
}
