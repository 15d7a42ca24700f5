'use client';
import { useEffect, useState } from 'react';
import type { Home } from '@/core/plan/plan';
import { get } from '../api/http';

let known: Promise<string> | null = null;
const zoneOfHome = (): Promise<string> => {
  known ??= get<Home>('/home').then((home) => home.diary.zone);
  known.catch(() => {
    known = null;
  });
  return known;
};

/** The home's time zone: walls clocks are shown in it on every device, wherever that device thinks it is. */
export function useZone(): string | null {
  const [zone, setZone] = useState<string | null>(null);
  useEffect(() => {
    zoneOfHome().then(setZone, () => undefined);
  }, []);
  return zone;
}
