'use client';
import { ConfigProvider } from 'antd';
import { type ReactNode, useEffect } from 'react';
import { startLive } from '../api/live';
import { keepOutbox } from '../api/outbox';
import { keepClock } from '../api/serverClock';
import { dayTheme, nightTheme } from '../theme/antdTheme';
import { useIsNight } from '../theme/lighting';
import { Rail } from './Rail';

/** Everything pages stand in: theme, rail, clock, live stream, and the box of acts still to be sent. */
export function Room({ children }: { children: ReactNode }) {
  const night = useIsNight();
  useEffect(() => {
    document.documentElement.dataset.lighting = night ? 'night' : 'day';
  }, [night]);
  useEffect(() => {
    startLive();
    const stops = [keepClock(), keepOutbox()];
    return () => {
      for (const stop of stops) stop();
    };
  }, []);
  return (
    <ConfigProvider theme={night ? nightTheme : dayTheme} componentSize="middle">
      <a className="skip-link" href="#main">
        Skip to the page
      </a>
      <div className="room">
        <Rail />
        <main id="main" className="room-main">
          {children}
        </main>
      </div>
    </ConfigProvider>
  );
}
