import { z } from 'zod';
import { RATINGS } from '@/core/colour/grades';
import { FASTNESS_KINDS } from '@/core/fastness/parts';
import { id, instantMs, line, noteText, revision } from './text';

/** Light and wash tests: what is to be looked at and when, and the grades so far. */

const said = {
  id,
  kind: z.enum(FASTNESS_KINDS),
  lotId: id,
  beganAtMs: instantMs,
  lookDays: z
    .array(z.int().min(1, 'The first look is a day later at the earliest.').max(1000, 'At most 1000 days.'))
    .min(1, 'Say when it is looked at.')
    .max(40)
    .refine((days) => days.every((day, i) => i === 0 || day > (days[i - 1] ?? 0)), 'The days rise, each once.'),
  note: noteText,
};
export const fastnessInput = z.strictObject(said);
export type FastnessInput = z.infer<typeof fastnessInput>;
export const fastnessWithdraw = z.strictObject({ reason: line(200).min(1, 'Say why: it stands beside it for ever.'), revision });
export const fastnessFilter = z.object({ lotId: id.optional() });

export const fastnessTest = z
  .object({
    ...said,
    createdAtMs: instantMs,
    by: z.string().optional(),
    revision,
    withdrawn: z.object({ atMs: instantMs, by: z.string().optional(), reason: z.string() }).nullable(),
  })
  .meta({ id: 'FastnessTest', description: 'A light or wash test of a lot: its parts are looked at on set days; a look names the part that it is of.' });

const rating = z.literal([...RATINGS]);
export const fastnessView = z
  .object({
    test: fastnessTest,
    lot: z.string(),
    dyes: z.array(z.string()),
    grades: z.array(z.object({ atMs: instantMs, day: z.int(), change: rating, stain: rating.nullable() })),
    nextAtMs: instantMs.nullable(),
    says: z.string(),
  })
  .meta({
    id: 'FastnessView',
    description: 'A test with its grades so far (ISO 105-A05 change, A04 staining, 1 to 5 in half steps) and when it wants its next look.',
  });
