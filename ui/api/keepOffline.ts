'use client';
import type { QueryClient } from '@tanstack/react-query';
import { isKeptPage } from './keptPage';

/**
 * What this device has open opens again without a connection (`public/sw.js`): the page, its files, and what it knew last. Acts are
 * no part of it: they wait in the outbox until the server has them.
 */

const [FILES, PAGES, ANSWERS] = ['hyndle-files', 'hyndle-pages', 'hyndle-answers'] as const;
/** The pages that a dyer stands before: the stove and Now. */
const KEPT_PAGES = /^\/(runs\/[^/]+)?$/;
/** With one-second readings the newest state is written down this often. */
const EACH_MS = 10_000;
/** What opens on a tap has been fetched by then. */
const FIRST_MS = 5000;
/** Files of builds that are gone make room for new ones; the oldest first. */
const MOST_FILES = 600;

/** Where a browser can keep pages: it trusts this address, and may store. */
const canKeep = (): boolean => 'serviceWorker' in navigator && 'caches' in window && window.isSecureContext;

/** Puts this page, its files and all that it shows where the service worker finds them. */
async function keepHere(cache: QueryClient, isFirst: boolean): Promise<void> {
  const { pathname } = window.location;
  if (!KEPT_PAGES.test(pathname)) return;
  const answers = await caches.open(ANSWERS);
  for (const query of cache.getQueryCache().getAll())
    if (query.isActive() && query.state.data !== undefined)
      await answers.put(
        `/api/v1${String(query.queryKey[0])}`,
        new Response(JSON.stringify(query.state.data), { headers: { 'content-type': 'application/json' } }),
      );
  // A page that was kept itself is no newer than what is there.
  if (!isFirst || isKeptPage()) return;
  // Its files first: a page without them would open dead.
  await keepFiles();
  const page = await fetch(pathname, { headers: { accept: 'text/html' } });
  // Not kept yet: the next round tries again.
  if (!page.ok || page.redirected) throw new Error(`The page did not come: ${page.status}.`);
  await (await caches.open(PAGES)).put(pathname, page);
}

async function keepFiles(): Promise<void> {
  const files = await caches.open(FILES);
  const had = new Set((await files.keys()).map(({ url }) => url));
  const loaded = performance.getEntriesByType('resource').map(({ name }) => name);
  const wanted = [...new Set(loaded)].filter((name) => name.startsWith(`${window.location.origin}/_next/static/`) && !had.has(name));
  for (const name of wanted) await files.add(name).catch(() => undefined);
  const all = await files.keys();
  for (const old of all.slice(0, Math.max(0, all.length - MOST_FILES))) await files.delete(old);
}

/** Keeps what is open as long as the page lives. @returns stops it */
export function keepOffline(cache: QueryClient): () => void {
  if (!canKeep()) return () => undefined;
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  let keptPage = '';
  let busy = false;
  const keep = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    const { pathname } = window.location;
    // A full disk, or a browser that lets nothing be kept: the page itself goes on.
    await keepHere(cache, keptPage !== pathname).then(
      () => {
        keptPage = pathname;
      },
      () => undefined,
    );
    busy = false;
  };
  const first = setTimeout(() => void keep(), FIRST_MS);
  const each = setInterval(() => void keep(), EACH_MS);
  const onHidden = () => document.visibilityState === 'hidden' && void keep();
  document.addEventListener('visibilitychange', onHidden);
  return () => {
    clearTimeout(first);
    clearInterval(each);
    document.removeEventListener('visibilitychange', onHidden);
  };
}

/** Nothing of Hyndle stays on a device that was put out. */
export async function forgetKept(): Promise<void> {
  if ('caches' in window) for (const name of [FILES, PAGES, ANSWERS]) await caches.delete(name);
}
