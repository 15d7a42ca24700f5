// Opens again, without a connection, what this device had open: a page by its address, its files, and what it knew last.
// Whatever Hyndle answers goes before what is kept here. Only `ui/api/keepOffline.ts` puts pages and answers in.
const [FILES, PAGES, ANSWERS] = ['hyndle-files', 'hyndle-pages', 'hyndle-answers'];
/** A network that does not answer for so long is none, ms. */
const PATIENCE_MS = 6000;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin) return;
  if (pathname.startsWith('/_next/static/') || pathname.startsWith('/icons/')) event.respondWith(file(request));
  else if (request.mode === 'navigate') event.respondWith(page(request, pathname));
  else if (pathname.startsWith('/api/v1/') && request.headers.get('accept') !== 'text/event-stream') event.respondWith(answer(request));
});

/** Its name changes with its content: what is here is right. */
async function file(request) {
  const kept = await caches.match(request, { cacheName: FILES });
  if (!kept) return fetch(request);
  // All workers begin with one file and read what they are off their own address. An answer that is kept carries the address of whoever
  // asked first, so that a second worker would become the first one: made anew, it carries the address that is asked for now.
  return /worker$/.test(request.destination) ? new Response(kept.body, { status: kept.status, headers: kept.headers }) : kept;
}

async function answer(request) {
  try {
    return await fetch(request);
  } catch (error) {
    const kept = await caches.match(request, { cacheName: ANSWERS });
    if (kept) return kept;
    throw error;
  }
}

async function page(request, pathname) {
  const kept = await caches.match(pathname, { cacheName: PAGES });
  try {
    const asked = fetch(request);
    return await (kept ? Promise.race([asked, new Promise((_, reject) => setTimeout(() => reject(new Error('no answer')), PATIENCE_MS))]) : asked);
  } catch {
    return kept ? asKept(kept) : notKept();
  }
}

/** The page says of itself that it is not new, so that its clock does not stand still where it was made. */
async function asKept(kept) {
  const headers = new Headers(kept.headers);
  for (const name of ['content-encoding', 'content-length', 'set-cookie']) headers.delete(name);
  return new Response((await kept.text()).replace('<html ', '<html data-kept="yes" '), { headers });
}

async function notKept() {
  const pages = await caches.open(PAGES);
  const links = await Promise.all(
    (await pages.keys()).map(async (request) => {
      const html = (await (await pages.match(request))?.text()) ?? '';
      const { pathname } = new URL(request.url);
      // The first heading names it; what stands there has been made safe by whoever made the page.
      const name = /<h1[^>]*>(.*?)<\/h1>/s.exec(html)?.[1]?.replace(/<[^>]*>/g, '') ?? pathname;
      return `<li><a href="${encodeURI(pathname)}">${name}</a></li>`;
    }),
  );
  const there = links.length > 0 ? `<p>These were open here and open again:</p><ul>${links.join('')}</ul>` : '';
  return new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No answer from Hyndle</title>
<style>body{font:18px/1.6 sans-serif;margin:24px;background:#d4d4d4;color:#1c1c1c}a{color:inherit}@media (prefers-color-scheme:dark){body{background:#101010;color:#eee}}</style>
<h1>No answer from Hyndle</h1><p>This page was not open on this device before. Try again when the connection is back: what you logged is kept.</p>${there}</html>`,
    { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } },
  );
}
