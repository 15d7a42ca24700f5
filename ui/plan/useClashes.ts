import { useEffect, useMemo, useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import type { Stay } from '@/core/plan/stays';
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
  // With the other sessions, which come after the page too.
  const [work, setWork] = useState<typeof import('@/core/plan/stays') | null>(null);
  useEffect(() => void import('@/core/plan/stays').then(setWork, () => undefined), []);
  return useMemo(() => {
    if (!plan || !work || stays.state !== 'ready') return NONE;
    const { clashes, staysOf } = work;
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
  }, [plan, work, stays, sessionId, print]);
}
