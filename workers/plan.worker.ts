import * as Comlink from 'comlink';
import type { BuiltPlan, PlanInput } from '@/core/plan/buildPlan';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { type Kitchen, planHere } from '@/core/plan/planHere';
import type { RunState } from '@/core/run/fold';
import { begunFaults, draftFromNow } from '@/core/run/theRest';

/** What has begun of the session that is being changed: it stays as it is, and the rest is planned behind it. */
export interface Begun {
  readonly plan: Plan;
  readonly state: RunState;
  readonly fixed: NonNullable<PlanInput['fixed']>;
}

/** Planning while one edits, off the page's own thread. The kitchen is sent once, drafts as they are typed. */
let kitchen: Kitchen | null = null;
let begun: Begun | null = null;

const api = {
  setKitchen(next: Kitchen, nextBegun: Begun | null): void {
    kitchen = next;
    begun = nextBegun;
  },
  plan(draft: Draft, nowMs: number): BuiltPlan {
    if (!kitchen) throw new Error('a draft came before the kitchen');
    if (!begun) return planHere(draft, kitchen, nowMs);
    const problems = begunFaults(draft, begun.plan, begun.state);
    if (problems.length > 0) return { plan: null, problems };
    return planHere(draftFromNow(draft, begun.plan, begun.state, nowMs), kitchen, nowMs, begun.fixed);
  },
};
export type PlanWorker = typeof api;
Comlink.expose(api);
