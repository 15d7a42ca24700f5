import type { Lot } from '../fibre/lot';
import type { MethodBook } from '../method/library';
import type { StepTemplate } from '../method/method';
import type { ChainItem, Draft } from './draft';

/** A bath while the chain is walked: what is in it and which step touched it last. */
export interface Bath {
  /** The step that made it. */
  readonly id: string;
  /** The item of the chain that made it. */
  readonly itemId: string;
  /** The steps that touched it last; several where baths were poured together. */
  readonly lastStepIds: readonly string[];
  readonly pouredFrom: readonly string[];
  readonly vesselId: string | null;
  readonly waterMl: number | null;
  readonly plantG: number | null;
  readonly dyestuffIds: readonly string[];
  readonly liquorId: string | null;
}

/** Where the walk along the chain stands. */
export interface Whereabouts {
  /** The dye liquor touched last. */
  liquor: Bath | null;
  /** Every dye liquor as it stands, by its id, in the order in which they were made. */
  readonly baths: Map<string, Bath>;
  /** Liquors that were strained, and those that goods have been in. */
  readonly strained: Set<string>;
  readonly used: Set<string>;
  /** By lot: the bath it was last in, and its last step. */
  readonly lots: Map<string, { readonly bath: Bath | null; readonly stepId: string }>;
}

/** The bath that all of these lots are in; null when they are in none, or in different ones. */
export function commonBath(lots: readonly Lot[], at: Whereabouts): Bath | null {
  const baths = lots.map((lot) => at.lots.get(lot.id)?.bath ?? null);
  const [first] = baths;
  return first && baths.every((bath) => bath?.id === first.id) ? first : null;
}

/**
 * The liquor a step works in: the one it names, or several poured together; else the first that still waits for such a
 * step (to be strained, to be dyed in), else the one touched last, which may be used again.
 */
export function bathFor(id: string, template: StepTemplate, item: ChainItem, at: Whereabouts): Bath | null {
  const all = [...at.baths.values()];
  if (item.bathFrom && item.bathFrom.length > 0) {
    const wanted = all.filter((bath) => item.bathFrom?.includes(bath.itemId));
    const [only, ...more] = wanted;
    return more.length === 0 ? (only ?? null) : pouredTogether(id, item, wanted);
  }
  const waits = template.kind === 'strain' ? (bath: Bath) => !at.strained.has(bath.id) && !at.used.has(bath.id) : (bath: Bath) => !at.used.has(bath.id);
  return (template.liquor === 'uses' ? all.find(waits) : undefined) ?? at.liquor;
}

function pouredTogether(id: string, item: ChainItem, baths: readonly Bath[]): Bath {
  const sum = (of: (bath: Bath) => number | null): number | null =>
    baths.reduce<number | null>((total, bath) => {
      const one = of(bath);
      return total === null || one === null ? null : total + one;
    }, 0);
  const [first] = baths;
  return {
    id,
    itemId: item.id,
    lastStepIds: baths.flatMap((bath) => bath.lastStepIds),
    pouredFrom: baths.map((bath) => bath.id),
    vesselId: first?.vesselId ?? null,
    waterMl: sum((bath) => bath.waterMl),
    plantG: sum((bath) => bath.plantG),
    dyestuffIds: [...new Set(baths.flatMap((bath) => bath.dyestuffIds))],
    liquorId: null,
  };
}

/** Why there is no bath, and the way out: the chain may have one further down. */
export function noBathText(template: StepTemplate, item: ChainItem, draft: Draft, methods: MethodBook): string {
  const makes = (one: ChainItem) =>
    methods.find(one.methodId, one.methodVersion)?.steps.some((step) => step.liquor === 'makes' || step.liquor === 'brings') ?? false;
  const here = draft.chain.findIndex((one) => one.id === item.id);
  const later = draft.chain.slice(here + 1).find(makes);
  if (later) return `${template.title} needs a bath, and “${methods.find(later.methodId, later.methodVersion)?.name}” comes only after it: move that one up.`;
  if (item.bathFrom && item.bathFrom.length > 0) return `The bath chosen for ${template.title} is not made before it. Choose another.`;
  return `${template.title} needs a bath: add an extraction before it, or bring out a kept liquor.`;
}
