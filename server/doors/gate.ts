import type { IncomingMessage, ServerResponse } from 'node:http';
import { canonical, meaningOf, segmentsOf } from '@/contract/address';
import { MOST_BYTES } from '@/contract/fileDoors';
import { judge, type Knock, type Verdict } from './atTheDoor';
import { cookieLine } from './cookie';
import type { Doors } from './doors';
import { type Connections, watchBody } from './patience';

/** By which of our doors a request came, and whom it is handed to once it is let in. */
export type Door = Knock['door'];

const METHODS: readonly string[] = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];
/** What the application believes of where a request came from is said here and nowhere else: the same words from outside are dropped. */
const OURS = /^x-(hyndle|middleware|forwarded|nextjs|nonce|invoke|matched|prerender)\b|^next-action$|^content-security-policy$/i;

type Refused = Omit<Extract<Verdict, { kind: 'refused' }>, 'kind' | 'status'> & { readonly status: number };

/**
 * The one gate of every request, before anything of it is read: which address it means, who sends it, whether that is allowed
 * and how much it may bring. What it lets in goes on under its canonical address, so that nobody behind it can read another.
 *
 * @returns whether the application is to answer; otherwise it is answered
 */
export function letIn(request: IncomingMessage, response: ServerResponse, door: Door, doors: Doors, connections: Connections | null): boolean {
  const { method = 'GET', url = '/' } = request;
  const [raw, query] = split(url);
  const segments = segmentsOf(raw);
  if (!segments) return refuse(request, response, door, NO_ADDRESS);
  if (!METHODS.includes(method)) return refuse(request, response, door, { status: 405, title: 'Not this way', detail: `${method} is not offered here.` });
  for (const name of Object.keys(request.headers)) if (OURS.test(name)) delete request.headers[name];
  const knock = knockOf(request, door, segments);
  const verdict = judge(knock, doors);
  if (verdict.kind === 'refused') return refuse(request, response, door, verdict);
  if (verdict.kind === 'join') {
    response.writeHead(303, { location: '/join' }).end();
    return false;
  }
  const mostBytes = mostBytesOf(method, segments);
  if (Number(request.headers['content-length'] ?? 0) > mostBytes) return refuse(request, response, door, tooBig(mostBytes));
  const isKnown = verdict.by !== 'stranger';
  if (isKnown) connections?.known(request.socket);
  if (door === 'home') watchBody(request, isKnown);
  request.url = canonical(segments) + query;
  sayWho(request, knock, verdict);
  dress(response, request, verdict.cookie, knock.isSecure);
  return true;
}

const NO_ADDRESS: Refused = { status: 400, title: 'Not an address', detail: 'This address cannot be read. Check its percent signs.' };

function split(url: string): [path: string, query: string] {
  // A proxy’s request names the whole address (RFC 9112, 3.2.2); we are no proxy, and its path is judged like any other.
  const own = url.replace(/^https?:\/\/[^/]*/i, '') || '/';
  const at = own.search(/[?#]/);
  return at < 0 ? [own, ''] : [own.slice(0, at), own.slice(at)];
}

function knockOf({ headers, socket, method = 'GET' }: IncomingMessage, door: Door, segments: readonly string[]): Knock {
  const cookies = Object.fromEntries((headers.cookie ?? '').split(';').map((pair) => pair.trim().split(/=(.*)/s).slice(0, 2)));
  return {
    door,
    isSecure: 'encrypted' in socket && socket.encrypted === true,
    peer: socket.remoteAddress ?? '',
    at: { address: socket.localAddress ?? '', port: socket.localPort ?? 0 },
    method,
    segments,
    host: headers.host ?? '',
    origin: headers.origin ?? null,
    cookie: (name) => (Object.hasOwn(cookies, name) ? (cookies[name] ?? null) : null),
    bearer: headers.authorization === undefined ? null : (/^Bearer (\S+)$/i.exec(headers.authorization)?.[1] ?? ''),
  };
}

function mostBytesOf(method: string, segments: readonly string[]): number {
  const meaning = meaningOf(method, segments);
  return meaning.kind === 'file' && (meaning.id === 'keepPicture' || meaning.id === 'takeArchive') ? MOST_BYTES[meaning.id] : MOST_BYTES.act;
}

const tooBig = (mostBytes: number): Refused => ({ status: 413, title: 'Too big', detail: `At most ${mostBytes / 1024 / 1024} MB at a time.` });

function refuse(request: IncomingMessage, response: ServerResponse, door: Door, { status, title, detail, waitS }: Refused): false {
  const hasBody = Number(request.headers['content-length'] ?? 0) > 0 || request.headers['transfer-encoding'] !== undefined;
  response.writeHead(status, {
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
    ...(waitS === undefined ? {} : { 'retry-after': String(waitS) }),
    ...(status === 401 ? { 'www-authenticate': 'Bearer' } : {}),
    ...(hasBody ? { connection: 'close' } : {}),
  });
  response.end(JSON.stringify({ type: 'about:blank', title, status, detail, errors: [] }));
  // Its body is not wanted. From this machine it is let run out, so that the answer is heard; from outside only for a moment.
  request.resume();
  if (hasBody && door === 'home') setTimeout(() => request.socket.destroy(), GOODBYE_MS).unref();
  return false;
}
const GOODBYE_MS = 2000;

/** What the pages and the use cases know of who asks. */
function sayWho(request: IncomingMessage, knock: Knock, { by }: Extract<Verdict, { kind: 'in' }>): void {
  const nonce = btoa(crypto.randomUUID());
  Object.assign(request.headers, {
    'x-hyndle-by': by,
    'x-hyndle-peer': knock.peer,
    'x-hyndle-secure': knock.isSecure ? 'yes' : 'no',
    'x-nonce': nonce,
    // The framework finds the nonce for its own scripts here.
    'content-security-policy': policyWith(nonce),
  });
}

const policyWith = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    // Ant Design and Chart.js set styles in the page; there is no nonce for those.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** What every answer carries; a route that sets one of these itself, as a picture does, has the last word. */
function dress(response: ServerResponse, request: IncomingMessage, cookie: string | null, isSecure: boolean): void {
  response.setHeader('content-security-policy', String(request.headers['content-security-policy']));
  // On the first visit nothing is remembered of day or night; where a browser can say it, it asks again at once with that.
  response.setHeader('accept-ch', 'Sec-CH-Prefers-Color-Scheme');
  response.setHeader('critical-ch', 'Sec-CH-Prefers-Color-Scheme');
  response.setHeader('vary', 'Sec-CH-Prefers-Color-Scheme');
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('referrer-policy', 'no-referrer');
  if (cookie !== null) response.appendHeader('set-cookie', cookieLine(cookie, isSecure));
}
