import { z } from 'zod';
import { type Endpoint, type EndpointId, endpoints } from './endpoints';
import EXAMPLES from './examples.json';
import { FILE_DOORS, type FileDoorId } from './fileDoors';
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
  schemaOf(problem, 'output', shared);
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
      responses: { 200: { description: 'A stream', content: { 'text/event-stream': { schema: { type: 'string' } } } }, ...problems([403, 421, 500]) },
    },
  };
  for (const [id, summary] of TABLES) paths[FILE_DOORS[id].path] = { get: table(FILE_DOORS[id].path, id, summary) };
  const zip = { content: { 'application/zip': { schema: { type: 'string', format: 'binary' } } } };
  paths['/archive'] = {
    get: {
      operationId: 'saveArchive',
      summary: 'Everything as one file; what is in it stands in docs/archive.md',
      responses: { 200: { description: 'The file', ...zip }, ...problems([403, 421, 500, 507]) },
    },
    post: {
      operationId: 'takeArchive',
      summary: 'What taking a saved file in would change; with take=yes it is taken in, by id, nothing twice',
      parameters: [
        { name: 'take', in: 'query', required: false, schema: { type: 'string', enum: ['yes'] } },
        {
          name: 'back',
          in: 'query',
          required: false,
          description: 'Instead: the name of a copy in <data>/copies; everything is put back as it says, and no file is sent',
          schema: { type: 'string' },
        },
      ],
      requestBody: { required: true, ...zip },
      responses: {
        200: { description: 'What it changes', content: { 'application/json': { schema: { type: 'object' } } } },
        ...problems([403, 404, 413, 421, 422, 500, 507]),
      },
    },
  };
  const picture = { 'image/*': { schema: { type: 'string', format: 'binary' } } };
  paths['/blobs'] = {
    post: {
      operationId: 'keepPicture',
      summary:
        'Keep a JPEG, PNG, WebP, HEIC or AVIF picture of at most 25 MB and 60 megapixels: made anew, upright, without what was written in it, in three sizes, each under the SHA-256 of its bytes. One that no look names for a week is taken away',
      requestBody: { required: true, content: picture },
      responses: {
        200: { description: 'Its names', content: { 'application/json': { schema: { $ref: '#/components/schemas/Picture' } } } },
        ...problems([403, 413, 415, 421, 422, 500, 507]),
      },
    },
  };
  paths['/blobs/{hash}'] = {
    get: {
      operationId: 'picture',
      summary: 'A picture by its name',
      parameters: [{ name: 'hash', in: 'path', required: true, schema: { type: 'string' } }],
      responses: { 200: { description: 'The picture', content: picture }, ...problems([403, 404, 421, 500]) },
    },
  };
  for (const [kind, says] of [
    ['gpl', 'as GPL text, which drawing programs read'],
    ['css', 'as custom properties of CSS'],
  ] as const)
    paths[`/swatches.${kind}`] = {
      get: {
        operationId: `${kind}Palette`,
        summary: `The colours of all results ${says}`,
        responses: {
          200: { description: 'The palette', content: { [`text/${kind === 'css' ? 'css' : 'plain'}`]: { schema: { type: 'string' } } } },
          ...problems([403, 421, 500]),
        },
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
    // On the machine itself nobody needs either.
    security: [{}, { token: [] }, { device: [] }],
    components: {
      schemas: shared,
      securitySchemes: {
        token: { type: 'http', scheme: 'bearer', description: 'A token made in Shelf → Home: for readings of one probe, for looking, or for everything' },
        device: { type: 'apiKey', in: 'cookie', name: 'hyndle', description: 'The cookie of a device that joined (`__Host-hyndle` over https)' },
      },
    },
  };
}

/** Every answer that is no success, in words; all of them are problem documents. */
const REFUSALS: Readonly<Record<number, string>> = {
  400: 'The address or the JSON cannot be read',
  401: 'From another machine: the device has not joined or was put out, or the token is not known',
  403: 'A page of somebody else’s asked, or this device or token may not do it',
  404: 'There is no such thing; `detail` says which',
  409: 'Somebody changed it meanwhile, the id belongs to something else, or what goes on does not allow it; nothing was stored',
  413: 'Too big',
  415: 'Another kind of body is wanted',
  421: 'Asked under a name that Hyndle does not answer to',
  422: 'Something needs another look; `errors` names each field and what to do about it; nothing was stored',
  429: 'Asked too much from there; wait as many seconds as `Retry-After` says',
  500: 'A fault in Hyndle; nothing was stored',
  507: 'The disk or the database server refuses; nothing was stored, and the same again may go well later',
};

function statusesOf({ method, path, body, query }: Pick<Endpoint, 'method' | 'path' | 'body' | 'query'>): number[] {
  const writes = method !== 'GET';
  return [
    400,
    403,
    ...(path.includes('{') || writes ? [404] : []),
    ...(writes ? [409, 507] : []),
    ...(body ? [413, 415] : []),
    421,
    ...(body || query ? [422] : []),
    500,
  ].sort((a, b) => a - b);
}

/** Who asks, and how much, is looked at whatever is asked. */
const ALWAYS = [401, 429];

const problems = (statuses: readonly number[]): object =>
  Object.fromEntries(
    [...statuses, ...ALWAYS].map((status) => [
      status,
      { description: REFUSALS[status], content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } } },
    ]),
  );

/** Tables for a spreadsheet. */
const TABLES: readonly (readonly [id: FileDoorId, summary: string])[] = [
  ['lotsTable', 'All fibre lots as a table'],
  ['swatchesTable', 'Every result as a table, with its colour, how that was got, and all that made it'],
  ['trialTable', 'The pieces of a trial as a table, with what came out'],
  ['shelfTable', 'What stands on the shelf as a table, as counted and as it is now'],
  ['weighOutTable', 'What to weigh out as a table, planned beside weighed'],
  ['logTable', 'The log of a run as a table'],
  ['runReadingsTable', 'Every reading of a run as a table'],
  ['readingsTable', 'Every reading of a probe as a table, of the last day or from `fromMs` to `toMs`'],
];

function table(path: string, operationId: string, summary: string): object {
  const inQuery = (name: string, schema: object) => ({ name, in: 'query', required: false, schema });
  return {
    operationId,
    summary,
    description:
      'RFC 4180 in UTF-8 with a byte order mark; the head names the units. Times stand on the clocks of the home, and once more in UTC where an instant matters. `decimal=comma` writes 82,5 and parts cells by semicolons.',
    parameters: [
      ...[...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
      inQuery('decimal', { type: 'string', enum: ['dot', 'comma'], default: 'dot' }),
      ...(operationId === 'readingsTable' ? ['fromMs', 'toMs'].map((name) => inQuery(name, { type: 'integer' })) : []),
    ],
    responses: { 200: { description: 'The table', content: { 'text/csv': { schema: { type: 'string' } } } }, ...problems([400, 403, 404, 421, 422, 500]) },
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
  const example: { readonly body?: unknown; readonly answer: unknown } = EXAMPLES[operationId as EndpointId];
  return {
    operationId,
    summary: endpoint.summary,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(endpoint.body
      ? {
          requestBody: {
            required: true,
            content: {
              'application/json': { schema: schemaOf(endpoint.body, 'input', shared), ...(example.body === undefined ? {} : { example: example.body }) },
            },
          },
        }
      : {}),
    responses: {
      200: {
        description: 'As asked',
        content: {
          'application/json': { schema: schemaOf(endpoint.response, 'output', shared), ...(example.answer === null ? {} : { example: example.answer }) },
        },
      },
      ...problems(statusesOf(endpoint)),
    },
  };
}
