import { dyeableShare, type Lot } from '../fibre/lot';
import { type Known, knownOf, sumFigures, sumKnown, timesKnown } from '../figure';
import type { AmountUnit } from '../measure/print';
import type { Plan } from './plan';

export const DOSE_OF = ['whole', 'share'] as const;
/** What a percent of the fibre’s weight is of, where a part of it takes no dye. */
export type DoseOf = (typeof DOSE_OF)[number];

type Weighed = Pick<Lot, 'composition' | 'dryWeightG'>;

const isBlend = (lot: Pick<Lot, 'composition'>): boolean => {
  const share = dyeableShare(lot.composition);
  return share !== null && share < 1;
};

/** The weight that doses go by, g: all of it, or only what takes dye. An unknown composition counts whole. */
export const doseWeight = (lots: readonly Weighed[], doseOf: DoseOf | null | undefined): Known =>
  doseOf === 'share'
    ? sumKnown(lots.map((lot) => timesKnown(knownOf(lot.dryWeightG), dyeableShare(lot.composition) ?? 1)))
    : knownOf(sumFigures(lots.map((lot) => lot.dryWeightG)));

/** Asked once a plan: percents of the whole weight, or of the share that takes dye? Both are worked out. */
export interface BlendQuestion {
  readonly lots: readonly { readonly name: string; readonly sharePct: number }[];
  readonly wholeG: Known;
  readonly shareG: Known;
  readonly doses: readonly { readonly name: string; readonly unit: AmountUnit; readonly whole: Known; readonly share: Known }[];
  readonly answer: DoseOf | null;
}

/** @returns null where all of the fibre takes dye, or nobody knows what it is made of */
export function blendQuestion(plan: Pick<Plan, 'steps' | 'lots' | 'draft'>): BlendQuestion | null {
  const blends = plan.lots.filter(isBlend);
  if (blends.length === 0) return null;
  const doses = plan.steps.flatMap((step) => {
    const goods = plan.lots.filter((lot) => step.sizedBy.includes(lot.id));
    if (!goods.some(isBlend)) return [];
    const partOf = (known: Known): Known => (step.part ? (step.part.sharePct === null ? null : timesKnown(known, step.part.sharePct / 100)) : known);
    return step.additions.flatMap(({ name, unit, perDryG, overruled }) =>
      perDryG === null || overruled !== null
        ? []
        : [{ name, unit, whole: timesKnown(partOf(doseWeight(goods, 'whole')), perDryG), share: timesKnown(partOf(doseWeight(goods, 'share')), perDryG) }],
    );
  });
  return {
    lots: blends.map((lot) => ({ name: lot.name, sharePct: (dyeableShare(lot.composition) ?? 1) * 100 })),
    wholeG: doseWeight(plan.lots, 'whole'),
    shareG: doseWeight(plan.lots, 'share'),
    doses,
    answer: plan.draft.doseOf ?? null,
  };
}
