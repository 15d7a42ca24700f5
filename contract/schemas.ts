import { z } from 'zod';
import { FIBRES, type FibreKind, LOT_FORMS } from '@/core/fibre/lot';
import { TREATMENTS } from '@/core/fibre/passport';
import { methodById } from '@/core/method/library';
import { isDyestuffId } from '@/core/shelf/substances';
import { isZone } from '@/core/time/zone';

/** Schemas of everything that crosses a boundary. Bounds refuse typing slips, not odd dyers. */

/** Tab, line feed and carriage return may stand in a text; other control characters may not. */
const ALLOWED_CONTROLS = ['\t', '\n', '\r'];
const noControls = (text: string): boolean => !Array.from(text).some((letter) => letter < ' ' && !ALLOWED_CONTROLS.includes(letter));
const TEXT_MESSAGE = 'Control characters cannot be kept.';
const line = (max: number) => z.string().trim().max(max).refine(noControls, TEXT_MESSAGE);
export const nameText = line(120).min(1, 'Give it a name.');
export const noteText = z.string().max(4000, 'Notes hold up to 4000 characters.').refine(noControls, TEXT_MESSAGE);
export const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'Ids are 1–64 letters, digits, - or _.');
/** Epoch milliseconds between 2000 and 2100. */
export const instantMs = z.int().min(946_684_800_000).max(4_102_444_800_000);
const grams = z.number().gt(0, 'A weight is above 0 g. Leave it unknown if nobody weighed it.').max(200_000, 'That is more than 200 kg.');
const hex = z.string().regex(/^#[0-9a-f]{6}$/i, 'Colours are written like #d9b52b.');
const bathC = z.number().min(-10, 'Colder than −10 °C is no bath.').max(150, 'Hotter than 150 °C is no bath.');
const percent = z.number().gt(0, 'A share is above 0 %.').max(100, 'A share is at most 100 %.');

export const figure = (value: z.ZodNumber) =>
  z.discriminatedUnion('state', [
    z.strictObject({ state: z.literal('measured'), value }),
    z.strictObject({ state: z.literal('estimated'), value }),
    z.strictObject({ state: z.literal('unknown') }),
  ]);

const fibre = z.enum(Object.keys(FIBRES) as [FibreKind, ...FibreKind[]]);
const composition = z
  .array(z.strictObject({ fibre, pct: percent }))
  .max(8)
  .refine((shares) => shares.length === 0 || Math.abs(shares.reduce((sum, share) => sum + share.pct, 0) - 100) < 0.01, 'The shares of a blend add up to 100 %.')
  .refine((shares) => new Set(shares.map((share) => share.fibre)).size === shares.length, 'Name each fibre once.');

export const lotInput = z.strictObject({
  name: nameText,
  form: z.enum(LOT_FORMS),
  composition,
  dryWeightG: figure(grams),
  pieces: z.int().min(1).max(10_000),
  baseHex: hex.nullable(),
  note: noteText,
});
export type LotInput = z.infer<typeof lotInput>;
export const lotEdit = lotInput.extend({ revision: z.int().min(1) });

export const treatmentInput = z.strictObject({
  id,
  kind: z.enum(TREATMENTS),
  certainty: z.enum(['known', 'believed', 'unknown', 'noneOnPurpose']),
  substance: line(120).nullable(),
  wofPct: figure(z.number().min(0).max(1000)),
  atMs: instantMs.nullable(),
  note: noteText,
});
export type TreatmentInput = z.infer<typeof treatmentInput>;

export const vesselInput = z.strictObject({
  name: nameText,
  kind: z.enum(['pot', 'pail', 'jar', 'line']),
  litres: z.number().gt(0).max(500).nullable(),
  material: z.enum(['stainless', 'enamel', 'aluminium', 'plastic', 'glass', 'wood']),
  heatSourceId: id.nullable(),
  probeId: id.nullable(),
  dyeOnly: z.boolean(),
  order: z.int().min(0).max(1000),
});
export type VesselInput = z.infer<typeof vesselInput>;
export const vesselEdit = vesselInput.extend({ revision: z.int().min(1) });

const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Times are written like 07:00.');
export const homeInput = z.strictObject({
  diary: z
    .strictObject({
      zone: z.string().max(64).refine(isZone, 'This time zone is not known. Use a name like Europe/Berlin.'),
      wakeAt: clockTime,
      sleepAt: clockTime,
      away: z.array(z.strictObject({ weekdays: z.array(z.int().min(0).max(6)).max(7), from: clockTime, to: clockTime })).max(14),
    })
    .refine((diary) => diary.wakeAt < diary.sleepAt, 'Waking comes before sleeping on the same day.'),
  altitudeM: z.number().min(-450).max(6000),
  scaleG: z.number().gt(0).max(1000).nullable(),
  emergencyNumber: line(40),
  heatSources: z.array(z.strictObject({ id, name: nameText, maxW: z.number().gt(0).max(20_000).nullable() })).max(12),
});
export type HomeInput = z.infer<typeof homeInput>;
export const homeEdit = homeInput.extend({ revision: z.int().min(1) });

/** Parameters are held to the range of their own method, so that 1e9 % names the field it was typed in. */
const chainItem = z
  .strictObject({
    id,
    methodId: line(64),
    params: z.record(z.string().max(40), z.number().nullable()),
    dyestuffId: z.string().max(64).refine(isDyestuffId, 'This dyestuff is not on the shelf.').nullable(),
  })
  .superRefine((item, context) => {
    const method = methodById(item.methodId);
    if (!method) {
      context.addIssue({ code: 'custom', path: ['methodId'], message: 'This method is not in the library.' });
      return;
    }
    if (method.needsDyestuff && item.dyestuffId === null) context.addIssue({ code: 'custom', path: ['dyestuffId'], message: 'Choose a dyestuff.' });
    for (const [key, value] of Object.entries(item.params)) {
      const param = method.params.find((p) => p.key === key);
      if (!param) context.addIssue({ code: 'custom', path: ['params', key], message: `${method.name} has no parameter “${key}”.` });
      else if (value !== null && (value < param.min || value > param.max)) {
        context.addIssue({ code: 'custom', path: ['params', key], message: `${param.label}: between ${param.min} and ${param.max} ${param.unit}.` });
      }
    }
  });

const stepKey = z.string().max(140);
export const draftInput = z.strictObject({
  name: nameText,
  startMs: instantMs,
  lotIds: z
    .array(id)
    .max(60)
    .refine((ids) => new Set(ids).size === ids.length, 'Each lot once.'),
  chain: z
    .array(chainItem)
    .max(60)
    .refine((chain) => new Set(chain.map((item) => item.id)).size === chain.length, 'Each step has its own id.'),
  vessels: z.record(stepKey, id),
  overrules: z.record(stepKey, z.number().min(0, 'An amount is not below 0.').max(1_000_000, 'That is more than any bath holds.')),
  pins: z.record(stepKey, instantMs),
  reasons: z.record(stepKey, line(400)),
});
/** Half-filled, as a page holds it while it is being typed: everything else is held to the same rules. */
export const draftPreview = draftInput.extend({ name: line(120) });

export const newSession = z.strictObject({ id, draft: draftInput });
export const newPlan = z.strictObject({ draft: draftInput, reason: line(400).min(1, 'Say why the plan changes.'), expectedVersion: z.int().min(1) });

const amount = figure(z.number().min(0, 'An amount is not below 0.').max(1_000_000, 'That is more than any bath holds.'));
const stepId = z.string().min(1).max(140);
const eventBase = { id, atMs: instantMs.optional() };
export const eventInput = z.discriminatedUnion('type', [
  z.strictObject({ ...eventBase, type: z.literal('phaseEntered'), stepId, phaseIndex: z.int().min(0).max(50) }),
  z
    .strictObject({ ...eventBase, type: z.literal('reading'), stepId, quantity: z.enum(['bathC', 'ph', 'volumeMl']), value: z.number() })
    .superRefine((event, context) => {
      const bad = READING_BOUNDS[event.quantity].find(([test]) => test(event.value));
      if (bad) context.addIssue({ code: 'custom', path: ['value'], message: bad[1] });
    }),
  z.strictObject({ ...eventBase, type: z.literal('lotWeighed'), lotId: id, dryWeightG: grams }),
  z.strictObject({
    ...eventBase,
    type: z.literal('addition'),
    stepId,
    additionId: line(64).nullable(),
    substance: nameText,
    amount,
    unit: z.enum(['g', 'mL']),
  }),
  z.strictObject({ ...eventBase, type: z.literal('stirred'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('flipped'), stepId }),
  z.strictObject({ ...eventBase, type: z.literal('checked'), stepId, finding: noteText }),
  z.strictObject({ ...eventBase, type: z.literal('moved'), stepId, toVesselId: id }),
  z.strictObject({ ...eventBase, type: z.literal('lifted'), stepId }),
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

export const newRun = z.strictObject({ id, eventId: id, planVersion: z.int().min(1), atMs: instantMs.optional() });
export const replanInput = z.strictObject({ eventId: id, reason: line(400).min(1, 'Say why the plan changes.') });
export const againInput = z.strictObject({ name: nameText, startMs: instantMs, lotIds: z.array(id).min(1, 'Choose at least one lot.').max(60) });

export const readingsInput = z.strictObject({
  readings: z
    .array(z.strictObject({ atMs: instantMs.optional(), bathC }))
    .min(1)
    .max(5000),
});

export const simPotInput = z.strictObject({
  on: z.boolean(),
  burner: z.number().min(0).max(10),
  lid: z.boolean(),
  litres: z.number().gt(0).max(500),
  factor: z.number().min(1).max(600),
});
export type SimPotInput = z.infer<typeof simPotInput>;
