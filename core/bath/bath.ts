import type { StepKind } from '../method/method';
import type { Content } from '../safety/facts';

/** As much of a step as says which bath it works in. */
export interface BathStep {
  readonly id: string;
  readonly kind: StepKind;
  readonly lotIds: readonly string[];
  readonly vesselId: string | null;
  /** Water of its own; null when it goes on in a bath that is there. */
  readonly water: object | null;
  readonly bathId?: string | null | undefined;
  readonly pouredFrom?: readonly string[] | undefined;
}

/** What a step's goods meet: one value that plan cautions, the stove and the leftovers read. */
export interface BathAt {
  /** All that is in the liquid: what this step adds and what the steps before put into the same bath, each substance once. */
  readonly inBath: readonly Content[];
  /** What the vessel held last, in another bath. */
  readonly lastInVessel: readonly Content[];
  /** What the goods bring along from baths before, with no rinse or wash between. */
  readonly onGoods: readonly Content[];
}

/** The bath a step works in, by the step that made it; null on the line or the table. Old plans do not name it. */
export function bathIdAt(steps: readonly BathStep[], index: number): string | null {
  const step = steps[index];
  if (!step) return null;
  if (step.bathId !== undefined) return step.bathId;
  if (step.water !== null) return step.id;
  const before = steps.slice(0, index).findLastIndex((one) => one.vesselId === step.vesselId);
  return before < 0 || step.vesselId === null ? null : bathIdAt(steps, before);
}

/** What sessions before left: in the step's vessel, and on its goods. */
export interface Before {
  readonly inVessel: readonly Content[];
  readonly onGoods: readonly Content[];
}
const NOTHING_BEFORE: Before = { inVessel: [], onGoods: [] };

/**
 * @param steps in the order of the work
 * @param addedIn what each step puts into its bath, planned or as it was logged
 */
export function bathAt(steps: readonly BathStep[], index: number, addedIn: (step: BathStep) => readonly Content[], before = NOTHING_BEFORE): BathAt {
  const step = steps[index];
  if (!step) return { inBath: [], lastInVessel: [], onGoods: [] };
  const bathId = bathIdAt(steps, index);
  const earlier = steps.slice(0, index).map((one, i) => ({ step: one, bathId: bathIdAt(steps, i) }));
  const pouredInto = (id: string): readonly string[] => steps.find((one, i) => bathIdAt(steps, i) === id && one.pouredFrom)?.pouredFrom ?? [];
  const inBathOf = (id: string | null): Content[] => {
    if (id === null) return [];
    let contents: Content[] = pouredInto(id).flatMap(inBathOf);
    for (const one of earlier) {
      if (one.bathId !== id) continue;
      // Straining takes the plant out; what dissolved stays.
      if (one.step.kind === 'strain') contents = contents.filter((content) => content.dyestuff === null);
      contents.push(...addedIn(one.step));
    }
    return contents;
  };
  const inVessel = earlier.findLast((one) => step.vesselId !== null && one.step.vesselId === step.vesselId && one.bathId !== null && one.bathId !== bathId);
  const cleansed = earlier.findLastIndex((one) => (one.step.kind === 'rinse' || one.step.kind === 'wash') && shares(one.step.lotIds, step.lotIds));
  const unrinsed = earlier.slice(cleansed + 1).filter((one) => one.bathId !== bathId && shares(one.step.lotIds, step.lotIds));
  return {
    inBath: merged([...inBathOf(bathId), ...addedIn(step)]),
    lastInVessel: inVessel ? merged(inBathOf(inVessel.bathId)) : isFirstIn(earlier, step, bathId) ? [...before.inVessel] : [],
    onGoods: merged([...(cleansed < 0 ? before.onGoods : []), ...[...new Set(unrinsed.map((one) => one.bathId))].flatMap((id) => inBathOf(id))]),
  };
}

/** No bath of this plan was in the vessel before this one, nor does this one go on from a step before. */
const isFirstIn = (earlier: readonly { readonly step: BathStep; readonly bathId: string | null }[], step: BathStep, bathId: string | null): boolean =>
  bathId !== null && !earlier.some((one) => one.bathId === bathId || (step.vesselId !== null && one.step.vesselId === step.vesselId));

const shares = (a: readonly string[], b: readonly string[]): boolean => a.some((id) => b.includes(id));

/** Each substance once, its amounts added up; unknown when any of them is. */
function merged(contents: readonly Content[]): Content[] {
  const bySubstance = new Map<string, Content>();
  for (const content of contents) {
    const had = bySubstance.get(content.substance);
    bySubstance.set(
      content.substance,
      had
        ? {
            ...content,
            grams: sum(had.grams, content.grams),
            mL: sum(had.mL, content.mL),
            wofPct: sum(had.wofPct, content.wofPct),
            gPerL: sum(had.gPerL, content.gPerL),
          }
        : content,
    );
  }
  return [...bySubstance.values()];
}

const sum = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a + b);
