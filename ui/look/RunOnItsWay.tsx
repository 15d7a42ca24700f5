'use client';
import { useMemo } from 'react';
import type { PlanLot } from '@/core/plan/plan';
import { isWithdrawn, type Look } from '@/core/swatch/look';
import { coloursIn } from '@/core/swatch/swatch';
import { useLoaded } from '../api/useLoaded';
import { OnItsWay } from './OnItsWay';

interface Props {
  readonly runId: string;
  readonly stepId: string;
  readonly lots: readonly Pick<PlanLot, 'id' | 'name'>[];
}

/** Of a step that goes on: by what was read of its lots there, whether each still takes colour. */
export function RunOnItsWay({ runId, stepId, lots }: Props) {
  const loaded = useLoaded<Look[]>(`/looks?runId=${runId}`);
  const looks = loaded.state === 'ready' ? loaded.value : null;
  const byLot = useMemo(() => {
    const here = (looks ?? []).filter((look) => look.at?.stepId === stepId && !isWithdrawn(look));
    return lots.map((lot) => ({ lot, colours: coloursIn(here.filter((look) => look.lotIds.includes(lot.id))) }));
  }, [looks, stepId, lots]);
  return byLot.map(({ lot, colours }) => <OnItsWay key={lot.id} colours={colours} name={lot.name} />);
}
