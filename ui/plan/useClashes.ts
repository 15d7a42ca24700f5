import { useMemo } from 'react';
import type { Plan } from '@/core/plan/plan';
import { clashes, type Stay, staysOf } from '@/core/plan/stays';
import type { Finding } from '@/core/safety/finding';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';

const NONE: readonly Finding[] = [];

/**
 * Where this plan and what other sessions take of the kitchen get in each other’s way, as things stand now.
 * @param sessionId the session itself, whose own stays are no clash
 */
export function useClashes(plan: Pick<Plan, 'name' | 'steps' | 'vessels' | 'home' | 'lots'> | null, sessionId: string): readonly Finding[] {
  const stays = useLoaded<Stay[]>('/stays');
  const print = usePrint();
  return useMemo(() => {
    if (!plan || stays.state !== 'ready') return NONE;
    return clashes(
      staysOf({ sessionId, name: plan.name, running: false }, plan.steps, plan.vessels),
      stays.value.filter((stay) => stay.sessionId !== sessionId),
      {
        vessel: (id) => plan.vessels.find((vessel) => vessel.id === id)?.name ?? 'This vessel',
        heat: (id) => plan.home.heatSources.find((source) => source.id === id)?.name ?? 'Its heat',
        lot: (id) => plan.lots.find((lot) => lot.id === id)?.name ?? 'This lot',
        time: print.dayClock,
      },
    );
  }, [plan, stays, sessionId, print]);
}
