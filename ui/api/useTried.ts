'use client';
import { useMemo } from 'react';
import type { LotView } from '@/contract/views';
import { type TriedHere, triedHere } from '@/core/fibre/tried';
import { useLoaded } from './useLoaded';

const NOTHING: TriedHere = { substances: new Map(), methods: new Map() };

/** What one's own runs have tried, from the pasts of all lots. */
export function useTried(): TriedHere {
  const lots = useLoaded<LotView[]>('/lots');
  return useMemo(() => (lots.state === 'ready' ? triedHere(lots.value) : NOTHING), [lots]);
}
