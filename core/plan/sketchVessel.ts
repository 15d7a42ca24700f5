import { fitVessel, type Load } from '../dose/fit';
import { isOfMetal, type Vessel } from '../kitchen/vessel';
import { above } from '../measure/limits';
import type { StepTemplate } from '../method/method';
import { isNeeded, NEEDED, neededVessel } from './neededVessel';
import type { PlanProblem } from './plan';
import type { Sketch, SketchInput } from './sketched';
import { suggestVessel } from './suggestVessel';
import type { Bath } from './whichBath';

/** What stands in a microwave, if it can take the load at all; else all there is, since a pot on a ring does it too. */
function inMicrowave(vessels: readonly Vessel[], microwaves: ReadonlySet<string>, load: Omit<Load, 'vesselMl'>): readonly Vessel[] {
  const inside = vessels.filter(({ heatSourceId, material }) => heatSourceId !== null && microwaves.has(heatSourceId) && !isOfMetal(material));
  return inside.some(({ litres }) => litres !== null && !above(fitVessel({ ...load, vesselMl: litres * 1000 })?.fillPct ?? 0, 100)) ? inside : vessels;
}

/** The vessel of a step: the one chosen, the one its bath or goods are in, one that suits, or one that the kitchen lacks. */
export function vesselFor(
  id: string,
  template: StepTemplate,
  load: { waterMl: number | null; dryFibreG: number | null; plantG: number | null },
  continues: Bath | null,
  sketches: readonly Sketch[],
  input: SketchInput,
  problems: PlanProblem[],
): Vessel | null {
  const chosen = input.draft.vessels[id];
  if (chosen && !chosen.startsWith(NEEDED)) {
    const vessel = input.vessels.find((one) => one.id === chosen) ?? null;
    if (!vessel) problems.push({ at: `steps.${id}`, message: `The vessel chosen for ${template.title} is not in the kitchen.` });
    return vessel;
  }
  // What the plan needs already is one of the vessels to choose from.
  const needed = sketches.flatMap((sketch) => (sketch.vessel && isNeeded(sketch.vessel) ? [sketch.vessel] : []));
  // A liquor that stands cold is poured over into a pot where the step wants heat.
  const standsCold = (input.vessels.find((one) => one.id === continues?.vesselId)?.heatSourceId ?? null) === null;
  const wantsHeat = template.phases.some((phase) => phase.kind === 'raise' || phase.kind === 'hold');
  const place = template.where === 'same' && wantsHeat && standsCold && !continues?.vesselId?.startsWith(NEEDED) ? { where: 'heated' as const } : template;
  const microwaves = new Set(input.home.heatSources.flatMap(({ id: source, kind }) => (kind === 'microwave' ? [source] : [])));
  const offered = [...input.vessels, ...new Map(needed.map((vessel) => [vessel.id, vessel])).values()];
  const suggested = suggestVessel(
    place,
    load,
    place.where === 'microwave' ? inMicrowave(offered, microwaves, load) : offered,
    continues?.vesselId ?? null,
    sketches.map((sketch) => sketch.vessel?.id ?? ''),
    input.taken,
  );
  return suggested ?? neededVessel(place, load, [...(place.where === 'microwave' ? microwaves : []), ...input.home.heatSources.map((source) => source.id)]);
}
