// The built application behind a small server of ours: node bin/server.mjs PORT. It listens on the loopback address; the
// application opens the doors to the home network by itself (server/doors/front.ts) with what is handed over here.
import { createServer } from 'node:http';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { REFUSED_BY_BROWSERS } from './lib.mjs';

process.env.NODE_ENV = 'production';
process.title = 'hyndle-server';
const { default: next } = await import('next');

const dir = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const port = Number(process.argv[2]);
const app = next({ dev: false, dir, hostname: '127.0.0.1', port });
const handle = app.getRequestHandler();

/** What the application believes of where a request came from is said here and nowhere else: the same words from outside are dropped. */
const OURS = /^x-(hyndle|middleware|forwarded)-/i;

/**
 * @param door `machine` for the loopback address, `home` for the home network
 * @returns handles requests that came in by that door
 */
function behind(door) {
  return (request, response) => {
    for (const name of Object.keys(request.headers)) if (OURS.test(name)) delete request.headers[name];
    const { remoteAddress = '', localAddress = '', localPort = 0, encrypted = false } = request.socket;
    Object.assign(request.headers, {
      'x-hyndle-door': door,
      'x-hyndle-peer': remoteAddress,
      'x-hyndle-at': `${localAddress} ${localPort}`,
      'x-hyndle-secure': encrypted ? 'yes' : 'no',
    });
    handle(request, response).catch((error) => {
      console.error(error);
      response.destroy();
    });
  };
}

globalThis.hyndleFront = { behind, port, isRefusedByBrowsers: (one) => REFUSED_BY_BROWSERS.includes(one) };
await app.prepare();
const server = createServer(behind('machine'));
server.on('error', (error) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is in use.` : error);
  process.exit(1);
});
server.listen(port, '127.0.0.1');
