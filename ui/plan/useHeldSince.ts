import { useMemo } from 'react';
import { type HeldLast, heldSince } from '@/core/bath/past';
import type { Plan } from '@/core/plan/plan';
import type { Finding } from '@/core/safety/finding';
import { shelfOf } from '@/core/shelf/library';
import { nowMs } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';

const NONE: readonly Finding[] = [];

/** Before a plan is begun: what its vessels have held since it was made. @param plan null: it goes on already */
export function useHeldSince(plan: Pick<Plan, 'sessionId' | 'past' | 'steps' | 'vessels' | 'own'> | null): readonly Finding[] {
  const held = useLoaded<HeldLast[]>('/pots/held');
  const print = usePrint();
  return useMemo(() => {
    if (!plan || held.state !== 'ready') return NONE;
    const shelf = shelfOf(plan.own);
    return heldSince(plan, held.value, nowMs(), shelf).map(({ vesselId, substances, doneAtMs }): Finding => {
      const vessel = plan.vessels.find(({ id }) => id === vesselId)?.name ?? 'This vessel';
      const what = substances.map(shelf.nameOf).join(', ');
      return {
        rule: 'apart',
        severity: 'caution',
        stepId: plan.steps.find((step) => step.vesselId === vesselId)?.id ?? null,
        text: `${vessel} has held ${what} since this was planned (${print.date(doneAtMs, nowMs())}): wash it well, or plan it anew with another.`,
      };
    });
  }, [plan, held, print]);
}
