import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { WaitingLook } from './lookBox';

/** Looks and their pictures: kept in the browser first, sent once, never lost. */

const kept = new Map<string, unknown>();
vi.mock('idb-keyval', () => ({
  createStore: () => 'store',
  set: async (key: string, value: unknown) => void kept.set(key, value),
  del: async (key: string) => void kept.delete(key),
  entries: async () => [...kept],
}));

type Box = typeof import('./lookBox');
let box: Box;
let sent: { url: string; body: unknown }[];
let answer: (url: string) => Promise<Response>;
const json = (status: number, body: unknown) => new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
const refusal = (status: number, detail: string) => json(status, { type: 'about:blank', title: 'No', status, detail, errors: [] });
const picture = { hash: 'h', middle: 'm', small: 's', widthPx: 1, heightPx: 1, takenAtMs: null };
const fine = async (url: string) => json(200, url.endsWith('/blobs') ? picture : {});
const look = (id: string, atMs: number, files = 0, note = ''): WaitingLook => ({
  input: { id, lotIds: ['a'], part: null, liquorId: null, at: null, state: null, light: null, pictures: [], colour: null, verdict: {}, note, atMs },
  files: Array.from({ length: files }, (_, i) => new File(['x'], `${id}-${i}.jpg`, { type: 'image/jpeg' })),
});
const paths = () => sent.map(({ url }) => url.split('/').at(-1));

/** Sends a file by the same answers as everything else. */
class SentFile {
  status = 0;
  responseText = '';
  readonly upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {};
  onload = () => undefined;
  onerror = () => undefined;
  onabort = () => undefined;
  private url = '';
  private isStopped = false;
  open(_method: string, url: string) {
    this.url = url;
  }
  setRequestHeader() {}
  abort() {
    this.isStopped = true;
    this.onabort();
  }
  send(body: Blob) {
    sent.push({ url: this.url, body });
    this.upload.onprogress?.({ loaded: 1, total: 2 });
    answer(this.url).then(
      async (response) => {
        if (this.isStopped) return;
        [this.status, this.responseText] = [response.status, await response.text()];
        this.onload();
      },
      () => this.onerror(),
    );
  }
}

beforeEach(async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  kept.clear();
  sent = [];
  answer = fine;
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    sent.push({ url, body: typeof init.body === 'string' ? JSON.parse(init.body) : init.body });
    return answer(url);
  });
  vi.stubGlobal('XMLHttpRequest', SentFile);
  vi.resetModules();
  box = await import('./lookBox');
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test('its pictures go before it, and it names them; then nothing waits', async () => {
  await box.keepLook(look('one', 1, 2));
  await vi.waitFor(() => expect(box.lookBox().waiting).toEqual([]));
  expect(paths()).toEqual(['blobs', 'blobs', 'looks']);
  expect(sent[2]?.body).toMatchObject({ id: 'one', pictures: [picture, picture] });
  expect(kept.size).toBe(0);
});
test('without an answer it stays in the browser, and is sent later by itself, the oldest first', async () => {
  answer = () => Promise.reject(new TypeError('Failed to fetch'));
  await box.keepLook(look('late', 2, 1));
  await box.keepLook(look('early', 1, 0, 'dry'));
  await vi.waitFor(() => expect(box.lookBox().waiting.map(({ input }) => input.id)).toEqual(['early', 'late']));
  expect(kept.size).toBe(2);
  await vi.waitFor(() => expect(box.lookBox().isHeld).toBe(true));
  answer = fine;
  sent = [];
  await vi.advanceTimersByTimeAsync(5000);
  await vi.waitFor(() => expect(kept.size).toBe(0));
  expect(sent.filter(({ url }) => url.endsWith('/looks')).map(({ body }) => (body as { id: string }).id)).toEqual(['early', 'late']);
  expect(box.lookBox()).toMatchObject({ isHeld: false, refusal: null });
});
test('one on its way is not said to be held; one that is long on its way is, until it is stored', async () => {
  const answers: (() => void)[] = [];
  answer = (url) => new Promise((resolve) => answers.push(() => void fine(url).then(resolve)));
  await box.keepLook(look('one', 1, 0, 'dry'));
  await vi.advanceTimersByTimeAsync(1500);
  expect(box.lookBox()).toMatchObject({ isHeld: false, waiting: [{ input: { id: 'one' } }] });
  await vi.advanceTimersByTimeAsync(1500);
  expect(box.lookBox().isHeld).toBe(true);
  for (const one of answers) one();
  await vi.waitFor(() => expect(box.lookBox()).toMatchObject({ isHeld: false, waiting: [] }));
});
test.each([401, 429, 500, 507])('an answer of %i is no end: it waits', async (status) => {
  vi.stubGlobal('window', { location: { assign: () => undefined } });
  answer = async () => refusal(status, 'Not now.');
  await box.keepLook(look('one', 1, 1));
  await vi.waitFor(() => expect(sent.length).toBeGreaterThan(0));
  await vi.advanceTimersByTimeAsync(100);
  expect(kept.size).toBe(1);
  answer = fine;
  await vi.advanceTimersByTimeAsync(5000);
  await vi.waitFor(() => expect(kept.size).toBe(0));
});
test('one picture that is none is named and left out; the others are kept', async () => {
  let first = true;
  answer = async (url) => {
    if (!url.endsWith('/blobs') || !first) return fine(url);
    first = false;
    return refusal(415, 'Send a picture.');
  };
  await box.keepLook(look('one', 1, 2));
  await vi.waitFor(() => expect(kept.size).toBe(0));
  expect(box.lookBox().refusal).toBe('one-0.jpg: Send a picture.');
  expect(sent.at(-1)?.body).toMatchObject({ pictures: [picture] });
  box.forgetLookRefusal();
  expect(box.lookBox().refusal).toBeNull();
});
test('a look of nothing but a refused picture is not sent', async () => {
  answer = async (url) => (url.endsWith('/blobs') ? refusal(413, 'Too big.') : fine(url));
  await box.keepLook(look('one', 1, 1));
  await vi.waitFor(() => expect(kept.size).toBe(0));
  expect(paths()).toEqual(['blobs']);
});

test('a picture that is cancelled on its way is thrown away, and nothing is stored of it', async () => {
  answer = (url) => (url.endsWith('/blobs') ? new Promise(() => undefined) : fine(url));
  await box.keepLook(look('one', 1, 1));
  await vi.waitFor(() => expect(box.lookBox().sentShare).toBe(0.5));
  await box.cancelLook('one');
  await vi.waitFor(() => expect(box.lookBox()).toMatchObject({ waiting: [], sentShare: null, refusal: null }));
  expect([paths(), kept.size]).toEqual([['blobs'], 0]);
});
