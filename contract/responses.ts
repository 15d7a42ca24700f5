import { z } from 'zod';
import { method as wholeMethod } from './methodFile';
import { builtPlan, draft, plan } from './planResponses';
import { certainty, known, ms, number, plantForm, revision, text, unit } from './responseParts';
import { lotInput, simPotInput, treatmentInput, vesselInput } from './schemas';
import { liquorInput, stockInput } from './shelf';
import { figure, id, instantMs } from './text';

export { assistant, dyestuff, home } from './responseParts';
export { builtPlan, draft, plan };

/** What comes back. Used for the OpenAPI document, and held against real answers in the tests. */

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
    how: z
      .object({
        methodId: text.optional(),
        preparation: text.optional(),
        draw: z.int().optional(),
        place: text.optional(),
        inMin: number.optional(),
        heldMin: number.optional(),
        hottestC: number.optional(),
        ph: number.optional(),
        bathMl: number.optional(),
        toppedUpMl: number.optional(),
        rolled: text.optional(),
        barrier: text.optional(),
      })
      .optional(),
    from: z.union([z.object({ hand: z.literal(true) }), z.object({ run: text, stepId: text })]),
  })
  .meta({ id: 'Treatment' });

const ended = z.object({ how: z.enum(['split', 'joined', 'retired']), into: z.array(text), atMs: ms });
export const lot = lotInput.extend({ id, createdAtMs: ms, revision, from: z.array(text), ended: ended.nullable() }).meta({ id: 'Lot' });
export const lots = z.array(lot);
export const lotWithPassport = z
  .object({
    ...lot.shape,
    seenHex: text.nullable(),
    trial: z.object({ id: text, name: text, gets: text.nullable() }).optional(),
    passport: z.object({ treatments: z.array(treatment), state: z.record(z.enum(['scour', 'tannin', 'mordant', 'dye']), certainty) }),
  })
  .meta({ id: 'LotWithPassport' });

export const vessel = vesselInput.extend({ id, revision, retired: z.boolean() }).meta({ id: 'Vessel' });

export const method = wholeMethod;
export const methodVersions = z.object({ versions: z.array(wholeMethod), own: z.boolean(), retired: z.boolean(), revision: z.int() });

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

export const runEvent = z.looseObject({ id: text, type: text, atMs: ms, recordedAtMs: ms, by: text.optional() }).meta({
  id: 'RunEvent',
  description: 'One entry of the append-only log; `by` names the device or program that did it, where it was not the machine itself.',
});
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
export const health = z.object({ name: z.literal('hyndle'), nowMs: instantMs, notices: z.array(text), trouble: text.nullable(), demo: z.boolean() });
export const time = z.object({ nowMs: instantMs });
