import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { type AddressInfo, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import mqtt, { type MqttClient } from 'mqtt';
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import { newSkein } from '@/contract/lot.fixture';
import type { RunView } from '@/contract/views';
import type { Plan } from '@/core/plan/plan';
import { CHAIN, draft, home, SATURDAY_9, vessels } from '@/core/plan/plan.fixture';
import { type TestApp, testApp } from '../testApp.fixture';
import { startBridge } from './bridge';

/** With a real broker (mosquitto, from Debian's packages): another program than the one under test. */

const MOSQUITTO = ['/usr/sbin/mosquitto', '/usr/local/sbin/mosquitto'].find((file) => spawnSync(file, ['-h']).error === undefined);
if (!MOSQUITTO) console.warn('LEFT OUT: the message broker, since mosquitto is not installed here. Nothing says that MQTT works.');

let t: TestApp;
let broker: ChildProcess;
let other: MqttClient;
let end: () => Promise<void>;
let url = '';
const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-mqtt-'));
const heard = new Map<string, string>();
const troubles: string[] = [];

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
function startBroker(port: number): ChildProcess {
  writeFileSync(path.join(folder, 'broker.conf'), `listener ${port} 127.0.0.1\nallow_anonymous true\npersistence false\n`);
  return spawn(MOSQUITTO ?? '', ['-c', path.join(folder, 'broker.conf')], { stdio: 'ignore' });
}

describe.skipIf(!MOSQUITTO)('probes and calls over a message broker', () => {
  beforeAll(async () => {
    const port = await freePort();
    url = `mqtt://127.0.0.1:${port}`;
    broker = startBroker(port);
    t = await testApp(SATURDAY_9);
    const first = await t.ask<{ revision: number }>('getHome', '/home');
    await t.ask('putHome', '/home', { ...home, revision: first.revision });
    for (const { revision: _r, ...vessel } of vessels) await t.ask('createVessel', '/vessels', vessel);
    end = startBridge(t.app, { url, prefix: 'kitchen', say: (text) => troubles.push(text) });
    other = mqtt.connect(url, { reconnectPeriod: 300 });
    other.on('message', (topic, payload) => heard.set(topic, payload.toString()));
    other.on('connect', () => other.subscribe('kitchen/#'));
    await vi.waitFor(() => expect(other.connected).toBe(true), { timeout: 30_000 });
  }, 60_000);
  afterAll(async () => {
    await end?.();
    await other?.endAsync(true);
    broker?.kill();
    await t?.close();
    rmSync(folder, { recursive: true, force: true });
  });

  test('a reading that a probe tells the broker is stored, and told again as the last temperature', async () => {
    const probeId = vessels.find((vessel) => vessel.probeId)?.probeId ?? '';
    // Told until it is heard: the bridge subscribes when it has connected.
    await vi.waitFor(
      async () => {
        other.publish(`kitchen/probes/${probeId}/readings`, JSON.stringify({ bathC: 61.5, atMs: SATURDAY_9 }));
        await new Promise((resolve) => setTimeout(resolve, 100));
        expect(heard.get(`kitchen/probes/${probeId}/bathC`)).toBe('61.5');
      },
      { timeout: 30_000 },
    );
    const { readings } = await t.ask<{ readings: { bathC: number }[] }>(
      'getReadings',
      `/probes/${probeId}/readings?fromMs=${SATURDAY_9 - 1000}&toMs=${SATURDAY_9 + 1000}`,
    );
    expect(readings.map((reading) => reading.bathC)).toEqual([61.5]);
  }, 60_000);

  test('what cannot be stored is said, and holds nothing up', async () => {
    other.publish('kitchen/probes/nobody/readings', '40');
    other.publish('kitchen/probes/nobody/readings', 'hot');
    // In whatever order: one is looked up first, the other is not.
    for (const words of ['No vessel of this kitchen has a probe “nobody”', 'neither a number nor JSON'])
      await vi.waitFor(
        () =>
          expect(
            troubles.some((text) => text.includes(words)),
            words,
          ).toBe(true),
        { timeout: 30_000 },
      );
  }, 60_000);

  test('a call that is due goes out, is heard by a program, is quiet everywhere, and comes away when the run ends', async () => {
    await t.ask('createLot', '/lots', newSkein('a', 'Skein a', 50));
    const plan = await t.ask<Plan>('createSession', '/sessions', { id: 's1', draft: draft(['a'], { name: 'One', chain: CHAIN.slice(0, 2) }) });
    await t.ask('startRun', '/sessions/s1/runs', { id: 'r1', eventId: 'r1s', planVersion: 1 });
    t.clock.nowMs = Math.max(...plan.steps.map((step) => step.startMs));
    const calls = () =>
      (JSON.parse(heard.get('kitchen/calls/r1') || '{"calls":[]}') as { name: string; calls: { stepId: string; call: string; text: string }[] }).calls;
    await vi.waitFor(() => expect(calls().length).toBeGreaterThan(0), { timeout: 30_000 });
    const [due] = calls();
    other.publish('kitchen/calls/r1/heard', JSON.stringify({ stepId: due?.stepId, call: due?.call }));
    await vi.waitFor(() => expect(calls().some((one) => one.stepId === due?.stepId && one.call === due?.call)).toBe(false), { timeout: 30_000 });
    const { events } = await t.ask<RunView>('getRun', '/runs/r1');
    expect(events.at(-1)).toMatchObject({ type: 'callHeard', stepId: due?.stepId, by: 'MQTT' });
    await t.ask('recordEvent', '/runs/r1/events', { id: 'over', type: 'finished' });
    await vi.waitFor(() => expect(heard.get('kitchen/calls/r1')).toBe(''), { timeout: 30_000 });
  }, 120_000);

  test('a broker that goes and comes back is found again, and it is said once that it was gone', async () => {
    const port = Number(new URL(url).port);
    broker.kill();
    await vi.waitFor(() => expect(troubles.some((text) => /broker/.test(text) && /answer|refuses/.test(text))).toBe(true), { timeout: 20_000 });
    broker = startBroker(port);
    heard.clear();
    const probeId = vessels.find((vessel) => vessel.probeId)?.probeId ?? '';
    await vi.waitFor(
      async () => {
        if (other.connected) other.publish(`kitchen/probes/${probeId}/readings`, '44');
        await new Promise((resolve) => setTimeout(resolve, 200));
        expect(heard.get(`kitchen/probes/${probeId}/bathC`)).toBe('44');
      },
      { timeout: 30_000 },
    );
  }, 90_000);
});
