import { dilutionFor, doseFor } from '../chem/forecast';
import { strengthBand } from '../chem/freed';
import { printAmount, printNumber, printVolume } from '../measure/print';
import { canBeginAgain } from '../plan/overshot';
import { phAimText, phStanding } from '../plan/phAim';
import type { Plan, PlanStep } from '../plan/plan';
import type { StepState } from './fold';
import { bathByStrips } from './phNext';

/** What can be done about a bath that went through its aim, with its price in words. */
export interface Way {
  readonly kind: 'dilute' | 'opposite' | 'again' | 'afterBath';
  readonly title: string;
  readonly price: string;
  /** What would go in, to be logged once it did. */
  readonly adds: { readonly substance: string; readonly amount: number; readonly unit: 'g' | 'mL' } | null;
  /** The rest of the plan can follow it in one tap; else it is changed by hand. */
  readonly isPlanned: boolean;
}

/** Alkali against an acid overshoot, acid against an alkaline one: what a kitchen has, and the salt that it leaves. */
const OPPOSITE = {
  sour: { substance: 'bakingSoda', name: 'baking soda', unit: 'g', leaves: 'Its salt stays in the bath, and it fizzes: by the pinch.' },
  alkaline: {
    substance: 'vinegar',
    name: 'white vinegar',
    unit: 'mL',
    leaves: 'Its salt stays in the bath and makes it give way: the next step is harder to hit.',
  },
} as const;

const TINY_G = 0.5;

/** Two figures are as much as a strip can tell. */
const round = (value: number): number => Number(value.toPrecision(2));

/** The end of the aim that was passed: back to it is the least that has to be done. */
function passedEnd({ low, high }: NonNullable<PlanStep['phAim']>, ph: number): number {
  return ph < 7 ? (low ?? high ?? 7) : (high ?? low ?? 7);
}

/**
 * Nothing where the last strip is within its aim or on its way there, or where nobody measured.
 * @param roomMl how much more goes into the vessel; null: unknown
 */
export function overshootWays(
  plan: Pick<Plan, 'labels' | 'draft' | 'home'>,
  step: Pick<PlanStep, 'id' | 'kind' | 'water' | 'phAim' | 'additions' | 'lotIds'>,
  state: StepState,
  roomMl: number | null,
): { readonly says: string; readonly ways: readonly Way[] } | null {
  const ph = state.ph.at(-1)?.value;
  if (!step.phAim || ph === undefined || phStanding(step.phAim, ph) !== 'overshot') return null;
  const target = passedEnd(step.phAim, ph);
  const found = bathByStrips(plan, step, state);
  const ways: Way[] = [];
  const waterMl = found && found.since.length === 0 ? dilutionFor(found.bath, target) : null;
  if (waterMl !== null) {
    const mL = round(waterMl);
    const fits =
      roomMl === null ? 'whether it fits, nobody knows' : mL <= roomMl ? 'it fits' : `it does not fit: ${printVolume(round(Math.max(0, roomMl)))} more go in`;
    ways.push({
      kind: 'dilute',
      title: `Dilute it with about ${printVolume(mL)} of water`,
      price: `By the sum; ${fits}. Everything in it gets weaker, the colour too.`,
      adds: { substance: 'water', amount: mL, unit: 'mL' },
      isPlanned: false,
    });
  }
  const opposite = OPPOSITE[ph < 7 ? 'sour' : 'alkaline'];
  const dose =
    found && found.since.length === 0
      ? doseFor(found.bath, { substance: opposite.substance, strengthPct: strengthBand(opposite.substance, null) }, target)
      : null;
  if (dose?.ok && dose.amount.likely > 0) {
    const [low, likely, high] = [round(dose.amount.low), round(dose.amount.likely), round(dose.amount.high)];
    // Less than a kitchen scale tells is poured as a weak solution.
    const isTiny = opposite.unit === 'g' && likely < TINY_G;
    const print = (value: number): string => (isTiny ? printAmount(round(value * 100), 'mL') : printAmount(value, opposite.unit));
    const range = low === high ? '' : ` (${print(low)} to ${print(high)})`;
    ways.push({
      kind: 'opposite',
      title: `Add the opposite: about ${print(likely)} ${isTiny ? `of ${opposite.name} solution, 1 g in 100 mL of water` : opposite.name}`,
      price: `By the sum${range}: half of it, stir, measure. ${opposite.leaves}`,
      adds: { substance: opposite.substance, amount: round(likely / 2), unit: opposite.unit },
      isPlanned: false,
    });
  }
  ways.push({
    kind: 'again',
    title: 'Begin again with less',
    price: `Fresh water, and half of what went in: the surest way. Costs the water, the heat and, where plants are in it, their colour.`,
    adds: null,
    isPlanned: canBeginAgain(step),
  });
  if (step.lotIds.length > 0)
    ways.push({
      kind: 'afterBath',
      title: 'Lift the goods, and do it as an after-bath',
      price: 'The bath stays as it is; the goods get their acid or alkali in a small bath of its own, under control. One more bath and rinse.',
      adds: null,
      isPlanned: true,
    });
  return { says: `pH ${printNumber(ph)} went past ${phAimText(step.phAim)}.`, ways };
}
