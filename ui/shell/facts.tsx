'use client';
import { createContext, type ReactNode, useContext, useMemo } from 'react';
import type { Home } from '@/core/kitchen/home';
import { METRIC, type Measures } from '@/core/measure/measures';
import { type Printer, printer } from '@/core/measure/printer';
import { useLoaded } from '../api/useLoaded';

const Print = createContext<Printer>(printer(METRIC, 'UTC'));

/** How this home measures and where it stands: every figure, clock and date on every page is printed by it. */
export function HomeFacts({ children }: { children: ReactNode }) {
  const home = useLoaded<Home>('/home');
  const measures: Measures = (home.state === 'ready' ? home.value.measures : undefined) ?? METRIC;
  const zone = home.state === 'ready' ? home.value.diary.zone : 'UTC';
  const print = useMemo(() => printer(measures, zone), [measures, zone]);
  return <Print value={print}>{children}</Print>;
}

export const usePrint = (): Printer => useContext(Print);
