import { type NextRequest, NextResponse } from 'next/server';
import { judge, type Knock, type Verdict } from './server/doors/atTheDoor';
import { giveCookie } from './server/doors/cookie';
import { openDoors } from './server/doors/openDoors';

const isDev = process.env.NODE_ENV === 'development';

/** Nothing of a request is read before this has let it in. Pages get a strict content policy. */
export function proxy(request: NextRequest): NextResponse {
  const knock = knockOf(request);
  const verdict = judge(knock, openDoors());
  switch (verdict.kind) {
    case 'refused':
      return refusal(verdict);
    case 'join':
      return NextResponse.redirect(`${knock.isSecure ? 'https' : 'http'}://${knock.host}/join`, 303);
    case 'in':
      return letIn(request, knock, verdict);
  }
}

/** What our server says of a request; the framework’s own server says nothing and is only for developing. */
function knockOf(request: NextRequest): Knock {
  const { headers, method, nextUrl } = request;
  const said = headers.get('x-hyndle-door');
  const door = said === 'machine' || said === 'home' ? said : isDev ? 'machine' : 'none';
  const [address = '', port = '0'] = (headers.get('x-hyndle-at') ?? '').split(' ');
  return {
    door,
    isSecure: headers.get('x-hyndle-secure') === 'yes',
    peer: headers.get('x-hyndle-peer') ?? '',
    at: { address, port: Number(port) },
    method,
    path: nextUrl.pathname,
    host: headers.get('host') ?? '',
    origin: headers.get('origin'),
    cookie: (name) => request.cookies.get(name)?.value ?? null,
    bearer: /^Bearer (\S+)$/i.exec(headers.get('authorization') ?? '')?.[1] ?? (headers.has('authorization') ? '' : null),
  };
}

const refusal = ({ status, title, detail, waitS }: Extract<Verdict, { kind: 'refused' }>): NextResponse =>
  NextResponse.json(
    { type: 'about:blank', title, status, detail, errors: [] },
    {
      status,
      headers: {
        'content-type': 'application/problem+json',
        'cache-control': 'no-store',
        ...(waitS === undefined ? {} : { 'retry-after': String(waitS) }),
        ...(status === 401 ? { 'www-authenticate': 'Bearer' } : {}),
      },
    },
  );

function letIn(request: NextRequest, knock: Knock, { by, cookie }: Extract<Verdict, { kind: 'in' }>): NextResponse {
  const nonce = btoa(crypto.randomUUID());
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDev ? " 'unsafe-eval'" : ''}`,
    // Ant Design and Chart.js set styles in the page; there is no nonce for those.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-hyndle-by', by);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  // On the first visit nothing is remembered of day or night; where a browser can say it, it asks again at once with that.
  response.headers.set('accept-ch', 'Sec-CH-Prefers-Color-Scheme');
  response.headers.set('critical-ch', 'Sec-CH-Prefers-Color-Scheme');
  response.headers.append('vary', 'Sec-CH-Prefers-Color-Scheme');
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'no-referrer');
  if (cookie !== null) giveCookie(response, cookie, knock.isSecure);
  return response;
}
