import { probeReadsC, simPotC } from '@/core/heat/simPot';
import type { App } from '@/server/app';
import { simPotTable } from '@/store/vessels';

const EVERY_MS = 2000;

/**
 * Stand-ins for probes: every two seconds each simulated pot that is on tells its temperature at the same door a real
 * probe would use, over HTTP, one request a probe.
 */
export function runSimulatedProbes(app: App, baseUrl: string): void {
  const tick = async (): Promise<void> => {
    const atMs = app.nowMs();
    const pots = (await simPotTable.all(app.store.db)).filter((pot) => pot.on);
    await Promise.all(
      pots.map((pot) =>
        fetch(`${baseUrl}/api/v1/probes/${pot.probeId}/readings`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ readings: [{ atMs, bathC: probeReadsC(simPotC(pot, atMs), Math.random()) }] }),
        }),
      ),
    );
  };
  let busy = false;
  setInterval(() => {
    if (busy) return;
    busy = true;
    tick()
      .catch((error) => console.warn('simulated probe:', String(error)))
      .finally(() => {
        busy = false;
      });
  }, EVERY_MS).unref();
}
