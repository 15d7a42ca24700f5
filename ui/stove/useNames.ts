'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Plan } from '@/core/plan/plan';

type Names = (substance: string) => string;

/** Names of all that goes into a bath: those of the plan at once, the whole library a moment after the first paint. */
export function useNames(plan: Plan): Names {
  const [library, setLibrary] = useState<{ nameOf: Names } | null>(null);
  useEffect(() => {
    let dropped = false;
    void import('@/core/shelf/library').then(({ shelfOf }) => !dropped && setLibrary(shelfOf(plan.own)));
    return () => {
      dropped = true;
    };
  }, [plan.own]);
  return useMemo(() => {
    const planned = new Map(plan.steps.flatMap((step) => step.additions.map((addition) => [addition.substance, addition.name] as const)));
    return (substance) => library?.nameOf(substance) ?? planned.get(substance) ?? substance;
  }, [plan, library]);
}
