import { probeReadsC, simPotC } from '@/core/heat/simPot';
import type { App } from '@/server/app';
import { every } from '@/server/every';
import { simPotTable } from '@/store/vessels';

const EVERY_MS = 2000;

/**
 * Stand-ins for probes: every two seconds each simulated pot that is on tells its temperature at the same door a real
 * probe would use, over HTTP, one request a probe.
 */
export function runSimulatedProbes(app: App, baseUrl: string): void {
  // As a real one would: each with a token of its own that opens its readings and nothing else.
  const tokens = new Map<string, string>();
  const tokenOf = (probeId: string): string => {
    const token = tokens.get(probeId) ?? app.doors.passingToken(`Simulated ${probeId}`, { kind: 'probe', probeId });
    tokens.set(probeId, token);
    return token;
  };
  const tick = async (): Promise<void> => {
    // Two Hyndles on one database would tell everything twice.
    if (!app.store.leads) return;
    const atMs = app.nowMs();
    const pots = (await simPotTable.all(app.store.db)).filter((pot) => pot.on);
    await Promise.all(
      pots.map((pot) =>
        fetch(`${baseUrl}/api/v1/probes/${pot.probeId}/readings`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', authorization: `Bearer ${tokenOf(pot.probeId)}` },
          body: JSON.stringify({ readings: [{ atMs, bathC: probeReadsC(simPotC(pot, atMs), Math.random()) }] }),
        }),
      ),
    );
  };
  every(EVERY_MS, tick, (error) => console.warn('simulated probe:', String(error)));
}
