'use client';
import dayjs from 'dayjs';
import updateLocale from 'dayjs/plugin/updateLocale';
import { createContext, type ReactNode, useContext, useEffect, useMemo } from 'react';
import type { Home } from '@/core/kitchen/home';
import { METRIC, type Measures } from '@/core/measure/measures';
import { type Printer, printer } from '@/core/measure/printer';
import { useLoaded } from '../api/useLoaded';

dayjs.extend(updateLocale);

const Print = createContext<Printer>(printer(METRIC, 'UTC'));

/** How this home measures and where it stands: every figure, clock and date on every page is printed by it. */
export function HomeFacts({ children }: { children: ReactNode }) {
  const home = useLoaded<Home>('/home');
  const measures: Measures = (home.state === 'ready' ? home.value.measures : undefined) ?? METRIC;
  const zone = home.state === 'ready' ? home.value.diary.zone : 'UTC';
  const print = useMemo(() => printer(measures, zone), [measures, zone]);
  useEffect(() => {
    dayjs.updateLocale('en', { weekStart: measures.weekStart });
  }, [measures.weekStart]);
  return <Print value={print}>{children}</Print>;
}

export const usePrint = (): Printer => useContext(Print);
