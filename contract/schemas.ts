import { z } from 'zod';
import { FIBRES, type FibreKind } from '@/core/fibre/fibre';
import { FINISHES, LOT_FORMS } from '@/core/fibre/lot';
import { CERTAINTIES, TREATMENTS } from '@/core/fibre/passport';
import { COUNT_SYSTEMS } from '@/core/fibre/weight';
import { HEAT_KINDS } from '@/core/kitchen/heatSource';
import { MATERIALS, VESSEL_KINDS } from '@/core/kitchen/vessel';
import { DATE_ORDERS, KITCHENS, MASS_WAYS, VOLUME_WAYS } from '@/core/measure/measures';
import { AMOUNT_UNITS } from '@/core/measure/print';
import { LIDS } from '@/core/method/method';
import { DOSE_OF } from '@/core/plan/blend';
import { MORDANT_ANSWERS, MOST_ITEMS, MOST_LOTS } from '@/core/plan/draft';
import { CALL_ACTS, HIGHEST_KNOB, LET_GO_CALLS, PUT_OFF_CALLS, TIGHTNESSES } from '@/core/run/events';
import { PLANT_FORMS } from '@/core/shelf/dyestuff';
import { PLANT_SOURCES, PREPARATIONS } from '@/core/shelf/plantDetail';
import { isZone } from '@/core/time/zone';
import { amount, figure, grams, hex, id, instantMs, line, nameText, noteText, numberOrRange, plainAmount, revision } from './text';

/** Schemas of everything that crosses a boundary. Bounds refuse typing slips, not odd dyers. */

const bathC = z.number().min(-10, 'Colder than −10 °C is no bath.').max(150, 'Hotter than 150 °C is no bath.');
const percent = z.number().gt(0, 'A share is above 0 %.').max(100, 'A share is at most 100 %.');

const fibre = z.enum(Object.keys(FIBRES) as [FibreKind, ...FibreKind[]]);
const composition = z
  .array(z.strictObject({ fibre, pct: percent }))
  .max(8)
  .refine((shares) => shares.length === 0 || Math.abs(shares.reduce((sum, share) => sum + share.pct, 0) - 100) < 0.01, 'The shares of a blend add up to 100 %.')
  .refine((shares) => new Set(shares.map((share) => share.fibre)).size === shares.length, 'Name each fibre once.');

const above0 = z.number().gt(0, 'It is above 0.').max(1_000_000);
/** How a weight was worked out. The weight itself must agree with it: the server checks the sum. */
const weightFrom = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('cloth'), widthCm: above0, lengthCm: above0, pieces: z.int().min(1).max(10_000), gPerM2: above0 }),
  z.strictObject({
    kind: z.literal('yarn'),
    lengthM: above0,
    count: z.strictObject({ system: z.enum(COUNT_SYSTEMS), value: above0, plies: z.int().min(1).max(64) }),
  }),
  z.strictObject({ kind: z.literal('regain'), ovenDryG: above0, table: z.enum(['astm', 'eu']) }),
]);

export const lotInput = z.strictObject({
  name: nameText,
  form: z.enum(LOT_FORMS),
  composition,
  finishes: z
    .array(z.enum(FINISHES))
    .max(4)
    .nullable()
    .default(null)
    .refine((all) => all === null || new Set(all).size === all.length, 'Each finish once.'),
  dryWeightG: figure(grams),
  weightFrom: weightFrom.nullable().default(null),
  pieces: z.int().min(1).max(10_000),
  baseHex: hex.nullable(),
  note: noteText,
});
export type LotInput = z.infer<typeof lotInput>;
export const newLot = lotInput.extend({ id });
export const lotEdit = lotInput.extend({ revision });

export const splitInput = z.strictObject({
  revision,
  parts: z
    .array(
      z.strictObject({ id, name: nameText, form: z.enum(LOT_FORMS).optional(), dryWeightG: figure(grams), pieces: z.int().min(1).max(10_000), note: noteText }),
    )
    .min(2, 'Name at least two parts.')
    .max(40)
    .refine((parts) => new Set(parts.map((part) => part.id)).size === parts.length, 'Each part has its own id.'),
});
export const joinInput = z.strictObject({
  id,
  name: nameText,
  form: z.enum(LOT_FORMS),
  lots: z
    .array(z.strictObject({ id, revision }))
    .min(2, 'Choose at least two lots.')
    .max(40)
    .refine((lots) => new Set(lots.map((lot) => lot.id)).size === lots.length, 'Each lot once.'),
});

export const treatmentInput = z.strictObject({
  id,
  kind: z.enum(TREATMENTS),
  certainty: z.enum(CERTAINTIES),
  substance: line(120).nullable(),
  wofPct: figure(z.number().min(0).max(1000)),
  atMs: instantMs.nullable(),
  part: line(60).nullable().default(null),
  note: noteText,
});
export type TreatmentInput = z.infer<typeof treatmentInput>;

export const vesselInput = z.strictObject({
  name: nameText,
  kind: z.enum(VESSEL_KINDS),
  litres: z.number().gt(0, 'A vessel holds more than 0 L.').max(500, 'That is more than 500 L.').nullable(),
  material: z.enum(MATERIALS),
  heatProof: z.boolean().default(false),
  heatSourceId: id.nullable(),
  probeId: id.nullable(),
  dyeOnly: z.boolean(),
  order: z.int().min(0).max(1000),
});
export type VesselInput = z.infer<typeof vesselInput>;
export const newVessel = vesselInput.extend({ id });
export const vesselEdit = vesselInput.extend({ revision });

const measures = z.strictObject({
  mass: z.enum(MASS_WAYS),
  volume: z.enum(VOLUME_WAYS),
  kitchen: z.enum(KITCHENS).nullable(),
  temperature: z.enum(['C', 'F']),
  clock: z.enum(['24h', '12h']),
  weekStart: z.union([z.literal(0), z.literal(1), z.literal(6)]),
  dateOrder: z.enum(DATE_ORDERS),
});

const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Times are written like 07:00.');
const hardness = numberOrRange(z.number().min(0, 'Water holds no less than nothing.').max(3000, 'At most 3000 mg/L: look at the unit.'));
export const homeInput = z.strictObject({
  diary: z.strictObject({
    zone: z.string().max(64).refine(isZone, 'This time zone is not known. Use a name like Europe/Berlin.'),
    wakeAt: clockTime,
    sleepAt: clockTime,
    away: z.array(z.strictObject({ weekdays: z.array(z.int().min(0).max(6)).max(7), from: clockTime, to: clockTime })).max(14),
  }),
  altitudeM: z.number().min(-450).max(6000),
  scales: z
    .array(z.strictObject({ id, name: nameText, readsToG: z.number().gt(0, 'A scale reads to more than 0 g.').max(1000), mostG: grams.nullable() }))
    .max(12),
  /** What each reads in melting ice and in boiling water; null: nobody looked, left out: as it was. */
  probes: z.array(z.strictObject({ id, name: nameText, iceReadsC: bathC.nullable().optional(), boilReadsC: bathC.nullable().optional() })).max(24),
  circuitW: z.number().gt(0).max(50_000).nullable(),
  childrenOrPets: z.boolean(),
  emergencyNumber: line(40),
  /** Left out: as it was. */
  measures: measures.optional(),
  /** mg/L of calcium carbonate, null: nobody asked. Left out: as it was. */
  water: z
    .strictObject({
      alkalinityMgL: hardness.nullable(),
      hardnessMgL: hardness.nullable(),
      /** At the tap, cold. */
      ph: numberOrRange(z.number().min(4, 'No tap is more sour than pH 4.').max(11, 'No tap is more alkaline than pH 11.')).nullable().optional(),
    })
    .optional(),
  /** Minutes after which heat that nobody touched is asked about, null: never. Left out: as it was. */
  attendMin: z.int().min(5, 'At least 5 min.').max(240, 'At most 240 min: heat is not left alone for longer.').nullable().optional(),
  /** When what steeps for days is looked at, null: whenever a day is over. Left out: as it was. */
  lookAt: clockTime.nullable().optional(),
  heatSources: z
    .array(
      z.strictObject({
        id,
        name: nameText,
        maxW: z.number().gt(0).max(20_000).nullable(),
        kind: z.enum(HEAT_KINDS),
        outdoors: z.boolean(),
        dyeOnly: z.boolean().optional(),
      }),
    )
    .max(12),
});
export type HomeInput = z.infer<typeof homeInput>;
export const homeEdit = homeInput.extend({ revision });

const plantDetail = z.strictObject({
  form: z.enum(PLANT_FORMS).nullable(),
  preparation: z.enum(PREPARATIONS).nullable(),
  source: z.enum(PLANT_SOURCES).nullable(),
  season: line(60),
});
const plantId = z.string().regex(/^dyestuff-\d{1,3}$/, 'A further plant is named dyestuff-2, dyestuff-3 and so on.');
const extraId = z.string().regex(/^extra-\d{1,3}$/, 'What is added beside the method is named extra-1, extra-2 and so on.');
const plantAmount = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('amount'), unit: z.enum(AMOUNT_UNITS), known: plainAmount, about: z.boolean() }),
  z.strictObject({ by: z.literal('ratio'), ratio: numberOrRange(z.number().gt(0, 'A ratio is above 0.').max(200)), guessed: z.boolean() }),
]);

const lotIds = z
  .array(id)
  .max(MOST_LOTS, `A session takes at most ${MOST_LOTS} lots: make two of it.`)
  .refine((ids) => new Set(ids).size === ids.length, 'Each lot once.');

/** Parameters are held to the range of their own method by the server, which knows the dyer's own methods too. */
const chainItem = z.strictObject({
  id,
  methodId: line(64),
  methodVersion: z.int().min(1).nullable().optional(),
  params: z.record(z.string().max(40), numberOrRange(z.number()).nullable()),
  dyestuffId: line(64).nullable(),
  morePlants: z
    .array(z.strictObject({ id: plantId, dyestuffId: line(64) }))
    .max(24, 'More than 25 plants in one bath: give the rest a bath of their own.')
    .refine((plants) => new Set(plants.map((plant) => plant.id)).size === plants.length, 'Each plant once.')
    .optional(),
  plantDetails: z.record(line(64), plantDetail).optional(),
  liquorId: id.nullable().optional(),
  bathFrom: z.array(id).max(12).nullable().optional(),
  lotIds: lotIds.min(1, 'Choose at least one lot.').nullable().optional(),
  part: z
    .strictObject({ label: line(60).min(1, 'Say which part.'), sharePct: percent.nullable() })
    .nullable()
    .optional(),
});

const stepKey = z.string().max(140);
const chain = z
  .array(chainItem)
  .max(MOST_ITEMS, `A session takes at most ${MOST_ITEMS} steps: make two of it.`)
  .refine((items) => new Set(items.map((item) => item.id)).size === items.length, 'Each step has its own id.');
const extras = z.record(
  stepKey,
  z
    .array(z.strictObject({ id: extraId, substance: line(64), wofPct: numberOrRange(z.number().min(0).max(1000)).nullable() }))
    .max(24, 'More than 24 things beside the method: copy the method and change it.')
    .refine((some) => new Set(some.map((one) => one.id)).size === some.length, 'Each once.'),
);
const plantAmounts = z.record(stepKey, plantAmount);
const overrules = z.record(stepKey, plainAmount);
const lids = z.record(stepKey, z.enum(LIDS));
const labels = z.record(line(64), line(24));
const doseOf = z.enum(DOSE_OF).nullable();
export const draftInput = z.strictObject({
  name: nameText,
  startMs: instantMs,
  endByMs: instantMs.nullable().optional(),
  lotIds,
  chain,
  vessels: z.record(stepKey, id),
  overrules,
  extras: extras.optional(),
  plantAmounts: plantAmounts.optional(),
  doseOf: doseOf.optional(),
  pins: z.record(stepKey, instantMs),
  reasons: z.record(stepKey, line(400)),
  lids: lids.optional(),
  labels: labels.optional(),
  answers: z.record(id, z.enum(MORDANT_ANSWERS)).optional(),
  against: z
    .strictObject({
      runId: id,
      name: line(120),
      chain,
      overrules,
      plantAmounts,
      extras,
      lids,
      labels: labels.optional(),
      doseOf: doseOf.optional(),
      fibre: noteText,
    })
    .nullable()
    .optional(),
});
/** Half-filled, as a page holds it while it is being typed: everything else is held to the same rules. */
export const draftPreview = draftInput.extend({ name: line(120) });

export const newSession = z.strictObject({ id, draft: draftInput });
export const newPlan = z.strictObject({ draft: draftInput, reason: line(400).min(1, 'Say why the plan changes.'), expectedVersion: z.int().min(1) });

const stepId = z.string().min(1).max(140);
/** How a reading was said, where it was no plain figure: `value` is then the middle of the range. */
const saidAs = z.discriminatedUnion('as', [
  z.strictObject({ as: z.literal('about') }),
  z.strictObject({ as: z.literal('between'), low: z.number(), high: z.number() }),
]);
const eventBase = { id, atMs: instantMs.optional() };
export const eventInput = z.discriminatedUnion('type', [
  z.strictObject({ ...eventBase, type: z.literal('phaseEntered'), stepId, phaseIndex: z.int().min(0).max(50) }),
  z
    .strictObject({
      ...eventBase,
      type: z.literal('reading'),
      stepId,
      quantity: z.enum(['bathC', 'ph', 'volumeMl']),
      value: z.number(),
      said: saidAs.optional(),
    })
    .superRefine(({ quantity, value, said }, context) => {
      const ends = said?.as === 'between' ? [said.low, said.high] : [];
      const bad = READING_BOUNDS[quantity].find(([test]) => [value, ...ends].some(test));
      if (bad) context.addIssue({ code: 'custom', path: ['value'], message: bad[1] });
      if (said?.as === 'between' && (said.low > value || said.high < value))
        context.addIssue({ code: 'custom', path: ['said'], message: 'The figure of a range lies between its ends.' });
    }),
  z.strictObject({ ...eventBase, type: z.literal('lotWeighed'), lotId: id, dryWeightG: grams }),
  z.strictObject({
    ...eventBase,
    type: z.literal('addition'),
    stepId,
    additionId: line(64).nullable(),
    substance: nameText,
    amount,
    unit: z.enum(AMOUNT_UNITS),
  }),
  z.strictObject({ ...eventBase, type: z.literal('stirred'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('flipped'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('checked'), stepId, finding: noteText }),
  z.strictObject({
    ...eventBase,
    type: z.literal('heatSet'),
    stepId,
    knob: z.number().min(0, 'A knob begins at 0.').max(HIGHEST_KNOB, `No knob goes higher than ${HIGHEST_KNOB}.`).nullable(),
    hasLid: z.boolean().nullable(),
  }),
  z
    .strictObject({ ...eventBase, type: z.literal('rolled'), stepId, tightness: z.enum(TIGHTNESSES).nullable(), hasBarrier: z.boolean().nullable() })
    .refine(({ tightness, hasBarrier }) => tightness !== null || hasBarrier !== null, { message: 'Say one of the two.', path: ['tightness'] }),
  z.strictObject({ ...eventBase, type: z.literal('callHeard'), stepId, call: z.enum(CALL_ACTS) }),
  z.strictObject({ ...eventBase, type: z.literal('callPutOff'), stepId, call: z.enum(PUT_OFF_CALLS), untilMs: instantMs }),
  z.strictObject({ ...eventBase, type: z.literal('callLetGo'), stepId, call: z.enum(LET_GO_CALLS) }),
  z.strictObject({ ...eventBase, type: z.literal('moved'), stepId, toVesselId: id }),
  z.strictObject({ ...eventBase, type: z.literal('lifted'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('lotOut'), stepId, lotId: id }),
  z.strictObject({ ...eventBase, type: z.literal('lotIn'), stepId, lotId: id, joined: z.literal(true).optional() }),
  z.strictObject({ ...eventBase, type: z.literal('note'), stepId: stepId.nullable(), text: noteText.min(1, 'Write something.') }),
  z.strictObject({ ...eventBase, type: z.literal('paused'), stepId, reason: line(400) }),
  z.strictObject({ ...eventBase, type: z.literal('resumed'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('stepFinished'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('skipped'), stepId, reason: line(400).min(1, 'Say why it is skipped.') }),
  z.strictObject({ ...eventBase, type: z.literal('finished') }),
  z.strictObject({
    ...eventBase,
    type: z.literal('amended'),
    targetId: id,
    change: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('withdrawn'), reason: line(400) }),
      z.strictObject({ kind: z.literal('retimed'), atMs: instantMs }),
    ]),
  }),
]);
export type EventInput = z.infer<typeof eventInput>;

const READING_BOUNDS: Readonly<Record<'bathC' | 'ph' | 'volumeMl', readonly [(value: number) => boolean, string][]>> = {
  bathC: [
    [(c) => c < -10, 'Colder than −10 °C is no bath.'],
    [(c) => c > 150, 'Hotter than 150 °C is no bath.'],
  ],
  ph: [[(ph) => ph < 0 || ph > 14, 'pH lies between 0 and 14.']],
  volumeMl: [
    [(mL) => mL < 0, 'A volume is not below 0.'],
    [(mL) => mL > 500_000, 'That is more than 500 L.'],
  ],
};

export const newRun = z.strictObject({ id, eventId: id, planVersion: z.int().min(1).max(1_000_000), atMs: instantMs.optional() });
export const replanInput = z.strictObject({
  eventId: id,
  reason: line(400).min(1, 'Say why the plan changes.'),
  /** Left out: as it was asked for; only the clock moves. What has begun stays as it is. */
  draft: draftInput.optional(),
});
export const againInput = z.strictObject({
  name: nameText,
  startMs: instantMs,
  lotIds: lotIds.min(1, 'Choose at least one lot.'),
  /** The plan keeps what it repeats, and points out a second change. */
  oneChanged: z.boolean().optional(),
});

export const readingsInput = z.strictObject({
  readings: z
    .array(z.strictObject({ atMs: instantMs.optional(), bathC }))
    .min(1)
    .max(5000),
  /** Of another instrument, such as a logger: the probe’s own correction is not added. */
  isCorrected: z.boolean().optional(),
});

export const simPotInput = z.strictObject({
  on: z.boolean(),
  burner: z.number().min(0).max(10),
  lid: z.boolean(),
  litres: z.number().gt(0).max(500),
  factor: z.number().min(1).max(600),
});
export type SimPotInput = z.infer<typeof simPotInput>;
