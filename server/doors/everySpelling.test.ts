import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { meaningOf } from '@/contract/address';
import { endpoints } from '@/contract/endpoints';
import { FILE_DOORS } from '@/contract/fileDoors';
import { roleAllows, scopeAllows } from '@/core/doors/scope';
import { Doors } from './doors';
import { letIn } from './gate';
import { doorsFolder } from './keptDoors';
import { needOf } from './need';

/** Every address of the API, as every role, in every spelling, through the real gate. */

const HOME = '127.0.0.31';
let data = '';
let server: Server;
let port = 0;
let doors: Doors;
let nowMs = Date.UTC(2026, 4, 2, 9);
const who: Record<string, Record<string, string>> = {};
const agent = new Agent({ keepAlive: true, maxSockets: 4, localAddress: '127.0.0.40' });

beforeAll(async () => {
  data = mkdtempSync(path.join(tmpdir(), 'hyndle-spelling-'));
  // Each request a second after the other: how much is asked has tests of its own.
  doors = new Doors(doorsFolder(data), () => (nowMs += 1000));
  for (const role of ['hands', 'eyes'] as const) {
    const joined = doors.join(doors.letIn(role), role, '127.0.0.40');
    if (joined.kind !== 'in') throw new Error(joined.kind);
    who[role] = { cookie: `hyndle=${joined.cookie}` };
  }
  for (const scope of [{ kind: 'all' }, { kind: 'look' }, { kind: 'probe', probeId: 'a1' }] as const)
    who[scope.kind] = { authorization: `Bearer ${doors.makeToken(scope.kind, scope.kind, scope).secret}` };
  who.stranger = {};
  server = createServer((incoming, response) => {
    if (letIn(incoming, response, 'home', doors, null)) response.end(`in as ${incoming.headers['x-hyndle-by']} to ${incoming.url}`);
  });
  await new Promise<void>((resolve) => server.listen(0, HOME, resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(async () => {
  agent.destroy();
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  rmSync(data, { recursive: true, force: true });
});

const ask = (method: string, pathname: string, headers: Record<string, string>): Promise<{ status: number; body: string }> =>
  new Promise((resolve, reject) => {
    const sent = request({ host: HOME, port, method, path: pathname, headers, agent }, (response) => {
      let body = '';
      response.on('data', (chunk: Buffer) => {
        body += chunk.toString();
      });
      response.on('end', () => resolve({ status: response.statusCode ?? 0, body }));
    });
    sent.on('error', reject);
    sent.end();
  });

const hex = (letter: string): string => `%${letter.charCodeAt(0).toString(16)}`;
const last = (address: string, change: (letter: string) => string): string => address.replace(/[a-z](?=[^/]*$)/, change);
const SPELLINGS: Readonly<Record<string, (address: string) => string>> = {
  'an escaped letter': (address) => last(address, hex),
  'an escape in capitals': (address) => last(address, (letter) => hex(letter).toUpperCase()),
  'all escaped': (address) => address.replaceAll(/[a-z]/g, hex),
  'an escaped prefix': (address) => address.replace('/api', `/${hex('a')}pi`),
  'a double escape': (address) => last(address, (letter) => hex(letter).replace('%', '%25')),
  dots: (address) => address.replace('/v1/', '/v1/x/../'),
  'escaped dots': (address) => address.replace('/v1/', '/v1/x/%2e%2e/'),
  'a dot': (address) => address.replace('/v1/', '/v1/./'),
  'doubled slashes': (address) => address.replaceAll('/', '//'),
  'a trailing slash': (address) => `${address}/`,
  'an escaped slash': (address) => address.replace('/v1/', '/v1%2f'),
  'a backslash': (address) => address.replace('/v1/', '/v1\\'),
  'upper case': (address) => address.toUpperCase(),
  'a zero byte': (address) => `${address}%00`,
  'half an escape': (address) => `${address}%`,
  'a whole address': (address) => `http://${HOME}${address}`,
  'with a query': (address) => `${address}?x=%2e%2e/doors`,
};

const table = [...Object.values(endpoints), ...Object.values(FILE_DOORS)].map(({ method, path: below }) => ({
  method,
  address: `/api/v1${below.replaceAll(/\{\w+\}/g, 'a1')}`,
}));

function mayDo(role: string, method: string, address: string): boolean {
  const need = needOf(method, meaningOf(method, address.slice(1).split('/')));
  if (!need || role === 'stranger') return false;
  if (role === 'hands' || role === 'eyes') return roleAllows(role, need);
  return scopeAllows(role === 'probe' ? { kind: 'probe', probeId: 'a1' } : role === 'look' ? { kind: 'look' } : { kind: 'all' }, need);
}

test.each(['hands', 'eyes', 'all', 'look', 'probe', 'stranger'])('as %s: what is not allowed is allowed in no spelling', async (role) => {
  const host = { host: `${HOME}:${port}` };
  for (const { method, address } of table) {
    const allowed = mayDo(role, method, address);
    expect((await ask(method, address, { ...host, ...who[role] })).status === 200, `${method} ${address}`).toBe(allowed);
    for (const [name, spell] of Object.entries(SPELLINGS)) {
      const { status, body } = await ask(method, spell(address), { ...host, ...who[role] });
      if (status !== 200) expect([303, 400, 401, 403, 404, 405], `${method} ${spell(address)}`).toContain(status);
      else if (body.includes(' to /api/')) {
        expect(allowed, `${name}: ${method} ${spell(address)} was let in: ${body}`).toBe(true);
        // What goes on is the one spelling that was judged.
        expect(body.split('?')[0]).toContain(` to ${address}`);
      } else expect(body, name).toMatch(/ to \/API\//);
    }
  }
});

test('the doors are the machine’s own, and a device’s page in capitals is only a page that is not there', () => {
  expect(table.filter(({ method, address }) => needOf(method, meaningOf(method, address.slice(1).split('/')))?.kind === 'doors')).toHaveLength(7);
  expect(table.filter(({ address }) => address.startsWith('/api/v1/doors'))).toHaveLength(7);
});

test('a token ends with the device that made it', async () => {
  const joined = doors.join(doors.letIn('hands'), 'Lent phone', '127.0.0.41');
  if (joined.kind !== 'in') throw new Error(joined.kind);
  const id = joined.cookie.split('.')[0] ?? '';
  const { secret } = doors.makeToken('lent', 'Made by the phone', { kind: 'all' }, id);
  expect(doors.tokenWith(secret).kind).toBe('token');
  await doors.putOut(id);
  expect(doors.tokenWith(secret).kind).toBe('stranger');
});

test.each(['TRACE', 'PROPFIND', 'LINK'])('%s is refused in words', async (method) => {
  const { status, body } = await ask(method, '/', { host: `${HOME}:${port}`, ...who.hands });
  expect([status, JSON.parse(body).detail]).toEqual([405, `${method} is not offered here.`]);
});
