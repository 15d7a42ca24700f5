import { z } from 'zod';
import * as baths from '@/contract/baths';
import * as fastness from '@/contract/fastness';
import * as looks from '@/contract/looks';
import { issuesOf } from '@/contract/plainIssue';
import * as out from '@/contract/responses';
import { eventInput } from '@/contract/schemas';
import { id, instantMs, nameText } from '@/contract/text';
import * as trials from '@/contract/trials';
import { type RowKind, type RowWrite, wordsOf } from '@/store/tables';

const revised = z.object({ id, revision: z.int().min(1), retired: z.boolean() });
/** Acts that no person sends: they come with a start and with a change of plan. */
const ownEvent = z.discriminatedUnion('type', [
  z.object({ id, type: z.literal('started'), planVersion: z.int().min(1), atMs: instantMs }),
  z.object({ id, type: z.literal('replanned'), planVersion: z.int().min(1), reason: z.string(), atMs: instantMs }),
]);
const event = z
  .looseObject({ id, type: z.string(), atMs: instantMs, recordedAtMs: instantMs, by: nameText.optional() })
  .superRefine(({ recordedAtMs: _recorded, by: _by, ...said }, context) => {
    const shape = said.type === 'started' || said.type === 'replanned' ? ownEvent : eventInput;
    for (const { path, message } of shape.safeParse(said).error?.issues ?? []) context.addIssue({ code: 'custom', path: [...path], message });
  });

/** What a row of each kind says. Rows of our own database are trusted; those of a file that somebody hands in are held against this. */
const ROWS: Readonly<Record<RowKind, z.ZodType>> = {
  home: out.home,
  lot: out.lot,
  passport_entry: out.treatment.extend({ lotId: id }),
  vessel: out.vessel,
  // Where it stands now is reckoned, never stored.
  sim_pot: out.simPot.omit({ trueC: true }),
  session: z.object({ id, name: z.string(), createdAtMs: instantMs }),
  plan: out.plan,
  run: z.object({ id, sessionId: id, createdAtMs: instantMs }),
  run_event: z.object({ runId: id, event }),
  stock: out.stockItem,
  liquor: out.liquor,
  bath_act: baths.keptAct,
  own_substance: out.ownSubstance,
  method: out.method,
  method_shelf: revised,
  look: looks.look,
  trial: trials.trial,
  fastness_test: fastness.fastnessTest,
  weigh_tick: out.weighTick.extend({ sessionId: id }),
  sent: z.object({ id, path: z.string(), sum: z.number() }),
};

const PAUSE_EVERY = 200;

/** Which row of a file is not as Hyndle writes them, in words; null when all are. */
export async function badRow(rows: readonly RowWrite[], pause: () => Promise<void> = async () => undefined): Promise<{ at: string; message: string } | null> {
  const counts: Partial<Record<RowKind, number>> = {};
  for (const [i, { table, row }] of rows.entries()) {
    if (i % PAUSE_EVERY === 0) await pause();
    const line = (counts[table] ?? 0) + 1;
    counts[table] = line;
    const { error } = ROWS[table].safeParse(row);
    if (!error) continue;
    const [first] = issuesOf(error);
    return { at: `rows/${table}.ndjson, line ${line}`, message: `${wordsOf(table, row)} is not as Hyndle writes it. ${first?.at}: ${first?.message}` };
  }
  return null;
}
