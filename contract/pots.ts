import { z } from 'zod';

const ratio = z.object({ middle: z.number(), lnSd: z.number() });

export const learntWater = z
  .object({ alkalinityMgL: z.object({ low: z.number(), likely: z.number(), high: z.number() }), n: z.int() })
  .nullable()
  .meta({ id: 'LearntWater', description: 'What the tap gives by the strips of n baths of plain water, mg/L as CaCO3; null while none tells.' });

export const heldInPots = z.array(z.object({ sessionId: z.string(), vesselId: z.string(), substances: z.array(z.string()), doneAtMs: z.number() })).meta({
  id: 'HeldInPots',
  description: 'By vessel and session, among the newest runs: what was put into the last bath that it held, and when that was over.',
});

export const pots = z
  .array(
    z.object({ vesselId: z.string(), heatSourceId: z.string().nullable(), n: z.int(), lossFactor: ratio, lagS: ratio, powerW: z.record(z.string(), ratio) }),
  )
  .meta({
    id: 'LearntPots',
    description:
      'By vessel and the heat it stands on: what is lost against what its shape would lose, seconds in which its heat follows the knob, watts by the name of a setting; each with its spread as a natural logarithm, from n curves of the newest runs.',
  });
