import * as Comlink from 'comlink';
import { seededChance } from '@/core/chance';
import type { Plan } from '@/core/plan/plan';
import { type Manner, type Tried, tryOut } from '@/core/rehearse/manyTimes';

/** A plan gone through again and again by a simulated dyer, off the page's own thread. */
let going: { readonly plan: Plan; readonly manner: Manner; readonly chance: () => number } | null = null;

const api = {
  /** The same dyer has the same days every time. */
  begin(plan: Plan, manner: Manner): void {
    going = { plan, manner, chance: seededChance(1) };
  },
  once(): Tried | null {
    return going && tryOut(going.plan, going.manner, going.chance);
  },
};
export type RehearseWorker = typeof api;
Comlink.expose(api);
