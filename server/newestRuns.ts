import type { Vessel } from '@/core/kitchen/vessel';
import type { Plan } from '@/core/plan/plan';
import type { RunEvent } from '@/core/run/events';
import { foldRun } from '@/core/run/fold';
import { eventsOfRuns, newestRuns, plansOfRuns } from '@/store/runs';
import { listVessels } from '@/store/vessels';
import type { App } from './app';

/** Of so many runs, the newest, something is learnt: a stove of last year is no longer the stove. */
const LEARNT_FROM = 12;
/** Where those do not tell all, so many times as many are asked, up to so many: no plan reads all of history. */
const FURTHER = 4;
const AT_MOST = 192;

interface Kept<T> {
  readonly events: number;
  readonly values: readonly T[];
}

/**
 * What the newest runs tell, worked out once of each as long as nothing is added to its log: a log only grows. With breaths in between: acts
 * at the stove do not wait for it. A fixed number of queries for any number of runs, three times as many at the most where those are not enough.
 * @param isEnough whether older runs need not be asked; left out: the newest few always are enough
 * @param what in words, for the log where a run cannot be read: nobody shall be kept from planning by it, and its own page says what is wrong
 */
export function ofNewestRuns<T>(
  what: string,
  read: (app: App, plan: Plan, events: readonly RunEvent[], vessels: readonly Vessel[]) => readonly T[],
  isEnough: (values: readonly T[], vessels: readonly Vessel[]) => boolean = () => true,
): (app: App) => Promise<T[]> {
  const kept = new WeakMap<App['store'], Map<string, Kept<T>>>();
  const readOne = (...run: Parameters<typeof read>): readonly T[] => {
    try {
      return read(...run);
    } catch (error) {
      console.error(`${what} is not known of a run of “${run[1].name}”:`, error);
      return [];
    }
  };
  return async (app) => {
    const { db } = app.store;
    const known = kept.get(app.store) ?? new Map<string, Kept<T>>();
    kept.set(app.store, known);
    const vessels = await listVessels(db);
    for (let most = LEARNT_FROM; ; most *= FURTHER) {
      const newest = await newestRuns(db, most);
      const unread = newest.filter(({ id, events }) => known.get(id)?.events !== events).map(({ id }) => id);
      if (unread.length > 0) {
        const [{ runs, plans }, logs] = [await plansOfRuns(db, unread), await eventsOfRuns(db, unread)];
        for (const run of runs) {
          await new Promise((resolve) => setImmediate(resolve));
          const events = logs.get(run.id) ?? [];
          const version = foldRun([], events).planVersion ?? 1;
          const plan = plans.find((one) => one.sessionId === run.sessionId && one.version === version);
          known.set(run.id, { events: events.length, values: plan ? readOne(app, plan, events, vessels) : [] });
        }
      }
      const values = newest.flatMap(({ id }) => known.get(id)?.values ?? []);
      if (newest.length < most || most >= AT_MOST || isEnough(values, vessels)) return values;
    }
  };
}
