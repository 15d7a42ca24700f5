'use client';
import { QueryClientProvider } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { hearLive, makeCache } from '../api/cache';
import { isKeptPage } from '../api/keptPage';
import { startLive } from '../api/live';
import { keepLookBox } from '../api/lookBox';
import { keepOutbox } from '../api/outbox';
import { keepClock, MadeAt, pageMadeAt } from '../api/serverClock';
import { PaintedNight } from '../theme/lighting';
import { watchAway } from './away';
import { Connected } from './connected';
import { Themed } from './Themed';

interface Props {
  readonly night: boolean;
  readonly madeAtMs: number;
  /** The number of the last live message before the page was made. */
  readonly seq: number;
  readonly children: ReactNode;
}

/** Everything pages stand in: light, theme, cache, clock, live stream, and the box of acts still to be sent. */
export function Room({ night, madeAtMs, seq, children }: Props) {
  return (
    <PaintedNight value={night}>
      <MadeAt value={madeAtMs}>
        <Lived madeAtMs={madeAtMs} seq={seq}>
          <Themed>{children}</Themed>
        </Lived>
      </MadeAt>
    </PaintedNight>
  );
}

function Lived({ seq, madeAtMs, children }: Omit<Props, 'night'>) {
  const [cache] = useState(makeCache);
  const [connected, setConnected] = useState(true);
  // The number when this room was made: later pages of the same room hear everything.
  const [firstSeq] = useState(seq);
  // Before the first effect of any part asks what time it is.
  useState(() => typeof window !== 'undefined' && pageMadeAt(madeAtMs));
  useEffect(() => {
    let here = true;
    const stops = [
      startLive(firstSeq, {
        onMessage: (message) => hearLive(cache, message),
        onMissed: () => void cache.invalidateQueries(),
        onConnected: setConnected,
      }),
      keepClock(),
      keepOutbox(),
      keepLookBox(),
      watchAway(),
    ];
    // It comes after everything that a hand may want.
    void import('../api/keepOffline').then(({ keepOffline }) => here && stops.push(keepOffline(cache)));
    // An old page knows an old answer: what this device knew last, or the server, tells it more.
    if (isKeptPage()) void cache.invalidateQueries();
    return () => {
      here = false;
      for (const stop of stops) stop();
    };
  }, [cache, firstSeq]);
  return (
    <QueryClientProvider client={cache}>
      <Connected value={connected}>{children}</Connected>
    </QueryClientProvider>
  );
}
