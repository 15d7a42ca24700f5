import { z } from 'zod';
import { KEPT_IN } from '@/core/liquor/liquor';
import { AMOUNT_UNITS } from '@/core/measure/print';
import { ASSISTANT_GROUPS } from '@/core/shelf/assistant';
import { CHEMISTRIES, PLANT_FORMS } from '@/core/shelf/dyestuff';
import { FORMS } from '@/core/shelf/forms';
import { SPENT_KEEPS } from '@/core/shelf/spent';
import { amount, figure, hex, id, instantMs, line, nameText, noteText, revision } from './text';

/** Schemas of what stands on the shelf. */

const spent = z.strictObject({
  uses: z.int().min(1, 'It gave one bath at least.').max(20, 'Nothing gives more than 20 baths.'),
  keeps: z.enum(SPENT_KEEPS),
  isMixed: z.boolean(),
  from: z.strictObject({ runId: id, stepId: line(140) }).nullable(),
});

export const stockInput = z
  .strictObject({
    substance: line(64).min(1, 'Choose what it is.'),
    form: z.enum(PLANT_FORMS).nullable(),
    label: line(24).nullable(),
    amount,
    unit: z.enum(AMOUNT_UNITS),
    countedAtMs: instantMs,
    place: line(120),
    source: line(160),
    pricePerUnit: z.number().min(0, 'A price is not below 0.').max(100_000).nullable(),
    ownBulkGPerMl: z.number().gt(0).max(20, 'That is heavier than any powder.').nullable(),
    note: noteText,
    spent: spent.nullable().optional(),
  })
  .superRefine((item, context) => {
    if (item.spent && item.form !== 'spent') context.addIssue({ code: 'custom', path: ['spent'], message: 'Only spent matter gave baths before.' });
    if (item.label !== null && !FORMS[item.substance]?.some((form) => form.id === item.label))
      context.addIssue({ code: 'custom', path: ['label'], message: 'This form is not one of its labels.' });
  });
export const newStock = stockInput.safeExtend({ id });
export const stockEdit = stockInput.safeExtend({ revision });
export type StockInput = z.infer<typeof stockInput>;

export const liquorInput = z.strictObject({
  name: nameText,
  dyestuffId: line(64).nullable(),
  volumeMl: figure(z.number().gt(0, 'A volume is above 0.').max(500_000, 'That is more than 500 L.')),
  ph: z.number().min(0, 'pH lies between 0 and 14.').max(14, 'pH lies between 0 and 14.').nullable(),
  madeAtMs: instantMs,
  keptIn: z.enum(KEPT_IN),
  place: line(120),
  uses: z.int().min(0).max(100),
  spoilByMs: instantMs.nullable(),
  labelled: z.boolean(),
  note: noteText,
  from: z.strictObject({ runId: id, stepId: line(140) }).nullable(),
});
export const newLiquor = liquorInput.extend({ id });
export const liquorEdit = liquorInput.extend({ revision });
export type LiquorInput = z.infer<typeof liquorInput>;

const ratio = z.number().gt(0, 'A ratio is above 0.').max(100);
export const ownDyestuffInput = z.strictObject({
  kind: z.literal('dyestuff'),
  name: nameText,
  part: line(80),
  botanical: line(80).default(''),
  chemistry: z.enum(CHEMISTRIES),
  mordant: z.enum(['needed', 'helps', 'substantive', 'vat', 'unsettled']),
  phSensitive: z.boolean(),
  fugitive: z.enum(['yes', 'said', 'no']),
  maxC: z.number().min(20).max(105).nullable(),
  ratioFresh: ratio.nullable(),
  ratioDried: ratio.nullable(),
  colour: line(200),
  expectedHex: hex,
});
export const ownAssistantInput = z.strictObject({
  kind: z.literal('assistant'),
  name: nameText,
  group: z.enum(ASSISTANT_GROUPS),
  unit: z.enum(['g', 'mL']),
  usual: line(160),
  cautionAbovePct: z.number().gt(0).max(1000).nullable(),
  inBrief: line(200),
});
export const ownSubstanceInput = z.discriminatedUnion('kind', [ownDyestuffInput, ownAssistantInput]);
export const newSubstance = z.strictObject({ id, what: ownSubstanceInput });
export type OwnSubstanceInput = z.infer<typeof ownSubstanceInput>;

export const retireInput = z.strictObject({ revision, retired: z.boolean() });

export const weighTickInput = z.strictObject({
  id,
  key: z.string().min(3).max(210),
  amount: amount.nullable(),
  unit: z.enum(AMOUNT_UNITS),
});
