import { z } from 'zod';

/** Texts, ids, times and amounts as they may come in. Bounds refuse typing slips, not odd dyers. */

/** Tab, line feed and carriage return may stand in a text; other control characters may not. */
const ALLOWED_CONTROLS = ['\t', '\n', '\r'];
const noControls = (text: string): boolean => !Array.from(text).some((letter) => letter < ' ' && !ALLOWED_CONTROLS.includes(letter));
const TEXT_MESSAGE = 'Control characters cannot be kept.';
export const line = (max: number) => z.string().trim().max(max).refine(noControls, TEXT_MESSAGE);
/** Marks, joiners and blanks alone are no name: nobody could see it. */
const isSeen = (text: string): boolean => /[^\p{Z}\p{C}\p{M}\u115f\u1160\u3164\uffa0]/u.test(text);
export const nameText = line(120)
  .min(1, 'Give it a name.')
  .refine((text) => text === '' || isSeen(text), 'Give it a name that can be seen.');
export const noteText = z.string().max(4000, 'Notes hold up to 4000 characters.').refine(noControls, TEXT_MESSAGE);
/** Names that every object of the language has: as an id they would be found where nothing is. */
const isOwnWord = (word: string): boolean => !(word in {});
export const id = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,64}$/, 'Ids are 1–64 letters, digits, - or _.')
  .refine(isOwnWord, 'This word cannot be an id.');
/** Epoch milliseconds between 2000 and 2100. */
export const instantMs = z.int().min(946_684_800_000).max(4_102_444_800_000);
export const grams = z.number().gt(0, 'A weight is above 0 g. Leave it unknown if nobody weighed it.').max(200_000, 'That is more than 200 kg.');
export const hex = z.string().regex(/^#[0-9a-f]{6}$/i, 'Colours are written like #d9b52b.');
export const revision = z.int().min(1);

const upwards = (range: { least: number; most: number | null }): boolean => range.most === null || range.least <= range.most;
const BACKWARDS = 'A range runs from its least to its most.';
export const figure = (value: z.ZodNumber) =>
  z.discriminatedUnion('state', [
    z.strictObject({ state: z.literal('measured'), value }),
    z.strictObject({ state: z.literal('estimated'), value }),
    z.strictObject({ state: z.literal('between'), least: value, most: value.nullable() }).refine(upwards, BACKWARDS),
    z.strictObject({ state: z.literal('unknown') }),
  ]);
/** A number, or a range of it: "6–8", "at least 1". */
export const numberOrRange = (value: z.ZodNumber) => z.union([value, z.strictObject({ least: value, most: value.nullable() }).refine(upwards, BACKWARDS)]);
const amountNumber = z.number().min(0, 'An amount is not below 0.').max(1_000_000, 'That is more than any bath holds.');
export const amount = figure(amountNumber);
export const plainAmount = numberOrRange(amountNumber);
