import { afterEach, expect, test, vi } from 'vitest';
import { get, Refused, Unreachable } from './http';

afterEach(() => vi.unstubAllGlobals());
const answers = (body: BodyInit | null, init: ResponseInit = {}) => vi.stubGlobal('fetch', async () => new Response(body, init));
const cut = () =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      controller.enqueue(new TextEncoder().encode('[{"id":'));
      controller.error(new Error('the line broke'));
    },
  });

test('what was asked for', async () => {
  answers('{"a":1}');
  expect(await get('/x')).toEqual({ a: 1 });
  answers('null');
  expect(await get('/x')).toBeNull();
});
test.each([
  ['half of it', () => '[{"id":'],
  ['nothing', () => ''],
  ['a line that breaks', cut],
])('%s is no answer, though it began as one', async (_what, body) => {
  answers(body());
  await expect(get('/x')).rejects.toThrow(Unreachable);
});
test('a refusal keeps its words, and one without any says its number', async () => {
  answers(JSON.stringify({ title: 'Not found', status: 404, detail: 'There is no such lot.', errors: [] }), { status: 404 });
  await expect(get('/x')).rejects.toThrow('There is no such lot.');
  answers('<html>', { status: 502 });
  await expect(get('/x')).rejects.toThrow(Refused);
});
