import { z } from 'zod';
import { type Endpoint, endpoints } from './endpoints';
import { problem } from './responses';

type Schemas = Record<string, object>;

/** JSON Schema of a Zod schema; named parts go to `shared`, where the document refers to them. */
function schemaOf(schema: z.ZodType, io: 'input' | 'output', shared: Schemas): object {
  const { $schema: _dialect, $defs = {}, ...json } = z.toJSONSchema(schema, { target: 'draft-2020-12', io, unrepresentable: 'any' });
  const moved = <T>(part: T): T => JSON.parse(JSON.stringify(part).replaceAll('"#/$defs/', '"#/components/schemas/')) as T;
  Object.assign(shared, moved($defs));
  return moved(json);
}

/** The OpenAPI 3.1 document, made from the same schemas that guard the doors. */
export function openApiDocument(): object {
  const shared: Schemas = {};
  const paths: Record<string, Record<string, object>> = {};
  for (const [operationId, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    const path = paths[endpoint.path] ?? {};
    path[endpoint.method.toLowerCase()] = operation(operationId, endpoint, shared);
    paths[endpoint.path] = path;
  }
  paths['/live'] = {
    get: {
      operationId: 'live',
      summary: 'Server-sent events: acts, readings and changes as they happen',
      responses: { 200: { description: 'A stream', content: { 'text/event-stream': { schema: { type: 'string' } } } } },
    },
  };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Hyndle',
      version: '1',
      description: 'Plan, run and record natural dye sessions. Times are epoch milliseconds; weights are g, volumes mL, temperatures °C.',
    },
    servers: [{ url: '/api/v1' }],
    paths,
    components: { schemas: shared },
  };
}

function operation(operationId: string, endpoint: Endpoint, shared: Schemas): object {
  const parameters = [
    ...[...endpoint.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
    ...Object.keys(endpoint.query instanceof z.ZodObject ? endpoint.query.shape : {}).map((name) => ({
      name,
      in: 'query',
      required: false,
      schema: { type: 'string' },
    })),
  ];
  return {
    operationId,
    summary: endpoint.summary,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(endpoint.body ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(endpoint.body, 'input', shared) } } } } : {}),
    responses: {
      200: { description: 'As asked', content: { 'application/json': { schema: schemaOf(endpoint.response, 'output', shared) } } },
      default: { description: 'What to put right', content: { 'application/problem+json': { schema: schemaOf(problem, 'output', shared) } } },
    },
  };
}
