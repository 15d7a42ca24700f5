import { z } from 'zod';
import { STAGES } from '@/core/method/method';
import { LOOK_STATES } from '@/core/swatch/look';
import { DESIGNS, MOST_FACTORS, MOST_LEVELS, MOST_PIECES } from '@/core/trial/trial';
import { grams, hex, id, instantMs, line, nameText, noteText, numberOrRange, revision } from './text';

/** Trials: what differs, in which levels, which piece got what, and what it tells so far. */

const stage = z.enum(STAGES);
const paramKey = z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,40}$/, 'A figure is named by the key that its method gives it.');
const how = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('hand') }),
  z.strictObject({ kind: z.literal('lot'), lotId: id }),
  z.strictObject({
    kind: z.literal('step'),
    stage,
    methodId: id.nullable(),
    params: z.record(paramKey, numberOrRange(z.number().min(0).max(1_000_000)).nullable()),
    dyestuffId: id.optional(),
  }),
  z.strictObject({ kind: z.literal('figure'), stage, param: paramKey, value: z.number().min(0).max(1_000_000) }),
  z.strictObject({ kind: z.literal('dyestuff'), dyestuffId: id }),
]);
const level = z.strictObject({ name: line(60).min(1, 'Give each level a name.'), how });
const factor = z.strictObject({
  id,
  name: nameText,
  levels: z
    .array(level)
    .min(1, 'Name at least one level.')
    .max(MOST_LEVELS, `Up to ${MOST_LEVELS} levels can be told apart.`)
    .refine((all) => new Set(all.map(({ name }) => name.toLowerCase())).size === all.length, 'Each level has its own name.'),
});

const asked = {
  id,
  name: nameText,
  question: noteText,
  factors: z
    .array(factor)
    .min(1, 'Say what differs.')
    .max(MOST_FACTORS, `Up to ${MOST_FACTORS} things can differ in one trial.`)
    .refine((all) => new Set(all.map((one) => one.id)).size === all.length, 'Each has its own id.')
    .refine((all) => all.filter(({ levels }) => levels.some(({ how: { kind } }) => kind === 'lot')).length < 2, 'The lots can differ in one way only.'),
  design: z.enum(DESIGNS),
  repeats: z.int().min(1, 'At least one piece of each.').max(12, 'Up to 12 of each.'),
  pieceG: grams,
  wayId: id.nullable(),
  dyestuffId: id.nullable(),
};
export const trialInput = z.strictObject({
  ...asked,
  /** What is cut, where the lots are no factor. */
  lotId: id.nullable(),
  controls: z.int().min(0).max(40, 'Up to 40 controls.'),
});
export type TrialInput = z.infer<typeof trialInput>;
export const trialWithdraw = z.strictObject({ reason: line(200).min(1, 'Say why: it stands beside it for ever.'), revision });

const piece = z.object({ code: z.string(), lotId: id, cell: z.array(z.int().min(0)).nullable() });
export const trial = z
  .object({
    ...asked,
    pieces: z.array(piece).max(MOST_PIECES),
    createdAtMs: instantMs,
    by: z.string().optional(),
    revision,
    withdrawn: z.object({ atMs: instantMs, by: z.string().optional(), reason: z.string() }).nullable(),
  })
  .meta({ id: 'Trial', description: 'Pieces made to be compared: `cell` gives the number of the level of each factor; a control has none.' });

const part = z.object({ value: z.number(), pm: z.number().nullable() });
const tells = z.object({
  lines: z.array(z.object({ factor: z.string(), what: z.string(), says: z.string(), l: part, a: part, b: part })),
  tooClose: z.array(z.string()),
  notTold: z.array(z.string()),
  seen: z.int(),
  of: z.int(),
});
export const trialView = z
  .object({
    trial,
    pieces: z.array(
      piece.extend({ lab: z.object({ l: z.number(), a: z.number(), b: z.number() }).nullable(), hex: hex.nullable(), state: z.enum(LOOK_STATES).nullable() }),
    ),
    sessions: z.array(z.object({ id: z.string(), name: z.string() })),
    tells,
  })
  .meta({
    id: 'TrialView',
    description:
      'A trial with the colours of its pieces so far, and what they tell: effects on L*, a* and b* with half of their 95 % interval (`pm`), null without pieces alike.',
  });
export const trialLines = z.array(
  z.object({ id: z.string(), name: z.string(), createdAtMs: instantMs, pieces: z.int(), seen: z.int(), withdrawn: z.boolean() }),
);
