import { fitVessel, type Load } from '../dose/fit';
import { VESSEL_WORD, type Vessel, type VesselKind } from '../kitchen/vessel';
import type { StepTemplate } from '../method/method';
import { COMFORTABLE_PCT, HEATED, KINDS } from './suggestVessel';

/** How the ids of such vessels begin. */
export const NEEDED = 'needed:';
/** Sizes that are sold, L. */
const SIZES = [0.3, 0.5, 1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100];
const LARGEST_CUP_L = 0.5;
/** Where the load is unknown: what most home dyers have (common practice, no source). */
const USUAL_L: Readonly<Record<VesselKind, number | null>> = { pot: 8, pail: 10, jar: 2, tray: 6, steamer: 8, pressure: 6, cup: 0.3, table: null, line: null };
const USUAL_MATERIAL: Readonly<Record<VesselKind, Vessel['material']>> = {
  pot: 'stainless',
  pail: 'plastic',
  jar: 'glass',
  tray: 'stainless',
  steamer: 'stainless',
  pressure: 'stainless',
  cup: 'ceramic',
  table: 'wood',
  line: 'wood',
};

/** A vessel that a plan needs and the kitchen lacks. It stands in, so that all the figures are there before the pot is. */
export const isNeeded = (vessel: Pick<Vessel, 'id'>): boolean => vessel.id.startsWith(NEEDED);

/** The vessel that a step would want, big enough to work in. */
export function neededVessel(template: Pick<StepTemplate, 'where'>, load: Omit<Load, 'vesselMl'>, heatSourceIds: readonly string[]): Vessel {
  const enough = SIZES.find((litres) => {
    const fit = fitVessel({ ...load, vesselMl: litres * 1000 });
    return fit !== null && fit.fillPct <= COMFORTABLE_PCT;
  });
  const kind = KINDS[template.where].find((one) => one !== 'cup' || (enough ?? 0) <= LARGEST_CUP_L) ?? 'pot';
  const litres = USUAL_L[kind] === null ? null : (enough ?? USUAL_L[kind]);
  const heated = HEATED.includes(template.where);
  return {
    id: `${NEEDED}${kind}-${litres ?? 0}${heated ? '-heat' : ''}`,
    name: capital(VESSEL_WORD[kind]),
    kind,
    litres,
    material: USUAL_MATERIAL[kind],
    heatProof: false,
    heatSourceId: heated ? (heatSourceIds[0] ?? null) : null,
    probeId: null,
    dyeOnly: true,
    order: 1000,
    revision: 0,
  };
}

const capital = (word: string): string => `${word.charAt(0).toUpperCase()}${word.slice(1)}`;
/** "pot of 8 L" */
export const neededText = ({ kind, litres }: Pick<Vessel, 'kind' | 'litres'>): string => `${VESSEL_WORD[kind]}${litres === null ? '' : ` of ${litres} L`}`;
