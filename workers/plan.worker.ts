import * as Comlink from 'comlink';
import type { BuiltPlan } from '@/core/plan/buildPlan';
import type { Draft } from '@/core/plan/draft';
import { type Kitchen, planHere } from '@/core/plan/planHere';

/** Planning while one edits, off the page's own thread. The kitchen is sent once, drafts as they are typed. */
let kitchen: Kitchen | null = null;

const api = {
  setKitchen(next: Kitchen): void {
    kitchen = next;
  },
  plan(draft: Draft, nowMs: number): BuiltPlan {
    if (!kitchen) throw new Error('a draft came before the kitchen');
    return planHere(draft, kitchen, nowMs);
  },
};
export type PlanWorker = typeof api;
Comlink.expose(api);
