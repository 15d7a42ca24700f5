import { type NextRequest, NextResponse } from 'next/server';

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?$/i;

const refuse = (status: number, title: string, detail: string): NextResponse =>
  NextResponse.json({ type: 'about:blank', title, status, detail, errors: [] }, { status, headers: { 'content-type': 'application/problem+json' } });

/**
 * Only this machine is answered: a foreign Host means a name that was made to point here (DNS rebinding), a foreign
 * Origin a page of somebody else’s. Both are refused before anything is read. Pages get a strict content policy.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  if (!LOOPBACK.test(host)) return refuse(421, 'Wrong door', 'Hyndle answers on this machine only: open it at 127.0.0.1.');
  const origin = request.headers.get('origin');
  if (origin !== null && origin !== `http://${host}`) return refuse(403, 'Foreign page', 'Another page tried to reach Hyndle; it was not let in.');

  const nonce = btoa(crypto.randomUUID());
  const isDev = process.env.NODE_ENV === 'development';
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
  return response;
}
