import { knownOf, type Span, sumFigures, timesKnown } from '../figure';
import type { Draft, ExtraAddition } from '../plan/draft';
import type { Plan } from '../plan/plan';
import { FIRST_PLANT, type PlantAmount } from '../plan/plant';
import { labelForm } from '../shelf/forms';
import { shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import { sizingG } from './amountNow';
import type { LoggedAddition, RunState } from './fold';

/** Plants beside the first, and those that were not weighed: as a ratio where that can be said, else as much as last time. */
export function actualPlants(plan: Plan, state: RunState): NonNullable<Draft['plantAmounts']> {
  const shelf = shelfOf(plan.own);
  const said: Record<string, PlantAmount> = { ...plan.draft.plantAmounts };
  for (const step of plan.steps)
    for (const addition of step.additions.filter((one) => shelf.dyestuff(one.substance))) {
      const key = `${step.id}/${addition.id}`;
      const logged = (state.steps[step.id]?.additions ?? []).filter((one) => one.additionId === addition.id);
      const [first] = logged;
      const used = knownOf(sumFigures(logged.map((one) => one.amount)));
      if (!first || used === null || used === 0 || logged.some((one) => one.unit !== first.unit)) continue;
      const dryG = sizingG(step, plan, state);
      if (first.unit !== 'g') said[key] = { by: 'amount', unit: first.unit, known: used, about: true };
      else if (addition.id === FIRST_PLANT && said[key]?.by !== 'amount') delete said[key];
      else {
        const ratio = dryG === null ? null : timesKnown(used, 1 / dryG);
        said[key] = ratio === null ? { by: 'amount', unit: 'g', known: used, about: true } : { by: 'ratio', ratio, guessed: false };
      }
    }
  return said;
}

/**
 * What went in beside the method, planned so or not: as a percent of the fibre where that can be said, else as much as last
 * time. What nobody knows by its name on the shelf has no place in a plan, and is told.
 */
export function actualExtras(plan: Plan, state: RunState): Required<Pick<Draft, 'extras' | 'overrules'>> {
  const shelf = shelfOf(plan.own);
  const extras: Record<string, ExtraAddition[]> = {};
  const overrules: Record<string, number | Span> = {};
  for (const step of plan.steps) {
    const planned = plan.draft.extras?.[step.id] ?? [];
    const logged = state.steps[step.id]?.additions ?? [];
    const beyond = [...new Set(logged.filter((one) => one.additionId === null && isOnShelf(one.substance, shelf)).map((one) => one.substance))];
    const wanted = [
      ...planned.map((one) => ({ ...one, own: (entry: LoggedAddition) => entry.additionId === one.id })),
      ...beyond.map((substance) => ({
        id: '',
        substance,
        wofPct: null,
        own: (entry: LoggedAddition) => entry.additionId === null && entry.substance === substance,
      })),
    ];
    for (const [i, { own, ...extra }] of wanted.entries()) {
      const id = `extra-${i + 1}`;
      const used = knownOf(sumFigures(logged.filter(own).map((one) => one.amount)));
      const unit = logged.find(own)?.unit ?? 'g';
      const dryG = sizingG(step, plan, state);
      const factor = labelForm(extra.substance, plan.draft.labels?.[extra.substance])?.factor ?? 1;
      const scaled = unit === 'g' && dryG !== null && used !== null && used !== 0 ? timesKnown(used, 100 / dryG / factor) : null;
      extras[step.id] = [...(extras[step.id] ?? []), { ...extra, id, wofPct: scaled ?? extra.wofPct }];
      if (scaled === null && used !== null && used !== 0 && unit === (shelf.assistant(extra.substance)?.unit ?? 'g')) overrules[`${step.id}/${id}`] = used;
    }
  }
  return { extras, overrules };
}

export const isOnShelf = (substance: string, shelf: Shelf): boolean => shelf.assistant(substance) !== undefined || shelf.dyestuff(substance) !== undefined;
