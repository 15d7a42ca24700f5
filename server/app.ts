import type { SentRow } from '@/store/sent';
import type { Store } from '@/store/store';
import type { By } from './doors/by';
import type { Doors } from './doors/doors';
import type { HotRuns } from './hotRuns';
import type { LiveFeed } from './live';

/** What every use case is given: the store, the time and the feed. */
export interface App {
  readonly store: Store;
  readonly live: LiveFeed;
  readonly hotRuns: HotRuns;
  readonly nowMs: () => number;
  readonly doors: Doors;
  /** Who asks; nobody said is the machine itself. */
  readonly by?: By;
  /** What is being asked for, when it makes something new under an id of the caller's. */
  readonly sent?: SentRow;
}
