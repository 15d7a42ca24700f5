import { z } from 'zod';
import { CERTAINTIES } from '@/core/fibre/passport';
import { AMOUNT_UNITS } from '@/core/measure/print';
import { PLANT_SOURCES, PREPARATIONS } from '@/core/plan/plant';
import { PLANT_FORMS } from '@/core/shelf/dyestuff';
import { method as wholeMethod } from './methodFile';
import { homeInput, lotInput, simPotInput, treatmentInput, vesselInput } from './schemas';
import { liquorInput, stockInput } from './shelf';
import { figure, id, instantMs } from './text';

/** What comes back. Used for the OpenAPI document, and held against real answers in the tests. */

const ms = z.number();
const number = z.number();
const range = z.object({ least: number, most: number.nullable() });
/** A number, a range of it, or null: unknown. */
const known = z.union([number, range]).nullable();
const text = z.string();
const revision = z.int().min(1);
const certainty = z.enum(CERTAINTIES);
const unit = z.enum(AMOUNT_UNITS);
const severity = z.enum(['stop', 'stopUnlessReason', 'caution', 'note']);
const window = z.object({ fromMs: ms, toMs: ms });

const plantForm = z.enum(PLANT_FORMS);

export const problem = z
  .object({
    type: text,
    title: text,
    status: z.int(),
    detail: text,
    errors: z.array(z.object({ at: text, message: text })),
  })
  .meta({ id: 'Problem', description: 'RFC 9457 problem details. `errors` names each field and what to do about it.' });

export const treatment = treatmentInput
  .omit({ id: true })
  .extend({
    id: text,
    part: text.nullable().optional(),
    lotId: text.optional(),
    how: z.object({ methodId: text.optional(), preparation: text.optional(), draw: z.int().optional(), place: text.optional(), inMin: number.optional() }).optional(),
    from: z.union([z.object({ hand: z.literal(true) }), z.object({ run: text, stepId: text })]),
  })
  .meta({ id: 'Treatment' });

const ended = z.object({ how: z.enum(['split', 'joined', 'retired']), into: z.array(text), atMs: ms });
export const lot = lotInput.extend({ id, createdAtMs: ms, revision, from: z.array(text), ended: ended.nullable() }).meta({ id: 'Lot' });
export const lots = z.array(lot);
export const lotWithPassport = z
  .object({
    ...lot.shape,
    passport: z.object({ treatments: z.array(treatment), state: z.record(z.enum(['scour', 'tannin', 'mordant', 'dye']), certainty) }),
  })
  .meta({ id: 'LotWithPassport' });

export const vessel = vesselInput.extend({ id, revision, retired: z.boolean() }).meta({ id: 'Vessel' });
export const home = homeInput.extend({ revision }).meta({ id: 'Home' });

export const method = wholeMethod;
export const methodVersions = z.object({ versions: z.array(wholeMethod), own: z.boolean(), retired: z.boolean(), revision: z.int() });

const said = z.object({ text, standing: z.enum(['practice', 'uncertain', 'estimate']) });
export const dyestuff = z
  .looseObject({ id: text, name: text, part: text, chemistry: text, mordant: text, heat: said, colour: said, behaviour: said, expectedHex: text })
  .meta({ id: 'Dyestuff' });
export const assistant = z.looseObject({ id: text, name: text, group: text, unit: text, inBrief: text }).meta({ id: 'Assistant' });
export const ownSubstance = z
  .object({ id: text, revision, retired: z.boolean(), what: z.looseObject({ kind: z.enum(['dyestuff', 'assistant']) }) })
  .meta({ id: 'OwnSubstance' });

export const stockItem = z.object({ ...stockInput.shape, id, revision, retired: z.boolean() }).meta({ id: 'StockItem' });
export const stockLevel = z
  .object({ item: stockItem, left: figure(z.number()), used: known.unwrap(), unknownUses: z.int() })
  .meta({ id: 'StockLevel', description: 'What was counted, and what is left of it after what runs say they used.' });
export const liquor = z.object({ ...liquorInput.shape, id, revision, retired: z.boolean() }).meta({ id: 'Liquor' });
const stretch = z.object({ fromMs: ms, toMs: ms });
export const stay = z
  .object({
    sessionId: text,
    session: text,
    running: z.boolean(),
    stepId: text,
    title: text,
    vesselId: text.nullable(),
    heatSourceId: text.nullable(),
    lotIds: z.array(text),
    fromMs: ms,
    toMs: ms,
    heat: z.array(stretch),
  })
  .meta({ id: 'Stay', description: 'One step of a session in the kitchen.' });
export const shoppingLine = z.object({
  substance: text,
  name: text,
  form: plantForm.nullable(),
  unit,
  amount: known,
  have: figure(z.number()),
  otherwise: z.array(z.object({ left: figure(z.number()), unit })),
  lack: number.nullable(),
});
export const weighTick = z.object({ id: text, key: text, amount: figure(z.number()).nullable(), unit, atMs: ms });
export const weighList = z
  .object({
    session: z.object({ id: text, name: text, planVersion: z.int(), runId: text.nullable(), dryFibreG: number.nullable() }),
    lines: z.array(z.looseObject({ key: text, name: text, unit, planned: known })),
    ticks: z.array(weighTick),
    stopped: z.boolean(),
  })
  .meta({ id: 'WeighList' });

const working = z
  .object({
    formula: text,
    inputs: z.array(z.object({ name: text, value: known, unit: text })),
    result: number.nullable(),
    between: range.optional(),
    unit: text,
    source: text,
    missing: z.array(text),
  })
  .meta({ id: 'Working' });
const plantDetail = z.object({
  form: plantForm.nullable(),
  preparation: z.enum(PREPARATIONS).nullable(),
  source: z.enum(PLANT_SOURCES).nullable(),
  season: text,
});
const plannedAmount = z
  .object({
    id: text,
    substance: text,
    name: text,
    unit,
    proposed: working,
    overruled: known,
    words: text.nullable(),
    form: plantForm.nullable(),
    detail: plantDetail.optional(),
    about: z.literal(true).optional(),
    phase: z.int().optional(),
    perDryG: number.nullable(),
  })
  .meta({ id: 'PlannedAmount' });
const finding = z.object({ rule: text, severity, text, stepId: text.nullable() }).meta({ id: 'Finding' });
const span = z.object({
  min: number,
  typical: number,
  max: number,
  open: z.literal(true).optional(),
  said: z.literal(true).optional(),
  beyondMin: number.optional(),
});
const phase = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('charge'), minutes: number, act: text }),
    z.object({ kind: z.literal('raise'), toC: number.nullable(), maxRateCPerMin: number.nullable(), minutes: number }),
    z.object({
      kind: z.literal('hold'),
      bandC: z.tuple([number, number]).nullable(),
      ceilingC: number.nullable(),
      minutes: span,
      stirEveryMin: number.nullable(),
      flipAtMin: number.nullable(),
      tap: text.optional(),
    }),
    z.object({ kind: z.literal('dip'), exactMin: number, act: text }),
    z.object({ kind: z.literal('soak'), minutes: span, checkEveryMin: number.nullable() }),
    z.object({ kind: z.literal('until'), minutes: span, checkEveryMin: number, criterion: text }),
    z.object({ kind: z.literal('rest'), minutes: span, overnightOk: z.boolean() }),
    z.object({ kind: z.literal('lift'), minutes: number, act: text }),
  ])
  .meta({ id: 'Phase' });

const part = z.object({ label: text, sharePct: number.nullable() }).nullable();
const chainItem = z.object({
  id: text,
  methodId: text,
  methodVersion: z.int().nullable().optional(),
  params: z.record(text, known),
  dyestuffId: text.nullable(),
  morePlants: z.array(z.object({ id: text, dyestuffId: text })).optional(),
  plantDetails: z.record(text, plantDetail).optional(),
  liquorId: text.nullable().optional(),
  bathFrom: z.array(text).nullable().optional(),
  lotIds: z.array(text).nullable().optional(),
  part: part.optional(),
});
export const draft = z
  .object({
    name: text,
    startMs: ms,
    lotIds: z.array(text),
    chain: z.array(chainItem),
    vessels: z.record(text, text),
    overrules: z.record(text, z.union([number, range])),
    doseOf: text.nullable().optional(),
    extras: z.record(text, z.array(z.object({ id: text, substance: text, wofPct: known }))).optional(),
    plantAmounts: z
      .record(
        text,
        z.discriminatedUnion('by', [
          z.object({ by: z.literal('amount'), unit, known: known.unwrap(), about: z.boolean() }),
          z.object({ by: z.literal('ratio'), ratio: known.unwrap(), guessed: z.boolean() }),
        ]),
      )
      .optional(),
    pins: z.record(text, ms),
    reasons: z.record(text, text),
    lids: z.record(text, text).optional(),
    labels: z.record(text, text).optional(),
    answers: z.record(text, text).optional(),
  })
  .meta({ id: 'Draft' });

const planStep = z
  .object({
    id: text,
    methodId: text,
    methodVersion: z.int(),
    kind: text,
    title: text,
    school: text,
    why: text,
    lotIds: z.array(text),
    sizedBy: z.array(text),
    part,
    dyestuffId: text.nullable(),
    dyestuffIds: z.array(text).optional(),
    liquorId: text.nullable(),
    bathId: text.nullable().optional(),
    pouredFrom: z.array(text).optional(),
    coolFirstMin: z.number().optional(),
    lid: text,
    vesselId: text.nullable(),
    water: plannedAmount.nullable(),
    additions: z.array(plannedAmount),
    fit: z.object({ filledMl: number, fillPct: number, totalKg: number, overMl: number }).nullable(),
    phases: z.array(phase),
    startMs: ms,
    endMs: ms,
    phaseTimes: z.array(window),
    whyNotEarlier: z.looseObject({ why: text }),
    after: z.array(text),
    lookFor: text.nullable(),
    lookAtMin: number.nullable(),
    treatment: text.nullable(),
    cautions: z.array(text),
    findings: z.array(finding),
  })
  .meta({ id: 'PlanStep' });

export const plan = z
  .object({
    sessionId: text,
    version: z.int(),
    reason: text,
    createdAtMs: ms,
    name: text,
    draft,
    lots: z.array(
      z.object({
        id: text,
        name: text,
        form: text,
        composition: lotInput.shape.composition,
        dryWeightG: figure(z.number()),
        baseHex: text.nullable(),
        pieces: z.int(),
        finishes: z.array(text).nullable(),
        mordant: certainty,
        expectedHex: z.record(text, text),
      }),
    ),
    vessels: z.array(z.object({ ...vesselInput.shape, id, revision })),
    home,
    steps: z.array(planStep),
    absences: z.array(window),
    boundMs: ms,
    findings: z.array(finding),
    methods: z.array(wholeMethod),
    labels: z.record(text, text).optional(),
    own: z.object({ dyestuffs: z.array(dyestuff), assistants: z.array(assistant) }),
    questions: z.array(
      z.object({ lotId: text, stepId: text, state: z.enum(['believed', 'unknown']), ifMordanted: text, ifNot: text, answer: text.nullable() }),
    ),
  })
  .meta({ id: 'Plan' });

export const builtPlan = z.object({ plan: plan.nullable(), problems: z.array(z.object({ at: text, message: text })) }).meta({ id: 'BuiltPlan' });

export const sessionSummary = z
  .object({
    id: text,
    name: text,
    planVersion: z.int(),
    startMs: ms,
    endMs: ms,
    lotNames: z.array(text),
    expectedHex: z.array(text),
    run: z.object({ id: text, phase: z.enum(['notStarted', 'running', 'finished']), startedAtMs: ms.nullable(), finishedAtMs: ms.nullable() }).nullable(),
  })
  .meta({ id: 'SessionSummary' });
export const sessionView = z
  .object({ plan, versions: z.array(z.object({ version: z.int(), reason: text, createdAtMs: ms })), runId: text.nullable() })
  .meta({ id: 'SessionView' });

export const runEvent = z
  .looseObject({ id: text, type: text, atMs: ms, recordedAtMs: ms })
  .meta({ id: 'RunEvent', description: 'One entry of the append-only log.' });
const reading = z.object({ atMs: ms, bathC: number });
export const runView = z
  .object({
    run: z.object({ id: text, sessionId: text, createdAtMs: ms }),
    plan,
    events: z.array(runEvent),
    readings: z.record(text, z.array(reading)),
  })
  .meta({ id: 'RunView' });
export const runRecord = z
  .object({
    runId: text,
    comparisons: z.array(z.object({ stepId: text, what: text, planned: text, actual: text, difference: text.nullable(), seen: z.boolean() })),
    deviations: z.array(z.object({ stepId: text, title: text, text })),
    clocks: z.record(text, z.looseObject({ stepId: text })),
    startedAtMs: ms.nullable(),
    finishedAtMs: ms.nullable(),
  })
  .meta({ id: 'RunRecord' });
export const readings = z.object({ readings: z.array(reading), latest: reading.nullable() });
export const stored = z.object({ stored: z.int() });
export const simPot = simPotInput
  .extend({
    vesselId: id,
    probeId: id,
    maxW: number,
    vesselLitres: number,
    roomC: number,
    boilC: number,
    asOfMs: ms,
    asOfC: number,
    trueC: number,
  })
  .meta({ id: 'SimPot' });
export const health = z.object({ name: z.literal('hyndle'), nowMs: instantMs, notices: z.array(text), demo: z.boolean() });
export const time = z.object({ nowMs: instantMs });
