import { expectedHex, UNDYED_HEX } from '../colour/expected';
import { liquorVolume, perLitre, plantForRatio, wofDose } from '../dose/dose';
import { fitVessel } from '../dose/fit';
import { dyeableShare, type Lot } from '../fibre/lot';
import { knownValue, sumFigures } from '../figure';
import { methodById } from '../method/library';
import { type AdditionRule, type Method, resolveRef, type StepTemplate } from '../method/method';
import { rankFindings } from '../safety/finding';
import { absences, homeWindows, type Window } from '../schedule/diary';
import { forwardPass } from '../schedule/forward';
import type { Scheduler, Segment, Task } from '../schedule/problem';
import { substanceName } from '../shelf/substances';
import { stepFindings } from './findings';
import {
  amountOf,
  type ChainItem,
  type Draft,
  type Home,
  isHeated,
  type Phase,
  type Plan,
  type PlanLot,
  type PlannedAmount,
  type PlanProblem,
  type PlanStep,
  type Vessel,
} from './plan';
import { resolvePhases } from './resolvePhases';
import { suggestVessel } from './suggestVessel';

export interface PlanInput {
  readonly draft: Draft;
  readonly lots: readonly Lot[];
  readonly vessels: readonly Vessel[];
  readonly home: Home;
  /** Steps that already happened or run: they keep their times, the rest is placed at or after `nowMs`. */
  readonly fixed?: Readonly<Record<string, { startMs: number; endMs: number; segments: readonly Window[] }>>;
  readonly nowMs?: number;
  readonly scheduler?: Scheduler;
}

export interface PlanHead {
  readonly sessionId: string;
  readonly version: number;
  readonly reason: string;
  readonly createdAtMs: number;
}

export interface BuiltPlan {
  readonly plan: Plan | null;
  readonly problems: readonly PlanProblem[];
}

const HORIZON_MS = 42 * 86_400_000;

/** Everything a plan is, worked out from what was asked for: quantities, vessels, times, cautions. */
export function buildPlan(input: PlanInput, head: PlanHead): BuiltPlan {
  const { draft, home } = input;
  const problems: PlanProblem[] = [];
  const lots = draft.lotIds.map((id) => input.lots.find((lot) => lot.id === id)).filter((lot) => lot !== undefined);
  if (lots.length === 0) problems.push({ at: 'lotIds', message: 'Choose at least one lot of fibre.' });
  if (draft.chain.length === 0) problems.push({ at: 'chain', message: 'Add at least one step.' });
  const sketches = sketchSteps(draft, lots, input, problems);
  if (problems.length > 0) return { plan: null, problems };

  const horizonMs = draft.startMs + HORIZON_MS;
  const windows = homeWindows(home.diary, draft.startMs - 86_400_000, horizonMs);
  const schedule = (input.scheduler ?? forwardPass)({
    tasks: sketches.map((sketch) => toTask(sketch, sketches, input)),
    home: windows,
    startMs: draft.startMs,
    horizonMs,
  });
  if (schedule.kind === 'infeasible') {
    const title = sketches.find((sketch) => sketch.id === schedule.taskId)?.title ?? 'A step';
    return { plan: null, problems: [{ at: `steps.${schedule.taskId}`, message: `${title} cannot be placed. ${schedule.reason}` }] };
  }
  const away = absences(windows, draft.startMs - 3_600_000, horizonMs);
  const steps = sketches.map((sketch): PlanStep => {
    const placed = schedule.placed.find((p) => p.taskId === sketch.id);
    if (!placed) throw new Error(`schedule lost step ${sketch.id}`);
    const { bath: _bath, vessel, after, keepsVesselFor: _kept, ...rest } = sketch;
    const step = {
      ...rest,
      after: after.map((link) => link.taskId),
      vesselId: vessel?.id ?? null,
      startMs: placed.startMs,
      endMs: placed.endMs,
      phaseTimes: placed.segments,
      whyNotEarlier: placed.whyNotEarlier,
    };
    return { ...step, findings: stepFindings(step, vessel, lots, home, away, draft.reasons[step.id]) };
  });
  const endMs = Math.max(...steps.map((step) => step.endMs));
  const plan: Plan = {
    ...head,
    name: draft.name.trim(),
    draft,
    home,
    steps,
    boundMs: schedule.boundMs,
    lots: lots.map((lot) => planLot(lot, sketches)),
    vessels: input.vessels.filter((vessel) => steps.some((step) => step.vesselId === vessel.id)).sort((a, b) => a.order - b.order),
    absences: away.filter((gap) => gap.fromMs < endMs).map((gap) => ({ fromMs: gap.fromMs, toMs: Math.min(gap.toMs, endMs + 43_200_000) })),
    findings: rankFindings(steps.flatMap((step) => step.findings)),
  };
  return { plan, problems };
}

/** A bath while the chain is walked: what is in it and which step touched it last. */
interface Bath {
  lastStepId: string;
  vesselId: string | null;
  waterMl: number | null;
  plantG: number | null;
  dyestuffId: string | null;
}

/** Where the walk along the chain stands. */
interface Whereabouts {
  /** The dye liquor made last. */
  liquor: Bath | null;
  /** The bath the lots were last in. */
  lotBath: Bath | null;
  lotStepId: string | null;
}

interface Sketch extends Omit<PlanStep, 'startMs' | 'endMs' | 'phaseTimes' | 'whyNotEarlier' | 'after' | 'findings' | 'vesselId'> {
  readonly bath: Bath | null;
  readonly vessel: Vessel | null;
  readonly after: Task['after'];
  keepsVesselFor: string | null;
}

function sketchSteps(draft: Draft, lots: readonly Lot[], input: PlanInput, problems: PlanProblem[]): Sketch[] {
  const sketches: Sketch[] = [];
  const dryG = knownValue(sumFigures(lots.map((lot) => lot.dryWeightG)));
  const at: Whereabouts = { liquor: null, lotBath: null, lotStepId: null };
  for (const item of draft.chain) {
    const method = methodById(item.methodId);
    if (!method) {
      problems.push({ at: `chain.${item.id}`, message: 'This method is not in the library.' });
      continue;
    }
    for (const template of method.steps) {
      const id = `${item.id}-${template.key}`;
      const kept: Bath | null = template.lots === 'in' && template.liquor === 'keeps' ? at.lotBath : at.liquor;
      if ((template.liquor === 'keeps' || template.liquor === 'uses') && !kept) {
        problems.push({ at: `chain.${item.id}`, message: `${template.title} needs a bath: add an extraction before it.` });
        continue;
      }
      const continues: Bath | null = template.liquor === 'keeps' || template.liquor === 'uses' ? kept : null;
      const params = paramsOf(method, item);
      const overrule = (key: string): number | null => draft.overrules[`${id}/${key}`] ?? null;
      const water = waterOf(template, params, dryG, overrule('water'));
      const waterMl: number | null = continues ? continues.waterMl : water ? amountOf(water) : null;
      const additions = template.additions.map((rule) => additionOf(rule, item, params, dryG, waterMl, overrule(rule.id)));
      const plant = additions.find((addition) => addition.id === 'dyestuff');
      const plantG: number | null = template.kind === 'strain' ? 0 : plant ? amountOf(plant) : (continues?.plantG ?? 0);
      const inVesselG = template.lots === 'in' ? dryG : 0;
      const chosen = draft.vessels[id];
      const vessel: Vessel | null = chosen
        ? (input.vessels.find((v) => v.id === chosen) ?? null)
        : suggestVessel(
            template,
            { waterMl, dryFibreG: inVesselG, plantG },
            input.vessels,
            continues?.vesselId ?? null,
            sketches.map((s) => s.vessel?.id ?? ''),
          );
      if (!vessel)
        problems.push({
          at: `steps.${id}`,
          message: chosen
            ? `The vessel chosen for ${template.title} is not in the kitchen.`
            : `No vessel in the kitchen suits ${template.title}. Add one on the shelf.`,
        });
      const phases = resolvePhases(template.phases, {
        params,
        waterMl,
        vessel,
        liquorStartsWarm: template.liquor === 'uses',
        maxW: input.home.heatSources.find((source) => source.id === vessel?.heatSourceId)?.maxW ?? null,
        boilC: 100,
      }).map((phase) => (phase.kind === 'hold' && phase.flipAtMin !== null && !flipNeeded(inVesselG) ? { ...phase, flipAtMin: null } : phase));
      if (vessel && phases.some(isHeated) && vessel.heatSourceId === null) {
        problems.push({ at: `steps.${id}`, message: `${template.title} needs heat, and ${vessel.name} stands on none. Choose another vessel.` });
      }
      const bath: Bath | null =
        template.liquor === 'none'
          ? null
          : { lastStepId: id, vesselId: vessel?.id ?? null, waterMl, plantG, dyestuffId: item.dyestuffId ?? continues?.dyestuffId ?? null };
      const after = [
        ...(template.lots === 'in' && at.lotStepId ? [{ taskId: at.lotStepId, minLagMin: 0, maxLagMin: template.kind === 'rest' ? 0 : null }] : []),
        ...(continues && continues.lastStepId !== at.lotStepId ? [{ taskId: continues.lastStepId, minLagMin: 0, maxLagMin: null }] : []),
      ];
      // The bath waits in its vessel for the step that goes on with it; so do goods that rest where they were.
      for (const earlier of sketches) if (continues && earlier.id === continues.lastStepId) earlier.keepsVesselFor = id;
      sketches.push({
        id,
        methodId: method.id,
        methodVersion: method.version,
        kind: template.kind,
        title: titleOf(template, bath?.dyestuffId ?? null),
        school: method.school,
        why: method.why,
        lotIds: template.lots === 'in' ? lots.map((lot) => lot.id) : [],
        dyestuffId: bath?.dyestuffId ?? null,
        water,
        additions,
        fit: vessel?.litres
          ? fitVessel({ waterMl: template.liquor === 'none' ? 0 : waterMl, dryFibreG: inVesselG, plantG, vesselMl: vessel.litres * 1000 })
          : null,
        phases,
        lookFor: template.lookFor,
        treatment: template.treatment,
        bath,
        vessel,
        after,
        keepsVesselFor: null,
      });
      if (template.liquor === 'makes') at.liquor = bath;
      else if (continues && continues === at.liquor) at.liquor = bath;
      if (template.lots === 'in') {
        at.lotStepId = id;
        at.lotBath = bath;
      }
    }
  }
  return sketches;
}

/** Turning the load half way is for more than a pound of dry fibre (trade handbook T65). */
export const flipNeeded = (dryG: number | null): boolean => dryG === null || dryG > 454;

const paramsOf = (method: Method, item: ChainItem): Record<string, number | null> =>
  Object.fromEntries(method.params.map((param) => [param.key, item.params[param.key] === undefined ? param.usual : (item.params[param.key] ?? null)]));

const titleOf = (template: StepTemplate, dyestuffId: string | null): string =>
  (template.kind === 'extract' || template.kind === 'dye') && dyestuffId ? `${template.title}, ${substanceName(dyestuffId)}` : template.title;

function waterOf(template: StepTemplate, params: Record<string, number | null>, dryG: number | null, overruled: number | null): PlannedAmount | null {
  if (template.waterMlPerG === null) return null;
  const ratio = resolveRef(template.waterMlPerG, params);
  return { id: 'water', substance: 'water', name: 'water', unit: 'mL', proposed: liquorVolume(dryG, ratio), overruled, perDryG: ratio };
}

function additionOf(
  rule: AdditionRule,
  item: ChainItem,
  params: Record<string, number | null>,
  dryG: number | null,
  waterMl: number | null,
  overruled: number | null,
): PlannedAmount {
  const substance = rule.rule === 'ratio' ? (item.dyestuffId ?? 'unknownPlant') : rule.substance;
  const base = { id: rule.id, substance, name: substanceName(substance), overruled };
  switch (rule.rule) {
    case 'wofPct': {
      const pct = resolveRef(rule.pct, params);
      return { ...base, unit: 'g', proposed: wofDose(dryG, pct), perDryG: pct === null ? null : pct / 100 };
    }
    case 'ratio': {
      const ratio = resolveRef(rule.ratio, params);
      return { ...base, unit: 'g', proposed: plantForRatio(dryG, ratio), perDryG: ratio };
    }
    case 'mLPerL':
      return { ...base, unit: 'mL', proposed: perLitre(waterMl, resolveRef(rule.dose, params)), perDryG: null };
  }
}

function toTask(sketch: Sketch, all: readonly Sketch[], input: PlanInput): Task {
  const isLine = sketch.vessel?.kind === 'line';
  return {
    id: sketch.id,
    segments: sketch.phases.map(toSegment),
    vesselId: isLine ? null : (sketch.vessel?.id ?? null),
    heatSourceId: sketch.vessel?.heatSourceId ?? null,
    after: sketch.after.filter((link) => all.some((s) => s.id === link.taskId)),
    keepsVesselFor: sketch.keepsVesselFor,
    notBeforeMs: input.nowMs ?? input.draft.startMs,
    pinnedStartMs: input.draft.pins[sketch.id] ?? null,
    fixed: input.fixed?.[sketch.id] ?? null,
  };
}

function toSegment(phase: Phase): Segment {
  const exactly = (minutes: number, needs: Segment['needs'], heat: boolean): Segment => ({
    minMin: minutes,
    typicalMin: minutes,
    maxMin: minutes,
    needs,
    heat,
  });
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return exactly(phase.minutes, 'hands', false);
    case 'dip':
      return exactly(phase.exactMin, 'hands', false);
    case 'raise':
      return exactly(phase.minutes, 'watch', true);
    case 'hold':
      return exactly(phase.minutes.typical, 'watch', true);
    case 'soak':
    case 'rest':
      return { minMin: phase.minutes.min, typicalMin: phase.minutes.typical, maxMin: phase.minutes.max, needs: 'nobody', heat: false };
  }
}

function planLot(lot: Lot, sketches: readonly Sketch[]): PlanLot {
  const { id, name, form, composition, dryWeightG, baseHex } = lot;
  const after: Record<string, string> = {};
  let hex = baseHex ?? UNDYED_HEX;
  for (const sketch of sketches) {
    if (!sketch.lotIds.includes(id) || (sketch.kind !== 'dye' && sketch.kind !== 'iron')) continue;
    hex = expectedHex(hex, sketch.kind, sketch.dyestuffId);
    after[sketch.id] = hex;
  }
  return { id, name, form, composition, dryWeightG, baseHex, expectedHex: after };
}

/** How much of the lots' weight takes dye, in words for a blend; null when all of it does or nobody knows. */
export function blendNote(lots: readonly Pick<Lot, 'name' | 'composition'>[]): string | null {
  const partial = lots.filter((lot) => {
    const share = dyeableShare(lot.composition);
    return share !== null && share < 1;
  });
  return partial.length === 0
    ? null
    : `${partial.map((lot) => lot.name).join(', ')}: only ${partial.map((lot) => `${Math.round((dyeableShare(lot.composition) ?? 1) * 100)} %`).join(', ')} of the weight takes dye. Doses here count the whole weight.`;
}
