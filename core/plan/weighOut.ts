import { type StockSolution, stockSolution } from '../dose/solutions';
import { nearestSpoons, spoonsToGrams } from '../dose/spoons';
import { type Known, oneOf } from '../figure';
import { scaleFor } from '../kitchen/scale';
import type { AmountUnit } from '../measure/print';
import { roundForHands } from '../measure/rounding';
import type { PlantForm } from '../shelf/dyestuff';
import { shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import { plantWords } from '../shelf/plantDetail';
import { type Plan, type PlannedAmount, type PlanStep, plannedKnown } from './plan';
import { toPour } from './toPour';

/** One thing to weigh or measure, in the order in which the work wants it. */
export interface WeighLine {
  /** "step/addition": the key of its tick. */
  readonly key: string;
  readonly stepId: string;
  readonly additionId: string;
  readonly stepTitle: string;
  readonly startMs: number;
  readonly substance: string;
  readonly name: string;
  readonly form: PlantForm | null;
  readonly unit: AmountUnit;
  /** As planned, not rounded; null when unknown. */
  readonly planned: Known;
  /** What to aim at: rounded to what the scale shows; null too where a range is planned. */
  readonly aim: number | null;
  /** What a plant is to be like: "chopped, fallen"; empty where nobody said. */
  readonly detail: string;
  /** Said instead of a number. */
  readonly words: string | null;
  /** Too little for the scale: measure this much of a stock instead. */
  readonly stock: StockSolution | null;
  readonly readsToG: number | null;
  /** The nearest spoon, and how far such a spoon may be off; null where a scale should do it. */
  readonly spoon: { readonly text: string; readonly plusMinusPct: number } | null;
  readonly wear: readonly string[];
  readonly inBrief: string | null;
}

/** Everything to weigh out for a session, water last within a step, steps in the order of their start. */
export function weighOut(plan: Pick<Plan, 'steps' | 'home' | 'own'>): WeighLine[] {
  const shelf = shelfOf(plan.own);
  return plan.steps
    .toSorted((a, b) => a.startMs - b.startMs)
    .flatMap((step) => [...step.additions, ...(step.water ? [toPour(step.water, step)] : [])].map((amount) => lineOf(amount, step, plan, shelf)));
}

function lineOf(amount: PlannedAmount, step: PlanStep, plan: Pick<Plan, 'home'>, shelf: Shelf): WeighLine {
  const known = plannedKnown(amount);
  const planned = oneOf(known);
  const assistant = shelf.assistant(amount.substance);
  const scale = amount.unit === 'g' && planned !== null ? scaleFor(plan.home.scales, planned) : null;
  const stock = scale && planned !== null && assistant ? stockSolution(planned, scale.readsToG) : null;
  return {
    key: `${step.id}/${amount.id}`,
    stepId: step.id,
    additionId: amount.id,
    stepTitle: step.title,
    startMs: step.startMs,
    substance: amount.substance,
    name: amount.name,
    form: amount.form,
    unit: amount.unit,
    planned: known,
    aim: planned === null ? null : roundForHands(planned, amount.unit === 'g' && !stock ? (scale?.readsToG ?? null) : null),
    detail: amount.detail ? plantWords(amount.detail) : '',
    words: amount.words,
    stock,
    readsToG: scale?.readsToG ?? null,
    spoon: planned === null || amount.unit !== 'g' ? null : spoonFor(planned, assistant?.bulkGPerMl ?? null),
    wear: assistant?.wear ?? [],
    inBrief: assistant?.inBrief ?? null,
  };
}

function spoonFor(grams: number, bulk: readonly [number, number] | null): WeighLine['spoon'] {
  if (!bulk) return null;
  const mL = grams / ((bulk[0] + bulk[1]) / 2);
  const text = nearestSpoons(mL, 'metric');
  return text === null || mL > 300 ? null : { text, plusMinusPct: Math.round(spoonsToGrams(mL, bulk).plusMinusPct) };
}
