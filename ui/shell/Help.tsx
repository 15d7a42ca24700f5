'use client';
import { Button, Popover, Tooltip } from 'antd';
import type { ReactNode } from 'react';
import { WORDS } from '@/core/trade/words';

interface Props {
  /** "working" beside a figure, "why" beside an advice. */
  readonly word: 'working' | 'why';
  /** Whose: read out with the word, so that ten of them on a page can be told apart. */
  readonly of: string;
  readonly children: ReactNode;
}

/** The way every figure opens to its working, and every advice to its reason: the same everywhere, and nothing moves. */
export const Help = ({ word, of, children }: Props) => (
  <Popover trigger="click" placement="bottomLeft" content={<div className="stack stack-tight help">{children}</div>}>
    <Button type="link" size="small" className="no-print" aria-label={`${word}: ${of}`}>
      {word}
    </Button>
  </Popover>
);

const MEANINGS = new Map(WORDS.flatMap(([words, meaning]) => words.split(', ').map((word) => [word.toLowerCase(), meaning] as const)));
const KNOWN = new RegExp(
  `\\b(${[...MEANINGS.keys()]
    .sort((a, b) => b.length - a.length)
    .map((word) => word.replace(/[%.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('|')})(?:s|ed|ing)?\\b`,
  'gi',
);

/** A word of the trade with its meaning on touch, hover or focus. */
const Term = ({ word, meaning }: { word: string; meaning: string }) => (
  <Tooltip title={meaning} trigger={['hover', 'focus', 'click']}>
    <Button type="link" className="term">
      {word}
    </Button>
  </Tooltip>
);

/** A text in which words of the trade open to their meaning, each the first time it stands there. */
export function Trade({ children }: { children: string }) {
  const parts: ReactNode[] = [];
  const seen = new Set<string>();
  let at = 0;
  for (const found of children.matchAll(KNOWN)) {
    const key = (found[1] ?? '').toLowerCase();
    const meaning = MEANINGS.get(key);
    if (!meaning || seen.has(key)) continue;
    seen.add(key);
    parts.push(children.slice(at, found.index), <Term key={found.index} word={found[0]} meaning={meaning} />);
    at = found.index + found[0].length;
  }
  return (
    <>
      {parts}
      {children.slice(at)}
    </>
  );
}
