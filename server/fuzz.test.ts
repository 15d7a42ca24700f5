import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { openApiDocument } from '@/contract/openapi';
import { seededChance } from '@/core/chance';
import { SATURDAY_9 } from '@/core/plan/plan.fixture';
import { hostileQuery, type JsonSchema, sample, spoilt } from './fuzz.fixture';
import { runningApp, type TestApp } from './testApp.fixture';

/** Every route and parameter of the OpenAPI document, with what should never have come in: a 4xx with words, and nothing stored. */

const RUNS = Number(process.env.FUZZ_RUNS ?? 25);
const SEED = Number(process.env.FUZZ_SEED ?? 11);
const IDS = ['a', 's', 'r', 'r0', 'pot', 'probe', 'c1-scour', 'alum-10', 'weld', 'nobody'];

let t: TestApp;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
});
afterAll(() => t.close());

interface Operation {
  readonly requestBody?: { readonly content: { readonly 'application/json'?: { readonly schema: JsonSchema } } };
  readonly parameters?: readonly { readonly name: string; readonly in: string }[];
}
const { paths, components } = openApiDocument() as unknown as {
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, JsonSchema> };
};
const routes = Object.entries(paths).flatMap(([path, methods]) =>
  Object.entries(methods).map(([method, operation]) => ({ path: path.replace(/^\/api\/v1/, ''), method: method.toUpperCase(), operation })),
);

const HOSTILE_PARTS = ['%00', '%', '%zz', '%ff%fe', '..%2f..', '__proto__', 'constructor', '%ED%A0%80', 'x'.repeat(3000), '-', '%E2%80%8B'];

/** One request, of which `isSpoilt` says what was made hostile. */
function request(route: (typeof routes)[number], seed: number): { path: string; body: unknown } {
  const chance = seededChance(seed);
  const { operation } = route;
  const spoilPath = chance() < 0.25;
  const path = route.path.replace(/\{(\w+)\}/g, () =>
    spoilPath ? (HOSTILE_PARTS[Math.floor(chance() * HOSTILE_PARTS.length)] as string) : (IDS[Math.floor(chance() * IDS.length)] as string),
  );
  const query = (operation.parameters ?? [])
    .filter((one) => one.in === 'query')
    .map(({ name }) => `${name}=${hostileQuery(chance)}`)
    .join('&');
  const schema = operation.requestBody?.content['application/json']?.schema;
  const value = schema ? sample(schema, chance, IDS, { $defs: components.schemas }) : undefined;
  return { path: query ? `${path}?${query}` : path, body: schema && chance() < 0.8 ? spoilt(value, chance) : value };
}

describe('hostile requests', () => {
  test.each(routes.map((route) => [`${route.method} ${route.path}`, route] as const))('%s', async (_name, route) => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 2 ** 30 }), async (seed) => {
        const { path, body } = request(route, seed);
        const before = t.app.store.lastSeq;
        const answer = await t.send(route.method, path, body === undefined ? undefined : JSON.stringify(body));
        if (answer.status >= 500) throw new Error(`${answer.status} for ${path} ${JSON.stringify(body)?.slice(0, 500)}: ${JSON.stringify(answer.body)}`);
        if (answer.status >= 400) {
          expect(String(answer.body.detail).length).toBeGreaterThan(10);
          expect(t.app.store.lastSeq).toBe(before);
        }
      }),
      { numRuns: RUNS, seed: SEED, endOnFailure: true },
    );
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });

  test.each([
    ['ten thousand brackets', `${'['.repeat(10_000)}${']'.repeat(10_000)}`, 400],
    ['half a JSON', '{"id": "x', 400],
    ['a zero byte in a key', '{"a\\u0000": 1}', 422],
    ['half a character', '{"id": "x", "name": "\\ud800"}', 422],
    ['a name that every object has', '{"__proto__": {"polluted": true}}', 422],
  ])('%s', async (_what, body, status) => {
    const answer = await t.send('POST', '/lots', body);
    expect([answer.status, String(answer.body.detail).length > 10]).toEqual([status, true]);
  });
});
