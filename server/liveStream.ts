import type { LiveMessage } from '@/contract/views';
import type { LiveFeed } from './live';

const TICK_MS = 15_000;

/**
 * The feed as server-sent events: `hello` and `tick` carry the server’s clock, `live` everything that happens, `out` that whoever listens
 * was put out.
 * @param open called with what ends the stream from this side; null when so many are open that this one may not
 */
export function liveStream(
  live: LiveFeed,
  nowMs: () => number,
  signal: AbortSignal,
  open: (putOut: () => void) => (() => void) | null = () => () => undefined,
): ReadableStream<Uint8Array> | null {
  let putOut = (): void => undefined;
  const forget = open(() => putOut());
  if (!forget) return null;
  const text = new TextEncoder();
  let stop = (): void => undefined;
  return new ReadableStream({
    start(controller) {
      const send = (event: string, data: object) => controller.enqueue(text.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
      const unlisten = live.listen((message: LiveMessage, seq) => send('live', { seq, message }));
      const timer = setInterval(() => send('tick', { nowMs: nowMs(), seq: live.seq }), TICK_MS);
      stop = () => {
        clearInterval(timer);
        unlisten();
        forget();
      };
      putOut = () => {
        stop();
        try {
          send('out', {});
          controller.close();
        } catch {
          // already closed by the browser going away
        }
      };
      signal.addEventListener('abort', () => {
        stop();
        try {
          controller.close();
        } catch {
          // already closed by the browser going away
        }
      });
      send('hello', { nowMs: nowMs(), seq: live.seq });
    },
    cancel: () => stop(),
  });
}
