import { readdirSync, readFileSync } from 'node:fs';
import { connect } from 'node:net';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { newSkein } from '@/contract/lot.fixture';
import { serverWithClock } from './builtServer';
import { cookieOf, type Got, neighbour } from './neighbour';

/** A hostile neighbour: strange devices at addresses of their own (127.0.0.2 and on) try the doors to the home network. */

const PORT = 4205;
const HOME = `http://127.0.0.5:${PORT}`;
const { base: MACHINE, pass, data, said } = serverWithClock(PORT, { HYNDLE_LAN: '1', HYNDLE_LAN_ADDRESSES: '127.0.0.5' });

interface Doors {
  readonly listening: { url: string; isSecure: boolean }[];
  readonly invite: { digits: string; missed: number } | null;
  readonly devices: { id: string; name: string }[];
  readonly fingerprint: string;
}
const onMachine = async <T = Doors>(pathname: string, body?: object): Promise<T> =>
  (
    await fetch(`${MACHINE}/api/v1${pathname}`, body ? { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {})
  ).json() as Promise<T>;

const enter = (from: string, digits: string, name = 'Strange', headers = {}): Promise<Got> =>
  neighbour(from, `${HOME}/join/enter`, { method: 'POST', headers, body: JSON.stringify({ digits, name }) });

/** A device joins as it should. @returns its cookie */
async function joined(from: string, name: string, role = 'hands'): Promise<string> {
  const { invite } = await onMachine('/doors/invite', { role });
  const got = await enter(from, invite?.digits ?? '', name);
  expect(got.status, got.body).toBe(200);
  return cookieOf(got);
}
const lot = (id: string) => newSkein(id, `Lot ${id}`, 50);
const addLot = (from: string, cookie: string, id: string): Promise<Got> =>
  neighbour(from, `${HOME}/api/v1/lots`, { method: 'POST', headers: { cookie }, body: JSON.stringify(lot(id)) });

test('a strange device learns nothing but the join page', async () => {
  for (const pathname of ['/', '/fibre', '/runs/x', '/shelf?tab=home', '/programs', '/nothing-here']) {
    const got = await neighbour('127.0.0.2', `${HOME}${pathname}`);
    expect([got.status, got.headers.location], pathname).toEqual([303, '/join']);
  }
  for (const pathname of [
    '/api/v1/health',
    '/api/v1/home',
    '/api/v1/live',
    '/api/v1/doors',
    '/api/v1/openapi.json',
    '/api/v1/archive',
    '/api/v1/blobs/x',
    '/api/v1/lots.csv',
  ])
    expect((await neighbour('127.0.0.3', `${HOME}${pathname}`)).status, pathname).toBe(401);
  for (const method of ['POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'])
    expect((await neighbour('127.0.0.4', `${HOME}/fibre`, { method })).status, method).toBe(401);
  await onMachine('/lots', lot('secret-skein'));
  for (const pathname of ['/join', '/join/trust']) {
    const { status, body } = await neighbour('127.0.0.6', `${HOME}${pathname}`);
    expect(status, pathname).toBe(200);
    for (const word of ['secret-skein', 'Lot secret', 'wakeAt', 'revision']) expect(body, `${pathname} says ${word}`).not.toContain(word);
  }
});

test('names that were made to point here, pages of others, and words that only the server may say', async () => {
  const cookie = await joined('127.0.0.7', 'Honest phone');
  const look = (headers: Record<string, string>) => neighbour('127.0.0.7', `${HOME}/api/v1/lots`, { headers: { cookie, ...headers } });
  expect((await look({})).status).toBe(200);
  for (const host of ['evil.example', `evil.example:${PORT}`, `127.0.0.1:${PORT}`, `localhost:${PORT}`, '127.0.0.5', `127.0.0.5:${PORT + 7}`])
    expect((await look({ host })).status, host).toBe(421);
  for (const origin of ['http://evil.example', 'null', `https://127.0.0.5:${PORT}`, `http://127.0.0.1:${PORT}`])
    expect((await look({ origin })).status, origin).toBe(403);
  const lies = {
    'x-hyndle-door': 'machine',
    'x-hyndle-by': 'machine',
    'x-hyndle-peer': '127.0.0.1',
    'x-hyndle-at': `127.0.0.1 ${PORT}`,
    'x-forwarded-host': `127.0.0.1:${PORT}`,
  };
  expect((await neighbour('127.0.0.8', `${HOME}/api/v1/lots`, { headers: lies })).status).toBe(401);
  expect((await look({ ...lies, 'x-middleware-subrequest': 'proxy:proxy:proxy:proxy:proxy' })).status).toBe(200);
  expect((await neighbour('127.0.0.8', `${HOME}/api/v1/lots`, { headers: { 'x-middleware-subrequest': 'proxy:proxy:proxy:proxy:proxy' } })).status).toBe(401);
  // A form from elsewhere: no JSON, and its page is foreign.
  const form = { 'content-type': 'text/plain', cookie };
  expect((await neighbour('127.0.0.7', `${HOME}/api/v1/lots`, { method: 'POST', headers: form, body: JSON.stringify(lot('forged')) })).status).toBe(415);
  expect((await neighbour('127.0.0.9', `${HOME}/join/enter`, { method: 'POST', headers: { origin: 'http://evil.example' }, body: '{}' })).status).toBe(403);
});

test('guessing, from as many addresses as there are, never keeps the owner out, and an address that goes on waits longer and longer', async () => {
  const { invite } = await onMachine('/doors/invite', { role: 'hands' });
  const wrong = invite?.digits === '123456' ? '654321' : '123456';
  const guessers = Array.from({ length: 25 }, (_, i) => `127.0.3.${i + 1}`);
  for (const from of guessers) expect([403, 422]).toContain((await enter(from, wrong)).status);
  const grown = (await onMachine('/doors')).invite?.digits ?? '';
  expect(grown).toMatch(/^\d{12}$/);
  expect((await enter('127.0.0.11', grown.slice(0, 6))).status).toBe(403);
  expect((await enter('127.0.0.11', grown, 'The owner’s phone')).status).toBe(200);
  for (let i = 0; i < 5; i++) await enter('127.0.0.10', wrong);
  const more = [await enter('127.0.0.10', wrong), await enter('127.0.0.10', wrong), await enter('127.0.0.10', wrong)];
  expect(more.at(-1)?.status).toBe(429);
  expect(Number(more.at(-1)?.headers['retry-after'])).toBeGreaterThan(0);
  expect(JSON.parse(more.at(-1)?.body ?? '{}').detail).toMatch(/Wait \d+ s/);
  for (const body of [
    '',
    '{',
    'null',
    '[]',
    '{"digits":123456,"name":"x"}',
    '{"digits":"１２３４５６","name":"x"}',
    JSON.stringify({ digits: '1'.repeat(3000), name: 'x' }),
  ])
    expect([400, 413, 422]).toContain((await neighbour('127.0.0.12', `${HOME}/join/enter`, { method: 'POST', body })).status);
});

test('digits join once, for five minutes; a join that is sent again joins nobody', async () => {
  const { invite } = await onMachine('/doors/invite', { role: 'hands' });
  expect((await enter('127.0.0.13', invite?.digits ?? '', 'First')).status).toBe(200);
  expect((await enter('127.0.0.13', invite?.digits ?? '', 'First')).status).toBe(403);
  const late = await onMachine('/doors/invite', { role: 'hands' });
  await pass(6);
  expect((await enter('127.0.0.14', late.invite?.digits ?? '', 'Too late')).status).toBe(403);
  expect((await onMachine('/doors')).devices.map((one) => one.name)).not.toContain('Too late');
});

test('the cookie: for no script, no other site; stolen and used elsewhere it puts the device out, out it opens nothing', async () => {
  const { invite } = await onMachine('/doors/invite', { role: 'hands' });
  const got = await enter('127.0.0.15', invite?.digits ?? '', 'Phone');
  expect(got.headers['set-cookie']?.[0]).toMatch(/^hyndle=[\w.-]+; Path=\/;.*HttpOnly; SameSite=strict/i);
  const cookie = cookieOf(got);
  const look = (from: string) => neighbour(from, `${HOME}/api/v1/lots`, { headers: { cookie } });
  expect((await look('127.0.0.15')).status).toBe(200);
  expect((await look('127.0.0.16')).status).toBe(200);
  expect((await look('127.0.0.15')).status).toBe(401);
  expect((await look('127.0.0.16')).status).toBe(401);

  const other = await joined('127.0.0.17', 'Tablet');
  const id = (await onMachine('/doors')).devices.find((one) => one.name === 'Tablet')?.id;
  await onMachine(`/doors/devices/${id}/out`, {});
  expect((await neighbour('127.0.0.17', `${HOME}/api/v1/lots`, { headers: { cookie: other } })).status).toBe(401);
});

test('eyes look and do nothing; hands do everything but let others in', async () => {
  const eyes = await joined('127.0.0.18', 'Tablet in the hall', 'eyes');
  const hands = await joined('127.0.0.19', 'Phone on the wall');
  expect((await neighbour('127.0.0.18', `${HOME}/api/v1/lots`, { headers: { cookie: eyes } })).status).toBe(200);
  const refused = await addLot('127.0.0.18', eyes, 'by-eyes');
  expect([refused.status, JSON.parse(refused.body).title]).toEqual([403, 'Only looking']);
  expect((await addLot('127.0.0.19', hands, 'by-hands')).status).toBe(200);
  for (const pathname of ['/doors', '/doors/invite', '/doors/tokens'])
    for (const [method, spelled] of [
      ['GET', pathname],
      ['POST', pathname],
      ['GET', pathname.replace('d', '%64')],
      ['POST', `/${pathname.replace('oo', '%6F%6f')}/`],
    ] as const)
      expect([403, 405], `${method} ${spelled}`).toContain(
        (await neighbour('127.0.0.19', `${HOME}/api/v1${spelled}`, { method, headers: { cookie: hands }, ...(method === 'POST' ? { body: '{}' } : {}) }))
          .status,
      );
});

test('a device put out in mid-act: what was answered before counts, nothing after', async () => {
  const cookie = await joined('127.0.0.20', 'Busy phone');
  const id = (await onMachine('/doors')).devices.find((one) => one.name === 'Busy phone')?.id ?? '';
  const answers: { id: string; status: number; afterOut: boolean }[] = [];
  let isOut = false;
  const acting = Promise.all(
    Array.from({ length: 30 }, async (_, i) => {
      await new Promise((resolve) => setTimeout(resolve, i * 4));
      const began = isOut;
      const got = await addLot('127.0.0.20', cookie, `busy-${i}`).catch(() => null);
      answers.push({ id: `busy-${i}`, status: got?.status ?? 0, afterOut: began });
    }),
  );
  await new Promise((resolve) => setTimeout(resolve, 50));
  await onMachine(`/doors/devices/${id}/out`, {});
  isOut = true;
  const storedThen = new Set((await onMachine<{ id: string }[]>('/lots')).map((one) => one.id));
  await acting;
  const storedNow = new Set((await onMachine<{ id: string }[]>('/lots')).map((one) => one.id));
  expect(storedNow).toEqual(storedThen);
  for (const answer of answers) {
    expect(storedNow.has(answer.id), `${answer.id} was answered ${answer.status}`).toBe(answer.status === 200);
    if (answer.afterOut) expect(answer.status).toBe(401);
  }
  expect(answers.some((one) => one.status === 200) && answers.some((one) => one.status === 401)).toBe(true);
});

test('twenty devices and two hundred streams: each as many as it may, and the machine is answered all the while', async () => {
  const cookies: string[] = [];
  for (let i = 0; i < 20; i++) cookies.push(await joined(`127.0.1.${i + 1}`, `Device ${i}`));
  const streams = cookies.flatMap((cookie, i) =>
    Array.from({ length: 10 }, () => neighbour(`127.0.1.${i + 1}`, `${HOME}/api/v1/live`, { headers: { cookie }, forMs: 2500 })),
  );
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect((await fetch(`${MACHINE}/api/v1/health`, { signal: AbortSignal.timeout(10_000) })).status).toBe(200);
  const statuses = (await Promise.all(streams)).map((got) => got.status);
  expect(statuses.filter((status) => status === 200)).toHaveLength(80);
  expect(statuses.filter((status) => status === 429)).toHaveLength(120);
  // Those that went away make room again.
  await expect.poll(async () => (await neighbour('127.0.1.1', `${HOME}/api/v1/live`, { headers: { cookie: cookies[0] ?? '' }, forMs: 200 })).status).toBe(200);
});

test('asked too much, a stranger waits with words; the others are answered', async () => {
  const cookie = await joined('127.0.0.22', 'Calm phone');
  const got: Got[] = [];
  for (let i = 0; i < 8; i++) got.push(...(await Promise.all(Array.from({ length: 25 }, () => neighbour('127.0.0.21', `${HOME}/`)))));
  const refused = got.find((one) => one.status === 429);
  expect(refused && JSON.parse(refused.body).detail).toMatch(/Wait \d+ s and try again/);
  expect(Number(refused?.headers['retry-after'])).toBeGreaterThan(0);
  expect((await neighbour('127.0.0.22', `${HOME}/api/v1/time`, { headers: { cookie } })).status).toBe(200);
});

test('a slow body, a slow head and much at once hold up nobody', async () => {
  const cookie = await joined('127.0.0.23', 'Slow phone');
  const began = Date.now();
  const slow = (text: string, localAddress: string) =>
    new Promise<string>((resolve) => {
      const socket = connect({ host: '127.0.0.5', port: PORT, localAddress });
      let heard = '';
      socket.on('data', (data) => {
        heard += data.toString();
      });
      for (const end of ['close', 'error'] as const) socket.on(end, () => resolve(heard));
      socket.write(text);
      const drip = setInterval(() => (socket.writable ? socket.write('x') : undefined), 1000);
      socket.on('close', () => clearInterval(drip));
    });
  const heads = Promise.all(Array.from({ length: 20 }, (_, i) => slow('GET /join HTTP/1.1\r\nHost: 127.0.0.5\r\nX-Slow: ', `127.0.2.${i + 1}`)));
  void slow(
    `POST /api/v1/lots HTTP/1.1\r\nHost: 127.0.0.5:${PORT}\r\nCookie: ${cookie}\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n{`,
    '127.0.0.23',
  );
  const big = await neighbour('127.0.0.24', `${HOME}/join/enter`, { method: 'POST', body: JSON.stringify({ digits: '1', name: 'x'.repeat(3_000_000) }) }).catch(
    () => null,
  );
  expect([413, undefined]).toContain(big?.status);
  expect((await fetch(`${MACHINE}/api/v1/health`)).status).toBe(200);
  for (const heard of await heads) expect(heard).toMatch(/^HTTP\/1.1 408|^$/);
  expect(Date.now() - began).toBeLessThan(45_000);
});

test('over https: trusted by its authority alone, its cookie bound to it, at a port that stays', async () => {
  const { listening, fingerprint } = await onMachine('/doors');
  const secure = listening.find((one) => one.isSecure && one.url.includes('127.0.0.5'))?.url ?? '';
  const authority = await neighbour('127.0.0.25', `${HOME}/join/authority`);
  expect(authority.headers['content-type']).toBe('application/x-x509-ca-cert');
  await expect(neighbour('127.0.0.25', `${secure}/join`)).rejects.toThrow(/certificate/);
  expect((await neighbour('127.0.0.25', `${secure}/join`, { ca: authority.body })).status).toBe(200);
  const away = await neighbour('127.0.0.25', `${secure}/fibre`, { ca: authority.body });
  expect([away.status, away.headers.location]).toEqual([303, '/join']);
  const { invite } = await onMachine('/doors/invite', { role: 'hands' });
  const got = await neighbour('127.0.0.25', `${secure}/join/enter`, {
    method: 'POST',
    ca: authority.body,
    headers: { origin: secure },
    body: JSON.stringify({ digits: invite?.digits, name: 'Private phone' }),
  });
  expect(got.headers['set-cookie']?.[0]).toMatch(/^__Host-hyndle=[\w.-]+; Path=\/;.*Secure; HttpOnly; SameSite=strict/i);
  expect((await neighbour('127.0.0.25', `${secure}/api/v1/me`, { ca: authority.body, headers: { cookie: cookieOf(got) } })).body).toContain('"isSecure":true');
  // What was given over https opens nothing over http.
  expect((await neighbour('127.0.0.25', `${HOME}/api/v1/me`, { headers: { cookie: cookieOf(got) } })).status).toBe(401);
  expect(fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
});

test('tokens: each opens its own and nothing else, and its end is the end', async () => {
  const make = (id: string, scope: object) => onMachine<{ secret: string }>('/doors/tokens', { id, name: `Token ${id}`, scope });
  const look = (await make('t-look', { kind: 'look' })).secret;
  const probe = (await make('t-probe', { kind: 'probe', probeId: 'long' })).secret;
  const ask = (bearer: string, pathname: string, sent: { method?: string; body?: string } = {}) =>
    neighbour('127.0.0.26', `${HOME}${pathname}`, { ...sent, headers: { authorization: `Bearer ${bearer}` } });
  const reading = { method: 'POST', body: JSON.stringify({ readings: [{ atMs: Date.now(), bathC: 40 }] }) };
  expect((await ask(look, '/api/v1/lots')).status).toBe(200);
  expect((await ask(look, '/api/v1/lots', { method: 'POST', body: JSON.stringify(lot('by-look')) })).status).toBe(403);
  expect((await ask(look, '/fibre')).status).toBe(403);
  expect((await ask(probe, '/api/v1/lots')).status).toBe(403);
  expect((await ask(probe, '/api/v1/probes/other/readings', reading)).status).toBe(403);
  expect((await ask(probe, '/api/v1/probes/long/readings', reading)).status).not.toBe(403);
  expect((await ask('hyndle_wrong', '/api/v1/lots')).status).toBe(401);
  // On the machine itself none is needed, and a wrong one is still wrong.
  expect((await fetch(`${MACHINE}/api/v1/lots`, { headers: { authorization: 'Bearer wrong' } })).status).toBe(401);
  await onMachine('/doors/tokens/t-look/out', {});
  expect((await ask(look, '/api/v1/lots')).status).toBe(401);
});

test('no secret is in what the server said, in the data beside the doors, or in the source of a page', async () => {
  const cookie = await joined('127.0.0.27', 'Secret phone');
  const { secret } = await onMachine<{ secret: string }>('/doors/tokens', { id: 't-secret', name: 'Secret', scope: { kind: 'look' } });
  const page = await neighbour('127.0.0.27', `${HOME}/shelf?tab=home`, { headers: { cookie } });
  expect(page.status).toBe(200);
  const files = readdirSync(data, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile());
  const kept = files.map((entry) => readFileSync(path.join(entry.parentPath, entry.name)).toString('latin1')).join('\n');
  for (const one of [cookie.split('.')[1] ?? '', secret]) {
    expect(one.length).toBeGreaterThan(20);
    expect(page.body.includes(one)).toBe(false);
    expect(kept.includes(one)).toBe(false);
    expect(said().includes(one)).toBe(false);
  }
});
