import type { z } from 'zod';
import { type Endpoint, type EndpointId, endpoints, matchEndpoint } from '@/contract/endpoints';
import { issuesOf } from '@/contract/plainIssue';
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
    const { body }: Endpoint = endpoints[found.id];
    const given = body ? checked(body, await readBody(request, found.id)) : undefined;
    return Response.json(await handle(await app(), found, new URL(request.url).searchParams, given, isDemo), { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    if (error instanceof Problem) return problemResponse(error.status, error.title, error.detail, error.errors);
    console.error(error);
    return problemResponse(500, 'A fault in Hyndle', 'This did not work, and it is not your doing. Nothing was stored. Try again; if it stays, restart.', []);
  }
}

async function handle(
  app: App,
  found: { readonly id: EndpointId; readonly params: Readonly<Record<string, string>> },
  search: URLSearchParams,
  body: unknown,
  isDemo: boolean,
): Promise<unknown> {
  const endpoint: Endpoint = endpoints[found.id];
  const query = endpoint.query ? checked(endpoint.query, Object.fromEntries(search)) : undefined;
  const call = { app, isDemo, param: (name: string) => found.params[name] ?? '', query, body };
  const work = handlers[found.id] as (call: Call<EndpointId>) => Promise<unknown>;
  return work(call as Call<EndpointId>);
}

/** What GET `path` answers, for pages made on the server: the same handlers, with no request between. Throws Problem. */
export async function answerAt(app: App, path: string, isDemo: boolean): Promise<unknown> {
  const { pathname, searchParams } = new URL(path, 'http://here');
  const found = matchEndpoint('GET', decodeURIComponent(pathname));
  if (found.id === null) throw new Problem(404, 'Not found', `There is nothing at /api/v1${pathname}.`);
  return handle(app, found, searchParams, undefined, isDemo);
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
  const errors = issuesOf(parsed.error);
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
