'use client';
import { useState } from 'react';
import { dipNow } from '@/core/run/dips';
import type { Dip } from './DipScreen';
import type { StoveCard } from './stoveView';

/** The dips that run, and whether their countdown has the screen: it opens by itself with each new one, until it is put away. */
export function useDips(cards: readonly StoveCard[]): { dips: readonly Dip[]; isCounting: boolean; putAway: () => void; bringBack: () => void } {
  const [away, setAway] = useState('');
  const dips = cards.flatMap((card): Dip[] => {
    const dip = card.state.status === 'running' ? dipNow(card.clock) : null;
    return dip ? [{ card, dip }] : [];
  });
  const key = dips.map(({ card }) => `${card.step.id}/${card.clock.current?.enteredMs}`).join(' ');
  return { dips, isCounting: dips.length > 0 && away !== key, putAway: () => setAway(key), bringBack: () => setAway('') };
}
