'use client';
import { useMemo } from 'react';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { isWithdrawn, type Look } from '@/core/swatch/look';
import { coloursIn } from '@/core/swatch/swatch';
import { useLoaded } from '../api/useLoaded';
import { OnItsWay } from './OnItsWay';

interface Props {
  readonly runId: string;
  readonly plan: Pick<Plan, 'lots'>;
  readonly step: Pick<PlanStep, 'id' | 'lotIds'>;
}

/** Of a step that goes on: by what was read of its lots there, whether each still takes colour. */
export function RunOnItsWay({ runId, plan, step }: Props) {
  const loaded = useLoaded<Look[]>(`/looks?runId=${runId}`);
  const looks = loaded.state === 'ready' ? loaded.value : null;
  const byLot = useMemo(() => {
    const here = (looks ?? []).filter((look) => look.at?.stepId === step.id && !isWithdrawn(look));
    return plan.lots
      .filter((lot) => step.lotIds.includes(lot.id))
      .map((lot) => ({ lot, colours: coloursIn(here.filter((look) => look.lotIds.includes(lot.id))) }));
  }, [looks, step, plan]);
  return byLot.map(({ lot, colours }) => <OnItsWay key={lot.id} colours={colours} name={lot.name} />);
}
