import { z } from 'zod';
import { STEP_TREATMENTS } from '@/core/fibre/passport';
import { MOST_LOTS } from '@/core/plan/draft';
import { BLEEDS, DEPTHS, EVENS, LIGHTS, LOOK_STATES, STRENGTHS } from '@/core/swatch/look';
import { hex, id, instantMs, line, noteText, revision } from './text';

/** Results: what was seen of a lot, and what stands for it. */

const hash = z.string().regex(/^[\da-f]{64}$/, 'A picture is named by the 64 letters that it was given when it was kept.');
const pixels = z.int().min(1).max(100_000);
export const picture = z
  .strictObject({ hash, middle: hash, small: hash, widthPx: pixels, heightPx: pixels, takenAtMs: instantMs.nullable() })
  .meta({ id: 'Picture', description: 'A picture that is kept, in three sizes, each by the SHA-256 of its bytes: GET /blobs/{hash}.' });

export const MOST_PICTURES = 20;
export const MOST_SPOTS = 60;

const spot = z.strictObject({
  hash,
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  plant: line(60).min(1, 'Name the plant; a guess will do.'),
  sure: z.boolean(),
});

const card = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('white') }),
  z.strictObject({ kind: z.literal('grey') }),
  z.strictObject({ kind: z.literal('known'), hex }),
]);
const share = z.number().min(0).max(1);
const colourBy = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('picture'), hash, card: card.nullable(), spread: z.number().min(0).max(200), leftOut: share }),
  z.strictObject({ kind: z.literal('typed') }),
  z.strictObject({ kind: z.literal('eye') }),
]);
const axis = z.number().min(-200, 'a* and b* lie between −200 and 200.').max(200, 'a* and b* lie between −200 and 200.');
const lab = z.strictObject({ l: z.number().min(0, 'L* lies between 0 and 100.').max(100, 'L* lies between 0 and 100.'), a: axis, b: axis });
const colour = z.strictObject({ lab, by: colourBy });

const verdict = z.strictObject({
  depth: z.enum(DEPTHS).optional(),
  strength: z.enum(STRENGTHS).optional(),
  even: z.enum(EVENS).optional(),
  bled: z.enum(BLEEDS).optional(),
  next: line(200).optional(),
});

const said = {
  lotIds: z.array(id).max(MOST_LOTS),
  part: line(60).nullable(),
  liquorId: id.nullable(),
  at: z.strictObject({ runId: id, stepId: line(64).min(1) }).nullable(),
  state: z.enum(LOOK_STATES).nullable(),
  light: z.enum(LIGHTS).nullable(),
  pictures: z.array(picture).max(MOST_PICTURES, `A look holds up to ${MOST_PICTURES} pictures.`),
  spots: z.array(spot).max(MOST_SPOTS, `A look holds up to ${MOST_SPOTS} spots.`).optional(),
  colour: colour.nullable(),
  verdict,
  note: noteText,
};
export const lookInput = z.strictObject({ id, ...said, atMs: instantMs.optional() });
export type LookInput = z.infer<typeof lookInput>;

const reason = line(200).min(1, 'Say why: it stands beside it for ever.');
export const lookMove = z.strictObject({ lotIds: z.array(id).min(1, 'Say to which lot.').max(MOST_LOTS), reason, revision });
export const lookWithdraw = z.strictObject({ reason, revision });
export const lookFilter = z.object({ lotId: id.optional(), runId: id.optional(), liquorId: id.optional() });

export const dryingFilter = z.object({ dye: line(120).optional() });
export const swatchFilter = z.object({ runId: id.optional(), first: z.coerce.number().int().min(1).max(500).optional() });

const change = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('withdrawn'), atMs: instantMs, by: z.string().optional(), reason: z.string() }),
  z.object({ kind: z.literal('moved'), atMs: instantMs, by: z.string().optional(), reason: z.string(), fromLotIds: z.array(z.string()) }),
]);
export const look = z
  .object({
    id,
    ...said,
    step: z.object({ title: z.string(), treatment: z.enum(STEP_TREATMENTS).nullable() }).nullable(),
    atMs: instantMs,
    recordedAtMs: instantMs,
    by: z.string().optional(),
    revision,
    changes: z.array(change),
  })
  .meta({ id: 'Look', description: 'Somebody looked: pictures, a colour, words. Never erased; withdrawn or moved with a reason.' });

const seenColour = colour.extend({
  lookId: z.string(),
  atMs: instantMs,
  state: z.enum(LOOK_STATES).nullable(),
  light: z.enum(LIGHTS).nullable(),
  part: z.string().nullable(),
});
export const swatch = z
  .object({
    id: z.string(),
    lotId: z.string(),
    lot: z.string(),
    name: z.string(),
    detail: z.string(),
    fibre: z.string(),
    dyes: z.array(z.string()),
    colour: seenColour.nullable(),
    hex: z.string().nullable(),
    picture: picture.nullable(),
    verdict: z.string(),
    fastness: z.string(),
    looks: z.int(),
    atMs: instantMs,
    words: z.string(),
  })
  .meta({ id: 'Swatch', description: 'A result: one lot after one treatment, folded from all looks at it. `words` is what it is found by.' });

export const factorIndex = z
  .array(z.object({ what: z.string(), values: z.array(z.object({ says: z.string(), ids: z.array(z.string()) })) }))
  .meta({ id: 'SwatchFactors', description: 'What is written down of all results, by factor and value, with the ids of the results that have it.' });

export const ownDyes = z.array(z.object({ dye: z.string(), mordanted: z.boolean(), hex: z.string(), n: z.int(), spread: z.number().nullable() })).meta({
  id: 'OwnDyes',
  description: 'What dyestuffs gave here, with a mordant and without, as it would be on undyed fibre: learnt from the newest own results.',
});

const labView = z.object({ l: z.number(), a: z.number(), b: z.number() });
export const drying = z
  .object({ drying: z.object({ n: z.int(), of: z.string(), by: labView, spread: z.number().nullable() }).nullable() })
  .meta({ id: 'Drying', description: 'How such a lot dries, learnt from own results: dry less wet; null where none was read wet and again dry.' });
