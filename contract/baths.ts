import { z } from 'zod';
import type { KeptAct, KeptFact } from '@/core/liquor/act';
import { KEPT_IN } from '@/core/liquor/liquor';
import { AMOUNT_UNITS } from '@/core/measure/print';
import * as out from './responses';
import { amount, figure, hex, id, instantMs, line, nameText, revision } from './text';

/** Kept baths as things: what was done to them, and what that comes to. */

const volume = figure(z.number().gt(0, 'A volume is above 0.').max(500_000, 'That is more than 500 L.'));
/** The bath of a run that was poured, by the last step that was in it. */
const fromRun = z.strictObject({ runId: id, stepId: line(140) });
const what = line(120).min(1, 'Say what or what for.');

export const keptFact = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('pouredIn'),
    what,
    mL: volume,
    draw: z.int().min(1, 'Draws are counted from 1.').max(100).nullable(),
    brings: z
      .array(z.strictObject({ substance: line(120).min(1), amount, unit: z.enum(AMOUNT_UNITS) }))
      .max(100)
      .optional(),
    from: fromRun.optional(),
  }),
  z.strictObject({
    kind: z.literal('drawn'),
    what,
    mL: volume.refine(({ state }) => state !== 'unknown', 'Say how much was taken; about is fine.'),
    toId: id.nullable(),
  }),
  z.strictObject({ kind: z.literal('put'), substance: line(120).min(1, 'Name what went in.'), amount, unit: z.enum(AMOUNT_UNITS) }),
  z.strictObject({ kind: z.literal('water'), mL: volume }),
  z.strictObject({ kind: z.literal('strained') }),
  z
    .strictObject({
      kind: z.literal('read'),
      ph: z.number().min(0, 'pH lies between 0 and 14.').max(14, 'pH lies between 0 and 14.').nullable(),
      mL: z.number().min(0, 'A volume is not below 0.').max(500_000, 'That is more than 500 L.').nullable(),
    })
    .refine(({ ph, mL }) => ph !== null || mL !== null, { path: ['ph'], message: 'Type a pH or a volume.' }),
  z.strictObject({ kind: z.literal('moved'), keptIn: z.enum(KEPT_IN), place: line(120) }),
  z.strictObject({ kind: z.literal('used'), what, fibreG: figure(z.number().gt(0, 'A weight is above 0.').max(200_000)) }),
  z.strictObject({ kind: z.literal('pouredAway'), how: line(400).min(1, 'Say how it goes away.') }),
]);
export const keptActInput = z.strictObject({ id, atMs: instantMs.optional(), fact: keptFact });
export type KeptActInput = Omit<z.infer<typeof keptActInput>, 'fact'> & { readonly fact: KeptFact };
export const keptActWithdraw = z.strictObject({ reason: line(200).min(1, 'Say why: it stands beside it for ever.'), revision });

export const keptAct = z
  .object({
    id,
    liquorId: id,
    atMs: instantMs,
    recordedAtMs: instantMs,
    by: nameText.optional(),
    fact: keptFact,
    revision,
    withdrawn: z.object({ atMs: instantMs, by: nameText.optional(), reason: z.string() }).nullable(),
  })
  .meta({ id: 'BathAct', description: 'What somebody did to a kept bath: poured in, drawn, put in, measured, moved, used, poured away.' });

const band = z.object({ low: z.number(), likely: z.number(), high: z.number() });
const number = z.number().nullable();

export const bathView = z
  .object({
    liquor: out.liquor.meta({ description: 'As it was kept.' }),
    now: out.liquor
      .extend({ volumeMl: figure(z.number().min(0)) })
      .meta({ description: 'The same as it stands now: its volume, pH, uses, place and day, by all that was done to it.' }),
    says: z.string(),
    touched: z.array(z.string()).meta({ description: 'Metal salts and tannins that were in it, by name.' }),
    holds: z.array(z.string()).meta({ description: 'Every substance that is in it, by id.' }),
    gotFrom: z.array(fromRun).meta({ description: 'Baths of runs that were poured into it.' }),
    isGone: z.boolean(),
    plannedIn: z.array(z.object({ sessionId: id, name: z.string() })).meta({ description: 'Sessions planned with it that were not begun.' }),
  })
  .meta({ id: 'KeptBath', description: 'A kept bath as it stands now.' });
export type BathView = z.infer<typeof bathView>;

export const bathPage = bathView
  .extend({
    solutes: z.array(
      z.object({
        substance: z.string(),
        name: z.string(),
        unit: z.enum(AMOUNT_UNITS),
        isMatter: z.boolean(),
        isEstimate: z.boolean(),
        inAmount: number,
        outAmount: number,
        tookAmount: number,
        left: number,
        leftAtLeast: number.meta({ description: 'If the goods took the most of it.' }),
        leftAtMost: number,
        perL: number,
      }),
    ),
    lines: z.array(z.object({ actId: id.nullable(), atMs: z.number(), text: z.string(), changeMl: number, afterMl: number })),
    plants: z.array(z.object({ name: z.string(), amount: number, unit: z.enum(AMOUNT_UNITS) })).meta({ description: 'What it was drawn from.' }),
    acts: z.array(keptAct),
    uses: z.array(
      z.object({
        n: z.int(),
        atMs: z.number(),
        what: z.string(),
        fibreG: number,
        runId: id.nullable(),
        lots: z.array(z.object({ id, name: z.string(), hex: hex.nullable() })),
      }),
    ),
    draws: z.array(z.object({ n: z.int(), atMs: z.number(), what: z.string(), mL: number, toId: id.nullable() })),
    strength: z
      .object({
        left: band,
        blend: band.nullable().meta({ description: 'Of several numbered draws: how strong it was blended, against the first draw alone.' }),
        pairs: z.int(),
        firstG: number,
        enoughG: band.nullable(),
        colours: z.object({ low: hex, likely: hex, high: hex }).nullable(),
        says: z.string(),
      })
      .nullable()
      .meta({ description: 'What is left of its colour, of the first strength; null where nothing dyes in it.' }),
    pour: z.array(z.string()).meta({ description: 'Where it may go, strictest first.' }),
  })
  .meta({ id: 'KeptBathPage', description: 'A kept bath with its balance, its uses and draws, what is left of its colour, and how it is poured away.' });
export type BathPage = Omit<z.infer<typeof bathPage>, 'acts'> & { readonly acts: readonly KeptAct[] };
