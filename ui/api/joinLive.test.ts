import { expect, test } from 'vitest';
import type { RunView } from '@/contract/views';
import { planned, step, wool } from '@/core/plan/plan.fixture';
import type { RunEvent } from '@/core/run/events';
import { withReadings } from './joinLive';

const MIN = 60_000;
const plan = planned([wool('a', 100)]);
const potId = step(plan, 'dye').vesselId ?? '';
const probed = { ...plan, vessels: plan.vessels.map((vessel) => (vessel.id === potId ? { ...vessel, probeId: 'p1' } : vessel)) };
const finished: RunEvent = { type: 'finished', id: 'f', atMs: 20 * MIN, recordedAtMs: 20 * MIN };
const takenBack: RunEvent = {
  type: 'amended',
  targetId: 'f',
  change: { kind: 'withdrawn', reason: 'too soon' },
  id: 'b',
  atMs: 21 * MIN,
  recordedAtMs: 21 * MIN,
};
const view = (events: readonly RunEvent[]): RunView => ({
  run: { id: 'r', sessionId: 's', createdAtMs: 0 },
  plan: probed,
  events,
  readings: { [potId]: [{ atMs: 10 * MIN, bathC: 60 }] },
});
const told = { kind: 'readings', probeId: 'p1', readings: [9, 10, 22].map((min) => ({ atMs: min * MIN, bathC: 70 })) } as const;

test('a running run takes what its probe reads, each instant once', () =>
  expect(withReadings(view([]), told).readings[potId]).toEqual([
    { atMs: 10 * MIN, bathC: 60 },
    { atMs: 22 * MIN, bathC: 70 },
  ]));

test('what the pot holds after a run is over is not its bath', () => {
  const over = view([finished]);
  expect(withReadings(over, told)).toBe(over);
});

test('a run that is not over after all goes on taking them', () => expect(withReadings(view([finished, takenBack]), told).readings[potId]).toHaveLength(2));
