import { crc32 } from 'node:zlib';
import type { z } from 'zod';
import { meaningOf, segmentsOf } from '@/contract/address';
import { type Endpoint, type EndpointId, endpoints } from '@/contract/endpoints';
import { issuesOf } from '@/contract/plainIssue';
import { parseReadingsCsv } from '@/contract/readingsCsv';
import { canonical } from '@/store/mark';
import { loadSent, type SentRow } from '@/store/sent';
import { isNotStored } from '@/store/store';
import type { App } from './app';
import { byOf } from './doors/by';
import { type Call, handlers } from './handlers';
import { conflict, Problem } from './problem';
import { readJson, readLimited } from './readable';

/** The one door of /api/v1: finds the endpoint, checks what comes in, answers JSON or a problem document. */
export async function answer(app: () => Promise<App>, request: Request, isDemo: boolean): Promise<Response> {
  let opened: App | null = null;
  try {
    const { pathname, searchParams } = new URL(request.url);
    const found = endpointAt(request.method, pathname);
    const { body }: Endpoint = endpoints[found.id];
    const given = body ? checked(body, await readBody(request, found.id)) : undefined;
    opened = await app();
    const asked = request.method === 'POST' ? sentOf(found.id, pathname, given) : null;
    if (asked) await refuseOther(opened, asked);
    const { id, params } = found;
    const answered = await within(opened, request, (app) =>
      handle(asked ? { ...app, sent: asked } : app, { id, params }, searchParams, given, isDemo, isSecure(request)),
    );
    // Two that crossed: the one that came second found the row of the first, and it may be another.
    if (asked) await refuseOther(opened, asked);
    return Response.json(answered, { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    return asProblem(error, opened);
  }
}

/** For the doors that take or give files: the same answers when something goes wrong. */
export async function answerWith(app: () => Promise<App>, request: Request, work: (app: App) => Promise<Response>): Promise<Response> {
  let opened: App | null = null;
  try {
    opened = await app();
    return await within(opened, request, work);
  } catch (error) {
    return asProblem(error, opened);
  }
}

/** Does what was asked for as whoever asked. A device that is put out meanwhile, or a token that is ended: what has begun is answered and counts, nothing begins after. */
async function within<T>(app: App, request: Request, work: (app: App) => Promise<T>): Promise<T> {
  const by = byOf(request.headers.get('x-hyndle-by'));
  if (by.kind !== 'device' && by.kind !== 'token') return work({ ...app, by });
  const done = await app.doors.act(by.id, () => work({ ...app, by }));
  if (done === null)
    throw new Problem(401, 'Put out', 'This device was put out, or this token ended. What it sent now was not kept; it is let in anew on the machine.');
  return done.value;
}

const isSecure = (request: Request): boolean => request.headers.get('x-hyndle-secure') === 'yes';

/** What went wrong, for whoever asked; what is no doing of theirs goes to the terminal too. */
function asProblem(error: unknown, opened: App | null): Response {
  if (error instanceof Problem) return problemResponse(error.status, error.title, error.detail, error.errors);
  if (isNotStored(error)) return problemResponse(507, 'Not stored', error.message, []);
  console.error(error);
  if (opened?.store.suspect(error))
    return problemResponse(500, 'The database is damaged', 'Nothing was stored. Restart Hyndle: it is mended from its journal then.', []);
  return problemResponse(500, 'A fault in Hyndle', 'This did not work, and it is not your doing. Nothing was stored. Try again; if it stays, restart.', []);
}

/** The endpoint that a path asks for. Throws Problem where there is none. */
function endpointAt(method: string, pathname: string) {
  const segments = segmentsOf(pathname);
  if (!segments) throw new Problem(400, 'Not an address', 'There are escapes in this address that cannot be read.');
  const meaning = meaningOf(method, segments);
  if (meaning.kind === 'endpoint') return meaning;
  throw meaning.kind === 'nothing' && meaning.otherMethods.length > 0
    ? new Problem(405, 'Not this way', `${method} is not offered here; use ${meaning.otherMethods.join(' or ')}.`)
    : new Problem(404, 'Not found', `There is nothing at ${pathname.slice(0, 200)}.`);
}

/** Facts that never change are compared by themselves. */
const BY_THEMSELVES: ReadonlySet<EndpointId> = new Set(['recordEvent', 'tickWeighed']);

/** What is asked for under an id of the caller's; null when it makes nothing new. */
function sentOf(endpoint: EndpointId, path: string, body: unknown): SentRow | null {
  if (BY_THEMSELVES.has(endpoint) || body === null || typeof body !== 'object') return null;
  const { id, parts } = body as { id?: unknown; parts?: readonly { id?: unknown }[] };
  const own = id ?? parts?.[0]?.id;
  return typeof own === 'string' ? { id: own, path, sum: crc32(canonical(body)) } : null;
}

/** The same id for something else, here or elsewhere, is a conflict; the same thing sent again is answered as the first time. */
async function refuseOther(app: App, asked: SentRow): Promise<void> {
  const had = await loadSent(app.store.db, asked.id);
  if (had && (had.path !== asked.path || had.sum !== asked.sum))
    throw conflict(`The id ${asked.id} was sent before with something else. Make a new id; nothing was stored.`);
}

async function handle(
  app: App,
  found: { readonly id: EndpointId; readonly params: Readonly<Record<string, string>> },
  search: URLSearchParams,
  body: unknown,
  isDemo: boolean,
  isSecure: boolean,
): Promise<unknown> {
  const endpoint: Endpoint = endpoints[found.id];
  const query = endpoint.query ? checked(endpoint.query, Object.fromEntries(search)) : undefined;
  const call = { app, isDemo, isSecure, param: (name: string) => found.params[name] ?? '', query, body };
  const work = handlers[found.id] as (call: Call<EndpointId>) => Promise<unknown>;
  return work(call as Call<EndpointId>);
}

/** What GET `path` answers, for pages made on the server: the same handlers, with no request between. Throws Problem. */
export async function answerAt(app: App, path: string, isDemo: boolean): Promise<unknown> {
  const { pathname, searchParams } = new URL(path, 'http://here');
  return handle(app, endpointAt('GET', `/api/v1${pathname}`), searchParams, undefined, isDemo, false);
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
  return readJson(text);
}

/** Throws Problem with what is wrong where. */
export function checked<T>(schema: z.ZodType<T>, value: unknown): T {
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
