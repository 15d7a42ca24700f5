import type { Store } from '@/store/store';
import type { HotRuns } from './hotRuns';
import type { LiveFeed } from './live';

/** What every use case is given: the store, the time and the feed. */
export interface App {
  readonly store: Store;
  readonly live: LiveFeed;
  readonly hotRuns: HotRuns;
  readonly nowMs: () => number;
}
