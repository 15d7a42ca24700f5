import { z } from 'zod';
import { CERTAINTIES } from '@/core/fibre/passport';
import { AMOUNT_UNITS } from '@/core/measure/print';
import { PLANT_FORMS } from '@/core/shelf/dyestuff';
import { homeInput } from './schemas';

/** Small schemas that several answers are made of. */

export const ms = z.number();
export const number = z.number();
export const range = z.object({ least: number, most: number.nullable() });
/** A number, a range of it, or null: unknown. */
export const known = z.union([number, range]).nullable();
export const text = z.string();
export const revision = z.int().min(1);
export const certainty = z.enum(CERTAINTIES);
export const unit = z.enum(AMOUNT_UNITS);
export const severity = z.enum(['stop', 'stopUnlessReason', 'caution', 'note']);
export const window = z.object({ fromMs: ms, toMs: ms });

export const plantForm = z.enum(PLANT_FORMS);

export const home = homeInput.extend({ revision }).meta({ id: 'Home' });

const said = z.object({ text, standing: z.enum(['practice', 'uncertain', 'estimate']) });
export const dyestuff = z
  .looseObject({ id: text, name: text, part: text, chemistry: text, mordant: text, heat: said, colour: said, behaviour: said, expectedHex: text })
  .meta({ id: 'Dyestuff' });
export const assistant = z.looseObject({ id: text, name: text, group: text, unit: text, inBrief: text }).meta({ id: 'Assistant' });
