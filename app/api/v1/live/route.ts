import { answerWith } from '@/server/door';
import { liveStream } from '@/server/liveStream';
import { openApp } from '@/server/openApp';
import { Problem } from '@/server/problem';

export const dynamic = 'force-dynamic';

export const GET = (request: Request): Promise<Response> =>
  answerWith(openApp, request, async ({ live, nowMs, doors, by }) => {
    const id = by && 'id' in by ? by.id : null;
    const stream = liveStream(live, nowMs, request.signal, id === null ? undefined : (putOut) => doors.stream(id, putOut));
    if (!stream) throw new Problem(429, 'Too many at once', 'This device listens in as many places as it may. Close some of its pages.');
    return new Response(stream, {
      // no-transform keeps the compressor out, which would hold events back
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
    });
  });
