import type { EventInput } from '@/contract/schemas';
import { seededChance } from '@/core/chance';
import { LIBRARY } from '@/core/method/library';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { type Acted, actOut, type Slip } from '@/core/rehearse/actOut';
import type { App } from '@/server/app';
import { recordReadings } from '@/server/probes';
import { recordEvent, runView, startRun } from '@/server/runs';

/** The application at another moment. */
export type At = (ms: number) => App;

export const chainOf = (methods: readonly (readonly [string, (string | null)?, Readonly<Record<string, number | null>>?])[]): Draft['chain'] =>
  methods.map(([methodId, dyestuffId = null, params = {}], i) => {
    if (!LIBRARY.find(methodId)) throw new Error(`demo names a method that is not there: ${methodId}`);
    return { id: `c${i + 1}`, methodId, params, dyestuffId };
  });

export const draftOf = (name: string, startMs: number, lotIds: string[], chain: Draft['chain'], vessels: Record<string, string> = {}): Draft => ({
  name,
  startMs,
  lotIds,
  chain,
  vessels,
  overrules: {},
  pins: {},
  reasons: {},
});

/** Starts the plan and writes down what a person would have, each act at its time. */
export async function play(
  at: At,
  plan: Plan,
  runId: string,
  slips: Readonly<Record<string, Slip>>,
  seed: number,
  untilMs: number,
  finish: boolean,
): Promise<Acted> {
  // Steps stand in the order of the work: what is drawn beside a mordant may begin before it.
  const startMs = Math.min(...plan.steps.map((step) => step.startMs));
  await startRun(at(startMs), plan.sessionId, { id: runId, eventId: `${runId}-start`, planVersion: plan.version });
  const acted = actOut(plan, slips, seededChance(seed), untilMs);
  for (const [i, act] of acted.acts.entries()) {
    await recordEvent(at(act.atMs + 4000), runId, { ...act.fact, id: `${runId}-${i}`, atMs: act.atMs } as EventInput);
  }
  for (const [vesselId, readings] of Object.entries(acted.readings)) {
    const probeId = plan.vessels.find((vessel) => vessel.id === vesselId)?.probeId;
    for (let i = 0; probeId && i < readings.length; i += 4000) await recordReadings(at(untilMs), probeId, readings.slice(i, i + 4000));
  }
  const view = await runView(at(untilMs), runId);
  if (finish)
    await recordEvent(at(acted.endMs + 60_000), runId, {
      id: `${runId}-end`,
      type: 'finished',
      atMs: Math.max(acted.endMs + 60_000, ...view.events.map((event) => event.atMs)),
    });
  return acted;
}
