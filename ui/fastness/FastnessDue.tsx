'use client';
import Link from 'next/link';
import type { FastnessView } from '@/contract/views';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';

const HALF_DAY_MS = 12 * 3_600_000;

/** Tests that want a look today, or wanted one. Nothing at all where none does. */
export function FastnessDue({ nowMs }: { nowMs: number }) {
  const print = usePrint();
  const loaded = useLoaded<FastnessView[]>('/fastness');
  const due = (loaded.state === 'ready' ? loaded.value : []).flatMap((view) =>
    view.nextAtMs !== null && view.nextAtMs <= nowMs + HALF_DAY_MS ? [{ ...view, nextAtMs: view.nextAtMs }] : [],
  );
  if (due.length === 0) return null;
  return (
    <Panel title="To look at" label="To look at">
      <ul>
        {due.map(({ test, lot, says, nextAtMs }) => (
          <li key={test.id}>
            <Link href={`/fibre/${test.lotId}`} className="line line-tight now-row">
              <span className="row-main">
                <strong>{lot}</strong>
                <span className="small quiet">{says}</span>
              </span>
              <span className="figure">{nextAtMs <= nowMs ? `since ${print.day(nextAtMs)}` : print.dayClock(nextAtMs)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
