import { fitVessel } from '../dose/fit';
import { hasWool, type Lot } from '../fibre/lot';
import { type Known, knownOf, mostOf, sumFigures, sumKnown, timesKnown } from '../figure';
import { boilingC } from '../heat/boiling';
import { steamerDryMin, steamerLookMin } from '../heat/steamer';
import { wattUnder } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { Liquor } from '../liquor/liquor';
import type { MethodBook } from '../method/library';
import type { StepTemplate } from '../method/method';
import type { Task } from '../schedule/problem';
import type { Shelf } from '../shelf/lookup';
import { additionAmount, asSaid, bathAmount, drawnAmount, extraAmount, isPlantRule, morePlantAmount, paramsOf, typedIn, UNKNOWN_PLANT } from './amounts';
import { doseWeight } from './blend';
import type { ChainItem } from './draft';
import { isNeeded } from './neededVessel';
import { COOL_MIN, endsHotC, isHeated } from './phase';
import { tapOf, tapPhOf, templateBathC } from './phGiven';
import { type PlannedAmount, type PlanProblem, plannedKnown } from './plan';
import { LOOK_EARLY_MIN } from './questions';
import { phAimOf } from './resolveAim';
import type { Sketch, SketchInput } from './sketched';
import { atNextPhase, closingPhases, phasesOf } from './sketchPhases';
import { vesselFor } from './sketchVessel';
import { type Bath, bathFor, commonBath, noBathText, type Whereabouts } from './whichBath';

/** Walks the chain once: amounts, vessels, phases, and which step waits for which. */
export function sketchSteps(input: SketchInput, problems: PlanProblem[]): Sketch[] {
  const sketches: Sketch[] = [];
  const at: Whereabouts = { liquor: null, baths: new Map(), strained: new Set(), used: new Set(), lots: new Map() };
  const boilC = boilingC(input.home.altitudeM);
  for (const item of input.draft.chain) {
    const method = input.methods.find(item.methodId, item.methodVersion);
    if (!method) {
      problems.push({ at: `chain.${item.id}`, message: 'This method is not in the library.' });
      continue;
    }
    const lots = item.lotIds ? input.lots.filter((lot) => item.lotIds?.includes(lot.id)) : input.lots;
    if (lots.length === 0) {
      problems.push({ at: `chain.${item.id}`, message: `${method.name} is for no lot of this session. Choose at least one.` });
      continue;
    }
    for (const template of method.steps) {
      const sketch = sketchStep(template, method, item, lots, at, sketches, input, boilC, problems);
      if (sketch) sketches.push(sketch);
    }
  }
  return sketches.map((sketch, i) => ({ ...sketch, phases: [...sketch.phases, ...closingPhases(sketch, sketches.slice(i + 1))] }));
}

function sketchStep(
  template: StepTemplate,
  method: NonNullable<ReturnType<MethodBook['find']>>,
  item: ChainItem,
  lots: readonly Lot[],
  at: Whereabouts,
  sketches: Sketch[],
  input: SketchInput,
  boilC: number,
  problems: PlanProblem[],
): Sketch | null {
  const { draft, shelf } = input;
  const id = `${item.id}-${template.key}`;
  const inIt = template.lots === 'in';
  const part = inIt ? (item.part ?? null) : null;
  const wantsBath = template.liquor === 'keeps' || template.liquor === 'uses';
  const kept: Bath | null = inIt && template.liquor === 'keeps' ? commonBath(lots, at) : wantsBath ? bathFor(id, template, item, at) : null;
  if (wantsBath && !kept) {
    problems.push({ at: `chain.${item.id}`, message: noBathText(template, item, draft, input.methods) });
    return null;
  }
  const liquor = template.liquor === 'brings' ? input.liquors.find((one) => one.id === item.liquorId) : undefined;
  if (template.liquor === 'brings' && !liquor) {
    problems.push({ at: `chain.${item.id}`, message: 'Choose which kept liquor to bring out.' });
    return null;
  }
  const continues = wantsBath ? kept : null;
  const own = [item.dyestuffId, ...(item.morePlants ?? []).map((plant) => plant.dyestuffId)].filter((one) => one !== null);
  const dyestuffIds = own.length > 0 ? own : liquor?.dyestuffId ? [liquor.dyestuffId] : (continues?.dyestuffIds ?? []);
  const dyestuffId = dyestuffIds[0] ?? null;
  const params = paramsOf(
    method,
    item,
    dyestuffIds.flatMap((one) => shelf.dyestuff(one) ?? []),
  );
  const overrule = (key: string): Known => draft.overrules[`${id}/${key}`] ?? null;
  const share = part ? (part.sharePct === null ? null : part.sharePct / 100) : 1;
  const dryG = share === null ? null : timesKnown(knownOf(sumFigures(lots.map((lot) => lot.dryWeightG))), share);
  const doseG = share === null ? null : timesKnown(doseWeight(lots, draft.doseOf), share);
  const base = {
    params,
    doseG,
    doseOf: draft.doseOf,
    dryG,
    pieces: lots.reduce((sum, lot) => sum + lot.pieces, 0),
    dyestuffId,
    form: method.form,
    labels: { ...input.labels, ...draft.labels },
    shelf,
    phAim: phAimOf(template.phAim, params).phAim ?? null,
    alkalinityMgL: tapOf(input.home).band,
    tapPh: tapPhOf(input.home),
    tempC: templateBathC(template.phases, params),
  };
  const water = liquor ? drawnAmount(liquor, overrule('water')) : bathAmount(template.bath, template, base, overrule('water'));
  const bathKnown = continues ? continues.waterMl : water ? plannedKnown(water) : template.liquor === 'none' ? 0 : null;
  const additions = template.additions.flatMap((rule) => {
    const whole = { ...base, waterMl: bathKnown };
    const amounts = [additionAmount(rule, whole, overrule(rule.id))];
    if (!isPlantRule(rule)) return amounts;
    amounts.push(...(item.morePlants ?? []).map((plant) => morePlantAmount(plant, rule, whole, overrule(plant.id))));
    return amounts.map((amount) => asSaid(amount, draft.plantAmounts?.[`${id}/${amount.id}`], item.plantDetails?.[amount.id], doseG));
  });
  for (const extra of draft.extras?.[id] ?? []) {
    const amount = extraAmount(extra, { ...base, waterMl: bathKnown }, overrule(extra.id));
    additions.push(shelf.dyestuff(extra.substance) ? asSaid(amount, draft.plantAmounts?.[`${id}/${extra.id}`], item.plantDetails?.[extra.id], doseG) : amount);
  }
  // A pot must hold the most of it, with what is poured in later, and a burner heat that.
  const later = additions.filter((addition) => addition.substance === 'water').map(plannedKnown);
  const waterMl = mostOf(sumKnown([bathKnown, ...later]));
  const plants = additions.filter((addition) => addition.substance === UNKNOWN_PLANT || shelf.dyestuff(addition.substance));
  const plantG = template.kind === 'strain' ? 0 : plants.length > 0 ? roomOf(plants) : (continues?.plantG ?? 0);
  const inVesselG = inIt ? mostOf(dryG) : 0;
  const vessel = vesselFor(id, template, { waterMl, dryFibreG: inVesselG, plantG }, continues, sketches, input, problems);
  const hasStrip = template.treatment === 'dye' && lots.some((lot) => draft.answers?.[lot.id] === 'testStrip');
  const startsAtC = continues && template.kind !== 'strain' ? leftHotC(continues, sketches) : null;
  const phases = phasesOf(template, { params, typed: typedIn(item), startsAtC, waterMl, vessel, inVesselG, lots, boilC, id }, input);
  if (vessel && !isNeeded(vessel) && phases.some(isHeated) && vessel.heatSourceId === null) {
    problems.push({ at: `steps.${id}`, message: `${template.title} needs heat, and ${vessel.name} stands on none. Choose another vessel.` });
  }
  const bath: Bath | null =
    template.liquor === 'none'
      ? null
      : {
          id: continues?.id ?? id,
          itemId: continues?.itemId ?? item.id,
          lastStepIds: [id],
          pouredFrom: continues?.pouredFrom ?? [],
          vesselId: vessel?.id ?? null,
          waterMl,
          plantG,
          dyestuffIds,
          liquorId: liquor?.id ?? continues?.liquorId ?? null,
        };
  const coolFirstMin = coolingMin(template, lots, at, continues, inIt, sketches);
  const after = linksOf(template, lots, at, continues, inIt, coolFirstMin);
  // The bath waits in its vessel for the step that goes on with it; so do goods that rest where they were.
  for (const earlier of sketches) if (continues?.lastStepIds.includes(earlier.id)) earlier.keepsVesselFor = id;
  if (bath && (template.liquor === 'makes' || template.liquor === 'brings' || template.liquor === 'uses' || at.baths.has(bath.id))) {
    for (const poured of bath.pouredFrom) at.baths.delete(poured);
    at.baths.set(bath.id, bath);
    at.liquor = bath;
    if (template.kind === 'strain') at.strained.add(bath.id);
    if (inIt) for (const used of [bath.id, ...bath.pouredFrom]) at.used.add(used);
  }
  if (inIt) for (const lot of lots) at.lots.set(lot.id, { bath, stepId: id });
  return {
    id,
    methodId: method.id,
    methodVersion: method.version,
    kind: template.kind,
    title: titleOf(template, dyestuffIds, shelf, part?.label ?? null, liquor),
    school: method.school,
    why: method.why,
    lotIds: inIt ? lots.map((lot) => lot.id) : [],
    sizedBy: lots.map((lot) => lot.id),
    part,
    dyestuffId: bath ? (bath.dyestuffIds[0] ?? null) : template.treatment === 'dye' ? dyestuffId : null,
    ...((bath?.dyestuffIds ?? dyestuffIds).length > 1 ? { dyestuffIds: bath?.dyestuffIds ?? dyestuffIds } : {}),
    liquorId: bath?.liquorId ?? null,
    bathId: bath?.id ?? null,
    ...(bath && bath.pouredFrom.length > 0 ? { pouredFrom: bath.pouredFrom } : {}),
    coolFirstMin,
    lid: draft.lids?.[id] ?? template.lid,
    water,
    additions: hasStrip ? additions.map(atNextPhase) : additions,
    fit: vessel?.litres ? fitVessel({ waterMl, dryFibreG: inVesselG, plantG, vesselMl: vessel.litres * 1000 }) : null,
    phases,
    ...(isSteamed(template, vessel) && phases.some(isHeated) ? { lookInMin: steamerLookMin(steamerDryMin(waterMl, wattUnder(input.home, vessel))) } : {}),
    lookFor: template.lookFor,
    ...phAimOf(template.phAim, params),
    lookAtMin: inIt && template.treatment === 'dye' && lots.some((lot) => draft.answers?.[lot.id] === 'lookEarly') ? LOOK_EARLY_MIN : null,
    treatment: template.treatment,
    cautions: method.cautions,
    vessel,
    startsWarm: template.liquor === 'uses',
    startsAtC,
    still: template.still,
    after,
    keepsVesselFor: null,
  };
}

/** Wool that comes hot from one bath cools in the air before it meets another, min; 0 where it need not. */
function coolingMin(template: StepTemplate, lots: readonly Lot[], at: Whereabouts, continues: Bath | null, inIt: boolean, sketches: readonly Sketch[]): number {
  if (!inIt || template.liquor === 'none') return 0;
  const hot = lots.some((lot) => {
    const was = at.lots.get(lot.id);
    if (!was || !hasWool(lot.composition) || (continues && was.bath?.id === continues.id)) return false;
    const before = sketches.find((sketch) => sketch.id === was.stepId);
    return before !== undefined && endsHotC(before.phases) !== null;
  });
  return hot ? COOL_MIN : 0;
}

function linksOf(template: StepTemplate, lots: readonly Lot[], at: Whereabouts, continues: Bath | null, inIt: boolean, coolFirstMin: number): Task['after'] {
  const last = inIt ? [...new Set(lots.flatMap((lot) => at.lots.get(lot.id)?.stepId ?? []))] : [];
  const links: { taskId: string; minLagMin: number; maxLagMin: number | null }[] = last.map((taskId) => ({
    taskId,
    minLagMin: coolFirstMin,
    maxLagMin: template.kind === 'rest' && last.length === 1 ? 0 : null,
  }));
  for (const stepId of continues?.lastStepIds ?? []) if (!last.includes(stepId)) links.push({ taskId: stepId, minLagMin: 0, maxLagMin: null });
  return links;
}

const isSteamed = (template: Pick<StepTemplate, 'kind'>, vessel: Vessel | null): boolean => template.kind === 'bundle' || vessel?.kind === 'steamer';

/** Room that plants take, mL: a gram about a millilitre, a volume at most its own; null while a handful is among them. */
function roomOf(plants: readonly PlannedAmount[]): number | null {
  return plants.reduce<number | null>((sum, plant) => {
    // Bags of tea take next to nothing.
    const room = plant.unit === 'piece' ? 0 : plant.unit === 'handful' ? null : mostOf(plannedKnown(plant));
    return sum === null || room === null ? null : sum + room;
  }, 0);
}

function titleOf(template: StepTemplate, dyestuffIds: readonly string[], shelf: Shelf, part: string | null, liquor: Liquor | undefined): string {
  if (liquor) return `${template.title}, ${liquor.name}`;
  const [first, second, ...more] = dyestuffIds.map((one) => shelf.nameOf(one));
  const named = (template.kind === 'extract' || template.treatment === 'dye') && first && template.liquor !== 'own';
  const plants = `${first}${second ? ` and ${more.length > 0 ? `${more.length + 1} more` : second}` : ''}`;
  return `${template.title}${named ? `, ${plants}` : ''}${part ? ` (${part})` : ''}`;
}

/** How hot the last step left a bath, °C: what follows at once finds it so. Straining and a rest cool it. */
function leftHotC({ lastStepIds }: Bath, sketches: readonly Sketch[]): number | null {
  const last = sketches.findLast(({ id }) => lastStepIds.includes(id));
  return last && last.kind !== 'strain' ? endsHotC(last.phases) : null;
}
