import { NO_PAST, type Past } from '../bath/past';
import { expectedHex } from '../colour/expected';
import { UNDYED_HEX } from '../colour/undyed';
import type { Lot } from '../fibre/lot';
import type { Certainty } from '../fibre/passport';
import type { KnownPot } from '../heat/learnPot';
import type { Home } from '../kitchen/home';
import { holdsMany, type Vessel } from '../kitchen/vessel';
import type { Liquor } from '../liquor/liquor';
import { LIBRARY, type MethodBook } from '../method/library';
import { unreachable } from '../result';
import { rankFindings } from '../safety/finding';
import { circuitFinding } from '../safety/rules/all';
import { absences, homeWindows, type Window } from '../schedule/diary';
import { LOOK_BACK_DAYS, planInTime } from '../schedule/inTime';
import { bestOrder } from '../schedule/orders';
import type { Scheduler, Segment, Task } from '../schedule/problem';
import { NO_OWN, type OwnSubstances, shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import { type OwnDye, ownDyeOf } from '../swatch/ownDyes';
import type { Draft } from './draft';
import { planFindings } from './findings';
import { savingOf } from './flexed';
import { isNeeded } from './neededVessel';
import { isHeated, isWait, type Phase } from './phase';
import type { Plan, PlanLot, PlanProblem, PlanStep } from './plan';
import { mordantQuestions } from './questions';
import { sketchSteps } from './sketch';
import type { Sketch } from './sketched';
import { type Stay, takenVessels } from './stays';

export interface PlanInput {
  readonly draft: Draft;
  readonly lots: readonly SeenLot[];
  readonly vessels: readonly Vessel[];
  readonly home: Home;
  /** The library and the dyer's own methods; the library alone when left out. */
  readonly methods?: MethodBook;
  readonly own?: OwnSubstances;
  /** By lot: what its passport says of a mordant. */
  readonly mordants?: Readonly<Record<string, Certainty>>;
  readonly liquors?: readonly Liquor[];
  /** By substance: the form or strength that the shelf knows of. */
  readonly labels?: Readonly<Record<string, string>>;
  /** Steps that already happened or run: they keep their times, the rest is placed at or after `nowMs`. */
  readonly fixed?: Readonly<Record<string, FixedStep>>;
  readonly nowMs?: number;
  /** What other sessions take of the kitchen. */
  readonly others?: readonly Stay[];
  readonly scheduler?: Scheduler;
  /** What dyestuffs gave here: goes before what the shelf says of them. */
  readonly ownDyes?: readonly OwnDye[];
  /** What one's own pots taught: how long they take to heat up. */
  readonly pots?: readonly KnownPot[];
  /** What other sessions left in the vessels and on the goods. */
  readonly past?: Past;
}

/** A step that has begun: when its parts were, or will be over, and how long its waits were planned when it began, min. */
export interface FixedStep {
  readonly startMs: number;
  readonly endMs: number;
  readonly segments: readonly Window[];
  readonly waitsMin: readonly (number | null)[];
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

const HORIZON_MS = 84 * 86_400_000;
/** A vessel that another session needs within a day of the start is offered last. */
const SOON_MS = 86_400_000;

/** Everything a plan is, worked out from what was asked for: quantities, vessels, times, cautions, questions. */
export function buildPlan(input: PlanInput, head: PlanHead): BuiltPlan {
  const {
    draft,
    home,
    methods = LIBRARY,
    own = NO_OWN,
    labels = {},
    liquors = [],
    mordants = {},
    others = [],
    ownDyes = [],
    pots = [],
    past = NO_PAST,
  } = input;
  const soon = { fromMs: draft.startMs, toMs: draft.startMs + SOON_MS };
  const shelf = shelfOf(own);
  const problems: PlanProblem[] = [];
  const lots = draft.lotIds.map((id) => input.lots.find((lot) => lot.id === id)).filter((lot) => lot !== undefined);
  if (lots.length === 0) problems.push({ at: 'lotIds', message: 'Choose at least one lot of fibre.' });
  for (const lot of lots) if (lot.ended) problems.push({ at: 'lotIds', message: `${lot.name} is no more: it was ${endedWord(lot)}. Choose what it became.` });
  if (draft.endByMs && draft.endByMs <= draft.startMs)
    problems.push({ at: 'endByMs', message: 'It must be over before it begins. Set its end later, or its beginning earlier.' });
  if (draft.chain.length === 0) problems.push({ at: 'chain', message: 'Add at least one step.' });
  const sketches =
    lots.length === 0
      ? []
      : sketchSteps({ draft, lots, vessels: input.vessels, home, methods, shelf, liquors, labels, pots, taken: takenVessels(others, soon) }, problems);
  if (problems.length > 0) return { plan: null, problems };

  const horizonMs = draft.startMs + HORIZON_MS;
  const windows = homeWindows(home.diary, draft.startMs - LOOK_BACK_DAYS * 86_400_000, horizonMs);
  const ids = new Set(sketches.map((sketch) => sketch.id));
  const scheduler = input.scheduler ?? bestOrder;
  const problem = { tasks: sketches.map((sketch) => toTask(sketch, ids, input)), home: windows, startMs: draft.startMs, horizonMs };
  const { schedule, inTime } = draft.endByMs ? planInTime(problem, draft.endByMs, scheduler) : { schedule: scheduler(problem), inTime: null };
  if (schedule.kind === 'infeasible') {
    const title = sketches.find((sketch) => sketch.id === schedule.taskId)?.title ?? 'A step';
    return { plan: null, problems: [{ at: `steps.${schedule.taskId}`, message: `${title} cannot be placed. ${schedule.reason}` }] };
  }
  const saving = savingOf(problem, schedule, typedWaits(sketches, input));
  const away = absences(windows, draft.startMs - 3_600_000, horizonMs);
  const placedById = new Map(schedule.placed.map((placed) => [placed.taskId, placed]));
  const unchecked = sketches.map((sketch): Omit<PlanStep, 'findings'> => {
    const placed = placedById.get(sketch.id);
    if (!placed) throw new Error(`schedule lost step ${sketch.id}`);
    const { vessel, after, keepsVesselFor: _kept, startsWarm: _warm, startsAtC: _hot, still: _still, ...rest } = sketch;
    return {
      ...rest,
      phases: rest.phases.map((phase, i) => waiting(phase, input.fixed?.[sketch.id]?.waitsMin[i] ?? minutesOf(placed.segments[i]))),
      after: after.map((link) => link.taskId),
      vesselId: vessel?.id ?? null,
      startMs: placed.startMs,
      endMs: placed.endMs,
      phaseTimes: placed.segments,
      whyNotEarlier: placed.whyNotEarlier,
    };
  });
  const questions = mordantQuestions(unchecked, lots, mordants, draft.answers ?? {}, shelf);
  const found = planFindings({
    steps: unchecked,
    sketches,
    lots,
    home,
    away,
    shelf,
    labels: { ...labels, ...draft.labels },
    reasons: draft.reasons,
    liquors,
    past,
  });
  const steps = unchecked.map((step): PlanStep => ({ ...step, findings: found.get(step.id) ?? [] }));
  const endMs = Math.max(...steps.map((step) => step.endMs));
  const used = new Set(steps.map((step) => step.vesselId));
  const plan: Plan = {
    ...head,
    name: draft.name.trim(),
    draft: { ...draft, chain: draft.chain.map((item) => ({ ...item, methodVersion: methods.find(item.methodId, item.methodVersion)?.version ?? null })) },
    home,
    steps,
    boundMs: schedule.boundMs,
    ...(inTime ? { inTime } : {}),
    ...(saving ? { saving } : {}),
    lots: lots.map((lot) => planLot(lot, lot.seenHex ?? lot.baseHex, sketches, shelf, mordants[lot.id] ?? 'unknown', ownDyes)),
    vessels: [...input.vessels.filter((vessel) => used.has(vessel.id)), ...neededOf(sketches)].sort((a, b) => a.order - b.order),
    absences: away.filter((gap) => gap.fromMs < endMs).map((gap) => ({ fromMs: gap.fromMs, toMs: Math.min(gap.toMs, endMs + 43_200_000) })),
    findings: rankFindings([...steps.flatMap((step) => step.findings), ...circuitFinding(electricLoads(steps, input), home.circuitW)]),
    methods: [
      ...new Map(
        draft.chain.flatMap((item) => methods.find(item.methodId, item.methodVersion) ?? []).map((method) => [`${method.id}/${method.version}`, method]),
      ).values(),
    ],
    labels: usedLabels({ ...labels, ...draft.labels }, steps),
    own: usedOwn(own, steps),
    questions,
    ...usedPast(past, used, draft.lotIds),
  };
  return { plan, problems };
}

/** A wait as long as it is planned here, which is within what its method allows: the stove goes by it. */
function waiting(phase: Phase, minutes: number | null): Phase {
  if (minutes === null || !isWait(phase) || phase.minutes.typical === minutes) return phase;
  const { said, ...span } = phase.minutes;
  return { ...phase, minutes: { ...span, typical: minutes, ...(said || span.open ? {} : { usual: span.typical }) } };
}

const minutesOf = (window: Window | undefined): number | null => (window ? Math.round((window.toMs - window.fromMs) / 60_000) : null);

/** Waits of a typed length that their methods would let be shorter. */
const typedWaits = (sketches: readonly Sketch[], { fixed }: PlanInput) =>
  sketches.flatMap(({ id, phases }) =>
    fixed?.[id]
      ? []
      : phases.flatMap((phase, index) =>
          isWait(phase) && phase.minutes.typed && phase.minutes.min < phase.minutes.typical ? [{ taskId: id, index, leastMin: phase.minutes.min }] : [],
        ),
  );

const endedWord = (lot: Lot): string => (lot.ended?.how === 'split' ? 'split' : lot.ended?.how === 'joined' ? 'joined to others' : 'put away');

function toTask(sketch: Sketch, ids: ReadonlySet<string>, input: PlanInput): Task {
  return {
    id: sketch.id,
    segments: sketch.phases.map(toSegment),
    vesselId: holdsMany(sketch.vessel) ? null : (sketch.vessel?.id ?? null),
    heatSourceId: sketch.vessel?.heatSourceId ?? null,
    after: sketch.after.filter((link) => ids.has(link.taskId)),
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
    case 'until':
    case 'rest':
      // What a person typed is kept; only a length that nobody touched may give way to the night.
      if (phase.minutes.typed) return exactly(phase.minutes.typical, 'nobody', false);
      return { minMin: phase.minutes.min, typicalMin: phase.minutes.typical, maxMin: phase.minutes.max, needs: 'nobody', heat: false };
    default:
      return unreachable(phase);
  }
}

function electricLoads(steps: readonly PlanStep[], input: PlanInput): (Window & { watt: number | null })[] {
  return steps.flatMap((step) => {
    const vessel = input.vessels.find((one) => one.id === step.vesselId);
    const source = input.home.heatSources.find((one) => one.id === vessel?.heatSourceId);
    if (!source || source.kind === 'gas' || source.kind === 'campBurner' || source.kind === 'charcoal') return [];
    return step.phases.flatMap((phase, i) => {
      const at = step.phaseTimes[i];
      return at && isHeated(phase) ? [{ ...at, watt: source.maxW }] : [];
    });
  });
}

/** The labels of what the plan names. */
function usedLabels(labels: Readonly<Record<string, string>>, steps: readonly PlanStep[]): Record<string, string> {
  const named = new Set(steps.flatMap((step) => step.additions.map((addition) => addition.substance)));
  return Object.fromEntries(Object.entries(labels).filter(([substance]) => named.has(substance)));
}

const usedOwn = (own: OwnSubstances, steps: readonly PlanStep[]): OwnSubstances => {
  const named = new Set(steps.flatMap((step) => [step.dyestuffId, ...(step.dyestuffIds ?? []), ...step.additions.map((addition) => addition.substance)]));
  return { dyestuffs: own.dyestuffs.filter((one) => named.has(one.id)), assistants: own.assistants.filter((one) => named.has(one.id)) };
};

/** Of what sessions before left, as much as meets this plan. */
function usedPast(past: Past, vesselIds: ReadonlySet<string | null>, lotIds: readonly string[]): { past?: Past } {
  const held = past.held.filter((one) => vesselIds.has(one.vesselId) && one.substances.length > 0);
  const carried = Object.fromEntries(Object.entries(past.carried).filter(([id]) => lotIds.includes(id)));
  return held.length === 0 && Object.keys(carried).length === 0 ? {} : { past: { held, carried } };
}

const neededOf = (sketches: readonly Sketch[]): Vessel[] => [
  ...new Map(sketches.flatMap(({ vessel }) => (vessel && isNeeded(vessel) ? [[vessel.id, vessel] as const] : []))).values(),
];

/** A lot, and its colour as it was read last, dry, where somebody read it. */
export type SeenLot = Lot & { readonly seenHex?: string | null };

/** @param baseHex the ground that is dyed: what was seen of it goes before what was written down when it came */
function planLot(lot: Lot, baseHex: string | null, sketches: readonly Sketch[], shelf: Shelf, mordant: Certainty, dyes: readonly OwnDye[]): PlanLot {
  const { id, name, form, composition, dryWeightG, pieces, finishes } = lot;
  const after: Record<string, string> = {};
  const from: Record<string, number> = {};
  let hex = baseHex ?? UNDYED_HEX;
  let mordanted = mordant === 'known' || mordant === 'believed';
  for (const sketch of sketches) {
    if (!sketch.lotIds.includes(id)) continue;
    if (sketch.treatment === 'mordant') mordanted = true;
    if (sketch.treatment !== 'dye' && sketch.treatment !== 'iron') continue;
    const plants = (sketch.dyestuffIds ?? [sketch.dyestuffId ?? '']).flatMap((one) => shelf.dyestuff(one) ?? []);
    const own = plants.map((plant) => ownDyeOf(dyes, plant.name, mordanted));
    hex = expectedHex(
      hex,
      sketch.treatment,
      plants.map((plant, i) => own[i]?.hex ?? plant.expectedHex),
    );
    after[sketch.id] = hex;
    const n = own.reduce((sum, one) => sum + (one?.n ?? 0), 0);
    if (sketch.treatment === 'dye' && n > 0) from[sketch.id] = n;
  }
  return {
    id,
    name,
    form,
    composition,
    dryWeightG,
    baseHex,
    pieces,
    finishes,
    mordant,
    expectedHex: after,
    ...(Object.keys(from).length > 0 ? { expectedFrom: from } : {}),
  };
}
