import type { App } from './app';
import { dailyCopy } from './archive';

const WATCH_MS = 10_000;
/** The first look at everything waits until whoever started it has what they came for. */
const CHECK_AFTER_MS = 30_000;
const HOUR_MS = 3_600_000;
/** Between two small pieces of the slow check, so that nobody waits for it. */
const BREATH_MS = 20;

const complain = (error: unknown): void => console.error('What goes on beside the work did not come to its end:', error);
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, BREATH_MS));

/**
 * What goes on beside the work: everything stored is read and compared once, slowly; days of readings that are over are sealed, a copy of everything is made once a day; and when
 * the disk begins or ends to refuse, the pages hear it.
 * @returns ends it
 */
export function keepUp(app: App): () => void {
  const { store, live } = app;
  let said = '';
  const watch = setInterval(() => {
    // Some megabytes more or less are no news.
    const says = JSON.stringify([store.trouble?.replaceAll(/\d/g, ''), store.notices.length]);
    if (said !== '' && says !== said) live.publish({ kind: 'changed', what: 'health', id: 'health' });
    said = says;
  }, WATCH_MS);
  const tidy = async () => {
    await store.tidy(breath);
    await dailyCopy(app, breath);
  };
  const first = setTimeout(() => void store.check(breath).then(tidy).catch(complain), CHECK_AFTER_MS);
  const hourly = setInterval(() => void tidy().catch(complain), HOUR_MS);
  for (const timer of [watch, first, hourly]) timer.unref();
  return () => {
    clearInterval(watch);
    clearTimeout(first);
    clearInterval(hourly);
  };
}
