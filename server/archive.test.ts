import { strToU8, zipSync } from 'fflate';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { SATURDAY_9 } from '@/core/plan/plan.fixture';
import { listCopies } from '@/store/archive/copies';
import { dailyCopy, takeArchive } from './archive';
import { runningApp, type TestApp } from './testApp.fixture';

let t: TestApp;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
});
afterAll(() => t.close());

const HEAD = strToU8(JSON.stringify({ format: 'hyndle-archive', version: 1, madeAtMs: SATURDAY_9 }));
const sent = (entries: Record<string, string>) =>
  new Response(new Uint8Array(zipSync({ 'archive.json': HEAD, ...Object.fromEntries(Object.entries(entries).map(([name, text]) => [name, strToU8(text)])) })))
    .body as ReadableStream<Uint8Array>;

test.each([
  ['a lot without a name', { 'rows/lot.ndjson': '{"shape":1,"row":{"id":"x","revision":1,"createdAtMs":1}}\n' }],
  [
    'a good lot before a bad one',
    {
      'rows/lot.ndjson': `${Array.from({ length: 300 }, (_, i) => JSON.stringify({ shape: 1, row: { id: `g${i}`, name: 'good', revision: 1, createdAtMs: 1 } })).join('\n')}\n{"shape":1,"row":{"id":"x","revision":1,"createdAtMs":1}}\n`,
    },
  ],
  ['a text that nothing can keep', { 'rows/stock.ndjson': '{"shape":1,"row":{"id":"x","revision":1,"retired":false,"note":"a\\u0000b"}}\n' }],
  ['a broken reading', { 'readings/p.csv': 'time,temperature\nyesterday,warm\n' }],
])('%s is refused in words, and nothing of it is there', async (_what, entries) => {
  const before = t.app.store.lastSeq;
  await expect(takeArchive(t.app, sent(entries), true)).rejects.toMatchObject({ status: 422 });
  expect(t.app.store.lastSeq).toBe(before);
  expect(t.app.store.readings.probes()).toEqual([]);
});

test('the copy made before something was taken in outlives the copy of its day', async () => {
  const { before } = await takeArchive(t.app, sent({}), true);
  await dailyCopy(t.app, async () => {});
  expect(listCopies(t.app.store.folder).map(({ name }) => name)).toEqual(
    expect.arrayContaining([before, `hyndle-${new Date(SATURDAY_9).toISOString().slice(0, 10)}.zip`]),
  );
});
