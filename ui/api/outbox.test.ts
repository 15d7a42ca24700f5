import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

/** Acts at the stove: kept on the device first, sent in order, never twice, never lost. */

type Box = typeof import('./outbox');
let act: Box['act'];
let flush: Box['flush'];
let waitingActs: Box['waitingActs'];
let whenSent: Box['whenSent'];

const stirred = { type: 'stirred', stepId: 's' } as const;
let sent: { url: string; body: { id: string; type: string } }[];
let answer: (body: { id: string }) => Promise<Response>;
let heard: string[];

const json = (status: number, body: unknown) => new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
const accepted = async (body: { id: string }) => json(200, { ...body, recordedAtMs: 5 });
const refusal = (status: number) => async () => json(status, { type: 'about:blank', title: 'No', status, detail: 'This run is finished.', errors: [] });
const settled = () => vi.waitFor(() => expect(waitingActs()).toEqual([]));

beforeEach(async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', { getItem: (key: string) => kept.get(key) ?? null, setItem: (key: string, value: string) => void kept.set(key, value) });
  sent = [];
  heard = [];
  answer = accepted;
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    const body = JSON.parse(String(init.body)) as { id: string; type: string };
    sent.push({ url, body });
    return answer(body);
  });
  // A page of its own for each test: the box has one timer a page.
  vi.resetModules();
  const box = await import('./outbox');
  ({ act, flush, waitingActs, whenSent } = box);
  box.listenOutbox((change) => void heard.push(change.kind));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('an act', () => {
  test('is on the device before anything is sent', () => {
    const event = act('r1', stirred);
    expect(waitingActs()).toEqual([{ runId: 'r1', event }]);
  });
  test('is sent to its run with the id made here, and then waits no more', async () => {
    const event = act('r1', stirred);
    await settled();
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ url: expect.stringContaining('/runs/r1/events'), body: { id: event.id, type: 'stirred' } });
    expect(heard).toContain('stored');
  });
  test('may be set back in time', async () => {
    const event = act('r1', stirred, 1234.4);
    expect(event.atMs).toBe(1234);
    await settled();
  });
  test('two acts have two ids', async () => {
    expect(act('r1', stirred).id).not.toBe(act('r1', stirred).id);
    await settled();
  });
});

describe('a device that was put out, or asked too much', () => {
  test.each([401, 429])('keeps its acts after a %i, and sends them when it is let in again', async (status) => {
    const went: string[] = [];
    vi.stubGlobal('window', { location: { assign: (to: string) => went.push(to) } });
    answer = refusal(status);
    const event = act('r1', stirred);
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    await vi.waitFor(() => expect(went).toEqual(status === 401 ? ['/join?out'] : []));
    expect(waitingActs()).toEqual([{ runId: 'r1', event }]);
    answer = accepted;
    await vi.advanceTimersByTimeAsync(3500);
    await settled();
    expect(heard).toContain('stored');
  });
});

describe('order', () => {
  test('what was made first is sent first, one at a time', async () => {
    let atOnce = 0;
    let most = 0;
    answer = async (body) => {
      most = Math.max(most, ++atOnce);
      await Promise.resolve();
      atOnce--;
      return accepted(body);
    };
    const ids = [act('r1', stirred), act('r2', stirred), act('r1', { type: 'flipped', stepId: 's' })].map((event) => event.id);
    await settled();
    expect(sent.map((one) => one.body.id)).toEqual(ids);
    expect(most).toBe(1);
  });
});

describe('without an answer', () => {
  test.each<[string, () => Promise<Response>]>([
    ['no network', () => Promise.reject(new TypeError('Failed to fetch'))],
    ['a server that fell over', refusal(500)],
    ['a server that is starting', refusal(503)],
  ])('%s: it is kept, tried again, and sent with the same id', async (_what, failing) => {
    answer = failing;
    const event = act('r1', stirred);
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    await vi.advanceTimersByTimeAsync(100);
    expect(waitingActs()).toHaveLength(1);
    answer = accepted;
    await vi.advanceTimersByTimeAsync(3100);
    await settled();
    expect(new Set(sent.map((one) => one.body.id))).toEqual(new Set([event.id]));
  });
  test('a server that answers and cannot store says why; without an answer nobody says anything for it', async () => {
    const { whatIsHeld } = await import('./outbox');
    answer = refusal(507);
    act('r1', stirred);
    await vi.waitFor(() => expect(whatIsHeld()).toEqual({ why: 'This run is finished.' }));
    expect(waitingActs()).toHaveLength(1);
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    await vi.advanceTimersByTimeAsync(3100);
    await vi.waitFor(() => expect(whatIsHeld()).toEqual({ why: null }));
    answer = accepted;
    await vi.advanceTimersByTimeAsync(3100);
    await settled();
    expect(whatIsHeld()).toBeNull();
  });
  test('an act on its way is not said to be held; one that is long on its way is, until it is stored', async () => {
    const { whatIsHeld } = await import('./outbox');
    const answers: (() => void)[] = [];
    answer = (body) => new Promise((resolve) => answers.push(() => void accepted(body).then(resolve)));
    act('r1', stirred);
    await vi.advanceTimersByTimeAsync(1500);
    expect(waitingActs()).toHaveLength(1);
    expect(whatIsHeld()).toBeNull();
    await vi.advanceTimersByTimeAsync(1500);
    expect(whatIsHeld()).toEqual({ why: null });
    for (const one of answers) one();
    await settled();
    expect(whatIsHeld()).toBeNull();
  });
  test('what waits behind a held act is said to be held until it is sent too', async () => {
    const { whatIsHeld } = await import('./outbox');
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    act('r1', stirred);
    act('r1', stirred);
    await vi.waitFor(() => expect(whatIsHeld()).toEqual({ why: null }));
    const answers: (() => void)[] = [];
    answer = (body) => new Promise((resolve) => answers.push(() => void accepted(body).then(resolve)));
    await vi.advanceTimersByTimeAsync(3100);
    answers[0]?.();
    await vi.waitFor(() => expect(waitingActs()).toHaveLength(1));
    expect(whatIsHeld()).toEqual({ why: null });
    await vi.waitFor(() => expect(answers).toHaveLength(2));
    answers[1]?.();
    await settled();
    expect(whatIsHeld()).toBeNull();
  });
  test('later acts wait behind it', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    act('r1', stirred);
    act('r1', stirred);
    await vi.advanceTimersByTimeAsync(100);
    expect(waitingActs()).toHaveLength(2);
    answer = accepted;
    await flush();
    expect(waitingActs()).toEqual([]);
    await vi.advanceTimersByTimeAsync(3100);
  });
});

test('what the server refuses is told and dropped, and the next one goes on', async () => {
  let first = true;
  answer = async (body) => {
    if (!first) return accepted(body);
    first = false;
    return refusal(409)();
  };
  act('done', stirred);
  act('r1', stirred);
  await settled();
  expect(heard.filter((kind) => kind === 'refused')).toHaveLength(1);
  expect(heard.filter((kind) => kind === 'stored')).toHaveLength(1);
});

test.each(['{ broken', '{}', '7', 'null'])('a box that holds %s is an empty one', (text) => {
  localStorage.setItem('hyndle.outbox', text);
  expect(waitingActs()).toEqual([]);
});

test('who must wait until everything is sent is told when it is, or that it is kept', async () => {
  act('r', stirred);
  act('r', stirred);
  await whenSent('r');
  expect(sent).toHaveLength(2);
  await whenSent('r');
  answer = () => Promise.reject(new TypeError('no network'));
  act('r', stirred);
  const waiting = expect(whenSent('r', 1000)).rejects.toThrow(/kept here/);
  await vi.advanceTimersByTimeAsync(1100);
  await waiting;
  expect(waitingActs()).toHaveLength(1);
});
