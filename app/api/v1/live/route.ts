import { liveStream } from '@/server/liveStream';
import { openApp } from '@/server/openApp';

export const dynamic = 'force-dynamic';

export async function GET(request: Request): Promise<Response> {
  const { live, nowMs } = await openApp();
  return new Response(liveStream(live, nowMs, request.signal), {
    // no-transform keeps the compressor out, which would hold events back
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
}
