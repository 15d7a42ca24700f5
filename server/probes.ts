import { boilingC } from '@/core/heat/boiling';
import type { Reading } from '@/core/hold/credit';
import { corrected } from '@/core/probe/calibrate';
import type { Readings } from '@/store/readings/readings';
import { knowsProbe } from '@/store/vessels';
import type { App } from './app';
import { homeOf } from './kitchen';
import { invalid, Problem } from './problem';

const SLACK_MS = 60_000;
const HOUR_MS = 3_600_000;

/** The door for every probe, real or simulated. A reading without a time is taken as read now; sent twice it counts once. */
export function recordReadings(
  app: App,
  probeId: string,
  input: readonly { atMs?: number | undefined; bathC: number }[],
  isCorrected = false,
): Promise<{ stored: number }> {
  const { store, live, nowMs } = app;
  const atMs = nowMs();
  const ahead = input.findIndex((reading) => (reading.atMs ?? atMs) > atMs + SLACK_MS);
  if (ahead >= 0) {
    throw invalid('A reading lies in the future. Check the clock of the probe.', [{ at: `readings.${ahead}.atMs`, message: 'This time has not come yet.' }]);
  }
  const read: Reading[] = input.map((reading) => ({ atMs: reading.atMs ?? atMs, bathC: reading.bathC })).sort((a, b) => a.atMs - b.atMs);
  return store.exclusive(async () => {
    if (!(await knowsProbe(store.db, probeId)))
      throw new Problem(404, 'Not found', `No vessel of this kitchen has a probe “${probeId}”. Name it at its vessel first, under Shelf.`);
    const readings = isCorrected ? read : await rightened(app, probeId, read);
    await store.appendReadings(
      probeId,
      readings.map((reading) => [reading.atMs, reading.bathC]),
    );
    live.publish({ kind: 'readings', probeId, readings });
    return { stored: readings.length };
  });
}

/** As the bath is, where its probe was held into ice or boiling water. What was kept before stays as it was kept. */
async function rightened(app: App, probeId: string, read: Reading[]): Promise<Reading[]> {
  const home = await homeOf(app);
  const probe = home.probes.find(({ id }) => id === probeId);
  if (probe?.iceReadsC == null && probe?.boilReadsC == null) return read;
  const boilC = boilingC(home.altitudeM);
  return read.map(({ atMs, bathC }) => ({ atMs, bathC: corrected(bathC, probe, boilC) }));
}

/** Longer than this, a stretch is told by its minutes; longer still, by its hours. */
const ALL_MS = 6 * HOUR_MS;
const MINUTES_MS = 72 * HOUR_MS;

/** More points than a picture is wide say nothing more. */
const MOST_POINTS = 1500;

/** So long a stretch is told by its days. */
const DAYS_FROM_MS = 500 * 24 * HOUR_MS;

/** Means of neighbours, so that no more than `most` are left. */
export function thinned(readings: readonly Reading[], most: number): Reading[] {
  const together = Math.ceil(readings.length / most);
  if (together <= 1) return [...readings];
  return Array.from({ length: Math.ceil(readings.length / together) }, (_, i) => {
    const some = readings.slice(i * together, (i + 1) * together);
    const mean = (value: (reading: Reading) => number) => some.reduce((sum, reading) => sum + value(reading), 0) / some.length;
    return { atMs: Math.round(mean(({ atMs }) => atMs)), bathC: Math.round(mean(({ bathC }) => bathC) * 100) / 100 };
  });
}

/** Readings of a stretch, as closely as its length wants. */
export function readingsOf(readings: Readings, probeId: string, fromMs: number, toMs: number): Reading[] {
  const lengthMs = toMs - fromMs;
  if (lengthMs <= ALL_MS) return readings.between(probeId, fromMs, toMs, 'all');
  if (lengthMs <= MINUTES_MS) return readings.between(probeId, fromMs, toMs, 'minutes');
  return thinned(readings.between(probeId, fromMs, toMs, lengthMs < DAYS_FROM_MS ? 'hours' : 'days'), MOST_POINTS);
}

export async function readingsBetween(
  { store, nowMs }: App,
  probeId: string,
  fromMs: number | null,
  toMs: number | null,
): Promise<{ readings: Reading[]; latest: Reading | null }> {
  const until = toMs ?? nowMs();
  return { readings: readingsOf(store.readings, probeId, fromMs ?? until - HOUR_MS, until), latest: store.readings.latest(probeId) };
}
