import type { Plan } from '@/core/plan/plan';

type PlanLot = Plan['lots'][number];

/** Lots that are drawn as one thread: one lot, or where there are many, all that go the same way. */
export type Strand = readonly [PlanLot, ...PlanLot[]];

/** So many lots each have a thread of their own. */
const MOST_OWN = 12;

/** Threads of a plan, in the order of its lots: with many lots, those that go through the same steps and come out in the same colours hang as one. */
export function strandsOf(plan: Pick<Plan, 'lots' | 'steps'>): Strand[] {
  if (plan.lots.length <= MOST_OWN) return plan.lots.map((lot) => [lot]);
  const ways = new Map<string, string[]>(plan.lots.map(({ id }) => [id, []]));
  for (const step of plan.steps) for (const lotId of step.lotIds) ways.get(lotId)?.push(step.id);
  const strands = new Map<string, [PlanLot, ...PlanLot[]]>();
  for (const lot of plan.lots) {
    const way = ways.get(lot.id) ?? [];
    const key = JSON.stringify([way, lot.baseHex, way.map((stepId) => lot.expectedHex[stepId] ?? '')]);
    const strand = strands.get(key);
    if (strand) strand.push(lot);
    else strands.set(key, [lot]);
  }
  return [...strands.values()];
}

/** A … Z, AA … as columns of a table are counted. @param index from 0 */
export function letterOf(index: number): string {
  const own = String.fromCharCode(65 + (index % 26));
  return index < 26 ? own : letterOf(Math.floor(index / 26) - 1) + own;
}
