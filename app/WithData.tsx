import { dehydrate, HydrationBoundary, QueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { answerAt } from '@/server/door';
import { isDemo, openApp } from '@/server/openApp';

/** Longer than this nobody waits for a page: it comes with its skeleton, and fetches what is still missing by itself. */
const PATIENCE_MS = 300;
/** A list longer than this would only make the page heavy: the page fetches it, and draws what is seen of it. */
const LONG = 500;

interface Props {
  /** What the page shows, as paths below /api/v1. */
  readonly ask: readonly string[];
  readonly children: ReactNode;
}

/** A page with its first data: what it asks for is there before the first paint. */
export async function WithData({ ask, children }: Props) {
  const cache = new QueryClient();
  const asking = Promise.all(
    ask.map(async (path) => {
      try {
        const answer = await answerAt(await openApp(), path, isDemo);
        // As it would come over the wire, so that both ways give the same value.
        if (!(Array.isArray(answer) && answer.length > LONG)) cache.setQueryData([path], JSON.parse(JSON.stringify(answer)));
      } catch {
        // The page asks again by itself and says what is wrong in its place.
      }
    }),
  );
  await Promise.race([asking, new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))]);
  return <HydrationBoundary state={dehydrate(cache)}>{children}</HydrationBoundary>;
}
