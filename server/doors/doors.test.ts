import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Doors, MOST_DEVICES } from './doors';
import { doorsFolder } from './keptDoors';
import { Limits } from './limits';
import { MOST_STREAMS } from './underway';

const DAY_MS = 86_400_000;
let data = '';
let nowMs = 0;
const clock = () => nowMs;
const opened = () => new Doors(doorsFolder(data), clock);

beforeEach(() => {
  data = mkdtempSync(path.join(tmpdir(), 'hyndle-doors-'));
  nowMs = Date.UTC(2026, 4, 2, 9);
});
afterEach(() => rmSync(data, { recursive: true, force: true }));

/** Joins as a device does, and gives its cookie. */
function joined(doors: Doors, name = 'Phone', address = '10.0.0.7', role: 'hands' | 'eyes' = 'hands'): string {
  const digits = doors.letIn(role);
  const join = doors.join(digits, name, address);
  if (join.kind !== 'in') throw new Error(join.kind);
  return join.cookie;
}

describe('joining', () => {
  it('lets one device in by its digits, which are then used up', () => {
    const doors = opened();
    const digits = doors.letIn('eyes');
    const join = doors.join(digits, 'Phone', '10.0.0.7');
    expect(join.kind).toBe('in');
    expect(doors.join(digits, 'Another', '10.0.0.8')).toEqual({ kind: 'closed' });
    expect(doors.devices).toMatchObject([{ name: 'Phone', role: 'eyes', address: '10.0.0.7' }]);
  });

  it('after five wrong tries of anybody the code is twelve digits long, and still lets its owner in', () => {
    const doors = opened();
    const digits = doors.letIn('hands');
    const wrong = digits === '000000' ? '000001' : '000000';
    for (let i = 0; i < 40; i++) expect(doors.join(wrong, 'x', '10.0.0.9').kind).toBe('wrong');
    expect(doors.join(digits, 'x', '10.0.0.9').kind).toBe('wrong');
    expect(doors.join(doors.invite?.digits ?? '', 'Phone', '10.0.0.7').kind).toBe('in');
  });

  it('lets in so many and no more', () => {
    const doors = opened();
    for (let i = 0; i < MOST_DEVICES; i++) joined(doors, `Phone ${i}`);
    expect(doors.join(doors.letIn('hands'), 'One too many', '10.0.0.7')).toEqual({ kind: 'full' });
  });

  it('a device stays in over a restart; its secret is not in the file, and nobody else may read that', () => {
    const cookie = joined(opened());
    const file = path.join(data, 'doors', 'doors.json');
    expect(readFileSync(file, 'utf8')).not.toContain(cookie.split('.')[1]);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(statSync(path.dirname(file)).mode & 0o777).toBe(0o700);
    expect(opened().deviceWith(cookie, '10.0.0.7')).toMatchObject({ kind: 'device', device: { name: 'Phone' } });
  });

  it('a list that cannot be read lets nobody in, is kept, and is said', () => {
    const cookie = joined(opened());
    writeFileSync(path.join(data, 'doors', 'doors.json'), '{"formatVersion":1,');
    const doors = opened();
    expect(doors.deviceWith(cookie, '10.0.0.7').kind).toBe('stranger');
    expect(doors.notices[0]).toContain('set aside');
    expect(readFileSync(path.join(data, 'doors', 'doors.unreadable.json'), 'utf8')).toContain('formatVersion');
  });
});

describe('a cookie', () => {
  it.each([null, '', '.', 'x', 'x.y', '__proto__.x'])('%j is a stranger’s', (cookie) => expect(opened().deviceWith(cookie, '10.0.0.7').kind).toBe('stranger'));

  it('with the right device and a wrong secret is a stranger’s, and the device stays in', () => {
    const doors = opened();
    const cookie = joined(doors);
    expect(doors.deviceWith(`${cookie.split('.')[0]}.AAAA`, '10.0.0.9').kind).toBe('stranger');
    expect(doors.deviceWith(cookie, '10.0.0.7').kind).toBe('device');
  });

  it('follows a phone to a new address; used from two at once it is put out', () => {
    const doors = opened();
    const cookie = joined(doors);
    expect(doors.deviceWith(cookie, '10.0.0.8').kind).toBe('device');
    nowMs += 1000;
    expect(doors.deviceWith(cookie, '10.0.0.7').kind).toBe('stranger');
    expect(doors.deviceWith(cookie, '10.0.0.8').kind).toBe('stranger');
    expect(doors.devices).toEqual([]);
  });

  it('is changed once a day; one that was copied before betrays itself by being used later', () => {
    const doors = opened();
    const stolen = joined(doors);
    nowMs += DAY_MS + 1000;
    const comer = doors.deviceWith(stolen, '10.0.0.7');
    if (comer.kind !== 'device' || comer.cookie === null) throw new Error('no new cookie');
    // Asked again at once, with what it still has, it gets no second one.
    expect(doors.deviceWith(stolen, '10.0.0.7')).toMatchObject({ kind: 'device', cookie: null });
    expect(doors.deviceWith(comer.cookie, '10.0.0.7').kind).toBe('device');
    nowMs += 60_000;
    expect(doors.deviceWith(stolen, '10.0.0.7').kind).toBe('device');
    nowMs += 5 * 60_000;
    expect(doors.deviceWith(comer.cookie, '10.0.0.7').kind).toBe('device');
    expect(doors.deviceWith(stolen, '10.0.0.7').kind).toBe('stranger');
    expect(doors.deviceWith(comer.cookie, '10.0.0.7').kind).toBe('stranger');
  });
});

describe('putting out', () => {
  it('ends its streams at once, and waits for the act that is under way', async () => {
    const doors = opened();
    joined(doors);
    const id = doors.devices[0]?.id ?? '';
    const order: string[] = [];
    doors.stream(id, () => order.push('stream ended'));
    let finish = (): void => undefined;
    const act = doors.act(id, () => new Promise<void>((resolve) => (finish = resolve))).then(() => order.push('act answered'));
    const out = doors.putOut(id).then(() => order.push('out'));
    expect(order).toEqual(['stream ended']);
    expect(await doors.act(id, async () => order.push('must not happen'))).toBeNull();
    finish();
    await Promise.all([act, out]);
    expect(order).toEqual(['stream ended', 'act answered', 'out']);
  });

  it('somebody who is not in cannot be put out', async () => expect(await opened().putOut('nobody')).toBe(false));

  it('a device has so many streams and no more', () => {
    const doors = opened();
    const forgets = Array.from({ length: MOST_STREAMS }, () => doors.stream('d', () => undefined));
    expect(doors.stream('d', () => undefined)).toBeNull();
    forgets[0]?.();
    expect(doors.stream('d', () => undefined)).not.toBeNull();
  });
});

describe('tokens', () => {
  it('open by what was shown once, remember their last use, and end', async () => {
    const doors = opened();
    const { secret } = doors.makeToken('t1', 'Shed probe', { kind: 'probe', probeId: 'p1' });
    expect(readFileSync(path.join(data, 'doors', 'doors.json'), 'utf8')).not.toContain(secret);
    expect(doors.tokenWith(secret)).toMatchObject({ kind: 'token', token: { name: 'Shed probe' } });
    expect(opened().tokens[0]?.lastUsedMs).toBe(nowMs);
    let ended = false;
    doors.stream('t1', () => (ended = true));
    expect(await doors.act('t1', async () => 'done')).toEqual({ value: 'done' });
    expect(await doors.endToken('t1')).toBe(true);
    expect(await doors.act('t1', async () => 'done')).toBeNull();
    expect(ended).toBe(true);
    expect(doors.tokenWith(secret).kind).toBe('stranger');
    expect(await doors.endToken('t1')).toBe(false);
  });

  it('of devices that ship with Hyndle live as long as the process and are in no file', () => {
    const doors = opened();
    const secret = doors.passingToken('Simulated pot', { kind: 'probe', probeId: 'p1' });
    expect(doors.tokenWith(secret).kind).toBe('token');
    expect(opened().tokenWith(secret).kind).toBe('stranger');
  });
});

describe('a folder that cannot be written', () => {
  it('lets nobody in, says why, goes on knowing who is in, and puts out all the same', async () => {
    const doors = opened();
    const cookie = joined(doors);
    const digits = doors.letIn('hands');
    // A folder where the file should be written: no process may write a file there, not even one that may do everything.
    mkdirSync(path.join(data, 'doors', 'doors.json.new'));
    expect(() => doors.join(digits, 'Another', '10.0.0.8')).toThrow(/disk refuses/);
    expect(() => doors.makeToken('t', 'x', { kind: 'all' })).toThrow(/disk refuses/);
    expect([doors.devices.length, doors.tokens.length]).toEqual([1, 0]);
    nowMs += 10 * 60_000;
    expect(doors.deviceWith(cookie, '10.0.0.9').kind).toBe('device');
    await doors.putOut(doors.devices[0]?.id ?? '');
    expect(doors.deviceWith(cookie, '10.0.0.9').kind).toBe('stranger');
  });
});

describe('asking too much', () => {
  it('waits, each by itself', () => {
    const limits = new Limits(clock);
    const waits = Array.from({ length: 8 }, () => limits.waitMs('guess', '10.0.0.9'));
    expect(waits.map((wait) => wait > 0)).toEqual([false, false, false, false, false, false, true, true]);
    expect(limits.waitMs('guess', '10.0.0.10')).toBe(0);
  });

  it('a crowd of addresses does not fill the memory', () => {
    const limits = new Limits(clock);
    for (let i = 0; i < 20_000; i++) limits.waitMs('stranger', String(i));
    expect(limits.size).toBe(5000);
  });
});
