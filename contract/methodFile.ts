import { z } from 'zod';
import { TREATMENTS } from '@/core/fibre/passport';
import { AMOUNT_UNITS } from '@/core/measure/print';
import { LIDS, type Method, PLACES, STAGES } from '@/core/method/method';
import { err, ok, type Result } from '@/core/result';
import { blockedText } from '@/core/safety/data/blocked';
import { PLANT_FORMS } from '@/core/shelf/dyestuff';
import type { Shelf } from '@/core/shelf/lookup';
import { id, line, nameText, noteText } from './text';

/** A method as it crosses a boundary: in a request, and as an open JSON file. */

const key = z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,39}$/, 'Keys are a letter, then letters and digits.');
const bounded = z.number().min(-100_000).max(1_000_000);
const ref = z.union([bounded, z.strictObject({ param: key })]);
const standing = z.enum(['practice', 'uncertain', 'estimate']);
const span = z.strictObject({ min: ref, typical: ref, max: ref });
const act = line(400).min(1, 'Say what to do.');

const param = z.strictObject({ key, label: nameText, unit: line(24), usual: bounded.nullable(), min: bounded, max: bounded, standing });

const phase = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('charge'), minutes: ref, act }),
  z.strictObject({ kind: z.literal('raise'), toC: ref, maxRateCPerMin: ref.nullable() }),
  z.strictObject({
    kind: z.literal('hold'),
    lowC: ref.nullable(),
    highC: ref.nullable(),
    ceilingC: ref.nullable(),
    minutes: span,
    stirEveryMin: ref.nullable(),
    flipAtMin: ref.nullable(),
    tap: line(40).min(1).optional(),
  }),
  z.strictObject({ kind: z.literal('dip'), exactMin: ref, act }),
  z.strictObject({ kind: z.literal('soak'), minutes: span, checkEveryMin: ref.nullable() }),
  z.strictObject({ kind: z.literal('until'), minutes: span, checkEveryMin: ref, criterion: act }),
  z.strictObject({ kind: z.literal('rest'), minutes: span, overnightOk: z.boolean() }),
  z.strictObject({ kind: z.literal('lift'), minutes: ref, act }),
]);

const substance = line(64).min(1);
/** The phase at whose beginning it goes in. */
const atPhase = z.int().min(0).max(23).optional();
const rule = z.discriminatedUnion('rule', [
  z.strictObject({ id: key, substance, rule: z.literal('wofPct'), pct: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('mLPerL'), dose: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('gPerL'), dose: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('mLPerG'), dose: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('perPortion'), dose: ref, portionG: ref, unit: z.enum(AMOUNT_UNITS), phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('toPh'), per: z.enum(['mLPerL', 'gPerL']), dose: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('bathPct'), pct: ref, phase: atPhase }),
  z.strictObject({ id: key, substance: z.literal('dyestuff'), rule: z.literal('ratio'), ratio: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('perPiece'), count: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('times'), count: ref, each: ref, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('byEye'), words: act, phase: atPhase }),
  z.strictObject({ id: key, substance, rule: z.literal('blocked'), words: act, phase: atPhase }),
]);

const step = z.strictObject({
  key,
  kind: z.enum(STAGES),
  title: nameText,
  where: z.enum(PLACES),
  lots: z.enum(['in', 'sizeOnly']),
  liquor: z.enum(['own', 'makes', 'keeps', 'uses', 'brings', 'none']),
  bath: z
    .union([
      z.strictObject({ mLPerG: ref, of: substance.optional() }),
      z.strictObject({ mL: ref, of: substance.optional() }),
      z.strictObject({ mLPerPortion: ref, portionG: ref, of: substance.optional() }),
    ])
    .nullable(),
  additions: z.array(rule).max(12),
  phases: z.array(phase).min(1, 'A step has something to do.').max(24),
  lookFor: line(400).nullable(),
  phAim: z.strictObject({ low: ref.nullable(), high: ref.nullable() }).optional(),
  treatment: z.enum([...TREATMENTS, 'notScoured', 'noMordant']).nullable(),
  lid: z.enum(LIDS),
  still: z.boolean(),
});

const fields = {
  name: nameText,
  stage: z.enum(STAGES),
  school: line(160).min(1, 'Say which practice it is.'),
  why: noteText.min(1, 'Say why it is done this way.'),
  needsDyestuff: z.boolean(),
  form: z.enum(PLANT_FORMS).nullable(),
  params: z.array(param).max(40),
  steps: z.array(step).min(1, 'A method has at least one step.').max(12),
  cautions: z.array(line(200)).max(12),
  copyOf: z.strictObject({ id: line(64), version: z.int().min(1) }).nullable(),
};
export const methodInput = z.strictObject(fields);
export type MethodInput = z.infer<typeof methodInput>;
export const method = z.strictObject({ id, version: z.int().min(1), ...fields }).meta({ id: 'Method' });

export const METHOD_FORMAT = 'hyndle-method';
export const METHOD_FORMAT_VERSION = 1;
/** A file is at most this long; a method of twelve steps is a tenth of it. */
export const METHOD_FILE_MAX_BYTES = 256 * 1024;

export const methodFile = z.strictObject({
  format: z.literal(METHOD_FORMAT),
  formatVersion: z.literal(METHOD_FORMAT_VERSION),
  method: methodInput.extend({ id: line(64).optional(), version: z.int().min(1).optional() }),
});

/** The open file of a method: plain JSON that anybody may read, write and share. */
export const toMethodFile = (one: Method) => ({ format: METHOD_FORMAT, formatVersion: METHOD_FORMAT_VERSION, method: one }) as const;

export interface FileFault {
  readonly at: string;
  readonly message: string;
}

/**
 * Reads a method file of unknown making. A blocked substance keeps its words and loses its dose; a substance written by
 * its name is found by it. Everything else that is wrong is said at its place, and nothing is guessed.
 */
export function readMethodFile(file: unknown, shelf: Shelf): Result<MethodInput, readonly FileFault[]> {
  const one = (message: string, at = 'file'): Result<MethodInput, readonly FileFault[]> => err([{ at, message }]);
  if (JSON.stringify(file ?? null).length > METHOD_FILE_MAX_BYTES)
    return one(`A method file is at most ${METHOD_FILE_MAX_BYTES / 1024} kB. This one is longer.`);
  if (typeof file !== 'object' || file === null || Array.isArray(file)) return one('This is not a method file: it is no JSON object.');
  const { format, formatVersion } = file as { format?: unknown; formatVersion?: unknown };
  if (format !== METHOD_FORMAT) return one(`This is not a method file: its “format” is not “${METHOD_FORMAT}”.`, 'format');
  if (typeof formatVersion === 'number' && formatVersion > METHOD_FORMAT_VERSION)
    return one(
      `This file was written by a newer version (format ${formatVersion}; known here: ${METHOD_FORMAT_VERSION}). Nothing was taken in.`,
      'formatVersion',
    );
  const parsed = methodFile.safeParse(withKnownNames(file, shelf));
  if (!parsed.success) return err(parsed.error.issues.slice(0, 20).map((issue) => ({ at: issue.path.join('.') || 'file', message: issue.message })));
  const { id: _id, version: _version, ...method } = parsed.data.method;
  return ok(method);
}

/** Substances by name become ids; blocked ones keep their words and no rule that a dose could come from. */
function withKnownNames(file: object, shelf: Shelf): unknown {
  const ids = new Map([...shelf.dyestuffs, ...shelf.assistants].map((known) => [known.name.toLowerCase(), known.id]));
  const copy = structuredClone(file) as { method?: { steps?: unknown } };
  const steps = copy.method?.steps;
  if (!Array.isArray(steps)) return copy;
  for (const step of steps as { additions?: unknown }[]) {
    if (!Array.isArray(step?.additions)) continue;
    step.additions = (step.additions as unknown[]).map((rule) => {
      const { id: ruleId, substance } = (rule ?? {}) as { id?: unknown; substance?: unknown };
      if (typeof substance !== 'string') return rule;
      if (blockedText(substance)) return { id: ruleId, substance: 'blocked', rule: 'blocked', words: substance.slice(0, 400) };
      const known = ids.get(substance.toLowerCase());
      return known ? { ...(rule as object), substance: known } : rule;
    });
  }
  return copy;
}
