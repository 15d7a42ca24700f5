'use client';
import { ConfigProvider } from 'antd';
import { type ReactNode, useEffect } from 'react';
import { dayTheme, nightTheme } from '../theme/antdTheme';
import { rememberLight, useIsNight, useIsStill } from '../theme/lighting';
import { roomStyle } from '../theme/room';
import { AWAKE } from './earlyTaps';

/**
 * Too short to be seen. Not the switch that leaves movement out: throwing it makes the whole page anew, with all that is open
 * on it, and dialogs then put the focus on their cross instead of their field.
 */
const STILL = { motionDurationFast: '0.01s', motionDurationMid: '0.01s', motionDurationSlow: '0.01s' } as const;

/** The look of every page, by day and night. */
export function Themed({ children }: { children: ReactNode }) {
  const night = useIsNight();
  const still = useIsStill();
  const room = night ? nightTheme : dayTheme;
  useEffect(() => {
    const html = document.documentElement;
    html.dataset.lighting = night ? 'night' : 'day';
    for (const [name, value] of Object.entries(roomStyle(night))) html.style.setProperty(name === 'colorScheme' ? 'color-scheme' : name, String(value));
    rememberLight(night);
  }, [night]);
  useEffect(() => void window.dispatchEvent(new Event(AWAKE)), []);
  return (
    <ConfigProvider theme={still ? { ...room, token: { ...room.token, ...STILL } } : room} button={{ autoInsertSpace: false }} wave={{ disabled: true }}>
      {children}
    </ConfigProvider>
  );
}
