import { mkdtempSync, rmSync } from 'node:fs';
import { get, type RequestListener } from 'node:http';
import { get as secureGet } from 'node:https';
import { type AddressInfo, connect, createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { connect as tlsConnect } from 'node:tls';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Announcer, type Wire } from './announce';
import { Doors } from './doors';
import { Front } from './front';
import { doorsFolder } from './keptDoors';
import { MOST_CONNECTIONS_EACH, MOST_UNKNOWN } from './patience';

/** What listens on the home network, with loopback addresses in the place of a network that comes and goes. */

/** A busy machine takes its time for hundreds of connections. */
const SOON = { timeout: 20_000 } as const;
let data = '';
let front: Front;
let doors: Doors;
let port = 0;
let addresses: string[] = [];

const answerHello: RequestListener = (_, response) => response.end('hello');
/** A network where nobody says anything. */
const silentWire = (): Wire => ({
  ask: () => undefined,
  answer: () => undefined,
  onAsked: () => undefined,
  onAnswered: () => undefined,
  close: () => undefined,
});
/** What is listened on, by address. */
const urls = () => front.listening.filter((one) => one.address !== 'hyndle.local').map((one) => one.url);

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.31', () => {
      const { port: free } = probe.address() as AddressInfo;
      probe.close(() => resolve(free));
    });
  });
const heard = (url: string, ca?: string): Promise<string> =>
  new Promise((resolve) => {
    const done = (response: NodeJS.ReadableStream) => response.on('data', (chunk) => resolve(String(chunk)));
    const asked = ca === undefined ? get(url, { agent: false }, done) : secureGet(url, { agent: false, ca }, done);
    asked.on('error', (error) => resolve((error as NodeJS.ErrnoException).code ?? error.message));
  });

beforeEach(async () => {
  data = mkdtempSync(path.join(tmpdir(), 'hyndle-front-'));
  port = await freePort();
  addresses = [];
  const folder = doorsFolder(data);
  doors = new Doors(folder);
  const handed = { behind: () => answerHello, port, isRefusedByBrowsers: (one: number) => one === port + 1 };
  front = new Front(doors, folder, handed, () => addresses, new Announcer(silentWire, async () => undefined));
});
afterEach(async () => {
  await front.close();
  rmSync(data, { recursive: true, force: true });
});

test('shut, nothing listens and nothing is wrong', async () => {
  addresses = ['127.0.0.31'];
  await front.adjust();
  expect([front.listening, front.trouble]).toEqual([[], null]);
  expect(await heard(`http://127.0.0.31:${port}`)).toBe('ECONNREFUSED');
});

test('open without a network it says so, and opens by itself when there is one', async () => {
  doors.setOpen(true);
  await front.adjust();
  expect(front.trouble).toMatch(/in no home network now/);
  addresses = ['127.0.0.31'];
  await front.adjust();
  expect(front.trouble).toBeNull();
  // The port after it is one that browsers refuse.
  expect(urls()).toEqual([`https://127.0.0.31:${port + 2}`, `http://127.0.0.31:${port}`]);
  expect(await heard(`http://127.0.0.31:${port}`)).toBe('hello');
  expect(await heard(`https://127.0.0.31:${port + 2}`, front.authority?.pem)).toBe('hello');
});

test('after a change of network it is found at the new address, with a certificate for it from the same authority, and devices stay in', async () => {
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  const cookie = doors.join(doors.letIn('hands'), 'Phone', '127.0.0.40');
  const authority = front.authority;
  addresses = ['127.0.0.32'];
  await front.adjust();
  expect(front.authority).toEqual(authority);
  expect(await heard(`http://127.0.0.31:${port}`)).toBe('ECONNREFUSED');
  expect(await heard(`https://127.0.0.32:${port + 2}`, authority?.pem)).toBe('hello');
  // By its name it is where it was: that is what a device keeps its cookie by.
  expect(front.listening[0]).toEqual({ address: 'hyndle.local', url: `https://hyndle.local:${port + 2}`, isSecure: true });
  expect(cookie.kind === 'in' && doors.deviceWith(cookie.cookie, '127.0.0.41').kind).toBe('device');
});

test('a second address joins the first, whose certificate is renewed in place', async () => {
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  addresses = ['127.0.0.31', '127.0.0.32'];
  await front.adjust();
  for (const address of addresses) expect(await heard(`https://${address}:${port + 2}`, front.authority?.pem), address).toBe('hello');
});

test('a port that another program has there is said, and taken when it is free', async () => {
  const other: Server = await new Promise((resolve) => {
    const server = createServer().listen(port, '127.0.0.31', () => resolve(server));
  });
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  expect(front.trouble).toContain(`port ${port} is taken there`);
  await new Promise((resolve) => other.close(resolve));
  await front.adjust();
  expect(front.trouble).toBeNull();
});

test('shut again, it ends at once, what is open included', async () => {
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  doors.setOpen(false);
  await front.adjust();
  expect(await heard(`http://127.0.0.31:${port}`)).toBe('ECONNREFUSED');
  expect(front.listening).toEqual([]);
});

test('it speaks TLS 1.2 and 1.3, and nothing older', async () => {
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  const spoken = (version: 'TLSv1.1' | 'TLSv1.2' | 'TLSv1.3') =>
    new Promise<string | null>((resolve) => {
      // The client is willing to speak what is long forbidden (security level 0).
      const socket = tlsConnect({
        host: '127.0.0.31',
        port: port + 2,
        ca: front.authority?.pem,
        minVersion: version,
        maxVersion: version,
        ciphers: 'DEFAULT@SECLEVEL=0',
      });
      socket.on('secureConnect', () => {
        resolve(socket.getProtocol());
        socket.destroy();
      });
      socket.on('error', () => resolve(null));
    });
  expect([await spoken('TLSv1.3'), await spoken('TLSv1.2'), await spoken('TLSv1.1')]).toEqual(['TLSv1.3', 'TLSv1.2', null]);
});

test('one neighbour cannot take the connections of all', async () => {
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  let ended = 0;
  const sockets = Array.from({ length: MOST_CONNECTIONS_EACH + 15 }, () => connect({ host: '127.0.0.31', port, localAddress: '127.0.0.66' }));
  for (const socket of sockets) socket.on('close', () => ended++).on('error', () => undefined);
  await vi.waitFor(() => expect(ended).toBe(15), SOON);
  expect(await heard(`http://127.0.0.31:${port}`)).toBe('hello');
  for (const socket of sockets) socket.destroy();
  // Those that went make room again.
  await vi.waitFor(async () => {
    const again = connect({ host: '127.0.0.31', port, localAddress: '127.0.0.66' });
    again.on('error', () => undefined);
    await new Promise((resolve) => setTimeout(resolve, 50));
    const isOpen = again.readyState === 'open';
    again.destroy();
    expect(isOpen).toBe(true);
  }, SOON);
});

test('500 connections of strangers at many addresses shut nobody out: the one that waited longest goes', async () => {
  doors.setOpen(true);
  addresses = ['127.0.0.31'];
  await front.adjust();
  let ended = 0;
  const sockets = Array.from({ length: 500 }, (_, i) => connect({ host: '127.0.0.31', port, localAddress: `127.0.6.${1 + (i % 250)}` }));
  for (const socket of sockets) socket.on('close', () => ended++).on('error', () => undefined);
  await vi.waitFor(() => expect(ended).toBe(500 - MOST_UNKNOWN), SOON);
  expect(await heard(`http://127.0.0.31:${port}`)).toBe('hello');
  for (const socket of sockets) socket.destroy();
});
