import { fitVessel, type Load } from '../dose/fit';
import type { Vessel, VesselKind } from '../kitchen/vessel';
import type { Place, StepTemplate } from '../method/method';

/** Full enough to work, with head room: the caution of R12 starts at 75 %. */
export const COMFORTABLE_PCT = 75;

/** Kinds of vessel for each place, best first. Heat is asked for besides. */
export const KINDS: Readonly<Record<Place, readonly VesselKind[]>> = {
  heated: ['pot', 'steamer', 'cup'],
  any: ['pail', 'tray', 'pot'],
  jar: ['jar', 'pail', 'pot'],
  steamer: ['steamer', 'pot'],
  microwave: ['cup', 'pot'],
  tray: ['tray', 'pail', 'pot'],
  table: ['table', 'line', 'tray', 'pail', 'pot'],
  line: ['line', 'table'],
  same: [],
};
/** Less than a step to the next kind of vessel: a pot that is taken is still nearer than a steamer. */
const TAKEN_RANK = 3;
/** Their metal goes into baths, or acid and alkali eat them: only when there is nothing else. */
const REACTS: readonly Vessel['material'][] = ['aluminium', 'copper', 'iron', 'galvanised', 'zinc', 'tinned'];
export const HEATED: readonly Place[] = ['heated', 'steamer', 'microwave'];
const ROOMY: readonly Place[] = ['table', 'line'];

/**
 * The best kind of vessel that fits with head room and that this session used longest ago; when none fits, the
 * biggest, so that the plan shows by how far it is too small.
 */
export function suggestVessel(
  template: Pick<StepTemplate, 'where'>,
  load: Omit<Load, 'vesselMl'>,
  vessels: readonly Vessel[],
  bathIn: string | null,
  /** Vessels of the steps before, in their order. */
  taken: readonly string[],
  /** Vessels that other sessions need about then: offered last. */
  elsewhere: ReadonlySet<string> = new Set(),
): Vessel | null {
  const { where } = template;
  if (where === 'same') return vessels.find((vessel) => vessel.id === bathIn) ?? null;
  const kinds = KINDS[where];
  // Cold work leaves the burners free; dye-only vessels come first.
  const rank = (vessel: Vessel) =>
    (elsewhere.has(vessel.id) ? TAKEN_RANK : 0) +
    (REACTS.includes(vessel.material) ? 50 : 0) +
    kinds.indexOf(vessel.kind) * 4 +
    (!HEATED.includes(where) && vessel.heatSourceId !== null ? 2 : 0) +
    (vessel.dyeOnly ? 0 : 1);
  const suited = vessels
    .filter((vessel) => kinds.includes(vessel.kind) && (!HEATED.includes(where) || vessel.heatSourceId !== null))
    .sort((a, b) => rank(a) - rank(b) || (a.litres ?? 0) - (b.litres ?? 0));
  if (ROOMY.includes(where)) return suited[0] ?? null;
  const fits = suited.filter((vessel) => {
    if (vessel.litres === null) return false;
    const fit = fitVessel({ ...load, vesselMl: vessel.litres * 1000 });
    return fit === null || fit.fillPct <= COMFORTABLE_PCT;
  });
  // Used longest ago, or never: so that an extraction need not wait for the mordant's pot.
  const [free] = fits.toSorted((a, b) => rank(a) - rank(b) || taken.lastIndexOf(a.id) - taken.lastIndexOf(b.id));
  return free ?? suited.toSorted((a, b) => (b.litres ?? 0) - (a.litres ?? 0))[0] ?? null;
}
