import { useEffect, useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import { whatChanged } from '@/core/plan/whatChanged';
import { post } from '../api/http';

/** What facts that came since a plan was kept make of it; null while nothing is known to. @param plan not begun yet; null: not asked */
export function useNewFacts(plan: Plan | null): string | null {
  const [says, setSays] = useState<string | null>(null);
  useEffect(() => {
    if (!plan) return;
    let dropped = false;
    post<{ plan: Plan | null }>('/plans/preview', plan.draft).then(
      ({ plan: now }) => !dropped && setSays(now && whatChanged(plan, now)),
      // It is an offer: without an answer the plan stands as it was kept.
      () => undefined,
    );
    return () => {
      dropped = true;
    };
  }, [plan]);
  return says;
}
