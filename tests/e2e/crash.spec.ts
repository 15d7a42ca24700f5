import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, statSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import type { RunView } from '../../contract/views';
import { METRIC } from '../../core/measure/measures';
import { printer } from '../../core/measure/printer';
import type { Picture } from '../../core/swatch/look';
import { stoveView } from '../../ui/stove/stoveView';
import { type BuiltServer, startBuilt } from './builtServer';
import { lotBody } from './steps';

/** The check kills a few times, the fault campaign fifty. */
const KILLS = Number(process.env.KILLS ?? 6);
const PORT = 4188;
const BASE = `http://127.0.0.1:${PORT}/api/v1`;

let server: BuiltServer | null = null;

async function start(data: string): Promise<BuiltServer> {
  server = await startBuilt(PORT, data);
  return server;
}

async function end(running: BuiltServer, signal: NodeJS.Signals): Promise<void> {
  running.process.kill(signal);
  await running.gone;
}

class Answered extends Error {}

async function call<T>(method: string, pathname: string, body?: unknown): Promise<T> {
  const response = await fetch(`${BASE}${pathname}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Answered(`${response.status} ${await response.text()}`);
  return (await response.json()) as T;
}

async function prepare(): Promise<{ stepId: string }> {
  const home = await call<{ revision: number; diary: object; heatSources: { id: string }[] }>('GET', '/home');
  await call('PUT', '/home', { ...home, diary: { ...home.diary, wakeAt: '00:00', sleepAt: '00:00' } });
  await call('POST', '/vessels', {
    id: 'pot',
    name: 'Pot',
    kind: 'pot',
    litres: 12,
    material: 'stainless',
    heatSourceId: home.heatSources[0]?.id,
    probeId: 'probe',
    dyeOnly: true,
    order: 1,
  });
  await call('POST', '/lots', lotBody('lot', 'Lot', 100));
  const draft = {
    name: 'Crash',
    startMs: Date.now(),
    lotIds: ['lot'],
    chain: [{ id: 'c1', methodId: 'scour-protein', params: {}, dyestuffId: null }],
    vessels: {},
    overrules: {},
    pins: {},
    reasons: {},
  };
  const plan = await call<{ steps: { id: string }[] }>('POST', '/sessions', { id: 'session', draft });
  await call('POST', '/sessions/session/runs', { id: 'run', eventId: 'start', planVersion: 1 });
  const stepId = plan.steps[0]?.id ?? '';
  await call('POST', '/runs/run/events', { id: 'phase0', type: 'phaseEntered', stepId, phaseIndex: 0 });
  await call('POST', '/runs/run/events', { id: 'phase2', type: 'phaseEntered', stepId, phaseIndex: 2 });
  return { stepId };
}

/** Sends acts and readings one after the other until the server is gone; what was answered is acknowledged. */
async function sendUntilGone(stepId: string, turn: number, acknowledged: Set<string>, sent: Set<string>, readings: Set<number>): Promise<void> {
  for (let i = 0; ; i++) {
    const id = `t${turn}-${i}`;
    sent.add(id);
    const atMs = Date.now();
    try {
      await call('POST', '/runs/run/events', i % 3 === 0 ? { id, type: 'reading', stepId, quantity: 'bathC', value: 65 } : { id, type: 'stirred', stepId });
      acknowledged.add(id);
      await call('POST', '/probes/probe/readings', { readings: [{ atMs, bathC: 66 }] });
      readings.add(atMs);
    } catch (error) {
      // No answer: killed. Anything the server says instead of an answer is a fault.
      if (error instanceof Answered) throw error;
      return;
    }
  }
}

test.afterEach(() => void server?.process.kill('SIGKILL'));

test(`killed ${KILLS} times while acts are sent: nothing acknowledged is lost or doubled, timers read on as if nothing had happened`, async () => {
  test.setTimeout(15 * 60_000);
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-crash-'));
  const [acknowledged, sent, readings] = [new Set<string>(), new Set<string>(), new Set<number>()];
  let running = await start(data);
  const { stepId } = await prepare();
  for (let turn = 0; turn < KILLS; turn++) {
    const sending = sendUntilGone(stepId, turn, acknowledged, sent, readings);
    await new Promise((resolve) => setTimeout(resolve, 150 + Math.random() * 750));
    await Promise.all([sending, end(running, 'SIGKILL')]);
    running = await start(data);
    if (turn % 5 === 4 || turn === KILLS - 1) await everythingThere();
  }
  expect(acknowledged.size).toBeGreaterThan(KILLS);

  async function everythingThere(): Promise<void> {
    const view = await call<RunView>('GET', '/runs/run');
    const ids = view.events.map((event) => event.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect([...acknowledged].filter((id) => !ids.includes(id))).toEqual([]);
    expect(ids.filter((id) => !sent.has(id) && !['start', 'phase0', 'phase2'].includes(id))).toEqual([]);
    const stored = new Set(view.readings.pot?.map((reading) => reading.atMs));
    expect([...readings].filter((atMs) => !stored.has(atMs))).toEqual([]);
    // The hold's clock is computed from the log: it runs from the tap, whatever happened to the server since.
    const now = Date.now();
    const begun = view.events.find((event) => event.id === 'phase2');
    const [card] = stoveView(view.plan, view.events, view.readings, now, printer(METRIC, 'UTC')).cards;
    expect(card?.clock.current?.elapsedMin).toBeCloseTo((now - (begun?.atMs ?? 0)) / 60_000, 6);
  }

  // A retry of the last act of all, as a client does after a lost answer, is still one act.
  const last = [...acknowledged].at(-1) as string;
  const before = (await call<RunView>('GET', '/runs/run')).events.length;
  const event = (await call<RunView>('GET', '/runs/run')).events.find((e) => e.id === last);
  const { recordedAtMs: _r, atMs: _a, ...again } = event as object as Record<string, unknown>;
  await call('POST', '/runs/run/events', again);
  expect((await call<RunView>('GET', '/runs/run')).events.length).toBe(before);

  // The newest database file cut short as well: recovered from the journal, and said plainly.
  const pg = path.join(data, 'pg');
  await end(running, 'SIGKILL');
  const files = readdirSync(pg, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => path.join(entry.parentPath, entry.name));
  const [newest] = files
    .map((file) => ({ file, ...statSync(file) }))
    .filter((file) => file.size > 1)
    .sort((a, b) => b.mtimeMs - a.mtimeMs);
  truncateSync(newest?.file ?? '', Math.floor((newest?.size ?? 0) / 2));
  running = await start(data);
  await everythingThere();
  const { notices } = await call<{ notices: string[] }>('GET', '/health');
  if (notices.length > 0) expect(running.said()).toContain('recovery:');

  // And with the database folder gone altogether.
  await end(running, 'SIGKILL');
  rmSync(pg, { recursive: true });
  running = await start(data);
  await everythingThere();
  expect((await call<{ notices: string[] }>('GET', '/health')).notices.join(' ')).toContain('came from the journal');
  expect(running.said()).toContain('came from the journal');
  await end(running, 'SIGTERM');
  rmSync(data, { recursive: true, force: true });
});

/** Twenty small pictures, each another one. */
const drawnPictures = (): Promise<Buffer[]> =>
  Promise.all(
    Array.from({ length: 20 }, (_, i) =>
      sharp({ create: { width: 160 + i, height: 120, channels: 3, background: { r: 10 * i, g: 255 - 10 * i, b: 90 } } })
        .png()
        .toBuffer(),
    ),
  );

test('killed while twenty pictures come in: each acknowledged one is there, whole, and named once', async () => {
  test.setTimeout(5 * 60_000);
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-pictures-'));
  let running = await start(data);
  await call('POST', '/lots', lotBody('lot', 'Lot', 100));
  const pictures = await drawnPictures();
  const kept = new Map<number, Picture>();
  const named = new Set<number>();
  const keep = async (i: number) => {
    const response = await fetch(`${BASE}/blobs`, { method: 'POST', headers: { 'content-type': 'image/png' }, body: new Uint8Array(pictures[i] as Buffer) });
    if (!response.ok) throw new Answered(`${response.status} ${await response.text()}`);
    kept.set(i, (await response.json()) as Picture);
    const look = { lotIds: ['lot'], part: null, liquorId: null, at: null, state: 'dry', light: null, colour: null, verdict: {}, note: '' };
    await call('POST', '/looks', { ...look, id: `look-${i}`, pictures: [kept.get(i)] });
    named.add(i);
  };
  for (let turn = 0; turn < 4; turn++) {
    // Three at once, as a phone sends them; what failed is sent again, under the same id.
    const open = pictures.map((_, i) => i).filter((i) => !named.has(i));
    const sending = Promise.all(
      [0, 1, 2].map(async (lane) => {
        for (const i of open.filter((one) => one % 3 === lane))
          await keep(i).catch((error: unknown) => {
            if (error instanceof Answered) throw error;
          });
      }),
    );
    if (turn < 3) {
      await new Promise((resolve) => setTimeout(resolve, 60 + Math.random() * 300));
      await Promise.all([sending, end(running, 'SIGKILL')]);
      running = await start(data);
    } else await sending;
    for (const { hash, middle, small } of kept.values())
      for (const name of [hash, middle, small]) {
        const response = await fetch(`${BASE}/blobs/${name}`);
        expect(response.status).toBe(200);
        expect(
          createHash('sha256')
            .update(new Uint8Array(await response.arrayBuffer()))
            .digest('hex'),
        ).toBe(name);
      }
    const looks = await call<{ id: string }[]>('GET', '/lots/lot/looks');
    expect([...named].filter((i) => !looks.some((look) => look.id === `look-${i}`))).toEqual([]);
    expect(new Set(looks.map((look) => look.id)).size).toBe(looks.length);
  }
  expect(named.size).toBe(pictures.length);
  await end(running, 'SIGTERM');
  rmSync(data, { recursive: true, force: true });
});

test('a second server on the same data folder is refused with a clear message', async () => {
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-lock-'));
  const first = await start(data);
  await expect(startBuilt(PORT + 1, data)).rejects.toThrow(/the server ended with 1:.*is in use by another Hyndle/s);
  await end(first, 'SIGTERM');
  expect(first.process.exitCode).toBe(0);
  rmSync(data, { recursive: true, force: true });
});
