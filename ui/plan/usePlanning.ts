'use client';
import { useEffect, useState } from 'react';
import type { BuiltPlan } from '@/core/plan/buildPlan';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import type { Kitchen } from '@/core/plan/planHere';
import type { Begun, PlanWorker } from '@/workers/plan.worker';
import { errorText } from '../api/http';
import { nowMs } from '../api/serverClock';
import { useThread } from '../api/useThread';

/** A moment for the next letter: planning itself takes some tens of milliseconds. */
const AFTER_MS = 80;

interface Planning {
  readonly built: BuiltPlan;
  /** The last plan that worked out: it stays drawn while the draft does not. */
  readonly lastPlan: Plan | null;
}

/** Plans the draft after every change, in a worker; what is drawn is always the last good plan. */
export function usePlanning(draft: Draft, kitchen: Kitchen, first: Plan | null, begun: Begun | null): Planning {
  const worker = useThread<PlanWorker>(() => new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }));
  const [planning, setPlanning] = useState<Planning>({ built: { plan: first, problems: [] }, lastPlan: first });
  useEffect(() => void worker.current?.setKitchen(kitchen, begun), [kitchen, begun, worker]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a kitchen that changed makes another plan of the same draft
  useEffect(() => {
    let dropped = false;
    const take = (built: BuiltPlan) => !dropped && setPlanning((had) => ({ built, lastPlan: built.plan ?? had.lastPlan }));
    const timer = setTimeout(() => {
      worker.current?.plan(draft, nowMs()).then(take, (error: unknown) => take({ plan: null, problems: [{ at: '', message: errorText(error) }] }));
    }, AFTER_MS);
    return () => {
      dropped = true;
      clearTimeout(timer);
    };
  }, [draft, kitchen, begun, worker]);
  return planning;
}
