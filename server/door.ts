import type { z } from 'zod';
import { type Endpoint, type EndpointId, endpoints, matchEndpoint } from '@/contract/endpoints';
import { parseReadingsCsv } from '@/contract/readingsCsv';
import type { App } from './app';
import { type Call, handlers } from './handlers';
import { Problem } from './problem';

const MAX_BODY_BYTES = 1024 * 1024;

/** The one door of /api/v1: finds the endpoint, checks what comes in, answers JSON or a problem document. */
export async function answer(app: () => Promise<App>, request: Request, path: string, isDemo: boolean): Promise<Response> {
  try {
    const found = matchEndpoint(request.method, path);
    if (found.id === null) {
      throw found.otherMethods.length > 0
        ? new Problem(405, 'Not this way', `${request.method} is not offered here; use ${found.otherMethods.join(' or ')}.`)
        : new Problem(404, 'Not found', `There is nothing at /api/v1${path}.`);
    }
    const endpoint: Endpoint = endpoints[found.id];
    const call = {
      app: await app(),
      isDemo,
      param: (name: string) => found.params[name] ?? '',
      query: endpoint.query ? checked(endpoint.query, Object.fromEntries(new URL(request.url).searchParams)) : undefined,
      body: endpoint.body ? checked(endpoint.body, await readBody(request, found.id)) : undefined,
    };
    const handle = handlers[found.id] as (call: Call<EndpointId>) => Promise<unknown>;
    return Response.json(await handle(call as Call<EndpointId>), { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    if (error instanceof Problem) return problemResponse(error.status, error.title, error.detail, error.errors);
    console.error(error);
    return problemResponse(500, 'A fault in Hyndle', 'This did not work, and it is not your doing. Nothing was stored. Try again; if it stays, restart.', []);
  }
}

export const problemResponse = (status: number, title: string, detail: string, errors: Problem['errors']): Response =>
  Response.json(
    { type: 'about:blank', title, status, detail, errors },
    { status, headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' } },
  );

async function readBody(request: Request, id: EndpointId): Promise<unknown> {
  const type = (request.headers.get('content-type') ?? '').split(';')[0]?.trim().toLowerCase();
  const isCsv = type === 'text/csv' && id === 'postReadings';
  if (type !== 'application/json' && !isCsv) {
    throw new Problem(415, 'Wrong kind of body', `Send application/json${id === 'postReadings' ? ' or text/csv' : ''}, not ${type || 'nothing'}.`);
  }
  const text = await readLimited(request);
  if (isCsv) {
    const parsed = parseReadingsCsv(text);
    if (!parsed.ok)
      throw new Problem(422, 'Something needs another look', parsed.error.message, [{ at: `line ${parsed.error.line}`, message: parsed.error.message }]);
    return parsed.value;
  }
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem(400, 'Not JSON', 'The body could not be read as JSON.');
  }
}

/** Stops reading as soon as it is too much: a 10 MB note never fills the memory. */
async function readLimited(request: Request): Promise<string> {
  const tooBig = () => new Problem(413, 'Too big', `At most ${MAX_BODY_BYTES / 1024} kB at a time.`);
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY_BYTES) throw tooBig();
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length;
    if (bytes > MAX_BODY_BYTES) throw tooBig();
    chunks.push(chunk);
  }
  return new TextDecoder().decode(Buffer.concat(chunks));
}

function checked(schema: z.ZodType, value: unknown): unknown {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const errors = parsed.error.issues.slice(0, 20).map((issue) => ({ at: issue.path.join('.') || 'body', message: plain(issue) }));
  throw new Problem(
    422,
    'Something needs another look',
    errors
      .map((error) => `${error.at}: ${error.message}`)
      .join(' ')
      .slice(0, 600),
    errors,
  );
}

/** The schema's own words where it has some; else what a person can do. */
function plain(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return /received undefined/.test(issue.message) ? 'This is missing.' : `This must be a ${issue.expected}.`;
    case 'unrecognized_keys':
      return `Not known here: ${issue.keys.join(', ')}.`;
    case 'too_big':
      return issue.message.startsWith('Too big') ? `At most ${issue.maximum}.` : issue.message;
    case 'too_small':
      return issue.message.startsWith('Too small') ? `At least ${issue.minimum}.` : issue.message;
    case 'invalid_value':
      return `One of: ${issue.values.slice(0, 20).join(', ')}.`;
    default:
      return issue.message;
  }
}
