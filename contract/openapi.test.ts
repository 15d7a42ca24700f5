import { Validator } from '@seriousme/openapi-schema-validator';
import { describe, expect, test } from 'vitest';
import { type EndpointId, endpoints } from './endpoints';
import EXAMPLES from './examples.json';
import { openApiDocument } from './openapi';

interface Operation {
  readonly operationId: string;
  readonly summary?: string;
  readonly responses: Readonly<Record<string, { readonly description: string; readonly content?: Readonly<Record<string, { readonly schema: object }>> }>>;
}
const document = JSON.parse(JSON.stringify(openApiDocument())) as { paths: Record<string, Record<string, Operation>>; components: { schemas: object } };
const operations = Object.entries(document.paths).flatMap(([path, methods]) => Object.entries(methods).map(([method, one]) => ({ path, method, ...one })));

describe('the OpenAPI document', () => {
  test('is valid OpenAPI 3.1, by the schema of its makers', async () => {
    const validator = new Validator();
    const { valid, errors } = await validator.validate(structuredClone(document));
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
    expect(validator.version).toBe('3.1');
  });

  test('a document that is not valid is seen as such', async () => {
    const broken = structuredClone(document) as { info?: object };
    delete broken.info;
    expect((await new Validator().validate(broken)).valid).toBe(false);
  });

  test('every endpoint is in it, and every door for files and tables', () => {
    const files = ['live', 'saveArchive', 'takeArchive', 'keepPicture', 'picture', 'gplPalette', 'cssPalette'];
    const tables = ['lotsTable', 'swatchesTable', 'trialTable', 'shelfTable', 'weighOutTable', 'logTable', 'runReadingsTable', 'readingsTable'];
    expect(new Set(operations.map(({ operationId }) => operationId))).toEqual(new Set([...Object.keys(endpoints), ...files, ...tables]));
  });

  test('every reference in it leads somewhere, and no operation has the name of another', () => {
    expect(JSON.stringify(document)).not.toContain('$defs');
    const wanted = [...JSON.stringify(document).matchAll(/"#\/components\/schemas\/([^"]+)"/g)].map(([, name]) => name as string);
    expect(wanted.length).toBeGreaterThan(100);
    expect([...new Set(wanted)].filter((name) => !(name in document.components.schemas))).toEqual([]);
    expect(new Set(operations.map(({ operationId }) => operationId)).size).toBe(operations.length);
  });

  test.each(operations)('$method $path: a summary, and every refusal in words', ({ summary, responses }) => {
    expect(summary).toBeTruthy();
    const refusals = Object.entries(responses).filter(([status]) => status !== '200');
    expect(refusals.map(([status]) => status)).toEqual(expect.arrayContaining(['403', '421', '500']));
    for (const [, { description, content }] of refusals) {
      expect(description.length).toBeGreaterThan(5);
      expect(Object.keys(content ?? {})).toEqual(['application/problem+json']);
    }
  });

  test.each(Object.keys(endpoints) as EndpointId[])('the example of %s is one', (id) => {
    const example: { path: string; body?: unknown; answer: unknown } = EXAMPLES[id];
    const { body, response, path } = endpoints[id] as {
      body?: { parse: (value: unknown) => unknown };
      response: { parse: (value: unknown) => unknown };
      path: string;
    };
    expect(example.path).toMatch(new RegExp(`^/api/v1${path.replaceAll(/\{\w+\}/g, '[^/]+')}(\\?.*)?$`));
    if (example.body !== undefined) body?.parse(example.body);
    if (example.answer !== null) response.parse(example.answer);
  });
});
