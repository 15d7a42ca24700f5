'use client';
import { QueryClientProvider } from '@tanstack/react-query';
import { ConfigProvider } from 'antd';
import { type ReactNode, useEffect, useState } from 'react';
import { hearLive, makeCache } from '../api/cache';
import { startLive } from '../api/live';
import { keepOutbox } from '../api/outbox';
import { keepClock, MadeAt } from '../api/serverClock';
import { dayTheme, nightTheme } from '../theme/antdTheme';
import { PaintedNight, rememberLight, useIsNight, useIsStill } from '../theme/lighting';
import { roomStyle } from '../theme/room';
import { Connected } from './connected';

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
        <Lit seq={seq}>{children}</Lit>
      </MadeAt>
    </PaintedNight>
  );
}

function Lit({ seq, children }: { seq: number; children: ReactNode }) {
  const night = useIsNight();
  const still = useIsStill();
  const room = night ? nightTheme : dayTheme;
  const [cache] = useState(makeCache);
  const [connected, setConnected] = useState(true);
  // The number when this room was made: later pages of the same room hear everything.
  const [firstSeq] = useState(seq);
  useEffect(() => {
    const html = document.documentElement;
    html.dataset.lighting = night ? 'night' : 'day';
    for (const [name, value] of Object.entries(roomStyle(night))) html.style.setProperty(name === 'colorScheme' ? 'color-scheme' : name, String(value));
    rememberLight(night);
  }, [night]);
  useEffect(() => {
    const stops = [
      startLive(firstSeq, {
        onMessage: (message) => hearLive(cache, message),
        onMissed: () => void cache.invalidateQueries(),
        onConnected: setConnected,
      }),
      keepClock(),
      keepOutbox(),
    ];
    return () => {
      for (const stop of stops) stop();
    };
  }, [cache, firstSeq]);
  return (
    <ConfigProvider theme={still ? { ...room, token: { ...room.token, motion: false } } : room} button={{ autoInsertSpace: false }} wave={{ disabled: true }}>
      <QueryClientProvider client={cache}>
        <Connected value={connected}>{children}</Connected>
      </QueryClientProvider>
    </ConfigProvider>
  );
}
