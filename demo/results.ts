import type { LookInput } from '@/contract/looks';
import { seededChance } from '@/core/chance';
import { type Linear, labOfLinear } from '@/core/colour/lab';
import { correct, readPatch } from '@/core/colour/patch';
import { foldRun } from '@/core/run/fold';
import type { App } from '@/server/app';
import { addLook } from '@/server/looks';
import { keepPicture } from '@/server/pictures';
import { runView } from '@/server/runs';
import { CARD_AT, drawSkein, FIBRE_AT } from './pictures';
import type { At } from './play';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** What the shed's lamp, and its window on a dull day, make of white. */
const LAMP: Linear = [1, 0.82, 0.55];
const WINDOW: Linear = [0.92, 0.95, 1];

interface Seen {
  readonly id: string;
  readonly hex: string;
  readonly withCard: boolean;
  readonly atMs: number;
  readonly look: Partial<LookInput> & Pick<LookInput, 'lotIds'>;
}

const plain = { part: null, liquorId: null, at: null, state: 'dry' as const, light: 'daylight' as const, pictures: [], colour: null, verdict: {}, note: '' };

/** Draws a picture, keeps it as it would come from a phone, and reads the colour off it as a person would. */
async function see(at: At, { id, hex, withCard, atMs, look }: Seen): Promise<void> {
  const drawn = await drawSkein(hex, look.light === 'lamp' ? LAMP : WINDOW, seededChance(atMs % 9973), withCard);
  const picture = await keepPicture(at(atMs), new Response(new Uint8Array(drawn.png)).body);
  const [fibre, card] = [readPatch(await drawn.square(FIBRE_AT)), withCard ? readPatch(await drawn.square(CARD_AT)) : null];
  if (!fibre) throw new Error(`the demo drew nothing for ${id}`);
  const corrected = card && correct(fibre, card, { kind: 'grey' });
  if (corrected && !corrected.ok) throw new Error(corrected.why);
  const { spread, leftOut } = fibre;
  const by = { kind: 'picture' as const, hash: picture.hash, card: card ? { kind: 'grey' as const } : null, spread, leftOut };
  await addLook(at(atMs), { ...plain, ...look, id: `look-${id}`, atMs, pictures: [picture], colour: { lab: corrected?.lab ?? labOfLinear(fibre.light), by } });
}

/** A day in the jar: the scarf as it hangs in it, with a card beside the glass. */
export const seeInJar = (at: At, id: string, hex: string, atMs: number, step: NonNullable<LookInput['at']>): Promise<void> =>
  see(at, { id, hex, withCard: true, atMs, look: { lotIds: ['scarf'], at: step, state: 'wet' } });

/** What was seen in the shed: weld wet, rinsed and dry, birch in its pot, and fibres before anything was done. */
export async function shedResults(at: At, nowMs: number): Promise<void> {
  const gotland = { lotIds: ['gotland'] };
  await see(at, {
    id: 'skein-bare',
    hex: '#d8d2c4',
    withCard: true,
    atMs: nowMs - 28 * DAY,
    look: { lotIds: ['skein-c'], note: 'The control, before anything.' },
  });
  await see(at, { id: 'jersey-bare', hex: '#e4dcc6', withCard: true, atMs: nowMs - 27 * DAY, look: { lotIds: ['jersey'] } });
  await see(at, {
    id: 'weld-rinsed',
    hex: '#a88f22',
    withCard: false,
    atMs: nowMs - 2 * DAY - 20 * HOUR,
    look: { ...gotland, state: 'rinsed', light: 'lamp' },
  });
  await see(at, {
    id: 'weld-dry',
    hex: '#cdb43c',
    withCard: true,
    atMs: nowMs - DAY,
    look: { ...gotland, verdict: { depth: 'asWanted', even: 'even', bled: 'no' }, note: 'A little greener than hoped, and clear.' },
  });
  await see(at, {
    id: 'birch-pot',
    hex: '#8d7c2c',
    withCard: false,
    atMs: nowMs - 20 * 60_000,
    look: { lotIds: ['noil'], at: await liveStep(at(nowMs)), state: 'wet', light: 'lamp' },
  });
}

/** The step of the running session that is in its bath now. */
async function liveStep(app: App): Promise<LookInput['at']> {
  const { plan, events } = await runView(app, 'run-birch');
  const { steps } = foldRun(plan.steps, events);
  const live = plan.steps.find((step) => steps[step.id]?.status === 'running');
  return live ? { runId: 'run-birch', stepId: live.id } : null;
}
