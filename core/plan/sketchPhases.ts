import type { Lot } from '../fibre/lot';
import type { Known } from '../figure';
import { potOn } from '../heat/learnPot';
import { wattUnder } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { StepTemplate } from '../method/method';
import { isHeated, type Phase } from './phase';
import type { PlannedAmount } from './plan';
import { resolvePhases } from './resolvePhases';
import type { Sketch, SketchInput } from './sketched';

/** Turning the load half way is for more than a pound of dry fibre (trade handbook T65). */
export const flipNeeded = (dryG: number | null): boolean => dryG === null || dryG > 454;

/** The phases of a step in this pot, with a test strip before them where somebody wants one. */
export function phasesOf(
  template: StepTemplate,
  at: {
    params: Record<string, Known>;
    typed: ReadonlySet<string>;
    startsAtC: number | null;
    waterMl: number | null;
    vessel: Vessel | null;
    inVesselG: number | null;
    lots: readonly Lot[];
    boilC: number;
    id: string;
  },
  input: SketchInput,
): Phase[] {
  const resolved = resolvePhases(template.phases, {
    params: at.params,
    typed: at.typed,
    waterMl: at.waterMl,
    vessel: at.vessel,
    liquorStartsWarm: template.liquor === 'uses',
    startsAtC: at.startsAtC,
    maxW: wattUnder(input.home, at.vessel),
    learnt: potOn(input.pots ?? [], at.vessel),
    boilC: at.boilC,
  }).map((phase) =>
    phase.kind === 'hold' && phase.flipAtMin !== null && template.kind !== 'bundle' && !flipNeeded(at.inVesselG) ? { ...phase, flipAtMin: null } : phase,
  );
  const strips = template.treatment === 'dye' ? at.lots.filter((lot) => input.draft.answers?.[lot.id] === 'testStrip') : [];
  if (strips.length === 0) return resolved;
  const act = `Test strip: a snippet of ${strips.map((lot) => lot.name).join(', ')} beside a mordanted one in the warm bath. Pale means not mordanted: mordant it first`;
  return [{ kind: 'charge', minutes: 15, act }, ...resolved];
}

/** A test strip comes before everything: what goes in later goes in one phase later. */
export const atNextPhase = (addition: PlannedAmount): PlannedAmount => (addition.phase === undefined ? addition : { ...addition, phase: addition.phase + 1 });

/** Heat goes off and goods come out by an act of their own, at the hold’s end, not when some later step remembers. */
export function closingPhases(sketch: Sketch, later: readonly Sketch[]): Phase[] {
  const last = sketch.phases.at(-1);
  if (!last || !isHeated(last)) return [];
  const next = later.find((one) => (sketch.lotIds.length > 0 ? one.lotIds.some((id) => sketch.lotIds.includes(id)) : one.bathId === sketch.bathId));
  const staysIn = next !== undefined && next.bathId === sketch.bathId;
  // Steam stands under a lid for a while after the heat is off (safety handbook R18).
  const lid = sketch.lid === 'none' ? '' : 'Tip the lid away from you, sleeves down. ';
  if (sketch.lotIds.length > 0 && !staysIn) return [{ kind: 'lift', minutes: 5, act: `Heat off. ${lid}Lift the goods out, let them drip` }];
  // A rest begins by switching off.
  return next?.kind === 'rest' && staysIn ? [] : [{ kind: 'lift', minutes: 1, act: 'Heat off and unplugged' }];
}
