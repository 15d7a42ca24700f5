import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { judge, type Knock } from './atTheDoor';
import { Doors } from './doors';
import { doorsFolder } from './keptDoors';
import { ALLOWANCES } from './limits';

let data = '';
let doors: Doors;
const NOW = Date.UTC(2026, 4, 2, 9);

beforeEach(() => {
  data = mkdtempSync(path.join(tmpdir(), 'hyndle-judge-'));
  doors = new Doors(doorsFolder(data), () => NOW);
});
afterEach(() => rmSync(data, { recursive: true, force: true }));

const at = (path: string): { segments: string[] } => ({ segments: path.split('/').slice(1) });
const machine = (more: Partial<Knock> = {}): Knock => ({
  door: 'machine',
  isSecure: false,
  peer: '127.0.0.1',
  at: { address: '127.0.0.1', port: 4123 },
  method: 'GET',
  segments: ['api', 'v1', 'lots'],
  host: '127.0.0.1:4123',
  origin: null,
  cookie: () => null,
  bearer: null,
  ...more,
});
const home = (more: Partial<Knock> = {}): Knock =>
  machine({ door: 'home', peer: '192.168.1.23', at: { address: '192.168.1.5', port: 4123 }, host: '192.168.1.5:4123', ...more });
const kindOf = (knock: Knock): string => {
  const verdict = judge(knock, doors);
  return verdict.kind === 'refused' ? String(verdict.status) : verdict.kind === 'in' ? verdict.by : verdict.kind;
};

describe('at the machine’s own door', () => {
  it.each([
    [{}, 'machine'],
    [{ host: 'localhost:4123' }, 'machine'],
    [{ host: '[::1]:4123' }, 'machine'],
    [{ host: 'evil.example' }, '421'],
    [{ host: '127.0.0.1.evil.example' }, '421'],
    [{ host: '192.168.1.5:4123' }, '421'],
    [{ origin: 'http://127.0.0.1:4123' }, 'machine'],
    [{ origin: 'http://evil.example' }, '403'],
    [{ origin: 'null' }, '403'],
    [{ bearer: 'unknown' }, '401'],
    [{ door: 'none' }, '421'],
  ] as const)('%j → %s', (more, verdict) => expect(kindOf(machine(more))).toBe(verdict));
});

describe('at the home’s door, a stranger', () => {
  it.each([
    [{}, '401'],
    [at('/'), 'join'],
    [{ ...at('/fibre'), method: 'POST' }, '401'],
    [at('/join'), 'stranger'],
    [at('/join/trust'), 'stranger'],
    [at('/joined'), 'join'],
    [at('/_next/static/x.js'), 'stranger'],
    [at('/_next/image'), 'join'],
    [at('/api/v1/doors'), '401'],
    [{ ...at('/join'), host: 'hyndle.local:4123' }, 'stranger'],
    [{ ...at('/join'), host: 'hyndle.local:80' }, '421'],
    [{ ...at('/join'), host: '127.0.0.1:4123' }, '421'],
    [{ ...at('/join'), isSecure: true, origin: 'http://192.168.1.5:4123' }, '403'],
  ] as const)('%j → %s', (more, verdict) => expect(kindOf(home(more))).toBe(verdict));

  it('waits when asking too much, and others do not', () => {
    const often = Array.from({ length: ALLOWANCES.stranger.burst + 1 }, () => kindOf(home(at('/'))));
    expect([often[0], often.at(-1)]).toEqual(['join', '429']);
    expect(kindOf(home({ ...at('/'), peer: '192.168.1.24' }))).toBe('join');
  });
});

describe('at the home’s door, a device', () => {
  const joined = (role: 'hands' | 'eyes'): string => {
    const join = doors.join(doors.letIn(role), 'Phone', '192.168.1.23');
    if (join.kind !== 'in') throw new Error(join.kind);
    return join.cookie;
  };

  it('is known by its cookie, over the way it joined by', () => {
    const cookie = joined('hands');
    const plain = (name: string) => (name === 'hyndle' ? cookie : null);
    expect(kindOf(home({ cookie: plain }))).toMatch(/^device:/);
    expect(kindOf(home({ cookie: plain, isSecure: true }))).toBe('401');
    expect(kindOf(home({ cookie: plain, method: 'POST' }))).toMatch(/^device:/);
    expect(kindOf(home({ cookie: plain, ...at('/api/v1/doors/tokens'), method: 'POST' }))).toBe('403');
  });

  it('waits when asking too much, and files of the page are not counted', () => {
    const cookie = joined('hands');
    const knock = home({ cookie: () => cookie });
    const files = Array.from({ length: 2 * ALLOWANCES.device.burst }, () => kindOf({ ...knock, ...at('/_next/static/x.js') }));
    expect(new Set(files).size).toBe(1);
    const often = Array.from({ length: ALLOWANCES.device.burst + 1 }, () => judge(knock, doors));
    expect([often.at(-2)?.kind, often.at(-1)]).toMatchObject(['in', { status: 429, waitS: 1, detail: expect.stringContaining('Wait 1 s') }]);
  });

  it('with eyes looks, and is told why it may not more', () => {
    const cookie = joined('eyes');
    const knock = home({ cookie: () => cookie, method: 'POST' });
    expect(judge(knock, doors)).toMatchObject({ status: 403, title: 'Only looking', detail: expect.stringContaining('may look') });
    expect(kindOf({ ...knock, method: 'GET' })).toMatch(/^device:/);
  });
});

it('a token opens its scope at both doors, whoever shows it', () => {
  const { secret } = doors.makeToken('t', 'Probe', { kind: 'probe', probeId: 'long' });
  const reading = { bearer: secret, method: 'POST', ...at('/api/v1/probes/long/readings') } as const;
  expect([kindOf(home(reading)), kindOf(machine(reading))]).toEqual(['token:t', 'token:t']);
  expect([kindOf(home({ bearer: secret })), kindOf(machine({ bearer: secret }))]).toEqual(['403', '403']);
});
