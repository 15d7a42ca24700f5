'use client';
import Link from 'next/link';
import type { BathView } from '@/contract/baths';
import { freshness } from '@/core/liquor/liquor';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';
import { FRESH_WORD } from './keptWords';

/** Kept baths that want a look, or are past their day. Nothing at all where none does. */
export function SpoilSoon({ nowMs }: { nowMs: number }) {
  const print = usePrint();
  const loaded = useLoaded<BathView[]>('/baths');
  const due = (loaded.state === 'ready' ? loaded.value : [])
    .flatMap(({ liquor, now, says }) => (now.spoilByMs === null || freshness(now, nowMs) === 'fresh' ? [] : [{ liquor, now, says, spoilByMs: now.spoilByMs }]))
    .toSorted((a, b) => a.spoilByMs - b.spoilByMs);
  if (due.length === 0) return null;
  return (
    <Panel title="Baths to look at" label="Baths to look at">
      <ul>
        {due.map(({ liquor, now, says, spoilByMs }) => {
          const state = freshness(now, nowMs);
          return (
            <li key={liquor.id}>
              <Link href={`/shelf/baths/${liquor.id}`} className="line line-tight now-row">
                <span className="row-main">
                  <strong>{liquor.name}</strong>
                  <span className="small quiet">
                    {print.says(says)}; {FRESH_WORD[state]}
                  </span>
                </span>
                <span className={state === 'past' ? 'figure fault' : 'figure'}>
                  {state === 'past' ? `since ${print.day(spoilByMs)}` : `by ${print.day(spoilByMs)}`}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
