import type { Reading } from '@/core/hold/credit';
import { latestReading, loadReadings } from '@/store/probes';
import type { App } from './app';
import { invalid } from './problem';

const SLACK_MS = 60_000;

/** The door for every probe, real or simulated. A reading without a time is taken as read now; sent twice it counts once. */
export function recordReadings(
  { store, live, nowMs }: App,
  probeId: string,
  input: readonly { atMs?: number | undefined; bathC: number }[],
): Promise<{ stored: number }> {
  const atMs = nowMs();
  const ahead = input.findIndex((reading) => (reading.atMs ?? atMs) > atMs + SLACK_MS);
  if (ahead >= 0) {
    throw invalid('A reading lies in the future. Check the clock of the probe.', [{ at: `readings.${ahead}.atMs`, message: 'This time has not come yet.' }]);
  }
  const readings: Reading[] = input.map((reading) => ({ atMs: reading.atMs ?? atMs, bathC: reading.bathC })).sort((a, b) => a.atMs - b.atMs);
  return store.exclusive(async () => {
    await store.commit([{ table: 'probe_minute', row: { probeId, points: readings.map((reading) => [reading.atMs, reading.bathC]) } }]);
    live.publish({ kind: 'readings', probeId, readings });
    return { stored: readings.length };
  });
}

export async function readingsBetween(
  { store, nowMs }: App,
  probeId: string,
  fromMs: number | null,
  toMs: number | null,
): Promise<{ readings: Reading[]; latest: Reading | null }> {
  const until = toMs ?? nowMs();
  return { readings: await loadReadings(store.db, probeId, fromMs ?? until - 3_600_000, until), latest: await latestReading(store.db, probeId) };
}
