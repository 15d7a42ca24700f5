import { z } from 'zod';
import { PLANT_SOURCES, PREPARATIONS } from '@/core/shelf/plantDetail';
import { method as wholeMethod } from './methodFile';
import { heldInPots } from './pots';
import { assistant, certainty, dyestuff, home, known, ms, number, plantForm, range, revision, severity, text, unit, window } from './responseParts';
import { lotInput, vesselInput } from './schemas';
import { figure, id } from './text';

/** A draft and the plan that is made of it, as they come back. */

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
    portions: z.int().optional(),
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
  typed: z.literal(true).optional(),
  usual: number.optional(),
});
const phase = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('charge'), minutes: number, act: text }),
    z.object({
      kind: z.literal('raise'),
      toC: number.nullable(),
      maxRateCPerMin: number.nullable(),
      minutes: number,
      learnt: z.object({ n: z.int(), minMin: number, maxMin: number.nullable() }).optional(),
    }),
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
    endByMs: ms.nullable().optional(),
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
    phAim: z.object({ low: number.nullable(), high: number.nullable() }).optional(),
    lookInMin: number.optional(),
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
        expectedFrom: z.record(text, z.int()).optional(),
      }),
    ),
    vessels: z.array(z.object({ ...vesselInput.shape, id, revision })),
    home,
    steps: z.array(planStep),
    absences: z.array(window),
    boundMs: ms,
    inTime: z
      .object({
        endByMs: ms,
        isMet: z.boolean(),
        cuts: z.array(z.object({ taskId: text, index: number, usualMin: number, nowMin: number })),
        leastEndMs: ms.nullable(),
        latestStartMs: ms.nullable(),
      })
      .optional(),
    saving: z.object({ endMs: ms, waits: z.array(z.object({ stepId: text, index: number, typedMin: number, couldMin: number })) }).optional(),
    findings: z.array(finding),
    methods: z.array(wholeMethod),
    labels: z.record(text, text).optional(),
    own: z.object({ dyestuffs: z.array(dyestuff), assistants: z.array(assistant) }),
    questions: z.array(
      z.object({ lotId: text, stepId: text, state: z.enum(['believed', 'unknown']), ifMordanted: text, ifNot: text, answer: text.nullable() }),
    ),
    past: z.object({ held: heldInPots, carried: z.record(text, z.object({ unrinsed: z.array(text), ironPct: z.number().nullable() })) }).optional(),
  })
  .meta({ id: 'Plan' });

export const builtPlan = z.object({ plan: plan.nullable(), problems: z.array(z.object({ at: text, message: text })) }).meta({ id: 'BuiltPlan' });
