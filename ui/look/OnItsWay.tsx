'use client';
import { useMemo } from 'react';
import { alikeColours, type SeenColour } from '@/core/swatch/swatch';
import { stopRule } from '@/core/uptake/stopRule';
import { useNow } from '../api/serverClock';
import { usePrint } from '../shell/facts';

/** Two looks are wet and dry, or before and after: nobody asks for an end. */
const LEAST_LOOKS = 3;

/** Colours of one state, all corrected or none: how much of its way is done, and whether waiting is worth it. */
export function OnItsWay({ colours, name }: { colours: readonly SeenColour[]; name?: string }) {
  const print = usePrint();
  const now = useNow(60_000);
  const rule = useMemo(() => {
    const alike = alikeColours(colours);
    return alike.length < LEAST_LOOKS ? null : stopRule(alike);
  }, [colours]);
  if (!rule) return null;
  return (
    <p role="status">
      <strong>{name ? `Does ${name} still take colour?` : 'Does it still take colour?'}</strong> {rule.says}
      {rule.kind === 'cannotTell' && rule.lookAtMs !== null ? ` Look next about ${print.date(rule.lookAtMs, now)}.` : ''}
    </p>
  );
}
