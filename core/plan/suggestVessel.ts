import { fitVessel, type Load } from '../dose/fit';
import type { StepTemplate } from '../method/method';
import type { Vessel } from './plan';

/** Full enough to work, with head room: the caution of R12 starts at 75 %. */
const COMFORTABLE_PCT = 75;

/**
 * The smallest vessel that fits with head room and that this session used longest ago; when none fits, the
 * biggest, so that the plan shows by how far it is too small.
 */
export function suggestVessel(
  template: StepTemplate,
  load: Omit<Load, 'vesselMl'>,
  vessels: readonly Vessel[],
  bathIn: string | null,
  /** Vessels of the steps before, in their order. */
  taken: readonly string[],
): Vessel | null {
  if (template.where === 'same') return vessels.find((vessel) => vessel.id === bathIn) ?? null;
  if (template.where === 'line') return vessels.find((vessel) => vessel.kind === 'line') ?? null;
  const suited = vessels
    .filter(
      (vessel) => vessel.kind !== 'line' && vessel.litres !== null && (template.where === 'heated' ? vessel.heatSourceId !== null : vessel.kind !== 'jar'),
    )
    .sort((a, b) => rank(a, template) - rank(b, template) || (a.litres ?? 0) - (b.litres ?? 0));
  const fits = suited.filter((vessel) => {
    const fit = fitVessel({ ...load, vesselMl: (vessel.litres ?? 0) * 1000 });
    return fit === null || fit.fillPct <= COMFORTABLE_PCT;
  });
  // Used longest ago, or never: so that an extraction need not wait for the mordant's pot.
  const [free] = fits.toSorted((a, b) => rank(a, template) - rank(b, template) || taken.lastIndexOf(a.id) - taken.lastIndexOf(b.id));
  return free ?? suited.toSorted((a, b) => (b.litres ?? 0) - (a.litres ?? 0))[0] ?? null;
}

/** Cold work belongs in a pail, so that the pots stay free for heat; dye-only vessels come first. */
const rank = (vessel: Vessel, template: StepTemplate): number => (template.where === 'any' && vessel.heatSourceId !== null ? 2 : 0) + (vessel.dyeOnly ? 0 : 1);
